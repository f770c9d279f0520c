import { extname } from 'node:path';
import { writeWhole } from '../node/files.ts';
import { drawLayout } from '../paint/index.ts';
import { counted, printable } from '../report/index.ts';
import { Theme, parseColor, themeGaps, tokensFile } from '../theme/index.ts';
import { themeSheet } from '../view/index.ts';
import { checkDrawingPaths, writeDrawing, type TextChoice } from './drawing.ts';
import { UsageError, exitClean, exitFindings, exitUnusable, type Io } from './io.ts';
import { load } from './load.ts';

export interface ThemeCall {
  readonly theme?: string;
  readonly out?: readonly string[];
  readonly backdrop?: string;
  readonly tokens?: string;
  readonly json?: boolean;
  readonly svgText?: TextChoice;
}

/** `pimbot theme FILE` */
export async function theme(file: string, call: ThemeCall, io: Io): Promise<number> {
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
      `${io.errInk.bad('✗')} the theme ${printable(name)} lacks the ${what} "${printable(part)}", which ${printable(has)} has\n`,
    );
  if (gaps.length > 0) io.err(`${counted(gaps.length, 'difference')} between the themes\n`);
  return code;
}
