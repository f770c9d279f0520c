import type { AccessibleItem, ViewInput } from '../input/index.ts';
import type { LiveView } from '../live/index.ts';

/** The mirror is looked at again so often, in ms, where anything has changed. */
const every = 100;

/**
 * A view as elements inside of its canvas, which browsers show to nobody but screen readers (HTML, canvas, fallback content): with
 * roles, names, states and values, in document order. What is clicked there is pressed in the view.
 */
export class Mirror {
  readonly #canvas: HTMLCanvasElement;
  readonly #live: LiveView;
  readonly #input: ViewInput;
  readonly #prefix: string;
  readonly #press: (control: string) => void;
  readonly #elements = new Map<string, HTMLElement>();
  #seen = -1;
  #wait = 0;

  /** @param press Presses a control, as a player would. */
  constructor(
    canvas: HTMLCanvasElement,
    live: LiveView,
    input: ViewInput,
    prefix: string,
    press: (control: string) => void,
  ) {
    this.#canvas = canvas;
    this.#live = live;
    this.#input = input;
    this.#prefix = prefix;
    this.#press = press;
  }

  /** Follows the view. @param ms The time since it was last called. */
  follow(ms: number): void {
    this.#wait -= ms;
    if (this.#wait > 0) return;
    const version = this.#live.update();
    if (version === this.#seen) return;
    this.#seen = version;
    this.#wait = every;
    const items = this.#input.accessible();
    const there = new Set(items.map(({ id }) => id));
    for (const [id, element] of this.#elements) {
      if (there.has(id)) continue;
      element.remove();
      this.#elements.delete(id);
    }
    /** What comes next in each parent: what stands there already stays. Texts before it are the parent's own words. */
    const next = new Map<Element, ChildNode | null>();
    for (const item of items) {
      const element = this.#elements.get(item.id) ?? this.#made(item);
      write(element, item);
      const outer = item.parent === undefined ? undefined : this.#elements.get(item.parent);
      const parent: Element = outer ?? this.#canvas;
      const at = next.has(parent) ? next.get(parent)! : parent.firstElementChild;
      if (at !== element) parent.insertBefore(element, at);
      next.set(parent, element.nextSibling);
    }
    const focused = this.#input.focused;
    put(this.#canvas, 'aria-activedescendant', focused === undefined ? undefined : this.#idOf(focused));
  }

  remove(): void {
    for (const element of this.#elements.values()) element.remove();
    this.#elements.clear();
    this.#canvas.removeAttribute('aria-activedescendant');
  }

  #idOf(id: string): string {
    return `${this.#prefix}-${id}`;
  }

  #made({ id, role }: AccessibleItem): HTMLElement {
    const element = this.#canvas.ownerDocument.createElement('div');
    element.id = this.#idOf(id);
    if (role !== 'text') element.setAttribute('role', role);
    element.addEventListener('click', (event) => {
      event.stopPropagation();
      this.#press(id);
    });
    this.#elements.set(id, element);
    return element;
  }
}

function write(element: HTMLElement, item: AccessibleItem): void {
  const { role, name, isDisabled, isChecked, isSelected, value, text, live } = item;
  if (role === 'text') words(element, name ?? '');
  else put(element, 'aria-label', name);
  put(element, 'aria-disabled', isDisabled ? 'true' : undefined);
  put(element, 'aria-checked', isChecked === undefined ? undefined : String(isChecked));
  put(element, 'aria-selected', isSelected === undefined ? undefined : String(isSelected));
  put(element, 'aria-live', live);
  put(element, 'aria-modal', role === 'dialog' ? 'true' : undefined);
  const percent = value === undefined ? undefined : String(Math.round(100 * value));
  put(element, 'aria-valuenow', percent);
  put(element, 'aria-valuemin', percent && '0');
  put(element, 'aria-valuemax', percent && '100');
  if (text !== undefined) words(element, text);
}

function words(element: HTMLElement, text: string): void {
  if (element.textContent !== text) element.textContent = text;
}

function put(element: Element, name: string, value: string | undefined): void {
  if (value === undefined) element.removeAttribute(name);
  else if (element.getAttribute(name) !== value) element.setAttribute(name, value);
}
