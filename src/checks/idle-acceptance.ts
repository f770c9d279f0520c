import { nearestName, pointerTo, writtenWidgets } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

export const idleAcceptance: DocumentCheck = {
  id: 'idle-acceptance',
  title: 'An acceptance of nothing',
  measures: 'findings a widget accepts that no check has of it on any screen',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'an acceptance that is no longer needed hides the next mistake',
  severity: 'warning',
  run({ document, acceptances, checks }, report) {
    // Whether one is idle shows only when everything was looked at.
    if (!acceptances) return;
    const ids: readonly string[] = checks;
    for (const { widget, pointer: at } of writtenWidgets(document.source)) {
      for (const [name, why] of Object.entries(widget.accept ?? {})) {
        const pointer = pointerTo(`${at}/accept`, name);
        if (acceptances.wasUsed(pointer)) continue;
        const meant = nearestName(name, ids);
        const detail = ids.includes(name)
          ? `${name}, which no check has found`
          : `"${name}", which is no check${meant === undefined ? '' : `; did you mean "${meant}"?`}`;
        report({ about: widget.id ?? at, detail, reason: `its reason is: ${why}`, pointer });
      }
    }
  },
};
