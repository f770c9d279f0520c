import { boundsOf, contains, subtract, type Point, type Polygon } from './polygon.ts';

/** Cells of one part of the plane that are known. */
export class KnownCells {
  readonly #all: { readonly polygon: Polygon; readonly bounds: ReturnType<typeof boundsOf> }[] = [];

  add(polygon: Polygon): void {
    this.#all.push({ polygon, bounds: boundsOf(polygon) });
  }

  /** The one that a point is in. */
  at(point: Point): Polygon | undefined {
    const { x, y } = point;
    return this.#all.find(
      ({ polygon, bounds: { left, right, top, bottom } }) =>
        x >= left && x <= right && y >= top && y <= bottom && contains(polygon, point),
    )?.polygon;
  }

  /** What of a polygon lies in none of them, as convex parts; slivers thinner than `least`, in px, are left out. */
  leave(polygon: Polygon, least: number): readonly Polygon[] {
    const all = this.#all.map((one) => one.polygon);
    return subtract([polygon], all, least);
  }
}
