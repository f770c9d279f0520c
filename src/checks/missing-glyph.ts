import type { Check } from './check.ts';
import type { TextWidget } from '../scene/index.ts';
import type { Subject } from './subject/subject.ts';

/** Characters that a reason still lists one by one. */
const mostListed = 8;

/** Characters that cannot be shown by themselves stand as their code points. */
type Facts = { readonly characters: readonly string[]; readonly font: string };

export const missingGlyph = {
  id: 'missing-glyph',
  title: 'Characters no font draws',
  measures: 'how many different characters of a text none of its fonts has a glyph for',
  unit: 'characters',
  limit: 0,
  fails: 'above',
  source: 'a character without a glyph is drawn as a box that says nothing',
  severity: 'error',
  sentence: ({ facts, measured }) =>
    `has ${measured} ${measured === '1' ? 'character' : 'characters'} that no font draws: ${facts.characters.join(' ')}`,
  // A sign that is missing is that of its text; of a writing that is missing every text says the same.
  cause({ facts: { characters, font } }) {
    const other = characters.filter(isOfOtherWriting);
    if (other.length === 0) return undefined;
    const names = writings.flatMap(([name, letter]) => (other.some((one) => letter.test(one)) ? [name] : []));
    return `no font of "${font}" has ${names.length > 0 ? names.join(' and ') : 'such'} letters`;
  },
  run(subject, limit, report) {
    for (const { index, text, look, pointer } of textsWithout(subject)) {
      const { missing } = text;
      if (missing.length <= limit) continue;
      const listed = missing
        .slice(0, mostListed)
        .map((one) => (isSeen(one) ? `${one} (${codeOf(one)})` : codeOf(one)));
      const more = missing.length > mostListed ? ` and ${missing.length - mostListed} more` : '';
      const reasons = [
        { text: `no font of "${look.font}" has ${listed.join(', ')}${more}`, pointer: `${pointer}/text` },
      ];
      report({
        outcome: 'failed',
        widget: index,
        measured: missing.length,
        facts: { characters: missing.map((one) => (isSeen(one) ? one : codeOf(one))), font: look.font },
        reasons,
      });
    }
  },
} as const satisfies Check<Facts>;

/** Texts that lack a glyph. */
function textsWithout({ form, texts }: Subject): readonly TextWidget[] {
  return form.once('missing-glyph', () => texts.filter(({ text }) => text.missing.length > 0));
}

function codeOf(character: string): string {
  return `U+${character.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`;
}

/** Whether a character can be shown by itself; spaces and controls cannot. */
function isSeen(character: string): boolean {
  return !/[\p{C}\p{Z}\p{M}]/u.test(character);
}

/** Whether a character is a letter of another writing than the Latin one. */
function isOfOtherWriting(character: string): boolean {
  return /^(?=\p{L})[^\p{Script=Latin}\p{Script=Common}]/u.test(character);
}

/** Writings by what their letters are called, with the scripts of Unicode they are of. */
const writings = (
  [
    ['Arabic'],
    ['Armenian'],
    ['Bengali'],
    ['Chinese or Japanese', 'Han', 'Hiragana', 'Katakana', 'Bopomofo'],
    ['Cyrillic'],
    ['Devanagari'],
    ['Ethiopic'],
    ['Georgian'],
    ['Greek'],
    ['Gujarati'],
    ['Gurmukhi'],
    ['Hebrew'],
    ['Kannada'],
    ['Khmer'],
    ['Korean', 'Hangul'],
    ['Lao'],
    ['Malayalam'],
    ['Burmese', 'Myanmar'],
    ['Sinhala'],
    ['Tamil'],
    ['Telugu'],
    ['Thai'],
    ['Tibetan'],
  ] as const
).map(([name, ...scripts]) => {
  const all = scripts.length > 0 ? scripts : [name];
  return [name, new RegExp(all.map((script) => `\\p{Script=${script}}`).join('|'), 'u')] as const;
});
