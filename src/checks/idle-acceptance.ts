import { nearestName, pointerTo, rootsOf, widgetsOf, type WidgetSource } from '../document/index.ts';
import type { Acceptances } from './acceptances.ts';
import type { DocumentCheck } from './check.ts';
import { checks } from './registry.ts';

/** The check of acceptances that accept nothing, after everything else was run. */
export function idleAcceptance(acceptances: Acceptances): DocumentCheck {
  return {
    id: 'idle-acceptance',
    title: 'An acceptance of nothing',
    measures: 'findings a widget accepts that no check has of it on any screen',
    unit: 'places',
    limit: 0,
    fails: 'above',
    source: 'an acceptance that is no longer needed hides the next mistake',
    severity: 'warning',
    run({ source, origin }, limit, report) {
      const ids = checks.map(({ id }) => id as string);
      for (const { root, pointer } of rootsOf(source)) {
        for (const { widget, at } of widgetsWithChanges(root, pointer)) {
          for (const name of Object.keys(widget.accept ?? {})) {
            const place = pointerTo(`${at}/accept`, name);
            if (acceptances.wasUsed(place) || limit >= 1) continue;
            const meant = nearestName(name, ids);
            const known = ids.includes(name);
            const detail = known
              ? `${name}, which no check has found`
              : `"${name}", which is no check${meant === undefined ? '' : `; did you mean "${meant}"?`}`;
            const reasons = [{ text: `its reason is: ${widget.accept![name]!}`, pointer: place }];
            report({ about: widget.id ?? at, measured: 1, detail, reasons, origin, pointer: place });
          }
        }
      }
    },
  };
}

/** Every widget of a view or component, and what conditions and instances change of one. */
function* widgetsWithChanges(
  root: WidgetSource,
  pointer: string,
): Generator<{ widget: WidgetSource; at: string }> {
  for (const one of [{ widget: root, pointer }, ...widgetsOf(root, pointer)]) {
    yield { widget: one.widget, at: one.pointer };
    for (const [index, { change }] of (one.widget.when ?? []).entries())
      yield { widget: { id: one.widget.id, ...change }, at: `${one.pointer}/when/${index}/change` };
    for (const [id, change] of Object.entries(one.widget.set ?? {}))
      yield { widget: { id, ...change }, at: pointerTo(`${one.pointer}/set`, id) };
  }
}
