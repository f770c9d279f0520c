import type { Tree, Widget } from '../dress/index.ts';
import { clips, inkInto, setText } from '../inside/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import type { Screen } from '../screen/index.ts';
import type { SetText } from '../text/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { Effort } from './effort.ts';
import { across, rectIn } from './frames.ts';
import { isBareText, type FormScene, type TextWidget } from './form-scene.ts';
import { enlarged, intersection, overshoot, safeRectOf, worstEdge } from './geometry.ts';
import { RectGrid } from './rect-grid.ts';

/** Numbers of a rectangle in the arrays: x, y, width, height. */
const stride = 4;

/**
 * A view laid out on one screen as flat arrays: where every widget is, what is seen of it, in which order, what cuts it
 * off. For checks, hits and painters. All numbers are device px, not rounded; widgets go by their index.
 */
export class Scene {
  readonly tree: Tree;
  readonly layout: Layout;
  readonly screen: Screen;
  readonly screenRect: Rect;
  readonly safeRect: Rect;
  /** What is the same on other screens. */
  readonly form: FormScene;
  /** What the check that runs may still compare. */
  readonly effort = new Effort();
  readonly #boxes: Float64Array;
  /** What is seen of widgets; NaN where nobody has asked yet. */
  readonly #seen: Float64Array;
  readonly #clips: readonly (Rect | undefined)[] | undefined;
  readonly #cutters: readonly (Rect | undefined)[] | undefined;
  readonly #rects: (Rect | undefined)[] = [];
  readonly #visuals: (Rect | undefined)[] = [];
  /** x, y, width, height of the outlines of texts; NaN where nobody has asked yet. */
  readonly #inks: Float64Array;

  constructor(on: ViewLayout, form: FormScene) {
    this.form = form;
    this.tree = on.tree;
    this.layout = on.layout;
    this.screen = on.screen;
    const { width, height } = on.screen;
    this.screenRect = { x: 0, y: 0, width, height };
    this.safeRect = safeRectOf(on.screen);
    const { count } = this.layout;
    this.#boxes = new Float64Array(stride * count);
    this.layout.boxesInto(this.#boxes);
    this.#seen = new Float64Array(stride * count).fill(NaN);
    this.#inks = new Float64Array(stride * count).fill(NaN);
    if (!form.anyClips) return;
    const cut: (Rect | undefined)[] = [undefined];
    const cutters: (Rect | undefined)[] = [undefined];
    for (const { index, parent } of this.tree.widgets) {
      if (index === 0) continue;
      const outer = this.tree.widgets[parent]!;
      const above = cut[parent];
      if (form.turner[index] !== form.turner[parent]) {
        cut[index] = commonOf(this.clippers(index).map((by) => this.borderIn(by, index)));
        cutters[index] = commonOf(
          this.cutters(index).map((by) => rectIn(by.rect, across(this, by.index, index))),
        );
        continue;
      }
      const own = clips(outer) ? this.rect(parent) : undefined;
      cut[index] = above && own ? intersection(above, own) : (own ?? above);
      // What is scrolled out of sight can be scrolled into it: nothing of it is lost along that axis.
      const scroll = 'scroll' in outer.source ? outer.source.scroll : undefined;
      const before = cutters[parent];
      const lost = own && before ? intersection(own, before) : (own ?? before);
      cutters[index] = scroll === undefined ? lost : unbounded(lost!, scroll);
    }
    this.#clips = cut;
    this.#cutters = cutters;
  }

  get widgets(): readonly Widget[] {
    return this.tree.widgets;
  }

  /** Widgets that draw something and have a text. */
  get texts(): readonly TextWidget[] {
    return this.form.texts;
  }

  /** The border box. */
  rect(index: number): Rect {
    return (this.#rects[index] ??= this.layout.rect(index));
  }

  /** Whether a border box has an area. */
  hasArea(index: number): boolean {
    const at = stride * index;
    const boxes = this.#boxes;
    return boxes[at + 2]! > 0 && boxes[at + 3]! > 0;
  }

  /** How far the border box of a widget reaches over that of another at the edge where it is most; below 0 where it does not. */
  reach(index: number, outer: number): number {
    const boxes = this.#boxes;
    const [one, other] = [stride * index, stride * outer];
    return Math.max(
      boxes[other]! - boxes[one]!,
      boxes[other + 1]! - boxes[one + 1]!,
      boxes[one]! + boxes[one + 2]! - (boxes[other]! + boxes[other + 2]!),
      boxes[one + 1]! + boxes[one + 3]! - (boxes[other + 1]! + boxes[other + 3]!),
    );
  }

  /** How far what is seen of a widget reaches over a rectangle, in the same way; below 0 where nothing is seen of it. */
  seenReach(index: number, { x, y, width, height }: Rect): number {
    const at = this.#seenAt(index);
    const seen = this.#seen;
    if (!(seen[at + 2]! > 0 && seen[at + 3]! > 0)) return -Infinity;
    return Math.max(
      x - seen[at]!,
      y - seen[at + 1]!,
      seen[at]! + seen[at + 2]! - (x + width),
      seen[at + 1]! + seen[at + 3]! - (y + height),
    );
  }

  /** Widgets to be found by where they are; what is found is paid for. */
  gridOf(indexes: readonly number[], rectOf: (index: number) => Rect): RectGrid {
    return new RectGrid(indexes, rectOf, this.effort);
  }

  /**
   * Calls with every two painted widgets of which something is seen in the same place and neither is in the other, the
   * earlier first, in document order.
   */
  meetings(call: (one: number, other: number) => void): void {
    const { painted } = this.form;
    const grid = this.gridOf(painted, (index) => this.visualRect(index));
    for (const one of painted) {
      const rect = this.visualRect(one);
      if (!(rect.width > 0 && rect.height > 0)) continue;
      const others: number[] = [];
      for (const other of grid.meeting(rect))
        if (other > one && !this.isWithin(other, one)) others.push(other);
      if (others.length > 1) others.sort((a, b) => a - b);
      for (const other of others) call(one, other);
    }
  }

  /** What the widgets around cut it to, in its own frame: of one that is turned otherwise, the upright rectangle around; undefined where nothing does. */
  clip(index: number): Rect | undefined {
    return this.#clips?.[index];
  }

  /** The index of the innermost widget around it that cuts some of it off for good; undefined where none does. */
  cutterOf(index: number): number | undefined {
    const rect = this.tree.widgets[index]!.text ? this.textRect(index) : this.rect(index);
    for (let at = this.tree.widgets[index]!.parent; at > 0; at = this.tree.widgets[at]!.parent) {
      const widget = this.tree.widgets[at]!;
      if (!clips(widget)) continue;
      const scroll = 'scroll' in widget.source ? widget.source.scroll : undefined;
      const bounds = scroll === undefined ? this.rect(at) : unbounded(this.rect(at), scroll);
      const inside = rectIn(rect, across(this, index, at));
      if (bounds && worstEdge(overshoot(inside, bounds)).distance > 0) return at;
    }
    return undefined;
  }

  /** What cuts it off for good, in its own frame, too; undefined where nothing does. */
  cutter(index: number): Rect | undefined {
    return this.#cutters?.[index];
  }

  /** The index of the widget of an id; undefined where it is not there on this screen. */
  indexOf(id: string): number | undefined {
    return this.form.indexes.get(id);
  }

  /** The border box of the widget of an id. */
  rectOf(id: string): Rect | undefined {
    const index = this.indexOf(id);
    return index === undefined ? undefined : this.rect(index);
  }

  /** Whether a widget is there for a player: not hidden, and with an area. */
  isThere(index: number): boolean {
    const { visible } = this.tree.widgets[index]!;
    return index > 0 && visible && this.form.opacity[index]! > 0 && this.hasArea(index);
  }

  /** Whether a widget would get input where it lies, even if nothing of it is seen (`pointer-events` of CSS UI 4). */
  takesInput(index: number): boolean {
    const { visible } = this.tree.widgets[index]!;
    return index > 0 && visible && this.hasArea(index) && this.form.letsThrough[index] === 0;
  }

  /** Whether the widget or anything in it draws something. */
  paintsWithin(index: number): boolean {
    return this.form.paintsWithin[index] === 1;
  }

  /** Whether the widget draws something of its own. */
  paints(index: number): boolean {
    return this.form.paints[index] === 1;
  }

  /**
   * What is seen of a widget: the outlines of a bare text, else its border box; without what is cut off.
   */
  visualRect(index: number): Rect {
    const known = this.#visuals[index];
    if (known) return known;
    return (this.#visuals[index] = this.#rectAt(this.#seenAt(index)));
  }

  /** The same before anything cuts it off. */
  ownRect(index: number): Rect {
    const whole = this.uprightRect(index);
    return rectIn(whole, across(this, index, 0));
  }

  /** The same before it is turned, or what it is in. */
  uprightRect(index: number): Rect {
    return isBareText(this.tree.widgets[index]!) ? this.textRect(index) : this.rect(index);
  }

  /** What is seen of a widget beside another one: as large as it is drawn, before both are turned where the same turns them, else as it is on the screen. */
  seenBeside(index: number, other: number): Rect {
    if (!this.isTurnedWith(index, other)) return this.visualRect(index);
    const clip = this.clip(index);
    const whole = this.uprightRect(index);
    return enlarged(clip ? intersection(whole, clip) : whole, this.form.scale[index]!);
  }

  /** The upright rectangle around the border box in the frame of another one. */
  borderIn(index: number, other: number): Rect {
    return rectIn(this.rect(index), across(this, index, other));
  }

  /** The border box as large as it is drawn, in its own frame. */
  drawnBorder(index: number): Rect {
    return enlarged(this.rect(index), this.form.scale[index]!);
  }

  /** The border box beside that of another one, in the same way. */
  borderBeside(index: number, other: number): Rect {
    if (!this.isTurnedWith(index, other)) return this.turnedRect(index);
    return this.drawnBorder(index);
  }

  /** What is seen of both of two widgets. */
  sharedBy(one: number, other: number): Rect {
    return intersection(this.seenBeside(one, other), this.seenBeside(other, one));
  }

  /** Whether two widgets are turned, and by the same: they lie beside each other as if they were not. */
  isTurnedWith(index: number, other: number): boolean {
    const { turner } = this.form;
    return turner[index]! > 0 && turner[index] === turner[other];
  }

  /** How many device px a u inside of a widget is drawn with. */
  drawnScale(index: number): number {
    return this.layout.scale(index) * this.form.scale[index]!;
  }

  /** The border box as it is seen, turned with what it is in: the upright rectangle around it. */
  turnedRect(index: number): Rect {
    return this.borderIn(index, 0);
  }

  /** The widgets around one that cut it off, from the innermost: what is seen of it is what their border boxes all leave. */
  clippers(index: number): readonly number[] {
    const found: number[] = [];
    for (let at = this.tree.widgets[index]!.parent; at >= 0; at = this.tree.widgets[at]!.parent)
      if (clips(this.tree.widgets[at]!)) found.push(at);
    return found;
  }

  /** The widgets around one that cut it off for good. */
  cutters(index: number): readonly Cutter[] {
    const found: Cutter[] = [];
    const scrolls: Axes[] = [];
    for (let at = this.tree.widgets[index]!.parent; at >= 0; at = this.tree.widgets[at]!.parent) {
      const widget = this.tree.widgets[at]!;
      const scroll = 'scroll' in widget.source ? widget.source.scroll : undefined;
      if (scroll !== undefined) scrolls.push(scroll);
      const rect = clips(widget) ? unboundedAll(this.rect(at), scrolls) : undefined;
      if (rect) found.push({ index: at, rect });
    }
    return found;
  }

  /** Where what is seen of a widget stands in its array; worked out when it is first asked for. */
  #seenAt(index: number): number {
    const at = stride * index;
    const seen = this.#seen;
    // NaN is not equal to itself.
    if (seen[at] === seen[at]) return at;
    const widget = this.tree.widgets[index]!;
    const isBare = isBareText(widget);
    if (isBare) this.#inkAt(widget);
    const from = isBare ? this.#inks : this.#boxes;
    for (let nth = 0; nth < stride; nth++) seen[at + nth] = from[at + nth]!;
    if (this.form.turner[index]) {
      this.#put(at, rectIn(this.#rectAt(at), across(this, index, 0)));
      if (this.#clips)
        for (const outer of this.clippers(index))
          this.#put(at, intersection(this.#rectAt(at), this.turnedRect(outer)));
      return at;
    }
    const clip = this.clip(index);
    if (clip) this.#put(at, intersection(this.#rectAt(at), clip));
    return at;
  }

  #rectAt(at: number): Rect {
    const seen = this.#seen;
    return { x: seen[at]!, y: seen[at + 1]!, width: seen[at + 2]!, height: seen[at + 3]! };
  }

  #put(at: number, { x, y, width, height }: Rect): void {
    const seen = this.#seen;
    seen[at] = x;
    seen[at + 1] = y;
    seen[at + 2] = width;
    seen[at + 3] = height;
  }

  /** Where the outlines of a text stand in their array; worked out when they are first asked for. */
  #inkAt(widget: Widget): number {
    const at = stride * widget.index;
    const inks = this.#inks;
    if (inks[at] === inks[at]) return at;
    inkInto(widget, this.layout, inks, at);
    const { scale, originX, originY } = this.layout.frame;
    inks[at] = originX + inks[at]! * scale;
    inks[at + 1] = originY + inks[at + 1]! * scale;
    inks[at + 2] = inks[at + 2]! * scale;
    inks[at + 3] = inks[at + 3]! * scale;
    return at;
  }

  /** The text of a widget as it is set in the room it was given; of a widget that has one. */
  text(index: number): SetText {
    return setText(this.tree.widgets[index]!, this.layout);
  }

  /** The rectangle around the outlines of a text. */
  textRect(index: number): Rect {
    const widget = this.tree.widgets[index]!;
    if (!widget.text) return this.rect(index);
    const at = this.#inkAt(widget);
    const inks = this.#inks;
    return { x: inks[at]!, y: inks[at + 1]!, width: inks[at + 2]!, height: inks[at + 3]! };
  }

  /** The part of a widget that a player can see: on the screen and not cut off. */
  isSeen(index: number): boolean {
    if (this.isBehindDialog(index)) return false;
    const at = this.#seenAt(index);
    const seen = this.#seen;
    const [x, y] = [seen[at]!, seen[at + 1]!];
    const across = Math.min(x + seen[at + 2]!, this.screen.width) - Math.max(x, 0);
    if (!(across > rounding)) return false;
    return Math.min(y + seen[at + 3]!, this.screen.height) - Math.max(y, 0) > rounding;
  }

  /** Whether a dialog that is open has taken its place: whatever is behind is not to be read or used. */
  isBehindDialog(index: number): boolean {
    return this.form.behindDialog[index] === 1;
  }

  /** Whether a widget is drawn over another: later, and neither is in the other. */
  isAbove(above: number, index: number): boolean {
    if (this.form.places[above]! < this.form.places[index]!) return false;
    return !this.isWithin(index, above) && !this.isWithin(above, index);
  }

  /** Whether `outer` is the widget or one around it. */
  isWithin(index: number, outer: number): boolean {
    return this.form.isWithin(index, outer);
  }
}

/** What cuts off what is in it. */
export interface Cutter {
  readonly index: number;
  /** Its border box in its own frame, without its ends along the axes that something inside of it scrolls: what is lost is lost there. */
  readonly rect: Rect;
}

function commonOf(rects: readonly Rect[]): Rect | undefined {
  return rects.length === 0 ? undefined : rects.reduce(intersection);
}

/** The axes along which something scrolls. */
type Axes = 'x' | 'y' | 'both';

function unboundedAll(rect: Rect, scrolls: readonly Axes[]): Rect | undefined {
  let left: Rect | undefined = rect;
  for (const scroll of scrolls) left = left && unbounded(left, scroll);
  return left;
}

/** A rectangle without its ends along the axes that scroll; undefined where both do. */
function unbounded(rect: Rect, scroll: Axes): Rect | undefined {
  if (scroll === 'both') return undefined;
  return scroll === 'x' ? { ...rect, x: -far, width: 2 * far } : { ...rect, y: -far, height: 2 * far };
}

/** In px: beyond anything that is laid out. */
const far = 1e9;

/** In px: what lies against the edge of a screen may be a hair on it. */
const rounding = 1e-6;
