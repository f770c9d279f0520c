/* A draw list and an element of a page in; boxes, texts and pictures as elements of the page out. */
export { DomPainter } from './dom-painter.ts';
export type { DomPainterOptions } from './dom-painter.ts';
export { addFonts } from './page-fonts.ts';
