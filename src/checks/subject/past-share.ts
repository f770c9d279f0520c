/** What rounding may make of a share, in %: a share that is a limit everywhere is a hair more than that on some screens. */
const rounding = 1e-6;

/** The share that is more than a limit, in %, whatever rounding makes of it. */
export function pastShare(limit: number): number {
  return limit + rounding;
}
