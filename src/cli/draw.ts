import { checkDocument } from '../verdict/index.ts';
import { drawLayout, withOverlay } from '../paint/index.ts';
import { parseColor } from '../theme/index.ts';
import { localesOf, type Backdrop, type View } from '../view/index.ts';
import { checkDrawingPaths, writeDrawing, type TextChoice } from './drawing.ts';
import { UsageError, exitClean, exitUnusable, type Io } from './io.ts';
import { load, viewNamed } from './load.ts';
import { opened, type ShownCall } from './opened.ts';

export interface DrawCall extends ShownCall {
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
export async function draw(file: string, call: DrawCall, io: Io): Promise<number> {
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
        locales: [call.locale ?? localesOf(document, resources)[0]!],
        themes: document.themeName === undefined ? undefined : [document.themeName],
        cases: view.case === undefined ? undefined : [view.case],
        hudSizes: call.hudSize === undefined ? undefined : [call.hudSize],
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
