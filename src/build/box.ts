import {
  readAnchor,
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
  type Sides,
  type Size,
  type ViewSource,
  type WidgetSource,
} from '../document/index.ts';

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
  readonly paddingStart: number;
  readonly paddingEnd: number;
  readonly marginStart: number;
  readonly marginEnd: number;
}

/** All that the layout has to know of a widget but what is inside it. */
export interface Box {
  readonly x: AxisBox;
  readonly y: AxisBox;
  readonly arrange: Arrangement;
  /** In u. */
  readonly gap: number;
  readonly align: Alignment;
  readonly justify: Justification;
  readonly alignSelf: Alignment | undefined;
  /** A child of the view that is placed on the full surface instead of the safe part. */
  readonly full: boolean;
}

/** How large the inside of a leaf is; text and pictures give one. Lengths are in u, without padding. */
export interface Measure {
  /** The width it would like. */
  readonly widest: number;
  /** The width below which it sticks out. */
  readonly least: number;
  heightAt(width: number): number;
}

const zero: Length = { u: 0, share: 0 };
const auto: Size | undefined = undefined;

/** The box of a widget. Notations have been checked: one that cannot be read is an error of the engine. */
export function boxOf(widget: WidgetSource, lookPadding: Sides<Length> | undefined): Box {
  const anchor = sure(readAnchor(widget.anchor ?? 'left top'));
  const pivot = widget.pivot === undefined ? undefined : sure(readPivot(widget.pivot));
  const offset = sure(readLengthPair(widget.offset ?? 0));
  const inset = sure(readInset(widget.inset ?? 0, { x: anchor.x.span, y: anchor.y.span }));
  const both = widget.size === undefined ? undefined : sure(readSizePair(widget.size));
  const width = widget.width === undefined ? (both?.x ?? auto) : sure(readSize(widget.width));
  const height = widget.height === undefined ? (both?.y ?? auto) : sure(readSize(widget.height));
  const padding = paddingOf(widget.padding, lookPadding);
  const margin = sure(readSides(widget.margin ?? 0));
  return {
    x: {
      ...sizeOf(width),
      min: optionalLength(widget['min-width']),
      max: optionalLength(widget['max-width']),
      anchorStart: anchor.x.start,
      anchorEnd: anchor.x.end,
      span: anchor.x.span,
      pivot: pivot?.x ?? (anchor.x.start + anchor.x.end) / 2,
      offset: anchor.x.span ? zero : offset.x,
      insetStart: anchor.x.span ? inset.left : zero,
      insetEnd: anchor.x.span ? inset.right : zero,
      paddingStart: padding.left.u,
      paddingEnd: padding.right.u,
      marginStart: margin.left.u,
      marginEnd: margin.right.u,
    },
    y: {
      ...sizeOf(height),
      min: optionalLength(widget['min-height']),
      max: optionalLength(widget['max-height']),
      anchorStart: anchor.y.start,
      anchorEnd: anchor.y.end,
      span: anchor.y.span,
      pivot: pivot?.y ?? (anchor.y.start + anchor.y.end) / 2,
      offset: anchor.y.span ? zero : offset.y,
      insetStart: anchor.y.span ? inset.top : zero,
      insetEnd: anchor.y.span ? inset.bottom : zero,
      paddingStart: padding.top.u,
      paddingEnd: padding.bottom.u,
      marginStart: margin.top.u,
      marginEnd: margin.bottom.u,
    },
    ...containerOf(widget),
    alignSelf: widget['align-self'],
    full: widget.area === 'full',
  };
}

/** The box of a view: as large as the surface, whatever it holds. */
export function boxOfView(view: ViewSource, lookPadding: Sides<Length> | undefined): Box {
  const padding = paddingOf(view.padding, lookPadding);
  const whole = {
    ...sizeOf(auto),
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
  };
  return {
    x: { ...whole, paddingStart: padding.left.u, paddingEnd: padding.right.u },
    y: { ...whole, paddingStart: padding.top.u, paddingEnd: padding.bottom.u },
    ...containerOf(view),
    alignSelf: undefined,
    full: true,
  };
}

function containerOf(source: WidgetSource | ViewSource): Pick<Box, 'arrange' | 'gap' | 'align' | 'justify'> {
  return {
    arrange: source.arrange ?? 'free',
    gap: source.gap ?? 0,
    align: source.align ?? 'stretch',
    justify: source.justify ?? 'start',
  };
}

function paddingOf(said: WidgetSource['padding'], look: Sides<Length> | undefined): Sides<Length> {
  return said === undefined
    ? (look ?? { top: zero, right: zero, bottom: zero, left: zero })
    : sure(readSides(said));
}

function sizeOf(size: Size | undefined): Pick<AxisBox, 'mode' | 'size' | 'weight'> {
  return {
    mode: size?.mode ?? 'auto',
    size: size?.mode === 'fixed' ? size.length : zero,
    weight: size?.mode === 'fill' ? size.weight : 0,
  };
}

function optionalLength(value: number | string | undefined): Length | undefined {
  return value === undefined ? undefined : sure(readLength(value));
}

function sure<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('a notation reached build/ that document/ should have refused');
  return value;
}
