import type { Matrix } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Picture } from '../picture/index.ts';
import { mapCorners, square, type Corners, type Fill, type Rgba, type Stroke } from '../theme/index.ts';

/** One step of a path: M x y, L x y, Q x1 y1 x y, C x1 y1 x2 y2 x y, or Z. */
export interface PathStep {
  readonly type: 'M' | 'L' | 'Q' | 'C' | 'Z';
  readonly values: readonly number[];
}

/** A text as words, for painters that write text as text: where each line of one font starts, in device px. */
export interface Words {
  readonly text: string;
  readonly x: number;
  readonly baseline: number;
  readonly width: number;
  readonly size: number;
  readonly font: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly rightToLeft: boolean;
}

/** Glyphs of one face on one line, at their place. */
export interface GlyphRun {
  readonly face: GlyphSource;
  /** Device px one font unit is. */
  readonly size: number;
  /** Where the line starts and its baseline is, in device px. */
  readonly x: number;
  readonly baseline: number;
  /** Device px one u of the places of glyphs is. */
  readonly scale: number;
  /** With their places from there, in u, y upwards. */
  readonly glyphs: readonly { readonly id: number; readonly x: number; readonly y: number }[];
}

/** What gives the outline of a glyph, by its id, in font units with y upwards. */
export interface GlyphSource {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly unitsPerEm: number;
  outline(
    glyph: number,
  ): readonly { readonly type: 'M' | 'L' | 'Q' | 'C' | 'Z'; readonly values: readonly number[] }[];
  /** The rectangle around an outline; undefined where there is none. */
  box(
    glyph: number,
  ):
    | { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number }
    | undefined;
}

/** What throws a shadow. */
export type Shape =
  | {
      readonly type: 'glyphs';
      readonly runs: readonly GlyphRun[];
      readonly right: number;
      readonly down: number;
    }
  | { readonly type: 'box'; readonly rect: Rect; readonly radius: Corners }
  | { readonly type: 'path'; readonly steps: readonly PathStep[] };

/** Drawing operations in order, in device px. Each names its widget; -1 is none. */
export type DrawOperation =
  | {
      readonly type: 'box';
      readonly widget: number;
      readonly rect: Rect;
      readonly radius: Corners;
      readonly fill: Fill | undefined;
      /** Drawn inside the rectangle. */
      readonly border: { readonly width: number; readonly color: Rgba; readonly dash?: number } | undefined;
      readonly opacity: number;
    }
  | {
      readonly type: 'picture';
      readonly widget: number;
      readonly rect: Rect;
      /** The part of the picture that is drawn, in px of its natural size; all of it where it is left out. */
      readonly from?: Rect;
      readonly picture: Picture;
      readonly opacity: number;
      /** Pixels stay sharp. */
      readonly pixelated?: boolean;
      /** What its colours are multiplied by. */
      readonly tint?: Rgba;
    }
  | {
      readonly type: 'path';
      readonly widget: number;
      readonly steps: readonly PathStep[];
      readonly color: Rgba;
      readonly opacity: number;
      /** Drawn under it, as wide on the outside of its edges. */
      readonly outline?: Stroke;
    }
  /** Letters of one colour, filled together by the nonzero rule. */
  | {
      readonly type: 'glyphs';
      readonly widget: number;
      readonly runs: readonly GlyphRun[];
      readonly color: Rgba;
      readonly opacity: number;
      /** Drawn under them, as wide on the outside of their edges. */
      readonly outline?: Stroke;
      /** The same as words, for painters that write text as text. */
      readonly words: readonly Words[];
    }
  /** A shape blurred; half the blur is the deviation (CSS Backgrounds 3 §6.1.1). */
  | {
      readonly type: 'shadow';
      readonly widget: number;
      readonly shape: Shape;
      readonly blur: number;
      readonly color: Rgba;
      readonly opacity: number;
      /** The box that throws it, inside of which it is not drawn. */
      readonly without?: { readonly rect: Rect; readonly radius: Corners };
    }
  /** What the game itself draws in a widget, within the clip around it. */
  | {
      readonly type: 'game';
      readonly widget: number;
      readonly id: string;
      readonly rect: Rect;
      readonly opacity: number;
    }
  | { readonly type: 'clip'; readonly rect: Rect; readonly radius: Corners }
  /** A matrix as CSS writes it, for all that follows up to its restore: x' = a·x + c·y + e, y' = b·x + d·y + f. */
  | { readonly type: 'turn'; readonly matrix: Matrix }
  /** All that follows up to its restore, drawn by itself and then laid over what was there with one opacity (CSS Color 4 §4.2). */
  | { readonly type: 'group'; readonly widget: number; readonly opacity: number }
  /** Ends the last clip, turn or group. */
  | { readonly type: 'restore' };

/** A box of one colour and nothing else. */
export function plainBox(widget: number, rect: Rect, color: Rgba, radius: Corners = square): DrawOperation {
  return { type: 'box', widget, rect, radius, fill: { type: 'color', color }, border: undefined, opacity: 1 };
}

/** The middle of the line of a border, which lies inside its box; undefined where the box has no room for one. */
export function borderLine(
  { x, y, width, height }: Rect,
  radius: Corners,
  border: number,
): { readonly rect: Rect; readonly radius: Corners } | undefined {
  const half = border / 2;
  const rect = { x: x + half, y: y + half, width: width - border, height: height - border };
  if (!(rect.width > 0 && rect.height > 0)) return undefined;
  return { rect, radius: mapCorners(radius, (one) => Math.max(0, one - half)) };
}

/** A whole drawing. */
export interface DrawList {
  /** Device px. */
  readonly width: number;
  readonly height: number;
  readonly title: string;
  readonly operations: readonly DrawOperation[];
}

/** One kind of operation. */
export type OperationOf<Type extends DrawOperation['type']> = Extract<DrawOperation, { type: Type }>;

/** Something that draws: one small function for each operation. */
export interface Painter {
  box(operation: OperationOf<'box'>): void;
  picture(operation: OperationOf<'picture'>): void;
  path(operation: OperationOf<'path'>): void;
  glyphs(operation: OperationOf<'glyphs'>): void;
  shadow(operation: OperationOf<'shadow'>): void;
  game(operation: OperationOf<'game'>): void;
  clip(operation: OperationOf<'clip'>): void;
  turn(operation: OperationOf<'turn'>): void;
  group(operation: OperationOf<'group'>): void;
  restore(): void;
}

/** Draws a list with a painter. */
export function paint(list: DrawList, painter: Painter): void {
  for (const operation of list.operations) paintOne(operation, painter);
}

/** Draws one operation. */
export function paintOne(operation: DrawOperation, painter: Painter): void {
  switch (operation.type) {
    case 'box':
      painter.box(operation);
      break;
    case 'picture':
      painter.picture(operation);
      break;
    case 'path':
      painter.path(operation);
      break;
    case 'glyphs':
      painter.glyphs(operation);
      break;
    case 'shadow':
      painter.shadow(operation);
      break;
    case 'game':
      painter.game(operation);
      break;
    case 'clip':
      painter.clip(operation);
      break;
    case 'turn':
      painter.turn(operation);
      break;
    case 'group':
      painter.group(operation);
      break;
    case 'restore':
      painter.restore();
      break;
  }
}
