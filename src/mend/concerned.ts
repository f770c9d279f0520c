import {
  pointerTo,
  rootsOf,
  stepsOf,
  widgetsOf,
  type CheckedDocument,
  type Json,
  type RootSource,
} from '../document/index.ts';
import { valueAt, type DocumentDraft } from '../edit/index.ts';
import { holds, readCondition } from '../skeleton/index.ts';
import type { ChangedFrom, SharedChecks } from '../verdict/index.ts';
import type { Change } from './remedy.ts';

/*
 * What a change does not concern is not checked again: other views than it was made in, and screens its condition does not hold on.
 */

/** What a document was changed from. @param shared What checks of the document before the change share. */
export function changedFrom(
  document: CheckedDocument,
  { on, upToScale }: Change,
  { touched, document: changed }: DocumentDraft,
  shared: SharedChecks,
): ChangedFrom {
  const views = viewsConcerned(document, touched);
  const isOnlyMore = touched.every((map) => addsConditions(valueAt(document, map), valueAt(changed, map)));
  const conditions = isOnlyMore ? on?.map(readCondition) : undefined;
  return {
    shared,
    isSameOn: (view, screen) => {
      if (views !== undefined && !views.has(view.name)) return true;
      if (upToScale) {
        const frame = view.frameOn(screen);
        // As large as that it may be by the change.
        return frame.scale > upToScale(frame.screen) * (1 + rounding);
      }
      if (!conditions) return false;
      const frame = view.frameOn(screen);
      return !conditions.some((condition) => holds(condition, frame));
    },
  };
}

/** What rounding may make of a scale, as a share. */
const rounding = 1e-9;

/** Whether a map has more conditions than before, and everything else is what it was. */
function addsConditions(was: Json | undefined, is: Json | undefined): boolean {
  const [{ when: old = [], ...before }, { when = [], ...after }] = [was, is] as [Conditional, Conditional];
  const keys = Object.keys(before);
  return (
    keys.length === Object.keys(after).length &&
    keys.every((key) => before[key] === after[key]) &&
    old.every((one, nth) => when[nth] === one)
  );
}

type Conditional = { readonly [key: string]: Json } & { readonly when?: readonly Json[] };

/**
 * Names of the views of which a change made in them, or in styles alone, may be seen, where nothing else of the document follows from
 * it; undefined where that may be so of all.
 */
export function viewsWith(
  document: CheckedDocument,
  touched: readonly string[],
): ReadonlySet<string> | undefined {
  const { views, styles = {} } = document.source;
  const isIn = (folder: string, names: readonly string[]) => (map: string) =>
    names.some((name) => isWithin(map, pointerTo(folder, name)));
  const isInView = isIn('/views', Object.keys(views));
  const isInStyle = isIn('/styles', Object.keys(styles));
  return touched.every((map) => isInView(map) || isInStyle(map))
    ? viewsConcerned(document, touched)
    : undefined;
}

function isWithin(map: string, pointer: string): boolean {
  return map === pointer || map.startsWith(`${pointer}/`);
}

/** Names of the views that show something of some maps of a document; undefined where all may. */
function viewsConcerned(
  document: CheckedDocument,
  touched: readonly string[],
): ReadonlySet<string> | undefined {
  const { source } = document;
  const roots = [...rootsOf(source)];
  const concerned = new Set<RootSource>();
  for (const pointer of touched) {
    const [folder, style] = stepsOf(pointer);
    const isStyle = folder === 'styles' && style !== undefined;
    const found = isStyle
      ? rootsInStyle(document, roots, style)
      : roots.filter((one) => isWithin(pointer, one.pointer));
    // What is in no root may be of any, but a style that nobody names is of none.
    if (!found || (found.length === 0 && !isStyle)) return undefined;
    for (const root of found) concerned.add(root);
  }
  // A set grows while it is gone through: what was added is met later.
  for (const one of concerned)
    if (one.component) for (const root of roots) if (usedBy(root).has(one.name)) concerned.add(root);
  return new Set([...concerned].filter(({ component }) => !component).map(({ name }) => name));
}

/**
 * Roots that may show something in a style, or in one that starts from it: those that have its name in them anywhere, or a style that
 * follows a value. Undefined where any may, as the name stands elsewhere too.
 */
function rootsInStyle(
  { source, themes, named }: CheckedDocument,
  roots: readonly RootSource[],
  style: string,
): readonly RootSource[] | undefined {
  const { styles = {}, ...others } = source;
  const starts = new Map<string, string[]>();
  for (const [name, { extends: from }] of Object.entries(styles)) {
    if (from === undefined) continue;
    const known = starts.get(from);
    if (known) known.push(name);
    else starts.set(from, [name]);
  }
  const names = new Set([style]);
  // A set grows while it is gone through: what was added is met later.
  for (const one of names) {
    for (const name of starts.get(one) ?? []) names.add(name);
    if (names.size > mostStyles) return undefined;
  }
  const written = [...names].map((name) => JSON.stringify(name).slice(1, -1));
  const says = (value: unknown) => {
    const text = JSON.stringify(value);
    return written.some((name) => text.includes(name));
  };
  const files = [...themes.slice(1), ...named.values()].map(({ theme }) => theme);
  if (says([{ ...others, views: undefined, components: undefined }, files])) return undefined;
  return roots.filter(({ root }) => says(root) || /"style":(?:"[^"]*|\[[^\]]*)\{/.test(JSON.stringify(root)));
}

/** With more styles than this that start from one, whose they are is not looked for. */
const mostStyles = 50;

/** Names of the components of which there is an instance in a view or a component, or which that is one of itself. */
function usedBy({ root, pointer, component }: RootSource): ReadonlySet<string> {
  const names = [component?.use, ...[...widgetsOf(root, pointer)].map(({ widget }) => widget.use)];
  return new Set(names.filter((name) => name !== undefined));
}
