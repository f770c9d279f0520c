/* A number of a layout in; the reasons it has out, back to what was written. */
export { demandsOf, gaveWay } from './gave-way.ts';
export type { Demand } from './gave-way.ts';
export type { GaveWay } from './gave-way.ts';
export { whyLook } from './look.ts';
export type { LookReason } from './look.ts';
export { keyPointer, shown } from './reason.ts';
export type { Axis, Reason } from './reason.ts';
export { whyEdge, whySize, whyWidget } from './why.ts';
