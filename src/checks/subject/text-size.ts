import type { Screen } from '../../screen/index.ts';
import { shown, type Reason } from '../../why/index.ts';
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

/** Every text a player can see, with the height of its capital letters in device px. */
export function* capitals(
  subject: Subject,
): Generator<{ index: number; px: number; reasons: () => Reason[] }> {
  for (const { index, text, pointer } of subject.texts) {
    if (!subject.isSeen(index)) continue;
    const { chain, fontSize: full } = text.setting;
    const face = chain.primary;
    const { shrink } = subject.placed(index);
    const fontSize = full * shrink * text.smallest;
    const scale = subject.layout.scale(index);
    const inU = (face.capHeight * fontSize) / face.unitsPerEm;
    const reasons = () => [
      {
        text: `capitals are ${shown(inU * scale)} px high = font size ${shown(fontSize)} u${shrink < 1 ? ' (shrunk)' : ''} × ${shown(face.capHeight / face.unitsPerEm)} × scale ${shown(scale)}`,
        pointer,
      },
    ];
    yield { index, px: inU * scale, reasons };
  }
}
