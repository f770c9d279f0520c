/* A layout in; a draw list out, and from that SVG or strokes on a canvas. */
export { toBase64 } from './base64.ts';
export { paintOnCanvas, repaintOnCanvas } from './canvas.ts';
export type { CanvasContext, PaintGame } from './canvas.ts';
export { borderLine, paint, plainBox } from './draw-list.ts';
export { drawnAlone } from './alone.ts';
export { onPixels } from './areas.ts';
export type {
  DrawList,
  DrawOperation,
  GlyphRun,
  GlyphSource,
  OperationOf,
  Painter,
  PathStep,
  Words,
} from './draw-list.ts';
export { drawLayout } from './draw.ts';
export type { DrawOptions } from './draw.ts';
export { LiveDrawing } from './live-drawing.ts';
export type { Followed, KeptDrawing } from './live-drawing.ts';
export type { FollowedNode } from './drawn-entry.ts';
export { withOverlay } from './overlay.ts';
export type { Overlay } from './overlay.ts';
export { toSvg } from './svg.ts';
export type { SvgOptions } from './svg.ts';
export { CanvasCache } from './canvas-cache.ts';
export type { KeptPath, MakeCanvas, TintContext } from './canvas-cache.ts';
export { outlinesOf, withPaths } from './glyphs.ts';
export type { PathSink } from './glyphs.ts';
export { escapeXml } from './xml.ts';
export { plainLine } from './text-line.ts';
