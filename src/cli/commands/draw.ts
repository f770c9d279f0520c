import type { Command } from 'commander';
import { svgTextOption, withShownOptions } from '../options.ts';
import { collect } from '../arguments.ts';
import { checkDocument } from '../../verdict/index.ts';
import { drawLayout, withOverlay } from '../../paint/index.ts';
import { parseColor } from '../../theme/index.ts';
import { onlyOn, type Backdrop, type View } from '../../view/index.ts';
import { checkDrawingPaths, writeDrawing, type TextChoice } from '../drawing.ts';
import { UsageError, exitClean, exitUnusable, type Io } from '../io.ts';
import { load, viewNamed } from '../load.ts';
import { opened, type ShownCall } from '../opened.ts';

export function drawCommand(program: Command, io: Io, done: (code: number) => void): void {
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

interface DrawCall extends ShownCall {
  readonly view?: string;
  readonly theme?: string;
  readonly out?: readonly string[];
  readonly backdrop?: string;
  readonly outlines?: boolean;
  readonly safeArea?: boolean;
  readonly findings?: boolean;
  readonly svgText?: TextChoice;
}

/** `pimbot draw FILE` */
async function draw(file: string, call: DrawCall, io: Io): Promise<number> {
  checkDrawingPaths(call.out ?? []);
  const loaded = await load(file, io, call.theme);
  if (!loaded.document) return exitUnusable;
  const { document, resources } = loaded;
  const name = viewNamed(document, file, call.view);
  const { view, screen } = opened(loaded, name, call);
  const on = view.layoutOn(screen);
  const findings = call.findings
    ? checkDocument(document, {
        resources,
        screens: [screen],
        views: [name],
        ...onlyOn(view.occasion),
      }).findings
    : undefined;
  const plain = drawLayout(on, { backdrop: backdropFrom(call.backdrop, view) });
  const { outlines, safeArea } = call;
  const list = withOverlay(plain, on, resources.fonts, { outlines, safeArea, findings });
  const paths = call.out ?? [`${name}-${screen.name}.svg`, `${name}-${screen.name}.png`];
  for (const path of paths) {
    await writeDrawing(path, list, call.svgText);
    io.out(`${path}\n`);
  }
  return exitClean;
}

function backdropFrom(text: string | undefined, view: View): Backdrop | null | undefined {
  if (text === undefined) return undefined;
  if (text === 'none') return null;
  const named = view.backdrops.find((backdrop) => backdrop.name === text);
  if (named) return named;
  const color = parseColor(text);
  if (!color) {
    const names = view.backdrops.map((backdrop) => backdrop.name).join(', ');
    throw new UsageError(
      `"${text}" is neither a CSS colour nor a backdrop of the view (${names || 'it has none'})`,
    );
  }
  return { type: 'color', name: text, color };
}
