import type { Command } from 'commander';
import { screens } from '../../screen/index.ts';
import { exitClean, type Io } from '../io.ts';
import { table } from '../table.ts';

export function screensCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('screens')
    .description('list the screens of the catalogue')
    .option('--verbose', 'say of each what it is, in longer lines')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      '\nExamples:\n  pimbot screens\n  pimbot screens --verbose\n  pimbot screens --json',
    )
    .action((call: ScreensCall) => done(listScreens(call, io)));
}

interface ScreensCall {
  readonly verbose?: boolean;
  readonly json?: boolean;
}

/** Columns of a terminal in which a line with the words about a screen fits. */
const wide = 120;

/** `pimbot screens` */
function listScreens(options: ScreensCall, io: Io): number {
  if (options.json) {
    io.out(`${JSON.stringify(screens, null, 2)}\n`);
    return exitClean;
  }
  const rows = screens.map(({ name, width, height, density, safe, distance, inputs, title }) => [
    name,
    `${width}x${height}`,
    `${density}`,
    `${distance / 10}`,
    [safe.top, safe.right, safe.bottom, safe.left].every((inset) => inset === 0)
      ? '-'
      : `${safe.top},${safe.right},${safe.bottom},${safe.left}`,
    inputs.join(' '),
    title,
  ]);
  // What it is goes where there is room: the rest fits into 80 columns.
  const header = ['name', 'px', 'ppi', 'cm away', 'safe insets', 'inputs', 'what it is'];
  const fits = options.verbose === true || (io.columns ?? 0) >= wide;
  const shown = (cells: readonly string[]) => (fits ? cells : cells.slice(0, -1));
  io.out(table(shown(header), rows.map(shown), io, [2, 3]));
  if (!fits) io.out('\nSafe insets in px: top, right, bottom, left. --verbose says what each one is.\n');
  return exitClean;
}
