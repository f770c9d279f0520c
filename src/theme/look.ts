import {
  plainSides,
  readPlainSides,
  readSides,
  type Length,
  type LookSource,
  type Notations,
  type Sides,
} from '../document/index.ts';
import type { Rgba } from './color.ts';
import { parseCorners, square, type Corners } from './corners.ts';
import { parseFill, type Fill } from './fill.ts';
import { parseTransitions, transitionNotation, type Transition } from './transition.ts';
import { parseShadows, parseStroke, type Shadow, type Stroke } from './shadow.ts';

/** How a widget looks, every value resolved. Lengths are in u. */
export interface Look {
  readonly background: Fill | undefined;
  readonly color: Rgba;
  readonly borderWidth: number;
  readonly borderColor: Rgba | undefined;
  readonly radius: Corners;
  /** Under the box, the first on top. */
  readonly shadow: readonly Shadow[];
  /** The picture it shows in place of the widget's own, and its cuts. */
  readonly image: string | undefined;
  readonly slice: number | string | undefined;
  /** What a picture's colours are multiplied by. */
  readonly imageTint: Rgba | undefined;
  /** Where a meter was before; a shade of its colour where it is unsaid. */
  readonly trailColor: Rgba | undefined;
  /** Of the handle of a slider or switch; its colour where it is unsaid. */
  readonly handleColor: Rgba | undefined;
  /** What a dialog lays over all that is behind it. */
  readonly veil: Rgba | undefined;
  /** Drawn round the letters, outside of them. */
  readonly textOutline: Stroke | undefined;
  readonly textShadow: readonly Shadow[];
  /** Of this widget alone, 0 to 1; the painter multiplies it down the tree. */
  readonly opacity: number;
  /** How many times as large it is drawn, about its pivot (CSS Transforms 2 §5): of this widget alone, as the opacity. */
  readonly scale: number;
  readonly font: string;
  readonly fontSize: number;
  readonly fontWeight: number;
  /** A multiple of the font size. */
  readonly lineHeight: number;
  readonly letterSpacing: number;
  readonly textAlign: 'start' | 'center' | 'end';
  /** Where the lines of a text stand from top to bottom. */
  readonly alignContent: 'start' | 'center' | 'end';
  readonly italic: boolean;
  /** Digits of one width. */
  readonly tabular: boolean;
  readonly uppercase: boolean;
  readonly padding: Sides<Length> | undefined;
  /** What takes time to change in a running game. */
  readonly transition: readonly Transition[];
}

/** The names in a list of font families, with commas between as in CSS's font-family. */
export function familyNames(families: string): string[] {
  return families
    .split(',')
    .map((name) => name.trim().replace(/^(["'])(.*)\1$/, '$2'))
    .filter((name) => name !== '');
}

/** The least that a widget is drawn at: one that is not to be seen says so by its opacity. */
export const leastScale = 0.01;

/** The font family that is always there. */
export const defaultFont = 'Inter';

/** The look of the root before any style. */
export const plainLook: Look = {
  background: undefined,
  color: { r: 1, g: 1, b: 1, a: 1 },
  borderWidth: 0,
  borderColor: undefined,
  radius: square,
  shadow: [],
  image: undefined,
  slice: undefined,
  imageTint: undefined,
  trailColor: undefined,
  handleColor: undefined,
  veil: undefined,
  textOutline: undefined,
  textShadow: [],
  opacity: 1,
  scale: 1,
  font: defaultFont,
  fontSize: 24,
  fontWeight: 400,
  lineHeight: 1.25,
  letterSpacing: 0,
  textAlign: 'start',
  alignContent: 'center',
  italic: false,
  tabular: false,
  uppercase: false,
  padding: undefined,
  transition: [],
};

/** The keys that, as in CSS, a child has from its parent where nothing says them, and what they set. */
export const inheritedKeys = {
  'color': 'color',
  'font': 'font',
  'font-size': 'fontSize',
  'font-weight': 'fontWeight',
  'font-style': 'italic',
  'font-variant-numeric': 'tabular',
  'line-height': 'lineHeight',
  'letter-spacing': 'letterSpacing',
  'text-align': 'textAlign',
  'text-transform': 'uppercase',
  'text-outline': 'textOutline',
  'text-shadow': 'textShadow',
} as const satisfies { readonly [Key in keyof LookSource]?: keyof Look };

const inheritedFields = Object.values(inheritedKeys);

function copy<Key extends keyof Look>(
  from: Look,
  key: Key,
  into: { -readonly [One in keyof Look]: Look[One] },
): void {
  into[key] = from[key];
}

/** What a child starts from: what concerns text is its parent's, the box is its own. */
export function inherited(parent: Look): Look {
  const look: { -readonly [Key in keyof Look]: Look[Key] } = { ...plainLook };
  for (const field of inheritedFields) copy(parent, field, look);
  return look;
}

/** Whether children start from the same in both. */
export function handsOnTheSame(one: Look, other: Look): boolean {
  return inheritedFields.every(
    (field) => one[field] === other[field] || JSON.stringify(one[field]) === JSON.stringify(other[field]),
  );
}

type Changes = { -readonly [Key in keyof Look]?: Look[Key] };
type Reader = (value: string | number, into: Changes, colorOf: Notations['color']) => boolean;

const amount =
  (
    key: 'opacity' | 'scale' | 'fontSize' | 'fontWeight' | 'lineHeight' | 'letterSpacing',
    least: number,
    most: number,
  ): Reader =>
  (value, into) => {
    // What is put in for a name may be anything.
    const text = typeof value === 'string' ? value.trim().replace(/(px|u)$/, '') : '';
    const number = typeof value === 'number' ? value : text === '' ? NaN : Number(text);
    if (!(number >= least && number <= most)) return false;
    into[key] = number;
    return true;
  };

/** A value that is one of these. */
const oneOf =
  <Key extends 'textAlign' | 'alignContent'>(key: Key, choices: readonly Look[Key][]): Reader =>
  (value, into) => {
    const found = choices.find((choice) => choice === value);
    if (found !== undefined) into[key] = found;
    return found !== undefined;
  };

/** A value that is on or off, each with a word of its own. */
const either =
  (key: 'uppercase' | 'italic' | 'tabular', off: string, on: string): Reader =>
  (value, into) => {
    into[key] = value === on;
    return value === on || value === off;
  };

/** Takes a value over where there is one. */
function set<Key extends keyof Look>(into: Changes, key: Key, value: Look[Key] | undefined): boolean {
  if (value !== undefined) into[key] = value;
  return value !== undefined;
}

/** A colour. */
const colorAs =
  (key: 'color' | 'imageTint' | 'trailColor' | 'handleColor' | 'veil'): Reader =>
  (value, into, colorOf) =>
    set(into, key, colorOf(String(value)));

/** One reader for each key of a look; the value has its tokens filled in. False: it is not such a value. */
const readers: { readonly [Key in keyof LookSource]-?: { read: Reader; expected: string } } = {
  'background': {
    expected: 'a colour, a linear-gradient(…) or a radial-gradient(…)',
    read: (value, into, colorOf) => set(into, 'background', parseFill(String(value), colorOf)),
  },
  'color': { expected: 'a colour', read: colorAs('color') },
  'image': {
    expected: 'the name of a picture',
    read: (value, into) => {
      into.image = String(value);
      return typeof value === 'string';
    },
  },
  'slice': {
    expected: plainSides,
    read: (value, into) => {
      into.slice = value;
      return readPlainSides(value) !== undefined;
    },
  },
  'image-tint': { expected: 'a colour', read: colorAs('imageTint') },
  'trail-color': { expected: 'a colour', read: colorAs('trailColor') },
  'handle-color': { expected: 'a colour', read: colorAs('handleColor') },
  'veil': { expected: 'a colour', read: colorAs('veil') },
  'border': {
    expected: 'a width in u and a colour, such as "2 #9fd8e6"',
    read: (value, into, colorOf) => {
      const stroke = parseStroke(String(value), colorOf);
      if (!stroke) return false;
      into.borderWidth = stroke.width;
      into.borderColor = stroke.color;
      return true;
    },
  },
  'radius': {
    expected: 'one to four numbers of u from 0 to 10000',
    read: (value, into) => set(into, 'radius', parseCorners(value)),
  },
  'shadow': {
    expected: 'lengths and a colour, such as "0 8 24 #00000080", or none',
    read: (value, into, colorOf) => set(into, 'shadow', parseShadows(String(value), 4, colorOf)),
  },
  'text-shadow': {
    expected: 'lengths and a colour, such as "0 2 4 #000000c0", or none',
    read: (value, into, colorOf) => set(into, 'textShadow', parseShadows(String(value), 3, colorOf)),
  },
  'text-outline': {
    expected: 'a width in u and a colour, such as "2 #04202a", or none',
    read: (value, into, colorOf) => {
      into.textOutline = parseStroke(String(value), colorOf);
      return into.textOutline !== undefined || value === 'none';
    },
  },
  'opacity': { expected: 'a number from 0 to 1', read: amount('opacity', 0, 1) },
  'scale': { expected: 'a number from 0.01 to 10', read: amount('scale', leastScale, 10) },
  'font': {
    expected: 'the name of a font family',
    read: (value, into) => {
      into.font = String(value);
      return typeof value === 'string';
    },
  },
  'font-size': { expected: 'a number of u from 1 to 2000', read: amount('fontSize', 1, 2000) },
  'font-weight': { expected: 'a number from 1 to 1000', read: amount('fontWeight', 1, 1000) },
  'line-height': { expected: 'a number from 0.5 to 5', read: amount('lineHeight', 0.5, 5) },
  'letter-spacing': {
    expected: 'a number of u from -100 to 1000',
    read: amount('letterSpacing', -100, 1000),
  },
  'text-align': { expected: 'start, center or end', read: oneOf('textAlign', ['start', 'center', 'end']) },
  'align-content': {
    expected: 'start, center or end',
    read: oneOf('alignContent', ['start', 'center', 'end']),
  },
  'font-style': { expected: 'normal or italic', read: either('italic', 'normal', 'italic') },
  'font-variant-numeric': {
    expected: 'normal or tabular-nums',
    read: either('tabular', 'normal', 'tabular-nums'),
  },
  'text-transform': { expected: 'none or uppercase', read: either('uppercase', 'none', 'uppercase') },
  'padding': {
    expected: 'one to four lengths in the order of CSS: top right bottom left',
    read: (value, into) => {
      const sides = readSides(value);
      if (!sides) return false;
      into.padding = sides;
      return true;
    },
  },
  'transition': {
    expected: transitionNotation,
    read: (value, into) => set(into, 'transition', parseTransitions(String(value))),
  },
};

/** The keys a look can set. */
export const lookKeys = Object.keys(readers) as (keyof LookSource)[];

/** Reads one key's value into `into`; gives what was expected where the value is wrong. */
export function readLookValue(
  key: keyof LookSource,
  value: string | number,
  into: Changes,
  colorOf: Notations['color'],
): string | undefined {
  const { read, expected } = readers[key];
  return isPlain(value) && read(value, into, colorOf) ? undefined : expected;
}

/** Whether a value is one, or a list of such: what is put in for a name may be a list of maps. */
function isPlain(value: unknown): boolean {
  return Array.isArray(value) ? value.every((one) => typeof one !== 'object') : typeof value !== 'object';
}

export type LookChanges = Readonly<Changes>;
export type MutableLookChanges = Changes;
