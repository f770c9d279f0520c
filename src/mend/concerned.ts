import { rootsOf, widgetsOf, type CheckedDocument, type Json, type RootSource } from '../document/index.ts';
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

/** Names of the views that show something of some maps of a document; undefined where all may. */
function viewsConcerned(
  { source }: CheckedDocument,
  touched: readonly string[],
): ReadonlySet<string> | undefined {
  const roots = [...rootsOf(source)];
  const concerned = new Set<RootSource>();
  for (const pointer of touched) {
    const root = roots.find((one) => pointer === one.pointer || pointer.startsWith(`${one.pointer}/`));
    if (!root) return undefined;
    concerned.add(root);
  }
  // A set grows while it is gone through: what was added is met later.
  for (const one of concerned)
    if (one.component) for (const root of roots) if (usedBy(root).has(one.name)) concerned.add(root);
  return new Set([...concerned].filter(({ component }) => !component).map(({ name }) => name));
}

/** Names of the components of which there is an instance in a view or a component, or which that is one of itself. */
function usedBy({ root, pointer, component }: RootSource): ReadonlySet<string> {
  const names = [component?.use, ...[...widgetsOf(root, pointer)].map(({ widget }) => widget.use)];
  return new Set(names.filter((name) => name !== undefined));
}
