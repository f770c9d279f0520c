import {
  pointerTo,
  rootsOf,
  stepsOf,
  widgetsOf,
  type CheckedDocument,
  type Json,
} from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';
import { asBefore } from './place.ts';

/**
 * Where a key of a widget is changed: `written` where its value in force stands or would stand (a component, a condition, a change
 * of an instance, the widget itself), `here` in this instance alone.
 */
export type Reach = 'written' | 'here';

/**
 * Gives a key of a widget a value, or takes it out. A key of its look goes by `look/background`.
 * @throws EditError where it is not written in the document.
 */
export function putKey(text: Editing, widget: Widget, path: string, value: Json | undefined): void {
  const [key, inner] = path.split('/') as [string, string | undefined];
  if (inner !== undefined) return putInner(text, widget, key, inner, value);
  // Where a component, a condition or an instance says it, it is changed there.
  const place = widget.origins.get(key);
  const map = place === undefined ? writtenAt(widget) : placed(place.slice(0, place.lastIndexOf('/')));
  if (value === undefined) text.remove(map, key);
  else text.set(map, key, asBefore((widget.source as { [key: string]: unknown })[key], value));
}

/** A key of a map that is a widget's key: all else in the map keeps its bytes. */
function putInner(text: Editing, widget: Widget, key: string, inner: string, value: Json | undefined): void {
  const known = (widget.source as { [key: string]: unknown })[key];
  if (known !== undefined && (typeof known !== 'object' || known === null || Array.isArray(known)))
    throw new EditError(`the ${key} of "${widget.id}" has no keys of its own`);
  const map = known as { [key: string]: Json } | undefined;
  if (!map) {
    if (value !== undefined) putKey(text, widget, key, { [inner]: value });
    return;
  }
  const said = placed(pointerOfKey(widget, `${key}/${inner}`));
  let place = said.slice(0, said.lastIndexOf('/'));
  const holder = changedBy(said);
  if (!(inner in map) && holder !== undefined) {
    // What nobody says is said for all screens, not for those of a condition that says something else.
    if (value !== undefined && !text.has(holder, key)) return text.set(holder, key, { [inner]: value });
    place = pointerTo(holder, key);
  }
  if (value !== undefined) text.set(place, inner, asBefore(map[inner], value));
  else if (Object.keys(map).join() === inner) putKey(text, widget, key, undefined);
  else text.remove(place, inner);
}

/** The pointer a widget is written at. @throws EditError */
export function writtenAt(widget: Widget): string {
  return placed(widget.pointer);
}

/** The same pointer. @throws EditError for one that leads nowhere in the document. */
export function placed(pointer: string): string {
  if (pointer === '') throw new EditError('it is not written in the document');
  return pointer;
}

/** Where the value of a key stands or would stand. A key of its look goes by `look/background`. */
export function pointerOfKey(widget: Widget, path: string): string {
  const [key, inner] = path.split('/') as [string, string | undefined];
  const place = widget.origins.get(path);
  if (place !== undefined) return place;
  return inner === undefined ? pointerTo(widget.pointer, key) : pointerTo(pointerOfKey(widget, key), inner);
}

/** Of what a condition says of a widget: where that widget is written; undefined of anything else. */
export function changedBy(pointer: string): string | undefined {
  return /^(.*)\/when\/\d+\/change\//.exec(pointer)?.[1];
}

/** The instance in a view that a widget of a component belongs to, and the name it goes by in there. */
export function instanceOf(
  widgets: readonly Widget[],
  widget: Widget,
): { readonly instance: Widget; readonly name: string } | undefined {
  if (!widget.pointer.startsWith('/components/') || widget.name === undefined) return undefined;
  for (let at = widget.parent; at > 0; at = widgets[at]!.parent) {
    const outer = widgets[at]!;
    if (outer.pointer.startsWith('/components/')) continue;
    // One inside another component's instance has a longer name, and `set` reaches one step down.
    return `${outer.id}.${widget.name}` === widget.id ? { instance: outer, name: widget.name } : undefined;
  }
  return undefined;
}

/**
 * Changes a key for one instance alone. A widget of a component gets it through `set` of its instance.
 * @param document The document as it is before the change. @throws EditError where this cannot be said of one instance.
 */
export function putKeyHere(
  text: Editing,
  document: CheckedDocument,
  widgets: readonly Widget[],
  widget: Widget,
  path: string,
  value: Json | undefined,
): void {
  const [key, inner] = path.split('/') as [string, string | undefined];
  if (widget.pointer.startsWith('/views/')) {
    const place = widget.origins.get(key);
    // What a condition says where it holds would hide a value beside it.
    if (place?.startsWith('/views/')) putKey(text, widget, path, value);
    else if (inner !== undefined) {
      // The look of an instance is merged into its component's, which stays as it is.
      if (value !== undefined) text.set(widget.pointer, key, { [inner]: value });
    } else if (value === undefined) text.remove(widget.pointer, key);
    else text.set(widget.pointer, key, asBefore((widget.source as { [key: string]: unknown })[key], value));
    return;
  }
  const found = instanceOf(widgets, widget);
  if (!found)
    throw new EditError(
      `"${widget.id}" cannot be changed in one instance alone: give it an id in its component, and its instance one in the view`,
    );
  const { instance, name } = found;
  const at = pointerTo(instance.pointer, 'set');
  if (inner !== undefined) {
    // What an instance says of a look is merged into the component's.
    const own = valueAt(document, pointerTo(pointerTo(at, name), key));
    const { [inner]: _, ...rest } = (typeof own === 'object' && own !== null ? own : {}) as {
      [key: string]: Json;
    };
    const next = value === undefined ? rest : { ...rest, [inner]: value };
    return putKeyHere(text, document, widgets, widget, key, Object.keys(next).length > 0 ? next : undefined);
  }
  const has = (pointer: string) => valueAt(document, pointer) !== undefined;
  if (value === undefined) {
    if (has(pointerTo(at, name))) text.remove(pointerTo(at, name), key);
  } else if (!has(at)) text.set(instance.pointer, 'set', { [name]: { [key]: value } });
  else if (!has(pointerTo(at, name))) text.set(at, name, { [key]: value });
  else text.set(pointerTo(at, name), key, value);
}

/** A value of a document by its JSON Pointer; undefined where there is none. */
export function valueAt(document: CheckedDocument, pointer: string): Json | undefined {
  let value = document.source as unknown as Json | undefined;
  for (const step of stepsOf(pointer)) {
    if (typeof value !== 'object' || value === null) return undefined;
    value = (value as { [key: string]: Json })[step];
  }
  return value;
}

/** How many places of the document show what is written at a pointer: for a component, every `use` of it. */
export function placesOf(document: CheckedDocument, pointer: string): number {
  const [part, name] = stepsOf(pointer);
  if (part !== 'components' || name === undefined) return 1;
  let count = 0;
  for (const { root, pointer: start } of rootsOf(document.source))
    for (const { widget } of widgetsOf(root, start)) if (widget.use === name) count++;
  for (const component of Object.values(document.source.components ?? {}))
    if ((component as { use?: string }).use === name) count++;
  return count;
}
