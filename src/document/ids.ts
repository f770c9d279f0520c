import type { WidgetSource } from './model.ts';
import { valueName } from './value-names.ts';

/*
 * Ids with names in them: `slot-{name}`. Each entry of a repeat, and each instance of a component, has one of its own by what the
 * names stand for there.
 */

const hole = /\{([^{}]+)\}/g;

/** An id as a widget may say it: a name of letters, digits, - and _, and in it `{name}`s that stand for more of those. */
export const idNotation = String.raw`^(?:[\p{L}_]|\{${valueName}\})(?:[\p{L}\p{N}_-]|\{${valueName}\})*$`;

export function isIdPattern(id: string): boolean {
  return id.includes('{');
}

/** The names in the id of a widget. */
export function namesInId(id: string): readonly string[] {
  return [...id.matchAll(hole)].map(([, name]) => name!);
}

/** The id with what its names stand for; what no id may hold becomes a hyphen. */
export function filledId(id: string, textOf: (name: string) => string): string {
  return id.replace(hole, (_, name: string) => idText(textOf(name)));
}

/** The id as the type of all that it may be. */
export function idType(id: string): string {
  return id.replace(hole, '${string}');
}

/** A text as a piece of an id. */
function idText(text: string): string {
  return text.replace(/[^\p{L}\p{N}_-]+/gu, '-');
}

/** Whether an id may be one that a pattern makes: something stands for each name. */
export function mayBeMade(pattern: string, id: string): boolean {
  const parts = pattern.replace(hole, '\n').split('\n');
  const last = parts.pop()!;
  let at = 0;
  for (const [nth, part] of parts.entries()) {
    const found = nth === 0 ? 0 : id.indexOf(part, at);
    if (found < 0 || !id.startsWith(part, found)) return false;
    // One letter at the least of what stands for the name after it.
    at = found + part.length + 1;
  }
  return id.endsWith(last) && id.length - last.length >= at;
}

/** The ids of some widgets, as they are written. */
export interface Names {
  readonly ids: { has(id: string): boolean };
  /** Those of repeats. */
  readonly repeated: ReadonlySet<string>;
  /** Those with names in them. */
  readonly patterns: readonly string[];
}

/**
 * Those of what is written in a widget, a component or a view, and not in an entry of a repeat in there, where names are another
 * matter; undefined where nothing has one.
 */
export function namesIn(
  holder: Pick<WidgetSource, 'children'>,
): (Names & { readonly ids: ReadonlySet<string> }) | undefined {
  const ids = new Set<string>();
  const repeated = new Set<string>();
  const waiting = [...(holder.children ?? [])];
  for (let at = waiting.pop(); at; at = waiting.pop()) {
    if (at.repeat === undefined) waiting.push(...(at.children ?? []));
    if (at.id === undefined) continue;
    ids.add(at.id);
    if (at.repeat !== undefined) repeated.add(at.id);
  }
  return ids.size > 0 ? { ids, repeated, patterns: [...ids].filter(isIdPattern) } : undefined;
}

/**
 * Whether a name may be that of a widget: as it is written, or as it is made when the view is built: `hull.bar` is in the instance
 * `hull`, `slot-2` or `slot-Ida` an entry of `slot`.
 */
export function mayName(name: string, { ids, repeated, patterns }: Names): boolean {
  const head = name.replace(/\..*$/, '');
  if (ids.has(head) || patterns.some((pattern) => mayBeMade(pattern, head))) return true;
  for (let at = head.lastIndexOf('-'); at > 0; at = head.lastIndexOf('-', at - 1))
    if (repeated.has(head.slice(0, at))) return true;
  return false;
}
