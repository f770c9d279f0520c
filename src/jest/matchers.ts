import { checks, type CheckId } from '../checks/index.ts';
import type { PromiseSource } from '../document/index.ts';
import { suggestFor } from '../mend/index.ts';
import {
  desktop,
  everySize,
  proveView,
  provedChecks,
  supportedOf,
  type Device,
  type Region,
} from '../proof/index.ts';
import { failureText, regionText, sentenceOf, whereOf, wherePointer } from '../report/index.ts';
import { checkDocument, checkView, keptOn, keyOf, type Finding } from '../verdict/index.ts';
import { makeScreen, screens as catalogue, type Screen, type ScreenSize } from '../screen/index.ts';
import { LiveView } from '../live/index.ts';
import { NoSuchName, View, isSupported, onlyOn, supportOf } from '../view/index.ts';

/** What a matcher answers: Jest's own shape. */
export interface MatcherAnswer {
  readonly pass: boolean;
  message(): string;
}

/** On which screens, and what is looked at. */
export interface MatcherOptions {
  /** Names of the catalogue, or sizes; if left out all of the catalogue the view supports, and of a live view the screen it is on. */
  readonly screens?: readonly (string | ScreenSize)[];
  /** Only these checks; all if left out. */
  readonly checks?: readonly CheckId[];
}

/** Which sizes of screens, and what they are like otherwise; an ordinary desktop monitor where nothing is said. */
export interface SizesOptions extends Partial<Region> {
  readonly device?: Device;
  /** Only these checks; all that are proved if left out. */
  readonly checks?: readonly CheckId[];
}

/** Findings a message still tells one by one. */
const mostTold = 8;

/** `expect.extend(pimbotMatchers)`: what a team's own tests say of a view. */
export const pimbotMatchers = {
  /** Every check passes on the screens; what is undecided does not fail. */
  toPassOnScreens(received: unknown, options: MatcherOptions = {}): MatcherAnswer {
    const view = viewOf(received, 'toPassOnScreens');
    refuseOthers(options, ['screens', 'checks']);
    const on = screensOf(options.screens, received, view);
    refuseUnknown(
      options.checks,
      checks.map(({ id }) => id),
    );
    const wanted = (id: CheckId) => options.checks?.includes(id) ?? true;
    const found = checkView(view, on).filter(({ check, outcome }) => outcome === 'failed' && wanted(check));
    return answer(view, on, found, 'to pass every check');
  },

  /** It is proved that no check fails on any size of screen between two; what is not proved fails too. */
  toHoldOnEverySize(received: unknown, options: SizesOptions = {}): MatcherAnswer {
    const view = viewOf(received, 'toHoldOnEverySize');
    refuseOthers(options, ['from', 'to', 'aspect', 'device', 'checks']);
    const { from = everySize.from, to = everySize.to, aspect, device = desktop, checks: only } = options;
    // One that is not proved would hold whatever the view is like.
    refuseUnknown(only, provedChecks);
    const wanted = (id: CheckId | undefined) => id === undefined || (only?.includes(id) ?? true);
    const said: Region = { from, to, ...(aspect && { aspect }) };
    // A range that is said is meant; where none is, what the view supports.
    const isSaid = options.from !== undefined || options.to !== undefined || aspect !== undefined;
    const region = isSaid ? said : supportedOf(view.document, view.name, said);
    const proof = proveView(view.shownIn({}), device, region);
    const failing = proof.findings.filter(({ finding }) => wanted(finding.check));
    const gaps = proof.gaps.filter(({ check }) => wanted(check));
    const pass = failing.length === 0 && gaps.length === 0;
    const sizes = `on every size ${regionText(region)}`;
    return {
      pass,
      message: () => {
        if (pass) return `expected the view ${view.name} not to hold ${sizes}, and it does`;
        const told = failing
          .slice(0, mostTold)
          .map(
            (one) =>
              `  ✗ ${failureText(one, proof.region)}  [${one.finding.check}]${whyOf(view, one.finding)}`,
          );
        const more = failing.length > mostTold ? [`  … and ${failing.length - mostTold} more`] : [];
        const open = new Set(gaps.map(({ check }) => check ?? 'the layout'));
        const unproved = open.size > 0 ? [`  ? not proved on some: ${[...open].join(', ')}`] : [];
        return [`expected the view ${view.name} to hold ${sizes}, but:`, ...told, ...more, ...unproved].join(
          '\n',
        );
      },
    };
  },

  /** A widget stays within the safe area, the screen, or another widget. */
  toKeepWithin(
    received: unknown,
    widget: string,
    within: string,
    options: Pick<MatcherOptions, 'screens'> = {},
  ): MatcherAnswer {
    return promised(
      received,
      'toKeepWithin',
      { widget, within },
      `to have ${widget} stay within ${within}`,
      options,
    );
  },

  /** No two of these widgets overlap. */
  toNeverOverlap(
    received: unknown,
    widgets: readonly string[],
    options: Pick<MatcherOptions, 'screens'> = {},
  ): MatcherAnswer {
    const what = `to have ${widgets.join(', ')} never overlap`;
    return promised(received, 'toNeverOverlap', { widgets, never: 'overlap' }, what, options);
  },

  /** Anything a view can promise of its widgets: `{ widget: 'sonar', 'at-least': { width: '9 mm' } }`. */
  toKeepPromise(
    received: unknown,
    promise: PromiseSource,
    options: Pick<MatcherOptions, 'screens'> = {},
  ): MatcherAnswer {
    return promised(received, 'toKeepPromise', promise, `to keep ${JSON.stringify(promise)}`, options);
  },
};

/** @throws NoSuchName for a check that is not one of those there are. @throws RangeError for a list of none: all would pass. */
function refuseUnknown(asked: readonly CheckId[] | undefined, known: readonly CheckId[]): void {
  if (asked?.length === 0) throw new RangeError('no check is named: leave checks out for all of them');
  for (const id of asked ?? []) if (!known.includes(id)) throw new NoSuchName('check', id, known);
}

/** @throws NoSuchName for an option there is not: what it was to say would not be so. */
function refuseOthers(options: object, known: readonly string[]): void {
  for (const name of Object.keys(options))
    if (!known.includes(name)) throw new NoSuchName('option', name, known);
}

function promised(
  received: unknown,
  matcher: string,
  promise: PromiseSource,
  what: string,
  options: Pick<MatcherOptions, 'screens'>,
): MatcherAnswer {
  const view = viewOf(received, matcher);
  refuseOthers(options, ['screens']);
  const on = screensOf(options.screens, received, view);
  return answer(view, on, keptOn(view, promise, on), what);
}

function isLive(received: unknown): received is LiveView {
  return received instanceof LiveView;
}

function viewOf(received: unknown, matcher: string): View {
  if (received instanceof View) return received as View;
  if (isLive(received)) return received.toView();
  throw new TypeError(
    `${matcher} looks at a view: expect(openView(document, 'dive', { resources })).${matcher}(…)`,
  );
}

/** A live view is looked at on the screen it is on. @throws RangeError for a name the catalogue does not have. */
function screensOf(said: MatcherOptions['screens'], received: unknown, view: View): readonly Screen[] {
  if (said === undefined) {
    const support = supportOf(view.document.source.views[view.name]!.supports);
    if (isLive(received)) return [received.frame.screen];
    const supported = catalogue.filter((screen) => isSupported(support, screen));
    if (supported.length > 0) return supported;
    throw new RangeError(`${view.name} supports no screen of the catalogue: say on which ones, with screens`);
  }
  if (said.length === 0)
    throw new RangeError('no screen is named: leave screens out for those of the catalogue');
  return said.map((one) => {
    if (typeof one !== 'string') return makeScreen(one);
    const found = catalogue.find(({ name }) => name === one);
    if (!found)
      throw new RangeError(`there is no screen "${one}" in the catalogue; \`pimbot screens\` lists them`);
    return found;
  });
}

function answer(view: View, on: readonly Screen[], found: readonly Finding[], what: string): MatcherAnswer {
  const pass = found.length === 0;
  const where = on.length === 1 ? `on ${on[0]!.name}` : `on ${on.length} screens`;
  return {
    pass,
    message: () => {
      if (pass) return `expected the view ${view.name} not ${what} ${where}, and it does`;
      const told = found.slice(0, mostTold).map((finding) => {
        const what = `${finding.widget} ${sentenceOf(finding)} ${whereOf(
          finding,
          on.map(({ name }) => name),
        )}`;
        return `  ✗ ${what}  [${finding.check}]${whyOf(view, finding)}`;
      });
      const change = changeFor(view, on, found);
      if (change) told.push(change);
      const more = found.length > mostTold ? `\n  … and ${found.length - mostTold} more` : '';
      return `expected the view ${view.name} ${what} ${where}, but:\n${told.join('\n')}${more}`;
    },
  };
}

/** The reasons of a finding, each with the line of the document it is written on. */
function whyOf({ document }: View, { reasons }: Finding): string {
  const file = document.origin.source?.name;
  return reasons
    .map(({ text, pointer }) => {
      const place = file === undefined ? '' : `  ${wherePointer(document, file, pointer)}`;
      return `\n      because ${text}${place}`;
    })
    .join('');
}

/** A change of the document that was tried and mends one of the findings, where it is a check of the document's own that found it. */
function changeFor(view: View, on: readonly Screen[], found: readonly Finding[]): string | undefined {
  const { document } = view;
  const options = { resources: view.resources, screens: on, views: [view.name], ...onlyOn(view.occasion) };
  // A view that a game has changed, and promises of a test, stand in no document.
  const verdict = checkDocument(document, options);
  const known = new Set(verdict.findings.map(keyOf));
  for (const finding of found.slice(0, mostTried)) {
    if (!known.has(keyOf(finding))) continue;
    const change = suggestFor(document, finding, verdict, options);
    if (change) return `  → tried, and mends ${finding.check} of ${finding.widget}: ${change.say}`;
  }
  return undefined;
}

/** Findings a change is looked for, at the most. */
const mostTried = 3;
