import type { CheckedDocument, WidgetSource } from '../document/index.ts';
import { bareKeys, boxIn, type Widget } from '../dress/index.ts';
import { compile, type Frame } from '../layout/index.ts';
import { boxOf, isDivider } from '../skeleton/index.ts';
import { View, itemOf, type Form } from '../view/index.ts';
import { valueAt } from './put-key.ts';

/**
 * A view with a change that is only tried: of a widget that has merely moved or changed its size, nothing but its box is made anew.
 * It is what the changed document would be opened as.
 */
export class TriedView extends View {
  readonly #before: View;
  readonly #touched: readonly string[];
  readonly #moved = new Map<Form, Form | undefined>();

  /** @param touched The maps of the document that were changed. */
  constructor(before: View, document: CheckedDocument, touched: readonly string[]) {
    const { name, occasion, variant, backdrops, resources } = before;
    super(document, name, occasion, { ...variant, kept: undefined }, backdrops, resources);
    this.#before = before;
    this.#touched = touched;
  }

  override formOn(frame: Frame): Form {
    const base = this.#before.formOn(frame);
    if (!this.#moved.has(base)) this.#moved.set(base, this.#movedFrom(base));
    return this.#moved.get(base) ?? super.formOn(frame);
  }

  /** The form with other boxes; undefined where more than boxes may be others. */
  #movedFrom({ tree, indexes }: Form): Form | undefined {
    const widgets = [...tree.widgets];
    for (const pointer of new Set(this.#touched)) {
      const found = widgets.filter((one) => one.pointer === pointer);
      const moved = found.length === 1 && this.#movedTo(found[0]!, widgets);
      if (!moved) return undefined;
      widgets[moved.index] = moved;
    }
    const plan = compile(widgets.map((one) => itemOf(one, this.reference, (id) => indexes.get(id))));
    return { tree: { ...tree, widgets }, plan, indexes, alike: undefined };
  }

  #movedTo(widget: Widget, widgets: readonly Widget[]): Widget | undefined {
    const was = valueAt(this.#before.document, widget.pointer) as WidgetSource | undefined;
    const is = valueAt(this.document, widget.pointer) as WidgetSource;
    // What a component, condition, value or instance has a say in is worked out in full.
    if (was === undefined || widget.index === 0 || widget.source !== was) return undefined;
    const keys = new Set([...Object.keys(was), ...Object.keys(is)]) as Set<keyof WidgetSource>;
    const changed = [...keys].filter((key) => was[key] !== is[key]);
    const isBare = changed.every(
      (key) => bareKeys.has(key) && !ofOthers.has(key) && !JSON.stringify(is[key] ?? '').includes('{'),
    );
    const isDivided = widgets.some((one) => one.parent === widget.parent && isDivider(one));
    if (!isBare || isDivided) return undefined;
    try {
      const bone = { ...widget, source: is, box: boxOf(is, widget.box.rightToLeft) };
      return { ...bone, box: boxIn(bone, widget.look) };
    } catch {
      // What cannot be read is told by the one who works it out in full.
      return undefined;
    }
  }
}

/** Keys that others are drawn or seen by. */
const ofOthers: ReadonlySet<string> = new Set(['z', 'visible']);
