import { stepsOf, type CheckedDocument, type Json, type WidgetSource } from '../document/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import { alignEdges, spaceEdges, type AlignTo } from './alignment.ts';
import { putAnchor } from './anchor.ts';
import { boundKept } from './bound.ts';
import { addWidget, duplicateWidgets, listOf, moveInto, removeWidgets, reorder } from './containers.ts';
import { dissolveWidget } from './dissolve.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';
import { farthest, rearranged, still } from './moves.ts';
import { exactNumber } from './place.ts';
import { putKey, putKeyHere, writtenAt, type Reach } from './put-key.ts';
import { changeLengths } from './shares.ts';
import { shiftEdges, type Edges } from './shift.ts';
import { referenceScreen } from './standing.ts';
import { wrapWidgets } from './wrap.ts';

/** One change of a document, as people make it. Widgets go by their ids; lengths are in u of what they are in. */
export type Act =
  | { readonly do: 'move'; readonly widgets: readonly string[]; readonly x: number; readonly y: number }
  | { readonly do: 'resize'; readonly widget: string; readonly edges: Edges }
  | { readonly do: 'rotate'; readonly widget: string; readonly degrees: number }
  | {
      readonly do: 'anchor';
      readonly widget: string;
      readonly to: string;
      readonly pivot?: string | undefined;
    }
  | { readonly do: 'lengths'; readonly widget: string; readonly into: 'shares' | 'u' }
  | {
      readonly do: 'set';
      readonly widget: string;
      readonly key: string;
      /** Left out: the key is taken away. */
      readonly value?: Json | undefined;
      readonly reach?: Reach | undefined;
    }
  | { readonly do: 'align'; readonly widgets: readonly string[]; readonly to: AlignTo }
  | { readonly do: 'space'; readonly widgets: readonly string[]; readonly along: 'x' | 'y' }
  | { readonly do: 'order'; readonly widget: string; readonly to: number }
  | {
      readonly do: 'into';
      readonly widget: string;
      readonly parent: string;
      readonly at?: number | undefined;
    }
  | {
      readonly do: 'wrap';
      readonly widgets: readonly string[];
      readonly id: string;
      readonly arrange?: 'free' | 'row' | 'column' | undefined;
    }
  | { readonly do: 'dissolve'; readonly widget: string }
  | { readonly do: 'duplicate'; readonly widgets: readonly string[] }
  | { readonly do: 'remove'; readonly widgets: readonly string[] }
  | {
      readonly do: 'add';
      readonly parent: string;
      readonly widget: WidgetSource;
      readonly at?: number | undefined;
    };

/** What came of a change. */
export interface Done {
  /** The whole text after it. */
  readonly text: string;
  /** The view of the text. */
  readonly view: View;
  /** What it did, for people. */
  readonly said: string;
  /** The widgets that it was about, by the ids they have now. */
  readonly widgets: readonly string[];
  /** Others that are elsewhere on the reference now, the farthest first, by how many px. */
  readonly alsoMoved: readonly { readonly widget: string; readonly by: number }[];
}

/**
 * Makes a change of a document. What is not about it keeps its bytes: comments, notation, the order of keys.
 * @param on The view laid out where somebody looked at it: sizes that follow from something are read there; the reference if left out.
 * @throws EditError where it cannot be made; the sentence says why.
 */
export function perform(
  document: CheckedDocument,
  view: View,
  act: Act,
  on: ViewLayout = view.layoutOn(referenceScreen(view)),
): Done {
  const { text, widgets, left = '' } = textAfter(document, view, act, on);
  const after = rearranged(document, view, text);
  return {
    text,
    view: after,
    said: `${sayingOf(act)}${left}`,
    widgets,
    alsoMoved: alsoMoved(view, after, act, widgets),
  };
}

function textAfter(
  document: CheckedDocument,
  view: View,
  act: Act,
  on: ViewLayout,
): { readonly text: string; readonly widgets: readonly string[]; readonly left?: string } {
  if (act.do === 'lengths')
    return { ...changeLengths(document, view, act.widget, act.into), widgets: [act.widget] };
  if (act.do === 'wrap') return { text: wrapWidgets(document, view, act.widgets, act), widgets: [act.id] };
  if (act.do === 'dissolve') {
    const { widgets } = view.layoutOn(referenceScreen(view));
    const index = on.indexOf(act.widget);
    const inside = widgets.filter(({ parent }) => parent === index).map(({ id }) => id);
    return { text: dissolveWidget(document, view, act.widget), widgets: inside };
  }
  const text = new DocumentText(document);
  const widgets = change(text, document, view, act, on);
  return { text: text.text, widgets };
}

/** Acts that change keys and nothing else: they can be tried on the values of a document, many times a second. */
export type KeyAct = Extract<
  Act,
  { readonly do: 'move' | 'resize' | 'rotate' | 'anchor' | 'set' | 'align' | 'space' }
>;

export function isKeyAct(act: Act): act is KeyAct {
  return ['move', 'resize', 'rotate', 'anchor', 'set', 'align', 'space'].includes(act.do);
}

/** Makes a change of keys in whatever holds the document. @throws EditError */
export function performKeys(
  text: Editing,
  document: CheckedDocument,
  view: View,
  act: KeyAct,
  on: ViewLayout,
): readonly string[] {
  const shift = (id: string, edges: Edges) => {
    const widget = on.widgets[on.indexOf(id)]!;
    if (widget.index === 0) throw new EditError('the view itself is as large as the screen');
    const { arrange } = on.widgets[widget.parent]!.box;
    const arranged = arrange !== 'free';
    const { layout } = on;
    const factor = layout.factor(widget.index);
    const rect = layout.rectInU(widget.index);
    const moves = edges.left === edges.right && edges.top === edges.bottom;
    if (arranged && moves)
      throw new EditError(`"${id}" stands in a ${arrange}, which places it: change its order there`);
    shiftEdges(
      text,
      widget,
      edges,
      {
        width: rect.width / factor,
        height: rect.height / factor,
        unit: factor / layout.factor(widget.parent),
      },
      arranged,
    );
  };
  switch (act.do) {
    case 'move':
      for (const id of outermost(on, act.widgets))
        shift(id, { left: act.x, right: act.x, top: act.y, bottom: act.y });
      return act.widgets;
    case 'resize':
      shift(act.widget, act.edges);
      return [act.widget];
    case 'rotate': {
      const widget = on.widgets[on.indexOf(act.widget)]!;
      writtenAt(widget);
      const degrees = exactNumber(act.degrees);
      putKey(text, widget, 'rotate', boundKept(text, widget, 'rotate', degrees === 0 ? undefined : degrees));
      return [act.widget];
    }
    case 'anchor':
      putAnchor(text, view, act.widget, act.to, act.pivot);
      return [act.widget];
    case 'set': {
      const widget = on.widgets[on.indexOf(act.widget)]!;
      if (act.reach === 'here') putKeyHere(text, document, on.widgets, widget, act.key, act.value);
      else putKey(text, widget, act.key, act.value);
      return act.key === 'id' && typeof act.value === 'string' ? [act.value] : [act.widget];
    }
    case 'align':
      for (const [id, edges] of alignEdges(on, act.widgets, act.to)) shift(id, edges);
      return act.widgets;
    case 'space':
      for (const [id, edges] of spaceEdges(on, act.widgets, act.along)) shift(id, edges);
      return act.widgets;
  }
}

function change(
  text: DocumentText,
  document: CheckedDocument,
  view: View,
  act: Exclude<Act, { readonly do: 'lengths' | 'wrap' | 'dissolve' }>,
  on: ViewLayout,
): readonly string[] {
  switch (act.do) {
    case 'order':
      reorder(text, on.widgets[on.indexOf(act.widget)]!, act.to);
      return [act.widget];
    case 'into':
      moveInto(text, view, act.widget, act.parent, act.at);
      return [act.widget];
    case 'duplicate':
      return duplicateWidgets(text, document, on, outermost(on, act.widgets));
    case 'remove':
      removeWidgets(text, on, outermost(on, act.widgets));
      return [];
    case 'add':
      return [addWidget(text, document, on, act.parent, act.widget, act.at)];
    default:
      return performKeys(text, document, view, act, on);
  }
}

/** Of some widgets those that are in no other of them, each written place once. */
function outermost(on: ViewLayout, ids: readonly string[]): readonly string[] {
  const chosen = new Set(ids.map((id) => on.indexOf(id)));
  const seen = new Set<string>();
  return [...chosen]
    .sort((a, b) => a - b)
    .flatMap((index) => {
      for (let at = on.widgets[index]!.parent; at >= 0; at = on.widgets[at]!.parent)
        if (chosen.has(at)) return [];
      const { pointer, id } = on.widgets[index]!;
      if (seen.has(pointer)) return [];
      seen.add(pointer);
      return [id];
    });
}

/** What moved on the reference and was not meant: neither what the act is about, nor what is in it. */
function alsoMoved(before: View, after: View, act: Act, widgets: readonly string[]): Done['alsoMoved'] {
  const screen = referenceScreen(before);
  const [was, is] = [before.layoutOn(screen), after.layoutOn(screen)];
  const meant = new Set([
    ...widgets,
    // What is copied is meant to stay.
    ...('widgets' in act && act.do !== 'duplicate' ? act.widgets : []),
    ...('widget' in act && typeof act.widget === 'string' ? [act.widget] : []),
  ]);
  const found: { widget: string; by: number }[] = [];
  for (const one of was.widgets) {
    const other = is.find(one.id);
    if (other === undefined) continue;
    // One without an id is named by its place, which an act that changes more than keys may have changed.
    const isIt = one.name !== undefined || (isKeyAct(act) && is.widgets[other]!.pointer === one.pointer);
    if (!isIt) continue;
    let within = false;
    for (let at = one.index; at > 0; at = was.widgets[at]!.parent) within ||= meant.has(was.widgets[at]!.id);
    const by = farthest(was.layout.rect(one.index), is.layout.rect(other));
    if (!within && by > still) found.push({ widget: one.id, by });
  }
  return found.sort((a, b) => b.by - a.by);
}

function sayingOf(act: Act): string {
  const number = (value: number) => String(exactNumber(value));
  const names = (ids: readonly string[]) => (ids.length > 3 ? `${ids.length} widgets` : ids.join(', '));
  switch (act.do) {
    case 'move':
      return `move ${names(act.widgets)} by ${number(act.x)}, ${number(act.y)} u`;
    case 'resize':
      return `resize ${act.widget}`;
    case 'rotate':
      return `rotate ${act.widget} to ${number(act.degrees)}°`;
    case 'anchor':
      return `anchor ${act.widget} to ${act.to}`;
    case 'lengths':
      return `lengths of ${act.widget} in ${act.into === 'u' ? 'u' : 'shares'}`;
    case 'set':
      return act.value === undefined
        ? `take ${act.key} out of ${act.widget}`
        : `set ${act.key} of ${act.widget}`;
    case 'align':
      return `align ${names(act.widgets)} to ${act.to}`;
    case 'space':
      return `space out ${names(act.widgets)}`;
    case 'order':
      return `reorder ${act.widget}`;
    case 'into':
      return `move ${act.widget} into ${act.parent}`;
    case 'wrap':
      return `wrap ${names(act.widgets)} in ${act.arrange === undefined || act.arrange === 'free' ? 'a panel' : `a ${act.arrange}`}`;
    case 'dissolve':
      return `dissolve ${act.widget}`;
    case 'duplicate':
      return `duplicate ${names(act.widgets)}`;
    case 'remove':
      return `delete ${names(act.widgets)}`;
    case 'add':
      return `add ${act.widget.use ?? act.widget.kind ?? 'a panel'} to ${act.parent}`;
  }
}

/** The place of a widget in the list it is written in; undefined for one that is in no list. */
export function placeInList(pointer: string): { readonly list: string; readonly at: number } | undefined {
  return stepsOf(pointer).length > 2 ? listOf(pointer) : undefined;
}
