import { pointerTo } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';
import { wordsWritten } from './subject/words-written.ts';

export const unusedPicture = {
  id: 'unused-picture',
  title: 'A picture nothing shows',
  measures: 'pictures of the document that no widget, look, backdrop or value of a case names',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'what nobody shows is drawn, kept and loaded in vain',
  severity: 'warning',
  sentence: () => 'is an unused picture',
  remedies: ['takeOut'],
  run({ document: { source, themes, named } }, report) {
    const { pictures = {}, ...rest } = source;
    // The first of the themes is the document itself.
    const looks = [...themes, ...named.values()].map(({ theme: { styles, kinds } }) => [styles, kinds]);
    const used = wordsWritten([rest, looks]);
    for (const name of Object.keys(pictures))
      if (!used.has(name))
        report({ about: name, reason: 'nothing names it', pointer: pointerTo('/pictures', name) });
  },
} as const satisfies DocumentCheck;
