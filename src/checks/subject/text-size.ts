import type { Screen } from '../../screen/index.ts';
import { shown, type Reason } from '../../why/index.ts';
import { whyScaled } from './drawn-as.ts';
import type { Subject } from './subject.ts';

const millimetresPerInch = 25.4;

/** A length on the glass as an angle at the eye, in minutes of arc. */
export function minutesOfArc(
  px: number,
  { density, distance }: Pick<Screen, 'density' | 'distance'>,
): number {
  const millimetres = (px / density) * millimetresPerInch;
  return ((2 * Math.atan(millimetres / 2 / distance) * 180) / Math.PI) * 60;
}

/** A length on the glass in CSS reference pixels: 1/96 inch seen at 28 inches (CSS Values 4 §6.2). */
export function cssPixels(px: number, screen: Pick<Screen, 'density' | 'distance'>): number {
  return minutesOfArc(px, screen) / minutesOfArc(1, { density: 96, distance: 28 * millimetresPerInch });
}

/** The height of the capital letters of a widget's text, in device px, and how it comes about. */
interface Capitals {
  readonly px: number;
  readonly reasons: () => Reason[];
}

/** The height in px that is so many CSS reference pixels. */
export function pxOfCss(css: number, screen: Pick<Screen, 'density' | 'distance'>): number {
  return pxOfArc(css * minutesOfArc(1, { density: 96, distance: 28 * millimetresPerInch }), screen);
}

/** The height of the capital letters of a text, in device px. */
export function capitalPx(subject: Subject, index: number): number {
  const { text } = subject.widgets[index]!;
  const { chain, fontSize } = text!.setting;
  const { capHeight, unitsPerEm } = chain.primary;
  const { shrink } = subject.text(index);
  return ((capHeight * fontSize * shrink * text!.smallest) / unitsPerEm) * subject.drawnScale(index);
}

/** Every text a player can see whose capitals are less than a number of px high. */
export function* capitalsUnder(
  subject: Subject,
  least: number,
): Generator<Capitals & { readonly index: number }> {
  for (const { index, text, pointer } of subject.texts) {
    if (!subject.isSeen(index)) continue;
    const px = capitalPx(subject, index);
    if (px >= least) continue;
    const { chain, fontSize: full } = text.setting;
    const face = chain.primary;
    const { shrink } = subject.text(index);
    const fontSize = full * shrink * text.smallest;
    const scale = subject.layout.scale(index);
    const reasons = () => [
      {
        text: `capitals are ${shown(px)} px high = font size ${shown(fontSize)} u${shrink < 1 ? ' (shrunk)' : ''} × ${shown(face.capHeight / face.unitsPerEm)} × scale ${shown(scale)}`,
        pointer,
      },
      ...whyScaled(subject, index),
    ];
    yield { index, px, reasons };
  }
}

/** The height in px that is seen under an angle of so many minutes of arc. */
export function pxOfArc(
  minutes: number,
  { density, distance }: Pick<Screen, 'density' | 'distance'>,
): number {
  const millimetres = 2 * distance * Math.tan((minutes / 60 / 2 / 180) * Math.PI);
  return pxOfMillimetres(millimetres, { density });
}

/** How many device px are so many millimetres on a screen. */
export function pxOfMillimetres(millimetres: number, { density }: Pick<Screen, 'density'>): number {
  return (millimetres / millimetresPerInch) * density;
}
