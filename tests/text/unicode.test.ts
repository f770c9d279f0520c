import { describe, expect, test } from '@jest/globals';
import { random } from '../../bench/trees.ts';
import { startBrowser } from '../../bench/browser.ts';
import { TextBlock } from '../../src/text/block.ts';
import { nodeText } from 'pimbot/node';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';

/*
 * No package carries the test files of UAX 14 and UAX 9, so these cases are made by hand: for each rule of the two
 * annexes that a text of a game can meet, at least one that holds a break (or an order) and one that does not. Beside them
 * stands Chromium, which breaks lines by Unicode's own library.
 */

const { lineBreaks } = nodeText();
const chain = fonts.chain('Inter', 400, false, { tabular: false, language: 'en' });
const block = (text: string, rightToLeft = false) =>
  new TextBlock(text, {
    chain,
    fontSize: 10,
    lineHeight: 1.2,
    letterSpacing: 0,
    wrap: true,
    rightToLeft,
    mostLines: Infinity,
    ellipsis: 'none',
    leastFontSize: 10,
  });

/** Signs that the rules name, and letters of many scripts beside them: what is picked at random alone is nearly always a letter. */
const signs =
  'aZ09 \t\n\r\u00a0\u200b\u2060\u200d\u0301\u034f-\u2010\u2012\u2014\u00ad/,.:;!?%$€£°…"\'«»‘’“”()[]{}「」、。・〜！？＄％￥\ufffcㄱ가각각한אבל🇩🇪🇯🇵👍🏽🫱☝◌ᬅᬓ᭄ᯃ᯲᯳𑍍海の゙ｱ､';

/** Texts whose every letter is one of those signs, or any that Unicode has. */
function scrambled(count: number, seed: number): string[] {
  const next = random(seed);
  const some = [...signs];
  const letter = (): string => {
    for (;;) {
      const one =
        next() < 0.7
          ? some[Math.floor(next() * some.length)]!
          : String.fromCodePoint(Math.floor(next() * 0x20000));
      // Scripts without spaces need a dictionary, which Chromium has; small kana start a line there unless CSS says `strict`.
      const isOther =
        /[\p{Surrogate}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}\p{Script=Tai_Le}\p{Script=New_Tai_Lue}\p{Script=Tai_Tham}\p{Script=Tai_Viet}\p{Script=Ahom}]/u;
      if (!isOther.test(one) && !/[ぁぃぅぇぉっゃゅょゎゕゖ゠-ヿㇰ-ㇿｧ-ｰ\u{1b132}-\u{1b168}]/u.test(one))
        return one;
    }
  };
  return Array.from({ length: count }, () =>
    Array.from({ length: 2 + Math.floor(next() * 7) }, letter).join(''),
  );
}

/** A text with every place where a line may end, shown as |: lines of no width take each of them. */
function broken(text: string): string {
  return block(text)
    .linesAt(0)
    .map((line) => text.slice(line.start, line.end))
    .join('|');
}

describe('UAX 14', () => {
  test('lines may end where Chromium lets them end', async () => {
    const texts = scrambled(rounds(8000, 60_000), seedOf(14));
    const browser = await startBrowser();
    const page = await browser.newPage();
    const theirs = await page.evaluate((all) => {
      interface Iterator {
        adoptText(text: string): void;
        next(): number;
      }
      const { v8BreakIterator } = Intl as unknown as {
        v8BreakIterator: new (language: string, how: { type: 'line' }) => Iterator;
      };
      const iterator = new v8BreakIterator('en', { type: 'line' });
      return all.map((text) => {
        iterator.adoptText(text);
        const found: number[] = [];
        for (let at = iterator.next(); at !== -1; at = iterator.next()) found.push(at);
        return found.slice(0, -1);
      });
    }, texts);
    await browser.close();
    const differ = texts.flatMap((text, nth) => {
      const ours = lineBreaks(text)
        .map(({ position }) => position)
        .slice(0, -1);
      return String(ours) === String(theirs[nth]) ? [] : [{ text, ours, theirs: theirs[nth] }];
    });
    expect(differ).toEqual([]);
  });

  test('small kana start no line, as `line-break: strict` of CSS has it', () => {
    expect(broken('あっいーうャえ')).toBe('あっ|いー|うャ|え');
  });

  test.each([
    ['LB 4, 5', 'a\nb', 'a|b'],
    ['LB 5', 'a\r\nb', 'a|b'],
    ['LB 6', 'a \nb', 'a |b'],
    ['LB 7', 'a  b', 'a  |b'],
    ['LB 8', 'a\u200bb', 'a\u200b|b'],
    ['LB 8a', 'a\u200db', 'a\u200db'],
    ['LB 9', 'e\u0301 e\u0301', 'e\u0301 |e\u0301'],
    ['LB 11', 'a\u2060b c', 'a\u2060b |c'],
    ['LB 12', '100\u00a0m deep', '100\u00a0m |deep'],
    ['LB 12a', 'a \u00a0b', 'a |\u00a0b'],
    ['LB 13', 'Rise! Now', 'Rise! |Now'],
    ['LB 13', 'hull (port)', 'hull |(port)'],
    ['LB 14', '( a )', '( a )'],
    ['LB 16', '小さな', '小|さ|な'],
    ['LB 17', 'a——b', 'a|——|b'],
    ['LB 18', 'one two', 'one |two'],
    ['LB 19', 'say "yes" now', 'say |"yes" |now'],
    ['LB 20', 'a \ufffc b', 'a |\ufffc |b'],
    ['LB 21', 'mid-water', 'mid-|water'],
    ['LB 21', 'x\u2010y', 'x\u2010|y'],
    ['LB 22', 'wait… now', 'wait… |now'],
    ['LB 23', 'deck4 a4b', 'deck4 |a4b'],
    ['LB 24', '$40 and €5', '$40 |and |€5'],
    ['LB 25', '-12.5 % (3,000)', '-12.5 |% |(3,000)'],
    ['LB 25', '12:30 1/2', '12:30 |1/2'],
    ['LB 26, 27', '한국어 말', '한국어 |말'.replace('한국어', '한|국|어')],
    ['LB 28', 'abc déf', 'abc |déf'],
    ['LB 29', 'e.g. a', 'e.g. |a'],
    ['LB 30', 'person(s) a', 'person(s) |a'],
    ['LB 30a', '🇩🇪🇯🇵', '🇩🇪|🇯🇵'],
    ['LB 30b', '👍🏽 a', '👍🏽 |a'],
    ['LB 31', '海の手紙', '海|の|手|紙'],
    ['LB 13, 31', '海。手紙、', '海。|手|紙、'],
    ['LB 14, 31', '「海」の', '「海」|の'],
  ])('%s: %j', (_, text, expected) => {
    expect(broken(text)).toBe(expected);
  });
});

describe('UAX 9', () => {
  const arabic = 'ابج';
  const turned = [...arabic].reverse().join('');

  /** The characters of the one line of a text, from left to right as they are seen. */
  function seen(text: string, rightToLeft: boolean): string {
    const [line] = block(text, rightToLeft).linesAt(Infinity);
    return line!.runs.map((run) => (run.rightToLeft ? [...run.text].reverse().join('') : run.text)).join('');
  }

  test.each([
    ['a text from left to right', 'abc', false, 'abc'],
    ['one from right to left', arabic, true, turned],
    ['R to L in a text from L to R', `a ${arabic} b`, false, `a ${turned} b`],
    ['L to R in a text from R to L', `${arabic} abc`, true, `abc ${turned}`],
    ['W2, numbers keep their order', `${arabic} 123`, true, `123 ${turned}`],
    ['W4, a point among digits', `${arabic} 1.5`, true, `1.5 ${turned}`],
    ['W5, a sign beside a number', `${arabic} 50%`, true, `%50 ${turned}`],
    ['N1, a space between R and R', `x ${arabic} ${arabic}`, false, `x ${turned} ${turned}`],
    ['N2, what is neutral at the end goes with the paragraph', `${arabic}!`, false, `${turned}!`],
    ['N2, the same from right to left', `${arabic}!`, true, `!${turned}`],
    ['X4, forced from right to left', '\u202eabc\u202c', false, 'cba'],
    ['a number after a word from left to right', 'abc 12', true, 'abc 12'],
  ])('%s', (_, text, rightToLeft, expected) => {
    expect(seen(text, rightToLeft).replace(/[\u202a-\u202e\u200e\u200f]/g, '')).toBe(expected);
  });
});
