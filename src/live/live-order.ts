import { drawingOrder, raisedAmong, zOf } from '../skeleton/index.ts';
import type { LiveNode } from './node.ts';

/** The order in which the widgets of a live view are drawn. It is worked out when all changes that it follows from are made. */
export class LiveOrder {
  /** Indexes in drawing order. */
  indexes: readonly number[];
  /** Those that are drawn out of the order they are written in. */
  readonly #raised = new Set<LiveNode>();
  #isAnother = false;

  constructor(indexes: readonly number[]) {
    this.indexes = indexes;
  }

  /** Takes note of a widget that is there, and how high it lies. */
  know(node: LiveNode): void {
    this.#raised[zOf(node.bone.source) === 0 ? 'delete' : 'add'](node);
  }

  forget(node: LiveNode): void {
    this.#raised.delete(node);
  }

  /** Notes that a widget lies higher or lower. */
  move(node: LiveNode): void {
    this.know(node);
    this.#isAnother = true;
  }

  /** Notes that other widgets are there. */
  change(): void {
    this.#isAnother = true;
  }

  /** Works it out again where it follows from what was noted. Gives whether it did. @param end By index: the index after the last in it. */
  settle(nodes: readonly LiveNode[], end: ArrayLike<number>): boolean {
    if (!this.#isAnother) return false;
    const raised = raisedAmong(Array.from(this.#raised, ({ bone }) => bone));
    this.indexes = drawingOrder(nodes.length, raised, end);
    this.#isAnother = false;
    return true;
  }
}
