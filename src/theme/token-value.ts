import type { TokenSource } from '../document/index.ts';

/** Types of the Design Tokens format (2025.10, §8 and §9) that a look can use, and how a value of each is written. */
export const tokenTypes = {
  color: 'a colour: a CSS colour, or colorSpace, components and alpha',
  dimension: 'a number of u, or value and unit (px or rem)',
  number: 'a number',
  fontFamily: 'a font family or a list of them',
  fontWeight: 'a number from 1 to 1000 or a name such as bold',
  border: 'color, width and style',
  shadow: 'color, offsetX, offsetY, blur and spread, or a list of such',
  gradient: 'a list of stops with color and position',
} as const;
export type TokenType = keyof typeof tokenTypes;

/** CSS px in a rem, as the format gives it. */
const pxPerRem = 16;

/** Names of weights: §8.5 of the format. */
const weights: Readonly<Record<string, number>> = {
  'thin': 100,
  'hairline': 100,
  'extra-light': 200,
  'ultra-light': 200,
  'light': 300,
  'normal': 400,
  'regular': 400,
  'book': 400,
  'medium': 500,
  'semi-bold': 600,
  'demi-bold': 600,
  'bold': 700,
  'extra-bold': 800,
  'ultra-bold': 800,
  'black': 900,
  'heavy': 900,
  'extra-black': 950,
  'ultra-black': 950,
};

/** Colour spaces of §8.1 by their names in CSS Color 4; `rgb`-like ones stand in color(), others have a function. */
const functions: Readonly<Record<string, string>> = {
  hsl: 'hsl',
  hwb: 'hwb',
  lab: 'lab',
  lch: 'lch',
  oklab: 'oklab',
  oklch: 'oklch',
};
const spaces = new Set([
  'srgb',
  'srgb-linear',
  'display-p3',
  'a98-rgb',
  'prophoto-rgb',
  'rec2020',
  'xyz-d65',
  'xyz-d50',
]);

type Part = (value: TokenSource | undefined, type: TokenType) => string | number | undefined;

/**
 * A token's value as looks write it: a CSS colour, a number of u, a text.
 * @param part Reads a value inside a value, which may be an alias.
 * @returns undefined where the value is none of the type.
 */
export function readTokenValue(
  value: TokenSource,
  type: string | undefined,
  part: Part,
): string | number | undefined {
  if (type === undefined || !Object.hasOwn(tokenTypes, type))
    return typeof value === 'string' || typeof value === 'number' ? value : undefined;
  return readers[type as TokenType](value, part);
}

const readers: Readonly<Record<TokenType, (value: TokenSource, part: Part) => string | number | undefined>> =
  {
    color(value) {
      if (typeof value === 'string') return value;
      if (!isMap(value)) return undefined;
      const { colorSpace, components, alpha = 1, hex } = value;
      if (typeof colorSpace !== 'string' || !Array.isArray(components) || components.length !== 3)
        return typeof hex === 'string' ? hex : undefined;
      const sound = (components as unknown[]).every((one) => typeof one === 'number' || one === 'none');
      if (!sound || typeof alpha !== 'number') return undefined;
      const written = spaces.has(colorSpace)
        ? `color(${colorSpace}`
        : functions[colorSpace] && `${functions[colorSpace]}(`;
      if (written === undefined) return typeof hex === 'string' ? hex : undefined;
      const percent = colorSpace === 'hsl' || colorSpace === 'hwb';
      const numbers = (components as (number | string)[]).map((one, at) =>
        percent && at > 0 && one !== 'none' ? `${one}%` : one,
      );
      return `${written} ${numbers.join(' ')} / ${alpha})`.replace('( ', '(');
    },
    dimension(value) {
      if (typeof value === 'number') return value;
      if (isMap(value)) {
        const { value: amount, unit } = value;
        if (typeof amount !== 'number' || (unit !== 'px' && unit !== 'rem')) return undefined;
        return unit === 'rem' ? amount * pxPerRem : amount;
      }
      const written = typeof value === 'string' ? /^(-?\d+(?:\.\d+)?)(px|rem|u)?$/.exec(value) : null;
      return written ? Number(written[1]) * (written[2] === 'rem' ? pxPerRem : 1) : undefined;
    },
    number(value) {
      return typeof value === 'number' ? value : undefined;
    },
    fontFamily(value) {
      if (typeof value === 'string') return value;
      const names = Array.isArray(value) ? (value as readonly unknown[]) : [];
      return names.length > 0 && names.every((one) => typeof one === 'string') ? names.join(', ') : undefined;
    },
    fontWeight(value) {
      if (typeof value === 'number') return value;
      return typeof value === 'string' && Object.hasOwn(weights, value) ? weights[value] : undefined;
    },
    border(value, part) {
      if (!isMap(value)) return undefined;
      const width = part(value.width, 'dimension');
      const color = part(value.color, 'color');
      return width === undefined || color === undefined ? undefined : `${width} ${color}`;
    },
    shadow(value, part) {
      const list = Array.isArray(value) ? (value as readonly TokenSource[]) : [value];
      const written: (string | number)[] = [];
      for (const one of list) {
        // Another token, which may be a list itself (§9.6).
        const shadow = aliasOf(one) === undefined ? shadowOf(one, part) : part(one, 'shadow');
        // The first that is none ends it: what is wrong deep inside of many lists is looked for once.
        if (shadow === undefined) return undefined;
        written.push(shadow);
      }
      const all = written.join(', ');
      return all === '' || all.length > mostLetters ? undefined : all;
    },
    gradient(value, part) {
      if (!Array.isArray(value)) return undefined;
      const stops = (value as readonly TokenSource[]).map((one) => {
        if (!isMap(one)) return undefined;
        const color = part(one.color, 'color');
        const position = part(one.position, 'number');
        return color === undefined || typeof position !== 'number'
          ? undefined
          : `${color} ${position * 100}%`;
      });
      return stops.length < 2 || stops.includes(undefined)
        ? undefined
        : `linear-gradient(${stops.join(', ')})`;
    },
  };

function shadowOf(one: TokenSource, part: Part): string | undefined {
  if (!isMap(one) || one.inset === true) return undefined;
  const { offsetX, offsetY, blur, spread } = one;
  const lengths = [offsetX, offsetY, blur, spread].map((length) => part(length ?? 0, 'dimension'));
  const color = part(one.color, 'color');
  return lengths.includes(undefined) || color === undefined ? undefined : `${lengths.join(' ')} ${color}`;
}

/** Lists of lists that double each time come to more than anybody draws. */
const mostLetters = 8000;

/** The name of the token a value stands for: `{color.hull}`. */
export function aliasOf(value: TokenSource | undefined): string | undefined {
  return typeof value === 'string' ? /^\{([^{}]+)\}$/.exec(value.trim())?.[1] : undefined;
}

/** A token file may hold `null` anywhere, whatever its type says. */
function isMap(value: TokenSource | null | undefined): value is { readonly [name: string]: TokenSource } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
