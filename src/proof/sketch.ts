import { Subjects, type Subject } from '../checks/index.ts';
import { placeText } from '../inside/index.ts';
import { across, pointIn } from '../scene/index.ts';
import type { TextLine } from '../text/index.ts';
import type { Fill, Rgba } from '../theme/index.ts';
import type { View } from '../view/index.ts';
import { CellScenes, type Box } from './cell-scenes.ts';
import { explore, type Cell } from './cells.ts';
import type { Affine, Polygon } from './polygon.ts';
import { regionOf, screensOf, type Device, type Region } from './region.ts';

/*
 * A view as boxes and words on every size of a region: in each cell every edge is an affine function of the size, so that a page
 * without a layout engine can draw it on any of them (docs/proof.md).
 */

/** A line of words: where its baseline starts, how long it is and its font size, in px. */
interface SketchLine {
  readonly text: string;
  readonly color: Rgba;
  readonly x: Affine;
  readonly baseline: Affine;
  readonly width: Affine;
  readonly size: Affine;
}

/** What turns something on its way to the screen (CSS Transforms 1): how does not follow from the size, only where to. */
export interface SketchTurn {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: Affine;
  readonly f: Affine;
}

/** A rectangle, and what turns it; undefined where nothing does. */
export interface TurnedBox {
  readonly box: Box;
  readonly turn: SketchTurn | undefined;
}

/** One widget that draws something. */
export interface SketchShape extends TurnedBox {
  readonly widget: string;
  /** What cuts it off: it is seen where it and all of these are. */
  readonly clips: readonly TurnedBox[];
  readonly opacity: number;
  readonly background: Fill | undefined;
  readonly border: { readonly color: Rgba; readonly width: Affine } | undefined;
  /** Whether it shows a picture. */
  readonly isPicture: boolean;
  readonly lines: readonly SketchLine[];
}

/** Sizes on which the same shapes are drawn, in this order. */
export interface SketchCell {
  readonly polygon: Polygon;
  readonly shapes: readonly SketchShape[];
}

/** Cells of a sketch, at the most: beyond, it has no drawing. */
const mostCells = 600;

/**
 * Sketches a view on every size of a region, in the order in which a painter draws it. Sizes on which lengths are curves have none.
 * @throws RangeError for a region without area.
 */
export function sketchView(view: View, device: Device, region: Region): readonly SketchCell[] {
  const corners = regionOf(region);
  const screenAt = screensOf(device);
  const recorded = view.withOwnPlans();
  const subjects = new Subjects(view);
  const found: SketchCell[] = [];
  const take = (cell: Cell) => {
    const scenes = new CellScenes(cell, recorded, subjects, screenAt);
    const { painted, places } = scenes.form;
    const order = painted.toSorted((a, b) => places[a]! - places[b]!);
    found.push({ polygon: cell.polygon, shapes: order.map((widget) => shapeOf(scenes, widget)) });
    return true;
  };
  // Whoever points at a map points between whole px.
  explore(recorded, screenAt, corners, take, { mostCells, betweenPixels: true });
  return found;
}

function shapeOf(scenes: CellScenes, index: number): SketchShape {
  const { form, middle } = scenes;
  const { id, look, picture, text } = middle.widgets[index]!;
  const border =
    look.borderColor && look.borderWidth > 0
      ? {
          color: look.borderColor,
          width: scenes.number(({ layout }) => look.borderWidth * layout.scale(index)),
        }
      : undefined;
  return {
    widget: id,
    box:
      look.background || border || picture
        ? scenes.border(index)
        : scenes.box((subject) => subject.uprightRect(index)),
    turn: turnOf(scenes, index),
    clips: (form.anyClips ? middle.clippers(index) : []).map((by) => ({
      box: scenes.border(by),
      turn: turnOf(scenes, by),
    })),
    opacity: form.opacity[index]!,
    background: look.background,
    border,
    isPicture: picture !== undefined,
    lines: text ? linesOf(scenes, index) : [],
  };
}

function turnOf(scenes: CellScenes, index: number): SketchTurn | undefined {
  const to = across(scenes.middle, index, 0);
  if (!to) return undefined;
  const [[fromX, fromY], [rightX, rightY], [downX, downY]] = [to(0, 0), to(1, 0), to(0, 1)];
  const start = (axis: 0 | 1) => scenes.number((subject) => pointIn(across(subject, index, 0), 0, 0)[axis]);
  return {
    a: rightX - fromX,
    b: rightY - fromY,
    c: downX - fromX,
    d: downY - fromY,
    e: start(0),
    f: start(1),
  };
}

/** The lines of a text; on every screen of a cell they end in the same places. */
function linesOf(scenes: CellScenes, index: number): readonly SketchLine[] {
  const { look, text } = scenes.middle.widgets[index]!;
  const known = new Map<Subject, readonly Line[]>();
  const linesOn = (subject: Subject) => {
    let lines = known.get(subject);
    if (!lines) known.set(subject, (lines = placedOn(subject, index)));
    return lines;
  };
  return linesOn(scenes.middle).flatMap(({ line }, nth): SketchLine[] => {
    if (line.text === '') return [];
    const read = (of: (line: Line) => number) =>
      // Where a cell is curved there may be fewer.
      scenes.number((subject) => of(linesOn(subject)[nth] ?? linesOn(subject).at(-1)!));
    return [
      {
        text: line.text,
        color: look.color,
        x: read(({ x }) => x),
        baseline: read(({ baseline }) => baseline),
        width: read((one) => one.line.width * one.unit),
        size: read(({ unit }) => text!.setting.fontSize * unit),
      },
    ];
  });
}

/** The lines of a widget on a screen. */
function placedOn({ widgets, layout }: Subject, index: number): readonly Line[] {
  const { lines, unit } = placeText(widgets[index]!, layout);
  const { originX, originY, scale } = layout.frame;
  return lines.map(({ line, x, baseline }) => ({
    line,
    x: originX + x * scale,
    baseline: originY + baseline * scale,
    unit: unit * scale,
  }));
}

/** A line on one screen, in px. */
interface Line {
  readonly line: TextLine;
  readonly x: number;
  readonly baseline: number;
  /** Of one u of it. */
  readonly unit: number;
}
