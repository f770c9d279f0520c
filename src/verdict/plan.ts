import type { CheckedDocument } from '../document/index.ts';
import { screens as catalogue, type Screen } from '../screen/index.ts';
import {
  NoSuchName,
  dearestFirst,
  isSupported,
  supportOf,
  factors,
  listsOf,
  type Lists,
  type No,
  type Occasion,
  type OccasionKey,
  type Resources,
} from '../view/index.ts';
import { coverPairs } from './pairwise.ts';

/** What is checked, and with what it is put together: of what varies, all that the document has where it is left out. */
export interface CheckOptions extends Partial<Lists>, No<OccasionKey> {
  readonly resources: Resources;
  readonly screens: readonly Screen[];
  /** All views if left out. */
  readonly views?: readonly string[];
  /** Whether all values meet all others, or every two of them do; pairs above `mostLayouts` of a view if left out. */
  readonly coverage?: Coverage;
}

/** `all`: every combination. `pairs`: some, so that every pair of values of any two factors is among them. */
export type Coverage = 'all' | 'pairs';

/** More layouts of one view than this are not all made unless somebody asks for it. */
export const mostLayouts = 4000;

/** The screens, and what else varies. */
export interface Factors extends Lists {
  readonly screens: readonly string[];
}

/** One view on one occasion, on some screens. */
export interface Batch {
  readonly view: string;
  readonly occasion: Occasion;
  readonly screens: readonly Screen[];
}

/** A view and the names of screens it does not support. */
export interface Unsupported {
  readonly view: string;
  readonly screens: readonly string[];
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
  /** Screens on which views are not looked at, as they do not support them. */
  readonly unsupported: readonly Unsupported[];
  /** Whether everything the document has is looked at, on as many screens as the catalogue has. */
  readonly whole: boolean;
}

/**
 * Puts together what is to be checked. The same plan for the same document and options, wherever it is made.
 * @throws NoSuchName for an unknown view, case, locale or theme. @throws RangeError for a size outside 0.1 to 10.
 */
export function planOf(document: CheckedDocument, options: CheckOptions): CheckPlan {
  const { source } = document;
  const views = viewsOf(document, options.views);
  const varied: Factors = {
    screens: options.screens.map((screen) => screen.name),
    ...listsOf(document, options.resources, options),
  };
  const counts = [varied.screens, ...factors.map(({ list }) => varied[list])].map(({ length }) => length);
  const perView = counts.reduce((product, count) => product * count, 1);
  const combinations = perView * views.length;
  const coverage = options.coverage ?? (perView > mostLayouts ? 'pairs' : 'all');
  const perEach =
    coverage === 'all' ? everyOccasion(varied, options.screens) : pairs(varied, counts, options.screens);
  const unsupported: Unsupported[] = [];
  const batches = views.flatMap((view) => {
    const support = supportOf(source.views[view]!.supports);
    const outside = options.screens.filter((screen) => !isSupported(support, screen));
    if (outside.length > 0) unsupported.push({ view, screens: outside.map(({ name }) => name) });
    return perEach.flatMap(({ occasion, screens }): Batch[] => {
      const on = outside.length === 0 ? screens : screens.filter((screen) => isSupported(support, screen));
      return on.length > 0 ? [{ view, occasion, screens: on }] : [];
    });
  });
  return {
    views,
    factors: varied,
    coverage,
    batches,
    layouts: batches.reduce((sum, batch) => sum + batch.screens.length, 0),
    combinations,
    unsupported,
    whole:
      coverage === 'all' &&
      options.views === undefined &&
      factors.every(({ list }) => options[list] === undefined) &&
      varied.screens.length >= catalogue.length,
  };
}

function viewsOf(document: CheckedDocument, said: readonly string[] | undefined): readonly string[] {
  const names = Object.keys(document.source.views);
  for (const name of said ?? []) if (!names.includes(name)) throw new NoSuchName('view', name, names);
  return said ?? names;
}

/**
 * Views, and every occasion each of them is looked at on, whatever the screen.
 * @throws NoSuchName for an unknown view, case, locale or theme. @throws RangeError for a size outside 0.1 to 10.
 */
export function occasionsOf(
  document: CheckedDocument,
  options: Omit<CheckOptions, 'screens' | 'coverage'>,
): { readonly views: readonly string[]; readonly occasions: readonly Occasion[] } {
  const lists = listsOf(document, options.resources, options);
  return {
    views: viewsOf(document, options.views),
    occasions: everyOccasion(lists, []).map(({ occasion }) => occasion),
  };
}

type Each = Omit<Batch, 'view'>;

function everyOccasion(lists: Lists, screens: readonly Screen[]): Each[] {
  let found: Partial<Occasion>[] = [{}];
  for (const key of dearestFirst) {
    const { list } = factors.find((one) => one.key === key)!;
    found = found.flatMap((one) => lists[list].map((value) => ({ ...one, [key]: value })));
  }
  return found.map((occasion) => ({ occasion: occasion as Occasion, screens }));
}

/** Rows that cover every pair, those of one occasion together. */
function pairs(lists: Lists, counts: readonly number[], screens: readonly Screen[]): Each[] {
  const found = new Map<string, { occasion: Occasion; screens: Screen[] }>();
  for (const [screen, ...rest] of coverPairs(counts)) {
    const key = rest.join(' ');
    let one = found.get(key);
    if (!one) {
      const occasion = Object.fromEntries(
        dearestFirst.map((name) => {
          const at = factors.findIndex((factor) => factor.key === name);
          return [name, lists[factors[at]!.list][rest[at]!]];
        }),
      ) as unknown as Occasion;
      found.set(key, (one = { occasion, screens: [] }));
    }
    one.screens.push(screens[screen!]!);
  }
  return [...found.values()];
}
