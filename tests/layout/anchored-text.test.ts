import { describe, expect, test } from '@jest/globals';
import { LiveView, type WidgetSource } from 'pimbot';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, laidOut, opened } from '../support/views.ts';

/* Texts anchored to another widget: where they wrap (docs/layout-model.md 3.4 and 3.6). */

const words = 'The Meridian lies here';
const alone: WidgetSource = { kind: 'text', text: words, look: { 'font-size': 20 } };
const text = (more: Partial<WidgetSource>): WidgetSource => ({
  ...alone,
  'id': 'name',
  'anchor-to': 'mark',
  ...more,
});
const mark = (more: Partial<WidgetSource>): WidgetSource => ({
  id: 'mark',
  size: 30,
  anchor: 'left top',
  ...more,
});

/** The width of the text by itself. */
const natural = laidOut([{ ...alone, id: 'name' }]).rect('name').width;

describe('a text beside a small widget', () => {
  test('is as wide as it needs, on each side of it', () => {
    for (const more of [
      { anchor: 'right center', pivot: 'left center' },
      { anchor: 'left center', pivot: 'right center' },
      { anchor: 'bottom', pivot: 'top' },
      { anchor: 'right top', pivot: 'left bottom' },
    ]) {
      const on = laidOut([mark({ offset: '500 300' }), text(more)]);
      expect([more, on.rect('name').width]).toEqual([more, natural]);
    }
  });

  test('wraps where it would leave what it is in', () => {
    const on = (offset: string) =>
      laidOut([mark({ offset }), text({ anchor: 'right', pivot: 'left' })]).rect('name');
    const near = on('860 300');
    expect(near.x).toBe(890);
    expect(near.x + near.width).toBeLessThanOrEqual(1000);
    expect(near.width).toBeLessThan(natural);
    expect(near.height).toBeGreaterThan(on('100 300').height);
  });

  test('wraps at the padding of a panel, and by what that is scrolled over', () => {
    const panel = (more: Partial<WidgetSource>): WidgetSource => ({
      id: 'panel',
      size: '300 200',
      padding: '0 40',
      children: [mark({ offset: '100 20' }), text({ anchor: 'right', pivot: 'left' })],
      ...more,
    });
    expect(laidOut([panel({})]).rect('name')).toMatchObject({ x: 170, width: expect.closeTo(90, 0) });
  });
});

const none = { x: 0, y: 0, width: 0, height: 0 };

test('resized and changed in any order, it is where a view opened anew has it', () => {
  const next = random(seedOf(20261131));
  const anchors = ['right', 'left', 'bottom', 'top', 'center', 'right bottom'];
  const pick = <One>(some: readonly One[]) => some[Math.floor(next() * some.length)]!;
  for (let nth = 0; nth < rounds(40, 400); nth++) {
    const inner: readonly WidgetSource[] = [
      mark({ anchor: pick(anchors), offset: ['{x}', Math.round(next() * 40)] }),
      text({ anchor: pick(anchors), pivot: pick(anchors), text: '{words}' }),
    ];
    const panel: WidgetSource = {
      id: 'panel',
      anchor: 'center',
      size: ['60%', 200],
      padding: Math.round(next() * 30),
      children: inner,
    };
    const children = next() < 0.5 ? inner : [panel];
    const view = (x: number, said: string) =>
      opened(documentOf(children, { cases: { only: { x, words: said } } }));
    let [x, said, width] = [10, words, 600];
    const live = new LiveView(view(x, said), { width: 600, height: 400 });
    for (let step = 0; step < 6; step++) {
      if (next() < 0.6) live.resize({ width: (width = Math.round(100 + next() * 900)), height: 400 });
      if (next() < 0.5) live.set({ x: (x = Math.round(next() * 200 - 50)) });
      if (next() < 0.5) live.set({ words: (said = words.slice(0, 3 + Math.floor(next() * 19))) });
      const fresh = view(x, said).layoutOn({ width, height: 400 });
      for (const id of ['mark', 'name'])
        expect([nth, step, id, live.read(id, { ...none })]).toEqual([nth, step, id, { ...fresh.rect(id) }]);
    }
  }
});
