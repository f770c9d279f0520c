import { expect, test } from '@jest/globals';
import { checks, documentChecks } from 'pimbot/tools';
import { places } from './sample.ts';
import { accuracy } from './run.ts';

test('every defect in every place is found, and nothing in views that are right', async () => {
  const { kinds, scores, wrong } = await accuracy();
  expect(wrong).toEqual([]);
  expect([kinds >= 95, places.length]).toEqual([true, 10]);
  // Every check has a defect of its own.
  expect(scores.map(({ check }) => check).sort()).toEqual(
    [...documentChecks, ...checks].map(({ id }) => id).sort(),
  );
  expect(scores.reduce((sum, { hits }) => sum + hits, 0)).toBe(kinds * places.length);
});
