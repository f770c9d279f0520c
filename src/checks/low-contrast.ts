import type { Rect } from '../layout/index.ts';
import type { TextBlock } from '../text/index.ts';
import { compose, contrastRatio, hexOf, type Look, type Rgba } from '../theme/index.ts';
import { shown } from '../why/index.ts';
import { groundOf } from './subject/behind.ts';
import { seenOf } from './subject/seen-of.ts';
import { groundRange, standsOff } from './subject/ground-range.ts';
import type { Check } from './check.ts';
import { hasArea } from '../scene/index.ts';
import type { Subject } from './subject/subject.ts';
import { cssPixels } from './subject/text-size.ts';
import {
  controlOf,
  passingStates,
  sayerOf,
  seenInState,
  wordsInStates,
  type PassingState,
  type WordsInState,
} from './subject/words-in-states.ts';

/** Large text of WCAG 2.2: 18 pt, or 14 pt bold, in CSS px. */
const largeText = 24;
const largeBoldText = 18.66;
const limitForLarge = 3;

type Facts = {
  /** What players do to its control, where that is when the words are hard to read. */
  readonly state?: PassingState;
  /** The style, or kind, that would have to say how the state looks. */
  readonly style?: string;
};

export const lowContrast = {
  id: 'low-contrast',
  title: 'Low contrast',
  measures:
    'the contrast ratio between a text and the worst of what is behind it, in a control also while it is hovered, focused or pressed',
  unit: ':1',
  limit: 4.5,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 1.4.3 (3:1 for large text)',
  severity: 'error',
  readsColors: true,
  sentence: ({ facts: { state }, measured, limit }) =>
    `has text with contrast ${measured}:1${state ? ` while ${asSaid(state)}` : ''}, minimum ${limit}:1`,
  cause: ({ facts: { state, style } }) => state && `${style} is hard to read while ${asSaid(state)}`,
  apart: ({ state }) => state,
  remedies: ['themesColor', 'stateColor', 'strongerColor', 'opaquePlate', 'ownStateColor'],
  run(subject, limit, report) {
    const failed = new Set<number>();
    for (const { index, pointer } of subject.texts) {
      const area = readArea(subject, index);
      if (!area || isFarFromAll(subject, index, area, limit)) continue;
      const worst = textContrast(subject, index, area, limit, report);
      if (!worst || worst.ratio >= worst.least) continue;
      failed.add(index);
      const reasons = [{ text: worst.reason(), pointer }];
      const facts = factsIn(subject, index);
      report({ outcome: 'failed', widget: index, measured: worst.ratio, limit: worst.least, facts, reasons });
    }
    for (const words of wordsInStates(subject)) {
      const { index, control, state } = words;
      const area = failed.has(index) ? undefined : readArea(subject, index);
      if (!area) continue;
      const worst = contrastInState(subject, words, area, limit);
      if (!worst || worst.ratio >= worst.least) continue;
      const { pointer } = subject.widgets[control]!;
      const facts = { state, style: sayerOf(subject.widgets[control]!) };
      const reasons = [{ text: worst.reason(), pointer }];
      report({ outcome: 'failed', widget: index, measured: worst.ratio, limit: worst.least, facts, reasons });
    }
  },
} as const satisfies Check<Facts>;

function asSaid(state: PassingState): string {
  return state === 'hover' ? 'hovered' : state;
}

/** The state its control is in now, if that is one that passes. */
function factsIn(subject: Subject, index: number): Facts {
  const control = controlOf(subject, index);
  const state = control && passingStates.find((one) => control.states.includes(one));
  return state ? { state, style: sayerOf(control) } : {};
}

/** The contrast of words with what is behind them in a state their control is not in; undefined where that is not known. */
function contrastInState(
  subject: Subject,
  words: WordsInState,
  area: Rect,
  limit: number,
): TextContrast | undefined {
  const { text, look } = subject.widgets[words.index]!;
  const { least, counts } = leastOf(subject, words.index, text!, look.fontWeight >= 700, 1, limit);
  let worst: TextContrast | undefined;
  for (const { color, ground } of seenInState(subject, words, area)) {
    const ratio = contrastRatio(color, ground);
    if (worst && ratio >= worst.ratio) continue;
    const reason = () =>
      `in the state ${words.state} the text ${hexOf(color)} stands on ${hexOf(ground)}; it counts as ${counts}`;
    worst = { ratio, least, reason };
  }
  return worst;
}

/** The least contrast of letters of a size, and what they count as. @param scale Their size as a multiple of the text's. */
function leastOf(
  subject: Subject,
  index: number,
  text: TextBlock,
  bold: boolean,
  scale: number,
  limit: number,
): { readonly least: number; readonly counts: string } {
  const size = cssPixels(text.setting.fontSize * scale * subject.drawnScale(index), subject.screen);
  const large = size >= largeText || (size >= largeBoldText && bold);
  const counts = `${large ? 'large' : 'normal'} text (${shown(size)} CSS px)`;
  return { least: large ? Math.min(limit, limitForLarge) : limit, counts };
}

/** Where a text is to be read, in device px; undefined where it is not. */
export function readArea(subject: Subject, index: number): Rect | undefined {
  // What cannot be used now need not be read (1.4.3, "Incidental").
  if (!subject.isSeen(index) || subject.widgets[index]!.states.includes('disabled')) return undefined;
  const area = seenOf(subject, index, subject.textRect(index));
  return hasArea(area) ? area : undefined;
}

/** A contrast ratio, and the least it is to be. */
export interface TextContrast {
  readonly ratio: number;
  readonly least: number;
  readonly reason: () => string;
}

/**
 * The contrast of a text with the worst of what is behind it.
 * @param report Told what cannot be known. @param through Widgets drawn after it that it is seen through.
 */
export function textContrast(
  subject: Subject,
  index: number,
  area: Rect,
  limit: number,
  report: Parameters<typeof groundOf>[3],
  through: readonly number[] = [],
): TextContrast | undefined {
  const { text, look } = subject.widgets[index]!;
  if (!text) return undefined;
  const under = groundOf(subject, index, area, report, { through });
  const outline = outlineOf(subject, index);
  let worst: TextContrast | undefined;
  for (const one of inksOf(text, look)) {
    const { least, counts } = leastOf(subject, index, text, one.bold, one.scale, limit);
    for (const { color, backdrop, over } of under) {
      const ground = outline ? over(outline) : color;
      const seen = over(outline ? compose(one.color, outline) : one.color);
      const ratio = contrastRatio(seen, ground);
      if (worst && ratio / least >= worst.ratio / worst.least) continue;
      const reason = () => {
        const on = backdrop === undefined ? '' : `, over the backdrop ${backdrop}`;
        const what = one.words === undefined ? 'the text' : `"${one.words}" in the text,`;
        const by = outline ? ' its outline' : '';
        return `${what} ${hexOf(seen)} stands on${by} ${hexOf(ground)}${on}; it counts as ${counts}`;
      };
      worst = { ratio, least, reason };
    }
  }
  return worst;
}

/** Whether every colour of a text stands off, by the limit, from whatever may be behind it. */
function isFarFromAll(subject: Subject, index: number, area: Rect, limit: number): boolean {
  const { text, look } = subject.widgets[index]!;
  // What is behind a text that is not opaque is in its own colour too.
  if (!text || look.textOutline || subject.form.opacity[index] !== 1) return false;
  const range = groundRange(subject, index, area);
  if (!range) return false;
  for (const { color } of inksOf(text, look)) {
    if (!standsOff(color, range, limit)) return false;
  }
  return true;
}

/** Every colour a text is set in, with its size as a multiple of the text's. */
function* inksOf(
  text: TextBlock,
  look: Look,
): Generator<{ color: Rgba; scale: number; bold: boolean; words: string | undefined }> {
  const bold = look.fontWeight >= 700;
  const covered = text.runs.reduce((sum, { from, to }) => sum + to - from, 0);
  if (covered < text.text.length) yield { color: look.color, scale: 1, bold, words: undefined };
  for (const { from, to, setting } of text.runs) {
    if (setting.icon) continue;
    const { chain, scale, color = look.color } = setting;
    yield { color, scale, bold: chain.primary.weight >= 700, words: text.text.slice(from, to).slice(0, 40) };
  }
}

/** The least an outline is wide to be what letters are read against, in device px. */
const leastOutline = 1;

/** The colour round the letters of a text, where there is enough of it (Understanding SC 1.4.3 counts such a border). */
function outlineOf(subject: Subject, index: number): Rgba | undefined {
  const { textOutline } = subject.widgets[index]!.look;
  if (!textOutline || textOutline.width * subject.drawnScale(index) < leastOutline) return undefined;
  return textOutline.color;
}
