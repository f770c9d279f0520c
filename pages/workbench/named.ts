import type { DocumentSource } from 'pimbot';

/** The words of all texts with braces in a view and in what components it may use: values that none of them is are of other views. */
export function namedIn({ views, components }: DocumentSource, view: string): ReadonlySet<string> {
  const words = new Set<string>();
  const waiting: unknown[] = [views[view], components];
  while (waiting.length > 0) {
    const one = waiting.pop();
    if (typeof one === 'object' && one !== null) waiting.push(...(Object.values(one) as unknown[]));
    else if (typeof one === 'string' && one.includes('{'))
      for (const [word] of one.matchAll(/[\p{L}_][\p{L}\p{N}_-]*/gu)) words.add(word);
  }
  return words;
}
