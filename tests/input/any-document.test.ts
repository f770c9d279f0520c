import { expect, test } from '@jest/globals';
import { Hits, LiveView, ViewInput, openView, readDocument, type InputEffect, type InputEvent } from 'pimbot';
import { Chance, rightDocuments, valuesOfAny } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';

/* What a player may do to a view of a document by chance, while the game goes on. */

type Deed = (live: LiveView, input: ViewInput) => readonly InputEffect[] | string;

const keys = 'Tab Enter Escape ArrowUp ArrowDown ArrowLeft ArrowRight Home End PageDown Backspace a'.split(
  ' ',
);

/** An event by chance, more often on a widget than beside all. */
function anyEvent(live: LiveView, by: Chance): InputEvent {
  const { x, y, width, height } = live.snapshot().layout.pixelRect(by.pick(live.widgets).index);
  const at = by.is(0.7)
    ? { x: x + width * by.pick([0.1, 0.5, 0.9]), y: y + height * by.pick([0.1, 0.5, 0.9]) }
    : { x: by.whole(-90, 900), y: by.whole(-90, 700) };
  const pointer = { pointer: by.whole(1, 2), device: by.pick(['mouse', 'touch'] as const), ...at };
  return by.pick<() => InputEvent>([
    () => ({ type: 'move', ...pointer }),
    () => ({ type: 'down', ...pointer }),
    () => ({ type: by.pick(['up', 'up', 'up', 'cancel', 'out']), ...pointer }),
    () => ({ type: 'wheel', ...at, deltaX: by.pick([0, 40]), deltaY: by.pick([-80, 120]) }),
    () => ({ type: by.pick(['key-down', 'key-down', 'key-up']), key: by.pick(keys), shift: by.is(0.2) }),
    () => ({ type: by.pick(['pad-down', 'pad-up']), button: by.pick([0, 1, 12, 13, 14, 15]) }),
    () => ({ type: 'text', text: 'wax' }),
    () => ({ type: 'time', ms: by.pick([16, 100, 600]) }),
  ])();
}

function anyDeed(live: LiveView, by: Chance): Deed {
  if (by.is(0.85)) {
    const event = anyEvent(live, by);
    return (_, input) => input.hear(event);
  }
  const name = by.pick(Object.keys(valuesOfAny));
  const values = { [name]: by.pick(valuesOfAny[name]!) };
  const screen = by.pick([
    { width: 800, height: 600 },
    { width: 1280, height: 720 },
  ] as const);
  const toScreen = by.is(0.2);
  return (one) => {
    try {
      if (toScreen) one.resize(screen);
      else one.set(values as Parameters<typeof one.set>[0]);
      return 'done';
    } catch (error) {
      expect((error as Error).name).toBe('BuildError');
      return (error as Error).message;
    }
  };
}

/** What is entered, pressed or dragged is left, released and let go once, and only then; the focus comes from where it was. */
function isInOrder(
  effects: readonly InputEffect[],
  open: Set<string>,
  focus: { on: string | undefined },
): boolean {
  return effects.every((one) => {
    const start = { 'enter': 1, 'press': 1, 'drag-start': 1, 'leave': 0, 'release': 0, 'drag-end': 0 }[
      one.type as 'enter'
    ];
    if (one.type === 'focus') {
      const { on } = focus;
      focus.on = one.control;
      return one.from === on;
    }
    if (start === undefined) return true;
    const { control, widget, pointer } = one as { control?: string; widget?: string; pointer?: number };
    const kind = { enter: 'in', leave: 'in', press: 'on', release: 'on' }[one.type as 'enter'] ?? 'by';
    const key = `${kind} ${control ?? widget} ${pointer}`;
    if (start === 0) return open.delete(key);
    return !open.has(key) && open.add(key) !== undefined;
  });
}

test('of any document, what players do comes out in order, the same whoever looks on, and is told to who hears it', () => {
  let effects = 0;
  for (const { seed, document } of rightDocuments(seedOf(131), rounds(25, 3000), readDocument)) {
    const by = new Chance(seed + 11);
    const opened = () =>
      new LiveView(openView(document, 'test', { resources: { fonts }, case: 'one' }), {
        width: 800,
        height: 600,
      });
    const [live, unseen] = [opened(), opened()];
    const [input, other] = [new ViewInput(live), new ViewInput(unseen)];
    const open = new Set<string>();
    const focus = { on: input.focused };
    let heard = { version: live.update(), items: input.accessible() };
    for (let step = 0; step < 60; step++) {
      const deed = anyDeed(live, by);
      const told = deed(live, input);
      expect([seed, step, deed(unseen, other)]).toEqual([seed, step, told]);
      if (typeof told !== 'string') {
        effects += told.length;
        expect([seed, step, isInOrder(told, open, focus)]).toEqual([seed, step, true]);
        expect([seed, step, focus.on]).toEqual([seed, step, input.focused]);
      }
      // Who mirrors a view for screen readers looks again where it is another version.
      const now = { version: live.update(), items: input.accessible() };
      if (now.version === heard.version) expect([seed, step, now]).toEqual([seed, step, heard]);
      heard = now;
      const [x, y] = [by.whole(-90, 900), by.whole(-90, 700)];
      expect([seed, step, input.at(x, y)]).toEqual([seed, step, new Hits(live).at(x, y)]);
    }
  }
  expect(effects).toBeGreaterThan(rounds(300, 100_000));
});
