/** A change of every text that shows what a translation may do to a view. */
export type Pseudo = (text: string) => string;

/** Names of the pseudo-locales, for help texts; the number of x-long is a percentage. */
export const pseudoLocales = ['en-XA', 'ar-XB', 'x-long-140', 'x-digits'] as const;

/**
 * The change a pseudo-locale makes; undefined for any other locale. `en-XA` and `ar-XB` are those of CLDR: letters with
 * accents and a third more of them, and everything from right to left. `x-long-140` makes texts 140 % as long,
 * `x-digits` makes every digit an 8.
 */
export function pseudoOf(locale: string): Pseudo | undefined {
  if (locale === 'en-XA') return (text) => accented(lengthened(text, 1.35));
  if (locale === 'ar-XB') return mirrored;
  if (locale === 'x-digits') return (text) => text.replace(/\p{Nd}/gu, '8');
  const long = /^x-long-([1-9]\d{1,2})$/.exec(locale);
  if (long) return (text) => lengthened(text, Math.min(4, Number(long[1]) / 100));
  return undefined;
}

const plain = 'ACDEGHIJKLNORSTUWYZacdeghijklnorstuwyz';
const marked = 'ÅÇÐÉĜĤÎĴĶĻÑÖŔŠŢÛŴÝŽåçðéĝĥîĵķļñöŕšţûŵýž';

function accented(text: string): string {
  return text.replace(/[A-Za-z]/g, (letter) => {
    const at = plain.indexOf(letter);
    return at < 0 ? letter : marked[at]!;
  });
}

/** Words made longer by repeating their vowels, or their last letter, until the text has grown by the factor. */
function lengthened(text: string, factor: number): string {
  const letters = text.match(/\p{L}/gu)?.length ?? 0;
  let lacking = Math.ceil(letters * (factor - 1));
  if (lacking <= 0) return text;
  const words = text.split(/(?<=\P{L})(?=\p{L})/u);
  const each = lacking / letters;
  let carried = 0;
  return words
    .map((word) => {
      carried += (word.match(/\p{L}/gu)?.length ?? 0) * each;
      const more = Math.min(lacking, Math.round(carried));
      if (more <= 0) return word;
      carried -= more;
      lacking -= more;
      const vowel = /[aeiouAEIOU]/.exec(word) ?? /\p{L}(?!\p{L})/u.exec(word);
      if (!vowel) return word;
      return word.slice(0, vowel.index) + vowel[0].repeat(more) + word.slice(vowel.index);
    })
    .join('');
}

/** Every word forced from right to left, as CLDR's ar-XB does. */
function mirrored(text: string): string {
  return text.replace(/\p{L}[\p{L}\p{M}\p{N}]*/gu, (word) => `\u200f\u202e${word}\u202c\u200f`);
}
