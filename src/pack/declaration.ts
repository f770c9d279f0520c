import type { Names } from './names.ts';

/** The declaration that tells TypeScript what a packed document has in it. @param name The file it is of, for people. */
export function declarationOf({ views, values, cases, themes, locales }: Names, name: string): string {
  const union = (texts: readonly string[]) => (texts.length === 0 ? 'never' : texts.join(' | '));
  const quoted = (texts: readonly string[]) => union(texts.map((text) => JSON.stringify(text)));
  return `// What ${name} has in it; written anew whenever it is packed.
import type { Pack } from 'pimbot/game';

interface Types {
  readonly views: {
${[...views].map(([view, ids]) => `    readonly ${JSON.stringify(view)}: ${union(ids)};`).join('\n')}
  };
  readonly values: {
${[...values].map(([value, type]) => `    readonly ${JSON.stringify(value)}: ${type};`).join('\n')}
  };
  readonly cases: ${quoted(cases)};
  readonly themes: ${quoted(themes)};
  readonly locales: ${quoted(locales)};
}

declare const pack: Pack<Types>;
export default pack;
`;
}
