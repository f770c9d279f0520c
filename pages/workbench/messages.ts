import type { Screen } from 'pimbot';
import type {
  Act,
  CloseUp,
  InspectorRow,
  Names,
  OnDesk,
  Outline,
  Readings,
  SizeOn,
  ToldAt,
} from 'pimbot/tools';
import type { ValueRange } from './ranges.ts';

/** Something that is wrong with a file, as a page shows it. */
export interface Problem {
  readonly severity: 'error' | 'warning';
  readonly text: string;
  readonly file: string | undefined;
  readonly line: number | undefined;
  /** In UTF-16 units of the document's text; undefined for another file. */
  readonly start: number | undefined;
  readonly end: number | undefined;
}

/** What a document has to choose from. */
export interface Summary extends Names {
  readonly locales: readonly string[];
  readonly kinds: readonly string[];
}

export interface Opened {
  readonly problems: readonly Problem[];
  /** Undefined where the document cannot be used: what was open before stays. */
  readonly summary: Summary | undefined;
}

export interface Acted {
  readonly text: string;
  readonly said: string;
  readonly widgets: readonly string[];
  readonly alsoMoved: readonly { readonly widget: string; readonly by: number }[];
}

/** A finding as a page shows it. */
export interface Told extends ToldAt {
  readonly key: string;
  readonly number: number;
  readonly check: string;
  readonly severity: string;
  readonly outcome: string;
  readonly widget: string;
  readonly other: string | undefined;
  /** Findings that one change would concern have the same number. */
  readonly cause: number;
  /** What that change would be of, where it is not the widget. */
  readonly what: string | undefined;
  /** Findings of one cause, of one check and written at one place have the same number. */
  readonly place: number;
  readonly screens: readonly string[];
  readonly worst: string;
}

export interface Suggested {
  readonly say: string;
  readonly disturbs: string;
  readonly mendsToo: number;
  readonly text: string;
}

/** What a page shows of a proof: its map, and how places on it stand for sizes. */
export interface Proved {
  readonly svg: string;
  readonly says: string;
  /** Where the plane stands in the map, and the map's own size, in px of it. */
  readonly frame: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  readonly scales: {
    readonly from: { readonly x: number; readonly y: number };
    readonly perDouble: { readonly x: number; readonly y: number };
  };
  readonly failures: readonly {
    readonly text: string;
    readonly widget: string;
    readonly worst: readonly [number, number];
    readonly share: number;
  }[];
  /** The share of all sizes on which the view holds, from 0 to 1. */
  readonly holding: number;
}

export interface Wanted {
  readonly screen: Screen;
  /** Px of the picture for one of the screen; 1 at most. */
  readonly scale: number;
  /** What it is drawn as, where that is not the name of the screen. */
  readonly name?: string;
  /** In another language or theme than the rest. */
  readonly occasion?: { readonly locale?: string; readonly theme?: string };
  /** Another text of the document than the one that is worked on. */
  readonly text?: string;
}

/** What is known of the values of a view that is played. */
export interface AboutValues {
  readonly ranges: { readonly [name: string]: ValueRange };
  /** Those that the view does not name: other views do. */
  readonly elsewhere: readonly string[];
}

/** What can be asked of a desk, and what it answers. */
export interface Asks {
  open: { ask: { file: string; text: string; fresh: boolean }; answer: Opened };
  /** Asks the server again for fonts, catalogs and problems of files; whether they are others than they were. */
  refresh: { ask: { file: string }; answer: boolean };
  show: { ask: OnDesk; answer: void };
  draw: { ask: { wanted: readonly Wanted[] }; answer: void };
  try: {
    ask: { act: Act | undefined; screen: Screen; wanted: readonly Wanted[] };
    answer: string | undefined;
  };
  perform: { ask: { act: Act; screen: Screen }; answer: Acted };
  newView: { ask: { name: string }; answer: string };
  outline: { ask: { screen: Screen }; answer: Outline };
  readings: { ask: { screen: Screen }; answer: Readings };
  closeUp: { ask: { widget: string; screen: Screen }; answer: CloseUp };
  sizes: { ask: { widget: string }; answer: readonly SizeOn[] };
  inspect: { ask: { widget: string; screen: Screen }; answer: readonly InspectorRow[] };
  folds: { ask: Record<string, never>; answer: readonly { screen: string; others: readonly string[] }[] };
  advice: { ask: { widget: string }; answer: { anchor: string; why: string } | undefined };
  /** On which screens something is found with a change that is tried, and is not without it. */
  glance: { ask: { act: Act; screen: Screen; screens: readonly Screen[] }; answer: readonly string[] };
  /** Findings, and the screens that nothing was looked at on, as the view does not support them. */
  check: {
    ask: { extra: readonly Screen[] };
    answer: { findings: readonly Told[]; unsupported: readonly string[] };
  };
  /** Why a finding is so. */
  reasons: { ask: { key: string }; answer: readonly ToldAt[] };
  suggest: { ask: { key: string }; answer: Suggested | undefined };
  compare: { ask: { text: string; wanted: Wanted }; answer: { before: ImageBitmap; after: ImageBitmap } };
  /** Of the document, or with a change that is tried. */
  prove: { ask: { act?: Act; screen?: Screen }; answer: Proved };
  /** What fails on a size of screen, by the last proof. */
  read: { ask: { width: number; height: number }; answer: readonly string[] };
  play: {
    ask: { screen: Screen };
    answer: { ids: readonly string[]; values: { [name: string]: unknown } } & AboutValues;
  };
  hear: {
    ask: { events: readonly unknown[]; ms: number; values?: { [name: string]: unknown } };
    /** What happened, and the values that are others since. */
    answer: { log: readonly string[]; values: { [name: string]: unknown } };
  };
  stop: { ask: Record<string, never>; answer: void };
}

export type AskName = keyof Asks;

/** From the page to a desk. */
export interface AskMessage<Name extends AskName = AskName> {
  readonly id: number;
  readonly name: Name;
  readonly ask: Asks[Name]['ask'];
}

/** From a desk to the page. */
export type DeskMessage =
  | { readonly type: 'answer'; readonly id: number; readonly answer: unknown }
  | { readonly type: 'failed'; readonly id: number; readonly error: string }
  | { readonly type: 'drawn'; readonly screen: string; readonly bitmap: ImageBitmap }
  /** A worker cannot decode SVG: the page does it. */
  | {
      readonly type: 'decode';
      readonly picture: number;
      readonly bytes: Uint8Array;
      readonly width: number;
      readonly height: number;
    };

/** What the page says without being asked. */
export type PageMessage =
  | AskMessage
  | { readonly name: 'hello'; readonly token: string }
  | { readonly name: 'decoded'; readonly picture: number; readonly bitmap: ImageBitmap | undefined };
