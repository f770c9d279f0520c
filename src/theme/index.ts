export { compose, contrastRatio, faded, hexOf, parseColor } from './color.ts';
export type { Rgba } from './color.ts';
export { colorAt, gradientLine } from './fill.ts';
export type { Fill, Stop } from './fill.ts';
export { defaultFont, familyNames, plainLook } from './look.ts';
export type { Look } from './look.ts';
export { Theme } from './theme.ts';
export { checkLooks, styleList } from './check.ts';
