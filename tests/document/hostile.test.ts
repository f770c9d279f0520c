import { describe, expect, test } from '@jest/globals';
import { openView, readDocument } from 'pimbot';
import { rounds } from '../support/deep.ts';
import { fonts, told } from '../support/views.ts';

const lines = (count: number, line: (nth: number) => string) =>
  Array.from({ length: count }, (_, nth) => line(nth)).join('\n');
const rest = '\nviews: { hud: { children: [] } }\n';
const many = rounds(20_000, 60_000);

/* What takes a step for each pair of them takes hours for these. */
describe('twenty thousand of a thing are read in time', () => {
  test.each([
    ['keys', `tokens:\n${lines(many, (nth) => `  t${nth}: 1`)}`],
    ['aliases of one value', `tokens:\n  a: &a 1\n${lines(many, (nth) => `  t${nth}: *a`)}`],
    ['anchors', `tokens:\n${lines(many, (nth) => `  t${nth}: &a${nth} 1\n  u${nth}: *a${nth}`)}`],
    ['maps that merge one', `tokens:\n  a: &a { x: 1 }\n${lines(many, (nth) => `  t${nth}: { <<: *a }`)}`],
    [
      'tokens, each of which stands for the next',
      `tokens:\n${lines(many, (nth) => `  t${nth}: "{t${nth + 1}}"`)}\n  t${many}: "#123"`,
    ],
    [
      'styles, each of which extends the next',
      `styles:\n${lines(many, (nth) => `  s${nth}: { extends: s${nth + 1} }`)}\n  s${many}: {}`,
    ],
  ])('%s', (_, text) => {
    expect(told(readDocument(`pimbot: 1\n${text}${rest}`, { name: 'hud.yaml' }))).toEqual([]);
  });

  test('names that nothing has', () => {
    const children = lines(many / 10, (nth) => `      - { style: v${nth} }`);
    const text = `pimbot: 1\nstyles:\n${lines(many, (nth) => `  s${nth}: {}`)}\nviews:\n  hud:\n    children:\n${children}\n`;
    expect(told(readDocument(text, { name: 'hud.yaml' }))).toHaveLength(many / 10);
  });

  test('words that are shrunk into a box', () => {
    const text = 'Mail for the ridge. '.repeat(many / 8);
    const box = { 'kind': 'text' as const, 'width': 600, 'height': 200, 'least-font-size': 4, text };
    const { document } = readDocument({ pimbot: 1, views: { hud: { children: [box] } } });
    const { widgets } = openView(document!, 'hud', { resources: { fonts } }).layoutOn({
      width: 1280,
      height: 720,
    });
    expect(widgets[1]!.text!.setIn(600, 200).shrink).toBe(4 / 24);
  });
});

test('a key that stands there twice is told once, however it is written and wherever it is used', () => {
  const twice = (text: string) => told(readDocument(`pimbot: 1\n${text}${rest}`, { name: 'hud.yaml' }));
  expect(twice('tokens: { "a": 1, a: 2 }')).toEqual([
    expect.stringContaining('hud.yaml:2:19: error: the key "a" stands here a second time\n'),
  ]);
  // In JSON, and for a game, a number and its digits are one name.
  expect(twice('cases: { one: { 1: a, "1": b } }')[0]).toContain('the key "1" stands here a second time');
  expect(twice('cases: { one: &one { a: 1, a: 2 }, two: *one }')).toHaveLength(1);
  expect(twice('cases: { one: &one { a: 1 }, two: { <<: *one, <<: *one } }')[0]).toContain('the key "<<"');
});
