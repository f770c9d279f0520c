/* A view laid out in; flat arrays of what is where, seen, in which order and cut off by what out. */
export { Scene } from './scene.ts';
export type { Cutter } from './scene.ts';
export { areApart, depthsAskew } from './askew.ts';
export { areaOf, at, cut, onLine, within } from './convex.ts';
export type { Affine, Point, Polygon } from './convex.ts';
export { leftWithin, pastCutters, shareLeft } from './cutters.ts';
export { across, axisAlong, isUpright, pointIn, rectIn } from './frames.ts';
export { outlineIn } from './outline.ts';
export type { Across } from './frames.ts';
export { FormScene, dialogOf, hasBox, isBareText, letsInputThrough } from './form-scene.ts';
export type { TextWidget } from './form-scene.ts';
export {
  axisOf,
  enlarged,
  grown,
  hasArea,
  holdsPoint,
  intersection,
  isInside,
  meet,
  overshoot,
  safeRectOf,
  sharesAxis,
  unionOf,
  edgesOver,
  worstEdge,
} from './geometry.ts';
export type { EdgeName } from './geometry.ts';
export { firstFrom } from './sorted.ts';
export { EffortSpent } from './effort.ts';
export { RectGrid } from './rect-grid.ts';
