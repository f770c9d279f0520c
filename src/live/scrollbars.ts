import type { WidgetSource } from '../document/index.ts';
import type { Layout } from '../layout/index.ts';
import type { LiveNode } from './node.ts';

/** A scrollbar, or a sign of more. */
interface Bar {
  readonly node: LiveNode;
  /** What it last showed. */
  readonly seen: Float64Array;
  /** For how many ms nothing was scrolled; undefined for one that never hides. */
  rested: number | undefined;
}

/**
 * The scrollbars and signs of more of a live view: they are drawn again when what they belong to is scrolled, or grows, and
 * may hide when it is not.
 */
export class Scrollbars {
  #bars: Bar[] = [];

  /** There are other widgets. */
  renew(bars: Iterable<LiveNode>): void {
    this.#bars = [...bars].map((node) => ({
      node,
      seen: new Float64Array(6).fill(NaN),
      rested: hidesAfter(node) === undefined ? undefined : 0,
    }));
  }

  /**
   * Time goes by without a scroll.
   * @param hide Called for each that is to be out of sight from now on.
   * @returns whether any is still to hide.
   */
  later(ms: number, hide: (node: LiveNode) => void): boolean {
    let isWaiting = false;
    for (const bar of this.#bars) {
      const after = hidesAfter(bar.node);
      if (bar.rested === undefined || after === undefined || bar.rested >= after) continue;
      bar.rested += ms;
      if (bar.rested >= after) hide(bar.node);
      else isWaiting = true;
    }
    return isWaiting;
  }

  /** Calls for each that shows something else than when this was last called. */
  changed(layout: Layout, find: (id: string) => number | undefined, call: (node: LiveNode) => void): void {
    for (const bar of this.#bars) {
      const { node, seen } = bar;
      const { controls } = node.bone.source as WidgetSource;
      const target = controls === undefined ? undefined : find(controls);
      const scroll = target === undefined ? undefined : layout.scroll(target);
      if (!scroll) continue;
      const { x, y } = scroll;
      const isSame =
        seen[0] === x.at &&
        seen[1] === x.range &&
        seen[2] === x.shown &&
        seen[3] === y.at &&
        seen[4] === y.range &&
        seen[5] === y.shown;
      if (isSame) continue;
      seen.set([x.at, x.range, x.shown, y.at, y.range, y.shown]);
      if (bar.rested !== undefined) bar.rested = 0;
      call(node);
    }
  }
}

/** Whether what a widget shows follows from what is scrolled. */
export function isBar({ bone }: LiveNode): boolean {
  return bone.kind === 'scrollbar' || 'shows-more' in bone.source;
}

function hidesAfter({ bone }: LiveNode): number | undefined {
  return (bone.source as WidgetSource)['hides-after'];
}
