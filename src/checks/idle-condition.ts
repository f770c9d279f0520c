import { rootsOf, widgetsOf, type ScreenConditionSource } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

type Facts = { readonly screen: string };

export const idleCondition = {
  id: 'idle-condition',
  title: 'A condition that no screen meets',
  measures: 'conditions that hold on no screen of the catalogue that the view supports, in any case',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what it changes is never seen and never checked; most often a range is the wrong way round',
  severity: 'warning',
  sentence: ({ facts: { screen } }) => `has a condition that no screen meets: ${screen}`,
  run({ document, shown }, report) {
    // Whether one never holds is known only when everything was looked at.
    if (!shown) return;
    for (const { name, root, pointer } of rootsOf(document.source)) {
      for (const one of [{ widget: { id: name, when: root.when }, pointer }, ...widgetsOf(root, pointer)]) {
        const { widget, pointer: at } = one;
        // Of what is never shown nothing was asked.
        if (!shown.has(at) && one.pointer !== pointer) continue;
        const isLooked = [...shown].some((known) => known === pointer || known.startsWith(`${pointer}/`));
        if (!isLooked) continue;
        widget.when?.forEach(({ screen }, nth) => {
          const condition = `${at}/when/${nth}`;
          if (shown.has(condition)) return;
          const facts = { screen: inWords(screen) };
          const reason = 'none of the screens that were looked at is like that';
          report({ about: widget.id ?? at, facts, reason, pointer: `${condition}/screen` });
        });
      }
    }
  },
} as const satisfies DocumentCheck<Facts>;

function inWords(screen: ScreenConditionSource): string {
  return Object.entries(screen)
    .map(([key, value]) => `${key} ${String(value)}`)
    .join(', ');
}
