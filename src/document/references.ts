import type { DiagnosticList } from './diagnostics.ts';
import {
  directions,
  leadsToWidget,
  entryOf,
  widgetsOf,
  type DocumentSource,
  type Origin,
  type PlacedSource,
  type PromiseSource,
  type ViewSource,
  type WidgetSource,
} from './model.ts';
import { isTemplate } from './templates.ts';
import { isIdPattern, mayName } from './ids.ts';
import { anchorTargets } from './lengths.ts';
import { pointerTo } from './pointer.ts';
import { nearestName } from './suggest.ts';
import { isTaken } from './widget-keys.ts';

/* Names that lead from one part of a document to another: promises to widgets, components to components. */

/** The ids of a view or component, as they are written. */
export interface WrittenIds {
  /** Those of all widgets, and of the view itself. */
  readonly ids: ReadonlySet<string>;
  /** Id → the widgets that say it. */
  readonly widgets: ReadonlyMap<string, Namesakes>;
  /** Ids with names in them. */
  readonly patterns: readonly string[];
  /** Ids of what is repeated. */
  readonly repeated: ReadonlySet<string>;
}

/** The widgets of one id, by JSON Pointer of the entry of a repeat that each is in; `''` for the one in none. */
export type Namesakes = ReadonlyMap<string, PlacedSource>;

/** @param view The name of the view that they are in: it goes by that. */
export function writtenIds(placed: readonly PlacedSource[], view?: string): WrittenIds {
  const repeated = new Set<string>();
  const widgets = new Map<string, Map<string, PlacedSource>>();
  for (const one of placed) {
    const { id, repeat } = one.widget;
    if (id === undefined) continue;
    if (repeat !== undefined) repeated.add(id);
    const entry = entryAround(one)?.pointer ?? '';
    const known = widgets.get(id);
    if (!known) widgets.set(id, new Map([[entry, one]]));
    else if (!known.has(entry)) known.set(entry, one);
  }
  const ids = new Set([...(view === undefined ? [] : [view]), ...widgets.keys()]);
  return { ids, widgets, patterns: [...ids].filter(isIdPattern), repeated };
}

/** The innermost repeat that a widget is in an entry of. */
export function entryAround({ parent }: PlacedSource): PlacedSource | undefined {
  for (let at = parent; at; at = at.parent) if (at.widget.repeat !== undefined) return at;
  return undefined;
}

/**
 * Of the widgets of one id, the one that is meant somewhere: in the innermost entry around, else around that.
 * @param from JSON Pointer of the widget that names it.
 */
export function seenFrom(from: string, named: Namesakes | undefined): PlacedSource | undefined {
  for (let at = from; named; at = at.slice(0, at.lastIndexOf('/'))) {
    const found = named.get(at);
    if (found || at === '') return found;
  }
  return undefined;
}

/**
 * What is wrong with a name; undefined for that of a widget. What is in an entry of a repeat goes by its own id in there alone,
 * and by that of the entry and its own elsewhere. What a name with names in it comes to is known when the view is built.
 * @param from JSON Pointer of who names it.
 */
function troubleWith(
  name: string,
  from: string,
  ids: WrittenIds,
): { readonly what: string; readonly name: string; readonly meant: string | undefined } | undefined {
  if (isIdPattern(name)) return undefined;
  const named = ids.widgets.get(name);
  if (named && !seenFrom(from, named)) {
    const [first] = named.values();
    const entry = entryAround(first!)!.widget;
    return { what: 'widget', name, meant: entry.id === undefined ? undefined : `${entry.id}-1.${name}` };
  }
  if (mayName(name, ids)) return undefined;
  return { what: 'widget', name, meant: nearestName(name, ids.ids) };
}

/** Whether a game can show a widget as a tooltip, wherever that is. */
function isTip({ kind, anchor, offset, visible, use }: WidgetSource): boolean {
  if (use !== undefined) return true;
  const isBound = Array.isArray(offset) && offset.every(isTemplate) && isTemplate(visible);
  return kind === 'tooltip' && isBound && (anchor === 'left top' || isTemplate(anchor));
}

const tipNeeds =
  'a widget of kind tooltip with anchor: left top, and a visible and an offset that are values: visible: "{…}", offset: ["{…}", "{…}"]';

/**
 * Other widgets that a widget names: what it may overlap, is anchored to, and sends the focus to.
 * @param at Where it says so. @param from Which widget it is.
 */
export function checkWidgetNames(
  widget: WidgetSource,
  at: string,
  from: string,
  ids: WrittenIds,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const see = (name: string, place: string) => {
    const facts = troubleWith(name, from, ids);
    if (facts) diagnostics.add('unknown-name', facts, origin.at(`${at}/${place}`));
  };
  const may = widget['may-overlap'];
  if (Array.isArray(may))
    (may as readonly string[]).forEach((id, nth) => {
      see(id, `may-overlap/${nth}`);
    });
  const target = widget['anchor-to'];
  if (target !== undefined && !isTemplate(target))
    for (const name of anchorTargets(target)) see(name, 'anchor-to');
  const { controls, tooltip } = widget;
  if (leadsToWidget(widget) && controls !== undefined && !isTemplate(controls)) see(controls, 'controls');
  if (tooltip !== undefined && !isTemplate(tooltip)) {
    see(tooltip, 'tooltip');
    const tip = seenFrom(from, ids.widgets.get(tooltip));
    if (tip && !isTip(tip.widget))
      diagnostics.add('key-needs', { key: 'tooltip', needs: tipNeeds }, origin.at(`${at}/tooltip`));
  }
  for (const key of directions) {
    const to = widget[key];
    if (to !== undefined && !isTemplate(to)) see(to, key);
  }
  checkFocusOrder(widget, at, ids, origin, diagnostics, from);
}

/** Widgets that a focus order names. */
export function checkFocusOrder(
  holder: Pick<WidgetSource, 'focus-order'>,
  at: string,
  ids: WrittenIds,
  origin: Origin,
  diagnostics: DiagnosticList,
  from = at,
): void {
  const order: unknown = holder['focus-order'];
  // What a value of the case gives is known when the view is built.
  if (!Array.isArray(order)) return;
  (order as readonly string[]).forEach((name, nth) => {
    if (isTemplate(name)) return;
    const facts = troubleWith(name, from, ids);
    if (facts) diagnostics.add('unknown-name', facts, origin.at(`${at}/focus-order/${nth}`));
    if ((order as readonly string[]).indexOf(name) === nth) return;
    const expected = 'a list that names each control once';
    const twice = { key: 'focus-order', expected, found: JSON.stringify(name) };
    diagnostics.add('wrong-value', twice, origin.at(`${at}/focus-order/${nth}`));
  });
}

/** What is promised of widgets, of one alone as well. */
const ofAny = ['within', 'at-least', 'at-most', 'visible'] as const;

/** What is promised of widgets together: of one alone it would always hold. */
const ofSeveral = ['never', 'touching', 'aligned', 'same', 'order'] as const;

/** Why a promise would always hold: it says nothing, or something of one widget that only several can break. */
export function idlePromise(promise: PromiseSource): 'empty' | (typeof ofSeveral)[number] | undefined {
  if (![...ofAny, ...ofSeveral].some((key) => promise[key] !== undefined)) return 'empty';
  return ofSeveral.find((key) => promise[key] !== undefined && (promise.widgets?.length ?? 0) < 2);
}

/** Widgets that promises name; those of instances and repeats are only known when the view is built. */
export function checkPromises(
  { expect }: ViewSource,
  pointer: string,
  ids: WrittenIds,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  expect?.forEach((promise, nth) => {
    const { widget, widgets, within } = promise;
    const at = `${pointer}/expect/${nth}`;
    const idle = idlePromise(promise);
    if (idle === 'empty')
      diagnostics.add('promise-empty', { kinds: [...ofAny, ...ofSeveral] }, origin.at(at));
    else if (idle)
      diagnostics.add(
        'key-needs',
        { key: idle, needs: 'two or more widgets' },
        origin.atKey(`${at}/${idle}`),
      );
    const named: [id: string, at: string][] = (widgets ?? []).map((id, index) => [
      id,
      `${at}/widgets/${index}`,
    ]);
    if (widget !== undefined) named.push([widget, `${at}/widget`]);
    if (within !== undefined && within !== 'safe' && within !== 'screen')
      named.push([within, `${at}/within`]);
    if (widget === undefined && widgets === undefined)
      diagnostics.add('missing-key', { key: 'widget', where: 'a promise' }, origin.at(at));
    for (const [id, place] of named) {
      const facts = troubleWith(id, at, ids);
      if (facts) diagnostics.add('unknown-name', facts, origin.at(place));
    }
  });
}

/** A parameter that an instance cannot give, as a key of its own is called so. */
export function checkParameterNames(
  document: DocumentSource,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  for (const [component, { params }] of Object.entries(document.components ?? {}))
    for (const name of Object.keys(params ?? {}).filter(isTaken))
      diagnostics.add(
        'parameter-taken',
        { name },
        origin.atKey(pointerTo(`${pointerTo('/components', component)}/params`, name)),
      );
}

/** A component that leads back to itself is refused with the chain. */
export function checkUses(document: DocumentSource, origin: Origin, diagnostics: DiagnosticList): void {
  const components = document.components ?? {};
  const usesOf = (name: string): { use: string; pointer: string }[] => {
    const component = entryOf(components, name);
    if (!component) return [];
    const pointer = pointerTo('/components', name);
    const all = [{ widget: component as WidgetSource, pointer }, ...widgetsOf(component, pointer)];
    return all.flatMap(({ widget, pointer: at }) =>
      widget.use === undefined ? [] : [{ use: widget.use, pointer: at }],
    );
  };
  const done = new Set<string>();
  for (const start of Object.keys(components)) {
    const path: { name: string; left: { use: string; pointer: string }[] }[] = [
      { name: start, left: usesOf(start) },
    ];
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = top.left.shift();
      if (!next) {
        done.add(top.name);
        path.pop();
        continue;
      }
      const seen = path.findIndex(({ name }) => name === next.use);
      if (seen >= 0) {
        const chain = [...path.slice(seen).map(({ name }) => name), next.use];
        diagnostics.add('name-chain', { what: 'this component', chain }, origin.at(`${next.pointer}/use`));
      } else if (!done.has(next.use)) path.push({ name: next.use, left: usesOf(next.use) });
    }
  }
}
