import type { Notations } from '../document/index.ts';
import type { Rgba } from './color.ts';
import { splitAtCommas } from './fill.ts';

/** A shadow as CSS Backgrounds 3 §6.1 draws it. Lengths are in u; half the blur is the deviation of its blur. */
export interface Shadow {
  readonly x: number;
  readonly y: number;
  readonly blur: number;
  /** How much larger than the box it is on every side; 0 of a text's. */
  readonly spread: number;
  readonly color: Rgba;
}

/** A line of some width and colour: a border, an outline. */
export interface Stroke {
  readonly width: number;
  readonly color: Rgba;
}

const mostShadows = 8;
const mostLength = 1000;

/**
 * Shadows with commas between, each `x y`, `x y blur` or, of a box, `x y blur spread`, and a colour; `none` for none.
 * @param lengths The most lengths one may have.
 */
export function parseShadows(
  text: string,
  lengths: 3 | 4,
  colorOf: Notations['color'],
): readonly Shadow[] | undefined {
  if (text.trim() === 'none') return [];
  const parts = splitAtCommas(text);
  if (parts.length > mostShadows) return undefined;
  const shadows: Shadow[] = [];
  for (const part of parts) {
    const match = /^((?:-?\d+(?:\.\d+)?\s+){2,4})(\S.*)$/s.exec(part);
    const numbers = match?.[1]!.trim().split(/\s+/).map(Number) ?? [];
    const color = colorOf(match?.[2] ?? '');
    const [x, y, blur = 0, spread = 0] = numbers;
    if (!color || numbers.length > lengths || blur < 0) return undefined;
    if (numbers.some((number) => Math.abs(number) > mostLength)) return undefined;
    shadows.push({ x: x!, y: y!, blur, spread, color });
  }
  return shadows;
}

/** A width in u and a colour, as `2 #9fd8e6`. */
export function parseStroke(text: string, colorOf: Notations['color']): Stroke | undefined {
  const match = /^(\d+(?:\.\d+)?)\s+(.+)$/s.exec(text.trim());
  const color = match && colorOf(match[2]!);
  return match && color ? { width: Math.min(mostLength, Number(match[1])), color } : undefined;
}
