import type { CheckId } from '../checks/index.ts';
import {
  evenGap,
  fitInParent,
  moveApart,
  moveInside,
  ontoLine,
  pivotFollows,
  raise,
  raiseMaximum,
  tieToEdge,
  tieToNeighbour,
} from './remedies/placed.ts';
import { largerText, roomForText, shorterLines, strongerColor } from './remedies/read.ts';
import { enlarge, ownShape, roomForSlices, sameSize, shrinkPicture, widerGap } from './remedies/sized.ts';
import { forgetNeighbour } from './remedies/written.ts';
import type { Remedy } from './remedy.ts';

/** What may mend findings of each check of layouts, in the order it is tried; none where nobody can know. */
export const remedies: { readonly [Id in CheckId]?: readonly Remedy[] } = {
  'off-screen': [pivotFollows, tieToEdge, moveInside],
  'outside-safe-area': [moveInside, tieToEdge],
  'overlap': [pivotFollows, tieToEdge, moveApart],
  'covered': [raise],
  'swallowed-input': [raise],
  'bursts-parent': [fitInParent],
  'gave-way': [raiseMaximum],
  'drifted': [tieToEdge],
  'torn-apart': [tieToNeighbour, tieToEdge],
  'pivot-at-odds': [pivotFollows],
  'nearly-aligned': [ontoLine],
  'nearly-same-size': [sameSize],
  'uneven-gaps': [evenGap],
  'cut-text': [roomForText],
  'shrunk-text': [roomForText],
  'small-text': [largerText],
  'coarse-text': [largerText],
  'long-lines': [shorterLines],
  'low-contrast': [strongerColor],
  'faint-part': [strongerColor],
  'tiny-part': [enlarge],
  'stretched-picture': [ownShape],
  'blown-up-picture': [shrinkPicture],
  'slices-cross': [roomForSlices],
  'small-target': [enlarge],
  'crowded-targets': [widerGap],
  'focus-astray': [forgetNeighbour],
};

/** Checks of what is written whose findings are mended by taking out what they are about. */
export const takenOut: ReadonlySet<CheckId> = new Set([
  'unused-style',
  'unused-component',
  'unused-token',
  'idle-change',
  'idle-acceptance',
]);
