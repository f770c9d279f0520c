import {
  anchorTargets,
  pointerTo,
  readAnchor,
  readAspect,
  readColumns,
  readGap,
  readTrack,
  type AxisAnchor,
  type Columns,
  type Pair,
  readInset,
  readLength,
  readLengthPair,
  readPivot,
  readSides,
  readSize,
  readSizePair,
  type Alignment,
  type Arrangement,
  type Justification,
  type Length,
  type PartReferenceSource,
  type Sides,
  type Size,
  type ViewSource,
  type WidgetSource,
  usualArrangement,
} from '../document/index.ts';
import { BuildError } from './scope.ts';

/** How a widget says its size on one axis; `auto` is unsaid. */
export type SizeMode = 'auto' | 'content' | 'fixed' | 'fill';

/** All that the layout has to know of a widget on one axis. Lengths are in u. */
export interface AxisBox {
  readonly mode: SizeMode;
  /** With mode fixed. */
  readonly size: Length;
  /** With mode fill. */
  readonly weight: number;
  readonly min: Length | undefined;
  readonly max: Length | undefined;
  /** Fractions of the parent; the same twice where the anchor is a point. */
  readonly anchorStart: number;
  readonly anchorEnd: number;
  readonly span: boolean;
  readonly pivot: number;
  readonly offset: Length;
  readonly insetStart: Length;
  readonly insetEnd: Length;
  readonly paddingStart: Length;
  readonly paddingEnd: Length;
  readonly marginStart: number;
  readonly marginEnd: number;
  /** Between children on this axis; a share is one of the room inside. */
  readonly gap: Length;
  readonly scrolls: boolean;
  /** How far the children are scrolled, in u. */
  readonly scrolled: number;
}

/** All that the layout has to know of a widget but what is inside it. */
export interface Box {
  readonly x: AxisBox;
  readonly y: AxisBox;
  readonly arrange: Arrangement;
  readonly reverse: boolean;
  readonly rightToLeft: boolean;
  readonly align: Alignment;
  readonly justify: Justification;
  readonly alignSelf: Alignment | undefined;
  readonly justifySelf: Alignment | undefined;
  readonly columns: Columns | undefined;
  /** The rows of a grid. */
  readonly rows: Size;
  readonly columnSpan: number;
  readonly rowSpan: number;
  /** Width divided by height; 0 where it is free. */
  readonly aspect: number;
  /** The id of the widget it is anchored to. */
  readonly target: string | undefined;
  /** The id of the one its span ends in, where that is another. */
  readonly targetEnd: string | undefined;
  /** The writing direction has turned its span round on x: there it starts in the second one and ends in the first. */
  readonly targetsTurned: boolean;
  /** A child of the view that is placed on the full surface instead of the safe part. */
  readonly full: boolean;
  /** The scaling it and all that is in it keep, where it is another one than around it. */
  readonly reference: PartReferenceSource | undefined;
}

const zero: Length = { u: 0, share: 0 };
const auto: Size | undefined = undefined;
// What is not said is not read: most widgets say little.
const zeroPair: Pair<Length> = { x: zero, y: zero };
const zeroSides: Sides<Length> = { top: zero, right: zero, bottom: zero, left: zero };
const startTop = readAnchor('start top')!;
const center = readAnchor('center')!;
const content = readTrack('content')!;

function anchorOf({ anchor, kind }: WidgetSource): Pair<AxisAnchor> {
  // Which may cross has been checked.
  if (anchor !== undefined) return sure(readAnchor(anchor, true), 'anchor');
  return kind === 'dialog' ? center : startTop;
}

function gapOf(gap: WidgetSource['gap']): Pair<Length> {
  return gap === undefined ? noGap : sure(readGap(gap), 'gap');
}

const noGap = zeroPair;

/** The keys that {@link boxOf} reads. */
export const boxKeys: ReadonlySet<string> = new Set([
  'align',
  'align-self',
  'anchor',
  'anchor-to',
  'area',
  'arrange',
  'aspect',
  'column-span',
  'columns',
  'direction',
  'gap',
  'height',
  'inset',
  'justify',
  'justify-self',
  'kind',
  'margin',
  'max-height',
  'max-width',
  'min-height',
  'min-width',
  'offset',
  'padding',
  'pivot',
  'reference',
  'reverse',
  'row-span',
  'rows',
  'scroll',
  'scroll-offset',
  'size',
  'width',
]);

/** The box of a widget, but for the padding of its look. Notations have been checked: one that cannot be read is an error of the engine. */
export function boxOf(widget: WidgetSource, rightToLeft: boolean): Box {
  const anchor = mirrored(anchorOf(widget), rightToLeft);
  const pivot = widget.pivot === undefined ? undefined : sure(readPivot(widget.pivot), 'pivot');
  const said = widget.offset === undefined ? zeroPair : sure(readLengthPair(widget.offset), 'offset');
  // An offset from start goes the way the writing goes.
  const turned = anchor.x.logical && rightToLeft;
  const offset = turnedOffset(said, turned);
  const targets = widget['anchor-to'] === undefined ? [] : anchorTargets(widget['anchor-to']);
  const inset =
    widget.inset === undefined
      ? zeroSides
      : sure(readInset(widget.inset, { x: anchor.x.span, y: anchor.y.span }), 'inset');
  const both = widget.size === undefined ? undefined : sure(readSizePair(widget.size), 'size');
  const width = widget.width === undefined ? (both?.x ?? auto) : sure(readSize(widget.width), 'width');
  const height = widget.height === undefined ? (both?.y ?? auto) : sure(readSize(widget.height), 'height');
  const padding = paddingOf(widget.padding);
  const margin = widget.margin === undefined ? zeroSides : sure(readSides(widget.margin), 'margin');
  const between = gapOf(widget.gap);
  const scrolled =
    widget['scroll-offset'] === undefined
      ? zeroPair
      : sure(readLengthPair(widget['scroll-offset']), 'scroll-offset');
  const arranged = containerOf(widget, rightToLeft);
  // Written out: spreading one object into another is what building a view spent most of its time on.
  return {
    x: {
      mode: modeOf(width),
      size: lengthOf(width),
      weight: weightOf(width),
      min: optionalLength(widget['min-width'], 'min-width'),
      max: optionalLength(widget['max-width'], 'max-width'),
      anchorStart: anchor.x.start,
      anchorEnd: anchor.x.end,
      span: anchor.x.span,
      pivot: pivot?.x ?? (anchor.x.start + anchor.x.end) / 2,
      offset: anchor.x.span ? zero : offset.x,
      insetStart: anchor.x.span ? (turned ? inset.right : inset.left) : zero,
      insetEnd: anchor.x.span ? (turned ? inset.left : inset.right) : zero,
      paddingStart: padding.left,
      paddingEnd: padding.right,
      marginStart: margin.left.u,
      marginEnd: margin.right.u,
      gap: between.x,
      scrolls: widget.scroll === 'x' || widget.scroll === 'both',
      scrolled: scrolled.x.u,
    },
    y: {
      mode: modeOf(height),
      size: lengthOf(height),
      weight: weightOf(height),
      min: optionalLength(widget['min-height'], 'min-height'),
      max: optionalLength(widget['max-height'], 'max-height'),
      anchorStart: anchor.y.start,
      anchorEnd: anchor.y.end,
      span: anchor.y.span,
      pivot: pivot?.y ?? (anchor.y.start + anchor.y.end) / 2,
      offset: anchor.y.span ? zero : offset.y,
      insetStart: anchor.y.span ? inset.top : zero,
      insetEnd: anchor.y.span ? inset.bottom : zero,
      paddingStart: padding.top,
      paddingEnd: padding.bottom,
      marginStart: margin.top.u,
      marginEnd: margin.bottom.u,
      gap: between.y,
      scrolls: widget.scroll === 'y' || widget.scroll === 'both',
      scrolled: scrolled.y.u,
    },
    arrange: arranged.arrange,
    reverse: arranged.reverse,
    rightToLeft,
    align: arranged.align,
    justify: arranged.justify,
    columns: arranged.columns,
    rows: arranged.rows,
    alignSelf: widget['align-self'],
    justifySelf: widget['justify-self'],
    columnSpan: widget['column-span'] ?? 1,
    rowSpan: widget['row-span'] ?? 1,
    aspect: widget.aspect === undefined ? 0 : sure(readAspect(widget.aspect), 'aspect'),
    target: targets[0],
    targetEnd: targets[1],
    targetsTurned: turned && targets.length > 1,
    full: widget.area === 'full',
    reference: widget.reference,
  };
}

function turnedOffset({ x, y }: Pair<Length>, isTurned: boolean): Pair<Length> {
  return isTurned ? { x: { u: -x.u, share: -x.share }, y } : { x, y };
}

/** A box with another offset, where its anchor is a point. @param isTurned Whether it goes the way the writing goes, and that from the right. */
export function withOffset(box: Box, said: Pair<Length>, isTurned: boolean): Box {
  const offset = turnedOffset(said, isTurned);
  return {
    ...box,
    x: box.x.span ? box.x : { ...box.x, offset: offset.x },
    y: box.y.span ? box.y : { ...box.y, offset: offset.y },
  };
}

/** The box of a view: as large as the surface, whatever it holds; but for the padding of its look. */
export function boxOfView(view: ViewSource, rightToLeft: boolean): Box {
  const padding = paddingOf(view.padding);
  const whole = {
    mode: modeOf(auto),
    size: zero,
    weight: 0,
    min: undefined,
    max: undefined,
    anchorStart: 0,
    anchorEnd: 1,
    span: true,
    pivot: 0,
    offset: zero,
    insetStart: zero,
    insetEnd: zero,
    marginStart: 0,
    marginEnd: 0,
    scrolls: false,
    scrolled: 0,
  };
  const between = gapOf(view.gap);
  return {
    x: { ...whole, paddingStart: padding.left, paddingEnd: padding.right, gap: between.x },
    y: { ...whole, paddingStart: padding.top, paddingEnd: padding.bottom, gap: between.y },
    ...containerOf(view, rightToLeft),
    alignSelf: undefined,
    justifySelf: undefined,
    columnSpan: 1,
    rowSpan: 1,
    aspect: 0,
    target: undefined,
    targetEnd: undefined,
    targetsTurned: false,
    full: true,
    reference: undefined,
  };
}

type ArrangingKeys = 'arrange' | 'reverse' | 'rightToLeft' | 'align' | 'justify' | 'columns' | 'rows';

function containerOf(source: WidgetSource | ViewSource, rightToLeft: boolean): Pick<Box, ArrangingKeys> {
  const arrange = source.arrange ?? usualArrangement('kind' in source ? source.kind : undefined);
  const cells = arrange === 'grid' || arrange === 'layers' || arrange === 'pages';
  return {
    arrange,
    reverse: source.reverse ?? false,
    rightToLeft,
    align: source.align ?? 'stretch',
    justify: source.justify ?? (cells ? 'stretch' : 'start'),
    columns: arrange === 'grid' ? sure(readColumns(source.columns ?? 1), 'columns') : undefined,
    rows: source.rows === undefined ? content : sure(readTrack(source.rows), 'rows'),
  };
}

/** Anchors said with start and end, turned round where the writing goes from right to left. */
export function mirrored(anchor: Pair<AxisAnchor>, rightToLeft: boolean): Pair<AxisAnchor> {
  if (!rightToLeft || !anchor.x.logical) return anchor;
  return { ...anchor, x: { ...anchor.x, start: 1 - anchor.x.end, end: 1 - anchor.x.start } };
}

function paddingOf(said: WidgetSource['padding']): Sides<Length> {
  return said === undefined ? zeroSides : sure(readSides(said), 'padding');
}

/** A box with the padding of a look, which holds where the widget itself says none. */
export function withPadding(box: Box, { left, right, top, bottom }: Sides<Length>): Box {
  return {
    ...box,
    x: { ...box.x, paddingStart: left, paddingEnd: right },
    y: { ...box.y, paddingStart: top, paddingEnd: bottom },
  };
}

function modeOf(size: Size | undefined): SizeMode {
  return size?.mode ?? 'auto';
}

function lengthOf(size: Size | undefined): Length {
  return size?.mode === 'fixed' ? size.length : zero;
}

function weightOf(size: Size | undefined): number {
  return size?.mode === 'fill' ? size.weight : 0;
}

function optionalLength(value: number | string | undefined, key: string): Length | undefined {
  return value === undefined ? undefined : sure(readLength(value), key);
}

function sure<T>(value: T | undefined, key: string): T {
  // Whatever stands in a document has been checked; only what a parameter brought can be wrong here.
  if (value === undefined)
    throw new BuildError(`what is put in for a name in "${key}" cannot stand there`, pointerTo('', key));
  return value;
}
