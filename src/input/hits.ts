import type { WidgetSource } from '../document/index.ts';
import { isControl, type Tree, type Widget } from '../dress/index.ts';
import {
  clips,
  isInBox,
  isOnWidget,
  isTilted,
  turnedBack,
  turnedOn,
  turnsOf,
  type Turn,
} from '../inside/index.ts';
import type { LiveNode, LiveNow, LiveView } from '../live/index.ts';
import { RectGrid, dialogOf, letsInputThrough } from '../scene/index.ts';
import { isSquare } from '../theme/index.ts';

/** What lies under a point. */
export interface Hit {
  /** The topmost widget there that takes input. */
  readonly widget: string;
  /** The control it is, or is in; undefined where it is in none. */
  readonly control: string | undefined;
  /** Whether that control is disabled. */
  readonly isDisabled: boolean;
  /** The innermost widget around it that takes a drag: a slider, a divider, what is draggable or scrolls. */
  readonly grip: string | undefined;
}

const none: readonly Turn[] = [];

/** Rectangles are looked up in a grid once so many questions were asked of a view that did not change. */
const manyQuestions = 16;

/**
 * Finds the widget under a point: in drawing order from the top, through clips, turns and round corners, by the rules that the
 * check `swallowed-input` goes by. A widget takes input where it lies, seen or not, unless it is invisible or says
 * `pointer-events: none`; what an open dialog has taken the place of takes none.
 */
export class Hits {
  readonly #live: LiveView;
  #version = -1;
  #standing = -1;
  #sight = -1;
  #now: LiveNow | undefined;
  /** Indexes that take input if they have a size, in drawing order. */
  readonly #taking: number[] = [];
  /** Those of them that are rotated or skewed, or in what is: they may be anywhere. */
  readonly #askew: number[] = [];
  /** Ranges of indexes that a look scales: the first, and the one after the last. A look comes and goes with a state. */
  readonly #scaled: number[] = [];
  /** When each is drawn. */
  #places = new Uint32Array(0);
  /** 1 where a widget, or one it is in, says that it is rotated or skewed. */
  #turned = new Uint8Array(0);
  /** By index: what turns it, from the outside in, of those that were asked for. */
  readonly #turns = new Map<number, readonly Turn[]>();
  /** 1 where a widget takes input if it has a size. */
  #takes = new Uint8Array(0);
  /** 1 where a widget takes input in its upright box, but for round corners and a scale, which a state may give it. */
  #isUpright = new Uint8Array(0);
  /** Left, top, right and bottom in whole device px, and whether they are known. */
  #edges = new Float64Array(0);
  #isKnown = new Uint8Array(0);
  /** The open dialog on top: what lies beside it and behind its veil is its own. −1 for none. */
  #dialog = -1;
  #grid: RectGrid | undefined;
  #questions = 0;
  /** What may lie under a point: used again for the next one. */
  readonly #under: number[] = [];
  /** What was found last: a pointer that moves over the same widget makes nothing. */
  #last: { readonly index: number; readonly hit: Hit } | undefined;

  constructor(live: LiveView) {
    this.#live = live;
  }

  /** @param x In device px. @param y In device px. */
  at(x: number, y: number): Hit | undefined {
    this.#follow();
    const { nodes } = this.#now!;
    const found = this.#find(x, y);
    const index = found < 0 ? this.#dialog : found;
    if (index < 0) return undefined;
    if (this.#last?.index === index) return this.#last.hit;
    const hit = this.#hitOf(nodes[index]!);
    this.#last = { index, hit };
    return hit;
  }

  /**
   * The same for a finger, which covers more than a point: where no control lies under it, the nearest one within a way of it.
   * @param slop In device px.
   */
  near(x: number, y: number, slop: number): Hit | undefined {
    const hit = this.at(x, y);
    if (hit?.control !== undefined) return hit;
    const { on, nodes } = this.#now!;
    let found = hit;
    let least = slop;
    for (const index of this.#taking) {
      if (!isControl(nodes[index]!.bone) || !this.#hasSize(index)) continue;
      const rect = on.layout.rect(index);
      const turns = this.#turnsOf(index);
      const own = this.into(index, x, y);
      let [atX, atY] = [within(own.x, rect.x, rect.width), within(own.y, rect.y, rect.height)];
      for (let nth = turns.length - 1; nth >= 0; nth--) [atX, atY] = turnedOn(turns[nth]!.turn, atX, atY);
      const distance = Math.hypot(x - atX, y - atY);
      if (!(distance < least)) continue;
      // Only where it is to be seen: something else may lie over it there.
      const there = this.at(atX, atY);
      if (there?.control !== nodes[index]!.bone.id) continue;
      least = distance;
      found = there;
    }
    return found;
  }

  /** A point of the screen where it was before a widget, and what it is in, was turned. In device px. */
  into(index: number, x: number, y: number): { readonly x: number; readonly y: number } {
    this.#follow();
    for (const { turn } of this.#turnsOf(index)) [x, y] = turnedBack(turn, x, y);
    return { x, y };
  }

  #hitOf(node: LiveNode): Hit {
    let control: LiveNode | undefined = node;
    while (control && !isControl(control.bone)) control = control.parent;
    let grip: LiveNode | undefined = node;
    while (grip && !takesDrags(grip.widget) && !this.#scrolls(grip)) grip = grip.parent;
    return {
      widget: node.bone.id,
      control: control?.bone.id,
      isDisabled: control?.widget.states.includes('disabled') ?? false,
      grip: grip?.bone.id,
    };
  }

  #scrolls({ index, bone }: LiveNode): boolean {
    if (!bone.box.x.scrolls && !bone.box.y.scrolls) return false;
    const { x, y } = this.#live.scrollRange(index);
    return x > 0 || y > 0;
  }

  #follow(): void {
    const version = this.#live.update();
    if (version === this.#version) return;
    this.#version = version;
    // Whether a control is disabled may have changed.
    this.#last = undefined;
    const { standing, scaled } = this.#live;
    if (this.#scaled.length > 0 || scaled.size > 0) this.#followScaled(scaled);
    if (standing === this.#standing && this.#now) return;
    this.#standing = standing;
    this.#now = this.#live.now;
    this.#grid = undefined;
    this.#questions = 0;
    this.#turns.clear();
    const { sight } = this.#live;
    if (sight !== this.#sight) this.#lookWhoTakes(this.#now.on.tree);
    this.#sight = sight;
    this.#isKnown.fill(0);
  }

  #followScaled(scaled: ReadonlySet<LiveNode>): void {
    this.#turns.clear();
    this.#scaled.length = 0;
    const { nodes } = this.#live.now;
    for (const { index } of scaled) {
      let end = index + 1;
      while (end < nodes.length && nodes[end]!.parent!.index >= index) end++;
      this.#scaled.push(index, end);
    }
  }

  /** Whether a widget is drawn otherwise than it is laid out. */
  #isTurned(index: number): boolean {
    if (this.#turned[index] === 1) return true;
    const scaled = this.#scaled;
    for (let nth = 0; nth < scaled.length; nth += 2)
      if (index >= scaled[nth]! && index < scaled[nth + 1]!) return true;
    return false;
  }

  /** Who takes input does not follow from where they are. */
  #lookWhoTakes(tree: Tree): void {
    const { widgets, order } = tree;
    const count = widgets.length;
    const through = new Uint8Array(count);
    const { dialog, isBehind } = dialogOf(tree);
    this.#dialog = dialog;
    if (this.#places.length !== count) {
      this.#places = new Uint32Array(count);
      this.#turned = new Uint8Array(count);
      this.#isUpright = new Uint8Array(count);
      this.#takes = new Uint8Array(count);
      this.#isKnown = new Uint8Array(count);
      this.#edges = new Float64Array(4 * count);
    }
    this.#taking.length = 0;
    this.#askew.length = 0;
    for (let place = 0; place < order.length; place++) {
      const index = order[place]!;
      const widget = widgets[index]!;
      const { parent } = widget;
      this.#places[index] = place;
      through[index] = letsInputThrough(widget, parent >= 0 && through[parent] === 1) ? 1 : 0;
      this.#turned[index] = isTilted(widget) || (parent >= 0 && this.#turned[parent] === 1) ? 1 : 0;
      const takes = index > 0 && widget.visible && through[index] === 0 && !isBehind(index);
      this.#takes[index] = takes ? 1 : 0;
      if (!takes) continue;
      this.#taking.push(index);
      if (this.#turned[index] === 1) this.#askew.push(index);
      this.#isUpright[index] = this.#turned[index] === 0 && !('hit-area' in widget.source) ? 1 : 0;
    }
  }

  #hasSize(index: number): boolean {
    const { layout } = this.#now!.on;
    return layout.widthInU(index) > 0 && layout.heightInU(index) > 0;
  }

  /** Whether a point lies in the upright box of a widget. Makes no object where it was asked before. */
  #isInEdges(index: number, x: number, y: number): boolean {
    const edges = this.#edges;
    const at = 4 * index;
    if (this.#isKnown[index] === 0) {
      this.#isKnown[index] = 1;
      const rect = this.#now!.on.layout.pixelRect(index);
      edges[at] = rect.x;
      edges[at + 1] = rect.y;
      edges[at + 2] = rect.x + rect.width;
      edges[at + 3] = rect.y + rect.height;
    }
    return x >= edges[at]! && y >= edges[at + 1]! && x < edges[at + 2]! && y < edges[at + 3]!;
  }

  /** What turns a widget, from the outside in. */
  #turnsOf(index: number): readonly Turn[] {
    if (!this.#isTurned(index)) return none;
    const known = this.#turns.get(index);
    if (known) return known;
    const { layout, tree } = this.#now!.on;
    const turns = [...turnsOf(index, tree.widgets, layout)].reverse();
    this.#turns.set(index, turns);
    return turns;
  }

  #find(x: number, y: number): number {
    const taking = this.#taking;
    if (++this.#questions < manyQuestions) {
      for (let at = taking.length - 1; at >= 0; at--) if (this.#holds(taking[at]!, x, y)) return taking[at]!;
      return -1;
    }
    this.#grid ??= this.#gridOf(taking);
    let found = -1;
    const under = this.#under;
    this.#grid.under(x, y, under);
    for (let nth = 0; nth < this.#askew.length; nth++) under.push(this.#askew[nth]!);
    // They are in the grid where they are laid out.
    for (let nth = 0; nth < this.#scaled.length; nth += 2)
      for (let index = this.#scaled[nth]!; index < this.#scaled[nth + 1]!; index++)
        if (this.#takes[index] === 1) under.push(index);
    for (let nth = 0; nth < under.length; nth++) {
      const index = under[nth]!;
      if ((found < 0 || this.#places[index]! > this.#places[found]!) && this.#holds(index, x, y))
        found = index;
    }
    return found;
  }

  #gridOf(taking: readonly number[]): RectGrid {
    const { layout } = this.#now!.on;
    return new RectGrid(
      taking.filter((index) => this.#turned[index] === 0),
      (index) => layout.rect(index),
    );
  }

  /** Whether a point lies on a widget, and within all that cuts it off. */
  #holds(index: number, x: number, y: number): boolean {
    const { widgets } = this.#now!.on.tree;
    // Most are boxes that nothing turns.
    const isOn =
      this.#isUpright[index] === 1 && isSquare(widgets[index]!.look.radius) && !this.#isTurned(index)
        ? this.#isInEdges(index, x, y)
        : this.#hasSize(index) && this.#covers(index, x, y, isOnWidget);
    if (!isOn) return false;
    for (let at = widgets[index]!.parent; at >= 0; at = widgets[at]!.parent)
      if (clips(widgets[at]!) && !this.#covers(at, x, y, isInBox)) return false;
    return true;
  }

  /** Whether a point lies on a widget, as it is turned. */
  #covers(index: number, x: number, y: number, isOn: typeof isInBox): boolean {
    const { layout, tree } = this.#now!.on;
    for (const { turn } of this.#turnsOf(index)) [x, y] = turnedBack(turn, x, y);
    return isOn(tree.widgets[index]!, layout, x, y);
  }
}

/** The place in a stretch that is nearest to one; half a px inside of it. */
function within(at: number, from: number, length: number): number {
  const edge = Math.min(0.5, length / 2);
  return Math.min(from + length - edge, Math.max(from + edge, at));
}

/** Whether a widget is moved by a drag that starts on it. */
function takesDrags({ kind, source, states }: Widget): boolean {
  if (states.includes('disabled')) return false;
  if (kind === 'slider' || kind === 'textbox' || kind === 'scrollbar') return true;
  if (kind === 'separator') return (source as WidgetSource).value !== undefined;
  return 'draggable' in source && source.draggable === true;
}
