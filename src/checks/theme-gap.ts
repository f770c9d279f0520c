import { themeGaps } from '../theme/index.ts';
import type { DocumentCheck } from './check.ts';

type Facts = { readonly what: string; readonly name: string; readonly has: string };

export const themeGap = {
  id: 'theme-gap',
  title: 'A theme lacks what another has',
  measures: 'tokens, styles, kinds and states that one theme of a document has and another has not',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'a view seen in such a theme falls back to what nobody drew for it',
  severity: 'error',
  sentence: ({ facts }) => `lacks the ${facts.what} "${facts.name}", which ${facts.has} has`,
  run({ document }, report) {
    for (const { theme, what, name, has, origin, pointer } of themeGaps(document)) {
      const facts = { what, name, has };
      report({ about: theme, facts, reason: `${has} has it`, origin, pointer });
    }
  },
} as const satisfies DocumentCheck<Facts>;
