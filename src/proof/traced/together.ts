import type { Box } from '../cell-scenes.ts';
import type { Affine } from '../polygon.ts';

/** Whoever wants to know by how much numbers are above others: sizes of a cell, or a list. */
export interface Further {
  /** One number is more than so many px above another. */
  further(one: Affine, other: Affine, limit: number): unknown;
  /** Whether nothing that follows counts. */
  readonly isOver: boolean;
}

/** All of these boxes have something in common that is wider and higher than a limit, in px: what is seen of a widget is that. */
export function common(tell: Further, boxes: readonly Box[], limit: number): void {
  for (const one of boxes)
    for (const other of boxes) {
      if (tell.isOver) return;
      tell.further(one.right, other.left, limit);
      tell.further(one.bottom, other.top, limit);
    }
}

/** What both have in common is wider and higher than a limit, in px. The first boxes of both come first. */
export function shared(tell: Further, one: readonly Box[], other: readonly Box[], limit: number): void {
  for (const first of one)
    for (const second of other) {
      if (tell.isOver) return;
      tell.further(first.right, second.left, limit);
      tell.further(second.right, first.left, limit);
      tell.further(first.bottom, second.top, limit);
      tell.further(second.bottom, first.top, limit);
    }
  common(tell, one, limit);
  common(tell, other, limit);
}
