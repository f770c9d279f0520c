export { paintOnCanvas } from './canvas.ts';
export type { CanvasContext } from './canvas.ts';
export { paint } from './draw-list.ts';
export type { DrawList, DrawOperation, Painter, PathStep } from './draw-list.ts';
export { drawLayout } from './draw.ts';
export type { DrawOptions } from './draw.ts';
export { withOverlay } from './overlay.ts';
export type { Overlay } from './overlay.ts';
export { toSvg } from './svg.ts';
