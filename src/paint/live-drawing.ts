import { replaceItems, type Rect } from '../layout/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { AreaList, areaOf, holds, meets, onScreen, unite } from './areas.ts';
import type { DrawList, DrawOperation } from './draw-list.ts';
import { addBackdrop, addBars, cutFor, drawWidget, showsItself, titleOf, type DrawOptions } from './draw.ts';
import {
  aroundChange,
  newEntry,
  nothing,
  place,
  renumber,
  type Entry,
  type FollowedNode,
} from './drawn-entry.ts';
import { FlatList, hasShape, isWithin, surrounds } from './flat-list.ts';
import { changesOf, type OrderChange } from './order-change.ts';
import { middle } from './middle.ts';

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
  /** Those that were drawn or placed anew, and those they are in. */
  readonly #looked: Entry[] = [];
  readonly #around: Entry[] = [];
  /** Counts the searches for those they are in. */
  #visits = 0;
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
    const changes = isOther ? this.#follow(now, dirty) : unchanged;
    const { since, nodes: touched } = this.#live.takeTouched();
    const known = isWhole || since > this.#seen ? undefined : touched && once(touched, now.nodes);
    this.#looked.length = 0;
    this.#redraw(now, known ?? now.nodes, isWhole, dirty);
    if (known && changes.every((one) => this.#replace(one))) this.#patch();
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
   * @returns what is otherwise in drawing order, step by step.
   */
  #follow({ nodes, on }: FollowedNow, dirty: AreaList): readonly OrderChange<Entry>[] {
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
    const { changes, moved } = changesOf(was, is, gone, isNew);
    for (const { area } of moved) dirty.add(area, width, height);
    this.#order = is;
    return changes;
  }

  /** Looks at some widgets, parents first, and where others follow from them at all in them; draws anew what has changed. */
  #redraw(now: FollowedNow, those: readonly FollowedNode[], isWhole: boolean, dirty: AreaList): void {
    const { nodes } = now;
    let to = 0;
    for (const { index } of those) {
      if (index < to) continue;
      to = index + 1;
      if (!this.#look(now, index, false, isWhole, dirty)) continue;
      for (; to < nodes.length && nodes[to]!.parent!.index >= index; to++)
        this.#look(now, to, this.#entries[nodes[to]!.parent!.index]!.isAround, isWhole, dirty);
    }
  }

  /** Draws one widget anew where it has changed. Gives whether all in it is to be looked at. @param hasMoved Whether what it is drawn within is another. */
  #look(
    { on, nodes }: FollowedNow,
    index: number,
    hasMoved: boolean,
    isWhole: boolean,
    dirty: AreaList,
  ): boolean {
    const entry = this.#entries[index]!;
    const { parent, stamp } = nodes[index]!;
    const outer = parent && this.#entries[parent.index]!;
    const widget = on.tree.widgets[index]!;
    const isSeen = (outer?.isSeen ?? true) && showsItself(on, widget);
    // All in one that is new is new as well.
    const isNew = entry.drawn === nothing;
    const isOtherwise = !isNew && isSeen !== entry.isSeen;
    entry.isAround = hasMoved;
    // How much it draws follows from what cuts it off, and a veil from what turns it.
    const follows = hasMoved && (entry.isCut || outer?.cut !== undefined || widget.look.veil !== undefined);
    if (isWhole || isNew || isOtherwise || follows || stamp > this.#seen)
      this.#drawOne(on, entry, outer, isSeen, dirty);
    else if (hasMoved) this.#placeOne(on, entry, outer, dirty);
    else return false;
    this.#looked.push(entry);
    return !isNew && (entry.isAround || isOtherwise);
  }

  #drawOne(on: ViewLayout, entry: Entry, outer: Entry | undefined, isSeen: boolean, dirty: AreaList): void {
    const drawn = drawWidget(on, entry.node.index, isSeen, outer && cutFor(outer));
    const around = aroundChange(entry.drawn, drawn);
    if (around === 'other') entry.isAround = true;
    // All in it is where it was, and looks otherwise.
    if (around === 'faded') dirty.add(this.#list.areaAt(entry.from), on.screen.width, on.screen.height);
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

  /** Takes out of the list what is gone or elsewhere, and puts in what has come. Gives whether that can be done. */
  #replace({ order, at, gone, added }: OrderChange<Entry>): boolean {
    if (gone.length === 0 && added === 0) return true;
    const parent = commonParent(gone, order.slice(at, at + added));
    const around = parent && this.#entries[parent.index]!;
    const before = order[at - 1];
    if (!around || !before) return false;
    const list = this.#list;
    let from = list.insideOf(before);
    for (let one = before; one !== around; one = this.#entries[one.node.parent!.index]!) {
      // The one before is in what they are in, or that itself.
      if (!isWithin(one.node, parent)) return false;
      from = Math.max(from, list.endOf(one));
    }
    // What lies behind them and is in one of them, such as what is raised in it, goes along.
    let to = at + added;
    while (to < order.length && isDeepIn(order[to]!.node, parent)) to++;
    const end = Math.max(list.endOfAll(gone, from), list.endOfAll(order.slice(at + added, to), from));
    this.#rewrite(order, at, to - at, from, end, parent);
    return true;
  }

  /** Writes what some widgets in drawing order draw in the place of what stands from an index of the list up to another one. */
  #rewrite(
    order: readonly Entry[],
    at: number,
    count: number,
    from: number,
    to: number,
    parent: FollowedNode | undefined,
  ): void {
    const list = this.#list;
    this.#coming.clear();
    this.#coming.write(order, at, at + count);
    const by = this.#coming.operations.length - (to - from);
    list.replace(from, to - from, this.#coming);
    for (let nth = at; nth < at + count; nth++) order[nth]!.from += from;
    if (by !== 0) for (let nth = at + count; nth < order.length; nth++) order[nth]!.from += by;
    for (let one = parent; one; one = one.parent) list.surroundInside(this.#entries[one.index]!, by);
  }

  /** Puts what was drawn or placed anew in the place of what was drawn before. */
  #patch(): void {
    const list = this.#list;
    for (const entry of this.#looked) {
      if (!hasShape(entry.drawn, entry.shape)) this.#reshape(entry);
      else list.patch(entry);
    }
    const around = this.#around;
    around.length = 0;
    this.#visits++;
    for (const { node } of this.#looked) {
      for (let at: FollowedNode | undefined = node; at; at = at.parent) {
        const entry = this.#entries[at.index]!;
        if (entry.visit === this.#visits) break;
        entry.visit = this.#visits;
        if (surrounds(entry.shape)) around.push(entry);
      }
    }
    // From the inside out.
    if (around.length > 1) around.sort((one, other) => other.node.index - one.node.index);
    for (const entry of around) list.surroundInside(entry);
  }

  /** Writes a widget that draws other kinds of operations than before, with all in it. */
  #reshape(entry: Entry): void {
    const order = this.#order;
    const { node } = entry;
    const at = order[node.index] === entry ? node.index : order.indexOf(entry);
    let to = at + 1;
    while (to < order.length && isWithin(order[to]!.node, node)) to++;
    const end = this.#list.endOfAll(order.slice(at, to), entry.from);
    this.#rewrite(order, at, to - at, entry.from, end, node.parent);
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

/** Whether a widget is in another one and is no child of it. */
function isDeepIn(node: FollowedNode, outer: FollowedNode): boolean {
  return node.parent !== outer && isWithin(node, outer);
}

/** What is soft lies on what is soft: after so many areas in a row the rest is left as it is. */
const mostTurns = 8;
const none: readonly Rect[] = [];

const unchanged: readonly OrderChange<Entry>[] = [];

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

/** Each that is there once, parents before what is in them. */
function once(touched: readonly FollowedNode[], nodes: readonly FollowedNode[]): readonly FollowedNode[] {
  const isThere = (node: FollowedNode) => nodes[node.index] === node;
  if (touched.length < 2) return touched.filter(isThere);
  return [...new Set(touched)].filter(isThere).sort((one, other) => one.index - other.index);
}
