import { pointerTo } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';
import { wordsWritten } from './subject/words-written.ts';

export const unusedValue = {
  id: 'unused-value',
  title: 'A value nothing shows',
  measures: 'values of cases that no view and no component names',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody shows is given in vain, and may be another one misspelt',
  severity: 'warning',
  sentence: () => 'is an unused value',
  run({ document: { source } }, report) {
    const { cases = {}, views, components } = source;
    const used = wordsWritten([views, components], (text) => text.includes('{'));
    const told = new Set<string>();
    for (const [name, values] of Object.entries(cases))
      for (const value of Object.keys(values)) {
        if (used.has(value) || told.has(value)) continue;
        told.add(value);
        const pointer = pointerTo(pointerTo('/cases', name), value);
        report({ about: value, reason: 'no view and no component names it', pointer });
      }
  },
} as const satisfies DocumentCheck;
