import { setPair } from './change.ts';
import type { Direction, WidgetSource } from '../document/index.ts';
import { scrollbarBoxes, type ScrollbarBoxes } from '../inside/index.ts';
import type { LiveNode, LiveView, Offset } from '../live/index.ts';
import type { InputEffect } from './events.ts';
import { axisAlong, isForward } from './focus/toward.ts';
import { atLeast, nearestOf, nextOf, snapPlaces } from './snapping.ts';
import {
  draggedTo,
  endOfGlide,
  glideTime,
  goingTo,
  heldFrom,
  isResting,
  letGoWith,
  movedLater,
  restingAt,
  type AxisMotion,
} from './scroll-motion.ts';

/** A key scrolls so much of what is shown, a page key so much. */
const lineShare = 0.15;
const pageShare = 0.9;
/** What comes into view by the focus keeps so many u from the edge. */
const viewMargin = 8;
/** A drag that was held still for so long, in ms, has no speed left. */
const stillAfter = 60;
/** A wheel that was not turned for so long, in ms, has come to rest. */
const quietAfter = 120;

interface Motion {
  readonly x: AxisMotion;
  readonly y: AxisMotion;
}

interface Hold {
  readonly fromX: number;
  readonly fromY: number;
  at: number;
  x: number;
  y: number;
  speedX: number;
  speedY: number;
}

/** Scrolls the widgets of a live view: by wheel, drag with momentum, keys, and to what has the focus. */
export class Scrolling {
  readonly #live: LiveView;
  readonly #sets: boolean;
  readonly #motions = new Map<string, Motion>();
  readonly #holds = new Map<string, Hold>();
  /** What a wheel has moved that rests at its entries: from where, and how long until it goes to one. */
  readonly #wheeled = new Map<string, { readonly from: Offset; left: number }>();
  /** The scrollbar that is held, and how far from the start of its handle, in device px. */
  #grip: { readonly bar: string; readonly at: number } | undefined;

  /** @param sets Whether how far something is scrolled is put into the values it is bound to. */
  constructor(live: LiveView, sets: boolean) {
    this.#live = live;
    this.#sets = sets;
  }

  /** Whether anything is on its way. */
  get isMoving(): boolean {
    return this.#motions.size > 0 || this.#wheeled.size > 0;
  }

  /**
   * By a wheel, in device px: the innermost widget that can go further that way.
   * @returns whether anything was scrolled.
   */
  wheel(node: LiveNode | undefined, x: number, y: number, effects: InputEffect[]): boolean {
    for (let at = node; at; at = at.parent) {
      const found = this.#scrollable(at);
      if (!found) continue;
      const scale = this.#live.scaleOf(at.index);
      const before = this.#motion(at.bone.id);
      const goal = this.#goal(at.bone.id);
      const move = (axis: 'x' | 'y', by: number) =>
        Math.min(found[axis], Math.max(0, goal[axis] + by / scale));
      const to = { x: move('x', x), y: move('y', y) };
      if (to.x === before.x.at && to.y === before.y.at) continue;
      const { id } = at.bone;
      if (this.#snaps(at)) {
        const from = this.#wheeled.get(id)?.from ?? shownAt(before);
        this.#wheeled.set(id, { from, left: quietAfter });
      }
      this.#put(id, { x: restingAt(to.x), y: restingAt(to.y) }, effects);
      return true;
    }
    return false;
  }

  /** A drag takes hold of a widget. */
  hold(id: string, now: number): void {
    const { x, y } = this.#motion(id);
    this.#wheeled.delete(id);
    const hold = { fromX: heldFrom(x), fromY: heldFrom(y), at: now, x: 0, y: 0, speedX: 0, speedY: 0 };
    this.#holds.set(id, hold);
  }

  /** A drag has come so far, in device px. */
  drag(id: string, byX: number, byY: number, now: number, effects: InputEffect[]): void {
    const hold = this.#holds.get(id);
    const index = this.#live.find(id);
    if (!hold || index === undefined) return;
    const scale = this.#live.scaleOf(index);
    const range = this.#live.scrollRange(index);
    const [x, y] = [range.x > 0 ? byX / scale : 0, range.y > 0 ? byY / scale : 0];
    const time = now - hold.at;
    if (time > 0) {
      // The last moves count most.
      const share = Math.min(1, time / 30);
      hold.speedX += share * ((hold.x - x) / time - hold.speedX);
      hold.speedY += share * ((hold.y - y) / time - hold.speedY);
      hold.at = now;
      hold.x = x;
      hold.y = y;
    }
    const motion = { x: draggedTo(hold.fromX, x, range.x), y: draggedTo(hold.fromY, y, range.y) };
    this.#put(id, motion, effects);
  }

  /** A drag lets go: what was moved goes on. */
  letGo(id: string, now: number, effects: InputEffect[]): void {
    const hold = this.#holds.get(id);
    this.#holds.delete(id);
    const motion = this.#motions.get(id);
    if (!hold || !motion) return;
    const isReduced = this.#live.motion === 'reduced';
    const isStill = now - hold.at > stillAfter || isReduced;
    const node = this.#live.nodeOf(id);
    const range = this.#live.scrollRange(id);
    const letGo = (axis: 'x' | 'y', speed: number): AxisMotion => {
      const before = motion[axis];
      const places = node && before.past === 0 ? snapPlaces(this.#live, node, axis) : undefined;
      if (!places) return letGoWith(before, speed);
      // It glides on as its momentum would have it, and a little further or less far.
      const to = nearestOf(places, endOfGlide(before, speed, range[axis]));
      if (isReduced) return restingAt(to);
      return goingTo(before, to, range[axis], speed === 0 ? undefined : glideTime);
    };
    const next = {
      x: letGo('x', isStill ? 0 : hold.speedX),
      y: letGo('y', isStill ? 0 : hold.speedY),
    };
    if (isReduced) this.#put(id, next, effects);
    else this.#motions.set(id, next);
  }

  /** Where it is, or is going. */
  #goal(id: string): Offset {
    const { x, y } = this.#motion(id);
    return { x: x.to ?? x.at, y: y.to ?? y.at };
  }

  /** Whether something comes to rest at its entries alone. */
  #snaps(node: LiveNode): boolean {
    return 'scroll-snap' in node.bone.source;
  }

  /** A place as one it may rest at. */
  #snapped(
    node: LiveNode,
    to: Offset,
    choose: (places: readonly number[], from: number, to: number) => number,
    before = this.#goal(node.bone.id),
  ): Offset {
    const on = (axis: 'x' | 'y'): number => {
      const places = before[axis] === to[axis] ? undefined : snapPlaces(this.#live, node, axis);
      return places ? choose(places, before[axis], to[axis]) : to[axis];
    };
    return { x: on('x'), y: on('y') };
  }

  /** A scrollbar is pressed: on its handle it is taken hold of, beside it goes a page that way. */
  pressBar(bar: LiveNode, at: Offset, effects: InputEffect[]): void {
    const found = this.#barOf(bar);
    if (!found) return;
    const { boxes, target } = found;
    this.#wheeled.delete(target.bone.id);
    const { axis, handle } = boxes;
    const before = at[axis] < handle[axis];
    const after = at[axis] >= handle[axis] + (axis === 'x' ? handle.width : handle.height);
    this.#grip = { bar: bar.bone.id, at: at[axis] - handle[axis] };
    if (!before && !after) return;
    this.#grip = undefined;
    const back = axis === 'x' ? 'nav-left' : 'nav-up';
    const onward = axis === 'x' ? 'nav-right' : 'nav-down';
    this.step(target, before ? back : onward, 'page', effects);
  }

  /** The handle of a scrollbar follows a pointer that holds it. */
  dragBar(
    bar: LiveNode,
    { type, x, y }: Offset & { readonly type: 'drag-start' | 'drag' | 'drag-end' },
    effects: InputEffect[],
  ): void {
    const grip = this.#grip;
    const found = this.#barOf(bar);
    if (type === 'drag-end') this.#grip = undefined;
    if (!found || grip?.bar !== bar.bone.id) return;
    const { target } = found;
    const { axis, track, handle } = found.boxes;
    const size = axis === 'x' ? 'width' : 'height';
    const way = track[size] - handle[size];
    const range = this.#live.scrollRange(target.index)[axis];
    const share = way > 0 ? ((axis === 'x' ? x : y) - grip.at - track[axis]) / way : 0;
    const to = Math.min(range, Math.max(0, share * range));
    const before = this.#motion(target.bone.id);
    this.#put(target.bone.id, { ...before, [axis]: restingAt(to) }, effects);
    if (type !== 'drag-end' || !this.#snaps(target)) return;
    const places = snapPlaces(this.#live, target, axis);
    if (places) this.to(target.bone.id, { ...shownAt(before), [axis]: nearestOf(places, to) }, effects);
  }

  #barOf(bar: LiveNode): { readonly boxes: ScrollbarBoxes; readonly target: LiveNode } | undefined {
    const { controls } = bar.bone.source as WidgetSource;
    const target = controls === undefined ? undefined : this.#live.nodeOf(controls);
    if (!target) return undefined;
    const { layout } = this.#live.now.on;
    const boxes = scrollbarBoxes(bar.widget, layout, layout.rect(bar.index), target.index);
    return boxes && { boxes, target };
  }

  /** By a key, in a direction: a line, a page, or to the end. @returns whether anything was scrolled. */
  step(
    node: LiveNode | undefined,
    direction: Direction,
    by: 'line' | 'page' | 'end',
    effects: InputEffect[],
  ): boolean {
    const axis = axisAlong(direction);
    const sign = isForward(direction) ? 1 : -1;
    for (let at = node; at; at = at.parent) {
      const range = this.#scrollable(at);
      if (!range || !(range[axis] > 0)) continue;
      const { layout } = this.#live.now.on;
      const shown = axis === 'x' ? layout.widthInU(at.index) : layout.heightInU(at.index);
      const length = shown / layout.factor(at.index);
      const before = this.#motion(at.bone.id);
      const from = this.#goal(at.bone.id)[axis];
      const way = by === 'end' ? Infinity : length * (by === 'line' ? lineShare : pageShare);
      const to = Math.min(range[axis], Math.max(0, from + sign * way));
      if (to === from) continue;
      const there = { ...shownAt(before), [axis]: to };
      this.to(at.bone.id, this.#snaps(at) ? this.#snapped(at, there, nextOf) : there, effects);
      return true;
    }
    return false;
  }

  /** At a speed, in u/ms, for some time: by a stick. */
  push(node: LiveNode | undefined, x: number, y: number, ms: number, effects: InputEffect[]): void {
    const scale = node ? this.#live.scaleOf(node.index) : 1;
    this.wheel(node, x * ms * scale, y * ms * scale, effects);
  }

  /** To a place, in u; over some time unless motion is reduced. */
  to(id: string, { x, y }: Offset, effects: InputEffect[]): void {
    const range = this.#live.scrollRange(id);
    const before = this.#motion(id);
    const isReduced = this.#live.motion === 'reduced';
    const on = (axis: 'x' | 'y', to: number) =>
      isReduced ? restingAt(Math.min(range[axis], Math.max(0, to))) : goingTo(before[axis], to, range[axis]);
    this.#put(id, { x: on('x', x), y: on('y', y) }, effects);
  }

  /** Scrolls all that a widget is in until it is seen. */
  intoView(node: LiveNode, effects: InputEffect[]): void {
    const { layout } = this.#live.now.on;
    const rect = layout.rectInU(node.index);
    const { width, height } = rect;
    let { x, y } = rect;
    for (let at = node.parent; at; at = at.parent) {
      if (!this.#scrollable(at)) continue;
      const outer = layout.rectInU(at.index);
      const factor = layout.factor(at.index);
      const motion = this.#motion(at.bone.id);
      const now = shownAt(motion);
      const by = {
        x: missing(x, width, outer.x, outer.width),
        y: missing(y, height, outer.y, outer.height),
      };
      // What is on its way is counted from where it will be.
      const to = {
        x: by.x === 0 ? (motion.x.to ?? now.x) : now.x + by.x / factor,
        y: by.y === 0 ? (motion.y.to ?? now.y) : now.y + by.y / factor,
      };
      if (by.x !== 0 || by.y !== 0)
        this.to(at.bone.id, this.#snaps(at) ? this.#snapped(at, to, atLeast) : to, effects);
      x -= by.x;
      y -= by.y;
    }
  }

  /** Time goes by. */
  later(ms: number, effects: InputEffect[]): void {
    for (const [id, wheeled] of this.#wheeled) {
      wheeled.left -= ms;
      if (wheeled.left > 0) continue;
      this.#wheeled.delete(id);
      const node = this.#live.nodeOf(id);
      if (node) this.to(id, this.#snapped(node, this.#goal(id), nextOf, wheeled.from), effects);
    }
    for (const [id, { x, y }] of this.#motions) {
      const index = this.#live.find(id);
      if (index === undefined) {
        this.#motions.delete(id);
        continue;
      }
      const range = this.#live.scrollRange(index);
      this.#put(id, { x: movedLater(x, ms, range.x), y: movedLater(y, ms, range.y) }, effects);
    }
  }

  #scrollable({ index, bone }: LiveNode): Offset | undefined {
    if (!bone.box.x.scrolls && !bone.box.y.scrolls) return undefined;
    const range = this.#live.scrollRange(index);
    return range.x > 0 || range.y > 0 ? range : undefined;
  }

  #motion(id: string): Motion {
    const known = this.#motions.get(id);
    if (known) return known;
    const { x, y } = this.#live.scrolled(id);
    return { x: restingAt(x), y: restingAt(y) };
  }

  #put(id: string, motion: Motion, effects: InputEffect[]): void {
    const { x, y } = motion;
    const isStill = isResting(x) && isResting(y);
    if (isStill) this.#motions.delete(id);
    else this.#motions.set(id, motion);
    if (!this.#live.scroll(id, x.at, y.at, { x: x.past, y: y.past })) return;
    this.#tell(id, x.at, y.at);
    effects.push({ type: 'scroll', widget: id, x: x.at, y: y.at });
  }

  /** Puts how far something is scrolled into the values that its `scroll-offset` is bound to. */
  #tell(id: string, x: number, y: number): void {
    const bone = this.#sets ? this.#live.nodeOf(id)?.bone : undefined;
    if (bone) setPair(this.#live, bone, 'scroll-offset', [x, y]);
  }
}

function shownAt({ x, y }: Motion): Offset {
  return { x: x.at, y: y.at };
}

/** How far something has to be scrolled to be within; what is longer shows its start. */
function missing(start: number, length: number, outerStart: number, outerLength: number): number {
  const margin = Math.min(viewMargin, Math.max(0, (outerLength - length) / 2));
  const before = start - margin - outerStart;
  const after = start + length + margin - (outerStart + outerLength);
  if (before < 0 || length > outerLength) return before;
  return after > 0 ? after : 0;
}
