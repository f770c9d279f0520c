import { expect, test } from '@jest/globals';
import { makeScreen, readDocument, type WidgetSource } from 'pimbot';
import { checkDocument, desktop, proveDocument } from 'pimbot/tools';
import { documentOf, fonts } from '../support/views.ts';

/* What is seen through the hole of a ring, and what lies on a round meter. */

const screens = [makeScreen({ width: 800, height: 600 })];

/** What some checks say of a round meter of 400 × 400 px and what is on it or behind it, with what they measure. */
function found(
  meter: Partial<WidgetSource>,
  others: readonly WidgetSource[],
  backdrop: string,
  checks = ['low-contrast', 'covered', 'dimmed-text'],
) {
  const round: WidgetSource = {
    'id': 'air',
    'kind': 'meter',
    'label': 'Air',
    'anchor': 'center',
    'size': 400,
    'value': 1,
    'fill-from': 'clockwise',
    'look': { color: '#ffffff', background: '#ffffff', radius: 200 },
    ...meter,
  };
  const children = others.map((one) => (one.id === 'below' ? [one, round] : [round, one])).flat();
  const { document } = readDocument(documentOf(children, {}, { backdrop }));
  const { findings } = checkDocument(document!, { resources: { fonts }, screens });
  return findings
    .filter(({ check, worst }) => checks.includes(check) && worst.measured !== null)
    .map(({ check, widget, worst }) => `${check} ${widget} ${Math.round(worst.measured! * 10) / 10}`);
}

const word = (color: string, more: Partial<WidgetSource> = {}): WidgetSource => ({
  'id': 'word',
  'kind': 'text',
  'text': '40 m',
  'anchor': 'center',
  'look': { color, 'font-size': 40 },
  'may-overlap': true,
  ...more,
});

test('words in the hole of a ring stand on what is behind it', () => {
  expect(found({ ring: 40 }, [word('#ffffff')], '#000000')).toEqual([]);
  expect(found({ ring: 40 }, [word('#111111')], '#000000')).toEqual(['low-contrast word 1.1']);
});

test('words on a disc stand on what is filled there, on its track elsewhere', () => {
  expect(found({}, [word('#ffffff')], '#000000')).toEqual(['low-contrast word 1']);
  const half = { value: 0.5, look: { color: '#ffffff', background: '#000000', radius: 200 } };
  const on = (x: number) => found(half, [word('#ffffff', { offset: [x, 0] })], '#000000');
  // Clockwise from the top, the right half is filled.
  expect(on(-100)).toEqual([]);
  expect(on(100)).toEqual(['low-contrast word 1']);
});

test('a ring hides nothing in its hole, and what it lies on', () => {
  const below = (offset: readonly [number, number]) =>
    found({ ring: 40 }, [{ ...word('#ffffff'), id: 'below', offset }], '#000000');
  expect(below([0, 0])).toEqual([]);
  expect(below([0, -180]).some((one) => one.startsWith('covered below'))).toBe(true);
});

test('what stands in the hole of a ring is not overlapped, as long as its own outline is in it', () => {
  const overlaps = (one: WidgetSource, meter: Partial<WidgetSource> = {}) =>
    found({ ring: 40, ...meter }, [one], '#000000', ['overlap']);
  const label = (offset: readonly [number, number]) =>
    word('#ffffff', { 'offset': offset, 'may-overlap': false });
  expect(overlaps(label([0, 0]))).toEqual([]);
  expect(overlaps(label([150, 0]))).toEqual(['overlap air 29.9']);
  // A box has corners that a disc of its size has not; the hole is 320 px wide.
  const disc = (size: number, radius: number): WidgetSource => ({
    id: 'disc',
    anchor: 'center',
    size,
    look: { background: '#223344', radius },
  });
  expect(overlaps(disc(318, 159))).toEqual([]);
  expect(overlaps(disc(318, 0))).toEqual(['overlap air 318']);
  expect(overlaps(disc(224, 0))).toEqual([]);
  expect(overlaps(disc(324, 162))).toEqual(['overlap air 324']);
  // Nor has one in a panel that cuts nothing of it off.
  const inClip: WidgetSource = {
    id: 'clip',
    anchor: 'center',
    size: 377,
    overflow: 'clip',
    children: [disc(318, 159)],
  };
  expect(overlaps(inClip)).toEqual([]);
  // In a ring with square corners a box fits too, and in none that is a disc or filled by a gradient.
  expect(overlaps(disc(318, 0), { look: { color: '#ffffff', background: '#0a4d5e' } })).toEqual([]);
  expect(found({}, [disc(100, 50)], '#000000', ['overlap'])).toEqual(['overlap air 100']);
  const gradient = 'linear-gradient(#0a4d5e, #04202a)';
  const filled = { look: { color: '#ffffff', background: gradient, radius: 200 } };
  expect(overlaps(disc(100, 50), filled)).toEqual(['overlap air 100']);
});

test('two themes, in one of which the hole of a ring is filled, are not proved as one', () => {
  const theme = (background: string) => ({
    'pimbot-theme': 1,
    'styles': { ring: { background, color: '#ffc75f', radius: 200 } },
  });
  const files: Record<string, object> = {
    'one.json': theme('#0a4d5e'),
    'two.json': theme('linear-gradient(#0a4d5e, #04202a)'),
  };
  const children: readonly WidgetSource[] = [
    { ...word('#ffffff'), id: 'below' },
    {
      'id': 'air',
      'kind': 'meter',
      'label': 'Air',
      'style': 'ring',
      'anchor': 'center',
      'size': 400,
      'value': 0.5,
      'fill-from': 'clockwise',
      'ring': 40,
      'may-overlap': true,
    },
  ];
  const { document } = readDocument(
    documentOf(children, { themes: { one: 'one.json', two: 'two.json' } }, { backdrop: '#000' }),
    { readFile: (path) => ({ text: JSON.stringify(files[path]), name: path }) },
  );
  const region = { from: { width: 640, height: 500 }, to: { width: 1280, height: 900 } };
  const [proof] = proveDocument(document!, { resources: { fonts }, device: desktop, region });
  const covered = proof!.failures.filter(({ finding }) => finding.check === 'covered');
  expect(covered.map(({ on }) => on.map(({ occasion }) => occasion.theme))).toEqual([['two']]);
});
