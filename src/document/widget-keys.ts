import { containerKeys } from './keys/container-keys.ts';
import type { KeyRow } from './keys/key-row.ts';
import { placedKeys } from './keys/placed-keys.ts';
import { neighbourKeys, shownKeys } from './keys/shown-keys.ts';
import type { WidgetSource } from './model.ts';
import type { Schema } from './shape.ts';

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

/** The keys of a widget; any other key of an instance is a parameter. */
export const widgetKeyNames: ReadonlySet<string> = new Set([...Object.keys(widgetKeys), 'use', 'set']);

/** The schemas of some rows, by key. */
export function schemasOf(rows: { readonly [key: string]: KeyRow }): { readonly [key: string]: Schema } {
  return Object.fromEntries(Object.entries(rows).map(([key, { schema }]) => [key, schema]));
}
