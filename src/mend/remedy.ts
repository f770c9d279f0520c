import type { Widget } from '../dress/index.ts';
import type { Facts } from '../checks/index.ts';
import type { CheckedDocument, Json, ScreenConditionSource, WidgetSource } from '../document/index.ts';
import { putKey, writtenAt, type Editing } from '../edit/index.ts';
import type { Screen } from '../screen/index.ts';
import { styleList } from '../theme/index.ts';
import type { Finding } from '../verdict/index.ts';
import type { View, ViewLayout } from '../view/index.ts';

/** A finding, and the view laid out where it is worst. */
export interface Broken {
  readonly finding: Finding;
  /** All that was found beside it. */
  readonly found: readonly Finding[];
  readonly document: CheckedDocument;
  readonly view: View;
  /** The same as it is drawn by its author: in the document's own language, at the sizes it has. */
  readonly design: View;
  readonly on: ViewLayout;
  readonly widget: Widget;
  readonly other: Widget | undefined;
  /** What is measured, and its limit. */
  readonly measured: number;
  readonly limit: number;
  /** Device px one u of the widget is there. */
  readonly scale: number;
  /** All screens it was looked for on. */
  readonly screens: readonly Screen[];
  /** The same where it is worst of some screens; undefined where it is found on none of them. */
  among(screens: readonly Screen[]): Broken | undefined;
}

/** A change of a document that may mend a finding. */
export interface Change {
  /** What it does, in words that follow «try:». */
  readonly say: string;
  /** Where it says something for some screens alone: conditions, one of which they meet. */
  readonly on?: readonly ScreenConditionSource[];
  /** Where it changes nothing on a screen on which a u is larger than this, in device px. */
  readonly upToScale?: (screen: Screen) => number;
  /** Whether it changes what several findings have in common: such a change is tried before those of one widget. */
  readonly isOfCause?: true;
  /** @throws EditError where it cannot be made. */
  edit(document: Editing): void;
}

/** Changes that may mend findings of some check, the smallest first. None of them has been tried. */
export type Remedy = (broken: Broken) => readonly Change[];

/** The same for findings of what is written. */
export type DocumentRemedy = (finding: Finding) => readonly Change[];

/** A fact of a finding by its name; undefined where its check tells none of that name. */
export function factOf<Name extends NamesIn<Facts>>(
  { facts }: Finding,
  name: Name,
): FactIn<Facts, Name> | undefined {
  return (facts as { readonly [Key in Name]?: FactIn<Facts, Name> } | undefined)?.[name];
}

type NamesIn<Told> = Told extends undefined ? never : keyof Told;
type FactIn<Told, Name> = Told extends unknown ? (Name extends keyof Told ? Told[Name] : never) : never;

/** A change of some keys of a widget, wherever they are written. */
export function keysOf(widget: Widget, keys: { readonly [key: string]: Json | undefined }): Change {
  return {
    say: `${widget.id}: ${wordsOf(keys)}`,
    edit: (document) => {
      for (const [key, value] of Object.entries(keys))
        if (key === 'look' && value !== undefined && isMap(value)) lookKeys(widget, value).edit(document);
        else putKey(document, widget, key, value);
    },
  };
}

/** The same keys of several widgets. */
export function keysOfAll(
  widgets: readonly Widget[],
  keys: (widget: Widget) => { readonly [key: string]: Json | undefined },
): Change {
  return together(widgets, wordsOf(keys(widgets[0]!)), (widget) => keysOf(widget, keys(widget)));
}

/** Widgets by where they are written, each place once: entries of a repeat are changed together. */
export function asWritten(widgets: readonly Widget[]): readonly Widget[] {
  return [...new Map(widgets.map((one) => [one.pointer, one])).values()];
}

/** One change of several widgets. */
function together(widgets: readonly Widget[], words: string, changeOf: (widget: Widget) => Change): Change {
  const changes = widgets.map(changeOf);
  return {
    ...changes[0]!,
    say: `${widgets.map(({ id }) => id).join(', ')}: ${words}`,
    edit: (document) => {
      for (const change of changes) change.edit(document);
    },
  };
}

/** Keys on some kind of screens. */
export interface KeysThere {
  readonly screen: ScreenConditionSource;
  /** `on touch screens`. */
  readonly where: string;
  readonly keys: { readonly [key: string]: Json };
}

/** A change of some keys of widgets on some screens alone: after all that they say of screens, so that nothing overrules it. */
export function keysWhere(widgets: readonly Widget[], there: readonly KeysThere[]): Change {
  const more = there.map(({ screen, keys }) => ({ screen, change: keys }));
  const words = there.map(({ where, keys }) => `${where} ${wordsOf(keys)}`).join(', ');
  return together(widgets, words, (widget) => {
    const { when = [] } = widget.source as WidgetSource;
    return {
      say: `${widget.id}: ${words}`,
      on: there.map(({ screen }) => screen),
      edit: (document) => putKey(document, widget, 'when', [...when, ...more] as unknown as Json),
    };
  });
}

/** A change of some keys of a widget's own look. */
export function lookKeys(widget: Widget, keys: { readonly [key: string]: Json | undefined }): Change {
  return {
    say: `${widget.id}: look { ${wordsOf(keys)} }`,
    edit: (document) => {
      const has = (widget.source as WidgetSource).look !== undefined;
      if (!has) document.set(writtenAt(widget), 'look', saidOf(keys));
      else for (const [key, value] of Object.entries(keys)) putKey(document, widget, `look/${key}`, value);
    },
  };
}

/** What keys become, in words. */
function wordsOf(keys: { readonly [key: string]: Json | undefined }): string {
  return Object.entries(keys)
    .map(([key, value]) => {
      if (value === undefined) return `no ${key}`;
      return isMap(value) ? `${key} { ${wordsOf(value)} }` : `${key}: ${shownValue(value)}`;
    })
    .join(', ');
}

function saidOf(keys: { readonly [key: string]: Json | undefined }): Json {
  return Object.fromEntries(
    Object.entries(keys).filter((one): one is [string, Json] => one[1] !== undefined),
  );
}

function isMap(value: Json): value is { readonly [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function isNumbers(value: Json): value is number[] {
  return Array.isArray(value) && value.every((one) => typeof one === 'number');
}

function shownValue(value: Json): string {
  if (isNumbers(value)) return value.join(' ');
  return typeof value === 'string' ? value : JSON.stringify(value).replace(/,/g, ', ');
}

/** The next whole number of u, so that rounding cannot undo a change. */
export function wholeUp(u: number): number {
  return Math.ceil(u - 1e-6);
}

/** The last whole number of u, so that rounding cannot undo a change. */
export function wholeDown(u: number): number {
  return Math.floor(u + 1e-6);
}

/** The keys that give a widget another size on some axes, said as it says its size now. */
export function sizeKeys(
  { source, box }: Widget,
  size: { readonly width?: number; readonly height?: number },
): { [key: string]: Json } {
  const { size: both } = source as WidgetSource;
  const { x, y } = box;
  if (both === undefined || x.mode !== 'fixed' || y.mode !== 'fixed' || x.size.share || y.size.share)
    return { ...size };
  return { size: [size.width ?? x.size.u, size.height ?? y.size.u] };
}

/** The offset a widget has, moved by some u; undefined where it is not placed by an offset of plain u. */
export function nudged({ box }: Widget, by: { readonly x?: number; readonly y?: number }): Json | undefined {
  const { x, y, rightToLeft } = box;
  if (rightToLeft || x.offset.share !== 0 || y.offset.share !== 0) return undefined;
  if ((by.x && x.span) || (by.y && y.span)) return undefined;
  const sum = (one: number, more = 0) => Number((one + more).toFixed(2));
  return [sum(x.offset.u, by.x), sum(y.offset.u, by.y)];
}

/** The style that a key of a widget's look is from, changed: where the document itself says it, and the widget does not. */
export function inStyle(
  { widget, document }: Broken,
  key: 'background' | 'border' | 'color' | 'font-size' | 'handle-color',
  value: number | string,
): readonly Change[] {
  const { style: said, look } = widget.source as WidgetSource;
  if (look?.[key] !== undefined) return [];
  const name = styleList(said).findLast((one) => widget.theme.find(one)?.style[key] !== undefined);
  const found = name === undefined ? undefined : widget.theme.find(name);
  if (found?.origin !== document.origin) return [];
  const { pointer } = found;
  return [{ say: `style ${name!}: ${key}: ${value}`, edit: (text) => text.set(pointer, key, value) }];
}
