import { describe, expect, test } from '@jest/globals';
import { makeScreen, readDocument, type ScreenSize } from 'pimbot';
import { checkDocument, type Finding } from 'pimbot/tools';
import { fact } from '../support/findings.ts';
import { documentOf, fonts, told } from '../support/views.ts';

const look = { background: '#204050' };
const screen: ScreenSize = {
  width: 1000,
  height: 800,
  density: 96,
  distance: 600,
  safe: [50, 0, 0, 0],
  inputs: ['mouse'],
};
/** a and b stand beside each other, c under a with a gap, far reaches out. */
const children = [
  { id: 'a', anchor: 'left top', area: 'full', offset: '100 100', size: '100 60', look },
  { id: 'b', anchor: 'left top', area: 'full', offset: '200 100', size: '100 60', look },
  { id: 'c', anchor: 'left top', area: 'full', offset: '100 180', size: '120 40', look },
  { id: 'high', anchor: 'left top', area: 'full', offset: '400 20', size: '50 50', look },
  { id: 'far', anchor: 'left top', area: 'full', offset: '950 300', size: '100 60', look },
  { id: 'gone', gone: true, anchor: 'left top', size: 10 },
  { id: 'unseen', visible: false, anchor: 'left top', size: 10 },
] as const;

function broken(promise: object, on: ScreenSize = screen): string[] {
  return findingsOf(promise, on).map((finding) => String(fact(finding, 'broken')));
}

function findingsOf(promise: object, on: ScreenSize = screen): readonly Finding[] {
  const document = documentOf(children, {}, { backdrop: '#000', expect: [promise] });
  const read = readDocument(document);
  if (!read.document) throw new Error(told(read).join('\n'));
  const { findings } = checkDocument(read.document, { resources: { fonts }, screens: [makeScreen(on)] });
  return findings.filter(({ check }) => check === 'broken-promise');
}

describe('promises that hold, and the same that do not', () => {
  test.each<[object, object, string]>([
    [
      { widget: 'a', within: 'safe' },
      { widget: 'high', within: 'safe' },
      'high sticks out 30 px past the top edge of the safe area',
    ],
    [
      { widget: 'high', within: 'screen' },
      { widgets: ['a', 'far'], within: 'screen' },
      'far sticks out 50 px past the right edge of the screen',
    ],
    [
      { widget: 'a', within: 'a' },
      { widget: 'c', within: 'a' },
      'c sticks out 60 px past the bottom and 20 px past the right edge of a',
    ],
    [
      { widgets: ['a', 'b', 'c'], never: 'overlap' },
      { widgets: ['a', 'a'], never: 'overlap' },
      'a and a overlap by 60 px',
    ],
    [
      { widgets: ['a', 'b'], touching: true },
      { widgets: ['a', 'c'], touching: true },
      'a and c are 20 px apart',
    ],
    [
      { widgets: ['a', 'b'], aligned: 'top' },
      { widgets: ['a', 'b'], aligned: 'left' },
      'the left of a and that of b are 100 px apart',
    ],
    [
      { widgets: ['a', 'c'], aligned: 'left' },
      { widgets: ['a', 'c'], aligned: 'center' },
      'the center of a and that of c are 10 px apart',
    ],
    [
      { widgets: ['a', 'b'], aligned: 'middle' },
      { widgets: ['a', 'high'], aligned: 'bottom' },
      'the bottom of a and that of high are 90 px apart',
    ],
    [
      { widgets: ['a', 'b'], same: 'size' },
      { widgets: ['a', 'c'], same: 'width' },
      'a and c differ by 20 px in width',
    ],
    [
      { widgets: ['a', 'b'], order: 'left to right' },
      { widgets: ['b', 'a'], order: 'left to right' },
      'a starts 200 px before b ends, left to right',
    ],
    [
      { widgets: ['a', 'c'], order: 'top to bottom' },
      { widgets: ['a', 'b'], order: 'right to left' },
      'b starts 200 px before a ends, right to left',
    ],
    [
      { 'widget': 'a', 'at-least': { width: 100 } },
      { 'widget': 'a', 'at-least': { width: '101 u' } },
      'the width of a is 100 u; the least is 101',
    ],
    [
      { 'widget': 'a', 'at-most': { height: '60 px' } },
      { 'widget': 'a', 'at-most': { height: '59 px' } },
      'the height of a is 60 px; the most is 59',
    ],
    [
      { 'widget': 'a', 'at-least': { width: '26 mm' } },
      { 'widget': 'a', 'at-least': { width: '27 mm' } },
      'the width of a is 26.46 mm; the least is 27',
    ],
    [
      { 'widget': 'a', 'at-least': { width: '2.5 deg' } },
      { 'widget': 'a', 'at-least': { width: '2.6 deg' } },
      'the width of a is 2.53 deg; the least is 2.6',
    ],
    [
      { 'widget': 'a', 'at-least': { width: 100, height: '60 px' } },
      { 'widget': 'a', 'at-least': { width: 101, height: '70 px' } },
      'the width of a is 100 u; the least is 101, and its height is 60 px; the least is 70',
    ],
    [{ widget: 'a', visible: true }, { widget: 'unseen', visible: true }, 'unseen is not to be seen'],
    [{ widget: 'unseen', visible: false }, { widget: 'a', visible: false }, 'a is to be seen'],
    [{ widget: 'gone', within: 'safe' }, { widget: 'gone', visible: true }, 'gone is not there'],
  ])('%j, not %j', (kept, not, sentence) => {
    expect(broken(kept)).toEqual([]);
    expect(broken(not)).toEqual([sentence]);
  });
});

test('in whatever unit a size is promised, what it lacks is measured in px', () => {
  const lacks = (least: object) => findingsOf({ 'widget': 'a', 'at-least': least })[0]!.worst.measured!;
  expect(lacks({ width: '110 px' })).toBeCloseTo(10, 9);
  expect(lacks({ width: '110 u' })).toBeCloseTo(10, 9);
  expect(lacks({ width: '27 mm' })).toBeCloseTo((27 / 25.4) * 96 - 100, 9);
  const atTheEye = 2 * 600 * Math.tan((2.6 / 2 / 180) * Math.PI);
  expect(lacks({ width: '2.6 deg' })).toBeCloseTo((atTheEye / 25.4) * 96 - 100, 9);
  expect(lacks({ width: '101 px', height: '80 px' })).toBeCloseTo(20, 9);
});

test('every widget and every pair that breaks a promise is told, by its own id', () => {
  const promises = [
    { widgets: ['a', 'high', 'far'], within: 'safe', visible: false },
    { widgets: ['a', 'b', 'a', 'b'], never: 'overlap' },
    { widgets: ['a', 'c', 'b'], aligned: 'left', same: 'height' },
  ] as const;
  const document = documentOf(children, {}, { backdrop: '#000', expect: promises });
  const { findings } = checkDocument(readDocument(document).document!, {
    resources: { fonts },
    screens: [makeScreen(screen)],
  });
  const found = findings.filter(({ check }) => check === 'broken-promise');
  const by = (nth: number) =>
    found
      .filter(({ pointer }) => pointer.endsWith(`/expect/${nth}`))
      .map((one) => [one.widget, one.other ?? '', String(fact(one, 'promised'))].join(' ').trim())
      .sort();
  expect(by(0)).toEqual(['a  visible', 'far  visible', 'far  within', 'high  visible', 'high  within']);
  expect(by(1)).toEqual(['a a never', 'b b never']);
  expect(by(2)).toEqual(['a c same', 'c b aligned', 'c b same']);
});

test('a promise for some screens says nothing of others', () => {
  const promise = { widget: 'far', within: 'screen', on: { input: 'mouse' } };
  expect(broken(promise)).toHaveLength(1);
  expect(broken(promise, { ...screen, inputs: ['touch'] })).toEqual([]);
});

test('what breaks points to the line of the promise, with its reason', () => {
  const text =
    'pimbot: 1\nviews:\n  test:\n    backdrop: "#000"\n    expect:\n      - { widget: w, within: screen, because: it counts }\n      - { widget: w, at-most: { width: 10 } }\n    children:\n      - { id: w, anchor: left top, size: 4000, look: { background: "#234" } }\n';
  const { document } = readDocument(text, { name: 'hud.yaml' });
  const { findings } = checkDocument(document!, { resources: { fonts }, screens: [makeScreen(screen)] });
  const found = findings.filter(({ check }) => check === 'broken-promise');
  const lines = found.map(({ pointer }) => {
    const { source, range } = document!.origin.at(pointer);
    return source!.placeOf(range!.start).line;
  });
  expect(lines).toEqual([6, 7]);
  expect(found.map(({ reasons }) => reasons[0]!.text)).toEqual(['it counts', 'it was promised']);
});

test.each([
  [{ widget: 'aa', within: 'safe' }, 'there is no widget "aa"'],
  [{ widget: 'aa.bar', within: 'safe' }, 'there is no widget "aa.bar"'],
  [{ widget: 'aa-2', within: 'safe' }, 'there is no widget "aa-2"'],
  [{ widget: 'a', within: 'seafe' }, 'there is no widget "seafe"'],
  [{ within: 'safe', because: 'x' }, 'a promise needs the key "widget"'],
  [{ 'widget': 'a', 'at-least': { width: '3 miles' } }, 'an amount such as 48, "9 mm"'],
  [{ widget: 'a', order: 'sideways' }, '"order" is one of start to end, left to right'],
])('%j is refused', (promise, sentence) => {
  expect(told(readDocument(documentOf(children, {}, { expect: [promise as never] }))).join('\n')).toContain(
    sentence,
  );
});

test('a promise that a condition brings points to where it is said', () => {
  const text =
    'pimbot: 1\nviews:\n  test:\n    backdrop: "#000"\n    when:\n      - screen: { width: 1.. }\n        change:\n          expect:\n            - { widget: w, at-most: { width: 10 } }\n    children:\n      - { id: w, anchor: left top, size: 40, look: { background: "#234" } }\n';
  const { document } = readDocument(text, { name: 'hud.yaml' });
  const { findings } = checkDocument(document!, { resources: { fonts }, screens: [makeScreen(screen)] });
  const { pointer } = findings.find(({ check }) => check === 'broken-promise')!;
  const { source, range } = document!.origin.at(pointer);
  expect(source!.placeOf(range!.start).line).toBe(9);
});

describe('findings that are meant', () => {
  const found = (accept: Record<string, string>, size = 4000) => {
    const document = documentOf(
      [{ 'id': 'w', 'anchor': 'left top', 'height': 60, 'min-width': size, 'max-width': 3000, look, accept }],
      {},
      { backdrop: '#000' },
    );
    const { findings, accepted } = checkDocument(readDocument(document).document!, {
      resources: { fonts },
      screens: [makeScreen(screen)],
    });
    return [findings.map(({ check }) => check).sort(), accepted];
  };

  test('are accepted by check, with a reason; others stay', () => {
    expect(found({ 'cut-text': 'no' })).toEqual([['gave-way', 'off-screen'], 0]);
    expect(found({ 'off-screen': 'a curtain' })).toEqual([['gave-way'], 1]);
    expect(found({ 'off-screen': 'a curtain', 'gave-way': 'all of it' })).toEqual([[], 2]);
  });

  test('a reason has to be given', () => {
    const document = documentOf([{ accept: { 'off-screen': '' } }]);
    expect(told(readDocument(document))[0]).toContain('"off-screen" is a reason, not ""');
  });
});
