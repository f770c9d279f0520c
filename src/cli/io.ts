import pc from 'picocolors';
import type { Tones } from '../report/index.ts';

/** Where a command writes; the process's own streams, or a test's. */
export interface Io {
  out(text: string): void;
  err(text: string): void;
  readonly tones: Tones;
  /** Colours for what goes to `err`. */
  readonly errTones: Tones;
  /** Columns of the terminal that is written to; undefined where there is none. */
  readonly columns?: number;
  /** Where the progress of long work is shown; undefined where no one is looking. */
  readonly progress?: (text: string) => void;
}

/** A wrong call: told in one sentence, exit code 2. */
export class UsageError extends Error {
  override readonly name = 'UsageError';
}

/** Exit codes of every command. */
export const exitClean = 0;
export const exitFindings = 1;
export const exitUnusable = 2;

function tonesFor(colors: boolean): Tones {
  const { green, red, yellow, dim, bold } = pc.createColors(colors);
  return { good: green, bad: red, doubtful: yellow, faint: dim, strong: bold };
}

/** The streams of this process. NO_COLOR and pipes switch colours off. */
export function processIo(): Io {
  const colors = (stream: NodeJS.WriteStream) =>
    process.env.NO_COLOR === undefined && (stream.isTTY || process.env.FORCE_COLOR !== undefined);
  // Whoever reads may stop reading: `pimbot where … | head` is no fault of anybody's.
  for (const stream of [process.stdout, process.stderr]) {
    stream.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EPIPE') process.exit();
      throw error;
    });
  }
  process.once('SIGINT', () => {
    // The line of progress is wiped out; 130 is what shells give for an interrupted command.
    if (process.stderr.isTTY) process.stderr.write('\r\u001b[K');
    process.exit(130);
  });
  return {
    out: (text) => void process.stdout.write(text),
    err: (text) => void process.stderr.write(text),
    columns: process.stdout.isTTY ? process.stdout.columns : undefined,
    tones: tonesFor(colors(process.stdout)),
    errTones: tonesFor(colors(process.stderr)),
    progress: process.stderr.isTTY ? (text) => void process.stderr.write(text) : undefined,
  };
}
