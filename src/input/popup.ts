import type { Rect } from '../layout/index.ts';

/** The side of something on which a pop-up stands (CSS Anchor Positioning 1, position-area). */
export type PopupSide = 'top' | 'bottom' | 'left' | 'right';

export interface PopupRules {
  /** The side it is to stand on. */
  readonly side: PopupSide;
  /** Between the two. */
  readonly gap?: number;
  /** Where it may be: the safe area. */
  readonly within: Rect;
}

export interface PopupPlace {
  readonly x: number;
  readonly y: number;
  readonly side: PopupSide;
  /** Whether it fits: inside of its bounds, and beside what it belongs to. */
  readonly fits: boolean;
  /** How much room is missing on that side, or across it; 0 where it fits. */
  readonly lacks: number;
}

const opposite: { readonly [Name in PopupSide]: PopupSide } = {
  top: 'bottom',
  bottom: 'top',
  left: 'right',
  right: 'left',
};
const across: { readonly [Name in PopupSide]: readonly PopupSide[] } = {
  top: ['right', 'left'],
  bottom: ['right', 'left'],
  left: ['bottom', 'top'],
  right: ['bottom', 'top'],
};

/**
 * Where a pop-up of a size stands beside something: on its side, centred; on the opposite side where there is no room (`flip-block`,
 * `flip-inline`), else on one of the others; shifted along it to stay inside. Where no side has room, it stands inside on the one
 * with the most, over what it belongs to. All in one unit.
 * @param anchor What it belongs to; of a pointer a rectangle that keeps it clear of the finger or cursor.
 */
export function popupPlace(
  anchor: Rect,
  size: { readonly width: number; readonly height: number },
  { side, gap = 0, within }: PopupRules,
): PopupPlace {
  const sides = [side, opposite[side], ...across[side]];
  const room = (one: PopupSide) => roomOn(one, anchor, within) - gap - lengthOn(one, size);
  const lacks = (one: PopupSide) =>
    Math.max(0, -room(one), isUpright(one) ? size.width - within.width : size.height - within.height);
  const found = sides.find((one) => lacks(one) === 0);
  const chosen = found ?? sides.reduce((best, one) => (room(one) > room(best) ? one : best));
  const free = placeOn(chosen, anchor, size, gap);
  return {
    x: keptInside(free.x, size.width, within.x, within.width),
    y: keptInside(free.y, size.height, within.y, within.height),
    side: chosen,
    fits: found !== undefined,
    lacks: lacks(chosen),
  };
}

function isUpright(side: PopupSide): boolean {
  return side === 'top' || side === 'bottom';
}

function lengthOn(
  side: PopupSide,
  { width, height }: { readonly width: number; readonly height: number },
): number {
  return isUpright(side) ? height : width;
}

/** What is left of a rectangle on one side of another. */
function roomOn(side: PopupSide, anchor: Rect, within: Rect): number {
  switch (side) {
    case 'top':
      return anchor.y - within.y;
    case 'bottom':
      return within.y + within.height - (anchor.y + anchor.height);
    case 'left':
      return anchor.x - within.x;
    case 'right':
      return within.x + within.width - (anchor.x + anchor.width);
  }
}

function placeOn(
  side: PopupSide,
  anchor: Rect,
  { width, height }: { readonly width: number; readonly height: number },
  gap: number,
): { readonly x: number; readonly y: number } {
  const [middleX, middleY] = [anchor.x + (anchor.width - width) / 2, anchor.y + (anchor.height - height) / 2];
  switch (side) {
    case 'top':
      return { x: middleX, y: anchor.y - gap - height };
    case 'bottom':
      return { x: middleX, y: anchor.y + anchor.height + gap };
    case 'left':
      return { x: anchor.x - gap - width, y: middleY };
    case 'right':
      return { x: anchor.x + anchor.width + gap, y: middleY };
  }
}

/** A start that keeps a length inside; one that is longer starts where that does. */
export function keptInside(start: number, length: number, from: number, room: number): number {
  return Math.max(from, Math.min(start, from + room - length));
}
