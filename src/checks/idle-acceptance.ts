import { nearestName, pointerTo, writtenWidgets } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

type Facts = { readonly check: string; readonly isCheck: boolean; readonly meant: string | undefined };

export const idleAcceptance = {
  id: 'idle-acceptance',
  title: 'An acceptance of nothing',
  measures: 'findings a widget accepts that no check has of it on any screen',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'an acceptance that is no longer needed hides the next mistake',
  severity: 'warning',
  needsAll: true,
  sentence: ({ facts: { check, isCheck, meant } }) =>
    isCheck
      ? `accepts ${check}, which no check has found`
      : `accepts "${check}", which is no check${meant === undefined ? '' : `; did you mean "${meant}"?`}`,
  remedies: ['takeOut'],
  run({ document, acceptances, checks }, report) {
    const ids: readonly string[] = checks;
    for (const { widget, pointer: at } of writtenWidgets(document.source)) {
      for (const [name, why] of Object.entries(widget.accept ?? {})) {
        const pointer = pointerTo(`${at}/accept`, name);
        if (acceptances.wasUsed(pointer)) continue;
        const meant = nearestName(name, ids);
        const facts = { check: name, isCheck: ids.includes(name), meant };
        report({ about: widget.id ?? at, facts, reason: `its reason is: ${why}`, pointer });
      }
    }
  },
} as const satisfies DocumentCheck<Facts>;
