import {
  anchorTargets,
  directions,
  keyRow,
  readAnchor,
  rootsOf,
  widgetsOf,
  type CheckedDocument,
  type Json,
  type Kind,
  type WidgetSource,
} from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import type { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import { adviceFor, asBefore, axes, directionOf, exactNumber, lengthOf } from './place.ts';
import { putLength } from './put-length.ts';
import { putPlace } from './put-place.ts';
import { writtenAt } from './put-key.ts';
import { referenceScreen, roomIn, standingOf } from './standing.ts';

/** The list that something is written in, and its place there. @throws EditError for what is in no list. */
export function listOf(pointer: string): { readonly list: string; readonly at: number } {
  const slash = pointer.lastIndexOf('/');
  const at = Number(pointer.slice(slash + 1));
  if (!/\/children$/.test(pointer.slice(0, slash)) || !Number.isInteger(at))
    throw new EditError('it is not one of several children');
  return { list: pointer.slice(0, slash), at };
}

/** Puts a widget at another place among its siblings. @param to Its place among them afterwards. @throws EditError */
export function reorder(text: DocumentText, widget: Widget, to: number): void {
  const { list, at } = listOf(writtenAt(widget));
  if (to === at) return;
  const map = list.slice(0, list.lastIndexOf('/'));
  const entry = text.take(list, at);
  text.put(map, to, entry);
}

/**
 * Puts a widget into another container. In a free one it keeps its place on the reference, with the anchor that fits it there; a row,
 * column or grid places it.
 * @param at Its place among the children there; last if left out. @throws EditError
 */
export function moveInto(text: DocumentText, view: View, id: string, parentId: string, at = Infinity): void {
  const on = view.layoutOn(referenceScreen(view));
  const standing = standingOf(on, id);
  const parent = on.widgets[on.indexOf(parentId)]!;
  for (let up = parent.index; up >= 0; up = on.widgets[up]!.parent)
    if (up === standing.widget.index) throw new EditError(`"${parentId}" is in "${id}"`);
  const to = writtenAt(parent);
  if (to.startsWith('/components/'))
    throw new EditError(`"${parentId}" is written in a component, for all its instances`);
  if ((parent.source as WidgetSource).use !== undefined)
    throw new EditError(`"${parentId}" is an instance: what is in it follows its component`);
  const { pointer, widget, source } = standing;
  const from = listOf(pointer);
  if (to === from.list.slice(0, from.list.lastIndexOf('/')))
    return reorder(text, widget, Math.min(at, lastOf(on, parent)));
  const { arrange } = parent.box;
  if (arrange === 'free') {
    const unit = on.layout.factor(parent.index);
    const rect = on.layout.rectInU(widget.index);
    const own = { x: rect.x / unit, y: rect.y / unit, width: rect.width / unit, height: rect.height / unit };
    const room = roomIn(on, parent, false);
    const advice = adviceFor(own, room, directionOf(standing));
    // A size that is set stays one: only the point it is tied to follows from where it is.
    const words = axes.map((axis) => advice[axis].word.replace(/\.\..*/, ''));
    for (const axis of axes) {
      const { mode, size, span } = widget.box[axis];
      const follows = span || mode === 'fill' || (mode === 'fixed' && size.share !== 0);
      if (follows || on.layout.factor(widget.index) / unit !== standing.ownUnit)
        putLength(
          text,
          standing,
          axis,
          lengthOf({ own, ownUnit: on.layout.factor(widget.index) / unit }, axis),
        );
    }
    text.remove(pointer, 'area');
    text.remove(pointer, 'anchor-to');
    putPlace(text, { ...standing, own }, room, readAnchor(words.join(' '))!, {});
  } else {
    for (const key of ['anchor', 'pivot', 'offset', 'inset', 'area', 'anchor-to']) text.remove(pointer, key);
    for (const axis of axes) {
      const { mode, size, span } = widget.box[axis];
      if (span || (mode === 'fixed' && size.share !== 0))
        putLength(text, standing, axis, lengthOf(standing, axis));
    }
  }
  if (source.use === undefined && standing.parent.box.arrange !== 'free')
    for (const key of ['align-self', 'justify-self', 'column-span', 'row-span', 'margin'])
      text.remove(pointer, key);
  // What stands further down in the text is moved first, so that the other pointer stays right.
  const target = afterTaking(to, from);
  const entry = text.take(from.list, from.at);
  text.put(target, at, entry);
}

/** A pointer once an entry of a list is gone. */
function afterTaking(pointer: string, { list, at }: { readonly list: string; readonly at: number }): string {
  if (!pointer.startsWith(`${list}/`)) return pointer;
  const [place, ...rest] = pointer.slice(list.length + 1).split('/');
  return Number(place) > at ? [list, Number(place) - 1, ...rest].join('/') : pointer;
}

function lastOf(on: ViewLayout, parent: Widget): number {
  return Math.max(0, on.widgets.filter((one) => one.parent === parent.index).length - 1);
}

/** Takes widgets out of the document. @throws EditError where something else names one. */
export function removeWidgets(text: DocumentText, on: ViewLayout, ids: readonly string[]): void {
  const gone = ids.map((id) => on.widgets[on.indexOf(id)]!);
  for (const widget of gone) {
    if (widget.index === 0) throw new EditError('the view itself cannot be deleted here');
    if (!widget.pointer.startsWith('/views/'))
      throw new EditError(`"${widget.id}" is written in a component, for all its instances`);
  }
  // From the end, so that the pointers of the others stay right.
  for (const { pointer } of gone.sort((a, b) => b.index - a.index)) {
    const { list, at } = listOf(pointer);
    text.take(list, at);
  }
}

/** Puts copies of widgets after them, each with an id of its own. @returns the ids of the copies. @throws EditError */
export function duplicateWidgets(
  text: DocumentText,
  document: CheckedDocument,
  on: ViewLayout,
  ids: readonly string[],
): string[] {
  const taken = idsOf(document, on.view.name);
  const made: string[] = [];
  const chosen = ids.map((id) => on.widgets[on.indexOf(id)]!).sort((a, b) => b.index - a.index);
  for (const widget of chosen) {
    if (!widget.pointer.startsWith('/views/'))
      throw new EditError(`"${widget.id}" is written in a component, for all its instances`);
    const { list, at } = listOf(widget.pointer);
    const map = list.slice(0, list.lastIndexOf('/'));
    text.put(map, at + 1, text.entry(list, at));
    const copy = `${list}/${at + 1}`;
    const renamed = new Map<string, string>();
    for (const { widget: one, pointer } of [
      { widget: widget.source as WidgetSource, pointer: '' },
      ...widgetsOf(widget.source, ''),
    ]) {
      if (one.id === undefined) continue;
      const id = freeId(one.id, taken);
      renamed.set(one.id, id);
      text.set(copy + pointer, 'id', id);
      if (pointer === '') made.push(id);
    }
    for (const { widget: one, pointer } of [
      { widget: widget.source as WidgetSource, pointer: '' },
      ...widgetsOf(widget.source, ''),
    ])
      for (const [key, names] of namesIn(one, renamed)) text.set(copy + pointer, key, names);
    if (on.widgets[widget.parent]!.box.arrange === 'free') {
      const anchored = widget.source as WidgetSource;
      const numbers =
        typeof anchored.offset === 'undefined' || /^[-\d. ]+$/.test([anchored.offset].flat().join(' '));
      // Beside the first, so that both are seen.
      if (numbers && !widget.box.x.span && !widget.box.y.span)
        text.set(
          copy,
          'offset',
          asBefore(anchored.offset, [
            exactNumber(signed(widget, 'x') + 16),
            exactNumber(widget.box.y.offset.u + 16),
          ]),
        );
    }
  }
  return made.reverse();
}

function signed({ box, source }: Widget, axis: 'x'): number {
  const said = (source as WidgetSource).anchor;
  const logical = said === undefined || readAnchor(said)?.x.logical === true;
  return box.rightToLeft && logical ? -box[axis].offset.u : box[axis].offset.u;
}

/** Puts a new widget into a container. @returns its id. @throws EditError */
export function addWidget(
  text: DocumentText,
  document: CheckedDocument,
  on: ViewLayout,
  parentId: string,
  source: WidgetSource,
  at = Infinity,
): string {
  const parent = on.widgets[on.indexOf(parentId)]!;
  const map = writtenAt(parent);
  if (map.startsWith('/components/'))
    throw new EditError(`"${parentId}" is written in a component, for all its instances`);
  if (!holdsWidgets(parent.kind))
    throw new EditError(`"${parentId}" is of kind ${parent.kind}, which holds no widgets`);
  const id = freeId(source.id ?? source.use ?? source.kind ?? 'panel', idsOf(document, on.view.name));
  text.put(map, at, text.made({ ...source, id } as unknown as Json));
  return id;
}

/** Whether widgets of a kind can have others in them. */
export function holdsWidgets(kind: Kind): boolean {
  return keyRow('children')?.kinds?.includes(kind) ?? true;
}

function idsOf(document: CheckedDocument, view: string): Set<string> {
  const taken = new Set<string>();
  for (const { name, root, pointer } of rootsOf(document.source)) {
    if (name !== view) continue;
    for (const { widget } of widgetsOf(root, pointer)) if (widget.id !== undefined) taken.add(widget.id);
  }
  return taken;
}

/** A name like another that nobody has yet; it is taken then. */
function freeId(wanted: string, taken: Set<string>): string {
  const stem = wanted.replace(/-\d+$/, '');
  let id = wanted;
  for (let nth = 2; taken.has(id); nth++) id = `${stem}-${nth}`;
  taken.add(id);
  return id;
}

/** The keys of a widget that name others, with the new names of those that were renamed; none where nothing is another. */
function* namesIn(
  widget: WidgetSource,
  renamed: ReadonlyMap<string, string>,
): Generator<readonly [key: string, names: string | string[]]> {
  const nameOf = (name: string) => renamed.get(name) ?? name;
  for (const key of [
    'anchor-to',
    ...directions,
    'controls',
    'tooltip',
    'may-overlap',
    'focus-order',
  ] as const) {
    const said = widget[key];
    if (said === undefined || typeof said === 'boolean') continue;
    const names = typeof said === 'string' ? anchorTargets(said) : said;
    if (!names.some((name) => renamed.has(name))) continue;
    yield [key, typeof said === 'string' ? names.map(nameOf).join('..') : names.map(nameOf)];
  }
}
