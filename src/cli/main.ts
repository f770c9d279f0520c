import { Command, CommanderError } from 'commander';
import { MissingPackage } from '../node/canvas-package.ts';
import { systemMessage } from '../node/files.ts';
import { BuildError } from '../skeleton/index.ts';
import { NoSuchName } from '../view/index.ts';
import { checkCommand } from './commands/check.ts';
import { proveCommand } from './commands/prove.ts';
import { packCommand } from './commands/pack.ts';
import { mergeCommand } from './commands/merge.ts';
import { compareCommands } from './commands/compare.ts';
import { drawCommand } from './commands/draw.ts';
import { whereCommand } from './commands/where.ts';
import { whyCommand } from './commands/why.ts';
import { anchorCommand } from './commands/anchor.ts';
import { themeCommand } from './commands/theme.ts';
import { changesCommand } from './commands/changes.ts';
import { screensCommand } from './commands/screens.ts';
import { UsageError, exitClean, exitUnusable, processIo, type Io } from './io.ts';
import { version } from './version.ts';

/** Runs the command line and gives the exit code. Nothing it can be given makes it throw or print a stack. */
export async function main(args: readonly string[], io: Io = processIo()): Promise<number> {
  let code = exitClean;
  const program = commands(io, (result) => (code = result));
  try {
    await program.parseAsync([...args], { from: 'user' });
    return code;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? exitClean : exitUnusable;
    io.err(`${io.errTones.bad('pimbot')}: ${sentence(error)}\n`);
    return exitUnusable;
  }
}

function sentence(error: unknown): string {
  if (
    error instanceof MissingPackage ||
    error instanceof UsageError ||
    error instanceof NoSuchName ||
    error instanceof RangeError
  )
    return error.message;
  if (error instanceof BuildError) return `${error.message} (at ${error.pointer})`;
  const { path, code } = error as NodeJS.ErrnoException;
  if (code !== undefined && path !== undefined) return `"${path}" cannot be used: ${systemMessage(error)}`;
  return `an error of Pimbot itself, please report it: ${systemMessage(error)}`;
}

function commands(io: Io, done: (code: number) => void): Command {
  const program = new Command('pimbot')
    .description(
      'Lays out game HUDs and menus on any screen and says what does not stay placed and readable.',
    )
    .version(version(), '-V, --version', 'print the version')
    .helpOption('-h, --help', 'print this help')
    .configureOutput({ writeOut: (text) => io.out(text), writeErr: (text) => io.err(text) })
    .exitOverride()
    .addHelpText(
      'after',
      `
Examples:
  pimbot check hud.yaml                              check every view on every screen of the catalogue
  pimbot prove hud.yaml --map out/                   on which of all sizes every view holds
  pimbot draw hud.yaml --view dive --screen square   draw a view as SVG and PNG
  pimbot where hud.yaml --screen 2560x1080 --json    where every widget is, in device px
  pimbot why hud.yaml dive/sonar --screen square     why a widget is where it is
  pimbot screens                                     the screens there are

Exit codes: 0 clean, 1 findings, 2 unusable input or a wrong call.`,
    );
  checkCommand(program, io, done);
  mergeCommand(program, io, done);
  proveCommand(program, io, done);
  compareCommands(program, io, done);
  drawCommand(program, io, done);
  whereCommand(program, io, done);
  whyCommand(program, io, done);
  anchorCommand(program, io, done);
  themeCommand(program, io, done);
  changesCommand(program, io, done);
  packCommand(program, io, done);
  screensCommand(program, io, done);
  return program;
}
