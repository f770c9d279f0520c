import { readAnchor, readInset, readLengthPair, type Json, type Length } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { AxisBox, Box } from '../skeleton/index.ts';
import { boundKept } from './bound.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';
import { axes, exactNumber, exactShare } from './place.ts';
import { putKey } from './put-key.ts';
import { sizePair } from './put-length.ts';

/** How far each edge of a widget goes, in u of its parent; to the right and down above 0. */
export interface Edges {
  readonly left?: number;
  readonly top?: number;
  readonly right?: number;
  readonly bottom?: number;
}

/** What of a laid out widget its new size follows from. */
export interface Sized {
  /** Its length on an axis, in its own u. */
  readonly width: number;
  readonly height: number;
  /** How many u of its parent one of its own is. */
  readonly unit: number;
}

type Put = (key: string, value: Json | undefined) => void;

/**
 * Moves edges of a widget: both of an axis alike to move it, one to change its size. Anchor and pivot stay; shares in its lengths
 * stay shares. A size that followed from its content or its parent is set where an edge moves alone; one that follows from the other by
 * an aspect goes on to, and takes its edge along.
 * @param arranged Whether its parent places it: then only its size can change.
 * @throws EditError
 */
export function shiftEdges(
  text: Editing,
  widget: Widget,
  edges: Edges,
  sized: Sized,
  arranged: boolean,
  put: Put = (key, value) => putKey(text, widget, key, boundKept(text, widget, key, value)),
): void {
  const { box } = widget;
  const source = widget.source as { readonly [key: string]: unknown };
  const anchor = source.anchor === undefined ? undefined : readAnchor(source.anchor);
  // Unsaid, an anchor is the start of the writing; a dialog's is the middle.
  const logical = anchor ? anchor.x.logical : widget.kind !== 'dialog';
  const turned = box.rightToLeft && logical;
  const follower = followerOf(box);
  const seen = inAspect(
    {
      x: { start: edges.left ?? 0, end: edges.right ?? 0 },
      y: { start: edges.top ?? 0, end: edges.bottom ?? 0 },
    },
    box.aspect,
    follower,
  );
  const by = turned ? { x: { start: -seen.x.end, end: -seen.x.start }, y: seen.y } : seen;
  const lengths = { x: sized.width, y: sized.height };
  const grown = (axis: 'x' | 'y') => (by[axis].end - by[axis].start) / sized.unit;
  for (const axis of axes)
    if (lengths[axis] + grown(axis) < 0) throw new EditError(`"${widget.id}" cannot be smaller than nothing`);

  const span = { x: box.x.span, y: box.y.span };
  const moves = axes.some((axis) => by[axis].start !== 0 || by[axis].end !== 0);
  if (moves && !arranged) {
    if (axes.some((axis) => !span[axis] && (by[axis].start !== 0 || by[axis].end !== 0)))
      put(
        'offset',
        offsetOf(
          source.offset,
          axes.map((axis) => {
            if (span[axis]) return 0;
            const { start, end } = seen[axis];
            // The pivot is the point that stands at the anchor: it is what the offset moves.
            const moved = start + box[axis].pivot * (end - start);
            return turned && axis === 'x' ? -moved : moved;
          }) as [number, number],
        ),
      );
    if (axes.some((axis) => span[axis] && (by[axis].start !== 0 || by[axis].end !== 0)))
      put('inset', insetOf(source.inset, span, by));
  }
  const size: { x?: Json; y?: Json } = {};
  for (const axis of axes) {
    const { mode } = box[axis];
    const follows = span[axis] && !arranged && (mode === 'auto' || mode === 'fill');
    if (Math.abs(grown(axis)) < 1e-9 || follows || axis === follower) continue;
    size[axis] = sizeOf(box[axis], lengths[axis], grown(axis));
  }
  putSize(put, source, size);
}

/** How far both ends of a widget go on each axis. */
type Ends = { readonly [axis in 'x' | 'y']: { readonly start: number; readonly end: number } };

/** The axis on which the size of a widget follows from the other one by its aspect (docs/layout-model.md, 2.6). */
function followerOf(box: Box): 'x' | 'y' | undefined {
  if (!(box.aspect > 0)) return undefined;
  const isLeft = ({ mode, span }: AxisBox) => !span && (mode === 'auto' || mode === 'content');
  if (isLeft(box.y)) return 'y';
  return isLeft(box.x) ? 'x' : undefined;
}

/** Keeps an aspect: the axis that leads grows as it is pulled, or as the other one is pulled, and the other one with it. */
function inAspect(ends: Ends, ratio: number, follower: 'x' | 'y' | undefined): Ends {
  if (!follower) return ends;
  const lead = follower === 'y' ? 'x' : 'y';
  const times = follower === 'y' ? 1 / ratio : ratio;
  const growth = (axis: 'x' | 'y') => ends[axis].end - ends[axis].start;
  const leads = growth(lead) || growth(follower) / times;
  if (leads === 0) return ends;
  const grownBy = ({ start, end }: Ends['x'], by: number) =>
    start !== 0 && end === 0 ? { start: -by, end } : { start, end: start + by };
  return { [lead]: grownBy(ends[lead], leads), [follower]: grownBy(ends[follower], leads * times) } as Ends;
}

/** A size that has grown: a share stays one. */
function sizeOf({ mode, size }: AxisBox, length: number, by: number): Json {
  return mode === 'fixed' && size.share !== 0
    ? lengthText({ u: size.u + by, share: size.share })
    : exactNumber(length + by);
}

/** A size that is said as one key stays one. */
function putSize(
  put: Put,
  source: { readonly [key: string]: unknown },
  size: { readonly x?: Json; readonly y?: Json },
): void {
  const both = sizePair(source.size);
  if (both && source.width === undefined && source.height === undefined) {
    if (size.x !== undefined || size.y !== undefined) put('size', [size.x ?? both[0], size.y ?? both[1]]);
    return;
  }
  if (size.x !== undefined) put('width', size.x);
  if (size.y !== undefined) put('height', size.y);
}

function offsetOf(said: unknown, by: readonly [number, number]): Json | undefined {
  const old = said === undefined ? undefined : readLengthPair(said);
  const sum = (one: Length | undefined, more: number) =>
    lengthText({ u: (one?.u ?? 0) + more, share: one?.share ?? 0 });
  const values = [sum(old?.x, by[0]), sum(old?.y, by[1])];
  return values.every((one) => one === 0) ? undefined : values;
}

function insetOf(
  said: unknown,
  span: { readonly x: boolean; readonly y: boolean },
  by: Ends,
): Json | undefined {
  const old = said === undefined ? undefined : readInset(said, span);
  const sum = (one: Length | undefined, more: number) =>
    lengthText({ u: (one?.u ?? 0) + more, share: one?.share ?? 0 });
  const left = sum(old?.left, span.x ? by.x.start : 0);
  const right = sum(old?.right, span.x ? -by.x.end : 0);
  const top = sum(old?.top, span.y ? by.y.start : 0);
  const bottom = sum(old?.bottom, span.y ? -by.y.end : 0);
  if ([left, right, top, bottom].every((one) => one === 0)) return undefined;
  // Two numbers, where it was written so.
  const two = (typeof said === 'string' || Array.isArray(said)) && span.x !== span.y;
  if (two) return span.x ? [left, right] : [top, bottom];
  return { ...(span.x && { left, right }), ...(span.y && { top, bottom }) };
}

/** A length as it is written: `24`, `"50%"`, `"50% - 24"`. */
export function lengthText({ u, share }: Length): number | string {
  const plain = exactNumber(u);
  if (share === 0) return plain;
  const percent = `${exactShare(share * 100)}%`;
  return plain === 0 ? percent : `${percent} ${plain < 0 ? '-' : '+'} ${Math.abs(plain)}`;
}
