import type { CheckedDocument } from '../document/index.ts';
import { Tokens, parseColor } from '../theme/index.ts';

/** The names of all tokens as they are written in a look, each with its type where it is said or reads as a colour. */
export function tokenTypesIn(document: CheckedDocument): ReadonlyMap<string, string | undefined> {
  const tokens = new Tokens(document.themes);
  return new Map(
    [...tokens.names()].map((name) => [`$${name}`, tokens.typeOf(name) ?? readsAs(tokens, name)]),
  );
}

/** The names of those that are colours. */
export function colorTokens(document: CheckedDocument): string[] {
  return [...tokenTypesIn(document)].filter(([, type]) => type === 'color').map(([name]) => name);
}

function readsAs(tokens: Tokens, name: string): string | undefined {
  const answer = tokens.resolve(name);
  const isColor =
    'value' in answer && typeof answer.value === 'string' && parseColor(answer.value) !== undefined;
  return isColor ? 'color' : undefined;
}
