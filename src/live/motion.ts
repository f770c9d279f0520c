import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import type { Box } from '../skeleton/index.ts';
import {
  eased,
  leastScale,
  type Fill,
  type Look,
  type Rgba,
  type Transition,
  type TransitionKey,
} from '../theme/index.ts';

/* What takes time to change: docs/live.md, Transitions. Time is handed in. */

/** One key of a widget on its way. */
export interface Moving {
  readonly key: TransitionKey;
  readonly transition: Transition;
  /** What is shown changes from the one to the other widget's. */
  readonly from: Widget;
  readonly to: Widget;
  /** In milliseconds. */
  readonly elapsed: number;
}

/** How one key is read off widgets, and what is between two. */
interface Movable {
  isSame(one: Widget, other: Widget): boolean;
  /** Whether what is shown is what is to be; where that is more than to be the same. */
  hasArrived?(shown: Widget, after: Widget): boolean;
  /** A widget with the key between those of two others; undefined where nothing lies between. */
  between(widget: Widget, from: Widget, to: Widget, share: number): Widget | undefined;
}

/**
 * What is on its way when a widget is to be another one.
 * @param shown What is shown now. @param before What it was to be until now. @param after What it is to be.
 */
export function startMoving(
  shown: Widget,
  before: Widget,
  after: Widget,
  moving: readonly Moving[],
): readonly Moving[] {
  const next: Moving[] = [];
  for (const [key, movable] of Object.entries(movables) as [TransitionKey, Movable][]) {
    const known = moving.find((one) => one.key === key);
    if (known && movable.isSame(known.to, after)) {
      next.push({ ...known, to: after });
      continue;
    }
    if (movable.isSame(before, after) && !known) continue;
    const transition = transitionOf(after.look.transition, key);
    if (!transition || (movable.hasArrived ?? movable.isSame)(shown, after)) continue;
    if (movable.between(after, shown, after, 0) === undefined) continue;
    next.push({ key, transition, from: shown, to: after, elapsed: 0 });
  }
  return next;
}

/** What is on its way when a widget has come that was not there before. */
export function startAppearing(widget: Widget): readonly Moving[] {
  const unseen = { ...widget, visible: false };
  return widget.visible ? startMoving(unseen, unseen, widget, []) : [];
}

/** Whether a widget takes time to go out of sight. */
export function fadesAway({ visible, look }: Widget): boolean {
  return visible && look.opacity > 0 && transitionOf(look.transition, 'visible') !== undefined;
}

/** Whether a widget is on its way out of sight. */
export function isLeaving(moving: readonly Moving[]): boolean {
  return moving.some(({ key, to }) => key === 'visible' && !to.visible);
}

/** The same so many milliseconds later: what has arrived is left out. */
export function movedOn(moving: readonly Moving[], ms: number): readonly Moving[] {
  return moving
    .map((one) => ({ ...one, elapsed: one.elapsed + ms }))
    .filter(({ elapsed, transition }) => elapsed < transition.delay + transition.duration);
}

/** A widget as it is shown while some of it is on its way. */
export function shownWhile(target: Widget, moving: readonly Moving[]): Widget {
  let widget = target;
  for (const { key, transition, from, to, elapsed } of moving) {
    const share = eased(transition.ease, (elapsed - transition.delay) / transition.duration);
    widget = movables[key].between(widget, from, to, share) ?? widget;
  }
  return widget;
}

function transitionOf(all: readonly Transition[], key: TransitionKey): Transition | undefined {
  // Entries that come by while a list is scrolled are not to fade in because their colours take time.
  const found = all.findLast((one) => one.key === key || (one.key === 'all' && key !== 'visible'));
  return found && found.delay + found.duration > 0 ? found : undefined;
}

const mix = (from: number, to: number, share: number) => from + (to - from) * share;

/** Colours are mixed with their opacity worked in (CSS Color 4 §12.3). */
function mixedColor(from: Rgba, to: Rgba, share: number): Rgba {
  const a = Math.min(1, Math.max(0, mix(from.a, to.a, share)));
  const part = (one: number, other: number) =>
    a === 0 ? 0 : Math.min(1, Math.max(0, mix(one * from.a, other * to.a, share) / a));
  return { r: part(from.r, to.r), g: part(from.g, to.g), b: part(from.b, to.b), a };
}

const clear: Rgba = { r: 0, g: 0, b: 0, a: 0 };

function colorOf(fill: Fill | undefined): Rgba | undefined {
  if (fill === undefined) return clear;
  return fill.type === 'color' ? fill.color : undefined;
}

const isSameColor = (one: Rgba | undefined, other: Rgba | undefined) =>
  one === other || (one?.r === other?.r && one?.g === other?.g && one?.b === other?.b && one?.a === other?.a);

function withLook(widget: Widget, changes: Partial<Look>): Widget {
  return { ...widget, look: { ...widget.look, ...changes } };
}

/** A colour of a look that is nothing where it is unsaid. */
function color(key: 'color' | 'imageTint' | 'trailColor' | 'handleColor'): Movable {
  return {
    isSame: (one, other) => isSameColor(one.look[key], other.look[key]),
    between(widget, { look: from }, { look: to }, share) {
      const [one, other] = [from[key], to[key]];
      if (!one || !other) return undefined;
      return withLook(widget, { [key]: mixedColor(one, other, share) });
    },
  };
}

const isSameLength = (one: Box['x']['offset'], other: Box['x']['offset']) =>
  one.u === other.u && one.share === other.share;

const mixedLength = (from: Box['x']['offset'], to: Box['x']['offset'], share: number) => ({
  u: mix(from.u, to.u, share),
  share: mix(from.share, to.share, share),
});

/** A length of a box on both axes. */
function length(key: 'offset' | 'size'): Movable {
  const isFixed = (box: Box) => key === 'offset' || (box.x.mode === 'fixed' && box.y.mode === 'fixed');
  return {
    isSame: ({ box: one }, { box: other }) =>
      isSameLength(one.x[key], other.x[key]) && isSameLength(one.y[key], other.y[key]),
    between(widget, { box: from }, { box: to }, share) {
      if (!isFixed(from) || !isFixed(to)) return undefined;
      const { box } = widget;
      const x = { ...box.x, [key]: mixedLength(from.x[key], to.x[key], share) };
      const y = { ...box.y, [key]: mixedLength(from.y[key], to.y[key], share) };
      return { ...widget, box: { ...box, x, y } };
    },
  };
}

/** What comes into sight takes input and the focus from the first moment on, when none of 255 steps shows it yet. */
const leastSeen = 1 / 1024;

const opacityOf = ({ visible, leaves, look }: Widget) => (visible || leaves === true ? look.opacity : 0);

const rotationOf = ({ source }: Widget) => (source as WidgetSource).rotate ?? 0;

const movables: { readonly [Key in TransitionKey]: Movable } = {
  'background': {
    isSame: ({ look: one }, { look: other }) =>
      one.background === other.background ||
      JSON.stringify(one.background) === JSON.stringify(other.background),
    between(widget, { look: from }, { look: to }, share) {
      const [one, other] = [colorOf(from.background), colorOf(to.background)];
      if (!one || !other) return undefined;
      return withLook(widget, { background: { type: 'color', color: mixedColor(one, other, share) } });
    },
  },
  'color': color('color'),
  'border': {
    isSame: ({ look: one }, { look: other }) =>
      one.borderWidth === other.borderWidth && isSameColor(one.borderColor, other.borderColor),
    between: (widget, { look: from }, { look: to }, share) =>
      withLook(widget, {
        borderWidth: mix(from.borderWidth, to.borderWidth, share),
        borderColor: mixedColor(from.borderColor ?? clear, to.borderColor ?? clear, share),
      }),
  },
  'radius': {
    isSame: ({ look: one }, { look: other }) =>
      one.radius === other.radius || JSON.stringify(one.radius) === JSON.stringify(other.radius),
    between: (widget, { look: { radius: from } }, { look: { radius: to } }, share) =>
      withLook(widget, {
        radius: {
          topLeft: mix(from.topLeft, to.topLeft, share),
          topRight: mix(from.topRight, to.topRight, share),
          bottomRight: mix(from.bottomRight, to.bottomRight, share),
          bottomLeft: mix(from.bottomLeft, to.bottomLeft, share),
        },
      }),
  },
  'image-tint': color('imageTint'),
  'trail-color': color('trailColor'),
  'handle-color': color('handleColor'),
  'opacity': {
    isSame: ({ look: one }, { look: other }) => one.opacity === other.opacity,
    between: (widget, { look: from }, { look: to }, share) =>
      withLook(widget, { opacity: Math.min(1, Math.max(0, mix(from.opacity, to.opacity, share))) }),
  },
  'scale': {
    isSame: ({ look: one }, { look: other }) => one.scale === other.scale,
    between: (widget, { look: from }, { look: to }, share) =>
      withLook(widget, { scale: Math.max(leastScale, mix(from.scale, to.scale, share)) }),
  },
  'offset': length('offset'),
  'size': length('size'),
  'rotate': {
    isSame: (one, other) => rotationOf(one) === rotationOf(other),
    between: (widget, from, to, share) => ({
      ...widget,
      source: { ...widget.source, rotate: mix(rotationOf(from), rotationOf(to), share) },
    }),
  },
  'value': {
    isSame: (one, other) => one.value === other.value && one.trail === other.trail,
    between: (widget, from, to, share) => ({
      ...widget,
      value: mix(from.value, to.value, share),
      trail: mix(from.trail, to.trail, share),
    }),
  },
  // What comes into sight or goes out of it does so by its opacity. After `opacity`, which it takes the place of.
  'visible': {
    isSame: (one, other) => one.visible === other.visible,
    hasArrived: (shown, after) =>
      shown.visible === after.visible && shown.leaves !== true && shown.look.opacity === after.look.opacity,
    between(widget, from, to, share) {
      const opacity = Math.min(1, mix(opacityOf(from), opacityOf(to), share));
      const least = widget.visible && widget.look.opacity > 0 ? leastSeen : 0;
      return { ...withLook(widget, { opacity: Math.max(least, opacity) }), leaves: !widget.visible };
    },
  },
};
