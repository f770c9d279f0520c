import { shareOf } from '../skeleton/index.ts';
import { wordsOf, type Tree, type Widget } from '../dress/index.ts';
import type { CaseValue, State, WidgetSource } from '../document/index.ts';
import {
  Layout,
  MutableFrame,
  markMeasure,
  placeInto,
  scrollTo,
  solve,
  type Frame,
} from '../layout/index.ts';
import type { Screen, ScreenSize } from '../screen/index.ts';
import { TextBlock } from '../text/index.ts';
import { checkStates, checkValues, checkWidget } from './given.ts';
import { NoSuchName } from './no-such-name.ts';
import type { Form } from './form.ts';
import { ViewLayout, type View } from './view.ts';

/** A rectangle that numbers are written into, so that reading one makes no new object. */
export interface MutableRect {
  x: number;
  y: number;
  width: number;
  height: number;
}

type Mutable<T> = { -readonly [Key in keyof T]: T[Key] };

/**
 * A view laid out on one screen that follows the game: values change, the window is resized, a list is scrolled, and
 * only what depends on it is solved again. The numbers are those of a fresh layout, bit for bit.
 */
export class LiveLayout<Id extends string = string> {
  readonly #values: Map<string, CaseValue>;
  readonly #states: Map<string, readonly State[]>;
  /** How far widgets were scrolled, by id, in u. */
  readonly #scrolled = new Map<string, { readonly x: number; readonly y: number }>();
  readonly #base: View;
  readonly #frame = new MutableFrame();
  #view: View;
  #form: Form;
  /** 1: a snapshot shows this widget, which therefore may not change any more. */
  #shared: Uint8Array;

  constructor(view: View<Id>, screen: Screen | ScreenSize) {
    this.#base = view;
    this.#values = new Map(view.variant.values);
    this.#states = new Map(view.variant.states);
    this.#view = this.#own();
    this.#view.frameInto(screen, this.#frame);
    this.#form = this.#view.formOn(this.#frame);
    this.#shared = new Uint8Array(this.#form.tree.widgets.length);
    solve(this.#form.plan, this.#frame);
  }

  /** A view of its own: its trees and plans are changed in place. */
  #own(): View {
    return this.#base.with({ values: this.#values, states: this.#states });
  }

  #use(form: Form): void {
    if (form === this.#form) return;
    this.#form = form;
    // Whether a snapshot was taken of it before is not known: its widgets are taken for shown.
    this.#shared = new Uint8Array(form.tree.widgets.length).fill(1);
    for (const [id, { x, y }] of this.#scrolled) {
      const index = form.indexes.get(id);
      if (index !== undefined) scrollTo(form.plan, index, x, y);
    }
  }

  /** All widgets as they are now, parents before their children. */
  get widgets(): readonly Widget[] {
    return this.#form.tree.widgets;
  }

  /** Indexes in drawing order. */
  get order(): readonly number[] {
    return this.#form.tree.order;
  }

  /** How the view is put on the screen it is on now. */
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
    this.#view.frameInto(screen, this.#frame);
    this.#use(this.#view.formOn(this.#frame));
    solve(this.#form.plan, this.#frame);
  }

  /**
   * Changes values: texts and meters that show them, and what follows from their sizes. One that is refused changes nothing.
   * @throws NoSuchName for a name that no case has. @throws ValueError for NaN, undefined and what else is no value.
   * @throws BuildError where a key would get what it cannot be.
   */
  set(values: { readonly [name: string]: CaseValue }): void {
    const { tree } = this.#form;
    checkValues(values, this.#values, this.#base.document, tree);
    const names = Object.keys(values);
    const isNew = (name: string) => this.#values.get(name) !== values[name];
    if (names.some((name) => tree.structural.has(name) && isNew(name))) {
      const before = new Map(this.#values);
      for (const name of names) this.#values.set(name, values[name]!);
      try {
        const view = this.#own();
        const form = view.formOn(this.#frame);
        this.#view = view;
        this.#use(form);
      } catch (error) {
        // What cannot be built leaves no trace.
        this.#values.clear();
        for (const [name, value] of before) this.#values.set(name, value);
        throw error;
      }
    } else {
      let changed = false;
      for (const name of names) {
        if (!isNew(name)) continue;
        this.#values.set(name, values[name]!);
        const shows = tree.shows.get(name);
        if (!shows) continue;
        changed = true;
        // A widget that shows two values is looked at twice, the first time with an old one: rarer than it is dear.
        for (const index of shows) this.#show(index);
      }
      if (changed) this.#view.keepOnly(this.#form);
    }
    solve(this.#form.plan, this.#frame);
  }

  /**
   * Puts a widget into states: a game moves the focus, a button is pressed. What the document says stays. The view is
   * built anew, as a look may change the size of anything.
   * @throws NoSuchName for a widget the view does not have, or a state there is not.
   */
  setStates(id: Id, states: readonly State[]): void {
    checkWidget(id, this.#base.document, this.#base.name, this.#form.indexes.keys());
    checkStates(states);
    this.#states.set(id, states);
    this.#view = this.#own();
    this.#use(this.#view.formOn(this.#frame));
    solve(this.#form.plan, this.#frame);
  }

  /** Has a widget show what it is to show now. */
  #show(index: number): void {
    const { tree, plan } = this.#form;
    const widget = tree.widgets[index]!;
    const source = widget.source as WidgetSource;
    if (widget.kind === 'meter' || widget.kind === 'slider') {
      const value = shareOf(source.value, widget.scope);
      const trail = source.trail === undefined ? value : shareOf(source.trail, widget.scope);
      if (value === widget.value && trail === widget.trail) return;
      const own = this.#changeable(index);
      own.value = value;
      own.trail = trail;
      return;
    }
    const words = wordsOf(source.text, widget.look, widget.scope, widget.theme, this.#view.variant);
    if (words === undefined) return;
    const shown = widget.text!;
    if (words.text === shown.text && words.runs.length === 0 && shown.runs.length === 0) return;
    const own = this.#changeable(index);
    const block = new TextBlock(words.text, shown.setting, words.runs);
    own.text = own.measure = plan.measures[index] = block;
    markMeasure(plan, index);
  }

  /** The widget to be changed; a copy where a snapshot has it. */
  #changeable(index: number): Mutable<Widget> {
    const widgets = this.#form.tree.widgets as Widget[];
    if (this.#shared[index] === 1) {
      widgets[index] = { ...widgets[index]! };
      this.#shared[index] = 0;
    }
    return widgets[index]!;
  }

  /** Scrolls a widget that scrolls. In u; what lies beyond the content is left out when it is laid out. */
  scroll(id: Id, x: number, y: number): void {
    if (!Number.isFinite(x) || !Number.isFinite(y))
      throw new RangeError(`${id} cannot be scrolled to ${x}, ${y}: both are numbers of u`);
    scrollTo(this.#form.plan, this.indexOf(id), x, y);
    this.#scrolled.set(id, { x, y });
    solve(this.#form.plan, this.#frame);
  }

  /**
   * Writes the border box of a widget, by its id or index, into `into`, in device px, not rounded. Makes no object.
   * @throws NoSuchName when no widget has that id on this screen.
   */
  read(widget: Id | number, into: MutableRect): MutableRect {
    const index = typeof widget === 'number' ? widget : this.indexOf(widget);
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
    this.#shared.fill(1);
    const tree: Tree = { ...this.#form.tree, widgets: this.#form.tree.widgets.slice() };
    const layout = new Layout(this.#form.plan, this.#frame.copy());
    return new ViewLayout<Id>(this.#view, { ...this.#form, tree }, layout);
  }
}
