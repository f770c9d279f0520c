import type { WidgetSource } from '../document/index.ts';
import type { Layout } from '../layout/index.ts';
import type { LiveNode } from './node.ts';

/** The scrollbars of a live view: they are drawn again when what they scroll is scrolled, or grows. */
export class Scrollbars {
  #bars: { readonly node: LiveNode; readonly seen: Float64Array }[] = [];

  /** There are other widgets. */
  renew(nodes: readonly LiveNode[]): void {
    this.#bars = nodes
      .filter(({ bone }) => bone.kind === 'scrollbar')
      .map((node) => ({ node, seen: new Float64Array(6).fill(NaN) }));
  }

  /** Calls for each that shows something else than when this was last called. */
  changed(layout: Layout, find: (id: string) => number | undefined, call: (node: LiveNode) => void): void {
    for (const { node, seen } of this.#bars) {
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
      call(node);
    }
  }
}
