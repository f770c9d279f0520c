import {
  componentsOf,
  widgetsOf,
  type DocumentSource,
  type PlacedSource,
  type WidgetSource,
} from './model.ts';
import { pointerTo } from './pointer.ts';
import { writtenIds, type WrittenIds } from './references.ts';

/** What a condition, or an instance of a component, makes of a widget. */
export interface Change {
  /** The change, with what it has to be read beside; the pointer is the change's. */
  readonly changed: PlacedSource;
  readonly change: WidgetSource;
  /** JSON Pointer of the widget that is changed. */
  readonly from: string;
  /** The ids that names in it stand for; undefined where those are the widget's own. */
  readonly inside: WrittenIds | undefined;
}

/** Everything that a widget says of itself on some screens, and of the widgets in it if it is an instance. */
export function* changesOf(placed: PlacedSource, document: DocumentSource): Generator<Change> {
  const { widget, pointer, parent } = placed;
  for (const [index, { change }] of (widget.when ?? []).entries()) {
    const at = `${pointer}/when/${index}/change`;
    const changed = { widget: besides(widget, change), pointer: at, parent, arrange: undefined };
    yield { changed, change, from: pointer, inside: undefined };
  }
  const all = widget.set === undefined ? [] : [...widgetsInside(document, widget.use)];
  if (all.length === 0) return;
  const inside = writtenIds(all);
  for (const [id, change] of Object.entries(widget.set ?? {})) {
    const target = all.find((one) => one.widget.id === id);
    if (!target) continue;
    const at = pointerTo(`${pointer}/set`, id);
    const whole = besides(target.widget, change);
    const changed = { widget: whole, pointer: at, parent: target.parent, arrange: undefined };
    yield { changed, change, from: target.pointer, inside };
  }
}

/** A change, and the keys that decide what others may be. */
function besides(widget: WidgetSource, change: WidgetSource): WidgetSource {
  const whole: Record<string, unknown> = {};
  for (const key of deciding) if (widget[key] !== undefined) whole[key] = widget[key];
  return { ...whole, ...change };
}

const deciding = [
  'anchor',
  'anchor-to',
  'arrange',
  'children',
  'controls',
  'kind',
  'scroll',
  'use',
  'when',
] as const satisfies readonly (keyof WidgetSource)[];

function* widgetsInside(document: DocumentSource, use: string | undefined): Generator<PlacedSource> {
  for (const { component, pointer } of componentsOf(document, use)) yield* widgetsOf(component, pointer);
}
