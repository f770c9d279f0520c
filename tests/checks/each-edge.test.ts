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
  const { findings } = proveView(() => openView(document!, 'test', { resources: { fonts } }), device, region);
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
