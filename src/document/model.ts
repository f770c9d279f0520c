import type { MessagePart, Rgba, TokenValues } from './notations.ts';
import type { Parsed, Positions } from './parse.ts';
import { isTemplate } from './templates.ts';
import { pointerTo, type Json } from './pointer.ts';
import type { Range, SourceText } from './source.ts';

/** The kinds of widget. */
export const kinds = [
  'panel',
  'text',
  'image',
  'button',
  'checkbox',
  'switch',
  'slider',
  'textbox',
  'meter',
  'separator',
  'tabs',
  'dialog',
  'tooltip',
  'canvas',
  'scrollbar',
  'radiogroup',
  'listbox',
] as const;
export type Kind = (typeof kinds)[number];

/** Kinds that take the focus, are pressed or dragged. */
export const controlKinds = [
  'button',
  'checkbox',
  'switch',
  'slider',
  'textbox',
] as const satisfies readonly Kind[];

/** Kinds of which one of the children is chosen: a key says which. */
export const choiceKeys = { tabs: 'page', radiogroup: 'selection', listbox: 'selection' } as const;

/** The key that says which of the children of a widget is chosen; undefined where none is. */
export function choiceKeyOf(kind: Kind | undefined): 'page' | 'selection' | undefined {
  return kind !== undefined && kind in choiceKeys ? choiceKeys[kind as keyof typeof choiceKeys] : undefined;
}

/** How a kind arranges its children where nobody says. */
export function usualArrangement(kind: Kind | undefined): Arrangement {
  if (kind === 'tabs') return 'row';
  return choiceKeyOf(kind) === undefined ? 'free' : 'column';
}

/** Where a pad or arrow keys move the focus, as CSS names it (CSS Basic UI 3, §7.1). */
export const directions = ['nav-up', 'nav-right', 'nav-down', 'nav-left'] as const;
export type Direction = (typeof directions)[number];

export const arrangements = ['free', 'row', 'column', 'wrap', 'grid', 'layers', 'pages'] as const;
export type Arrangement = (typeof arrangements)[number];

export const alignments = ['start', 'center', 'end', 'stretch', 'baseline'] as const;
export type Alignment = (typeof alignments)[number];

export const justifications = [
  'start',
  'center',
  'end',
  'space-between',
  'space-around',
  'space-evenly',
  'stretch',
] as const;
export type Justification = (typeof justifications)[number];

export const scalings = [
  'contain',
  'cover',
  'width',
  'height',
  'blend',
  'none',
  'physical',
  'whole',
] as const;
export type Scaling = (typeof scalings)[number];

export const spares = ['extend', 'bars'] as const;
export type Spare = (typeof spares)[number];

export const fits = ['fill', 'contain', 'cover', 'none', 'scale-down'] as const;
export type Fit = (typeof fits)[number];

export const imageEdges = ['stretch', 'repeat', 'round', 'space'] as const;
/** How a part of a picture fills a length: the words of CSS's border-image-repeat. */
export type ImageEdges = (typeof imageEdges)[number];

/** A number of u, or a notation such as `"50% - 24"`; docs/document.md has the grammar. */
export type LengthNotation = number | string;
export type LengthsNotation = number | string | readonly LengthNotation[];

/** The keys of a look: what a style may set. Colours are CSS colours or `$token`. */
export interface LookSource {
  /** A colour, `linear-gradient(…)` or `radial-gradient(…)`. */
  readonly 'background'?: string;
  /** Of the text, of a meter's filled part. */
  readonly 'color'?: string;
  /** Width in u and a colour: `"2 $color.line"`. */
  readonly 'border'?: string;
  /** Of the corners, in u: one to four, from the left top corner clockwise. */
  readonly 'radius'?: number | string;
  /** `x y blur spread colour` in u, several with commas between, or none. */
  readonly 'shadow'?: string;
  /** The name of a picture that is shown in place of the widget's. */
  readonly 'image'?: string;
  /** How far from its edges that picture is cut into nine, in its own px. */
  readonly 'slice'?: number | string;
  /** What a picture's colours are multiplied by. */
  readonly 'image-tint'?: string;
  /** Of the part of a meter between `trail` and `value`. */
  readonly 'trail-color'?: string;
  /** Of the handle of a slider or switch. */
  readonly 'handle-color'?: string;
  /** What a dialog lays over all that is behind it. */
  readonly 'veil'?: string;
  /** 0 to 1, of the widget and all that is in it. */
  readonly 'opacity'?: number | string;
  /** How many times as large it and all that is in it are drawn, about its pivot; sizes and places stay. */
  readonly 'scale'?: number | string;
  readonly 'font'?: string;
  /** In u. */
  readonly 'font-size'?: number | string;
  readonly 'font-weight'?: number | string;
  /** As a multiple of the font size. */
  readonly 'line-height'?: number | string;
  /** In u. */
  readonly 'letter-spacing'?: number | string;
  readonly 'text-align'?: 'start' | 'center' | 'end';
  readonly 'text-transform'?: 'none' | 'uppercase';
  /** Round the letters: a width in u and a colour, or none. */
  readonly 'text-outline'?: string;
  /** `x y blur colour` in u, several with commas between, or none. */
  readonly 'text-shadow'?: string;
  /** Where the lines of a text stand between top and bottom; center if left out. */
  readonly 'align-content'?: 'start' | 'center' | 'end';
  readonly 'font-style'?: 'normal' | 'italic';
  /** `tabular-nums`: digits of one width, for numbers that change. */
  readonly 'font-variant-numeric'?: 'normal' | 'tabular-nums';
  /** One to four lengths in the order of CSS, in u. */
  readonly 'padding'?: LengthsNotation;
  /** What takes time to change in a running game: `background 120ms ease-out`, several with commas, or none. */
  readonly 'transition'?: string;
}

/** States of a widget, in the order in which their looks are put on: a later one wins. */
export const states = ['hover', 'focused', 'selected', 'checked', 'pressed', 'disabled'] as const;
export type State = (typeof states)[number];

export interface StyleSource extends LookSource {
  /** What changes in a state. */
  readonly states?: { readonly [Name in State]?: LookSource };
  /** The style this one starts from. */
  readonly extends?: string;
}

/** What views and widgets say of what is in them. */
export interface ContainerSource {
  /** Ids of controls in it, in the order the focus visits them. */
  readonly 'focus-order'?: readonly string[];
  /** closed: moving the focus does not leave it; open: the focus looks in it first, and comes back to where it was. */
  readonly 'focus-scope'?: FocusScope;
  /** Past its end the focus goes on at its other end. */
  readonly 'focus-wrap'?: boolean;
  readonly 'arrange'?: Arrangement;
  readonly 'reverse'?: boolean;
  readonly 'columns'?: number | string | readonly (number | string)[];
  readonly 'rows'?: number | string;
  /** The id of the child that is chosen: of a radio group or list box. */
  readonly 'selection'?: string;
  /** The id of the page that is shown. */
  readonly 'page'?: string;
  readonly 'padding'?: LengthsNotation;
  readonly 'gap'?: LengthsNotation;
  readonly 'align'?: Alignment;
  readonly 'justify'?: Justification;
  readonly 'direction'?: 'ltr' | 'rtl';
  readonly 'children'?: readonly WidgetSource[];
}

export const focusScopes = ['open', 'closed'] as const;
export type FocusScope = (typeof focusScopes)[number];

/** Ids of controls: where the focus goes from one. */
export type NeighboursSource = { readonly [Key in Direction]?: string };

/** A widget as a document holds it. Lengths are in u. */
export interface WidgetSource extends ContainerSource, NeighboursSource {
  /** The component it is an instance of; other keys may then be the component's parameters. */
  readonly 'use'?: string;
  /** Changes of this instance: id of a widget of the component → keys. */
  readonly 'set'?: { readonly [id: string]: WidgetSource };
  /** Where the children given to an instance go. */
  readonly 'slot'?: boolean;
  readonly 'repeat'?: RepeatSource;
  readonly 'when'?: readonly WhenSource<WidgetSource>[];
  readonly 'id'?: string;
  readonly 'kind'?: Kind;
  readonly 'style'?: string | readonly string[];
  readonly 'look'?: LookSource;
  /** The states it is in. */
  readonly 'states'?: State | readonly State[];
  /** Short for the look's `color`. */
  readonly 'tint'?: string;
  readonly 'anchor'?: string | number | readonly (string | number)[];
  readonly 'pivot'?: string | number | readonly (string | number)[];
  readonly 'offset'?: LengthsNotation;
  readonly 'inset'?: LengthsNotation | { readonly [side: string]: LengthNotation };
  readonly 'area'?: 'safe' | 'full' | 'bleed';
  readonly 'size'?: LengthsNotation;
  readonly 'width'?: LengthNotation;
  readonly 'height'?: LengthNotation;
  readonly 'min-width'?: LengthNotation;
  readonly 'max-width'?: LengthNotation;
  readonly 'min-height'?: LengthNotation;
  readonly 'max-height'?: LengthNotation;
  readonly 'margin'?: LengthsNotation;
  readonly 'align-self'?: Alignment;
  readonly 'justify-self'?: Alignment;
  /** Width divided by height: `1.5`, `"16/9"`. */
  readonly 'aspect'?: number | string;
  /** The id of the widget it is anchored to instead of its parent. */
  readonly 'anchor-to'?: string;
  /** Its drawing order among its siblings, from low to high; 0 if left out. */
  readonly 'z'?: number;
  /** Degrees, clockwise, about the pivot; the layout does not see it. */
  readonly 'rotate'?: number;
  /** Degrees along x and y, about the pivot. */
  readonly 'skew'?: number | string | readonly number[];
  /** Another scaling for this widget and all that is in it. */
  readonly 'reference'?: PartReferenceSource;
  readonly 'column-span'?: number;
  readonly 'row-span'?: number;
  /** Not there at all: takes no room. */
  readonly 'gone'?: boolean | string;
  readonly 'overflow'?: 'visible' | 'clip';
  readonly 'scroll'?: 'x' | 'y' | 'both';
  readonly 'scroll-offset'?: LengthsNotation;
  /** Where an entry stands in what shows it when scrolling comes to rest (CSS Scroll Snap). */
  readonly 'scroll-snap'?: 'start' | 'center' | 'end';
  readonly 'may-overlap'?: boolean | readonly string[];
  /** Findings of this widget that are meant: check → the reason why. */
  readonly 'accept'?: { readonly [check: string]: string };
  readonly 'visible'?: boolean | string;
  /** Of a repeat over a list: the field that entries are told apart by, for their ids. */
  readonly 'key'?: string;
  /** none: it and what is in it take no input; what lies under it does (CSS UI 4, pointer-events). */
  readonly 'pointer-events'?: 'auto' | 'none';
  /** Where it takes input: `box`, `ellipse`, `picture` or `picture 0.2`. */
  readonly 'hit-area'?: string;
  /** Of a control: it gets the focus first in the scope it is in (HTML, autofocus). */
  readonly 'autofocus'?: boolean;
  /** A pointer that drags takes it along (HTML, draggable); what that does is the game's. */
  readonly 'draggable'?: boolean;
  /** Of a slider: its value is a multiple of this, and keys change it by it. */
  readonly 'step'?: number;
  /** The name of a control for screen readers; its text if left out. */
  readonly 'label'?: string;
  /** Whether a screen reader announces a change of it, and how soon (ARIA, aria-live). */
  readonly 'live'?: 'off' | 'polite' | 'assertive';
  readonly 'text'?: string | number;
  readonly 'wrap'?: boolean;
  /** The most lines of its text. */
  readonly 'max-lines'?: number;
  /** Where a text that does not fit is shortened. */
  readonly 'ellipsis'?: 'none' | 'end' | 'middle';
  /** In u: a text that does not fit is shrunk, down to this. */
  readonly 'least-font-size'?: number;
  readonly 'image'?: string;
  readonly 'fit'?: Fit;
  /** The point of the picture that is put at the same point of the widget. */
  readonly 'image-position'?: string | number | readonly (string | number)[];
  /** The picture over and over instead of once. */
  readonly 'tile'?: Exclude<ImageEdges, 'stretch'>;
  /** How far from its edges a picture is cut into nine, in its own px. */
  readonly 'slice'?: LengthsNotation;
  readonly 'slice-edges'?: ImageEdges;
  readonly 'slice-center'?: 'fill' | 'hollow';
  readonly 'flip'?: 'x' | 'y' | 'both';
  /** `pixelated`: pixels stay sharp. */
  readonly 'image-rendering'?: 'auto' | 'pixelated';
  readonly 'value'?: number | string;
  /** Where a meter was before: 0 to 1. */
  readonly 'trail'?: number | string;
  /** Whether a checkbox or switch is on. */
  readonly 'checked'?: boolean | string;
  /** Of a control: it takes no input. */
  readonly 'disabled'?: boolean | string;
  /** Of a button among tabs: the page it shows. Of a scrollbar: the id of what it scrolls. */
  readonly 'controls'?: string;
  /** The id of its tooltip, and of that of the controls in it. */
  readonly 'tooltip'?: string;
  /** Of a tooltip. */
  readonly 'side'?: 'top' | 'right' | 'bottom' | 'left';
  readonly 'at'?: 'control' | 'pointer';
  /** Of a sign: drawn only while what it `controls` can be scrolled further to that side. */
  readonly 'shows-more'?: 'top' | 'right' | 'bottom' | 'left';
  /** Of a scrollbar: out of sight so many ms after the last scroll. */
  readonly 'hides-after'?: number;
  /** What an empty textbox says. */
  readonly 'placeholder'?: string;
  /** Another of the document's themes, for it and all that is in it. */
  readonly 'theme'?: string;
  readonly 'segments'?: number;
  readonly 'fill-from'?: 'left' | 'right' | 'top' | 'bottom' | 'clockwise' | 'counterclockwise';
  /** Of a round meter: how thick its ring is, in u. */
  readonly 'ring'?: number;
}

/** A view: its root widget, which fills the surface, and what stands behind it in the game. */
export interface ViewSource extends ContainerSource {
  readonly use?: undefined;
  readonly when?: readonly WhenSource<ViewSource>[];
  readonly title?: string;
  readonly backdrop?: string | readonly string[];
  readonly style?: string | readonly string[];
  readonly look?: LookSource;
  /** The screens it is made for; on others nothing is promised, and nothing is looked at. */
  readonly supports?: SupportSource;
  /** What has to hold on every screen. */
  readonly expect?: readonly PromiseSource[];
  /** Findings of anything in it that are meant: check → reason. */
  readonly accept?: { readonly [check: string]: string };
}

/** Screens a view is made for, in device px; any where a side is left out. */
export interface SupportSource {
  /** The smallest: `960x540`. */
  readonly from?: string;
  /** The largest. */
  readonly to?: string;
  /** Width divided by height: `1.25..3.6`. */
  readonly aspect?: string;
}

/** Something the author of a view promises of its widgets; docs/document.md has the kinds. */
export interface PromiseSource {
  readonly 'widget'?: string;
  readonly 'widgets'?: readonly string[];
  /** `safe`, `screen`, or the id of a widget. */
  readonly 'within'?: string;
  readonly 'never'?: 'overlap';
  readonly 'touching'?: boolean;
  readonly 'aligned'?: 'left' | 'right' | 'center' | 'top' | 'bottom' | 'middle';
  readonly 'same'?: 'width' | 'height' | 'size';
  readonly 'order'?: 'start to end' | 'left to right' | 'right to left' | 'top to bottom';
  /** Amounts such as `48`, `"9 mm"`, `"40 px"`, `"0.5 deg"`. */
  readonly 'at-least'?: { readonly width?: number | string; readonly height?: number | string };
  readonly 'at-most'?: { readonly width?: number | string; readonly height?: number | string };
  readonly 'visible'?: boolean;
  /** The screens it is promised for; all if left out. */
  readonly 'on'?: ScreenConditionSource;
  /** Why, for whoever breaks it. */
  readonly 'because'?: string;
}

/** The reference of a part of a view that keeps another scaling; its size is the document's where it is unsaid. */
export type PartReferenceSource = Omit<ReferenceSource, 'spare' | 'align'>;

export interface ReferenceSource {
  /** `1920x1080`. */
  readonly 'size'?: string;
  readonly 'scaling'?: Scaling;
  readonly 'spare'?: Spare;
  /** The least and the most device px a u becomes: `"1..3"`. */
  readonly 'limits'?: string;
  /** Of scaling blend: 0 follows the width, 1 the height; 0.5 if left out. */
  readonly 'blend'?: number;
  /** Of scaling physical: millimetres one u is on every screen. */
  readonly 'millimetres'?: number;
  /** The least millimetres one u is on the glass: fine displays get larger px, not smaller letters. */
  readonly 'least-millimetres'?: number;
  /** The scale is a multiple of this, rounded down. */
  readonly 'step'?: number;
  /** Where the surface stands between bars: `center`, `left top` … */
  readonly 'align'?: string;
}

/** What a screen must be like; every key that is said has to hold. Ranges are `"..800"`, `"1.."`, `"0.5..2"`. */
export interface ScreenConditionSource {
  /** Width divided by height. */
  readonly aspect?: string;
  /** Of the surface, in u. */
  readonly width?: string;
  /** Of the surface, in u. */
  readonly height?: string;
  readonly orientation?: 'portrait' | 'landscape';
  /** One of the screen's input devices. */
  readonly input?: 'touch' | 'mouse' | 'keys' | 'pad';
  /** Millimetres from the eyes. */
  readonly distance?: string;
}

/** Keys that change on some screens; later entries win over earlier ones. */
export interface WhenSource<Changes> {
  readonly screen: ScreenConditionSource;
  readonly change: Changes;
}

/** How often a widget is there: so many times, or once for each entry of a list of the case. */
export type RepeatSource = number | string;

/** The types of a component's parameters. */
export const parameterTypes = ['text', 'number', 'color', 'length', 'boolean', 'name', 'map'] as const;
export type ParameterType = (typeof parameterTypes)[number];
export type ParameterSource =
  ParameterType | { readonly type: ParameterType; readonly default?: string | number | boolean };

/** A widget tree with parameters. */
export interface ComponentSource extends WidgetSource {
  readonly params?: { readonly [name: string]: ParameterSource };
}

/** A token of the Design Tokens format, a group of them, or its value alone. */
export type TokenSource =
  string | number | boolean | readonly TokenSource[] | { readonly [name: string]: TokenSource };

/** A theme: tokens and styles, in a file of its own or in the document. */
export interface ThemeSource {
  /** Paths of files in the Design Tokens format. */
  readonly 'token-files'?: string | readonly string[];
  readonly 'tokens'?: { readonly [name: string]: TokenSource };
  readonly 'styles'?: { readonly [name: string]: StyleSource };
  /** What every widget of a kind starts from. */
  readonly 'kinds'?: { readonly [Name in Kind]?: StyleSource };
  /** Font families: name → weight → path of a font file. */
  readonly 'fonts'?: { readonly [family: string]: { readonly [weight: string]: string } };
}

/** A value of a case; a list is there to be repeated over, the parts of a map are values of their own: `pick.price`. */
export type CaseValue = Scalar | CaseMap | readonly CaseEntry[];
export type CaseEntry = Scalar | CaseMap;
export type CaseMap = { readonly [part: string]: CaseValue };
export type Scalar = string | number | boolean;

/** A whole document, as written in YAML or JSON or built in TypeScript. */
export interface DocumentSource extends ThemeSource {
  readonly pimbot: 1;
  readonly reference?: ReferenceSource;
  /** Path of a theme file, or one of the names in `themes`. */
  readonly theme?: string;
  /** Names → paths of theme files. */
  readonly themes?: { readonly [name: string]: string };
  /** The language of its texts, a BCP 47 tag; `en` if left out. */
  readonly language?: string;
  /** Paths of catalogs (JSON or PO) by locale. */
  readonly catalogs?: { readonly [locale: string]: string };
  /** Names of pictures → paths of files. */
  readonly pictures?: { readonly [name: string]: PictureSource };
  /** Sample values a view is shown with. */
  readonly cases?: { readonly [name: string]: { readonly [value: string]: CaseValue } };
  /** Further variations to check, beside screens, themes and cases. */
  readonly vary?: VarySource;
  readonly components?: { readonly [name: string]: ComponentSource };
  readonly views: { readonly [name: string]: ViewSource };
}

/** What players set, and what else views are checked in. */
export interface VarySource {
  /** Locales, pseudo-locales among them; the language and all catalogs if left out. */
  readonly 'locales'?: readonly string[];
  readonly 'hud-sizes'?: readonly number[];
  readonly 'text-sizes'?: readonly number[];
  /** States that every control is put in, one after the other, beside none. */
  readonly 'states'?: readonly State[];
}

/** The path of a picture or atlas, or of one file for each density: how many px of it stand for one px. */
export type PictureSource = string | { readonly [density: string]: string };

/** A theme file. */
export interface ThemeFileSource extends ThemeSource {
  readonly 'pimbot-theme': 1;
}

/** Where the parts of a checked document or theme stand; empty for one given as an object. */
export class Origin {
  readonly source: SourceText | undefined;
  readonly #positions: Positions | undefined;

  constructor(source?: SourceText, positions?: Positions) {
    this.source = source;
    this.#positions = positions;
  }

  /** `file:line:column` of the value of a pointer; the file alone where it is not there, undefined where there is none. */
  place(pointer: string, file = this.source?.name): string | undefined {
    const range = this.#positions?.valueAt(pointer);
    if (!this.source || !range) return file;
    const { line, column } = this.source.placeOf(range.start);
    return `${file}:${line}:${column}`;
  }

  /** A value that was read from it with its text and positions, as if it were parsed again. */
  parsed(value: Json): Parsed | undefined {
    return this.source && this.#positions && { value, source: this.source, positions: this.#positions };
  }

  /** The pointer with the text and range of its value. */
  at(pointer: string): { pointer: string; source?: SourceText; range?: Range } {
    return { pointer, source: this.source, range: this.#positions?.valueAt(pointer) };
  }

  /** The pointer with the text and range of its key. */
  atKey(pointer: string): { pointer: string; source?: SourceText; range?: Range } {
    return { pointer, source: this.source, range: this.#positions?.keyAt(pointer) };
  }
}

/** A theme that has passed every check. */
export interface CheckedTheme {
  readonly theme: ThemeSource;
  readonly origin: Origin;
  /** Tokens from files of their own, in the order they are named. */
  readonly tokenFiles: readonly TokenFile[];
}

/** A file in the Design Tokens format. */
export interface TokenFile {
  readonly tokens: { readonly [name: string]: TokenSource };
  readonly origin: Origin;
}

/**
 * How notations of open standards are read that a document uses. Reading all of them takes parsers that a game need not load:
 * in a packed document they have been read already.
 */
export interface Notations {
  /** A colour of CSS; undefined for a text that is none. */
  readonly color: (text: string) => Rgba | undefined;
  /** A message of ICU in a language. @throws Error where it is none. */
  readonly message: (text: string, locale: string) => readonly MessagePart[];
  /**
   * Design tokens. @param theme What the document calls the theme; '' for the one it is seen in. @param files Those of the theme; an
   * earlier one wins over a later one.
   */
  readonly tokens: (theme: string, files: readonly CheckedTheme[]) => TokenValues;
}

/** A document that has passed every check; only readDocument makes one. */
export interface CheckedDocument {
  readonly source: DocumentSource;
  readonly origin: Origin;
  /** The document's own theme part first, then the theme file's. */
  readonly themes: readonly CheckedTheme[];
  /** Every theme file by its name in the document. */
  readonly named: ReadonlyMap<string, CheckedTheme>;
  /** The name of the theme it is seen in; undefined where it has none, or it is none of the document's. */
  readonly themeName: string | undefined;
  readonly notations: Notations;
}

/** The entry of a map under a name. Own properties only: a document may hold any name, `constructor` too. */
export function entryOf<T>(map: { readonly [name: string]: T } | undefined, name: string): T | undefined {
  return map !== undefined && Object.hasOwn(map, name) ? map[name] : undefined;
}

/** One widget of a view and where it stands. */
export interface PlacedSource {
  readonly widget: WidgetSource;
  readonly pointer: string;
  readonly parent: PlacedSource | undefined;
  /** How its parent arranges it; undefined where a component decides. */
  readonly arrange: Arrangement | undefined;
}

/** Every widget of a view or component in document order, parents before their children; the root is not among them. */
export function* widgetsOf(root: ViewSource | ComponentSource, pointer: string): Generator<PlacedSource> {
  const stack: PlacedSource[] = [];
  const push = (
    children: readonly WidgetSource[] | undefined,
    parent: PlacedSource | undefined,
    at: string,
  ) => {
    if (!children) return;
    const around: WidgetSource = parent?.widget ?? root;
    const { arrange = usualArrangement(around.kind), use } = around;
    const list = pointerTo(at, 'children');
    for (let index = children.length - 1; index >= 0; index--) {
      // What arranges the children of an instance is the component's business.
      const decided = use === undefined && !isTemplate(arrange) ? arrange : undefined;
      stack.push({ widget: children[index]!, pointer: pointerTo(list, index), parent, arrange: decided });
    }
  };
  push(root.children, undefined, pointer);
  for (let next = stack.pop(); next; next = stack.pop()) {
    yield next;
    push(next.widget.children, next, next.pointer);
  }
}

/** A view or component of a document. */
export interface RootSource {
  readonly name: string;
  readonly pointer: string;
  readonly root: ViewSource | ComponentSource;
  readonly component: ComponentSource | undefined;
}

/** Every component, then every view. */
export function* rootsOf(document: DocumentSource): Generator<RootSource> {
  for (const [name, component] of Object.entries(document.components ?? {})) {
    yield { name, pointer: pointerTo('/components', name), root: component, component };
  }
  for (const [name, view] of Object.entries(document.views)) {
    yield { name, pointer: pointerTo('/views', name), root: view, component: undefined };
  }
}

/** A component, the one that it is an instance of, and so on: each once, also where they lead back to one. */
export function* componentsOf(
  { components }: DocumentSource,
  use: string | undefined,
): Generator<{ readonly component: ComponentSource; readonly pointer: string }> {
  const seen = new Set<string>();
  for (let name = use; name !== undefined && !seen.has(name);) {
    seen.add(name);
    const component = entryOf(components, name);
    if (!component) return;
    yield { component, pointer: pointerTo('/components', name) };
    name = component.use;
  }
}

/** What a document says of a widget, or changes of one, and where. */
export interface WrittenWidget {
  readonly widget: WidgetSource;
  readonly pointer: string;
}

/** Everything a document says of widgets: of roots, of what is in them, in conditions, in changes of instances. */
export function* writtenWidgets(document: DocumentSource): Generator<WrittenWidget> {
  for (const { root, pointer } of rootsOf(document)) {
    for (const one of [{ widget: root as WidgetSource, pointer }, ...widgetsOf(root, pointer)]) {
      const { widget, pointer: at } = one;
      yield { widget, pointer: at };
      for (const [index, { change }] of (widget.when ?? []).entries())
        yield { widget: { id: widget.id, ...change }, pointer: `${at}/when/${index}/change` };
      for (const [id, change] of Object.entries(widget.set ?? {}))
        yield { widget: { id, ...change }, pointer: pointerTo(`${at}/set`, id) };
    }
  }
}

/** A value that validation has shown to be of the shape; the one place where that is asserted. */
export function asSource<T>(value: Json): T {
  return value as unknown as T;
}

/** Whether what a widget controls is another widget, and not a page it shows. */
export function leadsToWidget({ kind, 'shows-more': sign }: WidgetSource): boolean {
  return kind === 'scrollbar' || sign !== undefined;
}
