import { holds, readCondition } from '../skeleton/index.ts';
import type { PromiseSource, ViewSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import { promiseKinds, type PromiseKey } from './promise-kinds.ts';

const keys = Object.keys(promiseKinds) as PromiseKey[];

type Facts = { readonly broken: string };

/** The check of what a view promises, or of promises from elsewhere. */
export const promiseCheck = (promisesOf: (view: ViewSource) => readonly PromiseSource[]) =>
  ({
    id: 'broken-promise',
    title: 'A promise that does not hold',
    measures: "by how much something does not hold that the view's author promised",
    unit: 'px',
    limit: 0,
    fails: 'above',
    source: 'the author said so (`expect:` in the view)',
    severity: 'error',
    sentence: ({ facts }) => `breaks a promise: ${facts.broken}`,
    run(subject, _, report) {
      const root = subject.widgets[0]!;
      promisesOf(root.source as ViewSource).forEach((promise, nth) => {
        const condition = promise.on && subject.form.once(`promise ${nth}`, () => readCondition(promise.on!));
        if (condition && !holds(condition, subject.layout.frame)) return;
        const about = namesOf(promise).flatMap((id) => {
          const rect = subject.rectOf(id);
          return rect ? [{ id, index: subject.indexOf(id)!, rect }] : [];
        });
        const [first] = about;
        // Of widgets that are not there on a screen, nothing is promised but that they are seen.
        if (!first && promise.visible !== true) return;
        const at = `${keyPointer(root, 'expect')}/${nth}`;
        for (const key of keys) {
          if (promise[key] === undefined) continue;
          const broken = first
            ? promiseKinds[key](promise, about, subject)
            : { measured: 1, text: `${namesOf(promise).join(' and ')} is not there` };
          if (!broken) continue;
          const { measured, text } = broken;
          const reasons = [{ text: promise.because ?? 'it was promised', pointer: at }];
          report({
            outcome: 'failed',
            widget: first?.index ?? 0,
            measured,
            facts: { broken: text },
            at,
            reasons,
          });
        }
      });
    },
  }) as const satisfies Check<Facts>;

export const brokenPromise = promiseCheck(({ expect }) => expect ?? []);

/** The ids of every widget a promise names. */
export function idsIn(promise: PromiseSource): readonly string[] {
  const { within } = promise;
  const isWidget = within !== undefined && within !== 'safe' && within !== 'screen';
  return isWidget ? [...namesOf(promise), within] : namesOf(promise);
}

/** The widgets a promise is about. */
function namesOf({ widget, widgets }: PromiseSource): readonly string[] {
  return widget === undefined ? (widgets ?? []) : [widget, ...(widgets ?? [])];
}
