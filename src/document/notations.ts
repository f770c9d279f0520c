/** An sRGB colour; every part from 0 to 1, not premultiplied. */
export interface Rgba {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly a: number;
}

/**
 * A part of a message in ICU's MessageFormat, as the parser of FormatJS gives it: 0 words, 1 a value as it is, 2 a number, 3 a
 * date, 4 a time, 5 select, 6 plural, 7 the number of a plural.
 */
export interface MessagePart {
  readonly type: number;
  readonly value?: string;
  /** Of a number, date or time: a name, or the options of Intl it was worked out to. */
  readonly style?: string | { readonly parsedOptions?: object } | null;
  readonly options?: { readonly [choice: string]: { readonly value: readonly MessagePart[] } };
  /** Of a plural: what is taken off the number first. */
  readonly offset?: number;
  readonly pluralType?: 'cardinal' | 'ordinal';
}

/** A token's value with its aliases followed, or why there is none. */
export type TokenAnswer =
  | { readonly value: string | number }
  | { readonly problem: 'unknown'; readonly name: string }
  | { readonly problem: 'circle'; readonly chain: readonly string[] }
  | { readonly problem: 'value'; readonly name: string; readonly expected: string };

/** The tokens of a theme, worked out. */
export interface TokenValues {
  names(): Iterable<string>;
  /** The value of `color.hull`. */
  resolve(name: string): TokenAnswer;
}
