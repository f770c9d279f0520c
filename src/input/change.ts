import {
  partOf,
  rootOf,
  withPart,
  type CaseEntry,
  type CaseValue,
  type Scalar,
  type WidgetSource,
} from '../document/index.ts';
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

/** The values of a case with one of them changed; undefined where the entry is not there any more. */
export function valuesWith(
  values: LiveView['values'],
  { name, index, field }: ValueOfCase,
  value: Scalar,
): { readonly [name: string]: CaseValue } | undefined {
  const root = rootOf(name);
  const path = name.slice(root.length + 1);
  const known = values.get(root);
  const given =
    index === undefined ? value : listWith(path === '' ? known : partOf(known, path), index, field, value);
  const whole = given === undefined || path === '' ? given : withPart(known, path, given);
  return whole === undefined ? undefined : { [root]: whole };
}

/** The same list with another entry, or another field of one. */
function listWith(
  list: CaseValue | undefined,
  index: number,
  field: string | undefined,
  value: Scalar,
): readonly CaseEntry[] | undefined {
  if (!Array.isArray(list)) return undefined;
  const entries = list as readonly CaseEntry[];
  const entry = entries[index];
  if (entry === undefined) return undefined;
  const next = field === undefined || typeof entry !== 'object' ? value : withPart(entry, field, value);
  if (next === undefined) return undefined;
  const changed = [...entries];
  changed[index] = next as CaseEntry;
  return changed;
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
