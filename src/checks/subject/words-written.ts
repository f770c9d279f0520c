import { nameWord, textsIn, valueName } from '../../document/index.ts';

/** All words of the texts in something, as the names of values, parameters and pictures are written. @param counts Which texts do. */
export function wordsWritten(
  something: unknown,
  counts: (text: string) => boolean = () => true,
): Set<string> {
  return new Set(
    textsIn(something)
      .filter(counts)
      .flatMap((text) => text.match(everyWord) ?? []),
  );
}

/** The names of values in the texts that hold any, those of parts of maps whole: `pick.price`. */
export function namesWritten(something: unknown): Set<string> {
  return new Set(
    textsIn(something)
      .filter((text) => text.includes('{'))
      .flatMap((text) => text.match(everyName) ?? []),
  );
}

const everyWord = new RegExp(nameWord, 'gu');
const everyName = new RegExp(valueName, 'gu');
