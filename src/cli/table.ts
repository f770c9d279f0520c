import type { Io } from './io.ts';

/** Columns of text, each as wide as its longest cell. */
export function table(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  io: Io,
  right: readonly number[] = [],
): string {
  const widths = header.map((title, column) =>
    Math.max(title.length, ...rows.map((row) => row[column]!.length)),
  );
  const line = (cells: readonly string[]) =>
    cells
      .map((cell, column) =>
        right.includes(column) ? cell.padStart(widths[column]!) : cell.padEnd(widths[column]!),
      )
      .join('  ')
      .trimEnd();
  return `${io.tones.faint(line(header))}\n${rows.map((row) => `${line(row)}\n`).join('')}`;
}
