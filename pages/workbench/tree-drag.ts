import type { Act, OutlineRow } from 'pimbot/tools';

/** Where in the list of widgets something is let go: before or after a row, or in what the row stands for. */
export interface TreeDrop {
  readonly row: number;
  readonly where: 'before' | 'after' | 'into';
}

/** A pointer has to go so many CSS px before a row is taken hold of. */
export const leastPull = 5;

/**
 * Where a place in a row drops what is dragged; undefined where it cannot go: into itself, or beside the view.
 * @param share How far down the row, from 0 to 1.
 */
export function dropAt(
  rows: readonly OutlineRow[],
  dragged: OutlineRow,
  over: OutlineRow,
  share: number,
): TreeDrop | undefined {
  for (let at: OutlineRow | undefined = over; at; at = rows[at.parent])
    if (at.index === dragged.index) return undefined;
  const edge = over.holds ? 0.3 : 0.5;
  if (over.index > 0 && share < edge) return { row: over.index, where: 'before' };
  if (over.index > 0 && share >= 1 - edge) return { row: over.index, where: 'after' };
  return over.holds ? { row: over.index, where: 'into' } : undefined;
}

/** The change of the document that letting go there is; undefined where nothing would change. */
export function actOfDrop(
  rows: readonly OutlineRow[],
  dragged: OutlineRow,
  { row, where }: TreeDrop,
): Act | undefined {
  const over = rows[row]!;
  const widget = dragged.id;
  if (where === 'into')
    return dragged.parent === over.index ? undefined : { do: 'into', widget, parent: over.id };
  const siblings = rows.filter(({ parent, index }) => parent === over.parent && index !== dragged.index);
  const at = siblings.indexOf(over) + (where === 'after' ? 1 : 0);
  if (dragged.parent !== over.parent) return { do: 'into', widget, parent: rows[over.parent]!.id, at };
  const before = rows.filter(({ parent }) => parent === over.parent).indexOf(dragged);
  return at === before ? undefined : { do: 'order', widget, to: at };
}

/** One place up or down among its siblings; undefined at an end. */
export function actOfStep(rows: readonly OutlineRow[], row: OutlineRow, by: -1 | 1): Act | undefined {
  const siblings = rows.filter(({ parent }) => parent === row.parent);
  const to = siblings.indexOf(row) + by;
  return row.index === 0 || to < 0 || to >= siblings.length ? undefined : { do: 'order', widget: row.id, to };
}
