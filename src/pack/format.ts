import type { DocumentSource, MessagePart, Notations, ThemeSource } from '../document/index.ts';

/** The version of the format; a file of another one is refused. */
export const packVersion = 2;

/** What TypeScript knows of a packed document; written by `declarationOf`. */
export interface PackTypes {
  /** The ids of the widgets of each view. */
  readonly views: { readonly [view: string]: string };
  /** The values that views show and repeat, with their types. */
  readonly values: object;
  readonly cases: string;
  readonly themes: string;
  readonly locales: string;
}

/** The bytes of a file: in base64, or the address they are loaded from. */
export type PackedFile = { readonly base64: string } | { readonly url: string };

export interface PackedFont {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  /** TrueType or OpenType. */
  readonly file: PackedFile;
}

/** One picture file; its size in px. */
export interface PackedImage {
  readonly mime: string;
  readonly width: number;
  readonly height: number;
  readonly file: PackedFile;
}

/** What a name of a picture stands for. `image` is an index of `images`. */
export interface PackedPicture {
  readonly width: number;
  readonly height: number;
  readonly image?: number;
  /** Where it is cut out of that image, in px. */
  readonly at?: { readonly x: number; readonly y: number };
  /** Files of several densities, from coarse to fine. */
  readonly files?: readonly {
    readonly density: number;
    readonly picture: PackedPicture;
  }[];
}

/**
 * A document with all it refers to, checked, its colours, messages and tokens read: what a game loads. Written by `pimbot pack` and the
 * plugin for Vite; plain JSON.
 */
export interface Pack<Types extends PackTypes = PackTypes> {
  readonly 'pimbot-pack': number;
  readonly 'document': DocumentSource;
  /** The document's own theme part first, then the theme it is seen in where that has no name. */
  readonly 'themes': readonly ThemeSource[];
  readonly 'named': { readonly [theme: string]: ThemeSource };
  /** The tokens of each theme, worked out; under '' those of the document as it is seen without a name. */
  readonly 'tokens': { readonly [theme: string]: { readonly [token: string]: string | number } };
  readonly 'seenIn': string | undefined;
  /** Every colour that is not written as #rgb: red, green, blue and opacity from 0 to 1. */
  readonly 'colors': { readonly [text: string]: readonly [number, number, number, number] };
  /** Every message that is more than words and plain values, read, by locale. */
  readonly 'messages': {
    readonly [locale: string]: { readonly [text: string]: readonly MessagePart[] };
  };
  readonly 'catalogs': { readonly [locale: string]: { readonly [text: string]: string } };
  /** The family that is asked last. */
  readonly 'fallback': string;
  readonly 'fonts': readonly PackedFont[];
  readonly 'images': readonly PackedImage[];
  readonly 'pictures': { readonly [name: string]: PackedPicture };
  /** From a bundler: where the shaper is. */
  readonly 'shaper'?: string;
  /** From a development server: reads what is not in `colors` and `messages`. */
  readonly 'notations'?: Notations;
  /** From a development server: tells of other versions of the document. */
  readonly 'changes'?: Changes;
  /** For TypeScript alone: never there. */
  readonly 'types'?: Types;
}

/** Who hears of another version of a pack. */
export interface Changes {
  readonly listeners: Set<(pack: Pack) => void>;
}

/** A pack cannot be used: a sentence for people. */
export class PackError extends Error {
  override readonly name = 'PackError';
}
