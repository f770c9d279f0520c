import type { CheckedDocument } from '../document/index.ts';
import { screens as catalogue, type Screen } from '../screen/index.ts';
import {
  NoSuchName,
  dearestFirst,
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
  const names = Object.keys(source.views);
  for (const name of views) if (!names.includes(name)) throw new NoSuchName('view', name, names);
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
  const batches = views.flatMap((view) => perEach.map((one): Batch => ({ view, ...one })));
  return {
    views,
    factors: varied,
    coverage,
    batches,
    layouts: batches.reduce((sum, batch) => sum + batch.screens.length, 0),
    combinations,
    whole:
      coverage === 'all' &&
      options.views === undefined &&
      factors.every(({ list }) => options[list] === undefined) &&
      varied.screens.length >= catalogue.length,
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
