import { isTemplate, textsIn, type Json } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';
import { pointerOfKey } from './put-key.ts';

/**
 * A length that a widget is to have, with what follows a value left as it is written, where it comes to the same.
 * @param value Undefined where the key is to be taken out.
 * @throws EditError where a number would stand in the place of what follows a value.
 */
export function boundKept<Value extends Json | undefined>(
  text: Editing,
  widget: Widget,
  key: string,
  value: Value,
): Value | Json {
  const place = pointerOfKey(widget, key);
  const raw = text.read(place.slice(0, place.lastIndexOf('/')), key);
  if (!isBound(raw)) return value;
  const known = (widget.source as { readonly [key: string]: unknown })[key];
  if (Array.isArray(raw) && Array.isArray(value) && Array.isArray(known) && raw.length === value.length)
    return value.map((one: Json, at) => {
      if (!isBound(raw[at])) return one;
      if (isSame(one, known[at])) return raw[at]!;
      throw unbinding(widget, key, raw[at]!);
    });
  if (isSame(value, known)) return raw!;
  throw unbinding(widget, key, raw!);
}

export function unbinding({ id }: Widget, key: string, raw: Json): EditError {
  const said = typeof raw === 'string' ? raw : JSON.stringify(raw);
  return new EditError(
    `the ${key} of "${id}" follows a value, ${said}, and would follow it no more: change the value, or write the key by hand`,
  );
}

export function isBound(raw: unknown): boolean {
  return textsIn(raw).some(isTemplate);
}

export function isSame(one: unknown, other: unknown): boolean {
  const number = (value: unknown) => (typeof value === 'string' ? Number(value) : value);
  const [a, b] = [number(one), number(other)];
  if (typeof a === 'number' && typeof b === 'number' && Math.abs(a - b) < 0.01) return true;
  return JSON.stringify(one) === JSON.stringify(other);
}
