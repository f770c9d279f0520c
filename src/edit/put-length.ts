import { splitValues, type Json } from '../document/index.ts';
import { boundKept, isBound, isSame, unbinding } from './bound.ts';
import type { Editing } from './editing.ts';
import { asBefore } from './place.ts';
import type { Standing } from './standing.ts';

/**
 * Gives a widget a length on an axis: in its `size` where that says it, so that no key says again what another does. What follows
 * a value and comes to the same stays as it is.
 * @throws EditError where a number would stand in the place of what follows a value.
 */
export function putLength(
  text: Editing,
  { widget, pointer, source }: Standing,
  axis: 'x' | 'y',
  value: number | string,
): void {
  const key = axis === 'x' ? 'width' : 'height';
  const said = text.has(pointer, 'size') && !text.has(pointer, key) ? text.read(pointer, 'size') : undefined;
  const known = sizePair(source.size);
  if (said === undefined || !known) {
    text.set(pointer, key, boundKept(text, widget, key, value));
    return;
  }
  const at = axis === 'x' ? 0 : 1;
  if (isBound(said) && !Array.isArray(said)) {
    if (isSame(known[at], value)) return;
    throw unbinding(widget, 'size', said);
  }
  // What follows a value is held against what it comes to; the rest may have been changed before.
  const both = sizePair(said)!.map((one, nth) => (isBound(one) ? known[nth]! : one));
  both[at] = value;
  const isOne = splitValues(said)?.length === 1 && isSame(both[0], both[1]);
  text.set(pointer, 'size', isOne ? value : asBefore(said, boundKept(text, widget, 'size', both)));
}

/** Width and height as a size says them; undefined where it says neither. */
export function sizePair(size: unknown): [Json, Json] | undefined {
  const [width, height] = (splitValues(size) ?? []) as Json[];
  return width === undefined ? undefined : [width, height ?? width];
}
