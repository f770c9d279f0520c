import type { InputEvent } from './events.ts';

/** What each event has to say. A pointer that leaves may have no place any more. */
const said: Readonly<Record<InputEvent['type'], Readonly<Record<string, 'number' | 'string'>>>> = {
  'move': { pointer: 'number', x: 'number', y: 'number' },
  'down': { pointer: 'number', x: 'number', y: 'number' },
  'up': { pointer: 'number', x: 'number', y: 'number' },
  'out': { pointer: 'number' },
  'cancel': { pointer: 'number' },
  'wheel': { x: 'number', y: 'number', deltaX: 'number', deltaY: 'number' },
  'key-down': { key: 'string' },
  'key-up': { key: 'string' },
  'pad-down': { button: 'number' },
  'pad-up': { button: 'number' },
  'stick': { stick: 'string', x: 'number', y: 'number' },
  'text': { text: 'string' },
  'time': { ms: 'number' },
};

/** Refuses an event there is not, one that leaves out what it has to say, and a number that is none. @throws RangeError */
export function refuseWrong(event: InputEvent): void {
  const facts = event as unknown as Readonly<Record<string, unknown>>;
  const { type } = event;
  if (!Object.hasOwn(said, type)) throw new RangeError(`there is no input event "${String(type)}"`);
  const needed = said[type];
  for (const key in needed)
    if (typeof facts[key] !== needed[key])
      throw new RangeError(`the input event "${type}" needs ${key}, a ${needed[key]!}`);
  for (const key in facts)
    if (typeof facts[key] === 'number' && !Number.isFinite(facts[key]))
      throw new RangeError(`${key} of the input event "${type}" is ${facts[key]}`);
}
