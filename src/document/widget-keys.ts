import { isIdPattern } from './ids.ts';
import { containerKeys } from './keys/container-keys.ts';
import type { KeyRow } from './keys/key-row.ts';
import { placedKeys } from './keys/placed-keys.ts';
import { neighbourKeys, shownKeys } from './keys/shown-keys.ts';
import type { WidgetSource } from './model.ts';
import type { Json } from './pointer.ts';
import { shapeErrors } from './shape.ts';
import { isTemplate } from './templates.ts';

/*
 * The keys of a widget, one row each. The schema, the checks of notations and kinds, what is put in for a parameter and
 * what a condition may change follow from the rows. `WidgetSource` in model.ts has the types, and may lack none of them.
 */
export const widgetKeys: { readonly [Key in Exclude<keyof WidgetSource, 'use' | 'set'>]-?: KeyRow } = {
  ...placedKeys,
  ...containerKeys,
  ...shownKeys,
  ...neighbourKeys,
};

/** The row of a key; undefined for one that widgets do not have, or that instances alone have. */
export function keyRow(key: string): KeyRow | undefined {
  return Object.hasOwn(widgetKeys, key) ? widgetKeys[key as keyof typeof widgetKeys] : undefined;
}

/** Keys that say what a widget is made of: an instance does not hand them on. */
export function isFixed(key: string): boolean {
  return madeOf.has(key) || keyRow(key)?.binds === 'fixed';
}

/** Those that no parameter is called. A `key` may be one as well: entries are told apart by what they give. */
export function isTaken(key: string): boolean {
  return isFixed(key) && key !== 'key';
}

const madeOf: ReadonlySet<string> = new Set(['use', 'set', 'repeat', 'params']);

/** Whether the value of a key, or one in its list, names a widget with `{name}`s in it: `page-{key}`. */
export function isNamePattern(key: string, value: unknown): value is string {
  return (
    typeof value === 'string' && isIdPattern(value) && keyRow(key)?.refers === true && !isTemplate(value)
  );
}

/** The keys of a widget; any other key of an instance is a parameter. */
export const widgetKeyNames: ReadonlySet<string> = new Set([...Object.keys(widgetKeys), 'use', 'set']);

/** What a key is, where a value that was put in for it is not of its shape; undefined where it is. */
export function refusedBy(key: string, value: unknown): string | undefined {
  const row = keyRow(key);
  if (!row || row.schema.$ref !== undefined) return undefined;
  const [wrong] = shapeErrors(value as Json, row.schema);
  if (!wrong && (!row.read || row.read(value) !== undefined)) return undefined;
  const { enum: choices, title } = row.schema;
  return (
    row.expected ??
    title ??
    (choices ? `one of ${choices.map((one) => String(one as string)).join(', ')}` : 'something else')
  );
}

/** Keys that a condition of a widget, a change of an instance and a condition of a view cannot say. */
export const fixedBy = {
  condition: (key: string) => key === 'use' || key === 'set' || keyRow(key)?.onScreens === false,
  instance: (key: string) => key === 'when' || key === 'id' || key === 'slot',
  view: (key: string) => ['title', 'backdrop', 'supports'].includes(key) || keyRow(key)?.onScreens === false,
};

/** Keys of a place that its parent does not choose for it. */
export const freeKeys = ['anchor', 'offset', 'inset', 'area', 'anchor-to'] as const;
