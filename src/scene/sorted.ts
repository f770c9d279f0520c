/** The place of the first number of a sorted row that is not below another. */
export function firstFrom(sorted: Float64Array, least: number): number {
  let [from, to] = [0, sorted.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (sorted[middle]! < least) from = middle + 1;
    else to = middle;
  }
  return from;
}
