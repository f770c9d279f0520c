import { choiceKeyOf, type Direction, type WidgetSource } from '../document/index.ts';
import type { LiveNode, LiveView } from '../live/index.ts';
import { accessibleItems, type AccessibleItem } from './accessible.ts';
import { ControlChanges } from './control-changes.ts';
import type { Device, DragEffect, InputEffect, InputEvent, KeyEvent, PointerEvent } from './events.ts';
import type { FocusCommand } from './focus/focus.ts';
import { FocusInput } from './focus-input.ts';
import { heldOn, newlyHeld, stickDirection, type HeldDirection } from './held-direction.ts';
import { Hits, type Hit } from './hits.ts';
import { actOfDirection, actOfKey, actOfPad, directionOfPad, type Act, type KeyTarget } from './keys.ts';
import { keyTargetOf } from './key-target.ts';
import { Listening, pathOf, type Listener } from './listening.ts';
import {
  changesNothing,
  holdsAny,
  hovering,
  letGo,
  noPointers,
  pointerAfter,
  pointersLater,
  type PointerState,
  type PointerStep,
} from './pointer.ts';
import { Resting } from './resting.ts';
import { NoSuchName } from '../view/index.ts';
import { Scrolling } from './scrolling.ts';
import { ShownStates } from './shown-states.ts';
import { Tips } from './tips.ts';
import { Typing } from './typing.ts';
import { refuseWrong } from './refuse-wrong.ts';

export interface ViewInputOptions {
  /**
   * Whether what players change is put into the values it is bound to at once; true if left out. With false the game does it, or
   * does not.
   */
  readonly sets?: boolean;
  /** A value of the case that says what a player uses: `mouse`, `touch`, `keys` or `pad`, for hints. */
  readonly deviceValue?: string;
}

/** A mouse that moves by less than this, in device px, was only jogged: who plays with a pad goes on. */
const jogged = 6;
/** A stick pushed all the way scrolls by so many u in a ms. */
const stickSpeed = 1.2;

/**
 * What players do to a live view: pointers, wheels, keys and pads in, and what comes of it out. Controls look hovered, pressed and
 * focused, change the values they are bound to, and scroll; the rules are those of docs/input.md. It has no clock: `time` events
 * say that time goes by. The same events over the same view give the same effects on every machine.
 */
export class ViewInput {
  readonly #live: LiveView;
  readonly #options: ViewInputOptions;
  readonly #hits: Hits;
  readonly #scrolling: Scrolling;
  readonly #changes: ControlChanges;
  readonly #focus: FocusInput;
  readonly #typing: Typing;
  readonly #tips: Tips;
  readonly #resting = new Resting();
  #pointers: PointerState = noPointers;
  /** Where each pointer was last. */
  readonly #places = new Map<number, PointerEvent>();
  /** The version of the live view that pointers hover. */
  #hovered = -1;
  #now = 0;
  #device: Device | undefined;
  /** Where the mouse was when another device took over. */
  #left: { readonly x: number; readonly y: number } | undefined;
  /** The control that a key or a pad presses, and by which. */
  #pressed: { readonly control: string; readonly by: string; readonly clicks: boolean } | undefined;
  #held: HeldDirection | undefined;
  #heldBy: 'stick' | number | undefined;
  #push = { x: 0, y: 0 };
  readonly #states: ShownStates;
  readonly #listening: Listening;
  #effects: InputEffect[] = [];

  /** @throws NoSuchName for a `deviceValue` that no case has. */
  constructor(live: LiveView, options: ViewInputOptions = {}) {
    const { deviceValue } = options;
    if (deviceValue !== undefined && !live.values.has(deviceValue))
      throw new NoSuchName('value', deviceValue, [...live.values.keys()]);
    this.#live = live;
    this.#options = options;
    this.#hits = new Hits(live);
    this.#scrolling = new Scrolling(live, options.sets !== false);
    this.#changes = new ControlChanges(live, options.sets !== false);
    this.#focus = new FocusInput(live, this.#scrolling);
    this.#typing = new Typing(live, this.#changes);
    this.#tips = new Tips(live, this.#changes);
    this.#states = new ShownStates(live);
    this.#listening = new Listening(live);
  }

  /** The control that has the focus. */
  get focused(): string | undefined {
    return this.#focus.focused;
  }

  /**
   * Whether the focus is on the last control of the view, or the first: a host whose page has more than the view lets Tab out
   * there. False in a dialog or another closed scope.
   */
  isAtEnd(way: 'last' | 'first'): boolean {
    const { node, field } = this.#focus;
    return node !== undefined && field.isEnd(node.index, way === 'last' ? 1 : -1);
  }

  /** What the player used last; undefined before anything was. */
  get device(): Device | undefined {
    return this.#device;
  }

  /** What lies under a point, in device px; undefined where nothing takes input: that input is the game's. */
  at(x: number, y: number): Hit | undefined {
    return this.#hits.at(x, y);
  }

  /** The view as it is now for screen readers, in document order. */
  accessible(): readonly AccessibleItem[] {
    return accessibleItems(this.#live.now.on.tree, this.#focus.field);
  }

  /** Takes an event in. @returns what it does, in order. @throws RangeError for one there is not, and for what is no number. */
  hear(event: InputEvent): readonly InputEffect[] {
    refuseWrong(event);
    this.#begin();
    this.#take(event);
    return this.#end();
  }

  #take(event: InputEvent): void {
    switch (event.type) {
      case 'time':
        return this.#later(event.ms);
      case 'wheel':
        return this.#wheel(event.x, event.y, event.deltaX, event.deltaY);
      case 'key-down':
        return this.#keyDown(event);
      case 'key-up':
        return this.#letGoOf(`key ${event.key}`);
      case 'pad-down':
        return this.#padDown(event.button);
      case 'pad-up':
        if (this.#heldBy === event.button) this.#held = this.#heldBy = undefined;
        return this.#letGoOf(`pad ${event.button}`);
      case 'stick':
        return this.#stick(event.stick, event.x, event.y);
      case 'text':
        return this.#typed(event.text);
      case 'move':
      case 'down':
      case 'up':
      case 'out':
      case 'cancel':
        return this.#pointer(event);
    }
  }

  /**
   * Gives a control the focus, shown or not as the last device says. One that cannot take it now is left alone; undefined: away.
   * @throws NoSuchName for a widget the view never has; so do the calls below.
   */
  focus(control: string | undefined): readonly InputEffect[] {
    if (control !== undefined) this.#live.named(control);
    return this.#heard(() => this.#command({ type: 'to', control }));
  }

  /** Takes the focus into a closed scope, such as a side menu; {@link back} gives it back. */
  enter(scope: string): readonly InputEffect[] {
    this.#live.named(scope);
    return this.#heard(() => this.#command({ type: 'enter', scope }));
  }

  /** Out of the closed scope or dialog the focus is in, as Escape does. */
  back(): readonly InputEffect[] {
    return this.#heard(() => this.#back());
  }

  /** Scrolls all that a widget is in until it is seen. */
  scrollTo(widget: string): readonly InputEffect[] {
    this.#live.named(widget);
    return this.#heard(() => {
      const node = this.#node(widget);
      if (node) this.#scrolling.intoView(node, this.#effects);
    });
  }

  /** Releases a control without a click, after a long press that the game has answered. */
  letGo(control: string): readonly InputEffect[] {
    this.#live.named(control);
    return this.#heard(() => this.#took(letGo(this.#pointers, (one) => one === control)));
  }

  /**
   * Calls for every effect of a widget and of what is in it, from the inside out; `''` hears all. A listener that returns
   * `'stop'` keeps it from those further out. @returns what ends it. @throws NoSuchName for a widget the view never has.
   */
  listen(widget: string, call: Listener): () => void {
    if (widget !== '') this.#live.named(widget);
    return this.#listening.listen(widget, call);
  }

  #heard(take: () => void): readonly InputEffect[] {
    this.#begin();
    take();
    return this.#end();
  }

  /** An event that does nothing makes nothing. */
  #begin(): void {
    if (this.#effects.length > 0) this.#effects = [];
    this.#settle();
  }

  #end(): readonly InputEffect[] {
    const effects = this.#effects;
    this.#settle();
    this.#typing.follow(this.#focus.node);
    const answered = this.#tips.follow(effects, this.#places);
    if (answered !== undefined) this.#took(letGo(this.#pointers, (one) => one === answered));
    this.#states.show(this.#pointers, this.#pressed?.control, this.#focus);
    this.#listening.tell(effects);
    this.#tips.place();
    return effects.length === 0 ? noEffects : effects;
  }

  /* Pointers. */

  #pointer(event: PointerEvent): void {
    const { type, pointer, device, x, y } = event;
    if (type === 'out' || type === 'cancel') this.#places.delete(pointer);
    else this.#places.set(pointer, event);
    const isMouse = device === 'mouse';
    const left = this.#left;
    const isJogged = isMouse && type === 'move' && left && Math.hypot(x - left.x, y - left.y) < jogged;
    if (!isJogged && type !== 'out' && type !== 'cancel') this.#used(device === 'touch' ? 'touch' : 'mouse');
    const hit = type === 'out' || type === 'cancel' ? undefined : this.#hit(event);
    if (type === 'down') this.#pressAt(hit, x, y);
    if (!changesNothing(this.#pointers, event, hit))
      this.#took(pointerAfter(this.#pointers, event, hit, this.#now));
    if (type === 'up' && device === 'touch') this.#places.delete(pointer);
  }

  /** A finger covers more than a point. */
  #hit({ device, x, y }: PointerEvent): Hit | undefined {
    if (device !== 'touch') return this.#hits.at(x, y);
    return this.#hits.near(x, y, (fingerSlop * this.#live.frame.screen.density) / 25.4);
  }

  /** A pointer goes down: what it goes down on has the focus, a slider goes there. */
  #pressAt(hit: Hit | undefined, x: number, y: number): void {
    const bar = hit?.grip === undefined ? undefined : this.#node(hit.grip);
    if (bar?.widget.kind === 'scrollbar')
      return this.#scrolling.pressBar(bar, this.#hits.into(bar.index, x, y), this.#effects);
    if (hit?.control === undefined) {
      // Somebody who presses elsewhere is done with typing.
      if (this.#kindOf(this.#focus.focused) === 'textbox') this.#command({ type: 'to', control: undefined });
      return;
    }
    if (hit.isDisabled) return;
    this.#focus.command({ type: 'to', control: hit.control }, this.#effects, true);
    if (hit.grip === hit.control) this.#slideTo(hit.control, x, y);
    const { node } = this.#focus;
    if (node?.widget.kind !== 'textbox') return;
    this.#typing.follow(node);
    this.#typing.point(node, this.#hits.into(node.index, x, y).x, false);
  }

  #took({ state, effects }: PointerStep): void {
    this.#pointers = state;
    for (const one of effects) {
      this.#effects.push(one);
      if (one.type === 'press') this.#resting.end(this.#effects);
      if (one.type === 'click') this.#clicked(one.control);
      else if (one.type === 'drag-start' || one.type === 'drag' || one.type === 'drag-end')
        this.#dragged(one);
    }
  }

  #dragged({ type, widget, x, y, byX, byY }: DragEffect): void {
    const node = this.#node(widget);
    if (!node) return;
    const { kind } = node.widget;
    const own = this.#hits.into(node.index, x, y);
    if (kind === 'slider') this.#slideTo(widget, x, y);
    else if (kind === 'textbox') this.#typing.point(node, own.x, true);
    else if (kind === 'scrollbar') this.#scrolling.dragBar(node, { type, ...own }, this.#effects);
    else if (kind === 'separator') this.#changes.divideAt(node, own.x, own.y, this.#effects);
    else if ((node.bone.source as WidgetSource).draggable === true) {
      const onto = type === 'drag-end' ? this.#hits.at(x, y) : undefined;
      const to = onto && (onto.control ?? onto.widget);
      if (to !== undefined && to !== widget) this.#effects.push({ type: 'drop', widget, onto: to });
    } else {
      if (type === 'drag-start') this.#scrolling.hold(widget, this.#now);
      const from = this.#hits.into(node.index, x - byX, y - byY);
      this.#scrolling.drag(widget, own.x - from.x, own.y - from.y, this.#now, this.#effects);
      if (type === 'drag-end') this.#scrolling.letGo(widget, this.#now, this.#effects);
    }
  }

  #wheel(x: number, y: number, deltaX: number, deltaY: number): void {
    this.#used('mouse');
    const hit = this.#hits.at(x, y);
    const node = hit && this.#node(hit.widget);
    if (this.#scrolling.wheel(node, deltaX, deltaY, this.#effects)) this.#hoverAgain();
  }

  /* Keys and pads. */

  #keyDown(event: KeyEvent): void {
    this.#used('keys');
    const { node } = this.#focus;
    if (node?.widget.kind === 'textbox' && this.#typing.key(event, node, this.#effects)) return;
    const act = actOfKey(event, this.#target());
    if (act) this.#act(act, `key ${event.key}`);
  }

  #padDown(button: number): void {
    this.#used('pad');
    const direction = directionOfPad(button);
    if (direction !== undefined) {
      this.#held = newlyHeld(direction);
      this.#heldBy = button;
      this.#act(actOfDirection(direction, this.#target()), '');
      return;
    }
    const act = actOfPad(button);
    if (act) this.#act(act, `pad ${button}`);
  }

  #stick(stick: 'left' | 'right', x: number, y: number): void {
    if (stick === 'right') {
      const isPushed = Math.hypot(x, y) >= stickDeadZone;
      this.#push = isPushed ? { x, y } : { x: 0, y: 0 };
      if (isPushed) this.#used('pad');
      return;
    }
    const before = this.#heldBy === 'stick' ? this.#held?.direction : undefined;
    const direction = stickDirection(x, y, before);
    if (direction === before) return;
    if (direction === undefined) {
      this.#held = this.#heldBy = undefined;
      return;
    }
    this.#used('pad');
    this.#held = newlyHeld(direction);
    this.#heldBy = 'stick';
    this.#act(actOfDirection(direction, this.#target()), '');
  }

  #act(act: Act, by: string): void {
    const { focused } = this.#focus;
    switch (act.type) {
      case 'toward':
        return this.#toward(act.direction);
      case 'next':
      case 'previous':
        return this.#command({ type: act.type });
      case 'back':
        return this.#back();
      case 'press': {
        if (focused === undefined) return this.#command({ type: 'next' });
        if (this.#kindOf(focused) === 'textbox') this.#effects.push({ type: 'submit', control: focused });
        else this.#press(focused, by, !act.isHeld);
        return;
      }
      case 'slide': {
        const { node } = this.#focus;
        if (node) this.#changes.slideBy(node, act.by, this.#effects);
        return;
      }
      case 'tab':
        return this.#turn(act.to);
      case 'scroll': {
        this.#scrolling.step(this.#scroller(), act.direction, act.by, this.#effects);
      }
    }
  }

  #toward(direction: Direction): void {
    const { focused: before, node: from } = this.#focus;
    this.#command({ type: 'toward', direction });
    if (this.#focus.focused !== before) return this.#changes.goTo(this.#focus.node, from, this.#effects);
    // Where no control lies there may be more to read.
    const isStopped = this.#effects.at(-1)?.type === 'stopped';
    if (!isStopped && before !== undefined) return;
    if (!this.#scrolling.step(this.#scroller(), direction, 'line', this.#effects)) return;
    // The last effect of that kind: it was not stopped after all.
    if (isStopped)
      this.#effects.splice(
        this.#effects.findLastIndex(({ type }) => type === 'stopped'),
        1,
      );
  }

  /** What keys scroll: what the focus is in, else the first that can be. */
  #scroller(): LiveNode | undefined {
    const { node: from, dialog } = this.#focus;
    for (let at = from; at; at = at.parent) if (at.bone.box.x.scrolls || at.bone.box.y.scrolls) return at;
    const { nodes } = this.#live.now;
    return nodes.find((node) => {
      const { x, y } = node.bone.box;
      if (!(x.scrolls || y.scrolls) || !node.widget.visible) return false;
      if (dialog && !pathOf(node, node.bone.id).includes(dialog.bone.id)) return false;
      const range = this.#live.scrollRange(node.index);
      return range.x > 0 || range.y > 0;
    });
  }

  #press(control: string, by: string, isAtOnce: boolean): void {
    if (this.#pressed) return;
    this.#resting.end(this.#effects);
    this.#effects.push({ type: 'press', control, pointer: undefined });
    this.#pressed = { control, by, clicks: !isAtOnce };
    if (isAtOnce) this.#click(control);
  }

  #click(control: string): void {
    this.#effects.push({ type: 'click', control, pointer: undefined });
    this.#clicked(control);
  }

  #letGoOf(by: string): void {
    if (this.#pressed?.by !== by) return;
    const { control, clicks } = this.#pressed;
    this.#pressed = undefined;
    this.#effects.push({ type: 'release', control, pointer: undefined });
    if (clicks && this.#focus.focused === control) this.#click(control);
  }

  #typed(text: string): void {
    const { node } = this.#focus;
    if (node?.widget.kind === 'textbox') this.#typing.insert(text, node, this.#effects);
  }

  /* What controls do. */

  #clicked(control: string): void {
    const node = this.#node(control);
    if (node) this.#changes.click(node, this.#effects);
  }

  /** Shows another of some tabs, and gives it the focus where a tab had it. */
  #turn(to: 'next' | 'previous' | 'first' | 'last'): void {
    const { field, node: at, dialog } = this.#focus;
    const own = choiceKeyOf(at?.parent?.widget.kind) === undefined ? undefined : at;
    const scope = at ? field.scopeOf(at.index) : (dialog?.index ?? 0);
    const isTabs = ({ index, widget }: LiveNode) =>
      widget.kind === 'tabs' && widget.visible && field.scopeOf(index) === scope;
    const tabs = own?.parent ?? this.#live.now.nodes.find(isTabs);
    if (!tabs) return this.#command({ type: to === 'next' || to === 'last' ? 'next' : 'previous' });
    const tab = this.#changes.turn(tabs, own, to, field, this.#effects);
    if (own && tab) this.#command({ type: 'to', control: tab.bone.id });
  }

  #slideTo(control: string, x: number, y: number): void {
    const node = this.#node(control);
    if (node?.widget.kind !== 'slider') return;
    const own = this.#hits.into(node.index, x, y);
    this.#changes.slideTo(node, own.x, own.y, this.#effects);
  }

  /* The focus. */

  #command(command: FocusCommand): void {
    this.#focus.command(command, this.#effects);
  }

  #back(): void {
    const { dialog } = this.#focus;
    this.#command({ type: 'back' });
    // A dialog whose visibility is bound is closed by it.
    if (dialog && this.#effects.at(-1)?.type === 'back') this.#changes.show(dialog, false, this.#effects);
  }

  /** Follows what the game has changed: nobody holds or hovers what is gone. */
  #settle(): void {
    if (this.#focus.settle(this.#effects)) this.#letGoOfGone();
  }

  #letGoOfGone(): void {
    const isGone = (control: string) => this.#focus.isGone(control);
    this.#took(letGo(this.#pointers, isGone));
    if (!this.#pressed || !isGone(this.#pressed.control)) return;
    this.#effects.push({ type: 'release', control: this.#pressed.control, pointer: undefined });
    this.#pressed = undefined;
  }

  #target(): KeyTarget {
    return keyTargetOf(this.#focus.node, this.#live.now.nodes[0]!);
  }

  #used(device: Device): void {
    const isShown = device === 'keys' || device === 'pad';
    this.#focus.isShown = isShown;
    if (device === this.#device) return;
    this.#device = device;
    const mouse = [...this.#places.values()].find((one) => one.device === 'mouse');
    this.#left = isShown && mouse ? { x: mouse.x, y: mouse.y } : undefined;
    this.#effects.push({ type: 'device', device });
    const { deviceValue } = this.#options;
    if (deviceValue !== undefined) this.#live.set({ [deviceValue]: device });
  }

  /* Time, and what is shown. */

  #later(ms: number): void {
    if (!(ms >= 0 && ms < Infinity)) throw new RangeError(`time goes by in milliseconds, not by ${ms}`);
    this.#now += ms;
    if (holdsAny(this.#pointers)) this.#took(pointersLater(this.#pointers, this.#now));
    if (this.#held) {
      const { held: next, times } = heldOn(this.#held, ms);
      const { direction } = next;
      this.#held = next;
      for (let time = 0; time < times; time++) this.#act(actOfDirection(direction, this.#target()), '');
    }
    if (this.#push.x !== 0 || this.#push.y !== 0) {
      const { x, y } = this.#push;
      this.#scrolling.push(this.#scroller(), x * stickSpeed, y * stickSpeed, ms, this.#effects);
    }
    if (this.#scrolling.isMoving) this.#scrolling.later(ms, this.#effects);
    this.#hoverAgain();
    this.#followRest();
  }

  #followRest(): void {
    const { focused, isShown } = this.#focus;
    const over = hovering(this.#pointers);
    const place = isShown || !over ? undefined : this.#places.get(over.pointer);
    this.#resting.follow(isShown ? focused : over?.over, this.#now, place, this.#effects);
  }

  /** What has moved under a pointer that stands still is hovered, too. */
  #hoverAgain(): void {
    const version = this.#live.update();
    if (version === this.#hovered) return;
    this.#hovered = version;
    for (const event of this.#places.values()) {
      if (event.device === 'touch') continue;
      const hit = this.#hits.at(event.x, event.y);
      this.#took(pointerAfter(this.#pointers, { ...event, type: 'move' }, hit, this.#now));
    }
  }

  #kindOf(control: string | undefined): string | undefined {
    return control === undefined ? undefined : this.#node(control)?.widget.kind;
  }

  #node(id: string): LiveNode | undefined {
    return this.#live.nodeOf(id);
  }
}

/** A finger finds a control that is no further than this, in mm. */
const fingerSlop = 3;
/** The right stick does nothing below this. */
const stickDeadZone = 0.25;
const noEffects: readonly InputEffect[] = [];
