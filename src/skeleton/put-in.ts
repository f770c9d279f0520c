import { isFixed, keyRow } from '../document/index.ts';

/** Whether a `{name}` in the place of a key's value is put in when the widget is made: others are messages, or may not stand there. */
export function isPutIn(key: string): boolean {
  return !isFixed(key) && (keyRow(key)?.binds ?? 'put in') === 'put in';
}
