import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { InputEvent } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

const source = documentOf(
  [
    { id: 'go', kind: 'button', style: 'key', size: 40 },
    { id: 'stay', kind: 'button', style: 'key', size: 40, offset: '60 0' },
    { id: 'off', kind: 'button', style: 'key', size: 40, offset: '120 0', states: 'disabled' },
    {
      id: 'bag',
      offset: '0 100',
      arrange: 'row',
      gap: 8,
      children: [{ id: 'slot', repeat: '{items}', key: 'item', kind: 'button', size: 40, draggable: true }],
    },
  ],
  {
    styles: {
      key: { background: '#000', states: { hover: { background: '#111' }, pressed: { background: '#222' } } },
    },
    cases: { only: { items: ['wax', 'lamp', 'rope'] } },
  },
);

const pressing = ['enter', 'leave', 'press', 'release', 'click', 'double-click', 'long-press', 'refused'];
const player = () => new Player(source);
const touch = (type: 'down' | 'move' | 'up', x: number, pointer = 1): InputEvent => ({
  type,
  pointer,
  device: 'touch',
  x,
  y: 20,
});

describe('a pointer', () => {
  test('hovers, presses and clicks', () => {
    const one = player().move(20, 20);
    expect(one.told(...pressing)).toEqual(['enter go']);
    expect(one.states('go')).toEqual(['hover']);
    one.down(20, 20);
    expect(one.states('go')).toEqual(['hover', 'pressed']);
    one.up(20, 20);
    expect(one.told(...pressing)).toEqual(['press go', 'release go', 'click go']);
    expect(one.states('go')).toEqual(['hover']);
    one.move(80, 20);
    expect(one.told(...pressing)).toEqual(['leave go', 'enter stay']);
    expect([one.states('go'), one.states('stay')]).toEqual([[], ['hover']]);
  });

  test('pressed on one and let go elsewhere is no click; what is held looks pressed while the pointer is on it', () => {
    const one = player().down(20, 20).move(80, 20);
    expect([one.states('go'), one.states('stay')]).toEqual([[], []]);
    one.move(20, 20);
    expect(one.states('go')).toEqual(['hover', 'pressed']);
    one.move(80, 20).up(80, 20);
    expect(one.told('click')).toEqual([]);
    expect(one.states('stay')).toEqual(['hover']);
    const other = player().down(20, 20);
    other.hear({ type: 'cancel', pointer: 1, device: 'mouse', x: 20, y: 20 });
    expect(other.told(...pressing)).toEqual(['enter go', 'press go', 'leave go', 'release go']);
  });

  test('a finger does not hover, and is gone when it is lifted; each has a press of its own', () => {
    const one = player().hear(touch('down', 20));
    expect(one.states('go')).toEqual(['pressed']);
    one.hear(touch('up', 20));
    expect(one.told(...pressing)).toEqual(['enter go', 'press go', 'release go', 'click go', 'leave go']);
    expect(one.states('go')).toEqual([]);
    one.hear(touch('down', 20, 1), touch('down', 80, 2), touch('up', 20, 1));
    expect([one.states('go'), one.states('stay')]).toEqual([[], ['pressed']]);
  });

  test('a disabled control refuses, and looks as before', () => {
    const one = player().move(140, 20).down(140, 20).up(140, 20);
    expect(one.told(...pressing)).toEqual(['refused off']);
    expect(one.states('off')).toEqual(['disabled']);
  });

  test('twice in half a second is a double click, held for half a second a long press, of which somebody may let go', () => {
    const one = player().click('go').wait(300).click('go');
    expect(one.told('click', 'double-click')).toEqual(['click go', 'click go', 'double-click go']);
    one.wait(2000).click('go').wait(600).click('go');
    expect(one.told('double-click')).toEqual([]);
    one.down(20, 20).wait(400);
    expect(one.told('long-press')).toEqual([]);
    one.wait(200).wait(900);
    expect(one.told('long-press')).toEqual(['long-press go']);
    one.up(20, 20);
    expect(one.told('click')).toEqual(['click go']);
    one.down(20, 20).wait(600);
    one.effects.push(...one.input.letGo('go'));
    one.up(20, 20);
    expect(one.told('click', 'release')).toEqual(['release go']);
  });

  test('states of the game stay beside those of pointers', () => {
    const one = player().move(20, 20);
    one.live.setStates('go', ['selected']);
    expect(one.states('go')).toEqual(['selected', 'hover']);
    one.hear({ type: 'out', pointer: 1, device: 'mouse', x: 0, y: 0 });
    expect(one.states('go')).toEqual(['selected']);
  });

  test('what is draggable is taken along from a way on, is not clicked, and is let go over another', () => {
    const one = player();
    const [from, to] = [one.middle('slot-wax'), one.middle('slot-rope')];
    one.down(from.x, from.y).move(from.x + 2, from.y);
    expect(one.told('drag-start')).toEqual([]);
    one.move(from.x + 10, from.y).move(to.x, to.y);
    expect(one.effects.at(-1)).toEqual({
      type: 'drag',
      widget: 'slot-wax',
      pointer: 1,
      ...to,
      byX: to.x - from.x,
      byY: 0,
    });
    one.up(to.x, to.y);
    expect(one.told('drag-start', 'drag-end', 'drop', 'click')).toEqual([
      'drag-start slot-wax',
      'drag-end slot-wax',
      'drop slot-wax',
    ]);
  });

  test('what the game takes away is neither hovered nor held any more, and what comes under a still pointer is hovered', () => {
    const one = player();
    const { x, y } = one.middle('slot-wax');
    one.move(x, y).down(x, y);
    one.live.set({ items: ['lamp'] });
    one.wait(16);
    expect(one.told('leave', 'release', 'enter')).toEqual([
      'enter slot-wax',
      'leave slot-wax',
      'release slot-wax',
      'enter slot-lamp',
    ]);
    one.up(x, y);
    expect(one.told('click')).toEqual([]);
    expect(one.states('slot-lamp')).toEqual(['hover']);
  });

  test('effects go to those who listen from the inside out, until one stops them', () => {
    const one = player();
    const heard: string[] = [];
    const end = one.input.listen('slot-wax', ({ type }) => void heard.push(`slot ${type}`));
    one.input.listen('bag', ({ type }) => {
      heard.push(`bag ${type}`);
      return type === 'press' ? 'stop' : undefined;
    });
    one.input.listen('', ({ type }) => void heard.push(`all ${type}`));
    one.click('slot-wax');
    const pressed = heard.filter((text) => /press|click/.test(text));
    expect(pressed).toEqual(['slot press', 'bag press', 'slot click', 'bag click', 'all click']);
    end();
    heard.length = 0;
    one.click('slot-wax');
    expect(heard.some((text) => text.startsWith('slot'))).toBe(false);
  });
});

describe('whatever happens', () => {
  // Where most of it is, and beside.
  const place = {
    x: fc.constantFrom(-5, 15, 20, 60, 70, 80, 140, 160, 300),
    y: fc.constantFrom(10, 20, 70, 90, 95, 110, 150, 200),
  };
  const event: fc.Arbitrary<InputEvent> = fc.oneof(
    {
      weight: 6,
      arbitrary: fc.record({
        type: fc.constantFrom(
          'move' as const,
          'down' as const,
          'up' as const,
          'cancel' as const,
          'out' as const,
        ),
        pointer: fc.integer({ min: 1, max: 3 }),
        device: fc.constantFrom('mouse' as const, 'pen' as const, 'touch' as const),
        ...place,
      }),
    },
    {
      weight: 1,
      arbitrary: fc.record({
        type: fc.constant('wheel' as const),
        ...place,
        deltaX: fc.integer({ min: -90, max: 90 }),
        deltaY: fc.integer({ min: -90, max: 90 }),
      }),
    },
    {
      weight: 4,
      arbitrary: fc.record({
        type: fc.constantFrom('key-down' as const, 'key-up' as const),
        key: fc.constantFrom(
          'Tab',
          'Enter',
          ' ',
          'Escape',
          'ArrowLeft',
          'ArrowRight',
          'ArrowUp',
          'ArrowDown',
          'Home',
          'End',
          'PageDown',
          'a',
          'Backspace',
        ),
        shift: fc.boolean(),
      }),
    },
    {
      weight: 2,
      arbitrary: fc.record({
        type: fc.constantFrom('pad-down' as const, 'pad-up' as const),
        button: fc.integer({ min: 0, max: 16 }),
      }),
    },
    {
      weight: 1,
      arbitrary: fc.record({
        type: fc.constant('stick' as const),
        stick: fc.constantFrom('left' as const, 'right' as const),
        x: fc.double({ min: -1, max: 1, noNaN: true }),
        y: fc.double({ min: -1, max: 1, noNaN: true }),
      }),
    },
    {
      weight: 1,
      arbitrary: fc.record({ type: fc.constant('text' as const), text: fc.string({ maxLength: 4 }) }),
    },
    {
      weight: 3,
      arbitrary: fc.record({ type: fc.constant('time' as const), ms: fc.integer({ min: 0, max: 700 }) }),
    },
  );
  const change = fc.record({
    items: fc.subarray(['wax', 'lamp', 'rope', 'hook']),
    asks: fc.boolean(),
    warns: fc.boolean(),
    page: fc.constantFrom('one', 'two'),
  });
  const everything = documentOf(
    [
      ...(source.views.test!.children ?? []),
      {
        id: 'list',
        offset: '150 60',
        size: '60 60',
        scroll: 'y',
        arrange: 'column',
        children: [{ id: 'row', repeat: 9, kind: 'button', size: '50 30' }],
      },
      { id: 'loud', kind: 'slider', value: '{loud}', offset: '0 60', width: 120, height: 20 },
      { id: 'name', kind: 'textbox', text: '{name}', offset: '0 80', width: 120, height: 20 },
      { id: 'on', kind: 'checkbox', checked: '{on}', offset: '130 60' },
      {
        id: 'tabs',
        kind: 'tabs',
        page: '{page}',
        offset: '0 140',
        children: [
          { id: 'one', kind: 'button', size: 20 },
          { id: 'two', kind: 'button', size: 20 },
        ],
      },
      {
        id: 'warning',
        kind: 'dialog',
        visible: '{warns}',
        size: 60,
        z: 1,
        offset: '40 40',
        children: [{ id: 'heed', kind: 'button', size: 30 }],
      },
      {
        id: 'sure',
        kind: 'dialog',
        visible: '{asks}',
        size: 60,
        children: [{ id: 'yes', kind: 'button', size: 30 }],
      },
    ],
    {
      ...source,
      cases: {
        only: { items: ['wax'], loud: 0.5, name: 'Ida', on: false, page: 'one', asks: false, warns: false },
      },
    },
  );

  test('nothing throws, nothing is left hovered, held or pressed, and the same events give the same effects', () => {
    let count = 0;
    fc.assert(
      fc.property(
        fc.array(fc.oneof({ weight: 9, arbitrary: event }, { weight: 1, arbitrary: change }), {
          minLength: 30,
          maxLength: 120,
        }),
        (events) => {
          const run = () => {
            const one = new Player(everything);
            const balance = new Map<string, number>();
            const heard: unknown[] = [];
            for (const step of events) {
              if (!('type' in step)) {
                one.live.set(step);
                continue;
              }
              const effects = one.input.hear(step);
              heard.push(...effects);
              for (const effect of effects) {
                count++;
                if (
                  effect.type !== 'enter' &&
                  effect.type !== 'leave' &&
                  effect.type !== 'press' &&
                  effect.type !== 'release'
                )
                  continue;
                const key = `${effect.type === 'enter' || effect.type === 'leave' ? 'over' : 'held'} ${effect.control}`;
                balance.set(
                  key,
                  (balance.get(key) ?? 0) + (effect.type === 'enter' || effect.type === 'press' ? 1 : -1),
                );
              }
              const { focused } = one.input;
              if (focused !== undefined) {
                const widget = one.live.widgets[one.live.indexOf(focused)]!;
                expect([focused, widget.visible, widget.states.includes('disabled')]).toEqual([
                  focused,
                  true,
                  false,
                ]);
              }
            }
            const last: InputEvent[] = [
              ...[1, 2, 3].map((pointer) => ({ type: 'out', pointer, device: 'mouse', x: 0, y: 0 }) as const),
              ...[' ', 'Enter'].map((key) => ({ type: 'key-up', key }) as const),
              { type: 'pad-up', button: 0 },
              { type: 'time', ms: 16 },
            ];
            for (const step of last)
              for (const effect of one.input.hear(step)) {
                if (effect.type === 'leave')
                  balance.set(`over ${effect.control}`, balance.get(`over ${effect.control}`)! - 1);
                if (effect.type === 'release')
                  balance.set(`held ${effect.control}`, balance.get(`held ${effect.control}`)! - 1);
              }
            for (const { id, states } of one.live.widgets)
              expect([id, states.filter((state) => state === 'hover' || state === 'pressed')]).toEqual([
                id,
                [],
              ]);
            expect([...balance].filter(([, left]) => left !== 0)).toEqual([]);
            return JSON.stringify(heard);
          };
          expect(run()).toBe(run());
        },
      ),
      { numRuns: rounds(100, 5000), seed: seedOf(17) },
    );
    expect(count).toBeGreaterThan(3000);
  });
});
