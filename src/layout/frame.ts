import {
  readLimits,
  readPivot,
  readScreenSize,
  type PartReferenceSource,
  type ReferenceSource,
  type Scaling,
  type Spare,
} from '../document/index.ts';
import { makeScreen, type Edges, type Screen } from '../screen/index.ts';

/** The reference of a document with everything that was left out filled in. */
export interface Reference {
  /** In u, which are px at the reference. */
  readonly width: number;
  readonly height: number;
  readonly scaling: Scaling;
  readonly spare: Spare;
  /** The least and the most device px one u becomes. */
  readonly leastScale: number;
  readonly mostScale: number;
  /** The scale is a multiple of this; 0 for any. */
  readonly step: number;
  readonly blend: number;
  readonly millimetres: number;
  readonly leastMillimetres: number;
  /** Where the surface stands between bars, as fractions. */
  readonly alignX: number;
  readonly alignY: number;
}

/** The reference of a part of a view: what it says, and the size of the view's where it says none. */
export function referenceOfPart(source: PartReferenceSource, whole: Reference): Reference {
  return referenceOf({ size: `${whole.width}x${whole.height}`, ...source });
}

export function referenceOf(source: ReferenceSource | undefined): Reference {
  const size = readScreenSize(source?.size ?? '1920x1080')!;
  const limits = readLimits(source?.limits ?? '..')!;
  const align = readPivot(source?.align ?? 'center') ?? { x: 0.5, y: 0.5 };
  return {
    ...size,
    scaling: source?.scaling ?? 'contain',
    spare: source?.spare ?? 'extend',
    leastScale: limits.least,
    mostScale: limits.most,
    step: source?.step ?? (source?.scaling === 'whole' ? 1 : 0),
    blend: source?.blend ?? 0.5,
    millimetres: source?.millimetres ?? 25.4 / 96,
    leastMillimetres: source?.['least-millimetres'] ?? 0,
    alignX: align.x,
    alignY: align.y,
  };
}

/** How a view is put on a screen: docs/layout-model.md, section 1. */
export interface Frame {
  readonly screen: Screen;
  /** The player's; 1 is what the author drew. */
  readonly hudSize: number;
  /** Device px per u. */
  readonly scale: number;
  /** Where the surface starts on the screen, in device px. */
  readonly originX: number;
  readonly originY: number;
  /** The size of the surface, in u. */
  readonly width: number;
  readonly height: number;
  /** The safe insets of the surface, in u. */
  readonly safe: Edges;
}

/** The weighted geometric mean of two numbers. */
export function weighted(one: number, other: number, share: number): number {
  return one ** (1 - share) * other ** share;
}

/** One short function for each scaling: device px per u for a screen and a reference (equations 1.1). */
const scalings: { readonly [Name in Scaling]: (screen: Screen, reference: Reference) => number } = {
  contain: ({ width, height }, to) => Math.min(width / to.width, height / to.height),
  cover: ({ width, height }, to) => Math.max(width / to.width, height / to.height),
  width: ({ width }, to) => width / to.width,
  height: ({ height }, to) => height / to.height,
  blend: ({ width, height }, to) => weighted(width / to.width, height / to.height, to.blend),
  none: () => 1,
  physical: ({ density }, to) => (density / 25.4) * to.millimetres,
  whole: ({ width, height }, to) => Math.max(1, Math.floor(Math.min(width / to.width, height / to.height))),
};

/** A frame that can be placed on another screen without making a new one. */
export class MutableFrame implements Frame {
  screen: Screen = nowhere;
  hudSize = 1;
  scale = 0.5;
  originX = 0.5;
  originY = 0.5;
  width = 0.5;
  height = 0.5;
  readonly safe = { top: 0.5, right: 0.5, bottom: 0.5, left: 0.5 };

  /**
   * Places the surface on a screen.
   * @param hudSize The player's HUD size; 1 is what the author drew.
   */
  place(reference: Reference, screen: Screen, hudSize: number): this {
    const fitted = scalings[reference.scaling](screen, reference);
    const scale = heldScale(fitted, reference, screen, hudSize);
    const bars = reference.spare === 'bars';
    const areaWidth = bars ? Math.min(screen.width, reference.width * fitted) : screen.width;
    const areaHeight = bars ? Math.min(screen.height, reference.height * fitted) : screen.height;
    const originX = (screen.width - areaWidth) * reference.alignX;
    const originY = (screen.height - areaHeight) * reference.alignY;
    this.screen = screen;
    this.hudSize = hudSize;
    this.scale = scale;
    this.originX = originX;
    this.originY = originY;
    // A screen without area has no scale; the reference stands in for its surface, drawn at size 0.
    const drawn = scale > 0;
    this.width = drawn ? areaWidth / scale : reference.width;
    this.height = drawn ? areaHeight / scale : reference.height;
    const { safe } = this;
    safe.top = drawn ? Math.max(0, screen.safe.top - originY) / scale : 0;
    safe.right = drawn ? Math.max(0, screen.safe.right - (screen.width - areaWidth - originX)) / scale : 0;
    safe.bottom = drawn
      ? Math.max(0, screen.safe.bottom - (screen.height - areaHeight - originY)) / scale
      : 0;
    safe.left = drawn ? Math.max(0, screen.safe.left - originX) / scale : 0;
    return this;
  }

  /** The same as something that no longer changes. */
  copy(): Frame {
    return { ...this, safe: { ...this.safe } };
  }
}

const nowhere = makeScreen({ width: 0, height: 0 });

/** How a view is put on a screen. */
export function frameOf(reference: Reference, screen: Screen, hudSize: number): Frame {
  return new MutableFrame().place(reference, screen, hudSize).copy();
}

/** Device px per u of a part of a view that keeps a reference of its own, on the same screen (equation 1.5). */
export function scaleOfPart(reference: Reference, { screen, hudSize }: Frame): number {
  return heldScale(scalings[reference.scaling](screen, reference), reference, screen, hudSize);
}

/** The fitted scale with the player's HUD size, step and limits (equation 1.2). */
function heldScale(fitted: number, reference: Reference, screen: Screen, hudSize: number): number {
  const wanted = stepped(fitted * hudSize, reference);
  const least = Math.max(reference.leastScale, (reference.leastMillimetres * screen.density) / 25.4);
  return Math.max(least, Math.min(reference.mostScale, wanted));
}

/** Rounded down to a multiple of the step, but never to nothing. */
function stepped(scale: number, { step }: Reference): number {
  if (step === 0 || scale <= 0) return scale;
  return Math.max(1, Math.floor(scale / step + 1e-9)) * step;
}
