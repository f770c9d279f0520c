import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { emptySlot, newlyShown, slotAfter, type Message, type SlotEvent, type SlotRules } from 'pimbot';

const say = (text: string, more: Partial<Message> = {}): SlotEvent => ({
  type: 'say',
  message: { text, ...more },
});
const time = (ms: number): SlotEvent => ({ type: 'time', ms });

function after(events: readonly SlotEvent[], rules?: SlotRules) {
  let state = emptySlot;
  const heard: string[] = [];
  for (const event of events) {
    const next = slotAfter(state, event, rules);
    heard.push(...newlyShown(state, next).map(({ text }) => text));
    state = next;
  }
  return {
    shown: state.shown.map(({ message }) => message.text),
    waiting: state.waiting.map(({ text }) => text),
    heard,
  };
}

test('messages take turns: each has its least time, and the last one stays', () => {
  const all = [say('Dive'), say('Wax is low')];
  expect(after(all)).toEqual({ shown: ['Dive'], waiting: ['Wax is low'], heard: ['Dive'] });
  expect(after([...all, time(1999)]).shown).toEqual(['Dive']);
  expect(after([...all, time(2000)])).toEqual({
    shown: ['Wax is low'],
    waiting: [],
    heard: ['Dive', 'Wax is low'],
  });
  expect(after([...all, time(2000), time(60_000)]).shown).toEqual(['Wax is low']);
  expect(after([...all, time(2000), time(4000)], { most: 4000 }).shown).toEqual([]);
});

test('the higher priority comes first, and is not pushed out by a lower one', () => {
  const alarm = { priority: 5 };
  expect(after([say('Dive'), say('Mail'), say('Leak', alarm), time(2000)])).toMatchObject({
    shown: ['Leak'],
    waiting: ['Mail'],
  });
  expect(after([say('Leak', alarm), say('Mail'), time(9000)])).toMatchObject({
    shown: ['Leak'],
    waiting: ['Mail'],
  });
  const replace = { full: 'replace' } as const;
  expect(after([say('Mail'), say('Leak', alarm)], replace).shown).toEqual(['Leak']);
  expect(after([say('Leak', alarm), say('Mail')], replace)).toMatchObject({ shown: ['Leak'], waiting: [] });
});

test('what is said again under its key replaces what is shown or waits, and can be taken back', () => {
  const depth = (text: string) => say(text, { key: 'depth' });
  expect(after([depth('400 m'), say('Mail'), depth('410 m')])).toMatchObject({
    shown: ['410 m'],
    waiting: ['Mail'],
  });
  expect(after([say('Mail'), depth('400 m'), depth('410 m')])).toMatchObject({
    shown: ['Mail'],
    waiting: ['410 m'],
  });
  expect(after([say('Mail'), depth('400 m'), { type: 'unsay', key: 'depth' }]).waiting).toEqual([]);
  expect(after([depth('400 m'), say('Mail'), { type: 'unsay', key: 'depth' }]).shown).toEqual(['Mail']);
});

test('whatever happens: never more than there are places, nothing lost, and the same again', () => {
  const message = fc.record({
    text: fc.constantFrom('a', 'b', 'c'),
    priority: fc.integer({ min: 0, max: 2 }),
    least: fc.constantFrom(0, 500, 2000),
  });
  const event = fc.oneof(
    message.map((one) => ({ type: 'say' as const, message: one })),
    fc.integer({ min: 0, max: 3000 }).map((ms) => ({ type: 'time' as const, ms })),
  );
  fc.assert(
    fc.property(fc.array(event, { maxLength: 30 }), fc.integer({ min: 1, max: 3 }), (events, places) => {
      let state = emptySlot;
      let said = 0;
      let heard = 0;
      for (const one of events) {
        const before = JSON.stringify(state);
        const next = slotAfter(state, one, { places });
        expect(JSON.stringify(state)).toBe(before);
        if (one.type === 'say') said++;
        heard += newlyShown(state, next).length;
        state = next;
        expect(state.shown.length).toBeLessThanOrEqual(places);
        // Nobody waits beside a free place.
        expect(state.waiting.length === 0 || state.shown.length === places).toBe(true);
      }
      expect(heard + state.waiting.length).toBe(said);
    }),
  );
});
