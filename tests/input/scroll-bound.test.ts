import { describe, expect, test } from '@jest/globals';
import { listWindow } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf, opened } from '../support/views.ts';

describe('a scroll-offset that is bound', () => {
  const list = (bound: number | string) =>
    documentOf(
      [
        {
          'id': 'list',
          'size': [100, 100],
          'scroll': 'y',
          'arrange': 'column',
          'scroll-offset': [0, bound],
          'children': [{ id: 'one', repeat: 20, size: [90, 30], look: { background: '#ffffff' } }],
        },
        { kind: 'text', text: '{at}' },
      ],
      { cases: { only: { at: 0 } } },
    );

  test('follows what players scroll, and scrolls as the game sets it', () => {
    const one = new Player(list('{at}'));
    one.hear({ type: 'wheel', x: 50, y: 50, deltaX: 0, deltaY: 60 }).wait(500);
    expect(one.live.values.get('at')).toBe(one.live.scrolled('list').y);
    expect(one.live.scrolled('list').y).toBeGreaterThan(30);
    expect(one.told('scroll').length).toBeGreaterThan(0);
    one.live.set({ at: 200 });
    expect(one.live.scrolled('list').y).toBe(200);
    one.swipe([50, 90], [50, 70], [50, 50]).wait(16);
    expect(one.live.values.get('at')).toBe(one.live.scrolled('list').y);
    expect(one.live.scrolled('list').y).toBeGreaterThan(200);
    // However it got there, it is what the same values say of a view opened anew.
    one.wait(5000);
    const at = one.live.values.get('at') as number;
    const fresh = opened(list(at)).layoutOn({ width: 600, height: 400 });
    for (const id of ['list', 'one-1', 'one-7', 'one-20'])
      expect(one.live.read(id, { x: 0, y: 0, width: 0, height: 0 })).toEqual(fresh.rect(id));
  });

  test('stays as it is where the game sets values itself', () => {
    const one = new Player(list('{at}'), undefined, { sets: false });
    one.hear({ type: 'wheel', x: 50, y: 50, deltaX: 0, deltaY: 60 }).wait(500);
    expect(one.live.values.get('at')).toBe(0);
    expect(one.live.scrolled('list').y).toBeGreaterThan(30);
  });
});

test('an endless list shows its entries over and over, whichever way and however far it is flung', () => {
  const [count, each, shown, turns] = [5, 40, 120, 2001];
  const one = new Player(
    documentOf(
      [
        {
          'id': 'list',
          'size': [100, shown],
          'scroll': 'y',
          'arrange': 'column',
          'scroll-offset': [0, '{at}'],
          'children': [
            { id: 'before', height: '{before}' },
            { id: 'entry', repeat: '{rows}', key: 'nth', size: [90, each], look: { background: '#ffffff' } },
            { id: 'after', height: '{after}' },
          ],
        },
      ],
      { cases: { only: { at: 0, before: 0, after: 0, rows: [{ nth: 0 }] } } },
    ),
  );
  const build = () => {
    const { from, to, before, after } = listWindow({
      count,
      each,
      at: one.live.scrolled('list').y,
      shown,
      turns,
    });
    const rows = Array.from({ length: to - from }, (_, nth) => ({ nth: from + nth }));
    one.live.set({ rows, before, after });
  };
  build();
  one.live.scroll('list', 0, Math.floor(turns / 2) * count * each);
  build();
  one.input.listen('list', ({ type }) => {
    if (type === 'scroll') build();
  });
  const seen = new Set<number>();
  let [least, most] = [Infinity, 0];
  for (let turn = 0; turn < 120; turn++) {
    // Far one way, then further the other.
    const way = turn < 40 ? -1 : 1;
    one.swipe([50, 60], [50, 60 + 30 * way], [50, 60 + 55 * way]).wait(400);
    const { y } = one.live.scrolled('list');
    [least, most] = [Math.min(least, y), Math.max(most, y)];
    const rects = one.live.widgets.flatMap(({ id, index }) =>
      id.startsWith('entry') ? [{ id, ...one.live.now.on.layout.rect(index) }] : [],
    );
    const { x, y: top } = one.live.read('list', { x: 0, y: 0, width: 0, height: 0 });
    expect(x).toBe(0);
    // What one sees is full of entries.
    for (let at = top + 1; at < top + shown; at += 7) {
      const hit = rects.find((rect) => at >= rect.y && at < rect.y + rect.height);
      expect([turn, at, hit !== undefined]).toEqual([turn, at, true]);
      seen.add(Number(hit!.id.replace('entry-', '')) % count);
    }
    expect(rects.length).toBeLessThan(12);
  }
  expect([...seen].sort()).toEqual([0, 1, 2, 3, 4]);
  // Many turns past where it began, on both sides.
  const start = Math.floor(turns / 2) * count * each;
  expect(start - least).toBeGreaterThan(10 * count * each);
  expect(most - start).toBeGreaterThan(10 * count * each);
});
