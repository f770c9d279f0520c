/**
 * Rows of values of several factors in which every pair of values of any two factors stands together at least once.
 * In-parameter-order (Lei and Tai, 1998): the two largest factors in full, then one factor after the other, each
 * first put beside the rows there are where it covers most, then with rows of its own for what is left. The same
 * rows on every machine.
 * @param sizes How many values each factor has, at least 1.
 * @returns Rows of indexes of values, in the order of `sizes`.
 */
export function coverPairs(sizes: readonly number[]): number[][] {
  const order = sizes.map((_, factor) => factor).sort((a, b) => sizes[b]! - sizes[a]! || a - b);
  const [first, second] = order;
  if (first === undefined) return [[]];
  const rows: number[][] = [];
  for (let a = 0; a < sizes[first]!; a++) {
    for (let b = 0; b < (second === undefined ? 1 : sizes[second]!); b++) {
      const row = new Array<number>(sizes.length).fill(open);
      row[first] = a;
      if (second !== undefined) row[second] = b;
      rows.push(row);
    }
  }
  for (let at = 2; at < order.length; at++) addFactor(rows, order.slice(0, at), order[at]!, sizes);
  // What no pair decided may be anything; another value each time looks at more.
  rows.forEach((row, nth) =>
    row.forEach((value, factor) => value === open && (row[factor] = nth % sizes[factor]!)),
  );
  return rows.sort((a, b) => a.reduce((sum, value, factor) => sum || value - b[factor]!, 0));
}

/** A place in a row that may still become any value. */
const open = -1;

/** Gives every row a value of another factor, and adds rows until all its pairs are there. */
function addFactor(
  rows: number[][],
  before: readonly number[],
  factor: number,
  sizes: readonly number[],
): void {
  const count = sizes[factor]!;
  /** For each earlier factor: which of its values has not stood beside which of ours. */
  const missing = before.map((earlier) => new Uint8Array(sizes[earlier]! * count).fill(1));
  let left = missing.reduce((sum, pairs) => sum + pairs.length, 0);
  const gain = (row: readonly number[], value: number) =>
    before.reduce(
      (sum, earlier, nth) =>
        sum + (row[earlier] === open ? 0 : missing[nth]![row[earlier]! * count + value]!),
      0,
    );
  const take = (row: readonly number[]) =>
    before.forEach((earlier, nth) => {
      if (row[earlier] === open || row[factor] === open) return;
      const at = row[earlier]! * count + row[factor]!;
      left -= missing[nth]![at]!;
      missing[nth]![at] = 0;
    });
  rows.forEach((row, nth) => {
    let best = nth % count;
    let most = gain(row, best);
    for (let value = 0; value < count; value++) {
      const covers = gain(row, value);
      if (covers > most) [best, most] = [value, covers];
    }
    if (most === 0) return;
    row[factor] = best;
    take(row);
  });
  before.forEach((earlier, nth) => {
    for (let at = 0; left > 0 && at < missing[nth]!.length; at++) {
      if (missing[nth]![at] === 0) continue;
      const [value, own] = [Math.floor(at / count), at % count];
      const fits = (row: readonly number[]) =>
        (row[earlier] === open || row[earlier] === value) && (row[factor] === open || row[factor] === own);
      let row = rows.find((one) => (one[earlier] === open || one[factor] === open) && fits(one));
      if (!row) rows.push((row = new Array<number>(sizes.length).fill(open)));
      row[earlier] = value;
      row[factor] = own;
      take(row);
    }
  });
}
