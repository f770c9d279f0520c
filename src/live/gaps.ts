import type { Range } from '../layout/index.ts';
import type { LiveNode } from './node.ts';

/** Widgets that take the place of others; `at` is where they stand once those before them stand where they will. */
export interface Gap extends Range {
  /** With all that is in them, parents before their children. */
  readonly nodes: readonly LiveNode[];
}

/** Works out between which widgets that stay some come and go, where all that will be there is told one after the other. */
export class Gaps {
  /** The first to the last. */
  readonly all: Gap[] = [];
  /** Widgets that stand elsewhere from now on. */
  readonly moved: LiveNode[] = [];
  readonly #nodes: readonly LiveNode[];
  readonly #end: ArrayLike<number>;
  /** The index of the first that is still to be looked at, and how much further back it will stand. */
  #at: number;
  #by = 0;
  #coming: LiveNode[] = [];

  /** @param from The index from which on it is told. @param end By index: the index after the last widget in it. */
  constructor(nodes: readonly LiveNode[], end: ArrayLike<number>, from: number) {
    this.#nodes = nodes;
    this.#end = end;
    this.#at = from;
  }

  add(node: LiveNode): void {
    this.#coming.push(node);
  }

  /** A widget is there as before, with all in it. */
  keep({ index }: LiveNode): void {
    const end = this.#end[index]!;
    if (index >= this.#at) {
      this.#close(index);
      this.#at = end;
      return;
    }
    // It stands behind one that stood behind it.
    for (let at = index; at < end; at++) {
      this.#coming.push(this.#nodes[at]!);
      this.moved.push(this.#nodes[at]!);
    }
  }

  /** Nothing more is told up to an index. */
  end(to: number): void {
    this.#close(to);
  }

  #close(to: number): void {
    const removed = to - this.#at;
    const nodes = this.#coming;
    if (removed === 0 && nodes.length === 0) return;
    this.all.push({ at: this.#at + this.#by, removed, added: nodes.length, nodes });
    this.#by += nodes.length - removed;
    this.#coming = [];
  }
}
