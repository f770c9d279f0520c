import { readAmount, type Amount, type PromiseSource } from '../document/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Screen } from '../screen/index.ts';
import { shown } from '../why/index.ts';
import { depthsAskew, edgesOver, hasArea, intersection, outlineIn, overshoot } from '../scene/index.ts';
import type { Subject } from './subject/subject.ts';
import { minutesOfArc, pxOfArc } from './subject/text-size.ts';

/** How a promise is broken by a widget, or by two: by how much, in px, and what to say of it. */
export interface Broken {
  /** Indexes. */
  readonly widget: number;
  readonly other?: number;
  readonly measured: number;
  readonly text: string;
}

/** A widget a promise is about, as it stands on a screen. */
export interface Promised {
  readonly id: string;
  readonly index: number;
}

/** Looks at one kind of promise: the widgets it is about are there, in the order they are named. Each widget, or pair, comes once. */
type Kind = (promise: PromiseSource, about: readonly Promised[], subject: Subject) => Iterable<Broken>;

/** Rounding moves an edge by half a pixel at the most (docs/layout-model.md, 5.1). */
export const slack = 0.5;

/** One function for each kind of promise, by the key that says it. */
export const promiseKinds: { readonly [Key in PromiseKey]: Kind } = {
  *'within'(promise, about, subject) {
    const where = promise.within!;
    const outer = outerOf(subject, where);
    if (!outer) return;
    for (const { id, index } of about) {
      const over = edgesOver(overshoot(outlineIn(subject, index, outer.index), outer.rect), slack);
      const past = over.map(({ edge, distance }) => `${shown(distance)} px past the ${edge}`);
      if (over.length > 0)
        yield {
          widget: index,
          measured: over[0]!.distance,
          text: `${id} sticks out ${past.join(' and ')} edge of ${where === 'safe' ? 'the safe area' : where === 'screen' ? 'the screen' : where}`,
        };
    }
  },
  *'never'(_, about, subject) {
    for (const [at, one] of about.entries())
      for (const other of about.slice(0, at)) {
        const shared = intersection(...beside(subject, one, other));
        const depths = depthsAskew(subject, one.index, other.index, (index) => subject.rect(index));
        const measured = Math.min(shared.width, shared.height, ...depths);
        if (measured > slack)
          yield {
            widget: other.index,
            other: one.index,
            measured,
            text: `${other.id} and ${one.id} overlap by ${shown(measured)} px`,
          };
      }
  },
  'touching': (_, about, subject) =>
    pairwise(about, (one, other) => {
      const apart = distance(...beside(subject, one, other));
      if (Math.abs(apart) <= slack) return undefined;
      const how = apart > 0 ? `are ${shown(apart)} px apart` : `overlap by ${shown(-apart)} px`;
      return { measured: Math.abs(apart), text: `${one.id} and ${other.id} ${how}` };
    }),
  'aligned': (promise, about, subject) =>
    pairwise(about, (one, other) => {
      const [mine, theirs] = beside(subject, one, other).map(placeOf[promise.aligned!]);
      const measured = Math.abs(mine! - theirs!);
      return measured > slack
        ? {
            measured,
            text: `the ${promise.aligned!} of ${one.id} and that of ${other.id} are ${shown(measured)} px apart`,
          }
        : undefined;
    }),
  'same': (promise, about, subject) =>
    pairwise(about, (one, other) => {
      const sides = promise.same === 'size' ? (['width', 'height'] as const) : [promise.same!];
      const [mine, theirs] = [subject.drawnBorder(one.index), subject.drawnBorder(other.index)];
      const measured = Math.max(...sides.map((side) => Math.abs(mine[side] - theirs[side])));
      // Two edges may each be rounded.
      return measured > 2 * slack
        ? { measured, text: `${one.id} and ${other.id} differ by ${shown(measured)} px in ${promise.same!}` }
        : undefined;
    }),
  'order': (promise, about, subject) =>
    pairwise(about, (one, other) => {
      const gap = gapOf(promise.order!, subject)(...beside(subject, one, other));
      return gap < -slack
        ? {
            measured: -gap,
            text: `${other.id} starts ${shown(-gap)} px before ${one.id} ends, ${promise.order!}`,
          }
        : undefined;
    }),
  'at-least': (promise, about, subject) =>
    bySize(promise['at-least']!, about, subject, (is, least) => least - is, 'the least is'),
  'at-most': (promise, about, subject) =>
    bySize(promise['at-most']!, about, subject, (is, most) => is - most, 'the most is'),
  *'visible'(promise, about, subject) {
    for (const { id, index } of about) {
      const seen =
        subject.isThere(index) && hasArea(intersection(leftOf(subject, index), subject.screenRect));
      if (seen !== promise.visible)
        yield { widget: index, measured: 1, text: `${id} is ${seen ? '' : 'not '}to be seen` };
    }
  },
};

/** What a widget is to be within, as large as it is drawn, and the frame that stands in: a widget's own, or the screen. */
export function outerOf(
  subject: Subject,
  where: string,
): { readonly index: number; readonly rect: Rect } | undefined {
  if (where === 'safe') return { index: 0, rect: subject.safeRect };
  if (where === 'screen') return { index: 0, rect: subject.screenRect };
  const index = subject.indexOf(where);
  return index === undefined ? undefined : { index, rect: subject.drawnBorder(index) };
}

/** The border boxes of two widgets as they lie beside each other: as they are drawn, and upright where the same turns both. */
function beside(subject: Subject, one: Promised, other: Promised): readonly [Rect, Rect] {
  return [subject.borderBeside(one.index, other.index), subject.borderBeside(other.index, one.index)];
}

/** What is left of a border box where nothing around cuts it off, as it is drawn. */
function leftOf(subject: Subject, index: number): Rect {
  return subject
    .clippers(index)
    .map((at) => subject.turnedRect(at))
    .reduce(intersection, subject.turnedRect(index));
}

/** The keys that say what is promised. */
export type PromiseKey =
  'within' | 'never' | 'touching' | 'aligned' | 'same' | 'order' | 'at-least' | 'at-most' | 'visible';

export const placeOf: { readonly [Key in NonNullable<PromiseSource['aligned']>]: (rect: Rect) => number } = {
  left: ({ x }) => x,
  right: ({ x, width }) => x + width,
  center: ({ x, width }) => x + width / 2,
  top: ({ y }) => y,
  bottom: ({ y, height }) => y + height,
  middle: ({ y, height }) => y + height / 2,
};

type Gap = (one: Rect, other: Rect) => number;

/** How far one widget ends before the other starts, in an order. */
export function gapOf(order: NonNullable<PromiseSource['order']>, { widgets }: Subject): Gap {
  const { rightToLeft } = widgets[0]!.box;
  return gaps[order === 'start to end' ? (rightToLeft ? 'right to left' : 'left to right') : order];
}

const gaps: {
  readonly [Key in Exclude<NonNullable<PromiseSource['order']>, 'start to end'>]: Gap;
} = {
  'left to right': (one, other) => other.x - one.x - one.width,
  'right to left': (one, other) => one.x - other.x - other.width,
  'top to bottom': (one, other) => other.y - one.y - one.height,
};

/** The gap between two boxes on the axis on which they are further apart; below 0 where they overlap. */
function distance(one: Rect, other: Rect): number {
  const across = Math.max(other.x - one.x - one.width, one.x - other.x - other.width);
  const down = Math.max(other.y - one.y - one.height, one.y - other.y - other.height);
  return Math.max(across, down);
}

/** Looks at each widget and the one before it. */
function* pairwise(
  about: readonly Promised[],
  look: (one: Promised, other: Promised) => Pick<Broken, 'measured' | 'text'> | undefined,
): Iterable<Broken> {
  for (let at = 1; at < about.length; at++) {
    const [one, other] = [about[at - 1]!, about[at]!];
    const broken = look(one, other);
    if (broken) yield { widget: one.index, other: other.index, ...broken };
  }
}

/** Looks at the sizes of each widget; where both are wrong, both are told. */
function* bySize(
  said: NonNullable<PromiseSource['at-least']>,
  about: readonly Promised[],
  subject: Subject,
  over: (is: number, limit: number) => number,
  word: string,
): Iterable<Broken> {
  for (const { id, index } of about) {
    const rect = subject.drawnBorder(index);
    const texts: string[] = [];
    let measured = 0;
    for (const side of ['width', 'height'] as const) {
      const limit = said[side] === undefined ? undefined : readAmount(said[side]);
      if (!limit) continue;
      const scale = subject.drawnScale(index) || 1;
      const by = over(rect[side], pxOfAmount(limit, scale, subject.screen));
      if (by <= slack) continue;
      measured = Math.max(measured, by);
      const is = inUnit(rect[side], limit.unit, scale, subject.screen);
      const whose = texts.length === 0 ? `the ${side} of ${id}` : `its ${side}`;
      texts.push(`${whose} is ${shown(is)} ${limit.unit}; ${word} ${shown(limit.amount)}`);
    }
    if (texts.length > 0) yield { widget: index, measured, text: texts.join(', and ') };
  }
}

/** An amount that a promise says, in px. @param scale Device px of a u of the widget, as it is drawn. */
export function pxOfAmount({ amount, unit }: Amount, scale: number, screen: Screen): number {
  switch (unit) {
    case 'u':
      return amount * scale;
    case 'mm':
      return (amount / 25.4) * screen.density;
    case 'deg':
      return pxOfArc(amount * 60, screen);
    default:
      return amount;
  }
}

function inUnit(px: number, unit: Amount['unit'], scale: number, screen: Screen): number {
  switch (unit) {
    case 'u':
      return px / scale;
    case 'mm':
      return (px / screen.density) * 25.4;
    case 'deg':
      return minutesOfArc(px, screen) / 60;
    default:
      return px;
  }
}
