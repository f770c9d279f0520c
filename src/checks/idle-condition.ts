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
  needsAll: true,
  sentence: ({ facts: { screen } }) => `has a condition that no screen meets: ${screen}`,
  run({ document, shown }, report) {
    const isLooked = rootsLooked(shown);
    for (const { name, root, pointer } of rootsOf(document.source)) {
      if (!isLooked.has(pointer)) continue;
      for (const one of [{ widget: { id: name, when: root.when }, pointer }, ...widgetsOf(root, pointer)]) {
        const { widget, pointer: at } = one;
        // Of what is never shown nothing was asked.
        if (!shown.has(at) && one.pointer !== pointer) continue;
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

/** Views and components of which something was looked at. */
function rootsLooked(shown: ReadonlySet<string>): ReadonlySet<string> {
  return new Set([...shown].map((pointer) => pointer.split('/').slice(0, 3).join('/')));
}

function inWords(screen: ScreenConditionSource): string {
  return Object.entries(screen)
    .map(([key, value]) => `${key} ${String(value)}`)
    .join(', ');
}
