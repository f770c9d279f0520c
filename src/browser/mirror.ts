import type { AccessibleItem, ViewInput } from '../input/index.ts';
import { drawnRect } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { LiveView } from '../live/index.ts';

/** The mirror is looked at again so often, in ms, where anything has changed. */
const every = 100;

/**
 * A view as elements over its canvas that nobody sees and no pointer meets, for screen readers and tests: with roles, names, states
 * and values, in document order, each where its widget is, so that a finger that explores the screen finds it. What a screen
 * reader clicks is pressed in the view.
 */
export class Mirror {
  readonly #canvas: HTMLCanvasElement;
  /** As large as the canvas, and over it. */
  readonly #layer: HTMLElement;
  readonly #live: LiveView;
  readonly #input: ViewInput;
  readonly #prefix: string;
  readonly #press: (control: string) => void;
  readonly #elements = new Map<string, HTMLElement>();
  #seen = -1;
  #wait = 0;

  /** @param prefix Starts the ids of its elements, and is that of all of them together. @param press Presses a control, as a player would. */
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
    this.#layer = canvas.ownerDocument.createElement('div');
    this.#layer.id = prefix;
    Object.assign(this.#layer.style, hiddenStyle);
    canvas.after(this.#layer);
    canvas.setAttribute('aria-owns', this.#layer.id);
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
    const there = new Map(items.map(({ id, role }) => [id, role]));
    for (const [id, element] of this.#elements) {
      // Another version of the document may have something else under an id.
      if (there.get(id) === (element.getAttribute('role') ?? 'text')) continue;
      element.remove();
      this.#elements.delete(id);
    }
    /** What comes next in each parent: what stands there already stays. Texts before it are the parent's own words. */
    const next = new Map<Element, ChildNode | null>();
    const boxes = new Map<string, Rect>();
    const px = this.#cover();
    for (const item of items) {
      const element = this.#elements.get(item.id) ?? this.#made(item);
      write(element, item);
      const outer = item.parent === undefined ? undefined : this.#elements.get(item.parent);
      const parent: Element = outer ?? this.#layer;
      const at = next.has(parent) ? next.get(parent)! : parent.firstElementChild;
      if (at !== element) parent.insertBefore(element, at);
      next.set(parent, element.nextSibling);
      const box = this.#boxOf(item.id);
      boxes.set(item.id, box);
      const { x, y } = (outer && boxes.get(item.parent!)) ?? { x: 0, y: 0 };
      place(element, (box.x - x) * px, (box.y - y) * px, box.width * px, box.height * px);
    }
    put(this.#canvas, 'aria-activedescendant', this.#elements.get(this.#input.focused ?? '')?.id);
  }

  /** Where a widget is drawn, in device px: a screen reader is pointed at what is seen. */
  #boxOf(id: string): Rect {
    const { tree, layout } = this.#live.now.on;
    return drawnRect(this.#live.indexOf(id), tree.widgets, layout);
  }

  remove(): void {
    this.#elements.clear();
    this.#layer.remove();
    this.#canvas.removeAttribute('aria-activedescendant');
    this.#canvas.removeAttribute('aria-owns');
  }

  /** Lays the layer over the canvas, wherever the page has put it. @returns CSS px one device px is. */
  #cover(): number {
    const canvas = this.#canvas.getBoundingClientRect();
    const layer = this.#layer.getBoundingClientRect();
    const { style, offsetLeft, offsetTop } = this.#layer;
    const left = offsetLeft + canvas.left - layer.left;
    const top = offsetTop + canvas.top - layer.top;
    if (Math.abs(left - offsetLeft) > 0.5) style.left = `${left}px`;
    if (Math.abs(top - offsetTop) > 0.5) style.top = `${top}px`;
    style.width = `${canvas.width}px`;
    style.height = `${canvas.height}px`;
    return canvas.width / Math.max(1, this.#canvas.width);
  }

  #made({ id, role }: AccessibleItem): HTMLElement {
    const element = this.#canvas.ownerDocument.createElement('div');
    element.id = `${this.#prefix}-${id}`;
    if (role !== 'text') element.setAttribute('role', role);
    element.addEventListener('click', (event) => {
      event.stopPropagation();
      this.#press(id);
    });
    this.#elements.set(id, element);
    return element;
  }
}

/** Not seen, not met by pointers, and still there for whoever reads the page. */
const hiddenStyle = {
  position: 'absolute',
  left: '0',
  top: '0',
  overflow: 'hidden',
  opacity: '0',
  pointerEvents: 'none',
};

function place(element: HTMLElement, x: number, y: number, width: number, height: number): void {
  const text = `left:${x.toFixed(1)}px;top:${y.toFixed(1)}px;width:${width.toFixed(1)}px;height:${height.toFixed(1)}px`;
  if (element.dataset['box'] === text) return;
  element.dataset['box'] = text;
  element.style.cssText = `position:absolute;overflow:hidden;font-size:1px;${text}`;
}

function write(element: HTMLElement, item: AccessibleItem): void {
  const { role, name, description, isDisabled, isChecked, isSelected, orientation, value, text, live } = item;
  if (role === 'text') words(element, name ?? '');
  else put(element, 'aria-label', name);
  put(element, 'aria-description', description);
  put(element, 'aria-disabled', isDisabled || undefined);
  put(element, 'aria-checked', isChecked);
  put(element, 'aria-selected', isSelected);
  put(element, 'aria-orientation', orientation);
  put(element, 'aria-live', live);
  put(element, 'aria-modal', role === 'dialog' || undefined);
  // Of 0 to 100, which need not be said (WAI-ARIA 1.2: slider, meter, separator).
  put(element, 'aria-valuenow', value && Math.round(100 * value));
  if (text !== undefined) words(element, text);
}

function words(element: HTMLElement, text: string): void {
  if (element.textContent !== text) element.textContent = text;
}

function put(element: Element, name: string, value: string | number | boolean | undefined): void {
  if (value === undefined) element.removeAttribute(name);
  else if (element.getAttribute(name) !== String(value)) element.setAttribute(name, String(value));
}
