import { expect, test } from '@jest/globals';
import { formatDiagnostic, readDocument } from 'pimbot';

/* Lists of shadows that have lists of shadows in them (Design Tokens format, §9.6). */

const fall = { color: '#000000', offsetX: 0, offsetY: 1, blur: 2, spread: 0 };

/** What is wrong with a document that has these token files. */
function wrongWith(tokens: object): string {
  const { diagnostics } = readDocument('pimbot: 1\ntoken-files: a.tokens.json\nviews: { test: {} }\n', {
    name: 'hud.yaml',
    readFile: (name) => ({ text: JSON.stringify(tokens), name }),
  });
  return diagnostics.map(formatDiagnostic).join('\n');
}

/** Each list holds the one before it so many times. */
function chained(count: number, times: number): [string, object][] {
  return Array.from({ length: count }, (_, nth) => [
    `n${nth}`,
    { $type: 'shadow', $value: nth === 0 ? [fall] : Array<string>(times).fill(`{n${nth - 1}}`) },
  ]);
}

const sentence = 'is color, offsetX, offsetY, blur and spread, or a list of such, not another value';

test('one in the other, in so many others, and leading back to itself', () => {
  expect(wrongWith(Object.fromEntries(chained(40, 1).reverse()))).toBe('');
  expect(wrongWith(Object.fromEntries(chained(5000, 1).reverse()))).toContain(sentence);
  const circle = { a: { $type: 'shadow', $value: ['{b}'] }, b: { $type: 'shadow', $value: ['{a}'] } };
  expect(wrongWith(circle)).toContain('leads back to itself: a → b → a');
});

test('each twice in the next comes to more than anybody draws, and is refused before it does', () => {
  expect(wrongWith(Object.fromEntries(chained(8, 2)))).toBe('');
  for (const lists of [chained(80, 2), chained(80, 2).reverse()])
    expect(wrongWith(Object.fromEntries(lists))).toContain(`"n9" ${sentence}`);
});
