import type { Command } from 'commander';
import { svgTextOption } from '../options.ts';
import { collect } from '../arguments.ts';
import { extname } from 'node:path';
import { writeWhole } from '../../node/files.ts';
import { drawLayout } from '../../paint/index.ts';
import { counted, printable } from '../../report/index.ts';
import { Theme, parseColor, themeGaps, tokensFile } from '../../theme/index.ts';
import { themeSheet } from '../../view/index.ts';
import { checkDrawingPaths, writeDrawing, type TextChoice } from '../drawing.ts';
import { UsageError, exitClean, exitFindings, exitUnusable, type Io } from '../io.ts';
import { load } from '../load.ts';

export function themeCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('theme')
    .description('draw a sheet of all kinds, states, styles and tokens; report what a theme lacks')
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

interface ThemeCall {
  readonly theme?: string;
  readonly out?: readonly string[];
  readonly backdrop?: string;
  readonly tokens?: string;
  readonly json?: boolean;
  readonly svgText?: TextChoice;
}

/** `pimbot theme FILE` */
async function theme(file: string, call: ThemeCall, io: Io): Promise<number> {
  checkDrawingPaths(call.out ?? []);
  if (call.backdrop !== undefined && !parseColor(call.backdrop))
    throw new UsageError(`"${call.backdrop}" is no CSS colour`);
  const loaded = await load(file, io, call.theme);
  if (!loaded.document) return exitUnusable;
  const { document, resources } = loaded;
  const gaps = themeGaps(document);
  const code = gaps.length > 0 ? exitFindings : exitClean;
  if (call.json) {
    const all = document.named.size > 0 ? [...document.named.keys()] : [undefined];
    const names = call.theme === undefined ? all : [document.themeName];
    const themes = names.map((name) => {
      const one = new Theme(document, name);
      const tokens = [...one.tokens.names()].flatMap((token) => {
        const answer = one.tokens.resolve(token);
        return 'value' in answer ? [[token, answer.value] as const] : [];
      });
      return { name: name ?? null, styles: one.styleNames(), tokens: Object.fromEntries(tokens) };
    });
    const lacks = gaps.map(({ theme: name, what, name: part, has }) => ({
      theme: name,
      what,
      name: part,
      has,
    }));
    io.out(`${JSON.stringify({ themes, lacks }, null, 2)}\n`);
    return code;
  }
  if (call.tokens !== undefined) {
    if (extname(call.tokens).toLowerCase() !== '.json')
      throw new UsageError(`"${call.tokens}" is no .json file`);
    writeWhole(call.tokens, tokensFile(document.themes.at(-1)!));
    io.out(`${call.tokens}\n`);
  } else {
    const themes = call.theme === undefined ? undefined : [document.themeName];
    const { view, width, height } = themeSheet(document, { resources, themes, backdrop: call.backdrop });
    const list = drawLayout(view.layoutOn({ width, height }));
    const paths = call.out ?? ['theme-sheet.svg', 'theme-sheet.png'];
    for (const path of paths) {
      await writeDrawing(path, list, call.svgText);
      io.out(`${path}\n`);
    }
  }
  for (const { theme: name, what, name: part, has } of gaps)
    io.err(
      `${io.errTones.bad('✗')} the theme ${printable(name)} lacks the ${what} "${printable(part)}", which ${printable(has)} has\n`,
    );
  if (gaps.length > 0) io.err(`${counted(gaps.length, 'difference')} between the themes\n`);
  return code;
}
