import { structuredPatch } from 'diff';
import { printable } from '../report/index.ts';
import type { Io } from './io.ts';

/** The lines that changed, with three around them, as the unified format of POSIX diff has them. */
export function difference(file: string, before: string, after: string, io: Io): string {
  if (before === after) return '';
  const { hunks } = structuredPatch(file, file, before, after, '', '', { context: 3 });
  const lines = hunks.flatMap(({ oldStart, oldLines, newStart, newLines, lines: some }) => [
    io.tones.faint(`@@ -${oldStart},${oldLines} +${newStart},${newLines} @@`),
    ...some.map((line) => {
      const text = printable(line);
      return line.startsWith('-') ? io.tones.bad(text) : line.startsWith('+') ? io.tones.good(text) : text;
    }),
  ]);
  return `${[`--- ${printable(file)}`, `+++ ${printable(file)}`, ...lines].join('\n')}\n\n`;
}
