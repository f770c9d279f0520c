import { burstsParent } from './bursts-parent.ts';
import type { Check, DocumentCheck } from './check.ts';
import { coarseText } from './coarse-text.ts';
import { cutText } from './cut-text.ts';
import { lowContrast } from './low-contrast.ts';
import { missingGlyph } from './missing-glyph.ts';
import { missingMessage } from './missing-message.ts';
import { missingPicture } from './missing-picture.ts';
import { offScreen } from './off-screen.ts';
import { outsideSafeArea } from './outside-safe-area.ts';
import { overlap } from './overlap.ts';
import { smallText } from './small-text.ts';
import { themeGap } from './theme-gap.ts';

/** Every check of a layout, in the order reports list them. */
export const checks: readonly Check[] = [
  offScreen,
  outsideSafeArea,
  overlap,
  burstsParent,
  cutText,
  smallText,
  coarseText,
  lowContrast,
  missingGlyph,
  missingMessage,
  missingPicture,
];

/** Every check of a document as it is written. */
export const documentChecks: readonly DocumentCheck[] = [themeGap];
