import { boundsOf, depthIn, type Point, type Polygon } from '../../proof/index.ts';
import type { PathStep } from '../../paint/index.ts';

/** A rectangle of a drawing, in px of it. */
export interface PlotBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Sides of a polygon are drawn in pieces no longer than this, in px of the drawing: on these scales they bend. */
const longestPiece = 12;

/**
 * The plane of screens as it is drawn: widths to the right and heights down, both so that twice as large is always as far. A
 * small window counts as much as a large monitor, and every aspect is a straight line down to the right.
 */
export class Plot {
  readonly box: PlotBox;
  readonly #from: Point;
  readonly #perDouble: Point;

  constructor(region: Polygon, box: PlotBox) {
    const { left, right, top, bottom } = boundsOf(region);
    this.box = box;
    this.#from = { x: left, y: top };
    this.#perDouble = {
      x: box.width / Math.log2(right / left),
      y: box.height / Math.log2(bottom / top),
    };
  }

  /** What turns a place into a screen: its left and top edge, and px of the drawing for each doubling. */
  get scales(): { readonly from: Point; readonly perDouble: Point } {
    return { from: this.#from, perDouble: this.#perDouble };
  }

  /** Where a screen is drawn. */
  at({ x, y }: Point): Point {
    return {
      x: this.box.x + Math.log2(x / this.#from.x) * this.#perDouble.x,
      y: this.box.y + Math.log2(y / this.#from.y) * this.#perDouble.y,
    };
  }

  /** The screen that is drawn at a place. */
  screenAt(place: Point): Point {
    return {
      x: this.#from.x * 2 ** ((place.x - this.box.x) / this.#perDouble.x),
      y: this.#from.y * 2 ** ((place.y - this.box.y) / this.#perDouble.y),
    };
  }

  /** The outline of a polygon. */
  outline(polygon: Polygon): readonly PathStep[] {
    const points: Point[] = [];
    polygon.forEach((point, nth) => {
      const next = polygon[(nth + 1) % polygon.length]!;
      const [from, to] = [this.at(point), this.at(next)];
      const pieces = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / longestPiece));
      for (let piece = 0; piece < pieces; piece++) {
        const share = piece / pieces;
        points.push(
          this.at({ x: point.x + (next.x - point.x) * share, y: point.y + (next.y - point.y) * share }),
        );
      }
    });
    return [
      ...points.map(({ x, y }, nth): PathStep => step(nth === 0 ? 'M' : 'L', x, y)),
      { type: 'Z', values: [] },
    ];
  }

  /**
   * Stripes over polygons, as thin rectangles.
   * @param way The direction they run in: 1 down to the right, -1 up to the right, 0 level.
   * @param over Only where any of these lies too.
   */
  stripes(
    polygons: readonly Polygon[],
    way: -1 | 0 | 1,
    pitch: number,
    thick: number,
    over?: readonly Polygon[],
  ): readonly PathStep[] {
    const { x, y, width, height } = this.box;
    const [inSome, inOver] = [this.#insideOf(polygons), over && this.#insideOf(over)];
    const isIn = (place: Point) => inSome(place) && (inOver?.(place) ?? true);
    const steps: PathStep[] = [];
    const draw = (from: Point, to: Point) => {
      const [dx, dy] = way === 0 ? [0, thick / 2] : [thick / 2.83, (-way * thick) / 2.83];
      steps.push(
        step('M', from.x - dx, from.y - dy),
        step('L', to.x - dx, to.y - dy),
        step('L', to.x + dx, to.y + dy),
        step('L', from.x + dx, from.y + dy),
        { type: 'Z', values: [] },
      );
    };
    const first = way === 1 ? -height : 0;
    const last = way === 0 ? height : way === 1 ? width : width + height;
    for (let offset = first; offset < last; offset += pitch) {
      let start: Point | undefined;
      let before: Point | undefined;
      const count = way === 0 ? width : height;
      for (let along = 0; along <= count; along += stripeStep) {
        const place =
          way === 0 ? { x: x + along, y: y + offset } : { x: x + offset + way * along, y: y + along };
        const isSeen = place.x >= x && place.x <= x + width && isIn(place);
        if (isSeen) start ??= place;
        else if (start) {
          draw(start, before!);
          start = undefined;
        }
        before = place;
      }
      if (start) draw(start, before!);
    }
    return steps;
  }

  /** Whether a place of the drawing lies in any of some polygons. */
  #insideOf(polygons: readonly Polygon[]): (place: Point) => boolean {
    const known = polygons.map((polygon) => {
      const { left, top, right, bottom } = boundsOf(polygon);
      return { polygon, from: this.at({ x: left, y: top }), to: this.at({ x: right, y: bottom }) };
    });
    return (place) => {
      const screen = this.screenAt(place);
      return known.some(({ polygon, from, to }) => {
        if (place.x < from.x || place.x > to.x || place.y < from.y || place.y > to.y) return false;
        return depthIn(polygon, screen) >= 0;
      });
    };
  }
}

/** Stripes start and end within so many px of where they should. */
const stripeStep = 2;

/** Places are right to a twentieth of a px: more digits are seen by nobody, and make up half of a page. */
function step(type: 'M' | 'L', x: number, y: number): PathStep {
  return { type, values: [Math.round(x * 10) / 10, Math.round(y * 10) / 10] };
}
