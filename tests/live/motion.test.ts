import { describe, expect, test } from '@jest/globals';
import { Hits, LiveDrawing, LiveView, readDocument, type DocumentSource } from 'pimbot';
import { documentOf, opened, told } from '../support/views.ts';

const source: DocumentSource = documentOf(
  [
    { id: 'go', kind: 'button', style: 'key', size: [100, 40] },
    { id: 'slow', kind: 'button', style: 'key', look: { transition: 'none' }, size: 10, offset: '0 60' },
    { id: 'bar', kind: 'meter', value: '{hull}', look: { transition: 'value 100ms linear' }, offset: '0 90' },
    {
      id: 'drawer',
      offset: ['{x}', 200],
      size: ['{w}', 50],
      rotate: '{turn}' as never,
      look: { opacity: '{fade}', scale: '{grown}', transition: 'all 200ms linear' },
      children: [{ id: 'in', kind: 'text', text: 'Depth' }],
    },
  ],
  {
    cases: { only: { hull: 0, x: 0, w: 100, turn: 0, fade: 1, grown: 1 } },
    styles: {
      key: {
        background: '#000000',
        color: '#000000',
        transition: 'background 100ms linear, color 100ms linear 100ms',
        states: { hover: { background: '#c86432', color: '#ffffff' } },
      },
    },
  },
);

const live = () => new LiveView(opened(source), { width: 800, height: 600 });
const red = (view: LiveView, id = 'go') => {
  const { background } = view.widgets[view.indexOf(id)]!.look;
  return background?.type === 'color' ? Math.round(background.color.r * 255) : undefined;
};
const widget = (view: LiveView, id: string) => view.widgets[view.indexOf(id)]!;

describe('transitions (CSS Transitions 1)', () => {
  test('a look goes from one state to the other in its time, and no further', () => {
    const view = live();
    view.setStates('go', ['hover']);
    expect(red(view)).toBe(0);
    expect(view.advance(25)).toBe(true);
    expect(red(view)).toBe(50);
    // The text waits for its delay.
    expect(widget(view, 'go').look.color.r).toBe(0);
    view.advance(75);
    expect(red(view)).toBe(200);
    view.advance(50);
    expect(widget(view, 'go').look.color.r).toBeCloseTo(0.5, 9);
    view.advance(1000);
    expect(widget(view, 'go').look.color.r).toBe(1);
    expect(view.advance(16)).toBe(false);
  });

  test('what turns back on its way starts from where it is', () => {
    const view = live();
    view.setStates('go', ['hover']);
    view.advance(50);
    expect(red(view)).toBe(100);
    view.setStates('go', []);
    expect(red(view)).toBe(100);
    view.advance(50);
    expect(red(view)).toBe(50);
    view.advance(50);
    expect(red(view)).toBe(0);
  });

  test('places, sizes, turns, opacities and values too', () => {
    const view = live();
    view.set({ hull: 1, x: 100, w: 200, turn: 90, fade: 0, grown: 1.4 });
    const at = { x: 0, y: 0, width: 0, height: 0 };
    expect(view.read('drawer', at)).toEqual({ x: 0, y: 200, width: 100, height: 50 });
    expect(widget(view, 'bar').value).toBe(0);
    view.advance(50);
    expect(widget(view, 'bar').value).toBe(0.5);
    expect(view.read('drawer', at)).toEqual({ x: 25, y: 200, width: 125, height: 50 });
    expect(widget(view, 'drawer').look.opacity).toBe(0.75);
    expect(widget(view, 'drawer').look.scale).toBeCloseTo(1.1, 9);
    expect(widget(view, 'drawer').source).toMatchObject({ rotate: 22.5 });
    view.advance(150);
    expect(view.read('drawer', at)).toEqual({ x: 100, y: 200, width: 200, height: 50 });
    expect(widget(view, 'drawer').look.opacity).toBe(0);
    expect(widget(view, 'bar').value).toBe(1);
  });

  test('the same times give the same bytes, however they are cut', () => {
    const [one, other] = [live(), live()];
    for (const view of [one, other]) view.set({ hull: 0.7, x: 33, w: 150, turn: 20, fade: 0.3 });
    for (let turn = 0; turn < 32; turn++) one.advance(4);
    for (let turn = 0; turn < 8; turn++) other.advance(16);
    const all = (view: LiveView) =>
      JSON.stringify(view.widgets.map(({ look, value, box }) => [look, value, box]));
    expect(all(one)).toBe(all(other));
  });

  test('reduced motion has everything arrive at once; so has a widget that says none', () => {
    const view = live();
    view.setStates('slow', ['hover']);
    expect(red(view, 'slow')).toBe(200);
    view.setStates('go', ['hover']);
    view.motion = 'reduced';
    expect(red(view)).toBe(200);
    view.set({ x: 300 });
    expect(view.read('drawer', { x: 0, y: 0, width: 0, height: 0 }).x).toBe(300);
    expect(() => view.advance(NaN)).toThrow('a view moves on by milliseconds, not by NaN');
  });

  test('what is none is told', () => {
    const wrong = (transition: string) => told(readDocument(documentOf([{ size: 1, look: { transition } }])));
    expect(wrong('background 120')).toEqual([expect.stringContaining('a key, a time and an easing')]);
    expect(wrong('shape 120ms')).toHaveLength(1);
    expect(wrong('opacity 0.2s cubic-bezier(2, 0, 0, 1)')).toHaveLength(1);
    expect(wrong('opacity 0.2s cubic-bezier(0.2, -1, 0, 1.5), offset 1s steps')).toHaveLength(1);
    expect(wrong('opacity 0.2s cubic-bezier(0.2, -1, 0, 1.5), offset 1s')).toEqual([]);
    expect(wrong('none')).toEqual([]);
  });
});

describe('coming and going', () => {
  const come = 'visible 100ms linear';
  const plate = { background: '#336699' };
  const shown = (entries: readonly string[] = ['wax']) => {
    const view = new LiveView(
      opened(
        documentOf(
          [
            {
              id: 'panel',
              visible: '{open}',
              size: 100,
              look: { ...plate, opacity: 0.8, transition: come },
              children: [{ id: 'in', kind: 'button', text: 'Go', size: 60, look: plate }],
            },
            {
              id: 'note',
              gone: '{away}',
              size: 50,
              offset: '0 200',
              look: { ...plate, transition: come },
            },
            {
              id: 'belt',
              arrange: 'row',
              offset: '0 300',
              children: [
                {
                  id: 'slot',
                  repeat: '{entries}',
                  key: 'name',
                  size: 40,
                  look: { ...plate, transition: come },
                },
              ],
            },
          ],
          { cases: { only: { open: true, away: false, entries: entries.map((name) => ({ name })) } } },
        ),
      ),
      { width: 800, height: 600 },
    );
    return { view, drawing: new LiveDrawing(view), hits: new Hits(view) };
  };
  const drawn = (drawing: LiveDrawing, view: LiveView, id: string) => {
    const index = view.find(id);
    const own = drawing
      .update()
      .operations.filter((one) => 'widget' in one && one.type !== 'group' && one.widget === index);
    return own.length > 0;
  };
  const opacity = (view: LiveView, id = 'panel') => widget(view, id).look.opacity;

  test('what is hidden goes out of sight in its time, with all in it, and takes no input any more', () => {
    const { view, drawing, hits } = shown();
    expect(hits.at(30, 30)?.widget).toBe('in');
    view.set({ open: false });
    expect([widget(view, 'panel').visible, widget(view, 'in').visible]).toEqual([false, false]);
    expect(hits.at(30, 30)?.widget).not.toBe('in');
    expect([opacity(view), drawn(drawing, view, 'panel'), drawn(drawing, view, 'in')]).toEqual([
      0.8,
      true,
      true,
    ]);
    view.advance(50);
    expect(opacity(view)).toBeCloseTo(0.4, 9);
    expect(drawn(drawing, view, 'in')).toBe(true);
    expect(drawing.update().operations.find(({ type }) => type === 'group')).toMatchObject({
      opacity: expect.closeTo(0.4, 9),
    });
    view.advance(50);
    expect([opacity(view), drawn(drawing, view, 'panel'), drawn(drawing, view, 'in')]).toEqual([
      0.8,
      false,
      false,
    ]);
    expect(view.advance(16)).toBe(false);
    const fresh = new LiveView(view.toView(), { width: 800, height: 600 });
    expect(JSON.stringify(view.widgets)).toBe(JSON.stringify(fresh.widgets));
    expect(JSON.stringify(drawing.update().operations)).toBe(
      JSON.stringify(new LiveDrawing(fresh).update().operations),
    );
  });

  test('what is shown again on its way turns back from where it is', () => {
    const { view, drawing } = shown();
    view.set({ open: false });
    view.advance(75);
    view.set({ open: true });
    expect(opacity(view)).toBeCloseTo(0.2, 9);
    expect(drawn(drawing, view, 'in')).toBe(true);
    view.advance(50);
    expect(opacity(view)).toBeCloseTo(0.5, 9);
    view.set({ open: false });
    view.advance(50);
    expect(opacity(view)).toBeCloseTo(0.25, 9);
    view.set({ open: true });
    view.advance(100);
    expect([opacity(view), widget(view, 'in').visible]).toEqual([0.8, true]);
  });

  test('what was gone, and entries that come, come into sight; those that stay do not', () => {
    const { view, drawing } = shown();
    expect([opacity(view, 'note'), opacity(view, 'slot-wax')]).toEqual([1, 1]);
    view.set({ away: true });
    view.advance(100);
    expect(view.find('note')).toBeUndefined();
    view.set({ away: false, entries: [{ name: 'lamp' }, { name: 'wax' }] });
    expect(opacity(view, 'note')).toBe(opacity(view, 'slot-lamp'));
    expect([opacity(view, 'note') < 0.001, opacity(view, 'note') > 0, opacity(view, 'slot-wax')]).toEqual([
      true,
      true,
      1,
    ]);
    view.advance(25);
    expect([opacity(view, 'note'), opacity(view, 'slot-lamp')]).toEqual([0.25, 0.25]);
    expect(drawn(drawing, view, 'slot-lamp')).toBe(true);
    view.set({ entries: [{ name: 'wax' }] });
    view.advance(100);
    expect(view.find('slot-lamp')).toBeUndefined();
    expect(view.advance(1)).toBe(false);
  });

  test('what becomes gone, and entries that leave, go out of sight where they stand; then others move up', () => {
    const { view, drawing, hits } = shown();
    const list = (...names: string[]) => names.map((name) => ({ name }));
    const left = (id: string) => view.read(id, { x: 0, y: 0, width: 0, height: 0 }).x;
    view.set({ entries: list('lamp', 'wax', 'rope') });
    view.advance(100);
    expect(left('slot-rope')).toBe(80);
    view.set({ away: true, entries: list('lamp', 'rope', 'tar') });
    // Nothing finds it any more, but it is drawn, and everybody stands where they did.
    expect([widget(view, 'note').visible, widget(view, 'slot-wax').visible]).toEqual([false, false]);
    expect(hits.at(60, 320)?.widget).toBe('belt');
    expect(view.widgets.map(({ id }) => id).filter((id) => id.startsWith('slot'))).toEqual([
      'slot-lamp',
      'slot-wax',
      'slot-rope',
      'slot-tar',
    ]);
    view.advance(50);
    expect([opacity(view, 'note'), opacity(view, 'slot-wax'), left('slot-rope')]).toEqual([0.5, 0.5, 80]);
    expect([drawn(drawing, view, 'note'), drawn(drawing, view, 'slot-wax')]).toEqual([true, true]);
    // One comes back midway, and stays the same widget.
    const note = view.nodeOf('note');
    view.set({ away: false });
    expect([view.nodeOf('note') === note, widget(view, 'note').visible, opacity(view, 'note')]).toEqual([
      true,
      true,
      0.5,
    ]);
    view.advance(50);
    expect([view.find('slot-wax'), left('slot-rope'), left('slot-tar')]).toEqual([undefined, 40, 80]);
    view.advance(100);
    expect([opacity(view, 'note'), view.advance(1)]).toEqual([1, false]);
    // A list that changes while one leaves, the same one in another place, and all of them at once.
    view.set({ entries: list('rope', 'tar') });
    view.set({ entries: list('tar', 'lamp', 'rope') });
    view.advance(25);
    view.set({ entries: [] });
    expect(view.widgets.filter(({ id, visible }) => id.startsWith('slot') && visible)).toEqual([]);
    view.advance(100);
    expect(view.widgets.filter(({ id }) => id.startsWith('slot'))).toEqual([]);
    expect(view.advance(1)).toBe(false);
  });

  test('what it is in goes out of sight first, or motion is reduced: then it is no more at once', () => {
    const { view } = shown();
    view.set({ entries: [] });
    expect(view.find('slot-wax')).toBeDefined();
    view.motion = 'reduced';
    expect(view.find('slot-wax')).toBeUndefined();
    view.set({ entries: [{ name: 'wax' }] });
    view.set({ entries: [] });
    expect(view.find('slot-wax')).toBeUndefined();
  });

  test('reduced motion has it come and go at once', () => {
    const { view, drawing } = shown();
    view.set({ open: false });
    view.motion = 'reduced';
    expect(drawn(drawing, view, 'in')).toBe(false);
    view.set({ open: true, entries: [{ name: 'rope' }] });
    expect([opacity(view), opacity(view, 'slot-rope')]).toEqual([0.8, 1]);
  });

  test('what goes is out of sight at once where all around it is', () => {
    const view = new LiveView(
      opened(
        documentOf(
          [
            {
              id: 'outer',
              visible: '{outer}',
              size: 300,
              children: [
                {
                  id: 'inner',
                  visible: '{inner}',
                  size: 100,
                  look: { ...plate, transition: come },
                  children: [{ id: 'deep', size: 20, look: plate }],
                },
              ],
            },
          ],
          { cases: { only: { outer: true, inner: true } } },
        ),
      ),
      { width: 800, height: 600 },
    );
    const drawing = new LiveDrawing(view);
    view.set({ inner: false });
    view.advance(20);
    expect([drawn(drawing, view, 'inner'), drawn(drawing, view, 'deep')]).toEqual([true, true]);
    view.set({ outer: false });
    expect([drawn(drawing, view, 'inner'), drawn(drawing, view, 'deep')]).toEqual([false, false]);
    expect(view.advance(16)).toBe(false);
  });
});
