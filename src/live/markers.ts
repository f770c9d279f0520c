import type { Rect } from '../layout/index.ts';

/** How things of a world are shown in a widget. */
export interface MarkerRules {
  /** Where in the widget's rectangle they are shown, in device px. */
  readonly rect: Rect;
  /** The place of the world in the middle of it. */
  readonly x: number;
  readonly y: number;
  /** Device px one unit of the world is. */
  readonly zoom: number;
  /** How far the world is turned clockwise, in radians; 0 if left out. */
  readonly turn?: number;
  /** What happens to a thing that lies outside: it is put on the edge, or hidden. */
  readonly outside: 'edge' | 'hidden';
  /** The edge: the widget's rectangle, or the largest circle in it. */
  readonly shape?: 'rectangle' | 'circle';
  /** The distance of markers from the edge, in device px; 0 if left out. */
  readonly inset?: number;
}

/** Where a marker is: nowhere, where its thing is, or on the edge in its direction. */
export const markerHidden = 0;
export const markerInside = 1;
export const markerOnEdge = 2;

/** Places of markers in typed arrays, made once: moving thousands makes no object. */
export class MarkerPlaces {
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Clockwise from up, in radians: where its thing heads, on the edge where it is. */
  readonly angle: Float64Array;
  /** markerHidden, markerInside or markerOnEdge. */
  readonly where: Uint8Array;
  /** In units of the world. */
  readonly distance: Float64Array;

  /** @param capacity The most markers there may be. */
  constructor(capacity: number) {
    this.x = new Float64Array(capacity);
    this.y = new Float64Array(capacity);
    this.angle = new Float64Array(capacity);
    this.where = new Uint8Array(capacity);
    this.distance = new Float64Array(capacity);
  }
}

/** Things of a world by their number. */
export interface Things {
  readonly count: number;
  readonly x: ArrayLike<number>;
  readonly y: ArrayLike<number>;
  /** Where each heads, clockwise from up, in radians; all up if left out. */
  readonly angle?: ArrayLike<number>;
}

/**
 * Places markers for things of a world: y goes down in both. Makes no object.
 * @returns how many are shown. @throws RangeError where there are more things than places, or the zoom is not above 0.
 */
export function placeMarkers(things: Things, rules: MarkerRules, into: MarkerPlaces): number {
  const { rect, zoom, turn = 0, outside, shape = 'rectangle', inset = 0 } = rules;
  if (things.count > into.x.length)
    throw new RangeError(`there are ${things.count} things and places for ${into.x.length} markers`);
  if (!(zoom > 0)) throw new RangeError(`a zoom is above 0, not ${zoom}`);
  const middleX = rect.x + rect.width / 2;
  const middleY = rect.y + rect.height / 2;
  const halfX = Math.max(0, rect.width / 2 - inset);
  const halfY = Math.max(0, rect.height / 2 - inset);
  const radius = Math.min(halfX, halfY);
  const cos = Math.cos(turn) * zoom;
  const sin = Math.sin(turn) * zoom;
  let shown = 0;
  for (let n = 0; n < things.count; n++) {
    const awayX = things.x[n]! - rules.x;
    const awayY = things.y[n]! - rules.y;
    let x = awayX * cos - awayY * sin;
    let y = awayX * sin + awayY * cos;
    into.distance[n] = Math.sqrt(awayX * awayX + awayY * awayY);
    // How often the way from the middle to the edge goes into the way to the thing.
    const over =
      shape === 'circle'
        ? Math.sqrt(x * x + y * y) / radius
        : Math.max(Math.abs(x) / halfX, Math.abs(y) / halfY);
    const isOut = !(over <= 1);
    into.angle[n] = isOut ? Math.atan2(x, -y) : (things.angle?.[n] ?? 0) + turn;
    into.where[n] = isOut ? (outside === 'edge' ? markerOnEdge : markerHidden) : markerInside;
    if (isOut) {
      // An area that is a point has no direction to go.
      const by = Number.isFinite(over) ? 1 / over : 0;
      x *= by;
      y *= by;
    }
    if (into.where[n] !== markerHidden) shown++;
    into.x[n] = middleX + x;
    into.y[n] = middleY + y;
  }
  return shown;
}
