import {
  kinds,
  states,
  type CheckedDocument,
  type Kind,
  type State,
  type WidgetSource,
  choiceKeyOf,
} from '../document/index.ts';
import { Theme, contrastRatio, hexOf, kindStyle, parseColor, type Rgba } from '../theme/index.ts';
import { openView, type Backdrop, type View } from './view.ts';
import type { Resources } from './resources.ts';
import { listOf, styleWall, type WordsOf } from './sheet-styles.ts';

/** A view of every kind in every state, and of every style and token, one theme after the other. */
export interface ThemeSheet {
  readonly view: View;
  /** Device px, at which one u is one px. */
  readonly width: number;
  readonly height: number;
}

export interface SheetOptions {
  readonly resources: Resources;
  /** Names of the document's themes, undefined for the one it is seen in; all that have names if left out. */
  readonly themes?: readonly (string | undefined)[];
  /** What is behind the sheet; the mean colour of what is behind the document's first view if left out. */
  readonly backdrop?: string;
}

const sheetWidth = 1600;
const margin = 40;
const labelWidth = 150;
/** Of what the sheet says itself, in no theme's look. */
const plain = {
  'font': 'Inter',
  'font-size': 16,
  'font-weight': 400,
  'letter-spacing': 0,
  'text-transform': 'none',
} as const;

/** The widget as it is, then each state. */
const columns: readonly (State | undefined)[] = [undefined, ...states];

/** Lays out the sheet of a document's themes. */
export function themeSheet(document: CheckedDocument, options: SheetOptions): ThemeSheet {
  const names = options.themes ?? [...document.named.keys()];
  const shown = names.length > 0 ? names : [undefined];
  const backdrop = options.backdrop ?? groundOf(document, options.resources);
  const [first] = Object.values(document.source.views);
  const children = shown.map((name) => section(document, name, first?.style, backdrop));
  const sheet: WidgetSource = {
    id: 'sheet',
    anchor: 'left..right top',
    inset: `${margin} ${margin}`,
    offset: `0 ${margin}`,
    arrange: 'column',
    gap: 56,
    children: children,
  };
  const views = { 'theme-sheet': { backdrop, children: [scrolled, sheet] } };
  const reference = { size: `${sheetWidth}x1000`, scaling: 'none' as const };
  const { components: _components, cases: _cases, ...rest } = document.source;
  const own = { ...document, source: { ...rest, reference, views } };
  const view = openView(own, 'theme-sheet', { resources: options.resources });
  const { height } = view.layoutOn({ width: sheetWidth, height: 1000 }).rect('sheet');
  return { view, width: sheetWidth, height: Math.ceil(height + 2 * margin) };
}

function section(
  document: CheckedDocument,
  name: string | undefined,
  style: WidgetSource['style'],
  backdrop: string,
): WidgetSource {
  const theme = new Theme(document, name);
  const ink = readable(backdrop);
  const words = (text: string, look = {}): WidgetSource => ({
    kind: 'text',
    text: text.replace(/[\\[\]]/g, '\\$&').replace(/[{}']/g, "'$&'"),
    wrap: false,
    look: { ...plain, color: ink, ...look },
  });
  const children: WidgetSource[] = [
    words(name ?? 'Theme', { 'font-size': 34, 'font-weight': 700 }),
    kindGrid(document, theme, words),
    words('=  looks as it is     4.5:1  contrast with what it is used on, at its lowest', {
      'opacity': 0.8,
      'font-size': 14,
    }),
    words('Styles', { 'font-size': 22, 'font-weight': 700 }),
    styleWall(document, theme, listOf(style), parseColor(backdrop) ?? black, words),
    words('Tokens', { 'font-size': 22, 'font-weight': 700 }),
    tokenWall(theme, words),
  ];
  return {
    ...(name !== undefined && { theme: name }),
    ...(style !== undefined && { style }),
    look: { background: 'transparent' },
    arrange: 'column',
    gap: 20,
    children,
  };
}

/** Kinds that draw nothing where nobody gave them a look, or nothing to show. */
const bareKinds: ReadonlySet<Kind> = new Set(['panel', 'canvas', 'scrollbar', 'radiogroup', 'listbox']);

/** What the scrollbars of a sheet scroll: without anything there would be none. */
const scrolled = {
  id: 'scrolled',
  visible: false,
  size: [40, 1],
  scroll: 'x',
  children: [{ size: [100, 1] }],
} as const satisfies WidgetSource;

/** Above the names of the kinds, and beside those of the states. */
const corner: WidgetSource = {};

/** Rows are kinds, columns are states. */
function kindGrid(document: CheckedDocument, theme: Theme, words: WordsOf): WidgetSource {
  const head = columns.map((state) => words(state ?? 'as it is', { opacity: 0.8 }));
  const samples = samplesOf(document);
  const shown = kinds.filter((kind) => !bareKinds.has(kind) || theme.find(kindStyle(kind)));
  const rows = shown.flatMap((kind) => [
    words(kind),
    ...columns.map((state): WidgetSource => ({
      arrange: 'row',
      align: 'center',
      children: [
        state === undefined || hasLook(theme, kind, state)
          ? inState(samples[kind], state)
          : words('=', { opacity: 0.8 }),
      ],
    })),
  ]);
  return {
    arrange: 'grid',
    columns: `${labelWidth} ${columns.map(() => 'fill').join(' ')}`,
    gap: '18 16',
    align: 'center',
    children: [corner, ...head, ...rows],
  };
}

/** Whether a kind looks otherwise in a state, by the theme or by what the kind is. */
function hasLook(theme: Theme, kind: Kind, state: State): boolean {
  if (state === 'checked' && (kind === 'checkbox' || kind === 'switch')) return true;
  if (state === 'focused' && kind === 'textbox') return true;
  const dressed = choiceKeyOf(kind) === undefined ? kind : 'button';
  return Object.keys(theme.stateChanges(kindStyle(dressed), state)).length > 0;
}

/** A widget in a state; tabs are in the states of their buttons. */
function inState(widget: WidgetSource, state: State | undefined): WidgetSource {
  if (state === undefined) return widget;
  if (choiceKeyOf(widget.kind) === undefined) return { ...widget, states: state };
  return { ...widget, children: widget.children!.map((child) => inState(child, state)) };
}

/** One widget of each kind, small enough for its cell. */
function samplesOf(document: CheckedDocument): { readonly [Name in Kind]: WidgetSource } {
  const pictures = Object.entries(document.source.pictures ?? {});
  // An atlas is no picture itself.
  const [picture] = pictures.find(([, said]) => typeof said !== 'string' || !/\.json$/i.test(said)) ?? [];
  return {
    panel: { kind: 'panel', size: [140, 44] },
    text: { kind: 'text', text: 'Words', wrap: false },
    image: picture === undefined ? { kind: 'image', size: 56 } : { kind: 'image', image: picture, size: 56 },
    button: { kind: 'button', text: 'Press', wrap: false },
    checkbox: { kind: 'checkbox' },
    switch: { kind: 'switch' },
    slider: { kind: 'slider', value: 0.6, width: 140 },
    textbox: { kind: 'textbox', text: 'Words', width: 140 },
    meter: { kind: 'meter', value: 0.5, trail: 0.75, width: 140 },
    separator: { kind: 'separator', size: [140, 4] },
    tabs: { kind: 'tabs', children: [{ kind: 'button', text: 'One', wrap: false }] },
    dialog: {
      kind: 'dialog',
      arrange: 'column',
      look: { veil: 'transparent' },
      children: [{ kind: 'text', text: 'Sure?', wrap: false }],
    },
    tooltip: { kind: 'tooltip', text: 'A hint', wrap: false },
    canvas: { kind: 'canvas', size: [140, 44] },
    scrollbar: { kind: 'scrollbar', controls: scrolled.id, size: [140, 12] },
    radiogroup: { kind: 'radiogroup', children: [{ kind: 'button', text: 'One', wrap: false }] },
    listbox: { kind: 'listbox', children: [{ kind: 'button', text: 'One', wrap: false }] },
  };
}

function tokenWall(theme: Theme, words: WordsOf): WidgetSource {
  const cells = [...theme.tokens.names()].flatMap((name): WidgetSource[] => {
    const answer = theme.tokens.resolve(name);
    if (!('value' in answer)) return [];
    const color = parseColor(String(answer.value));
    const value = color ? hexOf(color) : String(answer.value);
    const swatch: WidgetSource = {
      size: 36,
      look: color ? { background: hexOf(color), border: '1 #88888880', radius: 4 } : {},
    };
    const label: WidgetSource = {
      arrange: 'column',
      width: 176,
      children: [words(name, { 'font-size': 14 }), words(value, { 'font-size': 14, 'opacity': 0.8 })],
    };
    return [{ arrange: 'row', gap: 10, align: 'center', children: color ? [swatch, label] : [label] }];
  });
  return { arrange: 'wrap', gap: '14 20', align: 'center', children: cells };
}

/** The mean colour of what is behind the first view; a plain dark where nothing is said. */
function groundOf(document: CheckedDocument, resources: Resources): string {
  const [name] = Object.keys(document.source.views);
  const [behind] = name === undefined ? [] : openView(document, name, { resources }).backdrops;
  const mean = behind && meanOf(behind);
  return mean ? hexOf({ ...mean, a: 1 }) : '#20303a';
}

function meanOf(behind: Backdrop): Rgba | undefined {
  if (behind.type === 'color') return behind.color;
  const { sample: pixels } = behind.picture;
  if (!pixels) return undefined;
  const sum = [0, 0, 0];
  for (let at = 0; at < pixels.data.length; at += 4)
    for (const part of [0, 1, 2]) sum[part] = sum[part]! + pixels.data[at + part]!;
  const [r, g, b] = sum.map((part) => part / (pixels.data.length / 4) / 255);
  return { r: r!, g: g!, b: b!, a: 1 };
}

/** Black or white, whichever stands out from a colour. */
function readable(ground: string): string {
  const color = parseColor(ground) ?? black;
  return contrastRatio(black, color) > contrastRatio(white, color) ? '#000000' : '#ffffff';
}

const black: Rgba = { r: 0, g: 0, b: 0, a: 1 };
const white: Rgba = { r: 1, g: 1, b: 1, a: 1 };
