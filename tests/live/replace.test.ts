import { expect, test } from '@jest/globals';
import { BuildError, LiveView, type DocumentSource } from 'pimbot';
import { opened as openedAs } from '../support/views.ts';

/* A live view that goes on as another version of its document, as it does when the file is changed while the game runs. */

const screen = { width: 800, height: 600 };
const version = (changes: object, values: object = {}): DocumentSource => ({
  pimbot: 1,
  cases: { typical: { depth: 412, rows: ['a', 'b'], wide: 100, ...values } },
  views: {
    dive: {
      children: [
        { id: 'depth', kind: 'text', text: 'Depth {depth} m' },
        {
          id: 'list',
          arrange: 'column',
          scroll: 'y',
          size: '200 60',
          offset: '0 100',
          children: [
            { id: 'row', repeat: '{rows}', kind: 'button', text: '{item}', width: '{wide}', height: 50 },
          ],
        },
      ],
      ...changes,
    },
  },
});
const opened = (source: DocumentSource) => openedAs(source, { view: 'dive' });
const shown = (live: LiveView) =>
  live.widgets.map(({ id, text }) => [id, text?.text, live.read(id, { x: 0, y: 0, width: 0, height: 0 })]);

test('it keeps what the game has set, states and scroll, and takes everything else from the new version', () => {
  const live = new LiveView(opened(version({})), screen);
  live.set({ depth: 9, rows: ['a', 'b', 'c'] });
  live.setStates('row-2', ['hover']);
  live.scroll('list', 0, 40);
  const other = version({ padding: 20 }, { wide: 140 });
  live.replace(opened(other));
  const fresh = new LiveView(opened(other), screen);
  fresh.set({ depth: 9, rows: ['a', 'b', 'c'] });
  fresh.setStates('row-2', ['hover']);
  fresh.scroll('list', 0, 40);
  expect(shown(live)).toEqual(shown(fresh));
  expect(live.widgets.find(({ id }) => id === 'row-2')!.states).toEqual(['hover']);
  // What only the case said follows the case.
  expect(live.values.get('wide')).toBe(140);
  live.set({ depth: 10 });
  expect(live.widgets.find(({ id }) => id === 'depth')!.text!.text).toBe('Depth 10 m');
});

test('one that the values of the game do not fit is refused, and everything stays', () => {
  const live = new LiveView(opened(version({})), screen);
  live.set({ depth: 'no' });
  const before = shown(live);
  const children = [{ id: 'depth', kind: 'text', text: 'Depth', width: '{depth}' }];
  expect(() => live.replace(opened(version({ children })))).toThrow(BuildError);
  expect(shown(live)).toEqual(before);
  live.set({ depth: 7 });
  expect(live.widgets.find(({ id }) => id === 'depth')!.text!.text).toBe('Depth 7 m');
});

test('a value that nothing shows at the moment is kept as well', () => {
  const hidden = (changes: object) =>
    version({ ...changes, children: [{ id: 'depth', kind: 'text', text: 'Depth {depth} m', gone: true }] });
  const live = new LiveView(opened(hidden({})), screen);
  expect(live.set({ depth: 9 })).toBe(false);
  live.replace(opened(version({})));
  expect(live.widgets.find(({ id }) => id === 'depth')!.text!.text).toBe('Depth 9 m');
});

test('what the game has set stays where the case of the new version says something else, also what that said before', () => {
  const live = new LiveView(opened(version({})), screen);
  expect(live.set({ wide: 100 })).toBe(false);
  live.replace(opened(version({}, { wide: 140 })));
  expect(live.values.get('wide')).toBe(100);
});

test('the states of what is no more in the new version are forgotten, those of the view itself and of the rest are kept', () => {
  const live = new LiveView(opened(version({})), screen);
  live.setStates('dive', ['disabled']);
  live.setStates('depth', ['hover'], 'input');
  live.setStates('row-3', ['selected']);
  const text = { id: 'metres', kind: 'text', text: '{depth}' };
  const children = [text, { id: 'row', repeat: '{rows}', kind: 'button', text: '{item}' }];
  live.replace(opened(version({ children })));
  live.show({ hudSize: 1.1 });
  live.set({ rows: ['a', 'b', 'c'] });
  const states = (id: string) => live.widgets.find((one) => one.id === id)!.states;
  expect([states('dive'), states('metres'), states('row-3')]).toEqual([['disabled'], [], ['selected']]);
  live.replace(opened(version({})));
  expect(states('depth')).toEqual([]);
});
