import { expect, test } from '@jest/globals';
import { makeScreen, readDocument, type WidgetSource } from 'pimbot';
import { checkDocument, sentenceOf } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';

/* A list that goes on past an edge: whether anybody can see that it does. */

const options = { resources: { fonts: bundledFonts() }, screens: [makeScreen({ width: 800, height: 600 })] };

const rows = [1, 2, 3, 4, 5].map((one): WidgetSource => ({
  id: `row-${one}`,
  width: 'fill',
  height: 60,
  look: { background: '#2a6a78' },
}));
const list = (height: number, more: object = {}): WidgetSource => ({
  id: 'list',
  anchor: 'center',
  size: [300, height],
  scroll: 'y',
  arrange: 'column',
  gap: 20,
  children: rows,
  ...more,
});

function told(...children: WidgetSource[]): string[] {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    reference: { size: '800x600' },
    views: { v: { backdrop: '#04202a', children } },
  });
  expect(diagnostics).toEqual([]);
  return checkDocument(document!, options)
    .findings.filter(({ check }) => check === 'hidden-more')
    .map((one) => `${one.widget} ${sentenceOf(one)}`);
}

const bar = (more: object = {}): WidgetSource => ({
  'kind': 'scrollbar',
  'controls': 'list',
  'anchor-to': 'list',
  'anchor': 'right center',
  'pivot': 'left center',
  'size': [12, 140],
  ...more,
});

test('a list that ends between two entries tells nobody that it goes on', () => {
  expect(told(list(140))).toEqual([
    expect.stringMatching(/^list has \d[\d.]* CSS px more past its bottom edge, and nothing shows that$/),
  ]);
  expect(told(list(150))).toHaveLength(1);
  // A hair of the next one is seen by nobody.
  expect(told(list(162))).toHaveLength(1);
});

test('an entry that is cut in two does, and so do a scrollbar along it and a sign at that side', () => {
  expect(told(list(190))).toEqual([]);
  expect(told(list(140), bar())).toEqual([]);
  expect(told(list(140), bar({ visible: false }))).toHaveLength(1);
  expect(told(list(140), bar({ anchor: 'bottom', pivot: 'top', size: [140, 12] }))).toHaveLength(1);
  const sign = (side: string): WidgetSource => ({
    ...bar({ 'kind': 'panel', 'shows-more': side, 'size': 20 }),
    look: { background: '#fff' },
  });
  expect(told(list(140), sign('bottom'))).toEqual([]);
  expect(told(list(140), sign('top'))).toHaveLength(1);
  // A button that turns its pages tells as much.
  expect(told(list(140), bar({ kind: 'button', text: 'More', size: [90, 60] }))).toEqual([]);
});

test('both ends count where it stands in the middle, each by itself', () => {
  expect(told(list(140, { 'scroll-offset': [0, 80] }))).toEqual([
    expect.stringContaining('past its top edge'),
    expect.stringContaining('past its bottom edge'),
  ]);
  expect(told(list(140, { 'scroll-offset': [0, 105] }))).toEqual([]);
});

test('a ground that is longer than what is seen of it tells nothing, and letters at the edge do', () => {
  const ground: WidgetSource = {
    id: 'ground',
    width: 'fill',
    arrange: 'column',
    gap: 20,
    look: { background: '#0d3440' },
    children: rows,
  };
  expect(told(list(140, { children: [ground] }))).toHaveLength(1);
  const words = 'Nobody at Fathom Post has ever seen the other end of this letter. '.repeat(9);
  const letter = (height: number): WidgetSource =>
    list(height, { children: [{ kind: 'text', text: words, wrap: true, width: 'fill' }] });
  const heights = Array.from({ length: 30 }, (_, nth) => 150 + nth);
  const seen = heights.map((height) => told(letter(height)).length);
  // Where the edge goes through letters they are seen to be cut; where it goes between lines they are not.
  expect(seen).toContain(0);
  expect(seen).toContain(1);
});

test('what hides less than a line, or does not scroll, has nothing to show', () => {
  expect(told(list(375, {}))).toEqual([]);
  expect(told(list(400))).toEqual([]);
});
