import { choiceKeyOf, type Direction, type WidgetSource } from '../../document/index.ts';
import { isControl, isWithin, type Widget } from '../../dress/index.ts';
import type { Rect } from '../../layout/index.ts';
import { intersection } from '../../scene/index.ts';
import { keptInside } from '../popup.ts';
import { Lines, axisAlong, isForward, isInLine, nearestToward, type Asked } from './toward.ts';

/** What the focus moves over: the widgets of a view, where they are, and who can take it. */
export interface FocusGround {
  readonly widgets: readonly Widget[];
  /** The border box of a widget, in u of the view. */
  rectInU(index: number): Rect;
  /** Whether a widget is there to be seen: not hidden, with an area; it may be behind an open dialog. */
  isVisible(index: number): boolean;
  /** Whether a widget is there for a player: not hidden, with an area, not behind an open dialog. */
  isShown(index: number): boolean;
  /** Whether a control can take the focus now: it is shown and not disabled. */
  isUsable(index: number): boolean;
  /** Undefined where there is no such widget now. */
  indexOf(id: string): number | undefined;
}

/** The control that had the focus last in an open scope; undefined where none had. */
export type Remembered = (scope: number) => number | undefined;

const nothingRemembered: Remembered = () => undefined;

/** The controls in a widget. */
interface Standing {
  readonly all: readonly number[];
  /** Those of which all is seen from anywhere in it. */
  readonly lines: Lines;
  /** The others that are seen from outside of what scrolls them: by the outermost in it that does. */
  readonly scrolled: ReadonlyMap<number, readonly number[]>;
}

/** Where the focus can go in a view as it is now: the rules that a running game and the checks share (docs/input.md). */
export class FocusField {
  readonly #ground: FocusGround;
  #known: Int32Array | undefined;
  #usable: readonly number[] | undefined;
  readonly #sequences = new Map<number, readonly number[]>();
  readonly #wanting = new Map<number, readonly number[]>();
  readonly #controls = new Map<number, readonly number[]>();
  readonly #standing = new Map<number, Standing>();

  constructor(ground: FocusGround) {
    this.#ground = ground;
  }

  /** By index: the closed scope that a widget is in. Worked out when it is first asked for. */
  get #scopes(): Int32Array {
    if (this.#known) return this.#known;
    const { widgets } = this.#ground;
    const scopes = (this.#known = new Int32Array(widgets.length));
    for (const { index, parent } of widgets)
      scopes[index] = index === 0 || isClosed(widgets[index]!) ? index : scopes[parent]!;
    return scopes;
  }

  /** Looks again who can take the focus: controls may have been disabled since. */
  refresh(): void {
    this.#usable = undefined;
    this.#sequences.clear();
    this.#wanting.clear();
  }

  /** Controls that can take the focus now, in document order. */
  get usable(): readonly number[] {
    return (this.#usable ??= this.#ground.widgets.flatMap((widget) =>
      isControl(widget) && this.#ground.isUsable(widget.index) ? [widget.index] : [],
    ));
  }

  isShown(index: number): boolean {
    return this.#ground.isShown(index);
  }

  isVisible(index: number): boolean {
    return this.#ground.isVisible(index);
  }

  isUsable(index: number): boolean {
    const widget = this.#ground.widgets[index];
    return widget !== undefined && isControl(widget) && this.#ground.isUsable(index);
  }

  indexOf(id: string): number | undefined {
    return this.#ground.indexOf(id);
  }

  idOf(index: number): string {
    return this.#ground.widgets[index]!.id;
  }

  rectInU(index: number): Rect {
    return this.#ground.rectInU(index);
  }

  /** The widget the focus of one does not leave: the innermost dialog or closed scope that it is in, else the view. */
  scopeOf(index: number): number {
    return this.#scopes[index]!;
  }

  /** The closed scope around a closed scope; −1 for the view. */
  outerScope(scope: number): number {
    return scope === 0 ? -1 : this.#scopes[this.#ground.widgets[scope]!.parent]!;
  }

  /** Open scopes that a control is in, up to the closed one, from the inside out. */
  openScopes(index: number): readonly number[] {
    const found: number[] = [];
    const scope = this.#scopes[index]!;
    for (let at = this.#parent(index); at > 0 && at !== scope; at = this.#parent(at))
      if (isOpen(this.#ground.widgets[at]!)) found.push(at);
    return found;
  }

  /**
   * The order in which the focus visits a closed scope: as it is written, and as `focus-order` says. Of tabs it stops at the one
   * that is chosen (ARIA Authoring Practices, tabs).
   */
  sequence(scope: number): readonly number[] {
    const known = this.#sequences.get(scope);
    if (known) return known;
    let order = this.usable.filter((index) => this.#scopes[index] === scope && this.#isStop(index));
    const { widgets } = this.#ground;
    // From the inside out, so that an outer order may move what an inner one has put in its place.
    for (let at = widgets.length - 1; at >= 0; at--) {
      const listed = widgets[at]!.source['focus-order'];
      if (listed === undefined || (this.#scopes[at] !== scope && at !== scope)) continue;
      const places: number[] = [];
      order.forEach((index, place) => {
        if (this.#isIn(index, at)) places.push(place);
      });
      const inside = places.map((place) => order[place]!);
      const first = listed.flatMap((id) => this.indexOf(id) ?? []).filter((index) => inside.includes(index));
      const sorted = [...new Set([...first, ...inside])];
      const next = [...order];
      places.forEach((place, nth) => (next[place] = sorted[nth]!));
      order = next;
    }
    this.#sequences.set(scope, order);
    return order;
  }

  #isStop(index: number): boolean {
    const { parent, selected } = this.#ground.widgets[index]!;
    if (selected || choiceKeyOf(this.#ground.widgets[parent]?.kind) === undefined) return true;
    return !this.usable.some((other) => {
      const sibling = this.#ground.widgets[other]!;
      return sibling.parent === parent && sibling.selected;
    });
  }

  /** The next one (1) or the one before (−1) in the order of its scope; past the end it starts again. */
  beside(index: number, step: 1 | -1): number | undefined {
    const order = this.sequence(this.#scopes[index]!);
    const found = order.indexOf(index);
    // What is no stop counts from the one before it.
    const at = found >= 0 ? found : order.findLastIndex((one) => one < index) + (step < 0 ? 1 : 0);
    const next = order[(at + step + order.length) % order.length];
    return next === index ? undefined : next;
  }

  /** Whether a control is the last (1) or first (−1) of the view's own order: past it comes what is beside the view. */
  isEnd(index: number, step: 1 | -1): boolean {
    if (this.#scopes[index] !== 0) return false;
    const order = this.sequence(0);
    return order[step > 0 ? order.length - 1 : 0] === index;
  }

  /** The control that gets the focus first in a scope: the one with `autofocus`, else the first in its order. */
  firstIn(scope: number): number | undefined {
    const isClosedScope = this.#scopes[scope] === scope;
    const order = isClosedScope
      ? this.sequence(scope)
      : this.sequence(this.#scopes[scope]!).filter((index) => this.#isIn(index, scope));
    return order.find((index) => this.#source(index).autofocus === true) ?? order[0];
  }

  /** The control a declared neighbour names, where it can take the focus and is in the same closed scope. */
  declared(from: number, direction: Direction): number | undefined {
    const to = this.#source(from)[direction];
    const target = to === undefined ? undefined : this.indexOf(to);
    if (target === undefined || !this.isUsable(target)) return undefined;
    return this.#scopes[target] === this.#scopes[from] ? target : undefined;
  }

  /**
   * Where a direction leads from a control; undefined where it leads nowhere. In this order: the neighbour it declares; the nearest
   * in the innermost scope or scrolled widget it is in, past the end of one with `focus-wrap` its other end; then the same a
   * scope further out, up to the closed one.
   */
  toward(from: number, direction: Direction, remembered: Remembered = nothingRemembered): number | undefined {
    const declared = this.declared(from, direction);
    if (declared !== undefined) return declared;
    const found = this.#nearest(from, direction);
    return found === undefined ? undefined : this.#entered(found, from, remembered);
  }

  #nearest(from: number, direction: Direction): number | undefined {
    const scope = this.#scopes[from]!;
    let rect = this.#ground.rectInU(from);
    // What scrolls has been searched when it is left: from where it is seen, other things would lie in its way.
    let left = from;
    const asked: Asked = {
      rectOf: (index) => this.#seenFrom(index, from),
      isCandidate: (index) => !this.#isIn(index, left) && this.#ground.isUsable(index),
    };
    for (let at = this.#parent(from); at >= 0; at = this.#parent(at)) {
      const isLast = at === scope;
      const widget = this.#ground.widgets[at]!;
      if (!isLast && !isSearched(widget)) continue;
      const { all, lines, scrolled } = this.#standingIn(at, scope);
      // What has been left is no longer looked at.
      const others = [...scrolled].flatMap(([port, some]) => (port === left ? [] : some));
      const found = lines.nearest(rect, direction, asked, others);
      if (found !== undefined) return found;
      if (wraps(widget)) {
        const inLine = all.filter(
          (index) => asked.isCandidate(index) && isInLine(rect, this.#ground.rectInU(index), direction),
        );
        const start = this.#beforeAll(inLine, rect, direction);
        const other = nearestToward(start, inLine, direction, asked);
        if (other !== undefined) return other;
      }
      if (isLast) return undefined;
      if (!scrolls(widget)) continue;
      rect = movedInto(rect, this.#ground.rectInU(at));
      left = at;
    }
    return undefined;
  }

  /** Controls in a widget, of the closed scope that the widget is in. */
  #standingIn(at: number, scope: number): Standing {
    const known = this.#standing.get(at);
    if (known) return known;
    const inScope = this.#controlsIn(scope);
    const all = at === scope ? inScope : inScope.filter((index) => this.#isIn(index, at));
    const still: number[] = [];
    const scrolled = new Map<number, number[]>();
    for (const index of all) {
      const port = this.#portBetween(index, at);
      if (port < 0) still.push(index);
      else if (this.#seenFrom(index, at)) push(scrolled, port, index);
    }
    const made = { all, scrolled, lines: new Lines(still, (index) => this.#ground.rectInU(index)) };
    this.#standing.set(at, made);
    return made;
  }

  /** The outermost in a widget that scrolls what is in it, around another; −1 where none does. */
  #portBetween(index: number, outer: number): number {
    let port = -1;
    for (let at = this.#parent(index); at !== outer; at = this.#parent(at))
      if (scrolls(this.#ground.widgets[at]!)) port = at;
    return port;
  }

  /** Controls of a closed scope, whether they can take the focus or not. */
  #controlsIn(scope: number): readonly number[] {
    const known = this.#controls.get(scope);
    if (known) return known;
    const found = this.#ground.widgets.flatMap((widget) =>
      isControl(widget) && this.#scopes[widget.index] === scope ? [widget.index] : [],
    );
    this.#controls.set(scope, found);
    return found;
  }

  /** What a control has of it where it is looked at from: what a scrolled widget hides is not found from outside of it. */
  #seenFrom(index: number, from: number): Rect | undefined {
    let rect = this.#ground.rectInU(index);
    for (let at = this.#parent(index); at >= 0 && !this.#isIn(from, at); at = this.#parent(at)) {
      if (!scrolls(this.#ground.widgets[at]!)) continue;
      rect = intersection(rect, this.#ground.rectInU(at));
      if (!(rect.width > 0 && rect.height > 0)) return undefined;
    }
    return rect;
  }

  /** A rectangle that has been moved against a direction until all others lie in it. */
  #beforeAll(others: readonly number[], rect: Rect, direction: Direction): Rect {
    const axis = axisAlong(direction);
    const size = axis === 'x' ? 'width' : 'height';
    const rects = others.map((index) => this.#ground.rectInU(index));
    const edge = isForward(direction)
      ? Math.min(...rects.map((one) => one[axis])) - rect[size]
      : Math.max(...rects.map((one) => one[axis] + one[size]));
    return { ...rect, [axis]: edge };
  }

  /** What gets the focus where it comes into open scopes: what had it there last, else what has it first, else the nearest. */
  #entered(found: number, from: number, remembered: Remembered): number {
    const outer = this.openScopes(found)
      .filter((scope) => !this.#isIn(from, scope))
      .at(-1);
    if (outer === undefined) return found;
    const last = remembered(outer);
    if (last !== undefined && this.isUsable(last) && this.#isIn(last, outer)) return last;
    const first = this.#firsts(this.#scopes[found]!).find((index) => this.#isIn(index, outer));
    return first ?? found;
  }

  /** Controls of a closed scope that want the focus first, in its order. */
  #firsts(scope: number): readonly number[] {
    const known = this.#wanting.get(scope);
    if (known) return known;
    const made = this.sequence(scope).filter((index) => this.#source(index).autofocus === true);
    this.#wanting.set(scope, made);
    return made;
  }

  #source(index: number): WidgetSource {
    return this.#ground.widgets[index]!.source;
  }

  #parent(index: number): number {
    return this.#ground.widgets[index]!.parent;
  }

  #isIn(index: number, outer: number): boolean {
    return isWithin(this.#ground.widgets, index, outer);
  }
}

/** Where a rectangle is once it has been scrolled into view, by the shortest way; what is larger keeps its size. */
function movedInto(rect: Rect, port: Rect): Rect {
  const x = keptInside(rect.x, rect.width, port.x, port.width);
  const y = keptInside(rect.y, rect.height, port.y, port.height);
  return { ...rect, x, y };
}

function isClosed({ kind, source }: Widget): boolean {
  return kind === 'dialog' || source['focus-scope'] === 'closed';
}

/** Whether what is in a widget is looked at before what is beside it: an open scope, what scrolls, a list with its options. */
function isSearched(widget: Widget): boolean {
  return isOpen(widget) || scrolls(widget) || wraps(widget) || widget.kind === 'listbox';
}

function isOpen({ source }: Widget): boolean {
  return source['focus-scope'] === 'open';
}

function wraps({ source }: Widget): boolean {
  return source['focus-wrap'] === true;
}

function scrolls({ source }: Widget): boolean {
  return 'scroll' in source && source.scroll !== undefined;
}

function push(map: Map<number, number[]>, key: number, value: number): void {
  const known = map.get(key);
  if (known) known.push(value);
  else map.set(key, [value]);
}
