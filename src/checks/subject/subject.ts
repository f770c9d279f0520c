import type { Tree, Widget } from '../../dress/index.ts';
import { clips, placeText, turnOf, turned, type PlacedText } from '../../ink/index.ts';
import type { Layout, Rect } from '../../layout/index.ts';
import type { Picture } from '../../picture/index.ts';
import type { Screen } from '../../screen/index.ts';
import type { Messages, TextLine } from '../../text/index.ts';
import type { Backdrop, ViewLayout } from '../../view/index.ts';
import { hasBox, type FormFacts, type TextWidget } from './form-facts.ts';
import { hasArea, intersection } from './geometry.ts';

/** A view laid out on one screen, as checks look at it. All rectangles are in device px, not rounded. */
export class Subject {
  readonly tree: Tree;
  readonly layout: Layout;
  readonly screen: Screen;
  readonly screenRect: Rect;
  readonly safeRect: Rect;
  readonly backdrops: readonly Backdrop[];
  /** The messages its texts are from. */
  readonly messages: Messages;
  readonly pictures: ReadonlyMap<string, Picture>;
  /** What is the same on other screens. */
  readonly facts: FormFacts;
  readonly #clips: readonly (Rect | undefined)[] | undefined;
  readonly #cutters: readonly (Rect | undefined)[] | undefined;
  readonly #rects: (Rect | undefined)[] = [];
  readonly #visuals: (Rect | undefined)[] = [];
  readonly #placed: (PlacedText | undefined)[] = [];
  readonly #reference: () => ViewLayout;

  /** @param reference The view laid out on its reference; worked out when a check asks for it. */
  constructor(on: ViewLayout, facts: FormFacts, reference: () => ViewLayout) {
    this.#reference = reference;
    this.facts = facts;
    this.tree = on.tree;
    this.layout = on.layout;
    this.screen = on.screen;
    const { safe, width, height } = on.screen;
    this.screenRect = { x: 0, y: 0, width, height };
    this.safeRect = {
      x: safe.left,
      y: safe.top,
      width: width - safe.left - safe.right,
      height: height - safe.top - safe.bottom,
    };
    this.backdrops = on.view.backdrops;
    this.messages = on.view.variant.messages;
    this.pictures = on.view.variant.pictures;
    if (!facts.anyClips) return;
    const cut: (Rect | undefined)[] = [undefined];
    const cutters: (Rect | undefined)[] = [undefined];
    for (const { index, parent } of this.tree.widgets) {
      if (index === 0) continue;
      const outer = this.tree.widgets[parent]!;
      const above = cut[parent];
      const own = clips(outer) ? this.rect(parent) : undefined;
      cut[index] = above && own ? intersection(above, own) : (own ?? above);
      // What is scrolled out of sight can be scrolled into it: nothing of it is lost.
      const scrolls = 'scroll' in outer.source && outer.source.scroll !== undefined;
      cutters[index] = scrolls ? undefined : own ? cut[index] : cutters[parent];
    }
    this.#clips = cut;
    this.#cutters = cutters;
  }

  get widgets(): readonly Widget[] {
    return this.tree.widgets;
  }

  /** Widgets that draw something and have a text. */
  get texts(): readonly TextWidget[] {
    return this.facts.texts;
  }

  /** The border box. */
  rect(index: number): Rect {
    return (this.#rects[index] ??= this.layout.rect(index));
  }

  /** What the widgets around cut it to; undefined where nothing does. */
  clip(index: number): Rect | undefined {
    return this.#clips?.[index];
  }

  /** What cuts it off for good; undefined where nothing does. */
  cutter(index: number): Rect | undefined {
    return this.#cutters?.[index];
  }

  /** The index of the widget of an id; undefined where it is not there on this screen. */
  indexOf(id: string): number | undefined {
    return this.facts.indexes.get(id);
  }

  /** The border box of the widget of an id. */
  rectOf(id: string): Rect | undefined {
    const index = this.indexOf(id);
    return index === undefined ? undefined : this.rect(index);
  }

  /** The view laid out on its reference. */
  onReference(): ViewLayout {
    return this.#reference();
  }

  /** Whether a widget is there for a player: not hidden, and with an area. */
  isThere(index: number): boolean {
    const { visible, look } = this.tree.widgets[index]!;
    return index > 0 && visible && look.opacity > 0 && hasArea(this.rect(index));
  }

  /** Whether the widget or anything in it draws something. */
  paintsWithin(index: number): boolean {
    return this.facts.paintsWithin[index] === 1;
  }

  /** Whether the widget draws something of its own. */
  paints(index: number): boolean {
    return this.facts.paints[index] === 1;
  }

  /**
   * What is seen of a widget: the outlines of a bare text, else its border box; without what is cut off.
   */
  visualRect(index: number): Rect {
    const known = this.#visuals[index];
    if (known) return known;
    const widget = this.tree.widgets[index]!;
    const bareText = widget.kind === 'text' && !hasBox(widget.look);
    const whole = bareText ? this.textRect(index) : this.rect(index);
    const clip = this.clip(index);
    const seen = this.facts.turned[index] ? this.#turn(widget, whole) : whole;
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
    const { text } = this.tree.widgets[index]!;
    if (!text) return this.rect(index);
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
    if (this.isBehindDialog(index)) return false;
    const { x, y, width, height } = this.visualRect(index);
    const across = Math.min(x + width, this.screen.width) - Math.max(x, 0);
    return across > 0 && Math.min(y + height, this.screen.height) - Math.max(y, 0) > 0;
  }

  /** Whether a dialog that is open has taken its place: whatever is behind is not to be read or used. */
  isBehindDialog(index: number): boolean {
    return this.facts.behindDialog[index] === 1;
  }

  /** Whether a widget is drawn over another: later, and neither is in the other. */
  isAbove(above: number, index: number): boolean {
    if (this.facts.places[above]! < this.facts.places[index]!) return false;
    return !this.isWithin(index, above) && !this.isWithin(above, index);
  }

  /** Whether `outer` is the widget or one around it. */
  isWithin(index: number, outer: number): boolean {
    return this.facts.isWithin(index, outer);
  }
}
