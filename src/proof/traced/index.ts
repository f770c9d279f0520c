import { brokenPromise } from './broken-promise.ts';
import { burstsParent } from './bursts-parent.ts';
import { covered } from './covered.ts';
import { cutOff } from './cut-off.ts';
import { cutText } from './cut-text.ts';
import { gaveWay } from './gave-way.ts';
import { offScreen } from './off-screen.ts';
import { outsideSafeArea } from './outside-safe-area.ts';
import { overlap } from './overlap.ts';
import { smallTarget } from './small-target.ts';
import { smallText } from './small-text.ts';
import { thumbTarget } from './thumb-target.ts';
import type { Traced } from './traced.ts';

/** Every check whose failing sizes are proved, in the order of the list of checks. */
export const traced: readonly Traced[] = [
  offScreen,
  outsideSafeArea,
  overlap,
  burstsParent,
  cutText,
  cutOff,
  covered,
  gaveWay,
  smallTarget,
  thumbTarget,
  smallText,
  brokenPromise,
];
