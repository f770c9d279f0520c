import type { CheckId } from '../checks/index.ts';
import { keyOfPolygon, subtract, type Polygon } from './polygon.ts';

/** Sizes on which a check fails of somebody. */
export interface Part {
  /** The cell it is in, and no other one. */
  readonly cell: number;
  readonly polygon: Polygon;
}

/** What is told of each check, by cells: two parts that have sizes in common are of one cell. */
export class PartsByCell {
  readonly #known = new Map<string, Map<string, Polygon>>();

  add(check: CheckId, parts: readonly Part[]): void {
    for (const { cell, polygon } of parts) {
      const key = `${check} ${cell}`;
      let own = this.#known.get(key);
      if (!own) this.#known.set(key, (own = new Map<string, Polygon>()));
      own.set(keyOfPolygon(polygon), polygon);
    }
  }

  /** What of some parts is told of with nothing else, as convex parts; slivers thinner than `least`, in px, are left out. */
  without(check: CheckId, parts: readonly Part[], least: number): readonly Polygon[] {
    return parts.flatMap(({ cell, polygon }) => {
      const own = this.#known.get(`${check} ${cell}`);
      if (!own) return [polygon];
      return own.has(keyOfPolygon(polygon)) ? [] : subtract([polygon], own.values(), least);
    });
  }
}
