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
  run(document, limit, report) {
    for (const { theme, what, name, has, origin, pointer } of themeGaps(document)) {
      if (limit >= 1) continue;
      const reasons = [{ text: `${has} has it`, pointer }];
      report({
        about: theme,
        measured: 1,
        detail: `the ${what} "${name}", which ${has} has`,
        reasons,
        origin,
        pointer,
      });
    }
  },
};
