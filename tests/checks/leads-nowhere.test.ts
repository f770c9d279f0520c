import { expect, test } from '@jest/globals';
import { findScreen, readDocument, type WidgetSource } from 'pimbot';
import { checkDocument, sentenceOf } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

const screens = [findScreen('desktop')!];

const log: WidgetSource = {
  id: 'log',
  scroll: 'y',
  arrange: 'column',
  anchor: 'center',
  size: [300, 200],
  children: [{ kind: 'text', text: 'Depth 412', height: 600 }],
};
const hint: WidgetSource = {
  id: 'hint',
  kind: 'tooltip',
  text: 'Water comes in',
  anchor: 'left top',
  visible: '{tells}',
  offset: ['{x}', '{y}'],
};

const button: WidgetSource = {
  id: 'b',
  kind: 'button',
  text: 'Sink',
  anchor: 'left top',
  offset: [20, 20],
};
const between: WidgetSource = { id: 'p', anchor: 'left..right top', height: 40 };
const plain: WidgetSource = { id: 'p', anchor: 'left top', offset: [20, 20], size: 40 };

/** What is said of names that lead nowhere, in a case that gives `to`. */
function astray(to: string, ...widgets: readonly WidgetSource[]): string[] {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    cases: { only: { to, tells: false, x: 0, y: 0, rows: [{ name: 'one' }, { name: 'two' }] } },
    components: { lamp: { params: { by: 'name' }, children: [{ ...plain, 'anchor-to': '{by}' }] } },
    views: { v: { backdrop: '#000000', children: [log, hint, ...widgets] } },
  });
  expect(diagnostics).toEqual([]);
  const { findings } = checkDocument(document!, { resources: { fonts }, screens });
  const ours = findings.filter(({ check }) => check === 'leads-nowhere');
  return ours.map((one) => `${sentenceOf(one)} | ${one.pointer} | ${one.reasons[0]!.text}`);
}

const ofThe = (widget: WidgetSource) => [widget, '/views/v/children/2'] as const;

test.each([
  [
    ...ofThe({ ...button, tooltip: '{to}' }),
    'hnt',
    'names "hnt" as its tooltip, which is not there',
    '/tooltip',
    'its tooltip is "hnt"; there is "hint"',
  ],
  [
    ...ofThe({ ...button, tooltip: '{to}' }),
    'log',
    'names "log" as its tooltip, which is no tooltip',
    '/tooltip',
    'its tooltip is "log"',
  ],
  [
    ...ofThe({ ...plain, 'anchor-to': '{to}' }),
    'nobody',
    'names "nobody" as its anchor-to, which is not there',
    '/anchor-to',
    'its anchor-to is "nobody"',
  ],
  [
    ...ofThe({ ...between, 'anchor-to': '{to}' }),
    'log..away',
    'names "away" as its anchor-to, which is not there',
    '/anchor-to',
    'its anchor-to is "away"',
  ],
  [
    ...ofThe({ ...plain, kind: 'scrollbar', controls: '{to}' }),
    'hint',
    'names "hint" as its controls, which does not scroll',
    '/controls',
    'its controls is "hint"',
  ],
  [
    ...ofThe({ ...plain, 'shows-more': 'bottom', 'controls': '{to}' }),
    'lug',
    'names "lug" as its controls, which is not there',
    '/controls',
    'its controls is "lug"; there is "log"',
  ],
])('%j in %s with %j', (widget, pointer, to, sentence, key, reason) => {
  expect(astray(to, widget)).toEqual([`${sentence} | ${pointer}${key} | ${reason}`]);
});

test('an entry of a list that is shorter now, and the parameter of an instance', () => {
  const rows: WidgetSource = { id: 'row', repeat: '{rows}', anchor: 'right top', size: 20 };
  expect(astray('', rows, { ...plain, 'anchor-to': 'row-2' })).toEqual([]);
  expect(astray('', rows, { ...plain, 'anchor-to': 'row-3' })).toEqual([
    'names "row-3" as its anchor-to, which is not there | /views/v/children/3/anchor-to | its anchor-to is "row-3"; there is "row-1"',
  ]);
  const lamp = (by: string) => ({
    id: 'l',
    use: 'lamp',
    by,
    anchor: 'left bottom',
    size: 60,
  });
  expect(astray('', lamp('log'))).toEqual([]);
  expect(astray('', lamp('lag'))).toHaveLength(1);
});

test('two names of one key are told of each', () => {
  const told = astray('gone..away', { ...between, 'anchor-to': '{to}' });
  expect(told.map((one) => one.replace(/ \|.*/, '')).sort()).toEqual([
    'names "away" as its anchor-to, which is not there',
    'names "gone" as its anchor-to, which is not there',
  ]);
});

test('what is there or hidden, and a name that is nobody on purpose', () => {
  expect(astray('hnt', { ...button, tooltip: '{to}', visible: false })).toEqual([]);
  expect(astray('hint', { ...button, tooltip: '{to}' })).toEqual([]);
  expect(astray('', { ...button, tooltip: '{to}' })).toEqual([]);
  expect(astray('log', { ...plain, 'anchor-to': '{to}' })).toEqual([]);
  expect(astray('log..hint', { ...between, 'anchor-to': '{to}' })).toEqual([]);
  expect(astray('log', { ...plain, kind: 'scrollbar', controls: '{to}' })).toEqual([]);
});
