import { pointerTo } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';
import { wordsWritten } from './subject/words-written.ts';

export const unusedParameter = {
  id: 'unused-parameter',
  title: 'A parameter nothing uses',
  measures: 'parameters of components that nothing in the component names',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what is given to it changes nothing, though it looks as if it did',
  severity: 'warning',
  sentence: () => 'is an unused parameter',
  run({ document: { source } }, report) {
    for (const [component, { params, ...body }] of Object.entries(source.components ?? {})) {
      if (!params) continue;
      const used = wordsWritten(body, (text) => text.includes('{'));
      for (const name of Object.keys(params)) {
        if (used.has(name)) continue;
        const pointer = pointerTo(pointerTo('/components', component) + '/params', name);
        report({ about: `${component}.${name}`, reason: `nothing in ${component} names it`, pointer });
      }
    }
  },
} as const satisfies DocumentCheck;
