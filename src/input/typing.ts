import type { WidgetSource } from '../document/index.ts';
import type { LiveNode, LiveView } from '../live/index.ts';
import { nearestPlace } from '../inside/index.ts';
import type { ControlChanges } from './control-changes.ts';
import type { InputEffect, KeyEvent } from './events.ts';
import { edited, editOfKey, placesIn, selected, type EditAct, type TextEdit } from './text-edit.ts';

/** Typing into the textboxes of a live view. */
export class Typing {
  readonly #live: LiveView;
  readonly #changes: ControlChanges;
  /** The textbox somebody types in. */
  #control: string | undefined;
  #edit: TextEdit = { text: '', at: 0, from: 0 };

  constructor(live: LiveView, changes: ControlChanges) {
    this.#live = live;
    this.#changes = changes;
  }

  /** Follows the focus: the caret of the textbox it comes to is at the end of its text. */
  follow(node: LiveNode | undefined): void {
    const typedIn = node?.widget.kind === 'textbox' ? node.bone.id : undefined;
    if (typedIn !== this.#control) {
      if (this.#control !== undefined && this.#live.find(this.#control) !== undefined)
        this.#live.setCaret(this.#control, undefined);
      this.#control = typedIn;
      const text = node && typedIn !== undefined ? this.#textOf(node) : '';
      this.#edit = { text, at: text.length, from: text.length };
    } else if (node && typedIn !== undefined) this.#edit = within(this.#edit, this.#textOf(node));
    if (typedIn !== undefined) this.#show();
  }

  /** A pointer puts the caret between two letters. @param x In device px. @param selects What lies between is selected. */
  point(node: LiveNode, x: number, selects: boolean): void {
    if (node.bone.id !== this.#control) return;
    const { text, from } = this.#edit;
    const at = nearestPlace(node.widget, this.#live.now.on.layout, x, placesIn(text));
    this.#edit = { text, at, from: selects ? from : at };
    this.#show();
  }

  /** @returns whether the key was for the textbox. */
  key({ key, shift, ctrl }: KeyEvent, node: LiveNode, effects: InputEffect[]): boolean {
    const act = editOfKey(key, shift === true, ctrl === true);
    if (act === undefined) return false;
    this.follow(node);
    if (act === 'copy' || act === 'cut') {
      const text = selected(this.#edit);
      if (text !== '') effects.push({ type: 'copy', text });
      if (act === 'cut' && text !== '') this.#do({ type: 'insert', text: '' }, node, effects);
    } else this.#do(act, node, effects);
    return true;
  }

  /** Text that an input method or the clipboard gives. */
  insert(text: string, node: LiveNode, effects: InputEffect[]): void {
    this.follow(node);
    this.#do({ type: 'insert', text }, node, effects);
  }

  #do(act: EditAct, node: LiveNode, effects: InputEffect[]): void {
    const before = within(this.#edit, this.#textOf(node));
    const after = edited(before, act, node.bone.box.rightToLeft);
    this.#edit = after;
    if (after.text !== before.text) this.#changes.type(node, after.text, effects);
    this.#show();
  }

  /** What a textbox says now: what it is bound to, whatever its look makes of it. */
  #textOf({ bone, widget }: LiveNode): string {
    const to = bone.scope.valueOf((bone.source as WidgetSource).text);
    const value = to?.index === undefined && to ? this.#live.values.get(to.name) : undefined;
    if (typeof value === 'string') return value;
    return widget.isPlaceholder ? '' : (widget.text?.text ?? '');
  }

  #show(): void {
    const { at, from } = this.#edit;
    this.#live.setCaret(this.#control!, { at, from });
  }
}

/** The same caret in another text: the game may have changed it, or refused what was typed. */
function within({ text: before, at, from }: TextEdit, text: string): TextEdit {
  if (text === before) return { text, at, from };
  return { text, at: Math.min(at, text.length), from: Math.min(from, text.length) };
}
