import { checks, type CheckId } from '../checks/index.ts';
import { checkView, keptOn, type Finding } from '../verdict/index.ts';
import type { PromiseSource } from '../document/index.ts';
import { sentenceOf, whereOf } from '../report/index.ts';
import { makeScreen, screens as catalogue, type Screen, type ScreenSize } from '../screen/index.ts';
import { LiveView } from '../live/index.ts';
import { NoSuchName, View } from '../view/index.ts';

/** What a matcher answers: Jest's own shape. */
export interface MatcherAnswer {
  readonly pass: boolean;
  message(): string;
}

/** On which screens, and what is looked at. */
export interface MatcherOptions {
  /** Names of the catalogue, or sizes; if left out the whole catalogue, and of a live view the screen it is on. */
  readonly screens?: readonly (string | ScreenSize)[];
  /** Only these checks; all if left out. */
  readonly checks?: readonly CheckId[];
}

/** Findings a message still tells one by one. */
const mostTold = 8;

/** `expect.extend(pimbotMatchers)`: what a team's own tests say of a view. */
export const pimbotMatchers = {
  /** Every check passes on the screens; what is undecided does not fail. */
  toPassOnScreens(received: unknown, options: MatcherOptions = {}): MatcherAnswer {
    const view = viewOf(received, 'toPassOnScreens');
    const on = screensOf(options.screens, received);
    for (const id of options.checks ?? [])
      if (!checks.some((one) => one.id === id))
        throw new NoSuchName(
          'check',
          id,
          checks.map((one) => one.id),
        );
    const wanted = (id: CheckId) => options.checks?.includes(id) ?? true;
    const found = checkView(view, on).filter(({ check, outcome }) => outcome === 'failed' && wanted(check));
    return answer(view, on, found, 'to pass every check');
  },

  /** A widget stays within the safe area, the screen, or another widget. */
  toKeepWithin(
    received: unknown,
    widget: string,
    within: string,
    options: MatcherOptions = {},
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
  toNeverOverlap(received: unknown, widgets: readonly string[], options: MatcherOptions = {}): MatcherAnswer {
    const what = `to have ${widgets.join(', ')} never overlap`;
    return promised(received, 'toNeverOverlap', { widgets, never: 'overlap' }, what, options);
  },

  /** Anything a view can promise of its widgets: `{ widget: 'sonar', 'at-least': { width: '9 mm' } }`. */
  toKeepPromise(received: unknown, promise: PromiseSource, options: MatcherOptions = {}): MatcherAnswer {
    return promised(received, 'toKeepPromise', promise, `to keep ${JSON.stringify(promise)}`, options);
  },
};

function promised(
  received: unknown,
  matcher: string,
  promise: PromiseSource,
  what: string,
  { screens }: MatcherOptions,
): MatcherAnswer {
  const view = viewOf(received, matcher);
  const on = screensOf(screens, received);
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
function screensOf(said: MatcherOptions['screens'], received: unknown): readonly Screen[] {
  if (said === undefined) return isLive(received) ? [received.frame.screen] : catalogue;
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
        const why = finding.reasons.map(({ text }) => `\n      because ${text}`).join('');
        return `  ✗ ${finding.widget} ${sentenceOf(finding)} ${whereOf(finding, on.length)}  [${finding.check}]${why}`;
      });
      const more = found.length > mostTold ? `\n  … and ${found.length - mostTold} more` : '';
      return `expected the view ${view.name} ${what} ${where}, but:\n${told.join('\n')}${more}`;
    },
  };
}
