/* A document, a kind of device and a range of sizes in; on which of all those sizes each view holds out, and where it does not. */
export type { Border } from './borders.ts';
export { compareProofs, partsOf, sizesOf } from './compare-proofs.ts';
export type { ProofChange, ProvedSizes } from './compare-proofs.ts';
export { aspectsOf, heldAspects, holdsBetween } from './holding.ts';
export type { Aspects, Between } from './holding.ts';
export { checksOnGlass } from './hud-sizes.ts';
export type { HudFailure, HudProof, HudRange } from './hud-sizes.ts';
export { boundsOf, contains, depthIn, distinct, unionArea } from './polygon.ts';
export type { Point, Polygon } from './polygon.ts';
export { desktop, everySize, provedChecks, proveView, regionOf, screenOf } from './prove.ts';
export type { Device, Gap, Proof, ProvedFinding, Region } from './prove.ts';
export { apartBySupport, proveDocument, supportedOf } from './prove-document.ts';
export type { Failure, ProveOptions, ViewProof } from './prove-document.ts';
export { sketchView } from './sketch.ts';
export type { SketchCell, SketchShape } from './sketch.ts';
