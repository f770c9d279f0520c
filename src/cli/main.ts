import { Command, CommanderError, Option } from 'commander';
import { systemMessage } from '../node/files.ts';
import { BuildError } from '../build/index.ts';
import { mostLayouts } from '../verdict/index.ts';
import { states } from '../document/index.ts';
import { pseudoLocales } from '../text/index.ts';
import { NoSuchName } from '../view/index.ts';
import { anchor, type AnchorCall } from './anchor.ts';
import {
  collect,
  collectOf,
  collectPositive,
  parseCount,
  parsePositive,
  parseSafe,
  parseShard,
} from './arguments.ts';
import { changes, type ChangesCall } from './changes.ts';
import { check, type CheckCall } from './check.ts';
import { baseline, compare, type BaselineCall, type CompareCall } from './compare.ts';
import { draw, type DrawCall } from './draw.ts';
import { textChoices } from './drawing.ts';
import { UsageError, exitClean, exitUnusable, processIo, type Io } from './io.ts';
import { listScreens } from './screens.ts';
import { merge } from './merge.ts';
import type { ReportCall } from './reports.ts';
import { theme, type ThemeCall } from './theme.ts';
import { version } from './version.ts';
import { where, type WhereCall } from './where.ts';
import { why, type WhyCall } from './why.ts';

/** Runs the command line and gives the exit code. Nothing it can be given makes it throw or print a stack. */
export async function main(args: readonly string[], io: Io = processIo()): Promise<number> {
  let code = exitClean;
  const program = commands(io, (result) => (code = result));
  try {
    await program.parseAsync([...args], { from: 'user' });
    return code;
  } catch (error) {
    if (error instanceof CommanderError) return error.exitCode === 0 ? exitClean : exitUnusable;
    io.err(`${io.errInk.bad('pimbot')}: ${sentence(error)}\n`);
    return exitUnusable;
  }
}

function sentence(error: unknown): string {
  if (error instanceof UsageError || error instanceof NoSuchName || error instanceof RangeError)
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
  pimbot draw hud.yaml --view dive --screen square   draw a view as SVG and PNG
  pimbot where hud.yaml --screen 2560x1080 --json    where every widget is, in device px
  pimbot why hud.yaml dive/sonar --screen square     why a widget is where it is
  pimbot screens                                     the screens there are

Exit codes: 0 clean, 1 findings, 2 unusable input or a wrong call.`,
    );
  checkCommand(program, io, done);
  mergeCommand(program, io, done);
  compareCommands(program, io, done);
  drawCommand(program, io, done);
  whereCommand(program, io, done);
  whyCommand(program, io, done);
  anchorCommand(program, io, done);
  themeCommand(program, io, done);
  changesCommand(program, io, done);
  program
    .command('screens')
    .description('list the screens of the catalogue')
    .option('--json', 'print JSON')
    .addHelpText('after', '\nExamples:\n  pimbot screens\n  pimbot screens --json')
    .action((call: { json?: boolean }) => done(listScreens(call, io)));
  return program;
}

/** The options that say on what a view is laid out. */
function withScreenOptions(command: Command): Command {
  return withWindowOptions(command).addOption(
    new Option('--hud-size <factor>', "the player's HUD size; 1 is as drawn").argParser(parsePositive),
  );
}

/** The options that say what a screen is like. */
function withWindowOptions(command: Command): Command {
  return command
    .addOption(
      new Option('--safe <insets>', 'safe insets in device px: top,right,bottom,left').argParser(parseSafe),
    )
    .addOption(new Option('--density <ppi>', 'device pixels per inch').argParser(parsePositive))
    .option('--theme <theme>', "one of the document's themes, or a theme file from the document's folder");
}

/** The options of a command that shows one view. */
function withShownOptions(command: Command): Command {
  return withScreenOptions(
    command
      .option('--screen <name>', 'a screen, by name or as WIDTHxHEIGHT; the reference if left out')
      .option('--case <name>', "whose values fill the texts; the document's first if left out")
      .option(
        '--locale <tag>',
        `the language, or a pseudo-locale such as ${pseudoLocales.join(', ')}; the document's own if left out`,
      )
      .option(
        '--state <widget=state>',
        `put a widget into a state: ${states.join(', ')} (may be repeated)`,
        collect,
      ),
  );
}

function checkCommand(program: Command, io: Io, done: (code: number) => void): void {
  const command = program
    .command('check')
    .description('check that every widget stays placed and readable')
    .argument('<files...>', 'documents, YAML or JSON')
    .option('--view <name>', 'only this view (may be repeated)', collect)
    .option('--screen <name>', 'only this screen, a name or WIDTHxHEIGHT (may be repeated)', collect)
    .option('--case <name>', 'only this case (may be repeated)', collect)
    .option(
      '--locale <tag>',
      `only this locale, or a pseudo-locale such as ${pseudoLocales.join(', ')} (may be repeated)`,
      collect,
    );
  withReportOptions(
    withWindowOptions(command)
      .addOption(
        new Option(
          '--hud-size <factor>',
          'a HUD size players choose; 1 is as drawn (may be repeated)',
        ).argParser(collectPositive),
      )
      .addOption(
        new Option('--text-size <factor>', 'a text size players choose (may be repeated)').argParser(
          collectPositive,
        ),
      )
      .addOption(
        new Option(
          '--state <state>',
          `check with every control in this state too: ${states.join(', ')} (may be repeated)`,
        ).argParser(collectOf(states)),
      )
      .addOption(
        new Option(
          '--coverage <which>',
          `all combinations, or some in which every pair of values stands; pairs above ${mostLayouts} layouts of a view if left out`,
        ).choices(['all', 'pairs']),
      )
      .addOption(
        new Option(
          '--threads <count>',
          'how many threads work; as many as there are cores if left out',
        ).argParser(parseCount),
      )
      .option(
        '--mend <what>',
        'mend what is found, where a change mends it and breaks nothing: all, a check, or VIEW/WIDGET (may be repeated)',
        collect,
      )
      .option('--write', 'change the document; without it what --mend does is only shown')
      .addOption(
        new Option('--shard <i/n>', 'check only the i-th of n parts, for several machines').argParser(
          parseShard,
        ),
      )
      .option('--out <file>', 'where the part of a --shard is written, for `pimbot merge`'),
  )
    .addHelpText(
      'after',
      `
Examples:
  pimbot check hud.yaml
  pimbot check hud.yaml menu.yaml --report out/report.html --report out/report.sarif
  pimbot check hud.yaml --view dive --screen phone-portrait --screen 3440x1440
  pimbot check hud.yaml --screen 2340x1080 --safe 0,96,48,96 --density 420 --hud-size 1.3
  pimbot check hud.yaml --hud-size 1 --hud-size 1.25 --text-size 1 --text-size 1.5 --state focused
  pimbot check hud.yaml --mend all
  pimbot check hud.yaml --mend dive/sonar --mend cut-text --write
  pimbot check hud.yaml --shard 2/4 --out parts/2.json

Exit codes: 0 clean, 1 findings, 2 unusable input.`,
    )
    .action(async (files: string[], call: CheckCall) => done(await check(files, call, io)));
}

function compareCommands(program: Command, io: Io, done: (code: number) => void): void {
  const withWhat = (command: Command): Command =>
    command
      .option('--view <name>', 'only this view (may be repeated)', collect)
      .option('--screen <name>', 'only this screen, a name or WIDTHxHEIGHT (may be repeated)', collect)
      .option('--locale <tag>', 'only this locale (may be repeated)', collect)
      .addOption(
        new Option('--coverage <which>', 'all combinations, or some in which every pair of values stands')
          .choices(['all', 'pairs'])
          .default('pairs'),
      );
  withWhat(
    program
      .command('compare')
      .description(
        'say what moved, grew, changed its look or came between two documents, and what is found anew',
      )
      .argument('<old>', 'a document, or a baseline of one')
      .argument('<new>', 'the document as it is now'),
  )
    .option(
      '--report <file>',
      'write a report too: .html (before and after, drawn) or .json (may be repeated)',
      collect,
    )
    .option('--exact', 'any difference is exit code 1, not only new findings')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot compare hud-1.4.yaml hud.yaml
  pimbot compare hud.baseline.json hud.yaml --report out/compare.html
  pimbot compare old/hud.yaml hud.yaml --view dive --screen ultrawide --exact

Exit codes: 0 nothing new is found, 1 new findings (with --exact: any difference), 2 unusable input.`,
    )
    .action(async (old: string, now: string, call: CompareCall) => done(await compare(old, now, call, io)));
  withWhat(
    program
      .command('baseline')
      .description('save where everything is and what is found, for `pimbot compare`')
      .argument('<file>', 'a document, YAML or JSON'),
  )
    .requiredOption('--out <file>', 'where it is written; the name ends in .json')
    .addHelpText('after', '\nExamples:\n  pimbot baseline hud.yaml --out hud.baseline.json')
    .action(async (file: string, call: BaselineCall) => done(await baseline(file, call, io)));
}

/** The options that say what comes out of a check. */
function withReportOptions(command: Command): Command {
  return command
    .option('--json', 'print the report as JSON')
    .option('--no-suggest', 'try no changes that would mend what is found')
    .option(
      '--report <file>',
      'write a report too: .html (pages of drawings), .json, .sarif or .xml for JUnit (may be repeated)',
      collect,
    );
}

function mergeCommand(program: Command, io: Io, done: (code: number) => void): void {
  withReportOptions(
    program
      .command('merge')
      .description('put the parts of a check together that `pimbot check --shard` wrote')
      .argument('<parts...>', 'the parts, in any order'),
  )
    .addHelpText(
      'after',
      `
Examples:
  pimbot merge parts/1.json parts/2.json parts/3.json parts/4.json
  pimbot merge parts/*.json --report out/report.html --json

Exit codes: 0 clean, 1 findings, 2 unusable input or a part that is missing.`,
    )
    .action(async (parts: string[], call: ReportCall) => done(await merge(parts, call, io)));
}

function drawCommand(program: Command, io: Io, done: (code: number) => void): void {
  withShownOptions(
    program
      .command('draw')
      .description('draw a view on a screen, as SVG and PNG')
      .argument('<file>', 'a document, YAML or JSON')
      .option('--view <name>', 'the view; needed where the document holds several'),
  )
    .option('--out <file>', 'an .svg or .png file to write (may be repeated)', collect)
    .option(
      '--backdrop <what>',
      "a colour, one of the view's backdrops, or none; the view's first if left out",
    )
    .option('--outlines', 'draw the box of every widget over it')
    .option('--safe-area', 'draw the safe area over it')
    .option('--findings', 'check the view on that screen and draw the findings over it')
    .addOption(svgTextOption())
    .addHelpText(
      'after',
      `
Examples:
  pimbot draw hud.yaml --view dive
  pimbot draw hud.yaml --view dive --screen phone-landscape --safe-area --findings
  pimbot draw hud.yaml --view dive --screen 1280x800 --outlines --out shots/dive.png
  pimbot draw hud.yaml --view dive --backdrop "#204060" --out dive.svg --out dive.png`,
    )
    .action(async (file: string, call: DrawCall) => done(await draw(file, call, io)));
}

function whereCommand(program: Command, io: Io, done: (code: number) => void): void {
  withShownOptions(
    program
      .command('where')
      .description('print where every widget is on a screen, in device px and in u')
      .argument('<file>', 'a document, YAML or JSON')
      .option('--view <name>', 'the view; needed where the document holds several'),
  )
    .option('--json', 'print JSON: {view, screen, widgets: [{id, x, y, width, height}]} in device px')
    .addHelpText(
      'after',
      `
Examples:
  pimbot where hud.yaml --view dive
  pimbot where hud.yaml --view dive --screen ultrawide --json
  pimbot where hud.yaml --view dive --screen 2340x1080 --safe 0,96,48,96 --hud-size 1.25`,
    )
    .action(async (file: string, call: WhereCall) => done(await where(file, call, io)));
}

function whyCommand(program: Command, io: Io, done: (code: number) => void): void {
  withShownOptions(
    program
      .command('why')
      .description('print why a widget is where it is, back to what was written')
      .argument('<file>', 'a document, YAML or JSON')
      .argument('<widget>', 'VIEW/WIDGET; the view may be left out where the document holds one'),
  )
    .option('--look', 'where each value of its look is from, instead of its place')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot why hud.yaml dive/sonar
  pimbot why menu.yaml dock/cast-off --look --state cast-off=focused
  pimbot why hud.yaml dive/gauges --screen phone-portrait --hud-size 1.2 --json`,
    )
    .action(async (file: string, path: string, call: WhyCall) => done(await why(file, path, call, io)));
}

function svgTextOption(): Option {
  return new Option(
    '--svg-text <how>',
    'text in an SVG: outlines, or words that can be searched and edited',
  ).choices([...textChoices]);
}

function themeCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('theme')
    .description('draw a sheet of every kind in every state, every style and token, and say what themes lack')
    .argument('<file>', 'a document, YAML or JSON')
    .option('--theme <theme>', "one of the document's themes, or a theme file; all of its themes if left out")
    .option('--out <file>', 'an .svg or .png file to write (may be repeated)', collect)
    .option('--backdrop <colour>', "the colour behind it; the mean of the first view's backdrop if left out")
    .option('--tokens <file>', 'write the tokens as a Design Tokens file instead')
    .option('--json', 'print styles, tokens and what themes lack as JSON instead')
    .addOption(svgTextOption())
    .addHelpText(
      'after',
      `
Examples:
  pimbot theme hud.yaml
  pimbot theme hud.yaml --theme lantern --out lantern.png
  pimbot theme hud.yaml --theme brine --tokens brine.tokens.json

Exit codes: 0 clean, 1 a theme lacks what another has, 2 unusable input.`,
    )
    .action(async (file: string, call: ThemeCall) => done(await theme(file, call, io)));
}

function anchorCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('anchor')
    .description(
      'suggest the anchor a widget should have, or give it another, keeping its place on the reference',
    )
    .argument('<file>', 'a document, YAML or JSON')
    .argument('<widget>', 'VIEW/WIDGET; the view may be left out where the document holds one')
    .option('--to <anchor>', 'the anchor to give it; the suggested one if left out, or its own with --pivot')
    .option('--pivot <point>', 'the pivot to give it; follows the anchor if left out')
    .option('--write', 'change the document; without it the change is only shown')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot anchor hud.yaml dive/parcels
  pimbot anchor hud.yaml dive/parcels --to "right top" --write
  pimbot anchor hud.yaml dive/bearing --to "left..right top"
  pimbot anchor hud.yaml dive/parcels --pivot center`,
    )
    .action(async (file: string, path: string, call: AnchorCall) => done(await anchor(file, path, call, io)));
}

function changesCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('changes')
    .description('list where instances differ from their component')
    .argument('<file>', 'a document, YAML or JSON')
    .option('--reset <instance>', 'VIEW/INSTANCE: take its changes out of the document')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot changes hud.yaml
  pimbot changes hud.yaml --reset belt/wax`,
    )
    .action(async (file: string, call: ChangesCall) => done(await changes(file, call, io)));
}
