import {
  nearestName,
  show,
  type DiagnosticList,
  type LookSource,
  type Origin,
  type TokenAnswer,
  type TokenValues,
} from '../document/index.ts';
import { tokenPattern, type Theme } from './theme.ts';

/** Reports what is wrong with one value of a look in a theme. */
export function checkValue(
  theme: Theme,
  key: keyof LookSource,
  value: unknown,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  if (typeof value === 'string' && value.includes('$')) {
    let problem = false;
    for (const [, name] of value.matchAll(tokenPattern)) {
      const answer = theme.tokens.resolve(name!);
      if (!('problem' in answer)) continue;
      problem = true;
      reportToken(answer, theme.tokens, pointer, origin, diagnostics);
    }
    if (problem) return;
  }
  const expected = theme.expected(key, value);
  if (expected === undefined) return;
  const filled = typeof value === 'string' ? theme.fillIn(value) : value;
  const found = show(value) + (filled === value ? '' : ` (${show(filled)})`);
  const meant = tokensMeant(theme, value);
  if (key === 'color' || key === 'background')
    diagnostics.add('bad-color', { found, meant }, origin.at(pointer));
  else diagnostics.add('wrong-value', { key, expected, found, meant }, origin.at(pointer));
}

/** A value whose tokens were written as among tokens, `{color.ink}`, as they are written in looks; undefined where it has none. */
export function tokensMeant(theme: Theme, value: unknown): string | undefined {
  if (typeof value !== 'string') return undefined;
  const other = value.replace(/\{([\w-]+(?:\.[\w-]+)+)\}/g, (written, name: string) =>
    'value' in theme.tokens.resolve(name) ? `$${name}` : written,
  );
  return other === value ? undefined : other;
}

function reportToken(
  answer: Exclude<TokenAnswer, { readonly value: unknown }>,
  tokens: TokenValues,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  if (answer.problem === 'circle') {
    diagnostics.add('name-chain', { what: 'this token', chain: answer.chain }, origin.at(pointer));
  } else if (answer.problem === 'value') {
    const facts = { key: answer.name, expected: answer.expected, found: 'another value' };
    diagnostics.add('wrong-value', facts, origin.at(pointer));
  } else {
    const facts = { what: 'token', name: answer.name, meant: nearestName(answer.name, tokens.names()) };
    diagnostics.add('unknown-name', facts, origin.at(pointer));
  }
}
