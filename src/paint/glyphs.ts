import type { DrawList, DrawOperation, GlyphRun, PathStep, Shape } from './draw-list.ts';

/** Where the steps of a path go; a canvas and a path of one both are such. */
export interface PathSink {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  quadraticCurveTo(x1: number, y1: number, x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  closePath(): void;
}

/** Traces the outlines of glyphs, moved by so many device px. */
export function traceGlyphs(runs: readonly GlyphRun[], sink: PathSink, right = 0, down = 0): void {
  for (const { face, size, x, baseline, scale, glyphs } of runs) {
    for (const glyph of glyphs) {
      const left = x + right + glyph.x * scale;
      const base = baseline + down - glyph.y * scale;
      for (const { type, values: v } of face.outline(glyph.id)) {
        if (type === 'M') sink.moveTo(left + v[0]! * size, base - v[1]! * size);
        else if (type === 'L') sink.lineTo(left + v[0]! * size, base - v[1]! * size);
        else if (type === 'Q')
          sink.quadraticCurveTo(
            left + v[0]! * size,
            base - v[1]! * size,
            left + v[2]! * size,
            base - v[3]! * size,
          );
        else if (type === 'C')
          sink.bezierCurveTo(
            left + v[0]! * size,
            base - v[1]! * size,
            left + v[2]! * size,
            base - v[3]! * size,
            left + v[4]! * size,
            base - v[5]! * size,
          );
        else sink.closePath();
      }
    }
  }
}

/** The outlines of glyphs as steps, for painters that know no glyphs. */
export function outlinesOf(runs: readonly GlyphRun[], right = 0, down = 0): PathStep[] {
  const steps: PathStep[] = [];
  traceGlyphs(
    runs,
    {
      moveTo: (...values) => void steps.push({ type: 'M', values }),
      lineTo: (...values) => void steps.push({ type: 'L', values }),
      quadraticCurveTo: (...values) => void steps.push({ type: 'Q', values }),
      bezierCurveTo: (...values) => void steps.push({ type: 'C', values }),
      closePath: () => void steps.push({ type: 'Z', values: [] }),
    },
    right,
    down,
  );
  return steps;
}

/** Whether any of the glyphs draws something: spaces do not. */
export function drawsAny(runs: readonly GlyphRun[]): boolean {
  return runs.some(({ face, glyphs }) => glyphs.some(({ id }) => face.outline(id).length > 0));
}

/** A drawing in which glyphs are paths: it holds numbers alone, and can be sent anywhere. */
export function withPaths(list: DrawList): DrawList {
  return { ...list, operations: list.operations.map(asPath) };
}

function asPath(operation: DrawOperation): DrawOperation {
  if (operation.type === 'glyphs') {
    const { runs, words: _words, ...rest } = operation;
    return { ...rest, type: 'path', steps: outlinesOf(runs) };
  }
  if (operation.type !== 'shadow') return operation;
  return { ...operation, shape: shapeAsPath(operation.shape) };
}

/** A shape whose glyphs are a path. */
export function shapeAsPath(shape: Shape): Exclude<Shape, { type: 'glyphs' }> {
  if (shape.type !== 'glyphs') return shape;
  return { type: 'path', steps: outlinesOf(shape.runs, shape.right, shape.down) };
}
