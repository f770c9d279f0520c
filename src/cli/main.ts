import { Command, CommanderError } from 'commander';
import { checkCommand } from './commands/check.ts';
import { lspCommand } from './commands/lsp.ts';
import { openCommand } from './commands/open.ts';
import { proveCommand } from './commands/prove.ts';
import { packCommand } from './commands/pack.ts';
import { mergeCommand } from './commands/merge.ts';
import { compareCommands } from './commands/compare.ts';
import { drawCommand } from './commands/draw.ts';
import { whereCommand } from './commands/where.ts';
import { whyCommand } from './commands/why.ts';
import { editCommand } from './commands/edit.ts';
import { initCommand } from './commands/init.ts';
import { themeCommand } from './commands/theme.ts';
import { changesCommand } from './commands/changes.ts';
import { screensCommand } from './commands/screens.ts';
import { exitClean, exitUnusable, processIo, type Io } from './io.ts';
import { tellError } from './sentence.ts';
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
    tellError(error, io);
    return exitUnusable;
  }
}

type Done = (code: number) => void;

function commands(io: Io, done: Done): Command {
  const program = new Command('pimbot')
    .description(
      'Lays out game HUDs and menus on any screen and reports what ends up off-screen, overlapping or unreadable.',
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
  pimbot prove hud.yaml --map out/                   prove which sizes every view holds on
  pimbot draw hud.yaml --view dive --screen square   draw a view as SVG and PNG
  pimbot where hud.yaml --screen 2560x1080 --json    where every widget is, in device px
  pimbot why hud.yaml dive/sonar --screen square     why a widget is where it is
  pimbot screens                                     the screens there are

Exit codes: 0 clean, 1 findings, 2 unusable input or a wrong call.`,
    );
  const group = (title: string, ...commands: readonly ((program: Command, io: Io, done: Done) => void)[]) => {
    program.commandsGroup(title);
    for (const add of commands) add(program, io, done);
  };
  group('Look:', openCommand, drawCommand, whereCommand, whyCommand, themeCommand, screensCommand);
  group('Check:', checkCommand, proveCommand, compareCommands, mergeCommand);
  group('Change:', initCommand, editCommand, changesCommand);
  group('Ship:', packCommand, lspCommand);
  for (const one of program.commands)
    one.showHelpAfterError(
      `How it is called: pimbot ${one.name()} ${one.usage()}\nExamples: pimbot help ${one.name()}`,
    );
  return program;
}
