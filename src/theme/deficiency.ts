import {
  differenceCiede2000,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  type Rgb,
} from 'culori';
import type { Rgba } from './color.ts';

/** The three common kinds of colour-vision deficiency, at their strongest. */
export const deficiencies = ['protanopia', 'deuteranopia', 'tritanopia'] as const;
export type Deficiency = (typeof deficiencies)[number];

const filters = {
  protanopia: filterDeficiencyProt(1),
  deuteranopia: filterDeficiencyDeuter(1),
  tritanopia: filterDeficiencyTrit(1),
};
const difference = differenceCiede2000();
const rgbOf = ({ r, g, b }: Rgba): Rgb => ({ mode: 'rgb', r, g, b });

/** How far apart two opaque colours are seen, as CIEDE2000; 0 for the same, 100 for black and white. */
export function colorDifference(one: Rgba, other: Rgba): number {
  return difference(rgbOf(one), rgbOf(other));
}

/** The same as seen with a deficiency (the model of Machado, Oliveira and Fernandes, 2009). */
export function differenceWith(deficiency: Deficiency, one: Rgba, other: Rgba): number {
  const seen = filters[deficiency];
  return difference(seen(rgbOf(one)), seen(rgbOf(other)));
}
