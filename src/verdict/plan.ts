import type { CheckedDocument, State } from '../document/index.ts';
import { screens as catalogue, type Screen } from '../screen/index.ts';
import { NoSuchName, localesOf, type Resources } from '../view/index.ts';
import { coverPairs } from './pairwise.ts';

/** What is checked, and with what it is put together. */
export interface CheckOptions {
  readonly resources: Resources;
  readonly screens: readonly Screen[];
  /** All views if left out. */
  readonly views?: readonly string[];
  /** All cases if left out. */
  readonly cases?: readonly string[];
  /** Those of the document's `vary`, else its language and all it has catalogs for, if left out. */
  readonly locales?: readonly string[];
  /** All the document has by name if left out; the one it is seen in where that is none of them. */
  readonly themes?: readonly string[];
  /** The player's HUD sizes; those of the document's `vary`, else 1, if left out. */
  readonly hudSizes?: readonly number[];
  /** The player's text sizes; those of the document's `vary`, else 1, if left out. */
  readonly textSizes?: readonly number[];
  /** States that every control is put in, beside none; those of the document's `vary` if left out. */
  readonly states?: readonly State[];
  /** Whether all values meet all others, or every two of them do; pairs above `mostLayouts` of a view if left out. */
  readonly coverage?: Coverage;
}

/** `all`: every combination. `pairs`: some, so that every pair of values of any two factors is among them. */
export type Coverage = 'all' | 'pairs';

/** More layouts of one view than this are not all made unless somebody asks for it. */
export const mostLayouts = 4000;

/** What varies, and the values of each. */
export interface Factors {
  readonly screens: readonly string[];
  readonly cases: readonly (string | undefined)[];
  readonly locales: readonly string[];
  /** Undefined for the theme of a document that has none by name. */
  readonly themes: readonly (string | undefined)[];
  readonly hudSizes: readonly number[];
  readonly textSizes: readonly number[];
  /** Undefined: every control as the document says. */
  readonly states: readonly (State | undefined)[];
}

/** What a view is opened with. */
export interface Occasion {
  readonly locale: string;
  readonly theme: string | undefined;
  readonly case: string | undefined;
  readonly hudSize: number;
  readonly textSize: number;
  readonly state: State | undefined;
}

/** The same text for the same occasion, whether what is undefined in it is said or left out. */
export function occasionKey({ locale, theme, case: inCase, hudSize, textSize, state }: Occasion): string {
  return [locale, theme, inCase, hudSize, textSize, state].join('\n');
}

/** One view on one occasion, on some screens. */
export interface Batch {
  readonly view: string;
  readonly occasion: Occasion;
  readonly screens: readonly Screen[];
}

/** Everything that is to be looked at, in order. */
export interface CheckPlan {
  readonly views: readonly string[];
  readonly factors: Factors;
  readonly coverage: Coverage;
  readonly batches: readonly Batch[];
  /** Layouts the batches make. */
  readonly layouts: number;
  /** Layouts there would be of every combination. */
  readonly combinations: number;
  /** Whether everything the document has is looked at, on as many screens as the catalogue has. */
  readonly whole: boolean;
}

/**
 * Puts together what is to be checked. The same plan for the same document and options, wherever it is made.
 * @throws NoSuchName for an unknown view, case, locale or theme. @throws RangeError for a size outside 0.1 to 10.
 */
export function planOf(document: CheckedDocument, options: CheckOptions): CheckPlan {
  const { source } = document;
  const views = options.views ?? Object.keys(source.views);
  for (const name of views) known('view', name, Object.keys(source.views));
  const factors = factorsOf(document, options);
  const { screens, cases, locales, themes, hudSizes, textSizes, states } = factors;
  const counts = [screens, cases, locales, themes, hudSizes, textSizes, states].map(({ length }) => length);
  const perView = counts.reduce((product, count) => product * count, 1);
  const combinations = perView * views.length;
  const coverage = options.coverage ?? (perView > mostLayouts ? 'pairs' : 'all');
  const perEach =
    coverage === 'all' ? everyOccasion(factors, options.screens) : pairs(factors, counts, options.screens);
  const batches = views.flatMap((view) => perEach.map((one): Batch => ({ view, ...one })));
  return {
    views,
    factors,
    coverage,
    batches,
    layouts: batches.reduce((sum, batch) => sum + batch.screens.length, 0),
    combinations,
    whole:
      coverage === 'all' &&
      [
        options.views,
        options.cases,
        options.locales,
        options.themes,
        options.hudSizes,
        options.textSizes,
      ].every((said) => said === undefined) &&
      options.states === undefined &&
      screens.length >= catalogue.length,
  };
}

function factorsOf(document: CheckedDocument, options: CheckOptions): Factors {
  const { vary = {}, cases: written = {} } = document.source;
  const caseNames = options.cases ?? Object.keys(written);
  for (const name of caseNames) known('case', name, Object.keys(written));
  const hudSizes = options.hudSizes ?? vary['hud-sizes'] ?? [1];
  const textSizes = options.textSizes ?? vary['text-sizes'] ?? [1];
  for (const [what, sizes] of [
    ['HUD', hudSizes],
    ['text', textSizes],
  ] as const)
    for (const size of sizes)
      if (!(size >= 0.1 && size <= 10))
        throw new RangeError(`a ${what} size is a number from 0.1 to 10, not ${size}`);
  const themes =
    options.themes ??
    (document.named.size === 0 || document.themeName === undefined
      ? [undefined]
      : [...document.named.keys()]);
  for (const name of themes) if (name !== undefined) known('theme', name, [...document.named.keys()]);
  return {
    screens: options.screens.map((screen) => screen.name),
    cases: caseNames.length === 0 ? [undefined] : caseNames,
    locales: options.locales ?? vary.locales ?? localesOf(document, options.resources),
    themes,
    hudSizes: [...new Set(hudSizes)],
    textSizes: [...new Set(textSizes)],
    states: [undefined, ...new Set(options.states ?? vary.states ?? [])],
  };
}

function known(what: string, name: string, names: readonly string[]): void {
  if (!names.includes(name)) throw new NoSuchName(what, name, names);
}

type Each = Omit<Batch, 'view'>;

function everyOccasion(factors: Factors, screens: readonly Screen[]): Each[] {
  const found: Each[] = [];
  for (const locale of factors.locales)
    for (const theme of factors.themes)
      for (const caseName of factors.cases)
        for (const hudSize of factors.hudSizes)
          for (const textSize of factors.textSizes)
            for (const state of factors.states)
              found.push({ occasion: { locale, theme, case: caseName, hudSize, textSize, state }, screens });
  return found;
}

/** Rows that cover every pair, those of one occasion together. */
function pairs(factors: Factors, counts: readonly number[], screens: readonly Screen[]): Each[] {
  const found = new Map<string, { occasion: Occasion; screens: Screen[] }>();
  for (const [screen, ...rest] of coverPairs(counts)) {
    const key = rest.join(' ');
    let one = found.get(key);
    if (!one) {
      const [inCase, locale, theme, hudSize, textSize, state] = rest as [
        number,
        number,
        number,
        number,
        number,
        number,
      ];
      const occasion: Occasion = {
        locale: factors.locales[locale]!,
        theme: factors.themes[theme],
        case: factors.cases[inCase],
        hudSize: factors.hudSizes[hudSize]!,
        textSize: factors.textSizes[textSize]!,
        state: factors.states[state],
      };
      found.set(key, (one = { occasion, screens: [] }));
    }
    one.screens.push(screens[screen!]!);
  }
  return [...found.values()];
}
