import { Subjects, branchesAtOdds } from '../../checks/index.ts';
import type { Json } from '../../document/index.ts';
import { EditError, putAnchor, suggestAnchor } from '../../edit/index.ts';
import type { Rect } from '../../layout/index.ts';
import { hasArea, intersection } from '../../scene/index.ts';
import { isRightToLeft } from '../../text/index.ts';
import { NoSuchName, type View } from '../../view/index.ts';
import { whereTheyStand } from '../on-screens.ts';
import {
  factOf,
  keysOf,
  nudged,
  sizeKeys,
  wholeUp,
  type Broken,
  type Change,
  type Remedy,
} from '../remedy.ts';

/**
 * Another anchor in the same place: what stands near an edge keeps to it. Where a language is written from right to left,
 * first the side where lines end or start, which goes with the writing.
 */
export const tieToEdge: Remedy = ({ design, widget, other, document }) =>
  [widget, ...(other ? [other] : [])].flatMap(({ id, pointer }): Change[] => {
    if (!pointer.startsWith('/views/')) return [];
    const anchor = anchorFor(design, id);
    if (anchor === undefined) return [];
    const logical = goesBothWays(document) ? withTheWriting(anchor) : anchor;
    return [...new Set([logical, anchor])].map((said) => ({
      say: `${id}: anchor ${said}, in its place`,
      edit: (text) => putAnchor(text, design, id, said),
    }));
  });

/** Whether a document is shown in a language that is written from right to left, and written in one that is not. */
function goesBothWays({ source }: Broken['document']): boolean {
  const locales = [...(source.vary?.locales ?? []), ...Object.keys(source.catalogs ?? {})];
  return !isRightToLeft(source.language ?? 'en') && locales.some(isRightToLeft);
}

/** An anchor of a language written from left to right, said with start and end. */
function withTheWriting(anchor: string): string {
  return anchor.replace(/\b(left|right)\b/g, (side) => (side === 'left' ? 'start' : 'end'));
}

/** The whole surface left for what asked for it and stands where a notch is; what holds it is still drawn under the notch. */
export const safeArea: Remedy = ({ widget, on }) => {
  if (widget.box.full) return [keysOf(widget, { area: undefined })];
  for (let at = widget.parent; at > 0; at = on.widgets[at]!.parent)
    if (on.widgets[at]!.box.full) return [keysOf(on.widgets[at]!, { area: 'bleed' })];
  return [];
};

/** The whole surface asked for by what is a background: it may reach under a notch. */
export const wholeSurface: Remedy = ({ widget }) => {
  const { x, y } = widget.box;
  return widget.parent === 0 && x.span && y.span && !widget.box.full
    ? [keysOf(widget, { area: 'full' })]
    : [];
};

/** The anchor that suits where a widget stands on the reference; undefined where something else places it. */
function anchorFor(view: View, id: string): string | undefined {
  try {
    return suggestAnchor(view, id).anchor;
  } catch (error) {
    if (error instanceof EditError || error instanceof NoSuchName) return undefined;
    throw error;
  }
}

/** Anchored to the place its neighbour is anchored to, so that both go together. */
export const tieToNeighbour: Remedy = ({ design, widget, other }) => {
  if (!other) return [];
  return [
    [widget, other],
    [other, widget],
  ].flatMap(([one, to]): Change[] => {
    const { anchor } = to!.source as { anchor?: string | readonly string[] };
    if (anchor === undefined) return [];
    const said = typeof anchor === 'string' ? anchor : anchor.join(' ');
    return [
      {
        say: `${one!.id}: anchor ${said}, in its place`,
        edit: (document) => putAnchor(document, design, one!.id, said),
      },
    ];
  });
};

/** Back over the edge it reaches over. */
export const moveInside: Remedy = (broken) => {
  const { widget, finding, measured, scale, on } = broken;
  if (on.widgets[widget.parent]?.box.arrange !== 'free') return [];
  const by = wholeUp(measured / scale);
  const edges = factOf(finding, 'edges') ?? [];
  const move = {
    x: edges.includes('left') ? by : edges.includes('right') ? -by : 0,
    y: edges.includes('top') ? by : edges.includes('bottom') ? -by : 0,
  };
  const offset = nudged(widget, move);
  const target = widget.box.target === undefined ? undefined : on.find(widget.box.target);
  // What is anchored to something is not moved over it.
  const covers = (rect: Rect) => target !== undefined && hasArea(intersection(rect, on.layout.rect(target)));
  const now = on.layout.rect(widget.index);
  const then = { ...now, x: now.x + Math.sign(move.x) * measured, y: now.y + Math.sign(move.y) * measured };
  if (offset === undefined || (covers(then) && !covers(now))) return [];
  return [keysOf(widget, { offset })];
};

/**
 * On the other side of what it is anchored to, where it reaches over an edge on this one: a list opens upward; what stands beside
 * something where there is no room goes above or below it.
 */
export const otherSide: Remedy = (broken) => {
  const { widget, finding } = broken;
  const { anchor, pivot } = widget.source as { anchor?: unknown; pivot?: unknown };
  const { target, targetEnd, x, y } = widget.box;
  const edges = factOf(finding, 'edges') ?? [];
  if (
    target === undefined ||
    targetEnd !== undefined ||
    typeof anchor !== 'string' ||
    typeof pivot !== 'string'
  )
    return [];
  if (x.offset.share !== 0 || y.offset.share !== 0) return [];
  const isOver = edges.some((edge) => edge === 'top' || edge === 'bottom');
  const ways = isOver ? [turnedOver(broken)] : [turnedOver(broken, 'x'), ...besides(broken)];
  const changed = ways.filter((keys) => keys.anchor !== anchor && keys.pivot !== pivot);
  return changed.flatMap((keys) => [...whereTheyStand(broken, () => keys), keysOf(widget, keys)]);
};

type Placed = { readonly [key: string]: Json };

const opposite: { readonly [side: string]: string } = {
  top: 'bottom',
  bottom: 'top',
  left: 'right',
  right: 'left',
};

/** As far on the other side, along one axis. */
function turnedOver({ widget }: Broken, axis: 'x' | 'y' = 'y'): Placed {
  const { anchor, pivot } = widget.source as { anchor: string; pivot: string };
  const sides = axis === 'y' ? /\b(top|bottom)\b/g : /\b(left|right)\b/g;
  const turned = (said: string) => said.replace(sides, (side) => opposite[side]!);
  const { x, y } = widget.box;
  const by = { x: x.offset.u, y: y.offset.u };
  const keys = { anchor: turned(anchor), pivot: turned(pivot) };
  if (by[axis] === 0) return keys;
  return { ...keys, offset: axis === 'x' ? [-by.x, by.y] : [by.x, -by.y] };
}

/**
 * Above or below what it stands beside, in a line with its end that is nearer to the edge it stood off from, as far away, and no
 * longer than leaves as much room at its other end.
 */
function besides({ widget, on }: Broken): readonly Placed[] {
  const { anchor, pivot } = widget.source as { anchor: string; pivot: string };
  const from = /\b(left|right)\b/.exec(anchor)?.[1];
  const target = on.find(widget.box.target!);
  if (from === undefined || !pivot.includes(opposite[from]!) || target === undefined) return [];
  const along = opposite[from]!;
  const gap = Math.abs(widget.box.x.offset.u);
  const room = on.layout.rectInU(widget.parent);
  const beside = on.layout.rectInU(target);
  const left = along === 'left' ? beside.x - room.x : room.x + room.width - beside.x - beside.width;
  const most = room.width - 2 * left;
  const isLong = left >= 0 && most > 0 && on.layout.rectInU(widget.index).width > most;
  const said = wholeUp((2 * left) / on.layout.factor(widget.parent));
  return ['top', 'bottom'].map((side) => ({
    anchor: `${along} ${side}`,
    pivot: `${along} ${opposite[side]!}`,
    offset: [0, side === 'top' ? -gap : gap],
    ...(isLong && { 'max-width': said === 0 ? '100%' : `100% - ${said}` }),
  }));
}

/** The pivot follows the anchor. */
export const pivotFollows: Remedy = ({ widget }) =>
  // Beside something, the pivot says on which side.
  widget.box.target === undefined ? [keysOf(widget, { pivot: undefined })] : [];

/** Drawn over what covers it, where the two may lie over each other: words over words are no easier to read the other way round. */
export const raise: Remedy = ({ widget, other, view, on }) => {
  if (!other) return [];
  const subject = new Subjects(view).of(on);
  const [one, above] = [widget.index, other.index];
  if (subject.paints(one) && subject.paints(above) && branchesAtOdds(subject, one, above)) return [];
  const { z = 0 } = other.source as { z?: number };
  return [keysOf(widget, { z: z + 1 }), ...(z === 0 ? [keysOf(other, { z: -1 })] : [])];
};

/** Out of its parent: the parent larger, or itself as large as its parent allows. */
export const fitInParent: Remedy = (broken) => {
  const { widget, other, finding, measured, scale, on } = broken;
  if (!other) return [];
  const edge = factOf(finding, 'edge');
  const across = edge === 'left' || edge === 'right';
  const side = across ? 'width' : 'height';
  const axis = across ? 'x' : 'y';
  const rect = on.layout.rectInU(other.index);
  const size = wholeUp(rect[side] / on.layout.factor(other.index) + measured / scale);
  return [
    ...(widget.box[axis].min === undefined ? [] : [keysOf(widget, { [`min-${side}`]: undefined })]),
    ...(other.box[axis].mode === 'fixed' ? [keysOf(other, sizeKeys(other, { [side]: size }))] : []),
    ...(other.box[axis].mode === 'fixed' && 'arrange' in other.source
      ? [keysOf(other, { [side]: 'content', [`min-${side}`]: wholeUp(rect[side]) })]
      : []),
  ];
};

/** A maximum that is no smaller than the minimum. */
export const raiseMaximum: Remedy = (broken) => {
  const { widget } = broken;
  return (['x', 'y'] as const).flatMap((axis) => {
    const { min, max } = widget.box[axis];
    const side = axis === 'x' ? 'width' : 'height';
    if (!min || !max || min.share || max.share || max.u >= min.u) return [];
    return [keysOf(widget, { [`max-${side}`]: min.u }), keysOf(widget, { [`min-${side}`]: max.u })];
  });
};

/** The line its neighbour stands on. */
export const ontoLine: Remedy = (broken) => {
  const { widget, other, on, finding } = broken;
  const edge = factOf(finding, 'edge');
  if (!other || !edge) return [];
  const [a, b] = [on.layout.rectInU(widget.index), on.layout.rectInU(other.index)];
  const factor = on.layout.factor(widget.parent);
  const by: { readonly x?: number; readonly y?: number } = {
    left: { x: b.x - a.x },
    right: { x: b.x + b.width - a.x - a.width },
    top: { y: b.y - a.y },
    bottom: { y: b.y + b.height - a.y - a.height },
  }[edge];
  const move = (sign: number) => ({ x: ((by.x ?? 0) / factor) * sign, y: ((by.y ?? 0) / factor) * sign });
  return [
    [widget, 1],
    [other, -1],
  ].flatMap(([one, sign]) => {
    const offset = nudged(one as Broken['widget'], move(sign as number));
    return offset === undefined ? [] : [keysOf(one as Broken['widget'], { offset })];
  });
};

/** Between its two neighbours with the same gap on both sides. */
export const evenGap: Remedy = (broken) => {
  const { widget, other, on, finding } = broken;
  const axis = factOf(finding, 'axis') === 'y' ? 'y' : 'x';
  const size = axis === 'x' ? 'width' : 'height';
  if (!other) return [];
  const at = on.layout.rectInU(widget.index);
  const next = on.layout.rectInU(other.index);
  const before = on.widgets
    .filter(({ parent, index }) => parent === widget.parent && index !== widget.index)
    .map(({ index }) => on.layout.rectInU(index))
    .filter((rect) => rect[axis] + rect[size] <= at[axis])
    .reduce((most, rect) => Math.max(most, rect[axis] + rect[size]), -Infinity);
  if (before === -Infinity) return [];
  const spare = next[axis] - before - at[size];
  const offset = nudged(widget, {
    [axis]: (before + spare / 2 - at[axis]) / on.layout.factor(widget.parent),
  });
  return offset === undefined ? [] : [keysOf(widget, { offset })];
};
