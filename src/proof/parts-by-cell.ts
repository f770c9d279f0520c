import type { CheckId } from '../checks/index.ts';
import { keyOfPolygon, subtract, type Polygon } from './polygon.ts';

/** Sizes on which a check fails of somebody. */
export interface Part {
  /** The cell it is in, and no other one. */
  readonly cell: number;
  readonly polygon: Polygon;
}

/** What is told of each check, by what it is told of and by cells: two parts that have sizes in common are of one cell. */
export class PartsByCell {
  readonly #known = new Map<string, Map<string, Polygon>>();

  add(check: CheckId, of: string, parts: readonly Part[]): void {
    for (const { cell, polygon } of parts) {
      const key = keyOf(check, of, cell);
      let own = this.#known.get(key);
      if (!own) this.#known.set(key, (own = new Map<string, Polygon>()));
      own.set(keyOfPolygon(polygon), polygon);
    }
  }

  /** What of some parts is told of with none of some others, as convex parts; slivers thinner than `least`, in px, are left out. */
  without(
    check: CheckId,
    others: readonly string[],
    parts: readonly Part[],
    least: number,
  ): readonly Polygon[] {
    return parts.flatMap(({ cell, polygon }) => {
      const own = keyOfPolygon(polygon);
      let left: readonly Polygon[] = [polygon];
      for (const of of others) {
        const known = this.#known.get(keyOf(check, of, cell));
        if (known?.has(own)) return [];
        if (known) left = subtract(left, known.values(), least);
      }
      return left;
    });
  }
}

function keyOf(check: CheckId, of: string, cell: number): string {
  return `${check}\n${of}\n${cell}`;
}
