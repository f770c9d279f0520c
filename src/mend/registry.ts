import type { RemedyName } from '../checks/index.ts';
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
import { largerText, roomForText, shorterLines, strongerColor } from './remedies/readable.ts';
import { enlarge, ownShape, roomForSlices, sameSize, shrinkPicture, widerGap } from './remedies/sized.ts';
import { forgetNeighbour, takeOut } from './remedies/written.ts';
import type { DocumentRemedy, Remedy } from './remedy.ts';

/** The remedies of findings of what is written. */
export const documentRemedies = { takeOut } as const satisfies {
  readonly [Name in RemedyName]?: DocumentRemedy;
};

/** The remedies of findings of layouts. */
export const remedies: { readonly [Name in Exclude<RemedyName, keyof typeof documentRemedies>]: Remedy } = {
  enlarge,
  evenGap,
  fitInParent,
  forgetNeighbour,
  largerText,
  moveApart,
  moveInside,
  ontoLine,
  ownShape,
  pivotFollows,
  raise,
  raiseMaximum,
  roomForSlices,
  roomForText,
  sameSize,
  shorterLines,
  shrinkPicture,
  strongerColor,
  tieToEdge,
  tieToNeighbour,
  widerGap,
};
