export { gaveWay } from './gave-way.ts';
export type { GaveWay } from './gave-way.ts';
export { shown, whyEdge, whySize, whyWidget } from './why.ts';
export type { Axis, Reason } from './why.ts';
