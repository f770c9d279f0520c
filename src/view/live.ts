import { meterValue, textOf, type Widget } from '../build/index.ts';
import type { CaseValue, WidgetSource } from '../document/index.ts';
import { Layout, markMeasure, placeInto, scrollTo, solve, type Frame } from '../layout/index.ts';
import type { Screen, ScreenSize } from '../screen/index.ts';
import { NoSuchName, View, ViewLayout, type Form } from './view.ts';

/** A rectangle that numbers are written into, so that reading one makes no new object. */
export interface MutableRect {
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * A view laid out on one screen that follows the game: values change, the window is resized, a list is scrolled, and
 * only what depends on it is solved again. The numbers are those of a fresh layout, bit for bit.
 */
export class LiveLayout<Id extends string = string> {
  readonly #values: Record<string, CaseValue>;
  readonly #base: View;
  #view: View;
  #form: Form;
  #frame: Frame;

  constructor(view: View<Id>, screen: Screen | ScreenSize) {
    this.#base = view;
    this.#values = { ...view.variant.values };
    this.#view = this.#own();
    this.#frame = this.#view.frameOn(screen);
    this.#form = this.#view.formOn(this.#frame);
    solve(this.#form.plan, this.#frame);
  }

  /** A view of its own: its trees and plans are changed in place. */
  #own(): View {
    const { document, name, variant, hudSize, case: caseName, backdrops } = this.#base;
    return new View(document, name, { ...variant, values: this.#values }, hudSize, caseName, backdrops);
  }

  /** All widgets as they are now, parents before their children. */
  get widgets(): readonly Widget[] {
    return this.#form.tree.widgets;
  }

  /** Indexes in drawing order. */
  get order(): readonly number[] {
    return this.#form.tree.order;
  }

  get frame(): Frame {
    return this.#frame;
  }

  /** @throws NoSuchName when no widget has that id on this screen. */
  indexOf(id: Id): number {
    const index = this.#form.indexes.get(id);
    if (index === undefined) throw new NoSuchName('widget', id, [...this.#form.indexes.keys()]);
    return index;
  }

  /** Goes to another screen, or another size of the window. @throws RangeError for a size that is no screen's. */
  resize(screen: Screen | ScreenSize): void {
    this.#frame = this.#view.frameOn(screen);
    this.#form = this.#view.formOn(this.#frame);
    solve(this.#form.plan, this.#frame);
  }

  /** Changes values: texts and meters that show them, and what follows from their sizes. */
  set(values: { readonly [name: string]: CaseValue }): void {
    const { tree, plan } = this.#form;
    let rebuild = false;
    const touched = new Set<number>();
    for (const [name, value] of Object.entries(values)) {
      if (this.#values[name] === value) continue;
      this.#values[name] = value;
      if (tree.structural.has(name)) rebuild = true;
      for (const index of tree.shows.get(name) ?? []) touched.add(index);
    }
    if (rebuild) {
      this.#view = this.#own();
      this.#form = this.#view.formOn(this.#frame);
    } else {
      const widgets = tree.widgets as Widget[];
      for (const index of touched) {
        const next = this.#shown(widgets[index]!);
        if (next.measure !== widgets[index]!.measure) {
          plan.measures[index] = next.measure;
          markMeasure(plan, index);
        }
        widgets[index] = next;
      }
      if (touched.size > 0) this.#view.keepOnly(this.#form);
    }
    solve(this.#form.plan, this.#frame);
  }

  /** The widget with what it shows now. */
  #shown(widget: Widget): Widget {
    const source = widget.source as WidgetSource;
    if (widget.kind === 'meter') return { ...widget, value: meterValue(source.value, widget.scope) };
    const text = textOf(source, widget.look, widget.scope, this.#view.variant);
    return text?.text === widget.text?.text ? widget : { ...widget, text, measure: text };
  }

  /** Scrolls a widget that scrolls. In u; what lies beyond the content is left out when it is laid out. */
  scroll(id: Id, x: number, y: number): void {
    scrollTo(this.#form.plan, this.indexOf(id), x, y);
    solve(this.#form.plan, this.#frame);
  }

  /** Writes the border box of a widget into `into`, in device px, not rounded. Makes no object. */
  read(index: number, into: MutableRect): MutableRect {
    const { scale, originX, originY } = this.#frame;
    placeInto(this.#form.plan, index, into);
    into.x = originX + into.x * scale;
    into.y = originY + into.y * scale;
    into.width *= scale;
    into.height *= scale;
    return into;
  }

  /** What is laid out now, as something that no longer changes: for drawing and checking. */
  snapshot(): ViewLayout<Id> {
    return new ViewLayout<Id>(this.#view, this.#form, new Layout(this.#form.plan, this.#frame));
  }
}
