import { Option, type Command } from 'commander';
import { states } from '../document/index.ts';
import { pseudoLocales } from '../text/index.ts';
import { factors, type OccasionKey } from '../view/index.ts';
import { collect, collectOf, collectPositive, parsePositive, parseSafe } from './arguments.ts';
import { textChoices } from './drawing.ts';

/* Options that several commands share. */

/** How the values of what varies are read; a theme may be a file, and is said once. */
const parsers: { readonly [Key in OccasionKey]: ((text: string, before: never) => unknown) | undefined } = {
  case: collect,
  locale: collect,
  theme: undefined,
  hudSize: collectPositive,
  textSize: collectPositive,
  state: collectOf(states),
};

/** The option of a check for something that varies. */
export function factorOption(key: OccasionKey): Option {
  const { flag, help } = factors.find((one) => one.key === key)!.option;
  const option = new Option(flag, help);
  const parser = parsers[key];
  return parser ? option.argParser(parser as (text: string, before: unknown) => unknown) : option;
}

/** The options that say on what a view is laid out. */
export function withScreenOptions(command: Command): Command {
  return withWindowOptions(command)
    .addOption(
      new Option('--hud-size <factor>', "the player's HUD size; 1 is as drawn").argParser(parsePositive),
    )
    .addOption(
      new Option('--text-size <factor>', "the player's text size; 1 is as drawn").argParser(parsePositive),
    );
}

/** The options that say what a screen is like. */
export function withWindowOptions(command: Command): Command {
  return command
    .addOption(
      new Option('--safe <insets>', 'safe insets in device px: top,right,bottom,left').argParser(parseSafe),
    )
    .addOption(new Option('--density <ppi>', 'device pixels per inch').argParser(parsePositive))
    .addOption(factorOption('theme'));
}

/** The options of a command that shows one view. */
export function withShownOptions(command: Command): Command {
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

/** The options that say what comes out of a check. */
export function withReportOptions(command: Command): Command {
  return command
    .option('--json', 'print the report as JSON')
    .option('--verbose', 'print every finding with all of its reasons')
    .option('--summary', 'print the verdict and the table alone')
    .option('--check <id>', 'tell only the findings of this check (may be repeated)', collect)
    .addOption(
      new Option(
        '--fail-on <severity>',
        'exit with 1 for errors alone, or for warnings too; warnings if left out',
      ).choices(['error', 'warning']),
    )
    .option('--no-suggest', 'try no changes that would mend what is found')
    .option(
      '--report <file>',
      'write a report too: .html (pages of drawings), .json, .sarif or .xml for JUnit (may be repeated)',
      collect,
    );
}

export function svgTextOption(): Option {
  return new Option(
    '--svg-text <how>',
    'text in an SVG: outlines, or words that can be searched and edited',
  ).choices([...textChoices]);
}
