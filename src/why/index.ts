export { shown, whyEdge, whySize, whyWidget } from './why.ts';
export type { Axis, Reason } from './why.ts';
