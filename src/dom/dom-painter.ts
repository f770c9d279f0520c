import type { Rect } from '../layout/index.ts';
import { CanvasCache, drawnAlone } from '../paint/index.ts';
import type { DrawList, DrawOperation, OperationOf, Words } from '../paint/index.ts';
import { hexOf, type Corners, type Fill } from '../theme/index.ts';

export interface DomPainterOptions {
  /** `words`, if left out: text of the page, in its fonts. `outlines`: drawn as on a canvas, to the px. */
  readonly text?: 'words' | 'outlines';
  /** The id of a widget, by the number its operations say: it becomes `data-widget` of its elements. */
  readonly idOf?: (widget: number) => string | undefined;
  /** Called with the element of a widget of the kind canvas, as large as it is, whenever that is made anew. */
  readonly game?: (id: string, element: HTMLElement) => void;
}

/** What stands for an operation: its element, and where what it is around goes. */
interface Made {
  readonly element: HTMLElement;
  readonly inside: HTMLElement;
}

/** An element whose children are being put in order, and the child that stands where the next one goes. */
interface Open {
  readonly inside: HTMLElement;
  next: ChildNode | null;
}

/**
 * Draws lists into an element of a page, for games that want text that can be selected, searched and read out, and styles of
 * their own. Boxes, clips, turns and groups are elements with CSS; text is text in the fonts of the page, which have to be those
 * of the view; what CSS has no element for is drawn on small canvases. Elements of operations that are the same objects as
 * before stay, so that a `LiveDrawing` costs what changes.
 */
export class DomPainter {
  readonly #root: HTMLElement;
  readonly #options: DomPainterOptions;
  readonly #cache = new CanvasCache(
    (width, height) => new OffscreenCanvas(width, height),
    () => new Path2D(),
  );
  #made = new Map<DrawOperation, Made>();

  /** @param host What it is drawn into, in its left top corner. */
  constructor(host: HTMLElement, options: DomPainterOptions = {}) {
    this.#options = options;
    this.#root = host.ownerDocument.createElement('div');
    host.append(this.#root);
  }

  /** @param ratio Device px of a CSS px: the list is in device px. */
  paint({ width, height, operations }: DrawList, ratio = globalThis.devicePixelRatio): void {
    put(this.#root, { x: 0, y: 0, width, height });
    const { style } = this.#root;
    Object.assign(style, { overflow: 'clip', transformOrigin: '0 0', transform: `scale(${1 / ratio})` });
    const before = this.#made;
    this.#made = new Map();
    const open: Open[] = [{ inside: this.#root, next: this.#root.firstChild }];
    for (const operation of operations) {
      const top = open.at(-1)!;
      if (operation.type === 'restore') {
        removeFrom(top.next);
        open.pop();
        continue;
      }
      // One operation may stand in a list twice: the second one is made anew.
      const known = this.#made.has(operation) ? undefined : before.get(operation);
      const made = known ?? this.#make(operation);
      this.#made.set(operation, made);
      if (made.element === top.next) top.next = top.next.nextSibling;
      else top.inside.insertBefore(made.element, top.next);
      if (made.inside !== made.element) open.push({ inside: made.inside, next: made.inside.firstChild });
    }
    for (const { next } of open) removeFrom(next);
  }

  /** Takes everything out of the page again. */
  remove(): void {
    this.#root.remove();
    this.#made.clear();
  }

  #make(operation: DrawOperation): Made {
    const element = this.#elementOf(operation);
    const widget = 'widget' in operation ? operation.widget : -1;
    const id = widget < 0 ? undefined : this.#options.idOf?.(widget);
    if (id !== undefined) element.dataset.widget = id;
    if (operation.type === 'game') this.#options.game?.(operation.id, element);
    const isAround = operation.type === 'clip' || operation.type === 'turn' || operation.type === 'group';
    if (!isAround) return { element, inside: element };
    // What is in a clip has its own place on the screen, not in the clip.
    const { x, y } = operation.type === 'clip' ? operation.rect : nowhere;
    const inside = this.#element({ x: -x, y: -y, width: 0, height: 0 });
    element.append(inside);
    return { element, inside };
  }

  #elementOf(operation: DrawOperation): HTMLElement {
    if (operation.type === 'clip') {
      const radius = radiusOf(operation.radius);
      return this.#element(operation.rect, { overflow: 'hidden', borderRadius: radius });
    }
    if (operation.type === 'turn')
      return this.#element(nowhere, {
        transformOrigin: '0 0',
        transform: `matrix(${operation.matrix.join(', ')})`,
      });
    if (operation.type === 'group') return this.#element(nowhere, { opacity: String(operation.opacity) });
    if (operation.type === 'game')
      return this.#element(operation.rect, { opacity: String(operation.opacity) });
    // Dashes are as long as CSS wants them.
    if (operation.type === 'box' && operation.border?.dash === undefined) return this.#box(operation);
    if (operation.type === 'glyphs' && operation.words.length > 0 && this.#options.text !== 'outlines')
      return this.#text(operation);
    return this.#drawn(operation);
  }

  #element(rect: Rect, style: Partial<CSSStyleDeclaration> = {}): HTMLElement {
    const element = this.#root.ownerDocument.createElement('div');
    Object.assign(element.style, style);
    put(element, rect);
    return element;
  }

  #box({ rect, radius, fill, border, opacity }: OperationOf<'box'>): HTMLElement {
    return this.#element(rect, {
      boxSizing: 'border-box',
      borderRadius: radiusOf(radius),
      background: fill ? `${imageOf(fill)} border-box` : '',
      border: border ? `${border.width}px solid ${hexOf(border.color)}` : '',
      opacity: String(opacity),
    });
  }

  #text(operation: OperationOf<'glyphs'>): HTMLElement {
    const { words, color, opacity, outline } = operation;
    const text = this.#element(nowhere, { color: hexOf(color), opacity: String(opacity) });
    // Letters with an outline are drawn; the text over them can be selected all the same.
    if (outline) {
      text.append(this.#drawn({ ...operation, opacity: 1 }));
      text.style.color = 'transparent';
    }
    text.append(...words.map((line) => this.#line(line)));
    return text;
  }

  /** A line of text with its baseline where it belongs, whatever the font says of its own height. */
  #line({ text, x, baseline, width, size, font, weight, italic, rightToLeft }: Words): HTMLElement {
    const line = this.#element(
      { x, y: baseline - size, width, height: size },
      {
        font: `${italic ? 'italic ' : ''}${weight} ${size}px/0 ${JSON.stringify(font)}`,
        whiteSpace: 'pre',
        textRendering: 'geometricPrecision',
        direction: rightToLeft ? 'rtl' : 'ltr',
      },
    );
    // It holds the line up: what follows stands on its foot.
    const post = this.#root.ownerDocument.createElement('span');
    Object.assign(post.style, { display: 'inline-block', height: `${size}px` });
    line.append(post, text);
    return line;
  }

  /** What CSS has no element for, on a canvas of whole px around it. */
  #drawn(operation: DrawOperation): HTMLElement {
    const canvas = this.#root.ownerDocument.createElement('canvas');
    const make = (width: number, height: number) => {
      Object.assign(canvas, { width, height });
      return { canvas, context: canvas.getContext('2d')! };
    };
    put(canvas, drawnAlone(operation, make, this.#cache) ?? nowhere);
    return canvas;
  }
}

const nowhere: Rect = { x: 0, y: 0, width: 0, height: 0 };

/** A child and all after it are no longer drawn. */
function removeFrom(child: ChildNode | null): void {
  while (child?.nextSibling) child.nextSibling.remove();
  child?.remove();
}

function put({ style }: HTMLElement, { x, y, width, height }: Rect): void {
  const [left, top] = [`${x}px`, `${y}px`];
  Object.assign(style, { position: 'absolute', left, top, width: `${width}px`, height: `${height}px` });
}

function radiusOf({ topLeft, topRight, bottomRight, bottomLeft }: Corners): string {
  return `${topLeft}px ${topRight}px ${bottomRight}px ${bottomLeft}px`;
}

function imageOf(fill: Fill): string {
  if (fill.type === 'color') return `linear-gradient(${hexOf(fill.color)} 0 0)`;
  const stops = fill.stops.map(({ at, color }) => `${hexOf(color)} ${100 * at}%`);
  if (fill.type === 'linear') return `linear-gradient(${fill.angle}deg, ${stops.join(', ')})`;
  const { size, at } = fill;
  const form = typeof size === 'string' ? `${fill.shape} ${size}` : `${100 * size.x}% ${100 * size.y}%`;
  return `radial-gradient(${form} at ${100 * at.x}% ${100 * at.y}%, ${stops.join(', ')})`;
}
