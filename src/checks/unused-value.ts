import { partNames, valuePointer, type CaseValue } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';
import { namesWritten } from './subject/words-written.ts';

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
    const used = namesWritten([views, components]);
    const told = new Set<string>();
    for (const [name, values] of Object.entries(cases))
      for (const [top, value] of Object.entries(values))
        for (const unused of unusedIn(value, top, used)) {
          if (told.has(unused)) continue;
          told.add(unused);
          report({
            about: unused,
            reason: 'no view and no component names it',
            pointer: valuePointer(name, unused),
          });
        }
  },
} as const satisfies DocumentCheck;

/** What nothing names of a value: a map of which nothing is named as a whole, else its parts. */
function unusedIn(value: CaseValue, name: string, used: ReadonlySet<string>): readonly string[] {
  const isNamed = (part: string) =>
    part.split('.').some((_, nth, words) => used.has(words.slice(0, nth + 1).join('.')));
  const parts = partNames(value, name);
  const unused = parts.filter((part) => !isNamed(part));
  return unused.length === parts.length ? (isNamed(name) ? [] : [name]) : unused;
}
