import { controls, lookOf, type Widget } from '../../dress/index.ts';
import type { State } from '../../document/index.ts';
import { meet } from '../../scene/index.ts';
import type { Rect } from '../../layout/index.ts';
import { compose, styleList, type Fill, type Look, type Rgba } from '../../theme/index.ts';
import { groundOf } from './behind.ts';
import type { Subject } from './subject.ts';

/** States that players put any control into: each is looked at, whether or not it is in one now. */
export const passingStates = ['hover', 'focused', 'pressed'] as const satisfies readonly State[];
export type PassingState = (typeof passingStates)[number];

/** The words of a control as they are seen in a state it is not in now. */
export interface WordsInState {
  readonly index: number;
  readonly control: number;
  readonly state: PassingState;
  readonly color: Rgba;
  /** What is painted behind them from the control on, the lowest first. */
  readonly fills: readonly Fill[];
}

/** The control a widget is, or is in. */
export function controlOf(subject: Subject, index: number): Widget | undefined {
  for (let at = index; at >= 0; at = subject.widgets[at]!.parent)
    if (controls.has(subject.widgets[at]!.kind)) return subject.widgets[at];
  return undefined;
}

/** What would have to say how a state looks: the last of a widget's styles, which wins; without any, its kind. */
export function sayerOf({ source, kind }: Pick<Widget, 'source' | 'kind'>): string {
  const style = styleList('style' in source ? source.style : undefined).at(-1);
  return style === undefined ? `the kind ${kind}` : `the style "${style}"`;
}

/** All words whose colour, or what is painted behind them, changes in a state their control is not in. */
export function wordsInStates(subject: Subject): readonly WordsInState[] {
  return subject.form.once('words-in-states', () =>
    subject.texts.flatMap(({ index, look, isPlaceholder, text }) => {
      const control = controlOf(subject, index);
      if (!control || control.states.includes('disabled') || isPlaceholder) return [];
      // An outline is read against by itself, and words of other colours have them in every state.
      if (look.textOutline || subject.form.opacity[index] !== 1) return [];
      if (text.runs.some(({ setting }) => setting.color)) return [];
      return passingStates.flatMap((state) => {
        if (control.states.includes(state)) return [];
        const seen = seenIn(subject, control, index, state);
        return seen ? [{ index, control: control.index, state, ...seen }] : [];
      });
    }),
  );
}

/** Undefined where nothing changes, or where it is not colours alone. */
function seenIn(
  subject: Subject,
  control: Widget,
  index: number,
  state: State,
): { readonly color: Rgba; readonly fills: readonly Fill[] } | undefined {
  const chain: Widget[] = [];
  for (let at = index; at >= control.index; at = subject.widgets[at]!.parent)
    chain.unshift(subject.widgets[at]!);
  const outside = subject.widgets[control.parent]!.look;
  let around: Look = outside;
  let changes = false;
  const fills: Fill[] = [];
  for (const { source, kind, theme, states, look: rest, picture } of chain) {
    const inStates = around === outside ? [...states, state] : states;
    const look = lookOf(source, kind, theme, around, inStates);
    if (picture || look.image !== undefined || look.opacity !== 1) return undefined;
    changes ||= !areSame(look.color, rest.color) || !areAlike(look.background, rest.background);
    if (look.background) fills.push(look.background);
    around = look;
  }
  return changes ? { color: around.color, fills } : undefined;
}

/** The contrast of words with what is behind them is told by a colour of theirs, and one of the ground's. */
export interface SeenInState {
  readonly color: Rgba;
  readonly ground: Rgba;
}

/** What words in a state are seen as, over each thing that may be behind them; none where that is not known. */
export function seenInState(subject: Subject, words: WordsInState, area: Rect): readonly SeenInState[] {
  if (hasOthersBetween(subject, words, area)) return [];
  const { control, color, fills } = words;
  const last = fills.findLastIndex((fill) => colorsOf(fill).every(({ a }) => a === 1));
  const lowest =
    last >= 0
      ? colorsOf(fills[last]!)
      : groundOf(subject, control, area, () => undefined, { own: 'without its own' }).map(
          (ground) => ground.color,
        );
  let grounds = lowest;
  for (const fill of fills.slice(last + 1))
    grounds = grounds.flatMap((under) => colorsOf(fill).map((one) => compose(one, under)));
  return grounds.map((ground) => ({ color: compose(color, ground), ground }));
}

/** Whether anything else in the control is painted behind its words: a picture, a plate of its own. */
function hasOthersBetween(subject: Subject, { index, control }: WordsInState, area: Rect): boolean {
  const { form } = subject;
  for (let at = control + 1; at < form.end[control]!; at++) {
    if (form.isWithin(index, at) || !form.paints[at] || form.places[at]! > form.places[index]!) continue;
    if (meet(subject.rect(at), area)) return true;
  }
  return false;
}

function colorsOf(fill: Fill): readonly Rgba[] {
  return fill.type === 'color' ? [fill.color] : fill.stops.map(({ color }) => color);
}

function areSame(one: Rgba, other: Rgba): boolean {
  return one.r === other.r && one.g === other.g && one.b === other.b && one.a === other.a;
}

function areAlike(one: Fill | undefined, other: Fill | undefined): boolean {
  if (one === other) return true;
  if (!one || !other) return false;
  const [a, b] = [colorsOf(one), colorsOf(other)];
  return a.length === b.length && a.every((color, at) => areSame(color, b[at]!));
}
