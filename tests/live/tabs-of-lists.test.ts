import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveDrawing, LiveView, ViewInput, formatDiagnostic, openView, readDocument } from 'pimbot';
import type { DocumentSource } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { expectAlike } from '../support/drawn.ts';
import { fonts } from '../support/views.ts';

/* Tabs and pages with an entry for each of a list, beside some that are always there. */

const style = 'plate';
const source = {
  pimbot: 1,
  reference: { size: '800x600' },
  styles: { plate: { background: '#336699', states: { selected: { background: '#ffcc55' } } } },
  cases: { only: { page: 'page-a', wares: [{ key: 'a' }, { key: 'b' }], hides: false } },
  views: {
    test: {
      children: [
        {
          id: 'bar',
          kind: 'tabs',
          page: '{page}',
          children: [
            { id: 'all', kind: 'button', style, size: 20, controls: 'start', gone: '{hides}' },
            {
              id: 'ware',
              kind: 'button',
              style,
              repeat: '{wares}',
              key: 'key',
              controls: 'page-{key}',
              size: 20,
            },
          ],
        },
        {
          id: 'body',
          arrange: 'pages',
          page: '{page}',
          size: 300,
          anchor: 'center',
          children: [
            { id: 'start', style, gone: '{hides}' },
            { id: 'page', style, repeat: '{wares}', key: 'key', children: [{ id: 'in', style, size: 9 }] },
            { id: 'end', style },
          ],
        },
      ],
    },
  },
} as unknown as DocumentSource;
const { document, diagnostics } = readDocument(source);
const screen = { width: 800, height: 600 };
const keys = ['a', 'b', 'c', 'd'];
const opened = (values = {}) =>
  new LiveView(openView(document!, 'test', { resources: { fonts }, values }), screen);

/** Which tabs are selected, and which pages are seen. */
const shown = (live: LiveView) =>
  live.widgets
    .filter(({ parent, selected, visible }) => {
      const outer = live.widgets[parent]?.id;
      return outer === 'bar' ? selected : outer === 'body' && visible;
    })
    .map(({ id }) => id);

test('the page that is named is shown, one alone, and its tab is selected', () => {
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  expect(shown(opened())).toEqual(['ware-a', 'page-a']);
  expect(shown(opened({ page: 'page-b' }))).toEqual(['ware-b', 'page-b']);
  // One that is not there, or no more: the first.
  expect(shown(opened({ page: 'page-x' }))).toEqual(['all', 'start']);
  expect(shown(opened({ page: 'start', hides: true }))).toEqual(['ware-a', 'page-a']);
});

test('a click on the tab of an entry shows its page', () => {
  const live = opened();
  const input = new ViewInput(live);
  input.focus('ware-b');
  input.hear({ type: 'key-down', key: 'Enter' });
  input.hear({ type: 'key-up', key: 'Enter' });
  expect(shown(live)).toEqual(['ware-b', 'page-b']);
});

test('entries that come and go, and pages that turn, leave a view that is the same as a new one', () => {
  const step = fc.record(
    {
      wares: fc.shuffledSubarray(keys).map((some) => some.map((key) => ({ key }))),
      page: fc.constantFrom('start', 'end', ...keys.map((key) => `page-${key}`)),
      hides: fc.boolean(),
    },
    { requiredKeys: [] },
  );
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (steps) => {
      const live = opened();
      const drawing = new LiveDrawing(live);
      drawing.update();
      for (const set of steps) {
        live.set(set);
        live.advance(0);
        const fresh = opened(Object.assign({}, ...steps.slice(0, steps.indexOf(set) + 1)) as object);
        expect(shown(live)).toEqual(shown(fresh));
        expect(shown(live).filter((id) => !id.startsWith('ware') && id !== 'all')).toHaveLength(1);
        expectAlike(drawing.update(), new LiveDrawing(fresh).update());
      }
    }),
    { numRuns: rounds(60, 2000), seed: seedOf(43) },
  );
});

test('what an entry is chosen by may follow from a value', () => {
  const { document: read, diagnostics: told } = readDocument({
    pimbot: 1,
    cases: { only: { picked: 'red', first: 'red', second: 'blue' } },
    views: {
      test: {
        children: [
          {
            id: 'group',
            kind: 'radiogroup',
            selection: '{picked}',
            children: [
              { id: 'one', kind: 'button', size: 40, controls: '{first}' },
              { id: 'two', kind: 'button', size: 40, controls: '{second}' },
            ],
          },
        ],
      },
    },
  });
  expect(told.map(formatDiagnostic)).toEqual([]);
  const live = new LiveView(openView(read!, 'test', { resources: { fonts } }), screen);
  const selected = () => live.widgets.filter((one) => one.selected).map(({ id }) => id);
  expect(selected()).toEqual(['one']);
  live.set({ first: 'green', second: 'red' });
  live.advance(0);
  expect(selected()).toEqual(['two']);
});
