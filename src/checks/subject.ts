import type { Tree, Widget } from '../build/index.ts';
import type { Kind } from '../document/index.ts';
import { clips, placeText, turnOf, turned, type PlacedText } from '../ink/index.ts';
import type { Layout, Rect } from '../layout/index.ts';
import type { Picture } from '../picture/index.ts';
import type { Screen } from '../screen/index.ts';
import type { Messages, TextLine } from '../text/index.ts';
import type { Backdrop, ViewLayout } from '../view/index.ts';
import { hasArea, intersection } from './geometry.ts';

/** A view laid out on one screen, as checks look at it. All rectangles are in device px, not rounded. */
export class Subject {
  readonly tree: Tree;
  readonly layout: Layout;
  readonly screen: Screen;
  readonly backdrops: readonly Backdrop[];
  /** The messages its texts are from. */
  readonly messages: Messages;
  readonly pictures: ReadonlyMap<string, Picture>;
  readonly #clips: (Rect | undefined)[];
  readonly #cutters: (Rect | undefined)[];
  readonly #visuals: (Rect | undefined)[];
  /** Index of the topmost dialog; 0 for none. */
  #dialog: number | undefined;
  readonly #placed: (PlacedText | undefined)[] = [];
  /** When each widget is drawn. */
  #places: Uint32Array | undefined;
  #ids: ReadonlyMap<string, number> | undefined;
  readonly #reference: () => ViewLayout;

  /** @param reference The view laid out on its reference; worked out when a check asks for it. */
  constructor(on: ViewLayout, reference: () => ViewLayout) {
    this.#reference = reference;
    this.tree = on.tree;
    this.layout = on.layout;
    this.screen = on.screen;
    this.backdrops = on.view.backdrops;
    this.messages = on.view.variant.messages;
    this.pictures = on.view.variant.pictures;
    this.#clips = new Array<Rect | undefined>(this.tree.widgets.length).fill(undefined);
    this.#cutters = new Array<Rect | undefined>(this.tree.widgets.length).fill(undefined);
    this.#visuals = new Array<Rect | undefined>(this.tree.widgets.length).fill(undefined);
    for (const { index, parent } of this.tree.widgets) {
      if (index === 0) continue;
      const outer = this.tree.widgets[parent]!;
      const above = this.#clips[parent];
      const own = clips(outer) ? this.layout.rect(parent) : undefined;
      this.#clips[index] = above && own ? intersection(above, own) : (own ?? above);
      // What is scrolled out of sight can be scrolled into it: nothing of it is lost.
      const scrolls = 'scroll' in outer.source && outer.source.scroll !== undefined;
      this.#cutters[index] = scrolls ? undefined : own ? this.#clips[index] : this.#cutters[parent];
    }
  }

  get widgets(): readonly Widget[] {
    return this.tree.widgets;
  }

  get screenRect(): Rect {
    return { x: 0, y: 0, width: this.screen.width, height: this.screen.height };
  }

  get safeRect(): Rect {
    const { safe, width, height } = this.screen;
    return {
      x: safe.left,
      y: safe.top,
      width: width - safe.left - safe.right,
      height: height - safe.top - safe.bottom,
    };
  }

  /** What the widgets around cut it to; undefined where nothing does. */
  clip(index: number): Rect | undefined {
    return this.#clips[index];
  }

  /** What cuts it off for good; undefined where nothing does. */
  cutter(index: number): Rect | undefined {
    return this.#cutters[index];
  }

  /** The index of the widget of an id; undefined where it is not there on this screen. */
  indexOf(id: string): number | undefined {
    this.#ids ??= new Map(this.tree.widgets.map((widget) => [widget.id, widget.index]));
    return this.#ids.get(id);
  }

  /** The border box of the widget of an id. */
  rectOf(id: string): Rect | undefined {
    const index = this.indexOf(id);
    return index === undefined ? undefined : this.layout.rect(index);
  }

  /** The view laid out on its reference. */
  onReference(): ViewLayout {
    return this.#reference();
  }

  /** Whether a widget is there for a player: not hidden, and with an area. */
  isThere(index: number): boolean {
    const { visible, look } = this.tree.widgets[index]!;
    return index > 0 && visible && look.opacity > 0 && hasArea(this.layout.rect(index));
  }

  /** Whether the widget or anything in it draws something. */
  paintsWithin(index: number): boolean {
    if (this.paints(index)) return true;
    // Widgets stand right behind what they are in.
    for (let at = index + 1; at < this.tree.widgets.length && this.isWithin(at, index); at++)
      if (this.paints(at)) return true;
    return false;
  }

  /** Whether the widget draws something of its own. */
  paints(index: number): boolean {
    const { visible, kind, look, text, picture } = this.tree.widgets[index]!;
    if (!visible || look.opacity === 0 || index === 0) return false;
    if (alwaysDrawn.has(kind) || picture) return true;
    if (text && text.text.trim() !== '') return true;
    return hasBox(look);
  }

  /**
   * What is seen of a widget: the outlines of a bare text, else its border box; without what is cut off.
   */
  visualRect(index: number): Rect {
    const known = this.#visuals[index];
    if (known) return known;
    const widget = this.tree.widgets[index]!;
    const bareText = widget.kind === 'text' && !hasBox(widget.look);
    const whole = bareText ? this.textRect(index) : this.layout.rect(index);
    const clip = this.#clips[index];
    const seen = this.#turn(widget, whole);
    const rect = clip ? intersection(seen, clip) : seen;
    this.#visuals[index] = rect;
    return rect;
  }

  /** A rectangle of a widget as it is seen when it, or what it is in, is rotated or skewed. */
  #turn(widget: Widget, rect: Rect): Rect {
    let seen = rect;
    for (let at: Widget | undefined = widget; at; at = this.tree.widgets[at.parent]) {
      const turn = turnOf(at, this.layout);
      if (turn) seen = turned(seen, turn);
    }
    return seen;
  }

  /** The lines of a widget's text at the width it was given. */
  lines(index: number): readonly TextLine[] {
    return this.placed(index).lines.map(({ line }) => line);
  }

  /** The text of a widget in its place; of a widget that has one. */
  placed(index: number): PlacedText {
    return (this.#placed[index] ??= placeText(this.tree.widgets[index]!, this.layout));
  }

  /** The rectangle around the outlines of a text. */
  textRect(index: number): Rect {
    const widget = this.tree.widgets[index]!;
    const { text } = widget;
    if (!text) return this.layout.rect(index);
    const placed = this.placed(index).ink;
    const { scale, originX, originY } = this.layout.frame;
    return {
      x: originX + placed.x * scale,
      y: originY + placed.y * scale,
      width: placed.width * scale,
      height: placed.height * scale,
    };
  }

  /** The part of a widget that a player can see: on the screen and not cut off. */
  isSeen(index: number): boolean {
    return !this.isBehindDialog(index) && hasArea(intersection(this.visualRect(index), this.screenRect));
  }

  /** Whether a dialog that is open has taken its place: whatever is behind is not to be read or used. */
  isBehindDialog(index: number): boolean {
    this.#dialog ??=
      this.tree.order.findLast((at) => {
        const { kind, visible, look } = this.tree.widgets[at]!;
        return kind === 'dialog' && visible && look.opacity > 0;
      }) ?? 0;
    if (this.#dialog === 0 || this.isWithin(index, this.#dialog)) return false;
    return this.#place(index) < this.#place(this.#dialog);
  }

  /** Whether a widget is drawn over another: later, and neither is in the other. */
  isAbove(above: number, index: number): boolean {
    if (this.#place(above) < this.#place(index)) return false;
    return !this.isWithin(index, above) && !this.isWithin(above, index);
  }

  /** When a widget is drawn. */
  #place(index: number): number {
    if (!this.#places) {
      this.#places = new Uint32Array(this.widgets.length);
      this.tree.order.forEach((one, at) => (this.#places![one] = at));
    }
    return this.#places[index]!;
  }

  /** Whether `outer` is the widget or one around it. */
  isWithin(index: number, outer: number): boolean {
    for (let at = index; at >= outer && at >= 0; at = this.tree.widgets[at]!.parent)
      if (at === outer) return true;
    return false;
  }
}

/** Kinds that take the focus, are pressed or dragged. */
export const controls: ReadonlySet<Kind> = new Set(['button', 'checkbox', 'switch', 'slider', 'textbox']);

/** Kinds that draw something whatever their look. */
const alwaysDrawn: ReadonlySet<Kind> = new Set(['meter', ...controls]);

function hasBox(look: Widget['look']): boolean {
  return look.background !== undefined || (look.borderWidth > 0 && look.borderColor !== undefined);
}
