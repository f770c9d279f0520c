import type { WidgetSource } from '../document/index.ts';
import { LiveDrawing, type Followed, type FollowedNode, type KeptDrawing } from '../paint/index.ts';
import type { Screen } from '../screen/index.ts';
import type { ViewLayout } from '../view/index.ts';

/** Draws one layout after another on the same screen: only widgets that differ from those before are drawn anew. */
export class LayoutDrawing implements Followed {
  readonly #drawing = new LiveDrawing(this);
  #nodes: { index: number; parent: FollowedNode | undefined; stamp: number }[] = [];
  #touched: FollowedNode[] = [];
  #on: ViewLayout | undefined;
  #structure = 0;
  #version = 0;
  #whole = 0;

  /** The next layout as it is drawn, and where that differs from the one before. */
  update(on: ViewLayout): KeptDrawing {
    this.#version++;
    const before = this.#on;
    this.#on = on;
    this.#touched = [];
    if (before && isSameTree(before, on)) {
      for (const node of this.#nodes) {
        if (isSameWidget(before, on, node.index)) continue;
        node.stamp = this.#version;
        this.#touched.push(node);
      }
    } else this.#begin(on);
    return this.#drawing.update();
  }

  #begin({ widgets }: ViewLayout): void {
    this.#structure++;
    this.#whole = this.#version;
    this.#nodes = [];
    for (const { index, parent } of widgets)
      this.#nodes.push({ index, parent: this.#nodes[parent], stamp: this.#version });
  }

  get now(): Followed['now'] {
    return {
      on: this.#on!,
      nodes: this.#nodes,
      structure: this.#structure,
      version: this.#version,
      whole: this.#whole,
    };
  }

  takeTouched(): ReturnType<Followed['takeTouched']> {
    return { since: this.#version - 1, nodes: this.#touched };
  }
}

/** A screen that was sent from elsewhere is another object each time. */
function isSameScreen(one: Screen, other: Screen): boolean {
  return one === other || JSON.stringify(one) === JSON.stringify(other);
}

function isSameTree(one: ViewLayout, other: ViewLayout): boolean {
  const { frame } = one.layout;
  const next = other.layout.frame;
  return (
    isSameScreen(one.screen, other.screen) &&
    frame.scale === next.scale &&
    frame.originX === next.originX &&
    frame.originY === next.originY &&
    one.widgets.length === other.widgets.length &&
    one.widgets.every(({ id, parent }, index) => {
      const widget = other.widgets[index]!;
      return (
        widget.id === id && widget.parent === parent && one.tree.order[index] === other.tree.order[index]
      );
    })
  );
}

function isSameWidget(before: ViewLayout, on: ViewLayout, index: number): boolean {
  const widget = on.widgets[index]!;
  // What shows how far something else is scrolled follows from that one's content.
  if (widget.kind === 'scrollbar' || (widget.source as WidgetSource)['shows-more'] !== undefined)
    return false;
  const { layout } = on;
  return (
    widget === before.widgets[index] &&
    layout.isSameBox(index, before.layout, index) &&
    layout.scale(index) === before.layout.scale(index) &&
    JSON.stringify([layout.scroll(index), layout.padding(index)]) ===
      JSON.stringify([before.layout.scroll(index), before.layout.padding(index)])
  );
}
