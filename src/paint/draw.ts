import { isWithin, type Widget } from '../dress/index.ts';
import type { WidgetSource } from '../document/index.ts';
import {
  backgroundBox,
  bleedBox,
  clips,
  cornersIn,
  fitPicture,
  isIdleSign,
  picturePieces,
  textWindow,
  trackOfRing,
  rectAround,
  turnOf,
  turnedBack,
  turnsOf,
  type Matrix,
  type PicturePiece,
} from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { isSquare, mapCorners, square, type Corners, type Rgba } from '../theme/index.ts';
import type { Backdrop, ViewLayout } from '../view/index.ts';
import { cutTo, multiplied, onPixels, shrunk, type Area } from './areas.ts';
import { plainBox, type DrawList, type DrawOperation } from './draw-list.ts';
import { addCaret, addControl, addSelection, scrollbarOf } from './draw-control.ts';
import { addMeter } from './draw-meter.ts';
import { addText } from './draw-text.ts';
import { pictureOperation } from './draw-picture.ts';
import { isBoxCutOff, isTextCutOff } from './out-of-sight.ts';

export interface DrawOptions {
  /** Drawn behind the view; the view's first backdrop if left out, nothing for null. */
  readonly backdrop?: Backdrop | null;
}

type BoxOperation = Extract<DrawOperation, { readonly type: 'box' }>;

const barColor: Rgba = { r: 0, g: 0, b: 0, a: 1 };

/** What a layout looks like, as a list of drawing operations in device px. */
export function drawLayout(on: ViewLayout, options: DrawOptions = {}): DrawList {
  const operations: DrawOperation[] = [];
  const { view, screen, tree } = on;
  addBackdrop(on, options, operations);
  const seen = new Uint8Array(tree.widgets.length);
  const drawn: Placed[] = [];
  /** Widgets whose group, turn or clip is still on, innermost last. */
  const open: number[] = [];
  for (const index of tree.order) {
    while (open.length > 0 && !isWithin(tree.widgets, index, open.at(-1)!)) close(open, operations);
    const widget = tree.widgets[index]!;
    const isSeen = showsItself(on, widget) && (index === 0 || seen[widget.parent] === 1);
    seen[index] = isSeen ? 1 : 0;
    const outer = drawn[widget.parent];
    const one = drawWidget(on, index, isSeen, outer && cutFor(outer));
    const { within, own, clip } = one;
    drawn[index] = placedIn(one, outer);
    for (const one of within) {
      operations.push(one);
      open.push(index);
    }
    for (const one of own) operations.push(one);
    if (!clip) continue;
    operations.push(clip);
    open.push(index);
  }
  while (open.length > 0) close(open, operations);
  addBars(on, operations);
  return { width: screen.width, height: screen.height, title: titleOf(view.name, screen.name), operations };
}

export function titleOf(view: string, screen: string): string {
  return `${view} on ${screen}`;
}

/** Whether anything is seen of a widget, and of what is in it. */
export function showsItself(on: ViewLayout, widget: Widget): boolean {
  return widget.look.opacity > 0 && !isIdleSign(widget, on.layout, (id) => on.find(id));
}

/** What one widget draws. */
export interface DrawnWidget {
  /** Groups and turns around it and all in it: each is ended after the last widget in it. */
  readonly within: readonly DrawOperation[];
  readonly own: readonly DrawOperation[];
  /** What cuts off its children; ended after the last of them. */
  readonly clip: DrawOperation | undefined;
}

/** Where what is in a widget is drawn. */
export interface Placed {
  /** What turns it and all in it; undefined where nothing does. */
  readonly matrix: Matrix | undefined;
  /** What cuts off what is in it, in device px; undefined where nothing does, or it is turned. */
  readonly cut: Area | undefined;
}

/** Where what is in a widget is drawn that is itself in another. */
export function placedIn({ within, clip }: DrawnWidget, outer: Placed | undefined): Placed {
  let matrix = outer?.matrix;
  for (const one of within)
    if (one.type === 'turn') matrix = matrix ? multiplied(matrix, one.matrix) : one.matrix;
  const cut = outer?.cut;
  const own = clip?.type === 'clip' && !matrix ? clip.rect : undefined;
  if (!own) return { matrix, cut };
  const inside = { left: own.x, top: own.y, right: own.x + own.width, bottom: own.y + own.height };
  if (cut) cutTo(inside, cut);
  return { matrix, cut: inside };
}

/** What cuts off a widget that is in another, as far as that can be told without turning it. */
export function cutFor({ matrix, cut }: Placed): Area | undefined {
  return matrix ? undefined : cut;
}

/**
 * What a widget draws.
 * @param isSeen Whether it and all around it are more than nothing of opaque. @param cut What is beyond it is cut off.
 */
export function drawWidget(
  on: ViewLayout,
  index: number,
  isSeen: boolean,
  cut: Area | undefined,
): DrawnWidget {
  const { layout, tree } = on;
  const widget = tree.widgets[index]!;
  const { opacity } = widget.look;
  const isLeaf = tree.widgets[index + 1]?.parent !== index;
  const within: DrawOperation[] = [];
  const own: DrawOperation[] = [];
  if (opacity < 1 && isSeen && !isLeaf) within.push({ type: 'group', widget: index, opacity });
  const turn = turnOf(widget, layout);
  if (turn) within.push({ type: 'turn', matrix: turn });
  if ((widget.visible || widget.leaves) && isSeen && layout.frame.scale > 0) {
    addWidget(on, widget, turn ? undefined : cut, own);
    if (opacity < 1 && isLeaf) fade(own, index, opacity);
  }
  if (!clips(widget)) return { within, own, clip: undefined };
  const rect = layout.pixelRect(index);
  return {
    within,
    own,
    clip: { type: 'clip', rect, radius: cornersIn(widget, rect, layout.scale(index)) },
  };
}

/** Fades what a widget draws: one operation by itself, several as a group. */
function fade(operations: DrawOperation[], widget: number, opacity: number): void {
  const [only, ...more] = operations;
  if (!only) return;
  if (more.length === 0 && 'opacity' in only && isOne(only)) {
    operations[0] = { ...only, opacity: only.opacity * opacity };
    return;
  }
  operations.unshift({ type: 'group', widget, opacity });
  operations.push({ type: 'restore' });
}

/** Whether an operation draws one thing: a fill and its border, letters and their outline lie on each other. */
function isOne(operation: DrawOperation): boolean {
  if (operation.type === 'box') return !operation.fill || !operation.border;
  return operation.type === 'path' || operation.type === 'glyphs' ? !operation.outline : true;
}

function close(open: number[], operations: DrawOperation[]): void {
  operations.push({ type: 'restore' });
  open.pop();
}

/** Draws what is behind a view. */
export function addBackdrop(
  { view, screen }: ViewLayout,
  options: DrawOptions,
  operations: DrawOperation[],
): void {
  const backdrop = options.backdrop === undefined ? view.backdrops[0] : options.backdrop;
  if (!backdrop) return;
  const rect = { x: 0, y: 0, width: screen.width, height: screen.height };
  if (backdrop.type === 'picture') {
    const { picture } = backdrop;
    operations.push({
      type: 'picture',
      widget: -1,
      rect: fitPicture(rect, picture, 'cover', 1),
      picture,
      opacity: 1,
    });
    return;
  }
  operations.push(plainBox(-1, rect, { ...backdrop.color, a: 1 }));
}

/** Draws the bars beside a surface that does not fill the screen. */
export function addBars({ screen, layout }: ViewLayout, operations: DrawOperation[]): void {
  const { originX, originY } = layout.frame;
  const { width, height } = screen;
  const bars: Rect[] = [];
  if (originX > 0)
    bars.push({ x: 0, y: 0, width: originX, height }, { x: width - originX, y: 0, width: originX, height });
  if (originY > 0)
    bars.push({ x: 0, y: 0, width, height: originY }, { x: 0, y: height - originY, width, height: originY });
  for (const rect of bars) operations.push(plainBox(-1, rect, barColor));
}

function addWidget(on: ViewLayout, widget: Widget, cut: Area | undefined, operations: DrawOperation[]): void {
  const { layout } = on;
  const { index, look, kind } = widget;
  const scale = layout.scale(index);
  const rect = layout.pixelRect(index);
  const pictured = bleedBox(widget, layout, rect);
  const isCutOff = cut !== undefined && isBoxCutOff(widget, pictured, scale, cut);
  if (isCutOff && (!widget.text || isTextCutOff(widget, layout, cut))) return;
  const radius = cornersIn(widget, rect, scale);
  const borderWidth = look.borderWidth > 0 ? Math.max(1, Math.round(look.borderWidth * scale)) : 0;
  const border =
    look.borderColor && borderWidth > 0 ? { width: borderWidth, color: look.borderColor } : undefined;
  const hasArea = rect.width > 0 && rect.height > 0;
  // Where there is nothing to scroll there is no scrollbar.
  const drawn = hasArea && (kind !== 'scrollbar' || scrollbarOf(on, widget, rect) !== undefined);
  if (kind === 'dialog' && look.veil) addVeil(on, index, look.veil, operations);
  const base = backgroundBox(widget, layout, rect);
  const baseRadius = base === rect ? radius : cornersIn(widget, base, scale);
  if (drawn) addShadows(widget, base, baseRadius, scale, operations);
  // An opacity is that of all a widget draws together: whoever calls puts a group round it.
  const addBox = (fill: BoxOperation['fill'], border: BoxOperation['border']) =>
    operations.push({ type: 'box', widget: index, rect: base, opacity: 1, radius: baseRadius, fill, border });
  if (drawn && look.background && !trackOfRing(widget)) addBox(look.background, undefined);
  if (drawn && widget.picture) addPicture(widget, pictured, radius, scale, operations);
  if (drawn && kind === 'canvas') {
    operations.push({ type: 'clip', rect, radius });
    operations.push({ type: 'game', widget: index, id: widget.id, rect, opacity: 1 });
    operations.push({ type: 'restore' });
  }
  if (drawn && kind === 'meter') {
    const innerRadius = mapCorners(radius, (one) => Math.max(0, one - borderWidth));
    addMeter(widget, { rect: shrunk(rect, borderWidth), radius: innerRadius }, scale, operations);
  }
  if (drawn && border) addBox(undefined, border);
  if (drawn) addControl(on, widget, { rect, radius: baseRadius }, operations);
  const window = textWindow(widget, layout);
  if (window) operations.push({ type: 'clip', rect: onSurface(layout, window), radius: square });
  if (drawn) addSelection(on, widget, operations);
  if (widget.text) addText(on, widget, operations);
  if (drawn) addCaret(on, widget, operations);
  if (window) operations.push({ type: 'restore' });
}

/** A rectangle in u on the surface, in whole device px. */
function onSurface({ frame }: ViewLayout['layout'], { x, y, width, height }: Rect): Rect {
  const { scale, originX, originY } = frame;
  return onPixels({
    x: originX + x * scale,
    y: originY + y * scale,
    width: width * scale,
    height: height * scale,
  });
}

/** What a dialog lays over the whole screen, so that all behind it steps back: over all of it, too, where the dialog is turned. */
function addVeil(
  { screen, layout, tree }: ViewLayout,
  widget: number,
  color: Rgba,
  operations: DrawOperation[],
): void {
  const turns = turnsOf(widget, tree.widgets, layout);
  const whole = { x: 0, y: 0, width: screen.width, height: screen.height };
  const rect = rectAround(whole, (x, y) =>
    turns.reduceRight<[number, number]>((at, { turn }) => turnedBack(turn, ...at), [x, y]),
  );
  // Turned, an edge that is to be on that of the screen is not, by a rounding.
  const covers = turns.length > 0 ? shrunk(rect, -1) : rect;
  if (covers.width > 0) operations.push(plainBox(widget, covers, color));
}

/** The shadows of a box, the first on top (CSS Backgrounds 3 §6.1). */
function addShadows(
  { index, look }: Widget,
  rect: Rect,
  radius: Corners,
  scale: number,
  operations: DrawOperation[],
): void {
  for (let at = look.shadow.length - 1; at >= 0; at--) {
    const { x, y, blur, spread, color } = look.shadow[at]!;
    const by = spread * scale;
    const shape = {
      type: 'box' as const,
      rect: { ...shrunk(rect, -by), x: rect.x - by + x * scale, y: rect.y - by + y * scale },
      radius: mapCorners(radius, (one) => (one > 0 ? Math.max(0, one + by) : 0)),
    };
    if (shape.rect.width === 0 || shape.rect.height === 0) continue;
    const without = { rect, radius };
    operations.push({ type: 'shadow', widget: index, shape, blur: blur * scale, color, opacity: 1, without });
  }
}

function addPicture(
  widget: Widget,
  rect: Rect,
  radius: Corners,
  scale: number,
  operations: DrawOperation[],
): void {
  const picture = widget.picture!;
  const source = widget.source as WidgetSource;
  const pieces = picturePieces(rect, picture, source, widget.fit, scale);
  const out = ({ to }: PicturePiece) =>
    to.x < rect.x - 0.01 ||
    to.y < rect.y - 0.01 ||
    to.x + to.width > rect.x + rect.width + 0.01 ||
    to.y + to.height > rect.y + rect.height + 0.01;
  const clips = !isSquare(radius) || pieces.some(out);
  if (clips) operations.push({ type: 'clip', rect, radius });
  if (source.flip !== undefined) operations.push({ type: 'turn', matrix: flipped(rect, source.flip) });
  const pixelated = source['image-rendering'] === 'pixelated';
  for (const { from, to } of pieces) {
    const tint = widget.look.imageTint;
    operations.push(pictureOperation(widget.index, picture, from, to, { pixelated, tint }));
  }
  if (source.flip !== undefined) operations.push({ type: 'restore' });
  if (clips) operations.push({ type: 'restore' });
}

/** Turns what is drawn in a rectangle round, left for right or top for bottom. */
function flipped({ x, y, width, height }: Rect, flip: 'x' | 'y' | 'both'): Matrix {
  const a = flip === 'y' ? 1 : -1;
  const d = flip === 'x' ? 1 : -1;
  return [a, 0, 0, d, a < 0 ? 2 * x + width : 0, d < 0 ? 2 * y + height : 0];
}
