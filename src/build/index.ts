export { buildTree } from './tree.ts';
export type { Tree, Variant, Widget } from './tree.ts';
export { checkMessages } from './check.ts';
export type { AxisBox, Box, Measure, SizeMode } from './box.ts';
