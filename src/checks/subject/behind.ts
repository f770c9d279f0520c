import type { Widget } from '../../dress/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import {
  backgroundBox,
  bleedBox,
  meterFill,
  picturePieces,
  trailColor,
  type PicturePiece,
} from '../../inside/index.ts';
import type { Rect } from '../../layout/index.ts';
import type { Picture, Pixels } from '../../picture/index.ts';
import { colorAt, compose, faded, type Rgba } from '../../theme/index.ts';
import type { Backdrop } from '../../view/index.ts';
import type { Undecided } from '../check.ts';
import { bedsOf, covers, sliver } from './beds.ts';
import { across, hasArea, holdsPoint, intersection, meet, pointIn, rectIn } from '../../scene/index.ts';
import type { Across, RectGrid } from '../../scene/index.ts';
import { holeOf, roundFill } from './round-meter.ts';
import type { Subject } from './subject.ts';

/** Something painted behind a place: its rectangle in device px and its colour at a point of it. */
interface Layer {
  /** The groups it is drawn in, outermost first: widgets that are not opaque. */
  readonly groups: readonly number[];
  readonly rect: Rect;
  readonly opaque: boolean;
  /** Along which axes its colour changes. */
  readonly changes: Changes;
  readonly color: (x: number, y: number) => Rgba;
  /** What leads to it from who is looked at, where it is turned otherwise: its rectangle and colours are in its own frame. */
  readonly to?: Across;
}

/** Along which axes a colour changes. */
interface Changes {
  readonly x: boolean;
  readonly y: boolean;
}

const nowhere: Changes = { x: false, y: false };
const everywhere: Changes = { x: true, y: true };

/** A colour behind a rectangle, and over which backdrop, if that shows. */
export interface Ground {
  readonly color: Rgba;
  readonly backdrop: string | undefined;
  /** What a colour of the widget is seen as there: an opacity is that of all that a group draws, what is behind in it too. */
  readonly over: (color: Rgba) => Rgba;
}

/** What lies behind a rectangle: colours, or why they cannot be told. */
type Behind = { readonly colors: readonly Ground[] } | { readonly missing: string };

export interface GroundOptions {
  readonly own?: 'with its own' | 'without its own';
  /** Widgets drawn after it that it is seen through, in drawing order; none if left out. */
  readonly through?: readonly number[];
}

/**
 * The colours behind a rectangle of a widget, its own background among them unless that is left out; where they cannot
 * be told, reports that, and gives none.
 */
export function groundOf(
  subject: Subject,
  index: number,
  area: Rect,
  report: (draft: Undecided) => void,
  { own = 'with its own', through = [] }: GroundOptions = {},
): readonly Ground[] {
  const under = behind(subject, index, own === 'with its own', area, through);
  if ('colors' in under) return under.colors;
  const { missing } = under;
  const reasons = [{ text: missing, pointer: subject.widgets[index]!.pointer }];
  report({ outcome: 'undecided', widget: index, measured: NaN, missing, reasons });
  return [];
}

/** What may lie behind an area of a widget: by where it is; what a dialog lays over the screen is everywhere. */
export function bedsNear(subject: Subject, index: number, area: Rect): readonly number[] {
  const { turner } = subject.form;
  if (turner[index]! > 0) return bedsOf(subject);
  const { grid, others } = subject.once('beds', () => bedsByPlace(subject));
  const isNear = (bed: number) =>
    subject.widgets[bed]!.kind === 'dialog' || meet(subject.visualRect(bed), area);
  return [...new Set([...grid.meeting(area), ...others.filter(isNear)])];
}

/** Beds by where they are, and those that may be elsewhere than their boxes: what is turned, and dialogs. */
function bedsByPlace(subject: Subject): { readonly grid: RectGrid; readonly others: readonly number[] } {
  const { form, widgets } = subject;
  const beds = bedsOf(subject);
  return {
    grid: subject.gridOf(
      beds.filter((index) => form.turner[index] === 0),
      (index) => subject.rect(index),
    ),
    others: beds.filter((index) => form.turner[index]! > 0 || widgets[index]!.kind === 'dialog'),
  };
}

const opaqueWhite: Rgba = { r: 1, g: 1, b: 1, a: 1 };

function keyOf({ r, g, b }: Rgba): number {
  return (Math.round(r * 255) << 16) | (Math.round(g * 255) << 8) | Math.round(b * 255);
}

/** The widgets around one, itself among them, that are not opaque, outermost first: each is drawn as a group. */
function groupsOf({ widgets, form }: Subject, index: number): readonly number[] {
  if (form.opacity[index] === 1) return [];
  const groups: number[] = [];
  for (let at = index; at >= 0; at = widgets[at]!.parent)
    if (widgets[at]!.look.opacity < 1) groups.unshift(at);
  return groups;
}

/** Colours drawn one after the other, each in its groups: a group is composed by itself, and faded when it ends. */
class GroupStack {
  readonly #opacityOf: (group: number) => number;
  readonly #open: { readonly group: number; color: Rgba }[];

  constructor(under: Rgba, opacityOf: (group: number) => number) {
    this.#open = [{ group: -1, color: under }];
    this.#opacityOf = opacityOf;
  }

  draw(color: Rgba): void {
    const top = this.#open.at(-1)!;
    top.color = compose(color, top.color);
  }

  /** @param groups Of what is drawn next, outermost first. */
  goTo(groups: readonly number[]): void {
    let same = 0;
    while (same < groups.length && this.#open[same + 1]?.group === groups[same]) same++;
    while (this.#open.length > same + 1) {
      const { group, color } = this.#open.pop()!;
      this.draw(faded(color, this.#opacityOf(group)));
    }
    for (const group of groups.slice(same)) this.#open.push({ group, color: clear });
  }

  /** What is seen once all groups have ended. */
  get seen(): Rgba {
    this.goTo([]);
    return this.#open[0]!.color;
  }

  copy(): GroupStack {
    const copy = new GroupStack(clear, this.#opacityOf);
    copy.#open.splice(0, 1, ...this.#open.map((one) => ({ ...one })));
    return copy;
  }
}

/** What lies at a place, the lowest first: under what is looked at, and over it. */
interface Around {
  readonly layers: readonly Layer[];
  readonly above: readonly Layer[];
}

/**
 * What layers come to over what is under them, the lowest first, each group composed by itself and then faded; gives what a
 * colour drawn between them, in the groups `own`, is seen as.
 */
function composed(
  { layers, above }: Around,
  under: Rgba,
  own: readonly number[],
  colorOf: (layer: Layer) => Rgba,
  opacityOf: (group: number) => number,
): (color: Rgba) => Rgba {
  const stack = new GroupStack(under, opacityOf);
  const drawAll = (on: GroupStack, some: readonly Layer[]) => {
    for (const layer of some) {
      on.goTo(layer.groups);
      on.draw(colorOf(layer));
    }
  };
  drawAll(stack, layers);
  stack.goTo(own);
  return (color) => {
    const copy = stack.copy();
    copy.draw(color);
    drawAll(copy, above);
    return copy.seen;
  };
}

/** From this opacity on nothing is read through something. */
export const mostSeenThrough = 0.9;

/** Points looked at in each cell and on each axis where a gradient or a picture is behind. */
const samplesPerCell = 5;
/** The same where something is turned otherwise than what is looked at. */
const samplesAskew = 16;
/** More cells than this are not looked at one by one: a text that lies on so many edges is sampled. */
const mostCells = 400;

/**
 * Every colour that lies behind a rectangle of a widget, everything painted before it composed. The rectangle is
 * cut into cells along the edges of what is behind, so that no plain colour is missed.
 */
function behind(
  subject: Subject,
  index: number,
  withOwn: boolean,
  area: Rect,
  through: readonly number[],
): Behind {
  const layers: Layer[] = [];
  const { places } = subject.form;
  const last = withOwn ? places[index]! : places[index]! - 1;
  const beds = bedsNear(subject, index, area).filter((below) => places[below]! <= last);
  let isSolid = false;
  for (const below of beds.sort((a, b) => places[b]! - places[a]!)) {
    const found = layersOf(subject, index, below, area);
    if ('missing' in found) return found;
    layers.push(...found.layers);
    const lowest = found.layers.at(-1);
    isSolid = lowest !== undefined && lowest.opaque && covers(lowest.rect, rectIn(area, lowest.to));
    if (isSolid) break;
  }
  layers.reverse();
  const above: Layer[] = [];
  for (const one of through) {
    const found = layersOf(subject, index, one, area);
    if ('missing' in found) return found;
    above.push(...[...found.layers].reverse());
  }
  const backdrops: (Backdrop | undefined)[] = isSolid ? [undefined] : [...subject.backdrops];
  if (backdrops.length === 0) {
    return { missing: 'no backdrop was given, so what the game draws behind is not known' };
  }
  const all = [...layers, ...above];
  const xs = cuts(all, area, 'x');
  const ys = cuts(all, area, 'y');
  // Edges of what is turned otherwise cut it into no rectangles.
  const isAskew = all.some(({ to }) => to !== undefined);
  const plainCells = !isAskew && (xs.length - 1) * (ys.length - 1) <= mostCells;
  const aside = isAskew ? samplesAskew : samplesPerCell;
  const toScreen = across(subject, index, 0);
  const cellsX = plainCells ? xs : [xs[0]!, xs.at(-1)!];
  const cellsY = plainCells ? ys : [ys[0]!, ys.at(-1)!];
  const found = new Map<number, Ground>();
  const own = groupsOf(subject, index);
  for (const backdrop of backdrops) {
    if (backdrop?.type === 'picture' && !backdrop.picture.sample) {
      return { missing: `the pixels of the backdrop "${backdrop.name}" are not known` };
    }
    for (let column = 1; column < cellsX.length; column++) {
      for (let row = 1; row < cellsY.length; row++) {
        const left = cellsX[column - 1]!;
        const top = cellsY[row - 1]!;
        const width = cellsX[column]! - left;
        const height = cellsY[row]! - top;
        // Between its edges every layer covers a cell or does not; along an axis where nothing changes, one place tells.
        const aroundAt = (x: number, y: number): Around => ({
          layers: at(layers, x, y),
          above: at(above, x, y),
        });
        const there = plainCells ? aroundAt(left + width / 2, top + height / 2) : undefined;
        const changes =
          there && backdrop?.type !== 'picture'
            ? changesOfAll([...there.layers, ...there.above])
            : everywhere;
        const wide = changes.x ? aside : 1;
        const samples = wide * (changes.y ? aside : 1);
        for (let sample = 0; sample < samples; sample++) {
          const x = left + (width * ((sample % wide) + 0.5)) / wide;
          const y = top + (height * (Math.floor(sample / wide) + 0.5)) / (samples / wide);
          const [onX, onY] = pointIn(toScreen, x, y);
          if (toScreen && !holdsPoint(subject.screenRect, onX, onY)) continue;
          const under = backdrop ? backdropColor(backdrop, onX, onY, subject) : clear;
          const here = there ?? aroundAt(x, y);
          // Where it is hidden it is not seen through anything.
          if (here.above.some((layer) => colorOn(layer, x, y).a > mostSeenThrough)) continue;
          addGround(subject, found, here, own, { x, y, under, name: backdrop?.name });
        }
      }
    }
  }
  return { colors: [...found.values()] };
}

/** A place in device px, and the colour of the backdrop of that name there. */
interface Place {
  readonly x: number;
  readonly y: number;
  readonly under: Rgba;
  readonly name: string | undefined;
}

/** Adds what is seen at a place where layers lie, the lowest first, if no other place looks like it. */
function addGround(
  subject: Subject,
  found: Map<number, Ground>,
  around: Around,
  own: readonly number[],
  { x, y, under, name }: Place,
): void {
  const { layers, above } = around;
  if (own.length === 0 && above.length === 0 && layers.every(({ groups }) => groups.length === 0)) {
    let lowest = under;
    for (const layer of layers) lowest = compose(colorOn(layer, x, y), lowest);
    const color = compose(clear, lowest);
    const key = keyOf(color);
    if (!found.has(key)) found.set(key, { color, backdrop: name, over: (one) => compose(one, lowest) });
    return;
  }
  const seen = composed(
    around,
    under,
    own,
    (layer) => colorOn(layer, x, y),
    (group) => subject.widgets[group]!.look.opacity,
  );
  const color = seen(clear);
  // In a group, or through something, the same ground may be of other parts; what is seen of white over it tells them apart.
  const key = keyOf(color) + (own.length + above.length > 0 ? keyOf(seen(opaqueWhite)) * 2 ** 24 : 0);
  if (!found.has(key)) found.set(key, { color, backdrop: name, over: seen });
}

/** The layers that lie over a point, the lowest first. */
function at(layers: readonly Layer[], x: number, y: number): readonly Layer[] {
  return layers.filter(({ rect, to }) => holdsPoint(rect, ...pointIn(to, x, y)));
}

function colorOn({ color, to }: Layer, x: number, y: number): Rgba {
  return color(...pointIn(to, x, y));
}

/** Along which axes the colour of some layers changes. */
function changesOfAll(layers: readonly Layer[]): Changes {
  let found = nowhere;
  for (const { changes } of layers)
    if (changes !== nowhere) found = { x: found.x || changes.x, y: found.y || changes.y };
  return found;
}

/** Along which axes a linear gradient of an angle changes. */
function changesOf(angle: number): Changes {
  return { x: angle % 180 !== 0, y: angle % 180 !== 90 };
}

const clear: Rgba = { r: 0, g: 0, b: 0, a: 0 };

/** What a widget paints over an area of another one, the topmost first; or what is missing to know it. */
function layersOf(
  subject: Subject,
  index: number,
  below: number,
  area: Rect,
): { readonly layers: readonly Layer[] } | { readonly missing: string } {
  const to = across(subject, index, below);
  const layers: Layer[] = [];
  const missing = addLayers(subject, below, below === index, rectIn(area, to), layers);
  if (missing !== undefined) return { missing };
  return { layers: to ? layers.map((layer) => ({ ...layer, to })) : layers };
}

/** Adds what a widget paints over the area, the topmost first; gives what is missing to know it. */
function addLayers(
  subject: Subject,
  index: number,
  self: boolean,
  area: Rect,
  layers: Layer[],
): string | undefined {
  const widget = subject.widgets[index]!;
  const whole = subject.rect(index);
  // Most of what is painted lies elsewhere.
  if (!meet(whole, area) && widget.kind !== 'dialog') return undefined;
  const clip = subject.clip(index);
  const rect = clip ? intersection(whole, clip) : whole;
  const { look } = widget;
  const opacity = subject.form.opacity[index]!;
  const groups = groupsOf(subject, index);
  if (!hasArea(intersection(rect, area))) {
    addVeil(subject, widget, groups, layers);
    return undefined;
  }
  const filled = self ? undefined : roundFill(subject, index);
  if (filled) layers.push({ groups, rect, opaque: false, changes: everywhere, color: filled });
  else if (!self && widget.kind === 'meter') {
    layers.push({
      groups,
      rect: meterFill(whole, widget),
      opaque: look.color.a * opacity === 1,
      changes: nowhere,
      color: () => look.color,
    });
    if (widget.trail > widget.value) {
      const reach = meterFill(whole, widget, widget.trail);
      layers.push({
        groups,
        rect: reach,
        opaque: false,
        changes: nowhere,
        color: () => trailColor(look),
      });
    }
  }
  if (widget.picture) {
    const layer = pictureLayer(subject, index);
    if (!layer) return `the pixels of the picture "${widget.picture.name}" are not known`;
    const pieces = piecesOf(subject, widget, widget.picture);
    layers.push({
      groups,
      rect: pieces.length === 1 ? intersection(rect, pieces[0]!.to) : rect,
      opaque: false,
      changes: everywhere,
      color: layer,
    });
  }
  if (look.background) {
    const fill = look.background;
    const opaque =
      opacity === 1 &&
      (fill.type === 'color' ? fill.color.a === 1 : fill.stops.every((stop) => stop.color.a === 1));
    const box = backgroundBox(widget, subject.layout, whole);
    const isHole = holeOf(subject, index);
    const plain =
      fill.type === 'color' ? nowhere : fill.type === 'radial' ? everywhere : changesOf(fill.angle);
    layers.push({
      groups,
      rect: intersection(rect, box),
      opaque: opaque && !isHole,
      changes: isHole ? everywhere : plain,
      color: (x, y) =>
        isHole?.(x, y)
          ? clear
          : colorAt(fill, (x - box.x) / box.width, (y - box.y) / box.height, box.width, box.height),
    });
  }
  addVeil(subject, widget, groups, layers);
  return undefined;
}

/** The colour of a widget's picture at a place in device px, without its opacity; undefined where its pixels are not known. */
export function pictureLayer(subject: Subject, index: number): ((x: number, y: number) => Rgba) | undefined {
  const widget = subject.widgets[index]!;
  const { picture, look } = widget;
  const sample = picture?.sample;
  if (!picture || !sample) return undefined;
  const { width, height } = picture;
  const { flip } = widget.source as WidgetSource;
  const whole = subject.rect(index);
  const pieces = piecesOf(subject, widget, picture);
  const [flipX, flipY] = [flip === 'x' || flip === 'both', flip === 'y' || flip === 'both'];
  return (seenX, seenY) => {
    const x = flipX ? 2 * whole.x + whole.width - seenX : seenX;
    const y = flipY ? 2 * whole.y + whole.height - seenY : seenY;
    const piece = pieces.find(({ to }) => holdsPoint(to, x, y));
    if (!piece) return clear;
    const { from, to } = piece;
    const fx = (from.x + ((x - to.x) / to.width) * from.width) / width;
    const fy = (from.y + ((y - to.y) / to.height) * from.height) / height;
    return tinted(pixelAt(sample, fx, fy), look.imageTint);
  };
}

function piecesOf(subject: Subject, widget: Widget, picture: Picture): readonly PicturePiece[] {
  const { index, fit } = widget;
  const source = widget.source as WidgetSource;
  return picturePieces(
    bleedBox(widget, subject.layout, subject.rect(index)),
    picture,
    source,
    fit,
    subject.layout.scale(index),
  );
}

/** What a dialog lays over the screen lies under its own background. */
function addVeil(
  subject: Subject,
  { index, kind, look }: Widget,
  groups: readonly number[],
  layers: Layer[],
): void {
  const { veil } = look;
  if (kind !== 'dialog' || !veil) return;
  const opaque = veil.a * subject.form.opacity[index]! === 1;
  layers.push({ groups, rect: subject.screenRect, opaque, changes: nowhere, color: () => veil });
}

/** A colour of a picture as it is multiplied by a tint. */
export function tinted(color: Rgba, tint: Rgba | undefined): Rgba {
  if (!tint) return color;
  return { r: color.r * tint.r, g: color.g * tint.g, b: color.b * tint.b, a: color.a * tint.a };
}

function backdropColor(backdrop: Backdrop, x: number, y: number, { screen }: Subject): Rgba {
  if (backdrop.type === 'color') return { ...backdrop.color, a: 1 };
  // A backdrop covers the screen as object-fit: cover does, centred.
  const { picture } = backdrop;
  const scale = Math.max(screen.width / picture.width, screen.height / picture.height);
  const fx = (x - screen.width / 2) / (picture.width * scale) + 0.5;
  const fy = (y - screen.height / 2) / (picture.height * scale) + 0.5;
  return { ...pixelAt(picture.sample!, fx, fy), a: 1 };
}

function pixelAt(pixels: Pixels, fx: number, fy: number): Rgba {
  const x = Math.min(pixels.width - 1, Math.max(0, Math.floor(fx * pixels.width)));
  const y = Math.min(pixels.height - 1, Math.max(0, Math.floor(fy * pixels.height)));
  return colorOf(pixels.data, (y * pixels.width + x) * 4);
}

/** The pixel that starts at an offset. */
export function colorOf(data: Uint8ClampedArray, at: number): Rgba {
  return { r: data[at]! / 255, g: data[at + 1]! / 255, b: data[at + 2]! / 255, a: data[at + 3]! / 255 };
}

function cuts(layers: readonly Layer[], area: Rect, axis: 'x' | 'y'): number[] {
  const from = area[axis];
  const to = from + (axis === 'x' ? area.width : area.height);
  const places = new Set([from, to]);
  for (const { rect, to: isAskew } of layers) {
    if (isAskew) continue;
    const start = rect[axis];
    const end = start + (axis === 'x' ? rect.width : rect.height);
    if (start > from + sliver && start < to - sliver) places.add(start);
    if (end > from + sliver && end < to - sliver) places.add(end);
  }
  return [...places].sort((a, b) => a - b);
}
