import { converter, parse, type Color } from 'culori';
import type { Rgba } from './color.ts';

const toRgb = converter('rgb');
const part = (value: number | undefined): number =>
  Number.isFinite(value) ? Math.min(1, Math.max(0, value!)) : 0;

/** What the parser makes of a text; it throws over some that are no colour (`oklch(0.5 0.2 30eg)`). */
function parsed(text: string): Color | undefined {
  try {
    return parse(text);
  } catch {
    return undefined;
  }
}

/** Reads a colour of CSS Color 4 (hex, names, rgb(), hsl(), oklch() …); parts outside sRGB are clamped. */
export function parseColor(text: string): Rgba | undefined {
  if (text.length > 120) return undefined;
  const color = toRgb(parsed(text.trim()));
  if (!color) return undefined;
  return { r: part(color.r), g: part(color.g), b: part(color.b), a: part(color.alpha ?? 1) };
}
