import type { LiveNode, LiveView } from '../live/index.ts';
import type { InputEffect } from './events.ts';
import { FocusField } from './focus/field.ts';
import { focusAfter, noFocus, type FocusCommand, type FocusState } from './focus/focus.ts';
import { focusGround } from './focus/ground.ts';
import type { Scrolling } from './scrolling.ts';

/** The focus over a live view: follows what the game changes, and has scrolled into view what it comes to. */
export class FocusInput {
  readonly #live: LiveView;
  readonly #scrolling: Scrolling;
  #state: FocusState = noFocus;
  #field: FocusField | undefined;
  /** The versions of the live view that the field was made of, and that it was settled with. */
  #fielded = -1;
  /** What the field was made for. */
  #standing = -1;
  #sight = -1;
  #settled = -1;
  /** The open dialog on top: its index and id. */
  #dialog = -1;
  #dialogId: string | undefined;

  constructor(live: LiveView, scrolling: Scrolling) {
    this.#live = live;
    this.#scrolling = scrolling;
  }

  get focused(): string | undefined {
    return this.#state.focused;
  }

  /** The widget that has it; undefined where none has. */
  get node(): LiveNode | undefined {
    const { focused } = this.#state;
    return focused === undefined ? undefined : this.#live.nodeOf(focused);
  }

  /** Whether the look of the focus is shown: after keys and pads it is. */
  get isShown(): boolean {
    return this.#state.isShown;
  }

  set isShown(isShown: boolean) {
    if (this.#state.isShown !== isShown) this.#state = { ...this.#state, isShown };
  }

  /** The open dialog on top. */
  get dialog(): LiveNode | undefined {
    this.#follow();
    return this.#dialog < 0 ? undefined : this.#live.now.nodes[this.#dialog];
  }

  /** Where the focus can go now. */
  get field(): FocusField {
    this.#follow();
    return this.#field!;
  }

  /** Keeps up with what the game has changed. */
  #follow(): void {
    const version = this.#live.update();
    if (this.#field && version === this.#fielded) return;
    this.#fielded = version;
    const { standing } = this.#live;
    if (this.#field && standing === this.#standing) {
      this.#field.refresh();
      return;
    }
    this.#standing = standing;
    const { on } = this.#live.now;
    const ground = focusGround(on.tree, on.layout, (id) => this.#live.find(id));
    this.#dialog = ground.dialog;
    this.#field = new FocusField(ground);
  }

  /** @param isPointed Whether a pointer says so: what is under one is seen. */
  command(command: FocusCommand, effects: InputEffect[], isPointed = false): void {
    const { field } = this;
    const after = focusAfter(this.#state, command, field, this.#dialog);
    this.#state = after.state;
    for (const one of after.effects) effects.push(one);
    const isMoved = after.effects.some(({ type }) => type === 'focus');
    const { node } = this;
    if (isMoved && node && !isPointed) this.#scrolling.intoView(node, effects);
  }

  /**
   * Follows what the game has changed: dialogs that opened or closed, controls that are gone.
   * @returns whether anything was changed since it was last asked.
   */
  settle(effects: InputEffect[]): boolean {
    const version = this.#live.update();
    if (version === this.#settled) return false;
    this.#settled = version;
    const { sight } = this.#live;
    // Where nobody comes into sight no dialog opens.
    const dialog = sight === this.#sight ? this.#dialogId : this.dialog?.bone.id;
    this.#sight = sight;
    const isOther = dialog !== this.#dialogId;
    this.#dialogId = dialog;
    const { focused, entered } = this.#state;
    if (isOther || entered.length > 0 || (focused !== undefined && this.isGone(focused)))
      this.command({ type: 'settle' }, effects);
    return true;
  }

  /** Whether a control can not be used any more: it is gone, disabled, or behind a dialog. */
  isGone(control: string): boolean {
    const index = this.#live.find(control);
    return index === undefined || !this.field.isUsable(index);
  }
}
