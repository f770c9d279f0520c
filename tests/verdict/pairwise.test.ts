import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { coverPairs } from '../../src/verdict/pairwise.ts';
import { rounds } from '../support/deep.ts';

/** Pairs of values of two factors that stand together in no row. */
function lacking(sizes: readonly number[], rows: readonly (readonly number[])[]): string[] {
  const missing: string[] = [];
  sizes.forEach((count, factor) => {
    sizes.slice(0, factor).forEach((other, earlier) => {
      for (let a = 0; a < other; a++)
        for (let b = 0; b < count; b++)
          if (!rows.some((row) => row[earlier] === a && row[factor] === b))
            missing.push(`${earlier}=${a} ${factor}=${b}`);
    });
  });
  return missing;
}

describe('covering every pair', () => {
  test('of any factors, every two values of any two stand in a row, and no row says a value there is not', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 7 }), (sizes) => {
        const rows = coverPairs(sizes);
        expect(lacking(sizes, rows)).toEqual([]);
        for (const row of rows) {
          expect(row).toHaveLength(sizes.length);
          row.forEach((value, factor) => expect(value >= 0 && value < sizes[factor]!).toBe(true));
        }
        expect(coverPairs(sizes)).toEqual(rows);
      }),
      { numRuns: rounds(60, 300) },
    );
  });

  test('takes few rows: screens, cases, locales, themes, HUD sizes, text sizes and states', () => {
    const sizes = [44, 3, 6, 2, 3, 3, 5];
    const rows = coverPairs(sizes);
    // No set of rows can be smaller than the two largest factors in full.
    expect(rows.length).toBeGreaterThanOrEqual(44 * 6);
    expect(rows.length).toBeLessThanOrEqual(44 * 6 * 1.05);
  });
});
