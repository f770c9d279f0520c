/** A piece of a text that was put in place of another. */
export interface Splice {
  /** Where, in UTF-16 units of the text before it. */
  readonly at: number;
  readonly removed: string;
  readonly inserted: string;
}

interface Step {
  readonly said: string;
  /** In the order they were made, each of the text as the one before left it. */
  readonly splices: readonly Splice[];
  /** False for what came from elsewhere: it is not undone, and the steps before it have to fit around it. */
  readonly own: boolean;
}

/** What was done to a text, to be undone and done again without end. A value: every call gives another one. */
export interface History {
  readonly text: string;
  readonly done: readonly Step[];
  readonly undone: readonly Step[];
}

/** What an undo or redo came to: another history, or the reason why it does not fit any more. */
export type Turned =
  | { readonly history: History; readonly said: string; readonly refused?: undefined }
  | {
      readonly history?: undefined;
      readonly refused: 'nothing' | 'changed elsewhere';
      readonly said: string;
    };

export function newHistory(text: string): History {
  return { text, done: [], undone: [] };
}

/**
 * A change that was made here. What was undone before is gone.
 * @param goesOn Whether it is one with the last change, where that says the same: letters that are typed.
 */
export function withChange(history: History, text: string, said: string, goesOn = false): History {
  if (text === history.text) return history;
  const last = history.done.at(-1);
  if (goesOn && last?.own && last.said === said) {
    const before = {
      text: textBefore(history, history.done.length - 1),
      done: history.done.slice(0, -1),
      undone: [],
    };
    return withChange(before, text, said);
  }
  const step: Step = { said, splices: splicesBetween(history.text, text), own: true };
  return { text, done: [...history.done, step], undone: [] };
}

/** A change that somebody made elsewhere: what was done and undone here stays, as far as it still fits. */
export function withForeignChange(history: History, text: string): History {
  if (text === history.text) return history;
  const step: Step = { said: 'changed elsewhere', splices: splicesBetween(history.text, text), own: false };
  const { undone } = history;
  return { text, done: [...history.done, step], undone: undone.length === 0 ? [] : [...undone, step] };
}

/** Takes the last change that was made here back. */
export function undo(history: History): Turned {
  const { done } = history;
  let last = done.length - 1;
  while (last >= 0 && !done[last]!.own) last--;
  if (last < 0) return { refused: 'nothing', said: '' };
  const step = done[last]!;
  const inverse = inverseOf(step.splices);
  const moved = past(inverse, done.slice(last + 1));
  if (!moved || !fits(history.text, moved)) return { refused: 'changed elsewhere', said: step.said };
  const text = applied(history.text, moved);
  // What came from elsewhere after it stays, and stands where it stands without the step.
  const later = splicesBetween(applied(textBefore(history, last + 1), inverse), text);
  const rest: Step[] = later.length === 0 ? [] : [{ said: 'changed elsewhere', splices: later, own: false }];
  return {
    history: {
      text,
      done: [...done.slice(0, last), ...rest],
      undone: [...history.undone, { said: step.said, splices: inverseOf(moved), own: true }],
    },
    said: step.said,
  };
}

/** Does again what was last undone. */
export function redo(history: History): Turned {
  const { undone } = history;
  let last = undone.length - 1;
  const foreign: Step[] = [];
  while (last >= 0 && !undone[last]!.own) foreign.unshift(undone[last--]!);
  if (last < 0) return { refused: 'nothing', said: '' };
  const step = undone[last]!;
  const moved = past(step.splices, foreign);
  if (!moved || !fits(history.text, moved)) return { refused: 'changed elsewhere', said: step.said };
  const text = applied(history.text, moved);
  // Of what else was undone, all has to fit around what came from elsewhere.
  const left = [...undone.slice(0, last), ...foreign];
  return {
    history: {
      text,
      done: [...history.done, { said: step.said, splices: moved, own: true }],
      undone: left.some(({ own }) => own) ? left : [],
    },
    said: step.said,
  };
}

/** The text as it was after so many steps. */
function textBefore({ text, done }: History, count: number): string {
  let before = text;
  for (let at = done.length - 1; at >= count; at--) before = applied(before, inverseOf(done[at]!.splices));
  return before;
}

function inverseOf(splices: readonly Splice[]): Splice[] {
  return splices.map(({ at, removed, inserted }) => ({ at, removed: inserted, inserted: removed })).reverse();
}

function applied(text: string, splices: readonly Splice[]): string {
  let now = text;
  for (const { at, removed, inserted } of splices)
    now = now.slice(0, at) + inserted + now.slice(at + removed.length);
  return now;
}

function fits(text: string, splices: readonly Splice[]): boolean {
  let now = text;
  for (const splice of splices) {
    if (now.slice(splice.at, splice.at + splice.removed.length) !== splice.removed) return false;
    now = applied(now, [splice]);
  }
  return true;
}

/** Splices as they are after others that came later; undefined where both touch the same place. */
function past(splices: readonly Splice[], steps: readonly Step[]): Splice[] | undefined {
  let others: Splice[] = steps.flatMap((step) => step.splices);
  const result: Splice[] = [];
  for (const splice of splices) {
    let at = splice.at;
    const next: Splice[] = [];
    let own = { start: splice.at, end: splice.at + splice.removed.length };
    for (const other of others) {
      const end = other.at + other.removed.length;
      if (end < own.start || (end === own.start && own.start !== other.at)) {
        const by = other.inserted.length - other.removed.length;
        at += by;
        own = { start: own.start + by, end: own.end + by };
        next.push(other);
      } else if (other.at > own.end || (other.at === own.end && own.end !== own.start))
        next.push({ ...other, at: other.at + splice.inserted.length - splice.removed.length });
      else return undefined;
    }
    result.push({ ...splice, at });
    others = next;
  }
  return result;
}

/** The lines that differ, as pieces put in place of others: first to last, each of the text as the one before left it. */
export function splicesBetween(before: string, after: string): Splice[] {
  if (before === after) return [];
  const [old, now] = [lines(before), lines(after)];
  const found: Splice[] = [];
  let at = 0;
  for (const { same, from, to } of matched(old, now)) {
    const removed = old.slice(from.start, from.end).join('');
    const inserted = now.slice(to.start, to.end).join('');
    if (removed !== inserted) found.push(trimmed({ at, removed, inserted }));
    at += inserted.length + same.length;
  }
  return found;
}

/** Without what both have at their start and end. */
function trimmed({ at, removed, inserted }: Splice): Splice {
  const most = Math.min(removed.length, inserted.length);
  let start = 0;
  while (start < most && removed[start] === inserted[start]) start++;
  let end = 0;
  while (end < most - start && removed.at(-1 - end) === inserted.at(-1 - end)) end++;
  return {
    at: at + start,
    removed: removed.slice(start, removed.length - end),
    inserted: inserted.slice(start, inserted.length - end),
  };
}

function lines(text: string): string[] {
  return text.split(/(?<=\n)/);
}

interface Matched {
  readonly from: { readonly start: number; readonly end: number };
  readonly to: { readonly start: number; readonly end: number };
  /** What both have after it. */
  readonly same: string;
}

/**
 * Runs of lines that differ, each with what both have after it. Lines that are there once in both and in the same order are taken for
 * the same; what lies between is compared from its ends.
 */
function matched(old: readonly string[], now: readonly string[]): Matched[] {
  const once = (of: readonly string[]) => {
    const places = new Map<string, number>();
    of.forEach((line, at) => places.set(line, places.has(line) ? -1 : at));
    return places;
  };
  const [inOld, inNow] = [once(old), once(now)];
  const pairs: [number, number][] = [];
  for (const [line, at] of inOld) {
    const to = inNow.get(line);
    if (at >= 0 && to !== undefined && to >= 0) pairs.push([at, to]);
  }
  pairs.sort((a, b) => a[0] - b[0]);
  const kept = increasing(pairs);
  const result: Matched[] = [];
  let [from, to] = [0, 0];
  const close = (nextFrom: number, nextTo: number, same: string) => {
    let [start, startTo] = [from, to];
    let head = '';
    while (start < nextFrom && startTo < nextTo && old[start] === now[startTo]) {
      head += old[start]!;
      start++;
      startTo++;
    }
    let [end, endTo] = [nextFrom, nextTo];
    let tail = '';
    while (end > start && endTo > startTo && old[end - 1] === now[endTo - 1]) {
      tail = old[end - 1]! + tail;
      end--;
      endTo--;
    }
    if (head !== '')
      result.push({ from: { start: from, end: from }, to: { start: to, end: to }, same: head });
    result.push({ from: { start, end }, to: { start: startTo, end: endTo }, same: tail + same });
  };
  for (const [at, place] of kept) {
    close(at, place, old[at]!);
    [from, to] = [at + 1, place + 1];
  }
  close(old.length, now.length, '');
  return result;
}

/** The longest run of pairs, sorted by their first number, whose second grows (patience sorting). */
function increasing(pairs: readonly [number, number][]): [number, number][] {
  const tops: number[] = [];
  const before = new Int32Array(pairs.length).fill(-1);
  pairs.forEach(([, to], index) => {
    let low = 0;
    let high = tops.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (pairs[tops[middle]!]![1] < to) low = middle + 1;
      else high = middle;
    }
    if (low > 0) before[index] = tops[low - 1]!;
    tops[low] = index;
  });
  const result: [number, number][] = [];
  for (let at = tops.at(-1) ?? -1; at >= 0; at = before[at]!) result.push(pairs[at]!);
  return result.reverse();
}
