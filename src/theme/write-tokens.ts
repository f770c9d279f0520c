import type { CheckedTheme, TokenSource } from '../document/index.ts';
import { hexOf } from './color.ts';
import { parseColor } from './css-color.ts';
import { aliasOf, readTokenValue } from './token-value.ts';
import { tokensOf } from './tokens.ts';

type Group = { [name: string]: TokenSource | Group };

/**
 * The tokens of a theme as a file in the Design Tokens format (2025.10): types said of each, colours as components in
 * sRGB with their hex, lengths in px; aliases stay aliases.
 */
export function tokensFile(theme: CheckedTheme): string {
  const tokens = [...tokensOf(theme)];
  // Every group a token is in. One that has a value itself keeps it as its $root (§6.2 of the format).
  const groups = new Set(tokens.flatMap(({ name }) => groupsOf(name)));
  const root: Group = {};
  for (const { name, value, type } of tokens) {
    let group = root;
    const steps = name.split('.');
    for (const step of groups.has(name) ? steps : steps.slice(0, -1)) {
      if (!Object.hasOwn(group, step)) hold(group, step, {});
      group = group[step] as Group;
    }
    const last = groups.has(name) ? '$root' : steps.at(-1)!;
    if (!Object.hasOwn(group, last)) hold(group, last, written(value, type));
  }
  return `${JSON.stringify(root, null, 2)}\n`;
}

/** `a` and `a.b` of `a.b.c`. */
function groupsOf(name: string): string[] {
  const steps = name.split('.').slice(0, -1);
  return steps.map((_, at) => steps.slice(0, at + 1).join('.'));
}

/** Puts a value in under any name, `__proto__` too. */
function hold(group: Group, name: string, value: Group): void {
  Object.defineProperty(group, name, { value, enumerable: true, configurable: true });
}

function written(value: TokenSource, type: string | undefined): Group {
  const said = type ?? guessed(value);
  const body = aliasOf(value) === undefined ? valueOf(value, said) : value;
  return { ...(said !== undefined && { $type: said }), $value: body };
}

/** The type of a value that nobody said one of. */
function guessed(value: TokenSource): string | undefined {
  if (typeof value === 'number') return 'number';
  return typeof value === 'string' && parseColor(value) ? 'color' : undefined;
}

function valueOf(value: TokenSource, type: string | undefined): TokenSource {
  if (type === 'color') {
    const plain = readTokenValue(value, 'color', () => undefined);
    const color = typeof plain === 'string' ? parseColor(plain) : undefined;
    if (!color) return value;
    const { r, g, b, a } = color;
    const part = (one: number) => Math.round(one * 1e5) / 1e5;
    const components = [part(r), part(g), part(b)];
    return { colorSpace: 'srgb', components, alpha: part(a), hex: hexOf({ ...color, a: 1 }) };
  }
  if (type === 'dimension') {
    const length = readTokenValue(value, 'dimension', () => undefined);
    return typeof length === 'number' ? { value: length, unit: 'px' } : value;
  }
  return value;
}
