import { contextAt, type TextContext } from './context.ts';
import { keysAt } from './keys-at.ts';
import type { Names } from './names.ts';
import type { Option } from './option.ts';
import { valuesAt } from './values-at.ts';

export interface Completion extends Omit<Option, 'written'> {
  /** What is put in place of the word: with what YAML wants around it. */
  readonly insert: string;
}

export interface Completions {
  /** Where the word starts that is replaced, and where it ends: it may go on beyond the place. */
  readonly from: number;
  readonly to: number;
  readonly options: readonly Completion[];
}

/** What may stand at a place of a text: keys, values, names. @param isTheme Whether it is a theme file. */
export function completionsAt(
  text: string,
  offset: number,
  names: Names | undefined,
  isTheme = false,
): Completions | undefined {
  const context = contextAt(text, offset);
  const options = context.isKey ? keysAt(context, names, isTheme) : valuesAt(context, names, isTheme);
  const wanted = context.word.toLowerCase();
  const found = options.filter(({ label }) => label.toLowerCase().includes(wanted.replace(/^\$/, '')));
  // What starts with the word is meant more often.
  const starts = ({ label }: (typeof found)[number]) => Number(!label.toLowerCase().startsWith(wanted));
  const { from } = context;
  const to = offset + restOfWord.exec(text.slice(offset, offset + longestWord))![0].length;
  const insert = context.isKey ? keyInserts(text, from, to) : valueInserts(text, context);
  return {
    from,
    to,
    options: found
      .sort((a, b) => starts(a) - starts(b))
      .map(({ written, ...one }) => ({ ...one, insert: insert(written ?? one.label) })),
  };
}

const restOfWord = /^[\p{L}\p{N}_.-]*/u;
const longestWord = 200;

/** How a key is put in: with a colon, where there is none yet and its quotes do not come first. */
function keyInserts(text: string, from: number, to: number): (label: string) => string {
  const isQuoted = /["']/.test(text.charAt(from - 1));
  const hasColon = /^["']?[ \t]*:/.test(text.slice(to, to + longestWord));
  return (label) => (isQuoted || hasColon ? label : `${label}: `);
}

/** How a value is put in: YAML wants a space between it and the colon of its key. */
function valueInserts(text: string, { from, isInBraces, key }: TextContext): (written: string) => string {
  const isClose = !isInBraces && key !== undefined && text[from - 1] === ':';
  const isQuoted = /["']/.test(text.charAt(from - 1));
  return (written) => (isClose ? ` ${written}` : isQuoted ? written.replace(/^"(.*)"$/, '$1') : written);
}
