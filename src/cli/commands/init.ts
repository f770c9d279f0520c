import { existsSync } from 'node:fs';
import { Option, type Command } from 'commander';
import { writeWhole } from '../../node/files.ts';
import { UsageError, exitClean, type Io } from '../io.ts';
import { starters, type Starter } from '../starters.ts';

export function initCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('init')
    .description('start a document: a HUD, a menu or a page that passes every check')
    .argument('<file>', 'the new document; a file that is there is never overwritten')
    .addOption(
      new Option('--starter <which>', 'what it starts as').choices(Object.keys(starters)).default('hud'),
    )
    .addHelpText(
      'after',
      `
Examples:
  pimbot init hud.yaml
  pimbot init menus.yaml --starter menu`,
    )
    .action((file: string, { starter }: { starter: Starter }) => {
      if (!/\.ya?ml$/i.test(file))
        throw new UsageError(`"${file}" is no name for a YAML file: end it in .yaml`);
      if (existsSync(file)) throw new UsageError(`"${file}" is there already`);
      writeWhole(file, starters[starter]);
      io.out(`${file} is there. Next:\n  pimbot check ${file}\n  pimbot open ${file}\n`);
      done(exitClean);
    });
}
