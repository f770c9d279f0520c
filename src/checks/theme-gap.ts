import { themeGaps } from '../theme/index.ts';
import type { DocumentCheck } from './check.ts';

export const themeGap: DocumentCheck = {
  id: 'theme-gap',
  title: 'A theme lacks what another has',
  measures: 'tokens, styles, kinds and states that one theme of a document has and another has not',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'a view seen in such a theme falls back to what nobody drew for it',
  severity: 'error',
  run({ document }, report) {
    for (const { theme, what, name, has, origin, pointer } of themeGaps(document)) {
      const detail = `the ${what} "${name}", which ${has} has`;
      report({ about: theme, detail, reason: `${has} has it`, origin, pointer });
    }
  },
};
