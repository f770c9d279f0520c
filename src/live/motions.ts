import type { Widget } from '../dress/index.ts';
import { fadesAway, isLeaving, movedOn, shownWhile, startMoving, type Moving } from './motion.ts';
import { targetOf, type LiveNode } from './node.ts';

/** The widgets of a tree that are on their way to what they are to be. */
export class Motions {
  /** Whether changes take the time their transitions say; at once where not. */
  isOn = true;
  readonly #place: (node: LiveNode, shown: Widget) => void;
  readonly #moving = new Set<LiveNode>();
  #out: LiveNode[] = [];

  /** @param place Has a widget show something else from now on. */
  constructor(place: (node: LiveNode, shown: Widget) => void) {
    this.#place = place;
  }

  /** Whether a widget is at once what it is to be, and shows it. */
  isAtOnce({ motion, widget, leaves, rests }: LiveNode): boolean {
    return !motion && !leaves && !rests && !(this.isOn && widget.look.transition.length > 0);
  }

  /** Whether a widget takes time to go out of sight. */
  fades({ widget }: LiveNode): boolean {
    return this.isOn && fadesAway(widget);
  }

  /** Another widget in the place of one, at once or over the time its transition says. */
  put(node: LiveNode, made: Widget): void {
    const widget = node.rests ? { ...made, visible: false } : made;
    const before = node.motion?.target ?? node.widget;
    const moving =
      this.isOn && (node.motion !== undefined || widget.look.transition.length > 0)
        ? startMoving(node.widget, before, widget, node.motion?.moving ?? [])
        : [];
    this.start(node, widget, moving);
  }

  /** Another widget from now on, of which some is on its way. */
  start(node: LiveNode, widget: Widget, moving: readonly Moving[]): void {
    this.arrive(node);
    if (moving.length > 0) {
      node.motion = { target: widget, moving };
      this.#moving.add(node);
    }
    if (node.departs && !isLeaving(moving)) this.#out.push(node);
    this.#place(node, shownWhile(widget, moving));
  }

  arrive(node: LiveNode): void {
    if (node.motion === undefined) return;
    node.motion = undefined;
    this.#moving.delete(node);
  }

  /**
   * Moves everything on that is on its way. @param moved Called for each, with what it was and whether it is out of sight now.
   * @returns whether anything is.
   */
  advance(ms: number, moved: (node: LiveNode, before: Widget, hasLeft: boolean) => void): boolean {
    if (this.#moving.size === 0) return false;
    for (const node of [...this.#moving].sort((a, b) => a.index - b.index)) {
      if (!node.motion) continue;
      const { moving } = node.motion;
      const left = movedOn(moving, ms);
      const before = node.widget;
      // Ends are what they are to be, to the last bit.
      this.start(node, targetOf(node), left);
      moved(node, before, isLeaving(moving) && !isLeaving(left));
    }
    return true;
  }

  /** Those that were to go, and are out of sight since this was last called. */
  takeOut(): readonly LiveNode[] {
    const out = this.#out.filter(({ departs }) => departs);
    this.#out = [];
    return out;
  }
}
