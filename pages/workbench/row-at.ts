import type { Outline } from 'pimbot/tools';

type Row = Outline['rows'][number];

/** The innermost widget that is written around a place of the text. */
export function rowAt(rows: readonly Row[], offset: number): Row | undefined {
  let best: Row | undefined;
  for (const row of rows) {
    if (!row.range || row.index === 0 || offset < row.range.start || offset > row.range.end) continue;
    const length = row.range.end - row.range.start;
    if (!best || length < best.range!.end - best.range!.start) best = row;
  }
  return best;
}
