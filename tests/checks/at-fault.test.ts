import { expect, test } from '@jest/globals';
import { readDocument, screens, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

/* What a finding is blamed on: the edges that came together, and edges that meet by chance are nobody's fault. */

const look = { background: '#234a5c' };

function found(children: readonly WidgetSource[], check: string) {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    reference: { 'size': '1280x720', 'scaling': 'contain', 'least-millimetres': 0.15 },
    views: { test: { backdrop: '#04121c', children } },
  });
  expect(diagnostics).toEqual([]);
  const { findings } = checkDocument(document!, { resources: { fonts }, screens });
  return findings.filter((one) => one.check === check);
}

test.each<[string, WidgetSource, WidgetSource, readonly string[]]>([
  [
    'beside each other',
    { id: 'say', look, anchor: 'left bottom', offset: [24, -24], size: [420, 56] },
    { id: 'send', look, anchor: 'left bottom', offset: [420, -24], size: [100, 56] },
    ['say: right edge', 'send: left edge'],
  ],
  [
    'beside each other, the other way round',
    { id: 'send', look, anchor: 'left bottom', offset: [420, -24], size: [100, 56] },
    { id: 'say', look, anchor: 'left bottom', offset: [24, -24], size: [420, 56] },
    ['send: left edge', 'say: right edge'],
  ],
  [
    'under each other',
    { id: 'head', look, offset: [24, 24], size: [300, 80] },
    { id: 'body', look, offset: [24, 90], size: [300, 200] },
    ['head: bottom edge', 'body: top edge'],
  ],
])('an overlap %s is explained by the edges that came together', (_, one, other, expected) => {
  const [finding, ...others] = found([one, other], 'overlap');
  expect(others).toEqual([]);
  const texts = finding!.reasons.map(({ text }) => text);
  for (const start of expected) expect(texts.filter((text) => text.startsWith(start))).toHaveLength(1);
  const [first, second] = expected.map((start) => start.split(' ')[1]);
  expect(texts.filter((text) => !text.includes(`: ${first} `) && !text.includes(`: ${second} `))).toEqual(
    texts.filter((text) => !/: (left|right|top|bottom) edge/.test(text)),
  );
});

const log: WidgetSource = { id: 'log', look, anchor: 'left bottom', offset: [24, -100], size: [420, 240] };

test('edges that meet on one screen alone, as its size would have it, are no slip', () => {
  // On phone-large-portrait the view is 468.92 u wide: the right edges are 0.92 u apart there, and 811 on the reference.
  const volume: WidgetSource = {
    id: 'volume',
    look,
    anchor: 'right top',
    offset: [-24, 90],
    size: [300, 40],
  };
  expect(found([log, volume], 'nearly-aligned')).toEqual([]);
});

test('edges that keep as near on every screen are one, and so are those that somebody wrote for some', () => {
  const under: WidgetSource = {
    id: 'under',
    look,
    anchor: 'left bottom',
    offset: [26, -24],
    size: [300, 60],
  };
  const [everywhere] = found([log, under], 'nearly-aligned');
  expect(everywhere).toMatchObject({ widget: 'under', other: 'log', facts: { edge: 'left' } });
  expect(everywhere!.occurrences).toHaveLength(screens.length);
  const apart: WidgetSource = { ...under, offset: [300, -24] };
  expect(found([log, apart], 'nearly-aligned')).toEqual([]);
  const onUpright: WidgetSource = {
    ...apart,
    when: [{ screen: { aspect: '..1' }, change: { offset: [26, -24] } }],
  };
  const [there] = found([log, onUpright], 'nearly-aligned');
  const upright = screens.filter(({ width, height }) => width <= height).map(({ name }) => name);
  expect(there!.occurrences.map(({ screen }) => screen)).toEqual(upright);
});
