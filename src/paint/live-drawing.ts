import type { Matrix } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import {
  type Area,
  AreaList,
  areaOf,
  holds,
  meeting,
  meets,
  multiplied,
  nowhere,
  onScreen,
  turnedArea,
  unite,
} from './areas.ts';
import type { DrawList, DrawOperation } from './draw-list.ts';
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
interface Entry {
  readonly node: FollowedNode;
  drawn: DrawnWidget;
  /** Of each of its own operations, on the screen. */
  areas: readonly (Area | undefined)[];
  /** Around all of them, within what cuts it off. */
  area: Area;
  /** Around those with soft edges: a painter that cuts one in two may soften what is left otherwise. */
  soft: Area;
  isSeen: boolean;
  /** What turns it and all in it; undefined where nothing does. */
  matrix: Matrix | undefined;
  /** What cuts off what is in it; undefined where nothing does, or it is turned. */
  cut: Area | undefined;
  /** Where its operations start in the list, and of which types they are. */
  from: number;
  shape: string;
  /** What that shape is of. */
  shaped: DrawnWidget | undefined;
  /** The index that its operations say. */
  index: number;
  /** When it came, and when it was there last. */
  readonly born: number;
  turn: number;
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
  #entries: Entry[] = [];
  #structure = -1;
  #seen = -1;
  readonly #operations: DrawOperation[] = [];
  #bounds = new Float64Array(0);
  #ends = new Int32Array(0);
  #drawing: KeptDrawing | undefined;
  /** The order it was drawn in. */
  #order: readonly Entry[] = [];
  /** Whose changes reach what is drawn within it, found before everything was looked at. */
  #reaching: Entry | undefined;
  readonly #byNode = new Map<FollowedNode, Entry>();
  /** Those that have soft edges. */
  readonly #soft = new Set<Entry>();
  /** How often there were other widgets. */
  #turn = 0;

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
    if (isOther) this.#follow(now, dirty);
    const { since, nodes: touched } = this.#live.takeTouched();
    const known = isWhole || isOther || since > this.#seen ? undefined : touched;
    // What is drawn within another needs all in it drawn again; then everything is looked at.
    const isPatched = known !== undefined && this.#redraw(now, once(known), dirty) && this.#patch(known);
    if (!isPatched) {
      this.#draw(now, isWhole, dirty);
      this.#reaching = undefined;
      this.#flatten(now);
    }
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
      operations: this.#operations,
      version: now.version,
      changed,
      areas: { bounds: this.#bounds, ends: this.#ends },
    };
    return this.#drawing;
  }

  /** Keeps the entries of widgets that are still there; what is gone, or lies in another order, is to be painted over. */
  #follow({ nodes, on }: FollowedNow, dirty: AreaList): void {
    const { width, height } = on.screen;
    const turn = ++this.#turn;
    const before = this.#entries;
    const entries = (this.#entries = nodes.map((node) => {
      let entry = this.#byNode.get(node);
      if (!entry) this.#byNode.set(node, (entry = newEntry(node, turn)));
      entry.turn = turn;
      return entry;
    }));
    for (const { node, area, turn: last } of before) {
      if (last === turn) continue;
      dirty.add(area, width, height);
      this.#soft.delete(this.#byNode.get(node)!);
      this.#byNode.delete(node);
    }
    // Of those that were there before and are there still, both orders side by side.
    const was = this.#order;
    const is = on.tree.order.map((index) => entries[index]!);
    let at = 0;
    for (const entry of was) {
      if (entry.turn !== turn) continue;
      while (at < is.length && is[at]!.born === turn) at++;
      if (entry !== is[at]) dirty.add(entry.area, width, height);
      at++;
    }
    this.#order = is;
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
      if (!hasChanged && entry.index !== index) renumber(entry.drawn, index);
      entry.index = index;
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
      entry.isAround = false;
      if (isSeen !== entry.isSeen) return false;
      this.#drawOne(on, entry, outer, isSeen, dirty);
      if (entry.isAround) {
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

  /** Puts what some widgets draw in the place of what they drew. Gives whether it has the same shape. */
  #patch(touched: readonly FollowedNode[]): boolean {
    for (const { index } of touched) {
      const { drawn, shape } = this.#entries[index]!;
      if (shapeOf(drawn) !== shape) return false;
    }
    for (const { index } of touched) {
      const { drawn, areas, from } = this.#entries[index]!;
      let at = from;
      for (const one of drawn.within) this.#operations[at++] = one;
      const inner: number[] = [];
      drawn.own.forEach((one, nth) => {
        this.#operations[at] = one;
        this.#bound(at, areas[nth]);
        if (one.type === 'restore') this.#surround(inner.pop()!, at + 1);
        else if (isOpening(one)) inner.push(at);
        at++;
      });
      if (drawn.clip) this.#operations[at] = drawn.clip;
    }
    // What lies around them, from the inside out.
    for (const { parent } of touched) {
      for (let outer = parent; outer; outer = outer.parent) {
        const { drawn, from } = this.#entries[outer.index]!;
        const clip = from + drawn.within.length + drawn.own.length;
        if (drawn.clip) this.#surround(clip, this.#ends[clip]!);
        for (let at = from + drawn.within.length - 1; at >= from; at--) this.#surround(at, this.#ends[at]!);
      }
    }
    for (const { index } of touched) {
      const { drawn, from } = this.#entries[index]!;
      for (let at = from + drawn.within.length - 1; at >= from; at--) this.#surround(at, this.#ends[at]!);
    }
    return true;
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
    const operations = this.#operations;
    const { order } = on.tree;
    let count = 0;
    const open: number[] = [];
    const owners: number[] = [];
    const put = (operation: DrawOperation, area: Area | undefined) => {
      if (4 * count + 4 > this.#bounds.length) this.#grow();
      operations[count] = operation;
      this.#bound(count, area);
      this.#ends[count] = count + 1;
      count++;
    };
    const close = () => {
      const at = open.pop()!;
      put(restore, undefined);
      this.#surround(at, count);
    };
    const front: DrawOperation[] = [];
    addBackdrop(on, this.#options, front);
    for (const one of front) put(one, areaOf(one));
    for (const index of order) {
      while (owners.length > 0 && !isWithin(this.#entries, index, owners.at(-1)!)) {
        owners.pop();
        close();
      }
      const entry = this.#entries[index]!;
      const { drawn, areas } = entry;
      entry.from = count;
      if (entry.shaped !== drawn) {
        entry.shape = shapeOf(drawn);
        entry.shaped = drawn;
      }
      for (const one of drawn.within) {
        open.push(count);
        owners.push(index);
        put(one, undefined);
      }
      for (let at = 0; at < drawn.own.length; at++) {
        const one = drawn.own[at]!;
        if (one.type === 'restore') close();
        else {
          if (isOpening(one)) open.push(count);
          put(one, areas[at]);
        }
      }
      if (!drawn.clip) continue;
      open.push(count);
      owners.push(index);
      put(drawn.clip, undefined);
    }
    while (open.length > 0) close();
    const bars: DrawOperation[] = [];
    addBars(on, bars);
    for (const one of bars) put(one, areaOf(one));
    operations.length = count;
  }

  #bound(at: number, area: Area | undefined): void {
    const bounds = this.#bounds;
    bounds[4 * at] = area ? area.left : Infinity;
    bounds[4 * at + 1] = area ? area.top : Infinity;
    bounds[4 * at + 2] = area ? area.right : -Infinity;
    bounds[4 * at + 3] = area ? area.bottom : -Infinity;
  }

  /** Notes where an operation that others are drawn within may change pixels, up to the index after its end. */
  #surround(at: number, end: number): void {
    this.#bound(at, undefined);
    const bounds = this.#bounds;
    for (let inner = at + 1; inner < end; inner = this.#ends[inner]!) {
      bounds[4 * at] = Math.min(bounds[4 * at]!, bounds[4 * inner]!);
      bounds[4 * at + 1] = Math.min(bounds[4 * at + 1]!, bounds[4 * inner + 1]!);
      bounds[4 * at + 2] = Math.max(bounds[4 * at + 2]!, bounds[4 * inner + 2]!);
      bounds[4 * at + 3] = Math.max(bounds[4 * at + 3]!, bounds[4 * inner + 3]!);
    }
    this.#ends[at] = end;
  }

  #grow(): void {
    const bounds = new Float64Array(Math.max(256, 2 * this.#bounds.length));
    bounds.set(this.#bounds);
    this.#bounds = bounds;
    const ends = new Int32Array(bounds.length / 4);
    ends.set(this.#ends);
    this.#ends = ends;
  }
}

/** What is soft lies on what is soft: after so many areas in a row the rest is left as it is. */
const mostTurns = 8;
const none: readonly Rect[] = [];
const restore: DrawOperation = { type: 'restore' };

function newEntry(node: FollowedNode, turn: number): Entry {
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
    born: turn,
    turn,
    isAround: false,
  };
}

type Numbered = { -readonly [Key in 'widget']?: number };

/** Has operations say whose they are where a widget has another index than before. */
function renumber({ within, own }: DrawnWidget, index: number): void {
  for (const list of [within, own]) {
    for (const one of list as readonly Numbered[]) {
      if (one.widget === undefined) continue;
      if (one.widget === index) return;
      one.widget = index;
    }
  }
}

/** Each once, parents before what is in them. */
function once(touched: readonly FollowedNode[]): readonly FollowedNode[] {
  if (touched.length < 2) return touched;
  return [...new Set(touched)].sort((one, other) => one.index - other.index);
}

/** Of which types the operations of a widget are: one letter each. */
function shapeOf({ within, own, clip }: DrawnWidget): string {
  let shape = '';
  for (const one of within) shape += one.type[0]!;
  shape += '|';
  for (const one of own) shape += isOpening(one) ? '(' : one.type === 'restore' ? ')' : '.';
  return clip ? `${shape}|` : shape;
}

/** Whether others are drawn within an operation, up to its restore. */
function isOpening({ type }: DrawOperation): boolean {
  return type === 'clip' || type === 'turn' || type === 'group';
}

function isWithin(entries: readonly Entry[], index: number, outer: number): boolean {
  for (let at: FollowedNode | undefined = entries[index]!.node; at && at.index >= outer; at = at.parent)
    if (at.index === outer) return true;
  return false;
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
  const areas: (Area | undefined)[] = [];
  const whole = nowhere();
  const soft = nowhere();
  /** Turns inside what it draws itself, as of a flipped picture. */
  const inner: (Matrix | undefined)[] = [];
  let now = matrix;
  for (const one of drawn.own) {
    if (one.type === 'restore') now = inner.pop();
    else if (isOpening(one)) {
      inner.push(now);
      if (one.type === 'turn') now = now ? multiplied(now, one.matrix) : one.matrix;
    }
    let area = areaOf(one);
    if (area && now) area = turnedArea(area, now);
    areas.push(area);
    if (!area) continue;
    unite(whole, area);
    if (now || isSoft(one)) unite(soft, area);
  }
  entry.areas = areas;
  entry.soft = outer?.cut ? meeting(soft, outer.cut) : soft;
  const cut = outer?.cut;
  entry.area = cut ? meeting(whole, cut) : whole;
  const own = drawn.clip?.type === 'clip' && !matrix ? drawn.clip.rect : undefined;
  const area = own && { left: own.x, top: own.y, right: own.x + own.width, bottom: own.y + own.height };
  entry.cut = area ? (cut ? meeting(area, cut) : area) : cut;
}

/** Whether edges lie between pixels. */
function isSoft(operation: DrawOperation): boolean {
  return operation.type === 'box' ? !isSquare(operation.radius) : operation.type !== 'picture';
}
