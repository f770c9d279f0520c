import { describe, expect, test } from '@jest/globals';
import {
  LiveView,
  drawLayout,
  openView,
  readDocument,
  type DocumentSource,
  type WidgetSource,
  withPaths,
} from 'pimbot';
import { documentOf, fonts, laidOut, numbers, opened } from '../support/views.ts';

describe('entries of a repeat', () => {
  const row: WidgetSource = {
    id: 'row',
    arrange: 'column',
    children: [{ id: 'slot', repeat: '{crew}', key: 'name', kind: 'text', text: '{name}' }],
  };
  const crew = (...names: string[]) => names.map((name) => ({ name }));
  const ids = (names: readonly string[]) =>
    laidOut([row], undefined, { cases: { typical: { crew: crew(...names) } } })
      .widgets.slice(2)
      .map(({ id }) => id);

  test('keep their id by a key, wherever they stand', () => {
    expect(ids(['Ida', 'Mo'])).toEqual(['slot-Ida', 'slot-Mo']);
    expect(ids(['Mo', 'Ida'])).toEqual(['slot-Mo', 'slot-Ida']);
  });

  test('a key that comes twice or has other letters than ids is made one', () => {
    expect(ids(['Ida', 'Ida', 'Saint Barnacle'])).toEqual(['slot-Ida', 'slot-Ida-2', 'slot-Saint-Barnacle']);
  });

  test('a state stays with its entry when others come and go', () => {
    const live = new LiveView(
      opened(JSON.stringify(documentOf([row], { cases: { typical: { crew: crew('Ida', 'Mo') } } }))),
      { width: 300, height: 200 },
    );
    live.setStates('slot-Mo', ['selected']);
    live.set({ crew: crew('Bo', 'Ida', 'Mo') });
    const states = live.widgets.map(({ id, states: its }) => [id, its.join()]);
    expect(states).toContainEqual(['slot-Mo', 'selected']);
    expect(states).toContainEqual(['slot-Bo', '']);
  });
});

describe('what an instance changes of a look', () => {
  const source: DocumentSource = {
    pimbot: 1,
    components: {
      sign: {
        look: { background: '#111111', border: '2 #222222' },
        children: [{ id: 't', kind: 'text', text: 'Dock', look: { 'color': '#333333', 'font-size': 40 } }],
      },
    },
    views: {
      v: {
        children: [
          {
            id: 's',
            use: 'sign',
            look: { background: '#444444' },
            set: { t: { look: { color: '#555555' } } },
          },
        ],
      },
    },
  };
  const view = openView(readDocument(source).document!, 'v', { resources: { fonts } });

  test('goes over that of the component key by key', () => {
    const [, sign, text] = view.layoutOn({ width: 800, height: 600 }).widgets;
    expect([sign!.look.borderWidth, text!.look.fontSize]).toEqual([2, 40]);
    expect(sign!.look.background).toMatchObject({ color: { r: 0x44 / 255 } });
    expect(text!.look.color.r).toBeCloseTo(0x55 / 255, 9);
  });
});

describe('what kinds start from', () => {
  test('a button is as large as its words and 16 and 8 u round them, which stand in the middle', () => {
    const plain = numbers(laidOut([{ id: 't', kind: 'text', text: 'Dive' }]), 't');
    const [, , width, height] = numbers(laidOut([{ id: 't', kind: 'button', text: 'Dive' }]), 't');
    expect([width, height]).toEqual([expect.closeTo(plain[2] + 32, 6), expect.closeTo(plain[3] + 16, 6)]);
    // A size that is said is that of the words as well.
    const said = laidOut([{ id: 't', kind: 'button', text: 'Dive', size: [200, 60] }]);
    const text = withPaths(drawLayout(said)).operations.find(({ type }) => type === 'path');
    const xs =
      text?.type === 'path'
        ? text.steps.flatMap(({ values }) => values.filter((_, nth) => nth % 2 === 0))
        : [];
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(100, -1);
  });

  test('a separator is seen: 2 u in the colour of the text around, fainter', () => {
    const on = laidOut([
      {
        id: 'c',
        arrange: 'column',
        width: 90,
        look: { color: '#ff0000' },
        children: [{ id: 's', kind: 'separator' }],
      },
    ]);
    expect(numbers(on, 's')).toEqual([0, 0, 90, 2]);
    expect(on.widgets[2]!.look.background).toEqual({ type: 'color', color: { r: 1, g: 0, b: 0, a: 0.4 } });
    const own = laidOut([{ id: 's', kind: 'separator', size: 9, look: { background: 'transparent' } }]);
    expect(own.widgets[1]!.look.background).toMatchObject({ color: { a: 0 } });
  });
});
