export { shown, whyEdge, whySize } from './why.ts';
export type { Axis, Reason } from './why.ts';
