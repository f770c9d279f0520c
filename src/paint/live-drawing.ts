import type { Matrix } from '../inside/index.ts';
import { replaceItems, type Rect } from '../layout/index.ts';
import {
  type Area,
  AreaList,
  areaInto,
  areaOf,
  cutTo,
  empty,
  holds,
  meets,
  multiplied,
  nowhere,
  onScreen,
  turnArea,
  unite,
} from './areas.ts';
import type { DrawList, DrawOperation } from './draw-list.ts';
import { FlatList, isOpening, isWithin, shapeOf, type Listed } from './flat-list.ts';
import { middle } from './middle.ts';
import { isSquare } from '../theme/index.ts';
import type { ViewLayout } from '../view/index.ts';
import {
  addBackdrop,
  addBars,
  drawWidget,
  showsItself,
  titleOf,
  type DrawOptions,
  type DrawnWidget,
} from './draw.ts';

/** A widget as long as it is there. */
export interface FollowedNode {
  readonly index: number;
  readonly parent: FollowedNode | undefined;
  /** The version in which it last looked, said or stood otherwise. */
  readonly stamp: number;
}

/** Something that is laid out now: its numbers change. */
interface FollowedNow {
  readonly on: ViewLayout;
  readonly nodes: readonly FollowedNode[];
  /** Another number where there are other widgets, or another order. */
  readonly structure: number;
  readonly version: number;
  /** The version since which everything is another. */
  readonly whole: number;
}

/** What can be drawn again and again: a live view, or one layout after another. */
export interface Followed {
  readonly now: FollowedNow;
  /** What has changed since a version; undefined where that is as good as everything. */
  takeTouched(): { readonly since: number; readonly nodes: readonly FollowedNode[] | undefined };
}

/** What one widget drew last. */
interface Entry extends Listed {
  readonly node: FollowedNode;
  drawn: DrawnWidget;
  readonly areas: Area[];
  /** Around all of them, within what cuts it off. */
  readonly area: Area;
  /** Around those with soft edges: a painter that cuts one in two may soften what is left otherwise. */
  readonly soft: Area;
  isSeen: boolean;
  /** What turns it and all in it; undefined where nothing does. */
  matrix: Matrix | undefined;
  /** What cuts off what is in it; undefined where nothing does, or it is turned. */
  cut: Area | undefined;
  /** The index that its operations say. */
  index: number;
  /** Whether what its children are drawn within is another than before. */
  isAround: boolean;
}

const nothing: DrawnWidget = { within: [], own: [], clip: undefined };

/** A drawing that is kept up with a live view. */
export interface KeptDrawing extends DrawList {
  /** Another number where anything is drawn otherwise. */
  readonly version: number;
  /** Where it differs from what it was when it was last asked, in whole device px. Nothing where it does not. */
  readonly changed: readonly Rect[];
  /**
   * By operation: left, top, right and bottom of where it may change pixels, in device px, all that it is around included;
   * and the index after the last operation it is around.
   */
  readonly areas: { readonly bounds: Float64Array; readonly ends: Int32Array };
}

/**
 * Draws a live view. What has not changed is not drawn anew: its operations are the same objects, in the same list, which is
 * changed in place.
 */
export class LiveDrawing {
  readonly #live: Followed;
  readonly #options: DrawOptions;
  readonly #entries: Entry[] = [];
  /** Whose they are. */
  readonly #nodes: FollowedNode[] = [];
  #structure = -1;
  #seen = -1;
  readonly #list = new FlatList();
  /** What comes into the list. */
  readonly #coming = new FlatList();
  #drawing: KeptDrawing | undefined;
  /** The order it was drawn in. */
  #order: readonly Entry[] = [];
  /** Whose changes reach what is drawn within it, found before everything was looked at. */
  #reaching: Entry | undefined;
  /** Those that have soft edges. */
  readonly #soft = new Set<Entry>();

  constructor(live: Followed, options: DrawOptions = {}) {
    this.#live = live;
    this.#options = options;
  }

  /** The drawing as it is now. The list and its operations stay as they are until it is asked again. */
  update(): KeptDrawing {
    const { now } = this.#live;
    const before = this.#drawing;
    if (before && now.version === this.#seen) {
      if (before.changed.length > 0) this.#drawing = { ...before, changed: none };
      return this.#drawing!;
    }
    const isWhole = !before || now.whole > this.#seen;
    const dirty = new AreaList();
    const { width, height } = now.on.screen;
    const isOther = now.structure !== this.#structure;
    const change = isOther ? this.#follow(now, dirty) : unchanged;
    const { since, nodes: touched } = this.#live.takeTouched();
    const known = isWhole || since > this.#seen ? undefined : touched && once(touched, now.nodes);
    // What is drawn within another needs all in it drawn again; then everything is looked at.
    const isKnown = known !== undefined && this.#redraw(now, known, dirty);
    if (!isKnown) {
      this.#draw(now, isWhole, dirty);
      this.#reaching = undefined;
    }
    const isPatched = isKnown && change !== undefined && this.#hasShapes(known) && this.#replace(change);
    if (isPatched) this.#patch(known);
    else this.#flatten(now);
    this.#structure = now.structure;
    this.#seen = now.version;
    if (!isWhole) this.#holdSoft(dirty, width, height);
    const changed = isWhole
      ? [{ x: 0, y: 0, width, height }]
      : dirty.areas.map(({ left, top, right, bottom }) => ({
          x: left,
          y: top,
          width: right - left,
          height: bottom - top,
        }));
    this.#drawing = {
      width,
      height,
      title: titleOf(now.on.view.name, now.on.screen.name),
      operations: this.#list.operations,
      version: now.version,
      changed,
      areas: { bounds: this.#list.bounds, ends: this.#list.ends },
    };
    return this.#drawing;
  }

  /**
   * Keeps the entries of widgets that are still there; what is gone, or lies in another order, is to be painted over.
   * @returns what has come and gone in drawing order, where nobody who stays lies in between.
   */
  #follow({ nodes, on }: FollowedNow, dirty: AreaList): Change | undefined {
    const { width, height } = on.screen;
    const entries = this.#entries;
    const between = middle(this.#nodes, nodes);
    const left = new Map<FollowedNode, Entry>();
    for (let at = between.at; at < between.at + between.removed; at++)
      left.set(entries[at]!.node, entries[at]!);
    const come: Entry[] = [];
    const isNew = new Set<Entry>();
    for (let at = between.at; at < between.at + between.added; at++) {
      const node = nodes[at]!;
      const known = left.get(node);
      left.delete(node);
      const entry = known ?? newEntry(node);
      if (!known) isNew.add(entry);
      come.push(entry);
    }
    replaceItems(entries, between.at, between.removed, come);
    replaceItems(
      this.#nodes,
      between.at,
      between.removed,
      come.map(({ node }) => node),
    );
    renumber(entries, between.at);
    const gone = new Set(left.values());
    for (const entry of gone) {
      dirty.add(entry.area, width, height);
      this.#soft.delete(entry);
    }
    // Of those that were there before and are there still, both orders side by side.
    const was = this.#order;
    const is: Entry[] = [];
    for (const index of on.tree.order) is.push(entries[index]!);
    const { at: first, removed, added } = middle(was, is);
    let at = first;
    for (let n = first; n < first + removed; n++) {
      const entry = was[n]!;
      if (gone.has(entry)) continue;
      while (at < is.length && isNew.has(is[at]!)) at++;
      if (entry !== is[at]) dirty.add(entry.area, width, height);
      at++;
    }
    this.#order = is;
    const isAll = gone.size === removed && isNew.size === added;
    return isAll ? { at: first, gone: was.slice(first, first + removed), added } : undefined;
  }

  /** Looks at every widget, and draws anew what has changed. */
  #draw({ on, nodes }: FollowedNow, isWhole: boolean, dirty: AreaList): void {
    const { widgets } = on.tree;
    for (const index of on.tree.order) {
      const node = nodes[index]!;
      const entry = this.#entries[index]!;
      const { parent } = widgets[index]!;
      const outer = parent < 0 ? undefined : this.#entries[parent]!;
      const isSeen = (outer?.isSeen ?? true) && showsItself(on, widgets[index]!);
      const isNew = entry.drawn === nothing;
      const hasMoved = (outer?.isAround ?? false) || entry === this.#reaching;
      const hasChanged = isWhole || isNew || node.stamp > this.#seen || isSeen !== entry.isSeen;
      entry.isAround = hasMoved;
      if (hasChanged) this.#drawOne(on, entry, outer, isSeen, dirty);
      else if (hasMoved) this.#placeOne(on, entry, outer, dirty);
    }
  }

  /** Draws some widgets anew. Gives whether nothing but they themselves is drawn otherwise. */
  #redraw({ on }: FollowedNow, touched: readonly FollowedNode[], dirty: AreaList): boolean {
    for (const { index, parent } of touched) {
      const entry = this.#entries[index]!;
      const outer = parent && this.#entries[parent.index]!;
      const isSeen = (outer?.isSeen ?? true) && showsItself(on, on.tree.widgets[index]!);
      const isNew = entry.drawn === nothing;
      entry.isAround = false;
      if (isSeen !== entry.isSeen && !isNew) return false;
      this.#drawOne(on, entry, outer, isSeen, dirty);
      // All in one that is new is new as well.
      if (entry.isAround && !isNew) {
        this.#reaching = entry;
        return false;
      }
    }
    return true;
  }

  #drawOne(on: ViewLayout, entry: Entry, outer: Entry | undefined, isSeen: boolean, dirty: AreaList): void {
    const drawn = drawWidget(on, entry.node.index, isSeen);
    if (!isSameAround(drawn, entry.drawn)) entry.isAround = true;
    entry.drawn = drawn;
    entry.isSeen = isSeen;
    this.#placeOne(on, entry, outer, dirty);
  }

  #placeOne({ screen }: ViewLayout, entry: Entry, outer: Entry | undefined, dirty: AreaList): void {
    dirty.add(entry.area, screen.width, screen.height);
    place(entry, outer);
    // Most have their edges between pixels.
    if (entry.soft.left === Infinity) this.#soft.delete(entry);
    else this.#soft.add(entry);
    dirty.add(entry.area, screen.width, screen.height);
  }

  /** Takes out of the list what is gone, and puts in what has come. Gives whether that is all there is to do. */
  #replace({ at, gone, added }: Change): boolean {
    if (gone.length === 0 && added === 0) return true;
    const order = this.#order;
    const parent = commonParent(gone, order.slice(at, at + added));
    const around = parent && this.#entries[parent.index]!;
    const before = order[at - 1];
    if (!around || !before) return false;
    const list = this.#list;
    let from = list.insideOf(before);
    for (let one = before; one !== around; one = this.#entries[one.node.parent!.index]!) {
      // The one before is in what they are in, or that itself.
      if (!isWithin(one.node, parent)) return false;
      if (one.drawn.within.length > 0 || one.drawn.clip) from = list.endOf(one);
    }
    let to = from;
    for (const one of gone) to = Math.max(to, list.endOf(one));
    this.#coming.clear();
    this.#coming.write(order, at, at + added);
    const by = this.#coming.operations.length - (to - from);
    list.replace(from, to - from, this.#coming);
    for (let nth = at; nth < at + added; nth++) order[nth]!.from += from;
    for (let nth = at + added; nth < order.length; nth++) order[nth]!.from += by;
    for (let one: FollowedNode | undefined = parent; one; one = one.parent)
      list.surroundInside(this.#entries[one.index]!, by);
    return true;
  }

  /** Whether what some widgets draw has the shape of what the list has of them, where it has any. */
  #hasShapes(touched: readonly FollowedNode[]): boolean {
    return touched.every(({ index }) => {
      const { drawn, shape, shaped } = this.#entries[index]!;
      return shaped === undefined || shapeOf(drawn) === shape;
    });
  }

  /** Puts what some widgets draw in the place of what they drew. */
  #patch(touched: readonly FollowedNode[]): void {
    const list = this.#list;
    for (const { index } of touched) list.patch(this.#entries[index]!);
    // What lies around them, from the inside out.
    for (const { parent } of touched)
      for (let outer = parent; outer; outer = outer.parent) list.surroundInside(this.#entries[outer.index]!);
    for (const { index } of touched) list.surroundWhole(this.#entries[index]!);
  }

  /** Has areas hold whole what they would cut in two. */
  #holdSoft(dirty: AreaList, width: number, height: number): void {
    for (let turn = 0, grown = true; grown && turn < mostTurns; turn++) {
      grown = false;
      for (const { soft } of this.#soft) {
        for (const area of dirty.areas) {
          if (!meets(soft, area) || holds(area, soft, width, height)) continue;
          unite(area, onScreen(soft, width, height));
          grown = true;
        }
      }
    }
    dirty.join();
  }

  /** Writes the operations of all entries one after the other. */
  #flatten({ on }: FollowedNow): void {
    const list = this.#list;
    const beside: DrawOperation[] = [];
    list.clear();
    addBackdrop(on, this.#options, beside);
    for (const one of beside) list.put(one, areaOf(one));
    list.write(this.#order, 0, this.#order.length);
    beside.length = 0;
    addBars(on, beside);
    for (const one of beside) list.put(one, areaOf(one));
  }
}

/** What is soft lies on what is soft: after so many areas in a row the rest is left as it is. */
const mostTurns = 8;
const none: readonly Rect[] = [];

/** What has come and gone in drawing order. */
interface Change {
  readonly at: number;
  readonly gone: readonly Entry[];
  readonly added: number;
}

const unchanged: Change = { at: 0, gone: [], added: 0 };

/** The widget that all who have come and gone are in, unless what they are in has come or gone with them. */
function commonParent(gone: readonly Entry[], come: readonly Entry[]): FollowedNode | undefined {
  const those = new Set<FollowedNode | undefined>();
  for (const { node } of gone) those.add(node);
  for (const { node } of come) those.add(node);
  let common: FollowedNode | undefined;
  for (const node of those) {
    const parent = node!.parent;
    if (those.has(parent)) continue;
    if (common && common !== parent) return undefined;
    common = parent;
  }
  return common;
}

function newEntry(node: FollowedNode): Entry {
  return {
    node,
    drawn: nothing,
    areas: [],
    area: nowhere(),
    soft: nowhere(),
    isSeen: false,
    matrix: undefined,
    cut: undefined,
    from: 0,
    shape: '',
    shaped: undefined,
    index: node.index,
    isAround: false,
  };
}

/** Has operations say whose they are where widgets have other indexes than before, from one of them on. */
function renumber(entries: readonly Entry[], from: number): void {
  for (let at = from; at < entries.length; at++) {
    const entry = entries[at]!;
    if (entry.index === at) continue;
    entry.index = at;
    const { within, own } = entry.drawn;
    for (let nth = 0; nth < within.length; nth++) renumberOne(within[nth]!, at);
    for (let nth = 0; nth < own.length; nth++) renumberOne(own[nth]!, at);
  }
}

function renumberOne(operation: DrawOperation, index: number): void {
  if ('widget' in operation) (operation as { widget: number }).widget = index;
}

/** Each that is there once, parents before what is in them. */
function once(touched: readonly FollowedNode[], nodes: readonly FollowedNode[]): readonly FollowedNode[] {
  const isThere = (node: FollowedNode) => nodes[node.index] === node;
  if (touched.length < 2) return touched.filter(isThere);
  return [...new Set(touched)].filter(isThere).sort((one, other) => one.index - other.index);
}

/** Whether children are drawn within the same. */
function isSameAround(one: DrawnWidget, other: DrawnWidget): boolean {
  const isPlain = one.within.length === 0 && other.within.length === 0 && !one.clip && !other.clip;
  return (
    isPlain ||
    (JSON.stringify(one.within) === JSON.stringify(other.within) &&
      JSON.stringify(one.clip) === JSON.stringify(other.clip))
  );
}

/** Works out where on the screen a widget draws. */
function place(entry: Entry, outer: Entry | undefined): void {
  const { drawn } = entry;
  let matrix = outer?.matrix;
  for (const one of drawn.within)
    if (one.type === 'turn') matrix = matrix ? multiplied(matrix, one.matrix) : one.matrix;
  entry.matrix = matrix;
  const { areas, area, soft } = entry;
  empty(area);
  empty(soft);
  /** Turns inside what it draws itself, as of a flipped picture. */
  let inner: (Matrix | undefined)[] | undefined;
  let now = matrix;
  for (let nth = 0; nth < drawn.own.length; nth++) {
    const one = drawn.own[nth]!;
    if (one.type === 'restore') now = inner!.pop();
    else if (isOpening(one)) {
      (inner ??= []).push(now);
      if (one.type === 'turn') now = now ? multiplied(now, one.matrix) : one.matrix;
    }
    // What it drew before is written over: most widgets draw as much in every frame.
    const where = (areas[nth] ??= nowhere());
    areaInto(one, where);
    if (now) turnArea(where, now);
    unite(area, where);
    if (now || isSoft(one)) unite(soft, where);
  }
  const cut = outer?.cut;
  if (cut) {
    cutTo(area, cut);
    cutTo(soft, cut);
  }
  const own = drawn.clip?.type === 'clip' && !matrix ? drawn.clip.rect : undefined;
  const inside = own && { left: own.x, top: own.y, right: own.x + own.width, bottom: own.y + own.height };
  if (inside && cut) cutTo(inside, cut);
  entry.cut = inside ?? cut;
}

/** Whether edges lie between pixels. */
function isSoft(operation: DrawOperation): boolean {
  return operation.type === 'box' ? !isSquare(operation.radius) : operation.type !== 'picture';
}
