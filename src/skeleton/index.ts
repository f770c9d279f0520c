/* Document, screen and structural values in; a view's tree of widgets and their boxes out. No looks, no words. */
export {
  choosesPage,
  chosenBy,
  followShown,
  growPiece,
  makeSkeleton,
  mostWidgets,
  refuseTwins,
  remadeBone,
} from './skeleton.ts';
export { drawingOrder, raisedAmong, zOf } from './drawing-order.ts';
export type { Piece } from './skeleton.ts';
export { dividedBoxes, isDivider } from './divider.ts';
export type { Bone, Head, Site, Skeleton, Structure } from './bone.ts';
export { expand, plainlyBound, rebound } from './expand.ts';
export type { Expanded, Refuses, Unexpanded } from './expand.ts';
export { boxKeys, boxOf, mirrored, withPadding } from './box.ts';
export type { AxisBox, Box, SizeMode } from './box.ts';
export { BuildError, Scope, cannotBe, isSameValue } from './scope.ts';
export type { ValueOfCase } from './scope.ts';
export { boundsOf, holds, readCondition } from './conditions.ts';
export type { OnScreen, ConditionBound, ReadCondition } from './conditions.ts';
export type { Origins } from './expand.ts';
export { slid, slideOf, slidTo } from './slide.ts';
export type { Slide } from './slide.ts';
export { isShare, shareOf } from './share.ts';
export { checkMessages } from './check-messages.ts';
