import { wrapped } from '../report/index.ts';
import type { Io } from './io.ts';

/** A line as a terminal shows it without breaking a word; in a pipe it stays as it is, for whoever reads lines. */
export function fitted(line: string, indent: number, io: Io): string {
  if (io.columns === undefined) return `${line}\n`;
  return `${wrapped(line, io.columns, ' '.repeat(indent)).join('\n')}\n`;
}
