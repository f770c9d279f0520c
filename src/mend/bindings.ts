import type { Json } from '../document/index.ts';

/**
 * Whether a change takes away what is bound to a value or parameter: a text that asks for names, such as `"{health}"` or
 * `"{depth} m"`, has to be there as often as before.
 */
export function losesBinding(before: Json, after: Json): boolean {
  const left = boundIn(after);
  for (const [text, count] of boundIn(before)) if ((left.get(text) ?? 0) < count) return true;
  return false;
}

/** Every text that asks for names, and how often it is there. */
function boundIn(document: Json): Map<string, number> {
  const found = new Map<string, number>();
  const stack: Json[] = [document];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (typeof at === 'string') {
      if (!/\{[\p{L}_]/u.test(at)) continue;
      // A colour that a condition chooses may be another one.
      const asked = at.replace(/'[#$][^']*'/g, "'#'");
      found.set(asked, (found.get(asked) ?? 0) + 1);
    } else if (Array.isArray(at)) stack.push(...(at as readonly Json[]));
    else if (at !== null && typeof at === 'object') stack.push(...Object.values(at));
  }
  return found;
}
