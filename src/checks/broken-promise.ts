import { holds, readCondition } from '../skeleton/index.ts';
import type { PromiseSource, ViewSource } from '../document/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import { promiseKinds, type Broken, type PromiseKey } from './promise-kinds.ts';
import type { Subject } from './subject/subject.ts';

const keys = Object.keys(promiseKinds) as PromiseKey[];

type Facts = { readonly broken: string; readonly promised: PromiseKey };

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
    apart: ({ promised }) => promised,
    run(subject, _, report) {
      const promises = promisesOf(subject.widgets[0]!.source as ViewSource);
      for (const { key, promise, about, pointer } of promisesIn(subject, promises)) {
        const named = about.map((index) => ({ id: subject.widgets[index]!.id, index }));
        const broken: Iterable<Broken> =
          about.length > 0
            ? promiseKinds[key](promise, named, subject)
            : [{ widget: 0, measured: 1, text: `${namesOf(promise).join(' and ')} is not there` }];
        const reasons = [{ text: promise.because ?? 'it was promised', pointer }];
        for (const { widget, other, measured, text } of broken)
          report({
            outcome: 'failed',
            widget,
            ...(other !== undefined && { other }),
            measured,
            facts: { broken: text, promised: key },
            at: pointer,
            reasons,
          });
      }
    },
  }) as const satisfies Check<Facts>;

export const brokenPromise = promiseCheck(({ expect }) => expect ?? []);

/** One thing that is promised of widgets that are there on a screen. */
export interface PromisedHere {
  readonly key: PromiseKey;
  readonly promise: PromiseSource;
  /** Indexes of the widgets it is about, in the order they are named; none where none of them is there, and one is promised to be. */
  readonly about: readonly number[];
  readonly pointer: string;
}

/** What a view promises on a screen. */
export function promisesOn(subject: Subject): readonly PromisedHere[] {
  return promisesIn(subject, (subject.widgets[0]!.source as ViewSource).expect ?? []);
}

function promisesIn(subject: Subject, promises: readonly PromiseSource[]): readonly PromisedHere[] {
  const root = subject.widgets[0]!;
  return promises.flatMap((promise, nth) => {
    const condition = promise.on && subject.form.once(`promise ${nth}`, () => readCondition(promise.on!));
    if (condition && !holds(condition, subject.layout.frame)) return [];
    const about = namesOf(promise).flatMap((id) => subject.indexOf(id) ?? []);
    // Of widgets that are not there on a screen, nothing is promised but that they are seen.
    if (about.length === 0 && promise.visible !== true) return [];
    const pointer = `${keyPointer(root, 'expect')}/${nth}`;
    return keys.flatMap((key) => (promise[key] === undefined ? [] : [{ key, promise, about, pointer }]));
  });
}

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
