import { createCanvas } from '@napi-rs/canvas';
import { loadImage } from '@napi-rs/canvas';
import {
  readPicture,
  type DocumentSource,
  type Picture,
  type ThemeFileSource,
  type WidgetSource,
} from 'pimbot';
import { type CheckId } from 'pimbot/tools';

/** A document and the theme files it names. */
export interface Sample {
  readonly document: DocumentSource;
  /** Whether it has to be looked at on the whole catalogue. */
  readonly isWhole?: boolean;
  readonly files?: { readonly [path: string]: ThemeFileSource };
}

/** One kind of mistake: a view that is right, and the same with the mistake in it. */
export interface Defect {
  readonly name: string;
  /** The check that has to find it. */
  readonly check: CheckId;
  /** Id of the widget, or name of what it is about, that has to be found. */
  readonly widget: string;
  make(place: Place, nth: number): { readonly clean: Sample; readonly broken: Sample };
}

/** Puts a widget somewhere in a view. */
export type Place = (widget: WidgetSource) => WidgetSource;

const points = [
  ['left top', '60 60'],
  ['center top', '0 60'],
  ['right top', '-60 60'],
  ['left center', '60 0'],
  ['center', '0 0'],
  ['right center', '-60 0'],
  ['left bottom', '60 -60'],
  ['center bottom', '0 -60'],
  ['right bottom', '-60 -60'],
] as const;

/** Where in the view each place is, for what lies over it. */
export const spots: readonly WidgetSource[] = [
  ...points.map(([anchor, offset]) => ({ anchor, offset })),
  { anchor: 'center' },
];

/** Ten places: at the corners, the edges, in the middle, and inside a column. */
export const places: readonly Place[] = [
  ...points.map(([anchor, offset]): Place => (widget) => ({ anchor, offset, ...widget })),
  (widget) => ({
    id: 'column',
    anchor: 'center',
    padding: 30,
    arrange: 'column',
    align: 'start',
    children: [widget],
  }),
];

export const plate = { background: '#0d4452', border: '2 #58bfb0', radius: 8 };
export const words = { 'font-size': 40, 'color': '#ffffff' };
const disabled = { disabled: { opacity: 0.6 } };
export const focus = {
  button: { background: '#0d4452', states: { focused: { border: '4 #ffffff' }, ...disabled } },
  checkbox: { states: disabled },
  switch: { states: disabled },
  slider: { states: disabled },
  textbox: { states: disabled },
} as const;

/** What a button shows that has nothing else on it. */
const mark: WidgetSource = { anchor: 'center', size: ['40%', '40%'], look: { background: '#58bfb0' } };

/** Puts a mark on every button that says nothing: that would be a mistake of its own. */
function marked(widget: WidgetSource): WidgetSource {
  if (widget.children) return { ...widget, children: widget.children.map(marked) };
  const { kind, text, image, use } = widget;
  return kind === 'button' && text === undefined && image === undefined && use === undefined
    ? { ...widget, children: [mark] }
    : widget;
}

/** A view of these widgets; the numbers keep it readable on every screen. */
export function view(
  children: readonly WidgetSource[],
  { pictures, ...more }: Partial<DocumentSource> = {},
  backdrop = '#04202a',
): Sample {
  // One that is not shown would be a mistake of its own.
  const written = JSON.stringify([children, more]);
  const shown = Object.entries(pictures ?? {}).filter(([name]) => new RegExp(`\\b${name}\\b`).test(written));
  return {
    document: {
      pimbot: 1,
      reference: { 'size': '1920x1080', 'limits': '1..', 'least-millimetres': 0.11 },
      kinds: focus,
      ...(pictures && { pictures: Object.fromEntries(shown) }),
      ...more,
      views: { v: { backdrop, children: children.map((child) => named(marked(child))) } },
    },
  };
}

const nameable: ReadonlySet<string | undefined> = new Set([
  'button',
  'checkbox',
  'switch',
  'slider',
  'textbox',
]);

/** A widget in which every control without a text has a name: an empty one is a mistake that is meant. */
function named(widget: WidgetSource): WidgetSource {
  const isNameless = nameable.has(widget.kind) && widget.text === undefined && widget.label === undefined;
  return {
    ...widget,
    ...(isNameless && { label: widget.id ?? 'it' }),
    ...(widget.children && { children: widget.children.map(named) }),
  };
}

/** The same place with a widget that is right and one that is not. */
export const swap =
  (
    right: (nth: number) => WidgetSource,
    wrong: (nth: number) => WidgetSource,
    more: Partial<DocumentSource> = {},
  ) =>
  (place: Place, nth: number) => ({
    clean: view([place({ id: 'w', ...right(nth) })], more),
    broken: view([place({ id: 'w', ...wrong(nth) })], more),
  });

/** A widget that is right by itself, and a change of the whole view. */
export const box = (width = 200, height = 90): WidgetSource => ({ size: [width, height], look: plate });
export const text = (said: string, look = {}): WidgetSource => ({
  kind: 'text',
  text: said,
  wrap: false,
  look: { ...words, ...look },
});
export const inner = (child: WidgetSource, around: WidgetSource = {}): WidgetSource => ({
  size: [300, 200],
  look: plate,
  ...around,
  children: [child],
});
export const pictures = { art: 'art.png', tiny: 'tiny.png', frame: 'frame.svg' };
export const image = (more: WidgetSource): WidgetSource => ({ kind: 'image', image: 'art', ...more });
export const component = { box: { children: [{ id: 'in', look: plate, size: 90 }] } } as const;

/** The pictures the defects show. */
export async function defectPictures(): Promise<Map<string, Picture>> {
  const square = (side: number): Buffer => {
    const context = createCanvas(side, side).getContext('2d');
    context.fillStyle = '#c08040';
    context.fillRect(0, 0, side, side);
    return context.canvas.toBuffer('image/png');
  };
  const frame = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="90"><rect width="90" height="90" fill="#c08040"/></svg>',
  );
  const made = { art: square(512), tiny: square(32), frame };
  const found = new Map<string, Picture>();
  for (const [name, bytes] of Object.entries(made)) {
    const sample = { width: 1, height: 1, data: new Uint8ClampedArray([192, 128, 64, 255]) };
    found.set(name, { ...readPicture(name, bytes), drawable: await loadImage(bytes), sample });
  }
  return found;
}
