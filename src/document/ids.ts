/*
 * Ids with names in them: `slot-{name}`. Each entry of a repeat, and each instance of a component, has one of its own by what the
 * names stand for there.
 */

const hole = /\{([^{}]+)\}/g;

/** An id as a widget may say it: a name of letters, digits, - and _, and in it `{name}`s that stand for more of those. */
export const idNotation =
  '^(?:[\\p{L}_]|\\{[\\p{L}_][\\p{L}\\p{N}_-]*\\})(?:[\\p{L}\\p{N}_-]|\\{[\\p{L}_][\\p{L}\\p{N}_-]*\\})*$';

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
