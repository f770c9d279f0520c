import { controls, type Tree, type Widget } from '../dress/index.ts';
import type { Kind } from '../document/index.ts';
import { clips, isTurned } from '../inside/index.ts';
import type { TextBlock } from '../text/index.ts';

/** A widget with a text that draws something. */
export type TextWidget = Widget & { readonly text: TextBlock };

/** What of a scene is the same on every screen a form is laid out on: worked out once. */
export class FormScene {
  readonly tree: Tree;
  /** 1 where a widget draws something of its own. */
  readonly paints: Uint8Array;
  /** 1 where the widget or anything in it draws something. */
  readonly paintsWithin: Uint8Array;
  /** The opacity of a widget with that of all around it. */
  readonly opacity: Float64Array;
  /** When each widget is drawn. */
  readonly places: Uint32Array;
  /** The index after the last widget in it. */
  readonly end: Uint32Array;
  /** 1 where an open dialog has taken its place. */
  readonly behindDialog: Uint8Array;
  /** 1 where the widget or one around it is rotated or skewed. */
  readonly turned: Uint8Array;
  /** Whether anything cuts its children off. */
  readonly anyClips: boolean;
  /** Indexes of what paints, in document order. */
  readonly painted: readonly number[];
  /** What paints and has a text. */
  readonly texts: readonly TextWidget[];
  readonly indexes: ReadonlyMap<string, number>;
  readonly #kept = new Map<string, unknown>();

  constructor(tree: Tree) {
    const { widgets, order } = tree;
    const count = widgets.length;
    this.tree = tree;
    this.paints = Uint8Array.from(widgets, (widget) => (paints(widget) ? 1 : 0));
    this.paintsWithin = this.paints.slice();
    this.end = Uint32Array.from(widgets, ({ index }) => index + 1);
    for (let index = count - 1; index > 0; index--) {
      const { parent } = widgets[index]!;
      if (this.end[parent]! < this.end[index]!) this.end[parent] = this.end[index]!;
      if (this.paintsWithin[index]) this.paintsWithin[parent] = 1;
    }
    this.opacity = new Float64Array(count);
    this.turned = new Uint8Array(count);
    for (const widget of widgets) {
      const { index, parent, look } = widget;
      this.opacity[index] = look.opacity * (index === 0 ? 1 : this.opacity[parent]!);
      this.turned[index] = isTurned(widget) || (index > 0 && this.turned[parent]) ? 1 : 0;
    }
    this.places = new Uint32Array(count);
    order.forEach((index, place) => (this.places[index] = place));
    const dialog = order.findLast((at) => {
      const { kind, visible, look } = widgets[at]!;
      return kind === 'dialog' && visible && look.opacity > 0;
    });
    this.behindDialog = Uint8Array.from(widgets, ({ index }) =>
      dialog !== undefined && !this.isWithin(index, dialog) && this.places[index]! < this.places[dialog]!
        ? 1
        : 0,
    );
    this.anyClips = widgets.some(clips);
    this.painted = widgets.flatMap(({ index }) => (this.paints[index] ? [index] : []));
    this.texts = widgets.filter(
      (widget): widget is TextWidget => widget.text !== undefined && this.paints[widget.index] === 1,
    );
    this.indexes = new Map(widgets.map(({ id, index }) => [id, index]));
  }

  /** Whether `outer` is the widget or one around it. */
  isWithin(index: number, outer: number): boolean {
    return index >= outer && index < this.end[outer]!;
  }

  /** Something else that is the same on every screen, worked out when it is first asked for. */
  once<Kept>(what: string, make: () => Kept): Kept {
    let kept = this.#kept.get(what) as Kept | undefined;
    if (kept === undefined) this.#kept.set(what, (kept = make()));
    return kept;
  }
}

/** Kinds that draw something whatever their look. */
const alwaysDrawn: ReadonlySet<Kind> = new Set(['meter', ...controls]);

function paints({ index, visible, kind, look, text, picture }: Widget): boolean {
  if (!visible || look.opacity === 0 || index === 0) return false;
  if (alwaysDrawn.has(kind) || picture) return true;
  if (text && text.text.trim() !== '') return true;
  return hasBox(look);
}

/** Whether a look draws a background or a border. */
export function hasBox(look: Widget['look']): boolean {
  return look.background !== undefined || (look.borderWidth > 0 && look.borderColor !== undefined);
}
