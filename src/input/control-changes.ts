import { choiceKeyOf, type WidgetSource } from '../document/index.ts';
import type { LiveNode, LiveView } from '../live/index.ts';
import { BuildError, chosenBy, isDivider, shareOf } from '../skeleton/index.ts';
import { slidesAlong } from '../inside/index.ts';
import { ValueError } from '../view/index.ts';
import { changeOf, setPair, valuesWith } from './change.ts';
import type { ChangeEffect, InputEffect } from './events.ts';
import type { FocusField } from './focus/field.ts';
import { oppositeStep, slid, valueAt, type SliderStep } from './slider.ts';

/** What players change of what controls stand for: told, and put where it is bound. */
export class ControlChanges {
  readonly #live: LiveView;
  readonly #sets: boolean;

  /** @param sets Whether changes are put into the values they are bound to. */
  constructor(live: LiveView, sets: boolean) {
    this.#live = live;
    this.#sets = sets;
  }

  /** A control was clicked: what is on is off, a tab shows its page. */
  click(node: LiveNode, effects: InputEffect[]): void {
    const { kind, states } = node.widget;
    if (kind === 'checkbox' || kind === 'switch')
      this.#change(node, 'checked', !states.includes('checked'), effects);
    if (node.parent) this.#choose(node.parent, node, effects);
  }

  /** The focus has gone from one option of a list box to another by where they lie: what has the focus is chosen. */
  goTo(node: LiveNode | undefined, from: LiveNode | undefined, effects: InputEffect[]): void {
    const outer = node?.parent;
    if (outer && outer === from?.parent && outer.widget.kind === 'listbox')
      this.#choose(outer, node, effects);
  }

  /** Another of some tabs is shown. Gives the tab; undefined where there are none to turn. */
  turn(
    tabs: LiveNode,
    from: LiveNode | undefined,
    to: 'next' | 'previous' | 'first' | 'last',
    field: FocusField,
    effects: InputEffect[],
  ): LiveNode | undefined {
    const all = this.#live.now.nodes.filter((node) => node.parent === tabs && field.isUsable(node.index));
    const now = all.findIndex((node) => (from ? node === from : node.widget.selected));
    const last = all.length - 1;
    const step = now + (to === 'next' ? 1 : -1);
    // Options end where they end; tabs and radio buttons go round.
    const isRound = tabs.widget.kind !== 'listbox';
    const beside = isRound ? (step + all.length) % all.length : Math.min(last, Math.max(0, step));
    const tab = all[to === 'first' ? 0 : to === 'last' ? last : beside];
    if (tab) this.#choose(tabs, tab, effects);
    return tab;
  }

  /** A slider goes to where a pointer is, in device px. */
  slideTo(node: LiveNode, x: number, y: number, effects: InputEffect[]): void {
    const value = valueAt(node.widget, this.#live.now.on.layout, x, y);
    if (value !== node.widget.value) this.#change(node, 'value', value, effects);
  }

  /** A slider, or a divider, goes by a key. */
  slideBy(node: LiveNode, by: SliderStep, effects: InputEffect[]): void {
    const { bone, widget } = node;
    const { value: said, step } = bone.source as WidgetSource;
    const value = isDivider(bone) ? shareOf(said, bone.scope) : widget.value;
    const next = slid(value, step, goesBack(node, by) ? oppositeStep[by] : by);
    if (next !== value) this.#change(node, 'value', next, effects);
  }

  /** A divider between two widgets of a row or column follows a pointer: their shares are so that it lies under it. */
  divideAt(node: LiveNode, x: number, y: number, effects: InputEffect[]): void {
    const { nodes, on } = this.#live.now;
    const siblings = nodes.filter((one) => one.parent === node.parent);
    const at = siblings.indexOf(node);
    const [before, after] = [siblings[at - 1], siblings[at + 1]];
    if (!before || !after || !node.parent) return;
    const axis = node.parent.bone.box.arrange === 'row' ? 'x' : 'y';
    const size = axis === 'x' ? 'width' : 'height';
    const [one, other] = [on.layout.rect(before.index), on.layout.rect(after.index)];
    const own = on.layout.rect(node.index)[size];
    const first = Math.min(one[axis], other[axis]);
    const room = Math.max(one[axis] + one[size], other[axis] + other[size]) - first - own;
    if (!(room > 0)) return;
    const share = Math.min(1, Math.max(0, ((axis === 'x' ? x : y) - own / 2 - first) / room));
    const isTurned = other[axis] < one[axis];
    this.#change(node, 'value', Number((isTurned ? 1 - share : share).toFixed(6)), effects);
  }

  /** What a player has typed. */
  type(node: LiveNode, text: string, effects: InputEffect[]): void {
    this.#change(node, 'text', text, effects);
  }

  /** A dialog or tooltip comes or goes where its visibility is bound; otherwise that is the game's. */
  show(node: LiveNode, isShown: boolean, effects: InputEffect[]): void {
    if (node.bone.bound.get('visible')) this.#change(node, 'visible', isShown, effects);
  }

  /** A tooltip goes to another place, in u, where its offset is bound. */
  move({ bone }: LiveNode, x: number, y: number): void {
    if (this.#sets) setPair(this.#live, bone, 'offset', [x, y]);
  }

  /** Of what a widget is one of, it is chosen: a page is shown, an option or radio button selected. */
  #choose(outer: LiveNode, { bone }: LiveNode, effects: InputEffect[]): void {
    const key = choiceKeyOf(outer.widget.kind);
    if (key === undefined) return;
    const chosen = chosenBy(bone) ?? bone.id;
    if ((outer.bone.source as WidgetSource)[key] !== chosen) this.#change(outer, key, chosen, effects);
  }

  #change(
    node: LiveNode,
    key: ChangeEffect['key'],
    value: string | number | boolean,
    effects: InputEffect[],
  ): void {
    const effect = changeOf(node, key, value);
    effects.push(effect);
    if (!this.#sets || effect.to === undefined) return;
    const values = valuesWith(this.#live.values, effect.to, value);
    if (!values) return;
    try {
      this.#live.set(values);
    } catch (error) {
      // What a key bound to the same value cannot be is refused, and nothing has changed; anything else is a fault of ours.
      if (!(error instanceof BuildError || error instanceof ValueError || error instanceof RangeError))
        throw error;
      effects.push({ type: 'refused', control: effect.control, pointer: undefined });
    }
  }
}

/** Whether less is where a key leads to: a divider and the handle of a slider go the way of an arrow. */
function goesBack({ bone, widget, parent }: LiveNode, by: SliderStep): boolean {
  // Where a row is turned round, what comes first lies last.
  if (isDivider(bone)) return parent?.bone.source.reverse === true;
  const { axis, isFromEnd } = slidesAlong(widget);
  const isUsual = isFromEnd === (axis === 'x' && widget.box.rightToLeft);
  return !isUsual && (by === 'less' || by === 'more');
}
