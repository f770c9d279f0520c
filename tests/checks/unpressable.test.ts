import { expect, test } from '@jest/globals';
import { findScreen, readDocument, type Screen, type WidgetSource } from 'pimbot';
import { checkDocument, sentenceOf } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

const desktop: Screen = findScreen('desktop')!;
const key: WidgetSource = { id: 'b', kind: 'button', text: 'Sink' };
const off = { 'pointer-events': 'none' } as const;

function deaf(children: readonly WidgetSource[], on: Screen = desktop): string[] {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    cases: { only: { takes: 'none' } },
    views: { v: { backdrop: '#000000', children } },
  });
  expect(diagnostics).toEqual([]);
  const { findings } = checkDocument(document!, { resources: { fonts }, screens: [on] });
  return findings
    .filter(({ check }) => check === 'unpressable')
    .map((one) => `${one.widget} ${sentenceOf(one)} | ${one.reasons[0]!.pointer}`);
}

test('a control that takes no input, or is in what takes none', () => {
  expect(deaf([{ ...key, ...off }])).toEqual([
    'b can be pressed by no pointer: b takes no input | /views/v/children/0/pointer-events',
  ]);
  expect(deaf([{ id: 'p', ...off, children: [{ size: 200, children: [key] }] }])).toEqual([
    'b can be pressed by no pointer: p takes no input | /views/v/children/0/pointer-events',
  ]);
  expect(deaf([{ ...key, ...off }], { ...desktop, inputs: ['touch'] })).toHaveLength(1);
});

const quiet: Readonly<Record<string, readonly WidgetSource[]>> = {
  'one that takes it again': [{ ...off, children: [{ ...key, 'pointer-events': 'auto' }] }],
  'while the game fades it': [{ 'pointer-events': '{takes}' as 'none', 'children': [key] }],
  'disabled': [{ ...key, ...off, states: 'disabled' }],
  'hidden': [{ ...key, ...off, visible: false }],
  'a flash over all': [{ ...off, anchor: 'left..right top..bottom', look: { background: '#ffffff20' } }, key],
};

test.each(Object.keys(quiet))('nothing of %s', (name) => {
  expect(deaf(quiet[name]!)).toEqual([]);
});

test('nothing where nobody points', () => {
  expect(deaf([{ ...key, ...off }], { ...desktop, inputs: ['pad'] })).toEqual([]);
});
