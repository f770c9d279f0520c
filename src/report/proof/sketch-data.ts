import type { Polygon, SketchCell, SketchShape } from '../../proof/index.ts';
import { hexOf, type Fill } from '../../theme/index.ts';

type SketchLine = SketchShape['lines'][number];
type Affine = SketchLine['x'];

/**
 * A sketch as a page takes it. Most numbers and most shapes are the same in many cells: each stands there once, and goes by its place.
 */
export interface SketchData {
  /** Three in a row are one number: so much times the width, so much times the height, and so many px. */
  readonly numbers: readonly number[];
  readonly shapes: readonly ShapeData[];
  /** A polygon, and the shapes in the order they are drawn in. */
  readonly cells: readonly (readonly [
    part: readonly (readonly [number, number])[],
    shapes: readonly number[],
  ])[];
}

/** Places of numbers: left, top, right, bottom. */
type Edges = readonly [number, number, number, number];

/** a, b, c and d of a matrix, and the places of e and f. */
type TurnData = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

interface ShapeData {
  readonly widget: string;
  readonly box: Edges;
  readonly turn?: TurnData;
  readonly clips: readonly (readonly [edges: Edges, turn?: TurnData])[];
  readonly opacity: number;
  readonly fill?: string | LinearData | RadialData;
  readonly border?: readonly [color: string, width: number];
  readonly picture?: true;
  readonly lines: readonly (readonly [text: string, color: string, ...at: readonly number[]])[];
}

type Stops = readonly (readonly [at: number, color: string])[];

interface LinearData {
  readonly angle: number;
  readonly stops: Stops;
}

interface RadialData {
  readonly shape: 'circle' | 'ellipse';
  readonly size: string | readonly [number, number];
  readonly at: readonly [number, number];
  readonly stops: Stops;
}

export function sketchData(cells: readonly SketchCell[]): SketchData {
  const numbers: number[] = [];
  const knownNumbers = new Map<string, number>();
  const shapes: ShapeData[] = [];
  const knownShapes = new Map<string, number>();
  const number = ({ x, y, c }: Affine): number => {
    // On the largest screens a tenth of a px, and no more digits than that takes.
    const short = [rounded(x, 1e6), rounded(y, 1e6), rounded(c, 1e2)];
    const key = short.join(' ');
    let at = knownNumbers.get(key);
    if (at === undefined) {
      knownNumbers.set(key, (at = numbers.length / 3));
      numbers.push(...short);
    }
    return at;
  };
  const edges = ({ left, top, right, bottom }: SketchShape['box']): Edges => [
    number(left),
    number(top),
    number(right),
    number(bottom),
  ];
  const turned = ({ a, b, c, d, e, f }: NonNullable<SketchShape['turn']>): TurnData => {
    const [right, lean, back, down] = [a, b, c, d].map((one) => rounded(one, 1e6)) as [
      number,
      number,
      number,
      number,
    ];
    return [right, lean, back, down, number(e), number(f)];
  };
  const shape = ({
    widget,
    box,
    turn,
    clips,
    opacity,
    background,
    border,
    isPicture,
    lines,
  }: SketchShape): number => {
    const data: ShapeData = {
      widget,
      box: edges(box),
      ...(turn && { turn: turned(turn) }),
      clips: clips.map((clip) => (clip.turn ? [edges(clip.box), turned(clip.turn)] : [edges(clip.box)])),
      opacity: rounded(opacity, 1e3),
      ...(background && { fill: fillOf(background) }),
      ...(border && { border: [hexOf(border.color), number(border.width)] as const }),
      ...(isPicture && { picture: true as const }),
      lines: lines.map(({ text, color, x, baseline, width, size }) => [
        text,
        hexOf(color),
        ...[x, baseline, width, size].map(number),
      ]),
    };
    const key = JSON.stringify(data);
    let at = knownShapes.get(key);
    if (at === undefined) {
      knownShapes.set(key, (at = shapes.length));
      shapes.push(data);
    }
    return at;
  };
  const drawn = cells.map(({ polygon, shapes: all }) => [points(polygon), all.map(shape)] as const);
  return { numbers, shapes, cells: drawn };
}

function fillOf(fill: Fill): NonNullable<ShapeData['fill']> {
  if (fill.type === 'color') return hexOf(fill.color);
  const stops = fill.stops.map(({ at, color }) => [rounded(at, 1e4), hexOf(color)] as const);
  if (fill.type === 'linear') return { angle: fill.angle, stops };
  const { shape, size, at } = fill;
  return { shape, size: typeof size === 'string' ? size : [size.x, size.y], at: [at.x, at.y], stops };
}

/** The corners of a polygon, to a hundredth of a px. */
export function points(polygon: Polygon): readonly (readonly [number, number])[] {
  return polygon.map(({ x, y }) => [rounded(x, 1e2), rounded(y, 1e2)]);
}

function rounded(value: number, by: number): number {
  // No −0: it would be another number.
  return Math.round(value * by) / by + 0;
}

/** Draws a sketch on a canvas at a size; gives whether it has one there. For the script of a page. */
export const sketchScript = `
const drawSketch = ({ ground, numbers, shapes, cells }, canvas, width, height, marked) => {
  const cell = cells.find(([part]) => isIn(part, width, height));
  if (!cell) return false;
  const value = (at) => numbers[3 * at] * width + numbers[3 * at + 1] * height + numbers[3 * at + 2];
  canvas.parentElement.hidden = false;
  const across = Math.max(1, Math.round(canvas.clientWidth * devicePixelRatio)), unit = across / width;
  canvas.width = across;
  canvas.height = Math.max(1, Math.round(height * unit));
  const on = canvas.getContext('2d');
  on.fillStyle = ground;
  on.fillRect(0, 0, canvas.width, canvas.height);
  on.scale(unit, unit);
  const rectOf = (edges) => { const [left, top, right, bottom] = edges.map(value); return [left, top, right - left, bottom - top]; };
  const stopped = (gradient, stops) => {
    for (const [at, color] of stops) gradient.addColorStop(Math.min(1, Math.max(0, at)), color);
    return gradient;
  };
  /* CSS Images 3, 3.2.1; an ellipse as the circle in its middle that is as large. */
  const radial = ({ shape, size, at, stops }, [x, y, w, h]) => {
    const pick = String(size).startsWith('closest') ? Math.min : Math.max;
    const cx = at[0] * w, cy = at[1] * h, sx = pick(Math.abs(cx), Math.abs(w - cx)), sy = pick(Math.abs(cy), Math.abs(h - cy));
    const isSide = String(size).endsWith('side');
    const circle = isSide ? pick(sx, sy) : Math.hypot(sx, sy);
    const ellipse = (isSide ? 1 : Math.SQRT2) * Math.sqrt(sx * sy);
    const r = Array.isArray(size) ? Math.sqrt(size[0] * w * size[1] * h) : shape === 'circle' ? circle : ellipse;
    return stopped(on.createRadialGradient(x + cx, y + cy, 0, x + cx, y + cy, Math.max(r, 1e-3)), stops);
  };
  const fillOf = (fill, [x, y, w, h]) => {
    if (typeof fill === 'string') return fill;
    if (fill.at) return radial(fill, [x, y, w, h]);
    const turn = (fill.angle * Math.PI) / 180, dx = Math.sin(turn), dy = -Math.cos(turn);
    const long = (Math.abs(w * dx) + Math.abs(h * dy)) / 2, mx = x + w / 2, my = y + h / 2;
    const gradient = on.createLinearGradient(mx - dx * long, my - dy * long, mx + dx * long, my + dy * long);
    return stopped(gradient, fill.stops);
  };
  const turnBy = (turn) => { if (turn) on.transform(...turn.slice(0, 4), value(turn[4]), value(turn[5])); };
  for (const nth of cell[1]) {
    const { box, turn, clips, opacity, fill, border, picture, lines } = shapes[nth];
    const rect = rectOf(box);
    on.save();
    const upright = on.getTransform();
    for (const [edges, askew] of clips) { turnBy(askew); on.beginPath(); on.rect(...rectOf(edges)); on.clip(); on.setTransform(upright); }
    turnBy(turn);
    on.globalAlpha = opacity;
    if (fill) { on.fillStyle = fillOf(fill, rect); on.fillRect(...rect); }
    if (picture) {
      on.fillStyle = '#8fa3ad55'; on.fillRect(...rect);
      on.strokeStyle = '#c9d6dc88'; on.lineWidth = 1 / unit;
      on.beginPath(); on.moveTo(rect[0], rect[1]); on.lineTo(rect[0] + rect[2], rect[1] + rect[3]); on.moveTo(rect[0] + rect[2], rect[1]); on.lineTo(rect[0], rect[1] + rect[3]); on.stroke();
    }
    if (border) {
      const thick = value(border[1]);
      on.strokeStyle = border[0]; on.lineWidth = thick;
      on.strokeRect(rect[0] + thick / 2, rect[1] + thick / 2, rect[2] - thick, rect[3] - thick);
    }
    for (const [text, color, x, baseline, long, size] of lines) {
      on.fillStyle = color;
      on.font = value(size) + 'px system-ui, sans-serif';
      on.fillText(text, value(x), value(baseline), Math.max(1, value(long)));
    }
    on.restore();
  }
  for (const nth of cell[1]) if (marked.has(shapes[nth].widget)) {
    const rect = rectOf(shapes[nth].box);
    on.save();
    turnBy(shapes[nth].turn);
    for (const [color, thick] of [['#000', 5], ['#ff4d5e', 3]]) { on.strokeStyle = color; on.lineWidth = thick / unit; on.strokeRect(...rect); }
    on.restore();
  }
  return true;
};
`;
