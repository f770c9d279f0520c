import type { Rgba } from '../document/index.ts';

export type { Rgba };

/** `#rrggbb`, or `#rrggbbaa` where it is not opaque. */
export function hexOf({ r, g, b, a }: Rgba): string {
  const two = (value: number) =>
    Math.round(value * 255)
      .toString(16)
      .padStart(2, '0');
  return `#${two(r)}${two(g)}${two(b)}${a < 1 ? two(a) : ''}`;
}

/** `over` painted on `under` (source-over of Porter and Duff, as in CSS Compositing 1 §9). */
export function compose(over: Rgba, under: Rgba): Rgba {
  if (over.a === 1) return over;
  const a = over.a + under.a * (1 - over.a);
  if (a === 0) return { r: 0, g: 0, b: 0, a: 0 };
  const mix = (top: number, bottom: number) => (top * over.a + bottom * under.a * (1 - over.a)) / a;
  return { r: mix(over.r, under.r), g: mix(over.g, under.g), b: mix(over.b, under.b), a };
}

/** A colour some share of the way to another. */
export function mixed(from: Rgba, to: Rgba, share: number): Rgba {
  const mix = (a: number, b: number) => a + (b - a) * share;
  return { r: mix(from.r, to.r), g: mix(from.g, to.g), b: mix(from.b, to.b), a: mix(from.a, to.a) };
}

/** The colour with its opacity multiplied. */
export function faded(color: Rgba, opacity: number): Rgba {
  return opacity === 1 ? color : { ...color, a: color.a * opacity };
}

function linearOf(channel: number): number {
  return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
}

/** Of each channel of 8 bits: most colours have no others. */
const linearOfBytes = /* @__PURE__ */ Float64Array.from({ length: 256 }, (_, byte) => linearOf(byte / 255));

function linear(channel: number): number {
  const byte = Math.round(channel * 255);
  return byte / 255 === channel ? linearOfBytes[byte]! : linearOf(channel);
}

/** Relative luminance of WCAG 2.2 (the colour's opacity left aside). */
export function luminance({ r, g, b }: Rgba): number {
  return 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
}

/** Contrast ratio of WCAG 2.2, from 1 to 21, of two opaque colours. */
export function contrastRatio(one: Rgba, other: Rgba): number {
  return contrastOf(luminance(one), luminance(other));
}

/** The same of two luminances. */
export function contrastOf(one: number, other: number): number {
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}
