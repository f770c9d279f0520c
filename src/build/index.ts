export { buildTree, meterValue, wordsOf } from './tree.ts';
export { mirrored } from './box.ts';
export { BuildError } from './scope.ts';
export { holds, readCondition } from './conditions.ts';
export type { ReadCondition, Situation } from './conditions.ts';
export type { Tree, Variant, Widget } from './tree.ts';
export { checkMessages } from './check.ts';
export type { AxisBox, Box, Measure, SizeMode } from './box.ts';
