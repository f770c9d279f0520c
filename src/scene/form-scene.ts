import { controls, isWithin, type Tree, type Widget } from '../dress/index.ts';
import type { Kind } from '../document/index.ts';
import { clips, isTurned, scaledBy } from '../inside/index.ts';
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
  /** The sibling just before it in document order; its parent where it is the first. */
  readonly before: Int32Array;
  /** 1 where an open dialog has taken its place. */
  readonly behindDialog: Uint8Array;
  /** The innermost widget around each, or itself, that is rotated, skewed or scaled; 0 where none is: no view is. Where it is the same, so is all that turns them. */
  readonly turner: Uint32Array;
  /** How many times as large each is drawn by its look and those of all around it. */
  readonly scale: Float64Array;
  /** 1 where the widget or one around it takes no input. */
  readonly letsThrough: Uint8Array;
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
    this.opacity = new Float64Array(count);
    for (const { index, parent, look } of widgets)
      this.opacity[index] = look.opacity * (index === 0 ? 1 : this.opacity[parent]!);
    this.paints = Uint8Array.from(widgets, (widget) =>
      this.opacity[widget.index]! > 0 && paints(widget) ? 1 : 0,
    );
    this.paintsWithin = this.paints.slice();
    this.end = Uint32Array.from(widgets, ({ index }) => index + 1);
    for (let index = count - 1; index > 0; index--) {
      const { parent } = widgets[index]!;
      if (this.end[parent]! < this.end[index]!) this.end[parent] = this.end[index]!;
      if (this.paintsWithin[index]) this.paintsWithin[parent] = 1;
    }
    this.before = new Int32Array(count);
    const last = new Int32Array(count).fill(-1);
    for (const { index, parent } of widgets) {
      if (index === 0) continue;
      this.before[index] = last[parent]! < 0 ? parent : last[parent]!;
      last[parent] = index;
    }
    this.turner = new Uint32Array(count);
    this.scale = new Float64Array(count);
    this.letsThrough = new Uint8Array(count);
    for (const widget of widgets) {
      const { index, parent } = widget;
      this.letsThrough[index] = letsInputThrough(widget, this.letsThrough[parent] === 1) ? 1 : 0;
      this.turner[index] = isTurned(widget) ? index : index > 0 ? this.turner[parent]! : 0;
      this.scale[index] = scaledBy(widget) * (index > 0 ? this.scale[parent]! : 1);
    }
    this.places = new Uint32Array(count);
    order.forEach((index, place) => (this.places[index] = place));
    const { isBehind } = dialogOf(tree);
    this.behindDialog = Uint8Array.from(widgets, ({ index }) => (isBehind(index) ? 1 : 0));
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

/** The index of the open dialog on top. */
function openDialog({ widgets, order }: Pick<Tree, 'widgets' | 'order'>): number | undefined {
  return order.findLast((index) => {
    if (widgets[index]!.kind !== 'dialog' || !widgets[index]!.visible) return false;
    for (let at = index; at >= 0; at = widgets[at]!.parent)
      if (!(widgets[at]!.look.opacity > 0)) return false;
    return true;
  });
}

/** The open dialog on top, and who has stepped back behind it: what is drawn before it and is not in it. −1 where none is. */
export function dialogOf(tree: Pick<Tree, 'widgets' | 'order'>): {
  readonly dialog: number;
  readonly isBehind: (index: number) => boolean;
} {
  const dialog = openDialog(tree) ?? -1;
  if (dialog < 0) return { dialog, isBehind: () => false };
  const before = new Set(tree.order.slice(0, tree.order.indexOf(dialog)));
  return { dialog, isBehind: (index) => before.has(index) && !isWithin(tree.widgets, index, dialog) };
}

/** Whether a widget takes no input (`pointer-events` of CSS UI 4, which is inherited). @param outer Whether what it is in takes none. */
export function letsInputThrough({ index, source }: Widget, outer: boolean): boolean {
  const own = 'pointer-events' in source ? source['pointer-events'] : undefined;
  return own === undefined ? index > 0 && outer : own === 'none';
}

/** Kinds that draw something whatever their look. */
const alwaysDrawn: ReadonlySet<Kind> = new Set(['meter', 'canvas', 'scrollbar', ...controls]);

function paints({ index, visible, kind, look, text, picture }: Widget): boolean {
  if (!visible || index === 0) return false;
  if (alwaysDrawn.has(kind) || picture) return true;
  if (text && text.text.trim() !== '') return true;
  return hasBox(look);
}

/** Whether a widget is words without a box of their own: what is seen of it is its letters. */
export function isBareText({ kind, look, text }: Widget): boolean {
  return kind === 'text' && text !== undefined && !hasBox(look);
}

/** Whether a look draws a background or a border: one that is fully transparent draws nothing. */
export function hasBox({ background, borderWidth, borderColor }: Widget['look']): boolean {
  return isSeen(background) || (borderWidth > 0 && borderColor !== undefined && borderColor.a > 0);
}

function isSeen(fill: Widget['look']['background']): boolean {
  if (!fill) return false;
  return fill.type === 'color' ? fill.color.a > 0 : fill.stops.some(({ color }) => color.a > 0);
}
