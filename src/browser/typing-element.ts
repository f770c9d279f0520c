import type { InputEffect, InputEvent } from '../input/index.ts';
import type { Listeners } from './listeners.ts';

/** What a page may give the focus to. */
const focusable = 'a[href], button, input, select, textarea, iframe, summary, [tabindex], [contenteditable]';

/**
 * The keyboard of a canvas: an input element nobody sees has it while somebody types, so that input methods, the keyboard of a
 * phone and the clipboard work; the canvas has it otherwise.
 */
export class TypingElement {
  readonly #canvas: HTMLCanvasElement;
  readonly #element: HTMLInputElement;
  readonly #isTyping: () => boolean;
  readonly #hear: (event: InputEvent) => readonly InputEffect[];
  readonly #isAtEnd: (way: 'last' | 'first') => boolean;

  constructor(
    canvas: HTMLCanvasElement,
    listeners: Listeners,
    hear: (event: InputEvent) => readonly InputEffect[],
    isTyping: () => boolean,
    isAtEnd: (way: 'last' | 'first') => boolean,
  ) {
    this.#isAtEnd = isAtEnd;
    this.#canvas = canvas;
    this.#hear = hear;
    this.#isTyping = isTyping;
    const element = (this.#element = canvas.ownerDocument.createElement('input'));
    element.setAttribute('aria-hidden', 'true');
    element.tabIndex = -1;
    element.autocomplete = 'off';
    element.style.cssText =
      'position:fixed;left:0;top:0;width:1px;height:1px;opacity:0;border:0;padding:0;pointer-events:none';
    canvas.after(element);
    listeners.add(() => element.remove());
    for (const target of [canvas, element]) {
      listeners.on(target, 'keydown', (event) => this.#key(event, 'key-down'));
      listeners.on(target, 'keyup', (event) => this.#key(event, 'key-up'));
    }
    listeners.on(element, 'input', (event) => {
      // What is composed is told when it is finished.
      if (!(event as InputEventInit).isComposing) this.#typed();
    });
    listeners.on(element, 'compositionend', () => this.#typed());
  }

  /** Has the keyboard, as anything of a page has it that is pressed. */
  take(): void {
    if (this.#canvas.ownerDocument.activeElement !== this.#element)
      this.#canvas.focus({ preventScroll: true });
    this.follow();
  }

  /** Gives the keyboard to whoever is to have it: only where one of the two has it already. */
  follow(): void {
    const has = this.#canvas.ownerDocument.activeElement;
    if (has !== this.#canvas && has !== this.#element) return;
    const wanted = this.#isTyping() ? this.#element : this.#canvas;
    if (has !== wanted) wanted.focus({ preventScroll: true });
  }

  #key(event: KeyboardEvent, type: 'key-down' | 'key-up'): void {
    // Keys of an input method are its own.
    if (event.isComposing || event.altKey) return;
    const { key, shiftKey: shift, ctrlKey, metaKey, repeat } = event;
    const ctrl = ctrlKey || metaKey;
    if (key === 'Tab' && type === 'key-down' && this.#leaves(shift)) return;
    const effects = this.#hear({ type, key, shift, ctrl, repeat });
    const isPaste = ctrl && key.toLowerCase() === 'v';
    const isHeard = effects.some(({ type: what }) => what !== 'device' && what !== 'back');
    // The page keeps the keys that the view has no use for: nobody is caught in it.
    if (!isPaste && (isHeard || (this.#isTyping() && key.length === 1 && !ctrl))) event.preventDefault();
    this.follow();
  }

  /** Past its ends Tab leaves the view, where the page has anything else that takes the focus (WCAG 2.2, 2.1.2). */
  #leaves(backwards: boolean): boolean {
    if (!this.#isAtEnd(backwards ? 'first' : 'last')) return false;
    const page = this.#canvas.ownerDocument;
    return [...page.querySelectorAll<HTMLElement>(focusable)].some(
      (one) => one !== this.#canvas && one !== this.#element && one.tabIndex >= 0 && one.checkVisibility(),
    );
  }

  #typed(): void {
    const { value } = this.#element;
    this.#element.value = '';
    if (value !== '') this.#hear({ type: 'text', text: value });
  }
}
