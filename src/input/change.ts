import type { CaseValue, WidgetSource } from '../document/index.ts';
import type { LiveNode, LiveView } from '../live/index.ts';
import type { ValueOfCase } from '../skeleton/index.ts';
import type { ChangeEffect } from './events.ts';

/** A change of what a control stands for, and the value of the case it is bound to. */
export function changeOf(
  { bone }: LiveNode,
  key: ChangeEffect['key'],
  value: ChangeEffect['value'],
): ChangeEffect {
  const source = bone.source as WidgetSource;
  // What is shown is kept as it is written; what is put in is known by its key.
  const to = key === 'value' || key === 'text' ? bone.scope.valueOf(source[key]) : bone.bound.get(key);
  // Which entry of a list it is may be another one later.
  return { type: 'change', control: bone.id, key, value, to: to && { ...to } };
}

type Scalar = string | number | boolean;
type Entry = Scalar | { readonly [field: string]: Scalar };

/** The values of a case with one of them changed; undefined where the entry is not there any more. */
export function valuesWith(
  values: LiveView['values'],
  { name, index, field }: ValueOfCase,
  value: Scalar,
): { readonly [name: string]: CaseValue } | undefined {
  if (index === undefined) return { [name]: value };
  const list = values.get(name);
  if (!Array.isArray(list)) return undefined;
  const next = [...(list as readonly Entry[])];
  const entry = next[index];
  if (entry === undefined) return undefined;
  next[index] = field === undefined || typeof entry !== 'object' ? value : { ...entry, [field]: value };
  return { [name]: next as unknown as CaseValue };
}

/** Puts two lengths, in u, into the values that a key of both axes is bound to. */
export function setPair(
  live: LiveView,
  { bound }: Pick<LiveNode['bone'], 'bound'>,
  key: 'offset' | 'scroll-offset',
  pair: readonly [x: number, y: number],
): void {
  pair.forEach((u, nth) => {
    const to = bound.get(`${key}/${nth}`);
    const values = to && valuesWith(live.values, to, u);
    if (values) live.set(values);
  });
}
