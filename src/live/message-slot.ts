/* A place where messages take turns. Pure: the same events in the same order give the same states on every machine. */

/** What a game wants to say. */
export interface Message {
  readonly text: string;
  /** One with the same key that is shown or waits is replaced by it. */
  readonly key?: string;
  /** The higher one comes first; 0 if left out. */
  readonly priority?: number;
  /** The least and the most time it is shown, in milliseconds; those of the slot if left out. */
  readonly least?: number;
  readonly most?: number;
}

/** How a slot takes messages. */
export interface SlotRules {
  /** How many are shown at a time; 1 if left out. */
  readonly places?: number;
  /** In milliseconds: 2000 and without end if left out. */
  readonly least?: number;
  readonly most?: number;
  /** What a message does when all places are taken: it waits, or replaces the one of least priority, if that is no higher than its own. */
  readonly full?: 'queue' | 'replace';
  /** How a screen reader announces it (WAI-ARIA 1.2, aria-live); polite if left out. */
  readonly live?: 'off' | 'polite' | 'assertive';
}

/** A message that is shown, and since how many milliseconds. */
export interface Shown {
  readonly message: Message;
  readonly since: number;
}

export interface SlotState {
  /** In the order in which they came to be shown. */
  readonly shown: readonly Shown[];
  /** The next one first. */
  readonly waiting: readonly Message[];
}

export type SlotEvent =
  | { readonly type: 'say'; readonly message: Message }
  /** Takes back what is shown or waits under a key. */
  | { readonly type: 'unsay'; readonly key: string }
  /** So many milliseconds have gone by. */
  | { readonly type: 'time'; readonly ms: number };

export const emptySlot: SlotState = { shown: [], waiting: [] };

/** The state of a slot after an event. The given state is not changed. */
export function slotAfter(state: SlotState, event: SlotEvent, rules: SlotRules = {}): SlotState {
  if (event.type === 'time') return filled(aged(state, event.ms, rules), rules);
  if (event.type === 'unsay') return filled(without(state, event.key), rules);
  const { message } = event;
  if (message.key !== undefined) {
    const at = state.shown.findIndex((one) => one.message.key === message.key);
    // What is said again is news: it has its time anew, in the place it had.
    if (at >= 0)
      return { ...state, shown: state.shown.map((one, nth) => (nth === at ? { message, since: 0 } : one)) };
    state = without(state, message.key);
  }
  if (rules.full === 'replace' && state.shown.length >= placesOf(rules)) {
    const least = state.shown.reduce((low, one) =>
      priorityOf(one.message) < priorityOf(low.message) ? one : low,
    );
    if (priorityOf(least.message) > priorityOf(message)) return state;
    const shown = [...state.shown.filter((one) => one !== least), { message, since: 0 }];
    return { ...state, shown };
  }
  const before = state.waiting.findIndex((one) => priorityOf(one) < priorityOf(message));
  const at = before < 0 ? state.waiting.length : before;
  return filled(
    { ...state, waiting: [...state.waiting.slice(0, at), message, ...state.waiting.slice(at)] },
    rules,
  );
}

/** The messages that are newly shown from one state to the next: to be read out as the slot's `live` says. */
export function newlyShown(before: SlotState, after: SlotState): Message[] {
  const known = new Set(before.shown.map(({ message }) => message));
  return after.shown.flatMap(({ message }) => (known.has(message) ? [] : [message]));
}

function placesOf({ places = 1 }: SlotRules): number {
  return places;
}

function priorityOf({ priority = 0 }: Message): number {
  return priority;
}

function without(state: SlotState, key: string): SlotState {
  return {
    shown: state.shown.filter(({ message }) => message.key !== key),
    waiting: state.waiting.filter((message) => message.key !== key),
  };
}

/** Whoever has been there long enough goes. */
function aged(state: SlotState, ms: number, rules: SlotRules): SlotState {
  const shown = state.shown
    .map(({ message, since }) => ({ message, since: since + ms }))
    .filter(({ message, since }) => since < (message.most ?? rules.most ?? Infinity));
  return { ...state, shown };
}

/** Those who wait take free places, and those of messages that have had their least time and are no more than they. */
function filled(state: SlotState, rules: SlotRules): SlotState {
  const shown = [...state.shown];
  const waiting = [...state.waiting];
  while (waiting.length > 0) {
    if (shown.length < placesOf(rules)) {
      shown.push({ message: waiting.shift()!, since: 0 });
      continue;
    }
    const next = waiting[0]!;
    const over = shown.findIndex(
      ({ message, since }) =>
        // Whatever is shown is seen for a moment.
        since > 0 &&
        since >= (message.least ?? rules.least ?? 2000) &&
        priorityOf(message) <= priorityOf(next),
    );
    if (over < 0) break;
    shown.splice(over, 1);
    shown.push({ message: waiting.shift()!, since: 0 });
  }
  return { shown, waiting };
}
