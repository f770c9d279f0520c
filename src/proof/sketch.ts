import { Subject } from '../checks/index.ts';
import { placeText } from '../inside/index.ts';
import { FormScene } from '../scene/index.ts';
import type { TextLine } from '../text/index.ts';
import type { Fill, Rgba } from '../theme/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import { CellScenes, type Box } from './cell-scenes.ts';
import { explore } from './cells.ts';
import type { Affine, Polygon } from './polygon.ts';
import { regionOf, screenOf, type Device, type Region } from './prove.ts';

/*
 * A view as boxes and words on every size of a region: in each cell every edge is an affine function of the size, so that a page
 * without a layout engine can draw it on any of them (docs/proof.md).
 */

/** A line of words: where its baseline starts, how long it is and its font size, in px. */
export interface SketchLine {
  readonly text: string;
  readonly color: Rgba;
  readonly x: Affine;
  readonly baseline: Affine;
  readonly width: Affine;
  readonly size: Affine;
}

/** One widget that draws something. */
export interface SketchShape {
  readonly widget: string;
  readonly box: Box;
  /** What cuts it off: it is seen where it and all of these are. */
  readonly clips: readonly Box[];
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
 * @param open As for a proof. @throws RangeError for a region without area.
 */
export function sketchView(
  open: (which: 'plain' | 'recorded') => View,
  device: Device,
  region: Region,
): readonly SketchCell[] {
  const corners = regionOf(region);
  const [recorded, plain] = [open('recorded'), open('plain')];
  const screenAt = (point: { readonly x: number; readonly y: number }) => screenOf(device, point);
  let standing: ViewLayout | undefined;
  const onReference = () => (standing ??= plain.layoutOn(plain.reference));
  const found: SketchCell[] = [];
  explore(
    recorded,
    screenAt,
    corners,
    (cell) => {
      const form = new FormScene(cell.form.tree);
      const middle = new Subject(plain.layoutOn(screenAt(cell.inside)), form, onReference);
      const scenes = new CellScenes(cell, recorded, form, middle, onReference);
      const order = form.painted.toSorted((a, b) => form.places[a]! - form.places[b]!);
      found.push({ polygon: cell.polygon, shapes: order.map((widget) => shapeOf(scenes, widget)) });
      return true;
    },
    { mostCells },
  );
  return found;
}

function shapeOf(scenes: CellScenes, index: number): SketchShape {
  const { form, middle } = scenes;
  const { id, look, picture, text } = middle.widgets[index]!;
  const px = (subject: Subject, u: number) => u * subject.layout.scale(index);
  const border =
    look.borderColor && look.borderWidth > 0
      ? { color: look.borderColor, width: scenes.number(index, (on) => px(on, look.borderWidth)) }
      : undefined;
  return {
    widget: id,
    box: look.background || border || picture ? scenes.border(index) : scenes.own(index),
    clips: scenes.seen(index).slice(1),
    opacity: form.opacity[index]!,
    background: look.background,
    border,
    isPicture: picture !== undefined,
    lines: text ? linesOf(scenes, index) : [],
  };
}

/** The lines of a text; on every screen of a cell they end in the same places. */
function linesOf(scenes: CellScenes, index: number): readonly SketchLine[] {
  const { middle } = scenes;
  const { look, text } = middle.widgets[index]!;
  const placed = (subject: Subject) => placeText(subject.widgets[index]!, subject.layout);
  const here = placed(middle).lines;
  const read = (nth: number, of: (subject: Subject, line: Line) => number) =>
    scenes.number(index, (subject) => {
      const { lines, unit } = placed(subject);
      const { originX, originY, scale } = subject.layout.frame;
      const { line, x, baseline } = lines[nth] ?? lines.at(-1)!;
      return of(subject, {
        line,
        x: originX + x * scale,
        baseline: originY + baseline * scale,
        unit: unit * scale,
      });
    });
  return here.flatMap(({ line }, nth): SketchLine[] => {
    if (line.text === '') return [];
    return [
      {
        text: line.text,
        color: look.color,
        x: read(nth, (_, { x }) => x),
        baseline: read(nth, (_, { baseline }) => baseline),
        width: read(nth, (_, { line: own, unit }) => own.width * unit),
        size: read(nth, (_, { unit }) => text!.setting.fontSize * unit),
      },
    ];
  });
}

/** A line on one screen, in px. */
interface Line {
  readonly line: TextLine;
  readonly x: number;
  readonly baseline: number;
  /** Of one u of it. */
  readonly unit: number;
}
