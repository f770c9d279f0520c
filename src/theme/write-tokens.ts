import type { CheckedTheme, TokenSource } from '../document/index.ts';
import { hexOf, parseColor } from './color.ts';
import { readTokenValue } from './token-value.ts';
import { tokensOf } from './tokens.ts';

type Group = { [name: string]: TokenSource | Group };

/**
 * The tokens of a theme as a file in the Design Tokens format (2025.10): types said of each, colours as components in
 * sRGB with their hex, lengths in px; aliases stay aliases.
 */
export function tokensFile(theme: CheckedTheme): string {
  const root: Group = {};
  for (const { name, value, type } of tokensOf(theme)) {
    const steps = name.split('.');
    const last = steps.pop()!;
    let group = root;
    for (const step of steps) {
      if (!Object.hasOwn(group, step)) group[step] = {};
      group = group[step] as Group;
    }
    if (Object.hasOwn(group, last)) continue;
    Object.defineProperty(group, last, { value: written(value, type), enumerable: true, configurable: true });
  }
  return `${JSON.stringify(root, null, 2)}\n`;
}

function written(value: TokenSource, type: string | undefined): Group {
  const said = type ?? guessed(value);
  const body = typeof value === 'string' && value.trim().startsWith('{') ? value : valueOf(value, said);
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
