import { describe, expect, test } from '@jest/globals';
import { TextBlock } from '../../src/text/block.ts';
import { fonts } from '../support/views.ts';

/*
 * No package carries the test files of UAX 14 and UAX 9, so these cases are made by hand: for each rule of the two
 * annexes that a text of a game can meet, at least one that holds a break (or an order) and one that does not.
 */

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

/** A text with every place where a line may end, shown as |: lines of no width take each of them. */
function broken(text: string): string {
  return block(text)
    .linesAt(0)
    .map((line) => text.slice(line.start, line.end))
    .join('|');
}

describe('UAX 14', () => {
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
