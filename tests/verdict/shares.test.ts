import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Shares } from '../../src/node/shares.ts';
import type { CheckPlan } from '../../src/verdict/index.ts';

/* How the batches of a plan are shared out between threads. */

const planOf = (views: readonly number[]) =>
  ({ batches: views.map((view) => ({ view: `view-${view}` })) }) as unknown as CheckPlan;

test('every batch is handed out once, whoever asks when', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 4 }), { maxLength: 40 }),
      fc.infiniteStream(fc.integer({ min: 0, max: 2 })),
      (views, turns) => {
        const wanted = views.map((_, nth) => nth);
        const shares = new Shares(planOf(views), wanted);
        const threads = [{}, {}, {}];
        const found: number[] = [];
        for (const turn of turns) {
          const nth = shares.take(threads[turn]!);
          if (nth === undefined) break;
          found.push(nth);
        }
        expect(found.sort((a, b) => a - b)).toEqual(wanted);
      },
    ),
  );
});

test('a thread stays with its view; one that has none left takes from the end of what most is left of', () => {
  const views = [0, 1, 0, 1, 0, 1, 1, 2];
  const shares = new Shares(planOf(views), [...views.keys()]);
  const [one, other, third] = [{}, {}, {}];
  expect([one, other, one, other, third].map((thread) => shares.take(thread))).toEqual([1, 0, 3, 2, 7]);
  expect([third, one, third, other].map((thread) => shares.take(thread))).toEqual([6, 5, 4, undefined]);
});
