/* A draw list in; containers, sprites and shapes of PixiJS 8 out. */
export { PixiPainter } from './pixi-painter.ts';
export type { PixiPainterOptions } from './pixi-painter.ts';
