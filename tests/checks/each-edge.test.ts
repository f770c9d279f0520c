import { expect, test } from '@jest/globals';
import { findScreen, openView, readDocument, type ScreenSize, type WidgetSource } from 'pimbot';
import { checkDocument, proveView, sentenceOf, type Device } from 'pimbot/tools';
import { documentOf, fonts } from '../support/views.ts';

/* What reaches over another edge on another screen is told for itself, with the screens on which it does. */

const desktop = findScreen('desktop')!;
const sized = (name: string, width: number, height: number): ScreenSize & typeof desktop => ({
  ...desktop,
  name,
  width,
  height,
});
const screens = [sized('tall', 400, 900), sized('wide', 900, 400), sized('taller', 300, 900)];

function told(widget: WidgetSource, check: string, more: readonly WidgetSource[] = []): string[] {
  const { document } = readDocument(documentOf([{ look: { background: '#223344' }, ...widget }, ...more]));
  const { findings } = checkDocument(document!, { resources: { fonts }, screens });
  return findings
    .filter((one) => one.check === check)
    .map(
      (one) =>
        `${sentenceOf(one)}; ${one.occurrences.map(({ screen }) => screen).join(' ')}; ${one.reasons[0]!.text}`,
    );
}

test('off the screen, by edge', () => {
  expect(told({ id: 'a', offset: [350, 350], size: 100 }, 'off-screen')).toEqual([
    'sticks out 150 px past the right edge of the screen; tall taller; right edge 450 u = left edge 350 + width 100',
    'sticks out 50 px past the bottom edge of the screen; wide; bottom edge 450 u = top edge 350 + height 100',
  ]);
});

test('over its parent, by edge', () => {
  const panel: WidgetSource = {
    id: 'p',
    size: ['50%', '50%'],
    children: [{ id: 'a', size: [260, 240], look: { background: '#223344' } }],
  };
  expect(told(panel, 'bursts-parent')).toEqual([
    'sticks out 110 px past the right edge of its parent, p; tall taller; width is set to 260 u',
    'sticks out 40 px past the bottom edge of its parent, p; wide; height is set to 240 u',
  ]);
});

test('proved, each edge has its own sizes', () => {
  const device: Device = { density: 96, distance: 600, inputs: ['mouse'] };
  const region = { from: { width: 300, height: 300 }, to: { width: 900, height: 900 } };
  const a: WidgetSource = { id: 'a', offset: [350, 350], size: 100, look: { background: '#223344' } };
  const { document } = readDocument(documentOf([a]));
  const { findings } = proveView(openView(document!, 'test', { resources: { fonts } }), device, region);
  const bounds = findings
    .filter(({ finding }) => finding.check === 'off-screen')
    .map(({ finding, parts }) => [
      sentenceOf(finding).replace(/.*past the | edge.*/g, ''),
      Math.round(Math.max(...parts.flat().map(({ x }) => x))),
      Math.round(Math.max(...parts.flat().map(({ y }) => y))),
    ]);
  expect(bounds.sort()).toEqual([
    ['bottom', 900, 450],
    ['right', 450, 900],
  ]);
});

test('what is over two edges of one screen at once is told of both, and so is a promise', () => {
  const corner: WidgetSource = { id: 'a', offset: [880, 380], size: 100 };
  const found = (widget: WidgetSource, check: string) =>
    told(widget, check).map((one) => one.split('; ').slice(0, 2));
  expect(found(corner, 'off-screen').filter(([, on]) => on!.includes('wide'))).toEqual([
    ['sticks out 680 px past the right edge of the screen', 'tall wide taller'],
    ['sticks out 80 px past the bottom edge of the screen', 'wide'],
  ]);
  const panel: WidgetSource = {
    id: 'p',
    size: 200,
    children: [{ id: 'a', offset: [-30, 150], size: 60, look: { background: '#223344' } }],
  };
  expect(found(panel, 'bursts-parent').map(([said]) => said)).toEqual([
    'sticks out 30 px past the left edge of its parent, p',
    'sticks out 10 px past the bottom edge of its parent, p',
  ]);
  const { document } = readDocument(
    documentOf([corner], {}, { expect: [{ widget: 'a', within: 'screen' }] }),
  );
  const { findings } = checkDocument(document!, { resources: { fonts }, screens: screens.slice(1, 2) });
  expect(findings.filter(({ check }) => check === 'broken-promise').map((one) => sentenceOf(one))).toEqual([
    'breaks a promise: a sticks out 80 px past the right and 80 px past the bottom edge of the screen',
  ]);
});

test('what is in it is told where it reaches over another edge, or further than what it is in', () => {
  const carrying = (inner: WidgetSource): WidgetSource => ({
    id: 'plate',
    anchor: 'right top',
    offset: [100, 0],
    size: 200,
    look: { background: '#223344' },
    overflow: 'visible',
    children: [{ id: 'inner', size: 20, look: { background: '#445566' }, ...inner }],
  });
  const names = (inner: WidgetSource, check: string, on: { width: number; height: number }) => {
    const { document } = readDocument(documentOf([carrying(inner)]));
    const { findings } = checkDocument(document!, {
      resources: { fonts },
      screens: [{ ...desktop, ...on, name: 'one' }],
    });
    return findings
      .filter((one) => one.check === check)
      .map((one) => `${one.widget} ${JSON.stringify(one.facts)}`);
  };
  const screen = { width: 1000, height: 600 };
  const plate = (edge: string) => `plate {"edges":["${edge}"]}`;
  expect(names({ anchor: 'right top' }, 'off-screen', screen)).toEqual([plate('right')]);
  expect(names({ anchor: 'right top', offset: [0, -10] }, 'off-screen', screen)).toEqual([
    plate('right'),
    'inner {"edges":["top"]}',
  ]);
  expect(names({ anchor: 'right top', offset: [5, 0] }, 'off-screen', screen)).toEqual([
    plate('right'),
    'inner {"edges":["right"]}',
  ]);
});
