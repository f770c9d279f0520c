import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { drawnRect } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { LiveNode, LiveView } from '../live/index.ts';
import type { ControlChanges } from './control-changes.ts';
import type { InputEffect, PointerEvent } from './events.ts';
import { popupPlace, type PopupPlace } from './popup.ts';
import { safeRectOf, unionOf } from '../scene/index.ts';

/** A mouse cursor is about so high, in CSS px: what stands at the pointer keeps clear of it. */
const cursorHeight = 24;
/** A finger hides so much around where it presses, in mm. */
const fingerRadius = 8;
const millimetresPerInch = 25.4;

/** What a tooltip is shown for. */
interface Shown {
  readonly tip: string;
  readonly control: string;
  /** Where the pointer or finger is, in device px. */
  readonly at: { readonly x: number; readonly y: number } | undefined;
  /** The finger that holds the control; undefined where a pointer or the focus rests on it. */
  readonly finger: number | undefined;
}

/** The tooltip of a control: that of the nearest widget around it, itself among them, that names one. */
export function tipOf(parents: Iterable<Pick<LiveNode['bone'], 'source'>>): string | undefined {
  for (const { source } of parents) {
    const { tooltip } = source as WidgetSource;
    if (tooltip !== undefined) return tooltip;
  }
  return undefined;
}

/** A widget and all that is around it but the view itself, from the inside out. */
export function* outward(widgets: readonly Widget[], index: number): Generator<Widget> {
  for (let at = index; at > 0; at = widgets[at]!.parent) yield widgets[at]!;
}

/**
 * Where a tooltip stands beside a rectangle, inside of what is safe by its margin. All in device px.
 * @param scale Device px one u of what the tooltip is in is.
 */
export function tipPlace(
  anchor: Rect,
  size: { readonly width: number; readonly height: number },
  { source, box }: Pick<Widget, 'source' | 'box'>,
  scale: number,
  within: Rect,
): PopupPlace {
  const { side = 'top' } = source as WidgetSource;
  const margin = { x: box.x.marginEnd * scale, y: box.y.marginEnd * scale };
  const isUpright = side === 'top' || side === 'bottom';
  // A margin is kept from what is around a widget as from what is beside it.
  const inside = {
    x: within.x + margin.x,
    y: within.y + margin.y,
    width: within.width - 2 * margin.x,
    height: within.height - 2 * margin.y,
  };
  return popupPlace(anchor, size, { side, gap: isUpright ? margin.y : margin.x, within: inside });
}

/** The tooltip that somebody who rests on a control, or holds a finger on it, is shown. */
export class Tips {
  readonly #live: LiveView;
  readonly #changes: ControlChanges;
  #shown: Shown | undefined;
  /** The version of the live view in which it was put in its place. */
  #placed = -1;

  constructor(live: LiveView, changes: ControlChanges) {
    this.#live = live;
    this.#changes = changes;
  }

  /**
   * Follows what players have just done: some of it shows a tooltip, or takes it away.
   * @param places Where each pointer is.
   * @returns the control that a finger has been answered for: it is no click any more.
   */
  follow(effects: InputEffect[], places: ReadonlyMap<number, PointerEvent>): string | undefined {
    const finger = this.#shown?.finger;
    if (finger !== undefined && !places.has(finger)) this.#hide(effects);
    if (effects.length === 0) return undefined;
    let answered: string | undefined;
    for (const effect of [...effects]) {
      if (effect.type === 'rest') this.#show(effect.control, effect.at, undefined, effects);
      else if (effect.type === 'rest-end' && this.#shown?.finger === undefined) this.#hide(effects);
      else if (effect.type === 'long-press') {
        const at = places.get(effect.pointer ?? NaN);
        const isShown = at?.device === 'touch' && this.#show(effect.control, at, effect.pointer, effects);
        if (isShown) answered = effect.control;
      }
    }
    return answered;
  }

  /** Gives whether there is a tooltip to show. */
  #show(control: string, at: Shown['at'], finger: number | undefined, effects: InputEffect[]): boolean {
    const tip = tipOf(bonesFrom(this.#live.nodeOf(control)));
    const node = tip === undefined ? undefined : this.#live.nodeOf(tip);
    if (!node) return false;
    this.#placed = -1;
    this.#shown = { tip: node.bone.id, control, at, finger };
    this.#changes.show(node, true, effects);
    return true;
  }

  #hide(effects: InputEffect[]): void {
    const node = this.#shown && this.#live.nodeOf(this.#shown.tip);
    this.#shown = undefined;
    if (node) this.#changes.show(node, false, effects);
  }

  /** Puts the tooltip that is shown beside what it belongs to: it may say something else by now, or that may have moved. */
  place(): void {
    const shown = this.#shown;
    if (!shown || this.#live.update() === this.#placed) return;
    const [tip, control] = [this.#live.nodeOf(shown.tip), this.#live.nodeOf(shown.control)];
    if (!tip?.parent || !control) return;
    // As large as it is where it has all the room there is: further on, its words would be broken sooner.
    this.#changes.move(tip, 0, 0);
    const { layout, tree } = this.#live.now.on;
    const rect = layout.rect(tip.index);
    const scale = this.#live.scaleOf(tip.parent.index);
    const anchor = this.#anchor(shown, drawnRect(control.index, tree.widgets, layout), tip.bone.source);
    const place = tipPlace(anchor, rect, tip.bone, scale, safeRectOf(this.#live.frame.screen));
    this.#changes.move(tip, (place.x - rect.x) / scale, (place.y - rect.y) / scale);
    this.#placed = this.#live.update();
  }

  /** What the tooltip has to keep clear of. */
  #anchor({ at, finger }: Shown, control: Rect, { at: stands = 'control' }: WidgetSource): Rect {
    const { density } = this.#live.frame.screen;
    if (at && finger !== undefined) {
      const radius = (fingerRadius * density) / millimetresPerInch;
      const hidden = { x: at.x - radius, y: at.y - radius, width: 2 * radius, height: 2 * radius };
      return stands === 'pointer' ? hidden : unionOf([control, hidden]);
    }
    if (!at || stands === 'control') return control;
    return { x: at.x, y: at.y, width: 1, height: (cursorHeight * density) / 96 };
  }
}

/** What a node is made of, and then all that is around it. */
function* bonesFrom(node: LiveNode | undefined): Generator<LiveNode['bone']> {
  for (let at = node; at; at = at.parent) yield at.bone;
}
