import { states, type CheckedDocument } from '../document/index.ts';
import { pseudoLocales } from '../text/index.ts';
import { NoSuchName } from './no-such-name.ts';
import { checkSize, type Lists, type Occasion, type OccasionKey } from './occasion.ts';
import { localesOf, type Resources } from './resources.ts';

/*
 * What varies when a view is shown: one row each, with its key, its values when nobody says which, and its words. Checks go through
 * lists of them.
 */

/** Values of any of them. */
export type Values = readonly (Occasion[OccasionKey] | undefined)[];

/** One thing that varies. */
export interface Factor<Key extends OccasionKey = OccasionKey> {
  readonly key: Key;
  /** The key of its values. */
  readonly list: keyof Lists;
  /** What one is called. */
  readonly label: string;
  /**
   * Its values where a check is made.
   * @param said What somebody asked for.
   * @throws NoSuchName for one that the document has not. @throws RangeError for a size outside 0.1 to 10.
   */
  values(document: CheckedDocument, resources: Resources, said: Values | undefined): Values;
  /** Where a finding is that is not on all values: `in the locale de`. `all` is how many there are. */
  where(found: Values, all: Values): string;
  /** How a verdict counts its values: `in 3 cases`. */
  readonly counted: 'in' | 'at';
  /** The option of a command that checks: what follows its name, and its help. */
  readonly option: { readonly flag: string; readonly help: string };
  /** Told after the others, with commas: what players set, and states. */
  readonly isSetting: boolean;
}

/** In the order in which reports name them. */
export const factors: readonly Factor[] = [
  {
    key: 'case',
    list: 'cases',
    label: 'case',
    values({ source }, _, said = Object.keys(source.cases ?? {})) {
      for (const name of said) known('case', name, Object.keys(source.cases ?? {}));
      return said.length === 0 ? [undefined] : said;
    },
    where: (found, all) => among('in the case', found, all),
    counted: 'in',
    option: { flag: '--case <name>', help: 'only this case (may be repeated)' },
    isSetting: false,
  },
  {
    key: 'locale',
    list: 'locales',
    label: 'locale',
    values: (document, resources, said) =>
      said ?? document.source.vary?.locales ?? localesOf(document, resources),
    where: (found, all) => among('in the locale', found, all),
    counted: 'in',
    option: {
      flag: '--locale <tag>',
      help: `only this locale, or a pseudo-locale such as ${pseudoLocales.join(', ')} (may be repeated)`,
    },
    isSetting: false,
  },
  {
    key: 'theme',
    list: 'themes',
    label: 'theme',
    values({ named, themeName }, _, said) {
      const all = named.size === 0 || themeName === undefined ? [undefined] : [...named.keys()];
      for (const name of said ?? []) if (name !== undefined) known('theme', name, [...named.keys()]);
      return said ?? all;
    },
    where: (found, all) => among('in the theme', found, all),
    counted: 'in',
    option: {
      flag: '--theme <theme>',
      help: "one of the document's themes, or a theme file from the document's folder",
    },
    isSetting: false,
  },
  {
    key: 'hudSize',
    list: 'hudSizes',
    label: 'HUD size',
    values: ({ source }, _, said) => sizes('HUD', said ?? source.vary?.['hud-sizes'] ?? [1]),
    where: (found, all) => atSizes('HUD', found, all),
    counted: 'at',
    option: {
      flag: '--hud-size <factor>',
      help: 'a HUD size players choose; 1 is as drawn (may be repeated)',
    },
    isSetting: true,
  },
  {
    key: 'textSize',
    list: 'textSizes',
    label: 'text size',
    values: ({ source }, _, said) => sizes('text', said ?? source.vary?.['text-sizes'] ?? [1]),
    where: (found, all) => atSizes('text', found, all),
    counted: 'at',
    option: { flag: '--text-size <factor>', help: 'a text size players choose (may be repeated)' },
    isSetting: true,
  },
  {
    key: 'state',
    list: 'states',
    label: 'state',
    values: ({ source }, _, said) => [...new Set([undefined, ...(said ?? source.vary?.states ?? [])])],
    where: (found, all) =>
      found.length < all.length
        ? `with every control ${found.map((state) => state ?? 'as it is').join(', ')}`
        : '',
    counted: 'in',
    option: {
      flag: '--state <state>',
      help: `check with every control in this state too: ${states.join(', ')} (may be repeated)`,
    },
    isSetting: true,
  },
];

/** Lists of one value each, for what is said of an occasion: checks made where a view is shown. */
export function onlyOn(occasion: Partial<Occasion>): Partial<Lists> {
  return Object.fromEntries(
    factors.flatMap(({ key, list }) => {
      const value = occasion[key];
      return value === undefined ? [] : [[list, [value]]];
    }),
  );
}

/** The values of everything that varies. @throws NoSuchName @throws RangeError */
export function listsOf(document: CheckedDocument, resources: Resources, said: Partial<Lists>): Lists {
  const lists = factors.map((factor) => [factor.list, factor.values(document, resources, said[factor.list])]);
  return Object.fromEntries(lists) as Lists;
}

function sizes(what: 'HUD' | 'text', said: Values): readonly number[] {
  for (const size of said) checkSize(what, size);
  return [...new Set(said as readonly number[])];
}

function known(what: string, name: unknown, names: readonly string[]): void {
  if (!names.includes(name as string)) throw new NoSuchName(what, name as string, names);
}

function among(what: string, found: Values, all: Values): string {
  const names = found.filter((name) => name !== undefined);
  if (names.length === 0 || names.length === all.length) return '';
  return `${what}${names.length > 1 ? 's' : ''} ${names.join(', ')}`;
}

function atSizes(what: string, found: Values, all: Values): string {
  if (found.length === all.length && !(all.length === 1 && all[0] !== 1)) return '';
  return `at ${what} size${found.length > 1 ? 's' : ''} ${found.join(', ')}`;
}
