import type { Compared } from './compared.ts';

/** The comparison for machines. */
export function compareJson({ old, now, comparison }: Compared): string {
  const { views, changes, findings, layouts, unmatched } = comparison;
  return `${JSON.stringify(
    {
      'pimbot-comparison': 1,
      old,
      now,
      layouts,
      unmatched,
      views,
      'changes': changes.map(({ view, widget, kind, screens, locales, by, worst }) => ({
        view,
        widget,
        kind,
        by,
        screens,
        locales,
        worst: { screen: worst.screen, ...worst.occasion },
      })),
      'findings': Object.fromEntries(
        Object.entries(findings).map(([key, some]) => [
          key,
          some.map(({ check, view, widget, outcome, message }) => ({
            check,
            view,
            widget,
            outcome,
            message,
          })),
        ]),
      ),
    },
    null,
    2,
  )}\n`;
}
