import { plainBox, plainLine, type DrawList, type DrawOperation, type PathStep } from '../../paint/index.ts';
import { depthIn, type Polygon, type ViewProof } from '../../proof/index.ts';
import { screens } from '../../screen/index.ts';
import type { FontBook } from '../../text/index.ts';
import { evenCorners, type Rgba } from '../../theme/index.ts';
import { beyond, good, grid, grouped, ink, kinds, open, paper, quiet, wrapped, type Group } from './drawn.ts';
import { Plot, type PlotBox } from './plot.ts';
import { aspectText, shareText, verdictText } from './told.ts';

/* The map of a proof: every size of screen there is, where the view holds, and where what fails. */

const [wide, high] = [1280, 800];
/** Where the plane stands in the drawing, in px of it. */
export const frame = { x: 84, y: 132, width: 700, height: 590 };
const legend = { x: 816, width: 432 };

/** Aspects that have a line. */
const lines = [9 / 16, 1, 4 / 3, 16 / 9, 21 / 9, 32 / 9];

/** Where the plane of sizes stands in the map of a proof, and what turns a place in it into a size. */
export function proofPlot(proof: Pick<ViewProof, 'region'>): {
  readonly frame: PlotBox;
  readonly scales: Plot['scales'];
} {
  return { frame, scales: new Plot(proof.region, frame).scales };
}

/** Draws the map of one view, 1280 × 800 px. */
export function proofMap(proof: ViewProof, fonts: FontBook): DrawList {
  const operations: DrawOperation[] = [plainBox(-1, { x: 0, y: 0, width: wide, height: high }, paper)];
  const plot = new Plot(proof.region, frame);
  const say = (text: string, x: number, baseline: number, size: number, color = ink, weight = 400) => {
    const line = plainLine(text, fonts, { size, weight });
    operations.push(line.drawn(x, baseline, color));
    return line.width;
  };
  const fill = (
    steps: readonly PathStep[],
    color: Rgba,
    outline?: { readonly width: number; readonly color: Rgba },
  ) => operations.push({ type: 'path', widget: -1, steps, color, opacity: 1, ...(outline && { outline }) });
  say(`Where ${proof.view} holds`, frame.x, 52, 30, ink, 700);
  wrapped(verdictText(proof), wide - frame.x - 40, 17, fonts).forEach((line, nth) =>
    say(line, frame.x, 80 + nth * 22, 17, quiet),
  );
  operations.push(plainBox(-1, frame, beyond));
  fill(plot.outline(proof.region), good);
  for (const { polygon } of proof.gaps) fill(plot.outline(polygon), open);
  const groups = grouped(proof.failures);
  // The largest lies lowest.
  groups.forEach(({ parts }, nth) => {
    const { color, way, pitch } = kinds[nth % kinds.length]!;
    // A hair wider than it is, so that no seam shows between two parts.
    for (const part of parts) fill(plot.outline(part), color, { width: 0.4, color });
    fill(plot.stripes(parts, way, pitch, 2), { ...paper, a: 0.55 });
  });
  // What lies under another shows through it as stripes of its own colour.
  groups.forEach(({ parts }, nth) => {
    const above = groups.slice(nth + 1).flatMap((one) => one.parts);
    const { color, way, pitch } = kinds[nth % kinds.length]!;
    if (above.length > 0) fill(plot.stripes(parts, way, 2 * pitch, 3, above), color);
  });
  drawLines(plot, proof.region, operations, say);
  drawScreens(plot, proof, operations);
  drawScales(plot, operations, say);
  drawLegend(proof, groups, fonts, operations, say);
  return { width: wide, height: high, title: `Where ${proof.view} holds`, operations };
}

type Say = (text: string, x: number, baseline: number, size: number, color?: Rgba, weight?: number) => number;

function drawLines(plot: Plot, region: Polygon, operations: DrawOperation[], say: Say): void {
  const { x, y, width, height } = plot.box;
  for (const aspect of lines) {
    const inside: { x: number; y: number }[] = [];
    for (let down = 0; down <= height; down += 1) {
      const screen = plot.screenAt({ x, y: y + down });
      const place = plot.at({ x: screen.y * aspect, y: screen.y });
      if (place.x < x || place.x > x + width || depthIn(region, { x: screen.y * aspect, y: screen.y }) < 0)
        continue;
      inside.push(place);
    }
    const [first, last] = [inside[0], inside.at(-1)];
    if (!first || !last || last.y - first.y < 60) continue;
    operations.push({
      type: 'path',
      widget: -1,
      steps: thinLine(first, last, 1.2),
      color: { ...ink, a: 0.5 },
      opacity: 1,
    });
    const isRight = last.x > x + width - 2;
    say(
      aspectText(aspect),
      isRight ? x + width - 44 : last.x - 14,
      isRight ? last.y - 6 : y + height - 8,
      13,
      ink,
      700,
    );
  }
}

function thinLine(
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
  thick: number,
): readonly PathStep[] {
  const long = Math.hypot(to.x - from.x, to.y - from.y);
  const [dx, dy] = [((to.y - from.y) / long) * (thick / 2), (-(to.x - from.x) / long) * (thick / 2)];
  return [
    { type: 'M', values: [from.x - dx, from.y - dy] },
    { type: 'L', values: [to.x - dx, to.y - dy] },
    { type: 'L', values: [to.x + dx, to.y + dy] },
    { type: 'L', values: [from.x + dx, from.y + dy] },
    { type: 'Z', values: [] },
  ];
}

/** The screens of the catalogue, as dots. */
function drawScreens(plot: Plot, { region }: ViewProof, operations: DrawOperation[]): void {
  const known = new Set<string>();
  for (const { width, height } of screens) {
    const key = `${width} ${height}`;
    if (known.has(key) || depthIn(region, { x: width, y: height }) < 0) continue;
    known.add(key);
    const { x, y } = plot.at({ x: width, y: height });
    operations.push(plainBox(-1, { x: x - 5, y: y - 5, width: 10, height: 10 }, paper, evenCorners(5)));
    operations.push(plainBox(-1, { x: x - 3.5, y: y - 3.5, width: 7, height: 7 }, ink, evenCorners(3.5)));
  }
}

/** Round sizes along both sides. */
function drawScales(plot: Plot, operations: DrawOperation[], say: Say): void {
  const { x, y, width, height } = plot.box;
  const round = [320, 480, 640, 800, 1280, 1920, 2560, 3840, 5120, 7680];
  const down = [240, 360, 540, 720, 1080, 1440, 2160, 2880, 4320];
  for (const size of round) {
    const at = plot.at({ x: size, y: 1 }).x;
    if (at < x - 1 || at > x + width + 1) continue;
    operations.push(plainBox(-1, { x: at - 0.5, y, width: 1, height }, grid));
    say(String(size), at - 14, y - 8, 13, quiet);
  }
  for (const size of down) {
    const at = plot.at({ x: 1, y: size }).y;
    if (at < y - 1 || at > y + height + 1) continue;
    operations.push(plainBox(-1, { x, y: at - 0.5, width, height: 1 }, grid));
    say(String(size), x - 42, at + 5, 13, quiet);
  }
  say(
    'Width of the screen to the right, height down, in px. Every straight line down to the right is one aspect.',
    x,
    y + height + 28,
    14,
    quiet,
  );
}

function drawLegend(
  proof: ViewProof,
  groups: readonly Group[],
  fonts: FontBook,
  operations: DrawOperation[],
  say: Say,
): void {
  let top = frame.y;
  const swatch = (color: Rgba, way: -1 | 0 | 1 | undefined, pitch: number) => {
    const box = { x: legend.x, y: top, width: 44, height: 32 };
    operations.push(plainBox(-1, box, color));
    if (way === undefined) return;
    // The same stripes as on the map, in a plane of their own.
    const own = new Plot(square, box);
    operations.push({
      type: 'path',
      widget: -1,
      steps: own.stripes([square], way, pitch, 2),
      color: { ...paper, a: 0.55 },
      opacity: 1,
    });
  };
  const entry = (says: string, detail: string) => {
    const text = wrapped(says, legend.width - 60, 15, fonts).slice(0, 2);
    text.forEach((line, nth) => say(line, legend.x + 58, top + 13 + nth * 19, 15, ink, 700));
    say(detail, legend.x + 58, top + 13 + text.length * 19, 13, quiet);
    top += 19 * text.length + 36;
  };
  const holds = Math.max(0, 1 - proof.failing - proof.unproved);
  if (holds > 1e-6) {
    swatch(good, undefined, 0);
    entry('holds', `${shareText(holds)} of the sizes`);
  }
  groups.forEach(({ says, detail }, nth) => {
    const { color, way, pitch } = kinds[nth % kinds.length]!;
    swatch(color, way, pitch);
    entry(says, detail);
  });
  if (proof.unproved > 0) {
    swatch(open, undefined, 0);
    entry('not proved', `${shareText(proof.unproved)} of the sizes`);
  }
  operations.push(plainBox(-1, { x: legend.x + 17, y: top + 3, width: 10, height: 10 }, ink, evenCorners(5)));
  say('a screen of the catalogue', legend.x + 58, top + 13, 13, quiet);
}

/** A plane of two doublings each way. */
const square: Polygon = [
  { x: 1, y: 1 },
  { x: 4, y: 1 },
  { x: 4, y: 4 },
  { x: 1, y: 4 },
];
