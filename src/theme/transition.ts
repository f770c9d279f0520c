/** How a change takes time (CSS Transitions 1 §2). */
export interface Transition {
  /** What it is of; `all` of everything that can change over time but `visible`. */
  readonly key: TransitionKey | 'all';
  /** In milliseconds. */
  readonly duration: number;
  readonly delay: number;
  /** x1, y1, x2 and y2 of CSS Easing Functions 1 §2.3. */
  readonly ease: Ease;
}

export type Ease = readonly [x1: number, y1: number, x2: number, y2: number];

/** What can change over time: keys of a look, and of a widget its place, size, turn, value and whether it is seen. */
export const transitionKeys = [
  'background',
  'color',
  'border',
  'radius',
  'image-tint',
  'trail-color',
  'handle-color',
  'opacity',
  'scale',
  'offset',
  'size',
  'rotate',
  'value',
  'visible',
] as const;
export type TransitionKey = (typeof transitionKeys)[number];

const eases: { readonly [name: string]: Ease } = {
  'linear': [0, 0, 1, 1],
  'ease': [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};

/** More milliseconds than this are no transition. */
const longest = 60_000;

/** What parseTransitions reads. */
export const transitionNotation =
  'a key, a time and an easing such as "background 120ms ease-out", several with commas, or none';

/** Reads `background 120ms ease-out, opacity 0.2s`; undefined where it is none. */
export function parseTransitions(text: string): readonly Transition[] | undefined {
  if (text.trim() === 'none') return [];
  const found: Transition[] = [];
  // The commas of cubic-bezier(…) part nothing.
  for (const part of text.split(/,(?![^(]*\))/)) {
    const one = parseOne(part.trim());
    if (!one) return undefined;
    found.push(one);
  }
  return found;
}

function parseOne(text: string): Transition | undefined {
  let key: Transition['key'] = 'all';
  let ease = eases.ease!;
  const times: number[] = [];
  for (const word of text.match(/[a-z-]+\([^)]*\)|\S+/g) ?? []) {
    const time = /^(\d*\.?\d+)(ms|s)$/.exec(word);
    const named = Object.hasOwn(eases, word) ? eases[word] : bezierOf(word);
    if (time) times.push(Number(time[1]) * (time[2] === 's' ? 1000 : 1));
    else if (named) ease = named;
    else if (word === 'all' || (transitionKeys as readonly string[]).includes(word))
      key = word as Transition['key'];
    else return undefined;
  }
  const [duration, delay = 0] = times;
  if (duration === undefined || times.length > 2 || duration > longest || delay > longest) return undefined;
  return { key, duration, delay, ease };
}

function bezierOf(word: string): Ease | undefined {
  const [, inside] = /^cubic-bezier\(([^)]*)\)$/.exec(word) ?? [];
  const numbers = inside?.split(',').map(Number);
  if (numbers?.length !== 4 || !numbers.every(Number.isFinite)) return undefined;
  const [x1, , x2] = numbers as [number, number, number, number];
  if (x1 < 0 || x1 > 1 || x2 < 0 || x2 > 1) return undefined;
  return numbers as unknown as Ease;
}

/** How far a change is when a share of its time has gone by, from 0 to 1 and a little beyond (CSS Easing Functions 1 §2.3). */
export function eased([x1, y1, x2, y2]: Ease, share: number): number {
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  // A straight line is its own share, to the last bit.
  if (x1 === y1 && x2 === y2) return share;
  // The curve's x goes up all the way: halving finds where it is the share.
  let low = 0;
  let high = 1;
  for (let turn = 0; turn < 40; turn++) {
    const middle = (low + high) / 2;
    if (bezier(x1, x2, middle) < share) low = middle;
    else high = middle;
  }
  return bezier(y1, y2, (low + high) / 2);
}

function bezier(first: number, second: number, at: number): number {
  const rest = 1 - at;
  return 3 * rest * rest * at * first + 3 * rest * at * at * second + at * at * at;
}
