import type { Command } from 'commander';
import { screens } from '../../screen/index.ts';
import { exitClean, type Io } from '../io.ts';
import { table } from '../table.ts';

export function screensCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('screens')
    .description('list the screens of the catalogue')
    .option('--json', 'print JSON')
    .addHelpText('after', '\nExamples:\n  pimbot screens\n  pimbot screens --json')
    .action((call: { json?: boolean }) => done(listScreens(call, io)));
}

/** `pimbot screens` */
function listScreens(options: { readonly json?: boolean }, io: Io): number {
  if (options.json) {
    io.out(`${JSON.stringify(screens, null, 2)}\n`);
    return exitClean;
  }
  const rows = screens.map(({ name, width, height, density, safe, distance, inputs, title }) => [
    name,
    `${width}x${height}`,
    `${density} ppi`,
    `${distance / 10} cm`,
    [safe.top, safe.right, safe.bottom, safe.left].every((inset) => inset === 0)
      ? '-'
      : `${safe.top},${safe.right},${safe.bottom},${safe.left}`,
    inputs.join(' '),
    title,
  ]);
  io.out(table(['name', 'pixels', 'density', 'distance', 'safe insets', 'inputs', 'what it is'], rows, io));
  return exitClean;
}
