import { expect, test } from '@jest/globals';
import { makeScreen, readDocument, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { documentOf, fonts } from '../support/views.ts';

const look = { background: '#125463' };

/** The buttons of a row of three that are told to say nothing. */
function empty(button: Partial<WidgetSource>): readonly string[] {
  const entry: WidgetSource = { id: 'lot', kind: 'button', repeat: 3, size: 120, ...button };
  const { document } = readDocument(documentOf([{ arrange: 'row', gap: 20, children: [entry] }]));
  const { findings } = checkDocument(document!, {
    resources: { fonts },
    screens: [makeScreen({ width: 800, height: 600 })],
  });
  return findings.filter(({ check }) => check === 'empty-control').map(({ widget }) => widget);
}

test('free places among several of one line are meant: they have a box and a label, and say nothing', () => {
  const all = ['lot-1', 'lot-2', 'lot-3'];
  const label = 'Slot {index}';
  expect(empty({ look, label })).toEqual([]);
  const number: WidgetSource = { kind: 'text', text: '{index}', gone: '{index > 1}' };
  expect(empty({ look, label, children: [number] })).toEqual([]);
  // Without a box nobody sees one, without a label nobody hears of it; a text that is empty is one that is lacking.
  expect(empty({ label })).toEqual(all);
  expect(empty({ look })).toEqual(all);
  expect(empty({ look, label, text: ' ' })).toEqual(all);
  // One by itself is no place among others.
  expect(empty({ look, label: 'Go', repeat: 1 })).toEqual(['lot-1']);
});
