import type { FoundAgain, SeenFinding } from '../../compare/index.ts';
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
      'findings': {
        new: findings.new.map(findingJson),
        worse: findings.worse.map(againJson),
        better: findings.better.map(againJson),
        gone: findings.gone.map(findingJson),
        unchanged: findings.unchanged.map(findingJson),
      },
    },
    null,
    2,
  )}\n`;
}

function findingJson({ check, view, widget, outcome, message }: SeenFinding): object {
  return { check, view, widget, outcome, message };
}

function againJson({ now, before, layouts: [was, is], worse }: FoundAgain): object {
  return { ...findingJson(now), layouts: is, worse, before: { message: before.message, layouts: was } };
}
