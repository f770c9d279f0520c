import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveView, PointerInput, noPointers, pointerAfter, pointerStates, type PointerEvent } from 'pimbot';
import { documentOf, opened } from '../support/views.ts';

const source = documentOf(
  [
    { id: 'go', kind: 'button', style: 'key', size: 40 },
    { id: 'stay', kind: 'button', style: 'key', size: 40, offset: '60 0' },
    { id: 'off', kind: 'button', style: 'key', size: 40, offset: '120 0', states: 'disabled' },
  ],
  {
    styles: {
      key: { background: '#000', states: { hover: { background: '#111' }, pressed: { background: '#222' } } },
    },
  },
);

function played(...events: (readonly [PointerEvent['type'], number, PointerEvent['device']?, number?])[]) {
  const live = new LiveView(opened(source), { width: 400, height: 100 });
  const input = new PointerInput(live);
  const heard = events.flatMap(([type, x, device = 'mouse', pointer = 1]) =>
    input.hear({ type, pointer, device, x, y: 20 }).map((one) => `${one.type} ${one.control}`),
  );
  const states = (id: string) => live.widgets[live.indexOf(id)]!.states;
  return { heard, go: states('go'), stay: states('stay'), live, input };
}

describe('a pointer', () => {
  test('hovers, presses and clicks', () => {
    expect(played(['move', 20])).toMatchObject({ heard: ['enter go'], go: ['hover'] });
    expect(played(['move', 20], ['down', 20])).toMatchObject({ go: ['hover', 'pressed'] });
    expect(played(['move', 20], ['down', 20], ['up', 20])).toMatchObject({
      heard: ['enter go', 'press go', 'release go', 'click go'],
      go: ['hover'],
    });
    expect(played(['move', 20], ['move', 80])).toMatchObject({
      heard: ['enter go', 'leave go', 'enter stay'],
      go: [],
      stay: ['hover'],
    });
  });

  test('pressed on one and let go elsewhere is no click; what is held looks pressed while the pointer is on it', () => {
    const away = played(['down', 20], ['move', 80]);
    expect(away).toMatchObject({ go: [], stay: [] });
    expect(played(['down', 20], ['move', 80], ['move', 20])).toMatchObject({ go: ['hover', 'pressed'] });
    expect(played(['down', 20], ['move', 80], ['up', 80])).toMatchObject({
      heard: ['enter go', 'press go', 'leave go', 'enter stay', 'release go'],
      stay: ['hover'],
    });
    expect(played(['down', 20], ['cancel', 20]).heard).toEqual([
      'enter go',
      'press go',
      'leave go',
      'release go',
    ]);
  });

  test('a finger does not hover, and is gone when it is lifted; each has a press of its own', () => {
    expect(played(['down', 20, 'touch'])).toMatchObject({ go: ['pressed'] });
    expect(played(['down', 20, 'touch'], ['up', 20, 'touch'])).toMatchObject({
      heard: ['enter go', 'press go', 'release go', 'click go', 'leave go'],
      go: [],
    });
    const both = played(['down', 20, 'touch', 1], ['down', 80, 'touch', 2], ['up', 20, 'touch', 1]);
    expect(both).toMatchObject({ go: [], stay: ['pressed'] });
  });

  test('a disabled control refuses, and looks as before', () => {
    const { heard, live } = played(['move', 140], ['down', 140], ['up', 140]);
    expect(heard).toEqual(['refused off']);
    expect(live.widgets[live.indexOf('off')]!.states).toEqual(['disabled']);
  });

  test('states of the game stay beside those of pointers', () => {
    const { live, input } = played(['move', 20]);
    live.setStates('go', ['focused']);
    expect(live.widgets[live.indexOf('go')]!.states).toEqual(['focused', 'hover']);
    input.hear({ type: 'out', pointer: 1, device: 'mouse', x: 0, y: 0 });
    expect(live.widgets[live.indexOf('go')]!.states).toEqual(['focused']);
  });

  test('whatever happens, nothing is left hovered, held or pressed when all pointers are gone', () => {
    const event = fc.record({
      type: fc.constantFrom(
        'move' as const,
        'down' as const,
        'up' as const,
        'cancel' as const,
        'out' as const,
      ),
      pointer: fc.integer({ min: 1, max: 3 }),
      device: fc.constantFrom('mouse' as const, 'pen' as const, 'touch' as const),
      x: fc.constant(0),
      y: fc.constant(0),
    });
    const hit = fc.constantFrom(
      undefined,
      { widget: 'a', control: 'a', isDisabled: false },
      { widget: 'b', control: 'b', isDisabled: true },
      { widget: 'c', control: undefined, isDisabled: false },
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(event, hit), { maxLength: 40 }), (events) => {
        const balance = { over: 0, held: 0, clicks: 0 };
        let state = noPointers;
        const step = (one: PointerEvent, under: Parameters<typeof pointerAfter>[2]) => {
          const after = pointerAfter(state, one, under);
          state = after.state;
          for (const { type } of after.effects) {
            if (type === 'enter') balance.over++;
            if (type === 'leave') balance.over--;
            if (type === 'press') balance.held++;
            if (type === 'release') balance.held--;
          }
        };
        for (const [one, under] of events) step(one, under);
        for (const pointer of [1, 2, 3])
          step({ type: 'out', pointer, device: 'mouse', x: 0, y: 0 }, undefined);
        expect(pointerStates(state).size).toBe(0);
        expect(state).toEqual([]);
        expect(balance.over).toBe(0);
        expect(balance.held).toBe(0);
      }),
    );
  });
});
