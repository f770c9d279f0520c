import { expect } from '@jest/globals';
import { withPaths, type DrawOperation, type LiveDrawing } from 'pimbot';

/** Numbers alone, so that two can be compared. */
export const plain = (operations: readonly DrawOperation[]) =>
  withPaths({ width: 1, height: 1, title: '', operations }).operations;

/** Holds a drawing that was kept up against one that was drawn anew: what is drawn, where, and what is around what. */
export function expectAlike(kept: ReturnType<LiveDrawing['update']>, whole: typeof kept): void {
  expect(plain(kept.operations)).toEqual(plain(whole.operations));
  const count = kept.operations.length;
  expect([...kept.areas.ends.subarray(0, count)]).toEqual([...whole.areas.ends.subarray(0, count)]);
  expect([...kept.areas.bounds.subarray(0, 4 * count)]).toEqual([
    ...whole.areas.bounds.subarray(0, 4 * count),
  ]);
}
