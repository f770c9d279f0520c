/** How a player reaches a game on a screen. */
export type InputDevice = 'touch' | 'mouse' | 'keys' | 'pad';

/** The kinds of device the catalogue has. */
export type ScreenClass =
  'phone' | 'tablet' | 'handheld' | 'laptop' | 'desktop' | 'wide' | 'television' | 'window';

/** What notches, rounded corners and overscan take away from each edge, in device px. */
export interface Edges {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

/** A display, or the window a game gets on one. */
export interface Screen {
  /** The name in the catalogue, or WIDTHxHEIGHT. */
  readonly name: string;
  /** A few words for people. */
  readonly title: string;
  readonly group: ScreenClass;
  /** Device px. */
  readonly width: number;
  /** Device px. */
  readonly height: number;
  /** Device pixels per inch. */
  readonly density: number;
  /** Safe insets in device px. */
  readonly safe: Edges;
  /** The radius of its rounded corners in device px; 0 where they are square. */
  readonly corners: number;
  /** How far the eyes are from the glass, in millimetres. */
  readonly distance: number;
  readonly inputs: readonly InputDevice[];
}

/** What {@link makeScreen} needs; everything left out has the value of an ordinary desktop monitor. */
export interface ScreenSize {
  readonly name?: string;
  readonly title?: string;
  /** window if left out. */
  readonly group?: ScreenClass;
  /** Device px, finite and not negative. */
  readonly width: number;
  /** Device px, finite and not negative. */
  readonly height: number;
  /** Device pixels per inch; 96 (the CSS reference pixel) if left out. */
  readonly density?: number;
  /** Safe insets in device px: `[top, right, bottom, left]`, or named. */
  readonly safe?: Edges | readonly [top: number, right: number, bottom: number, left: number];
  /** The radius of rounded corners in device px; 0 if left out. */
  readonly corners?: number;
  /** Millimetres; 600 if left out. */
  readonly distance?: number;
  readonly inputs?: readonly InputDevice[];
}

/** The largest width or height of a screen, in device px. */
const largestScreenSide = 100_000;

/**
 * Makes a screen from a size.
 * @throws RangeError when a number is not finite, negative or larger than 100 000.
 */
export function makeScreen(size: ScreenSize): Screen {
  const screen = isWhole(size) ? size : filledIn(size);
  const { safe } = screen;
  refuse(screen.width, 'width', 0, largestScreenSide);
  refuse(screen.height, 'height', 0, largestScreenSide);
  refuse(screen.density, 'density', 1, 10_000);
  refuse(screen.distance, 'distance', 1, 1_000_000);
  refuse(screen.corners, 'radius of the corners', 0, largestScreenSide);
  refuse(safe.top, 'safe inset (top)', 0, largestScreenSide);
  refuse(safe.right, 'safe inset (right)', 0, largestScreenSide);
  refuse(safe.bottom, 'safe inset (bottom)', 0, largestScreenSide);
  refuse(safe.left, 'safe inset (left)', 0, largestScreenSide);
  if (safe.left + safe.right > screen.width || safe.top + safe.bottom > screen.height) {
    throw new RangeError(`the safe insets of screen ${screen.name} leave nothing of it`);
  }
  return screen;
}

/** Whether nothing was left out: then the screen is taken as it is, and nothing is made. */
function isWhole(size: ScreenSize): size is Screen {
  return (
    size.name !== undefined &&
    size.title !== undefined &&
    size.group !== undefined &&
    size.density !== undefined &&
    size.safe !== undefined &&
    size.corners !== undefined &&
    !isList(size.safe) &&
    size.distance !== undefined &&
    size.inputs !== undefined
  );
}

function filledIn(size: ScreenSize): Screen {
  return {
    name: size.name ?? `${size.width}x${size.height}`,
    title: size.title ?? `${size.width} × ${size.height}`,
    group: size.group ?? 'window',
    width: size.width,
    height: size.height,
    density: size.density ?? 96,
    safe: edgesOf(size.safe),
    corners: size.corners ?? 0,
    distance: size.distance ?? 600,
    inputs: size.inputs ?? ['mouse', 'keys'],
  };
}

function edgesOf(safe: ScreenSize['safe']): Edges {
  if (safe === undefined) return { top: 0, right: 0, bottom: 0, left: 0 };
  if (!isList(safe)) return safe;
  const [top, right, bottom, left] = safe;
  return { top, right, bottom, left };
}

function isList(safe: Edges | readonly number[]): safe is readonly [number, number, number, number] {
  return Array.isArray(safe);
}

function refuse(value: number, what: string, least: number, most: number): void {
  if (!(value >= least && value <= most)) {
    throw new RangeError(`the ${what} of a screen is a number from ${least} to ${most}, not ${value}`);
  }
}
