import type { CheckedDocument, State } from '../document/index.ts';

/*
 * What a view is shown in. Views are opened with one value of everything that varies; what is said of it to people, and the lists that
 * checks go through, are in `factors.ts`: no game loads those.
 */

/** What a view is shown in, on whatever screen. */
export interface Occasion {
  readonly locale: string;
  /** Undefined for the theme of a document that has none by name. */
  readonly theme: string | undefined;
  /** Undefined for a document without cases. */
  readonly case: string | undefined;
  /** The player's HUD size: 1 is as drawn, 1.25 a quarter larger. */
  readonly hudSize: number;
  /** The player's text size: scales every text, 1 is as drawn. */
  readonly textSize: number;
  /** A state that every control is in beside its own, unless it is disabled; undefined: each as it is. */
  readonly state: State | undefined;
}

export type OccasionKey = keyof Occasion;

/** The values of everything that varies. */
export interface Lists {
  readonly cases: readonly Occasion['case'][];
  readonly locales: readonly Occasion['locale'][];
  readonly themes: readonly Occasion['theme'][];
  readonly hudSizes: readonly Occasion['hudSize'][];
  readonly textSizes: readonly Occasion['textSize'][];
  /** Every control as it is, which is `undefined`, is always among them. */
  readonly states: readonly Occasion['state'][];
}

/** Somebody who takes an occasion takes no lists, and the other way round: a slip of one letter would change nothing. */
export type No<Keys extends PropertyKey> = { readonly [Key in Keys]?: never };

/** The value of everything that varies where a view is opened and nobody says which. */
const usual: { readonly [Key in OccasionKey]: (document: CheckedDocument) => Occasion[Key] } = {
  locale: ({ source }) => source.language ?? 'en',
  theme: ({ themeName }) => themeName,
  case: ({ source }) => Object.keys(source.cases ?? {})[0],
  hudSize: () => 1,
  textSize: () => 1,
  state: () => undefined,
};

/** The value of something that varies where nobody says which. */
export function usualOf(document: CheckedDocument, key: OccasionKey): Occasion[OccasionKey] {
  return usual[key](document);
}

/** What costs most to change first: views are opened once for all that follows. */
export const dearestFirst: readonly OccasionKey[] = [
  'locale',
  'theme',
  'case',
  'hudSize',
  'textSize',
  'state',
];

/** The same text for the same occasion, whether what is undefined in it is said or left out. */
export function occasionKey(occasion: Occasion): string {
  return dearestFirst.map((key) => occasion[key]).join('\n');
}

/** @throws RangeError for a HUD or text size that is none. */
export function checkSize(what: 'HUD' | 'text', size: unknown): void {
  if (!(typeof size === 'number' && size >= 0.1 && size <= 10))
    throw new RangeError(`a ${what} size is a number from 0.1 to 10, not ${String(size)}`);
}
