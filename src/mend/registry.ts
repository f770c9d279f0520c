import type { RemedyName } from '../checks/index.ts';
import { endBefore, moveApart, shrinkApart } from './remedies/apart.ts';
import { roomForChildren, stack } from './remedies/arranged.ts';
import { opaquePlate, ownStateColor, stateColor, strongerColor, themesColor } from './remedies/colored.ts';
import {
  evenGap,
  fitInParent,
  moveInside,
  ontoLine,
  otherSide,
  pivotFollows,
  raise,
  raiseMaximum,
  safeArea,
  tieToEdge,
  tieToNeighbour,
  wholeSurface,
} from './remedies/placed.ts';
import { largerText, roomForText, shorterLines } from './remedies/readable.ts';
import { largerScale } from './remedies/scaled.ts';
import {
  enlarge,
  noLarger,
  ownShape,
  roomAround,
  roomForRing,
  roomForSlices,
  sameSize,
  shrinkPicture,
  widerGap,
} from './remedies/sized.ts';
import { showState } from './remedies/states.ts';
import { forgetNeighbour, takeOut } from './remedies/written.ts';
import type { DocumentRemedy, Remedy } from './remedy.ts';

/** The remedies of findings of what is written. */
export const documentRemedies = { takeOut } as const satisfies {
  readonly [Name in RemedyName]?: DocumentRemedy;
};

/** The remedies of findings of layouts. */
export const remedies: { readonly [Name in Exclude<RemedyName, keyof typeof documentRemedies>]: Remedy } = {
  endBefore,
  enlarge,
  evenGap,
  fitInParent,
  forgetNeighbour,
  largerScale,
  largerText,
  moveApart,
  moveInside,
  noLarger,
  ontoLine,
  opaquePlate,
  otherSide,
  ownShape,
  ownStateColor,
  pivotFollows,
  raise,
  raiseMaximum,
  roomAround,
  roomForChildren,
  roomForRing,
  roomForSlices,
  roomForText,
  safeArea,
  sameSize,
  shorterLines,
  showState,
  shrinkApart,
  shrinkPicture,
  stack,
  stateColor,
  strongerColor,
  themesColor,
  tieToEdge,
  tieToNeighbour,
  wholeSurface,
  widerGap,
};
