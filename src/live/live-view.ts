import type { CaseEntry, CaseValue, State } from '../document/index.ts';
import type { Caret, Widget } from '../dress/index.ts';
import {
  Layout,
  MutableFrame,
  placeInto,
  scrollRange,
  scrollTo,
  solve,
  type Frame,
} from '../layout/index.ts';
import { makeScreen, type Screen, type ScreenSize } from '../screen/index.ts';
import { BuildError, isSameValue } from '../skeleton/index.ts';
import {
  NoSuchName,
  ViewLayout,
  checkStates,
  checkValues,
  checkWidget,
  mayBeThere,
  placed,
  type Indexes,
  type Occasion,
  type View,
} from '../view/index.ts';
import { LiveTree, type TreeSource } from './live-tree.ts';
import type { LiveNode, Offset } from './node.ts';
import { Scrollbars } from './scrollbars.ts';
import { WidgetStates, type StatesBy } from './widget-states.ts';

/** A rectangle to write numbers into: reading one makes no new object. */
export interface MutableRect {
  x: number;
  y: number;
  width: number;
  height: number;
}

const noOffset: Offset = { x: 0, y: 0 };

/** Values by name, where nobody has said which there are. */
export interface AnyValues {
  readonly [name: string]: CaseValue;
}

/** What a live view is shown in: it can be changed at any time. */
export type LiveOccasion = Omit<Occasion, 'case'>;

/**
 * A view that lives in a game: values, states, scroll, screen, theme, language, HUD and text size change at any time, and
 * nothing else is lost. Changes are put together and worked out once, when somebody next reads or draws. Whatever the
 * changes were, the numbers are those of a view opened anew, bit for bit.
 */
export class LiveView<Id extends string = string, Values extends object = AnyValues> {
  readonly #values: Map<string, CaseValue>;
  /** The names of those that a game has set, be it to what the case says as well. */
  readonly #given = new Set<string>();
  readonly #states: WidgetStates;
  /** How far widgets were scrolled, by id, in u. */
  readonly #scrolled = new Map<string, Offset & { readonly past: Offset }>();
  readonly #frame = new MutableFrame();
  readonly #bars = new Scrollbars();
  #view: View;
  #tree: LiveTree;
  /** What is laid out, kept up with the plan. */
  #layout: Layout;
  #moved = new Uint8Array(0);
  /** The tree the layout is of; none before anybody has looked. */
  #laid: LiveTree | undefined;
  #on: ViewLayout | undefined;
  #hasMotion = true;
  #isChanged = false;
  #isPlaced = false;
  /** Whether the plan was solved since it was last looked who has moved. */
  #isBehind = false;
  /** The structure the layout was made for. */
  #structure = -1;
  #version = 0;
  /** Counts up where anything may stand elsewhere, be seen or not, or lie in another order. */
  #standing = 0;
  /** The same of who may be seen or not, or lie in another order, alone. */
  #sight = 0;
  /** The version in which it was last asked what has changed. */
  #taken = 0;
  /** The version since which everything is another. */
  #whole = 1;

  constructor(view: View<Id>, screen: Screen | ScreenSize) {
    this.#values = new Map(view.variant.values);
    this.#states = new WidgetStates(view.variant.states);
    this.#view = view.with({ values: this.#values, states: this.#states.all });
    this.#view.frameInto(screen, this.#frame);
    this.#view.holdsOthers(this.#frame);
    this.#tree = this.#grown();
    solve(this.#tree.plan, this.#frame);
    this.#layout = new Layout(this.#tree.plan, this.#frame);
    this.#isChanged = true;
    this.#isPlaced = true;
    this.update();
  }

  #grown(): LiveTree {
    const { document, name, reference, variant } = this.#view;
    const tree = this.#made({ document, view: name, reference, materials: variant, frame: this.#frame });
    tree.version = this.#version + 1;
    tree.motions.isOn = this.#hasMotion;
    for (const id of this.#scrolled.keys()) {
      const scrolled = this.#scrolledBySomebody(id);
      const node = tree.byId.get(id);
      if (scrolled && node) scrollTo(tree.plan, node.index, scrolled.x, scrolled.y, scrolled.past);
      else this.#scrolled.delete(id);
    }
    return tree;
  }

  /** How far somebody has scrolled a widget, in u; what was gone since starts where the document says. */
  #scrolledBySomebody(id: string): (Offset & { readonly past: Offset }) | undefined {
    const scrolled = this.#scrolled.get(id);
    const node = this.#tree.byId.get(id);
    const { x, y } = this.#tree.plan;
    return scrolled && node && x.scrolled[node.index] === scrolled.x && y.scrolled[node.index] === scrolled.y
      ? scrolled
      : undefined;
  }

  #made(source: TreeSource): LiveTree {
    try {
      return new LiveTree(source);
    } catch (error) {
      throw error instanceof BuildError ? placed(error, source.document, undefined) : error;
    }
  }

  /** The same error with the widget that it is about, and where that is written. */
  #told(error: BuildError): BuildError {
    const { document } = this.#view;
    const { pointer } = error;
    let about = this.#tree.nodes[0]!.bone;
    for (const { bone } of this.#tree.nodes)
      if (bone.pointer.length > about.pointer.length && `${pointer}/`.startsWith(`${bone.pointer}/`))
        about = bone;
    const place = document.origin.place(pointer);
    return new BuildError(`${error.message}; ${about.id} (${place ?? pointer})`, pointer, place);
  }

  /** All widgets of it, anew: where other conditions hold, or all looks and words are others. */
  #regrow(): void {
    const structure = this.#tree.structure + 1;
    this.#tree = this.#grown();
    this.#tree.structure = structure;
    this.#changedWholly();
  }

  #changedWholly(): void {
    this.#whole = this.#version + 1;
    this.#isChanged = true;
    this.#isPlaced = true;
  }

  /** What it is shown in now. */
  get occasion(): LiveOccasion {
    return this.#view.occasion;
  }

  /** The values there are now, by name. */
  get values(): ReadonlyMap<string, CaseValue> {
    return this.#values;
  }

  /** All widgets as they are now, parents before their children. */
  get widgets(): readonly Widget[] {
    return this.#tree.widgets;
  }

  /** Indexes in drawing order. */
  get order(): readonly number[] {
    return this.#tree.order;
  }

  /** How the view is put on the screen it is on now. */
  get frame(): Frame {
    return this.#frame;
  }

  /** The index of a widget; undefined where none has that id on this screen. */
  find(id: string): number | undefined {
    return this.#tree.byId.get(id)?.index;
  }

  /** The widget of an id, as it is kept for as long as it is there; undefined where none has that id now. */
  nodeOf(id: string): LiveNode | undefined {
    return this.#tree.byId.get(id);
  }

  /** Device px one u of a widget is. */
  scaleOf(widget: Id | number): number {
    this.update();
    const index = typeof widget === 'number' ? widget : this.indexOf(widget);
    return this.#frame.scale * this.#tree.plan.factor[index]!;
  }

  /** @throws NoSuchName when no widget has that id on this screen. */
  indexOf(id: Id): number {
    const node = this.#tree.byId.get(id);
    if (!node) throw new NoSuchName('widget', id, [...this.#tree.byId.keys()]);
    return node.index;
  }

  /** Goes to another screen, or another size of the window. @throws RangeError for a size that is no screen's. */
  resize(screen: Screen | ScreenSize): void {
    // Refused before anything has changed.
    const next = makeScreen(screen);
    this.#view.frameInto(next, this.#frame);
    if (this.#view.holdsOthers(this.#frame)) this.#regrow();
    else this.#changedWholly();
  }

  /**
   * Changes what it is shown in: theme, locale, HUD or text size, a state of all controls. Values, states and scroll stay.
   * @throws NoSuchName for a setting, theme or locale there is not. @throws RangeError for a size outside 0.1 to 10.
   */
  show(changes: Partial<LiveOccasion>): void {
    const settings = Object.keys(this.occasion).filter((key) => key !== 'case');
    for (const key in changes) if (!settings.includes(key)) throw new NoSuchName('setting', key, settings);
    const other = this.#view.shownIn(changes).with({ values: this.#values, states: this.#states.all });
    const { screen } = this.#frame;
    this.#view = other;
    other.frameInto(screen, this.#frame);
    other.holdsOthers(this.#frame);
    this.#regrow();
  }

  /**
   * Changes values, and everything that shows them, is bound to them or repeated over them.
   * @returns whether anything looks, says or stands otherwise. One that is refused changes nothing.
   * @throws NoSuchName for a name that no case has. @throws ValueError for NaN, undefined and what else is no value.
   * @throws BuildError where a key would get what it cannot be. @throws RangeError for a length beyond 10¹⁵ u.
   */
  set(changes: Partial<Values>): boolean {
    const values = changes as AnyValues;
    const tree = this.#tree;
    checkValues(values, this.#values, this.#view.document, tree.names);
    const names: string[] = [];
    const before: (CaseValue | undefined)[] = [];
    for (const name in values) {
      const value = values[name]!;
      const known = this.#values.get(name);
      if (known === value || isSameValue(known, value)) continue;
      names.push(name);
      before.push(known);
      this.#values.set(name, owned(value));
    }
    if (names.length === 0) {
      this.#noteGiven(values);
      return false;
    }
    let isOther: boolean;
    try {
      isOther = tree.follow(names);
    } catch (error) {
      // What cannot be made leaves no trace.
      names.forEach((name, at) => {
        const known = before[at];
        if (known === undefined) this.#values.delete(name);
        else this.#values.set(name, known);
      });
      // What is found to be none only when it is put in place has changed some of the rest.
      if (!(error instanceof BuildError)) this.#regrow();
      throw error instanceof BuildError ? this.#told(error) : error;
    }
    this.#noteGiven(values);
    if (!isOther) return false;
    for (const { bone } of tree.scrolled.splice(0)) {
      const [x, y] = [bone.box.x.scrolled, bone.box.y.scrolled];
      const before = this.#scrolledBySomebody(bone.id);
      // Who scrolled it there may have pulled it past its end as well.
      if (before?.x !== x || before.y !== y) this.scroll(bone.id as Id, x, y);
    }
    this.#isChanged = true;
    return true;
  }

  #noteGiven(values: AnyValues): void {
    for (const name in values) this.#given.add(name);
  }

  /**
   * Goes on as another version of the same view, or as another view: with the values the game has set, the states and what is
   * scrolled, as far as they are there in it. @throws BuildError where its values cannot be put in; nothing has changed then.
   */
  replace(view: View<Id>): void {
    const values = new Map(view.variant.values);
    for (const name of this.#given) values.set(name, this.#values.get(name)!);
    const next = view.with({ values: this.#values, states: this.#states.all });
    next.frameInto(this.#frame.screen, this.#frame);
    next.holdsOthers(this.#frame);
    const before = { view: this.#view, values: new Map(this.#values) };
    const take = (given: ReadonlyMap<string, CaseValue>, taken: View) => {
      this.#values.clear();
      for (const [name, value] of given) this.#values.set(name, value);
      this.#view = taken;
      this.#regrow();
    };
    try {
      take(values, next);
    } catch (error) {
      before.view.frameInto(this.#frame.screen, this.#frame);
      before.view.holdsOthers(this.#frame);
      take(before.values, before.view);
      throw error;
    }
    // Another screen or language would ask for widgets that there are no more.
    this.#states.keep((id) => mayBeThere(id, view.document, view.name));
  }

  /**
   * The widget that a game names; undefined where it is not there now, such as an entry of a list that is shorter.
   * @throws NoSuchName for one the view never has.
   */
  named(id: string): LiveNode | undefined {
    const node = this.#tree.byId.get(id);
    if (!node) checkWidget(id, this.#view.document, this.#view.name, this.#tree.byId.keys());
    return node;
  }

  /**
   * Puts a widget into states: a game moves the focus, a button is pressed. What the document says stays.
   * @param by States of pointers are kept beside those of the game: neither takes the other's away.
   * @returns whether its states are others than before.
   * @throws NoSuchName for a widget the view does not have, or a state there is not.
   */
  setStates(id: Id, states: readonly State[], by: StatesBy = 'game'): boolean {
    const node = by === 'game' ? this.named(id) : this.#tree.byId.get(id);
    checkStates(states);
    if (!this.#states.put(id, states, by)) return false;
    if (node) {
      this.#tree.redress(node);
      this.#isChanged = true;
    }
    return true;
  }

  /**
   * Sets the caret and the selection of a textbox, in UTF-16 units of its text; undefined: at its end.
   * @throws NoSuchName
   */
  setCaret(id: Id, caret: Caret | undefined): void {
    const node = this.#tree.nodes[this.indexOf(id)]!;
    if (node.caret?.at === caret?.at && node.caret?.from === caret?.from) return;
    this.#tree.putCaret(node, caret);
    this.#isChanged = true;
  }

  /**
   * Draws a widget again although nothing about it has changed: one of the kind canvas in which the game shows something
   * else. @throws NoSuchName when no widget has that id on this screen.
   */
  touch(id: Id): void {
    this.#tree.touch(this.#tree.nodes[this.indexOf(id)]!);
    this.#isChanged = true;
  }

  /**
   * Advances transitions by so many milliseconds, which the game counts.
   * @returns whether anything is on its way. @throws RangeError for a time that is none.
   */
  advance(ms: number): boolean {
    if (!(ms >= 0 && ms < Infinity)) throw new RangeError(`a view moves on by milliseconds, not by ${ms}`);
    let moves = this.#tree.advance(ms);
    const waits = this.#bars.later(ms, (bar) => {
      this.#tree.rest(bar, true);
      moves = true;
    });
    if (moves) this.#isChanged = true;
    return moves || waits;
  }

  /** `reduced`: changes take no time, whatever transitions say. For players who asked their system for it. */
  get motion(): 'full' | 'reduced' {
    return this.#hasMotion ? 'full' : 'reduced';
  }

  set motion(motion: 'full' | 'reduced') {
    this.#hasMotion = motion === 'full';
    this.#tree.motions.isOn = this.#hasMotion;
    if (!this.#hasMotion) this.advance(longestMotion);
  }

  /**
   * Scrolls a widget that scrolls. In u; what lies beyond the content is left out when it is laid out.
   * @param past How far it is pulled past an end, on top of that, in u.
   * @returns whether that is another place than before.
   */
  scroll(id: Id, x: number, y: number, past: Offset = noOffset): boolean {
    if (![x, y, past.x, past.y].every(Number.isFinite))
      throw new RangeError(`${id} cannot be scrolled to ${x}, ${y}: both are numbers of u`);
    const index = this.indexOf(id);
    const before = this.#scrolledBySomebody(id);
    if (before?.x === x && before.y === y && before.past.x === past.x && before.past.y === past.y)
      return false;
    scrollTo(this.#tree.plan, index, x, y, past);
    this.#scrolled.set(id, { x, y, past: { x: past.x, y: past.y } });
    this.#isChanged = true;
    this.#isPlaced = true;
    return true;
  }

  /** How far a widget can be scrolled, in u: 0 along an axis on which all of it is shown. @throws NoSuchName */
  scrollRange(widget: Id | number): Offset {
    this.update();
    const index = typeof widget === 'number' ? widget : this.indexOf(widget);
    const { plan } = this.#tree;
    return { x: scrollRange(plan, plan.x, index), y: scrollRange(plan, plan.y, index) };
  }

  /** How far a widget is scrolled, in u, within what there is to scroll. @throws NoSuchName */
  scrolled(widget: Id | number): Offset {
    const range = this.scrollRange(widget);
    const index = typeof widget === 'number' ? widget : this.indexOf(widget);
    const { x, y } = this.#tree.plan;
    return { x: Math.min(x.scrolled[index]!, range.x), y: Math.min(y.scrolled[index]!, range.y) };
  }

  /**
   * Works out what has changed since the last call. Reading and drawing call it.
   * @returns a number that is another one where anything has changed.
   */
  update(): number {
    if (!this.#isChanged) return this.#version;
    this.#isChanged = false;
    const tree = this.#tree;
    const version = ++this.#version;
    if (tree.isPlaced || this.#isPlaced || tree.isOther) this.#standing++;
    if (tree.isOther || this.#whole === version) this.#sight++;
    tree.isOther = false;
    if (tree.isPlaced || this.#isPlaced) {
      tree.isPlaced = this.#isPlaced = false;
      this.#isBehind = true;
      solve(tree.plan, this.#frame);
    }
    tree.version = version + 1;
    return version;
  }

  /**
   * A number that is another one where a widget may have moved, come, gone, been shown or hidden: what lies where is to be looked
   * at again. Looks and states do not change it.
   */
  get standing(): number {
    this.update();
    return this.#standing;
  }

  /** The same where a widget may have come, gone, been shown or hidden, or lies above others: not where one has moved. */
  get sight(): number {
    this.update();
    return this.#sight;
  }

  /** Those whose look scales them: where they are drawn changes without anything of them being placed elsewhere. */
  get scaled(): ReadonlySet<LiveNode> {
    this.update();
    return this.#tree.scaled;
  }

  /** Looks who has moved; only those who draw have to know. */
  #note(): void {
    this.update();
    const tree = this.#tree;
    // Whoever has moved did so in the version that was just closed.
    tree.version = this.#version;
    if (this.#structure !== tree.structure) this.#noteRegrown();
    else if (this.#isBehind) this.#noteMoved();
    tree.version = this.#version + 1;
    this.#isBehind = false;
  }

  #noteMoved(): void {
    const { nodes, plan } = this.#tree;
    this.#layout.follow(plan, this.#moved);
    const moved = this.#moved;
    for (let n = moved.indexOf(1); n >= 0; n = moved.indexOf(1, n + 1)) {
      moved[n] = 0;
      this.#tree.touch(nodes[n]!);
    }
    this.#noteScrolled();
  }

  #noteScrolled(): void {
    const tree = this.#tree;
    this.#bars.changed(
      this.#layout,
      (id) => this.find(id),
      (bar) => {
        tree.rest(bar, false);
        tree.touch(bar);
      },
    );
  }

  /** There are other widgets, or they are drawn in another order. */
  #noteRegrown(): void {
    const tree = this.#tree;
    const { plan } = tree;
    this.#structure = tree.structure;
    if (this.#moved.length < plan.count) this.#moved = new Uint8Array(plan.room);
    const was = tree.replaced.take();
    if (this.#laid !== tree) {
      this.#layout = new Layout(plan, this.#frame);
      this.#moved.fill(1, 0, plan.count);
    } else if (was) this.#layout.rearrange(plan, was);
    this.#laid = tree;
    this.#bars.renew(tree.bars);
    this.#noteMoved();
    this.#on = undefined;
  }

  /** The layout as it is now, for a painter that follows it: its numbers change with the view. */
  get now(): LiveNow {
    this.#note();
    this.#on ??= new ViewLayout(
      this.#view,
      { tree: this.#tree.tree(), indexes: indexesOf(this.#tree) },
      this.#layout,
    );
    return {
      on: this.#on,
      nodes: this.#tree.nodes,
      structure: this.#structure,
      version: this.#version,
      whole: this.#whole,
    };
  }

  /** What has changed since the last call, for the painter alone: other readers do not reset it. */
  takeTouched(): Touched {
    this.#note();
    const since = this.#taken;
    this.#taken = this.#version;
    return { since, nodes: this.#tree.touches.take() };
  }

  /**
   * Ids of the widgets that look, say or stand otherwise than in a version that {@link update} gave; of those that were
   * there then and now, and of those that have come.
   */
  changedSince(version: number): string[] {
    this.#note();
    const all = this.#whole > version;
    return this.#tree.nodes.filter(({ stamp }) => all || stamp > version).map(({ bone }) => bone.id);
  }

  /**
   * Writes the border box of a widget, by its id or index, into `into`, in device px, not rounded. Makes no object.
   * @throws NoSuchName when no widget has that id on this screen.
   */
  read(widget: Id | number, into: MutableRect): MutableRect {
    this.update();
    const index = typeof widget === 'number' ? widget : this.indexOf(widget);
    const { scale, originX, originY } = this.#frame;
    placeInto(this.#tree.plan, index, into);
    into.x = originX + into.x * scale;
    into.y = originY + into.y * scale;
    into.width *= scale;
    into.height *= scale;
    return into;
  }

  /**
   * The view as it is now, with everything arrived that is on its way: for checks, in the middle of a game. What happens to
   * the live view later does not change it. How far something is scrolled is not the view's.
   */
  toView(): View<Id> {
    return this.#view.with({ values: new Map(this.#values), states: new Map(this.#states.all) });
  }

  /** The layout as it is now; it does not change later. For drawing and checking. */
  snapshot(): ViewLayout<Id> {
    this.update();
    const tree = this.#tree.snapshot();
    const indexes = new Map(tree.widgets.map(({ id, index }) => [id, index]));
    return new ViewLayout<Id>(this.#view, { tree, indexes }, new Layout(this.#tree.plan, this.#frame.copy()));
  }
}

/** A live view as it is now, for what draws it. */
export interface LiveNow {
  readonly on: ViewLayout;
  /** By index; the same object as long as the widget is there. */
  readonly nodes: readonly LiveNode[];
  /** Another number where there are other widgets, or another order. */
  readonly structure: number;
  readonly version: number;
  /** The version since which everything is another. */
  readonly whole: number;
}

/** What has changed since a version, some of it twice; undefined where that is as good as everything. */
export interface Touched {
  readonly since: number;
  readonly nodes: readonly LiveNode[] | undefined;
}

function indexesOf({ byId }: LiveTree): Indexes {
  return { get: (id) => byId.get(id)?.index, keys: () => byId.keys() };
}

/** No transition and its delay take longer, in milliseconds. */
const longestMotion = 120_000;
/** A value of its own: a list or map that a game goes on changing is seen to change. */
function owned<Value extends CaseValue>(value: Value): Value {
  if (typeof value !== 'object') return value;
  if (Array.isArray(value)) return (value as readonly CaseEntry[]).map(owned) as unknown as Value;
  return Object.fromEntries(Object.entries(value).map(([part, one]) => [part, owned(one)])) as Value;
}
