import { edgesOver, type EdgeName } from '../../scene/index.ts';

type Distances = Readonly<Record<EdgeName, number>>;

const none: Distances = { left: 0, right: 0, top: 0, bottom: 0 };

/** What a widget carries over an edge with it is told once, of that widget. Widgets are asked in the order of the tree. */
export class CarriedOver {
  readonly #reached = new Map<number, Distances>();

  /** The edges over which a widget reaches by more than a limit, and further than what it is in; the worst first. */
  own(index: number, parent: number, over: Distances, limit: number) {
    const above = this.above(parent);
    const own = edgesOver(over, limit).filter(({ edge, distance }) => distance > above[edge]);
    if (own.length > 0) this.#reached.set(index, furthest(above, over));
    else this.passOn(index, parent);
    return own;
  }

  /** A widget of which nothing is told: what is in it is held against what it is in itself. */
  passOn(index: number, parent: number): void {
    const above = this.#reached.get(parent);
    if (above) this.#reached.set(index, above);
  }

  /** How far a widget or what it is in is told to reach over each edge. */
  above(parent: number): Distances {
    return this.#reached.get(parent) ?? none;
  }

  /** A widget that is told to reach so far over two edges at once, in a corner. */
  inCorner(index: number, parent: number, edges: readonly EdgeName[], distance: number): void {
    const over = { ...none };
    for (const edge of edges) over[edge] = distance;
    this.#reached.set(index, furthest(this.above(parent), over));
  }
}

function furthest(one: Distances, other: Distances): Distances {
  return {
    left: Math.max(one.left, other.left),
    right: Math.max(one.right, other.right),
    top: Math.max(one.top, other.top),
    bottom: Math.max(one.bottom, other.bottom),
  };
}
