export { buildTree, meterValue, textOf } from './tree.ts';
export { BuildError } from './scope.ts';
export { holds } from './conditions.ts';
export type { Situation } from './conditions.ts';
export type { Tree, Variant, Widget } from './tree.ts';
export { checkMessages } from './check.ts';
export type { AxisBox, Box, Measure, SizeMode } from './box.ts';
