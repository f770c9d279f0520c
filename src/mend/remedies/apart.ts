import type { Json } from '../../document/index.ts';
import type { Widget } from '../../dress/index.ts';
import { whereTheyStand } from '../on-screens.ts';
import {
  keysOf,
  nudged,
  sizeKeys,
  wholeDown,
  wholeUp,
  type Broken,
  type Change,
  type Remedy,
} from '../remedy.ts';

/* Two that lie on each other: one of them moved, or shorter. */

/** Ways of which one is tried on some kinds of screens too: those that move least. */
const nearest = 2;

/** Which of the two is moved, and along which axis to which side of the other. */
interface Way {
  readonly isOther: boolean;
  readonly axis: 'x' | 'y';
  readonly isBefore: boolean;
}

const ways: readonly Way[] = [true, false].flatMap((isOther) =>
  (['x', 'y'] as const).flatMap((axis) =>
    [false, true].map((isBefore): Way => ({ isOther, axis, isBefore })),
  ),
);

/**
 * One of two moved off the other, in whichever direction is shortest; where the two part on most screens, on those alone on which
 * they do not.
 */
export const moveApart: Remedy = (broken) => {
  const moves = ways
    .flatMap((way) => {
      const move = moved(broken, way);
      return move ? [{ way, ...move }] : [];
    })
    .sort((a, b) => a.by - b.by);
  return [
    ...moves.map(({ one, offset }): Change => keysOf(one, { offset })),
    ...moves.slice(0, nearest).flatMap(({ one, way }) =>
      whereTheyStand({ ...broken, widget: one }, (worst) => {
        // The widgets of a finding are others on each screen.
        const there = worst.widget === one ? broken : worst;
        const move = moved(there, way);
        return move && { offset: move.offset };
      }),
    ),
  ];
};

function moved(
  { widget, other, on }: Broken,
  { isOther, axis, isBefore }: Way,
): { readonly one: Widget; readonly by: number; readonly offset: Json } | undefined {
  const [one, from] = isOther ? [other, widget] : [widget, other];
  if (!one || !from || on.widgets[one.parent]?.box.arrange !== 'free') return undefined;
  const side = axis === 'x' ? 'width' : 'height';
  const [a, b] = [on.layout.rectInU(one.index), on.layout.rectInU(from.index)];
  const by = isBefore ? b[axis] - a[axis] - a[side] : b[axis] + b[side] - a[axis];
  const u = Math.sign(by) * wholeUp(Math.abs(by) / on.layout.factor(one.parent));
  const offset = nudged(one, { [axis]: u });
  return offset === undefined ? undefined : { one, by: Math.abs(u), offset };
}

/** The room between two that stand beside each other, in u. */
const gap = 8;

/** A span that ends before what stands at its end. */
export const endBefore: Remedy = ({ widget, other, on }) => {
  if (!other) return [];
  return [
    [widget, other],
    [other, widget],
  ].flatMap(([one, beside]): Change[] => {
    const { x, y } = one!.box;
    if (x.span === y.span || one!.parent !== beside!.parent) return [];
    if (on.widgets[one!.parent]?.box.arrange !== 'free') return [];
    const [axis, side] = x.span ? (['x', 'width'] as const) : (['y', 'height'] as const);
    const { insetStart, insetEnd } = one!.box[axis];
    if (beside!.box[axis].span || insetStart.share !== 0 || insetEnd.share !== 0) return [];
    const [a, b] = [on.layout.rectInU(one!.index), on.layout.rectInU(beside!.index)];
    const factor = on.layout.factor(one!.parent);
    const isAtEnd = 2 * b[axis] + b[side] > 2 * a[axis] + a[side];
    const [start, end] = isAtEnd ? [0, a[axis] + a[side] - b[axis]] : [b[axis] + b[side] - a[axis], 0];
    if (start + end > a[side] / 2) return [];
    const more = (now: number, by: number) => (by === 0 ? now : wholeUp(now + by / factor + gap));
    return [keysOf(one!, { inset: [more(insetStart.u, start), more(insetEnd.u, end)] })];
  });
};

/** Less than this share of a side is no smaller picture, and no words that wrap sooner: it is another design. */
const leastKept = 0.5;

/** How much shorter one has to be along an axis to end before another, in u; undefined where that cannot be. */
function shorterBy(
  { on }: Broken,
  one: Widget,
  from: Widget,
  axis: 'x' | 'y',
  room: number,
): number | undefined {
  const side = axis === 'x' ? 'width' : 'height';
  const [a, b] = [on.layout.rectInU(one.index), on.layout.rectInU(from.index)];
  const { span, pivot } = one.box[axis];
  if (span || one.box.rightToLeft) return undefined;
  const isBefore = 2 * a[axis] + a[side] <= 2 * b[axis] + b[side];
  const by = isBefore ? a[axis] + a[side] - b[axis] : b[axis] + b[side] - a[axis];
  // Of what gets shorter, each end moves by its share.
  const share = isBefore ? 1 - pivot : pivot;
  return share > 0 ? (by / on.layout.factor(one.parent) + room) / share : undefined;
}

/** One of two smaller, towards where it stands: words wrap sooner, a picture keeps its shape. */
export const shrinkApart: Remedy = (broken) => {
  const { widget, other, on } = broken;
  if (!other) return [];
  return [[other, widget] as const, [widget, other] as const].flatMap(([one, from]): readonly Change[] => {
    if (on.widgets[one.parent]?.box.arrange !== 'free') return [];
    const { width, height } = on.layout.rectInU(one.index);
    const factor = on.layout.factor(one.parent);
    const isKept = (less: number | undefined, side: number): less is number =>
      less !== undefined && less < (side / factor) * (1 - leastKept);
    if (one.kind === 'image') {
      const { x, y } = one.box;
      if (x.mode !== 'fixed' || y.mode !== 'fixed' || x.size.share !== 0 || y.size.share !== 0) return [];
      return (['x', 'y'] as const)
        .flatMap((axis) => {
          const side = axis === 'x' ? width : height;
          const less = shorterBy(broken, one, from, axis, 0);
          return isKept(less, side) ? [1 - (less * factor) / side] : [];
        })
        .sort((a, b) => b - a)
        .map((kept) =>
          keysOf(
            one,
            sizeKeys(one, { width: wholeDown(x.size.u * kept), height: wholeDown(y.size.u * kept) }),
          ),
        );
    }
    const less = shorterBy(broken, one, from, 'x', gap);
    // What says no width is as wide as its words.
    const isAsWide = one.box.x.mode === 'auto' || one.box.x.mode === 'content';
    if (!one.text || !isAsWide || !isKept(less, width)) return [];
    return [keysOf(one, { 'max-width': wholeDown(width / factor - less) })];
  });
};
