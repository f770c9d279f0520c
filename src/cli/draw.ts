import { extname } from 'node:path';
import { checkDocument } from '../checks/index.ts';
import { writeWhole } from '../node/files.ts';
import { drawLayout, toSvg, withOverlay } from '../paint/index.ts';
import { parseColor } from '../theme/index.ts';
import { localesOf, type Backdrop, type View } from '../view/index.ts';
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
}

/** `pimbot draw FILE` */
export async function draw(file: string, call: DrawCall, io: Io): Promise<number> {
  for (const path of call.out ?? []) {
    if (!['.svg', '.png'].includes(extname(path).toLowerCase())) {
      throw new UsageError(`"${path}" is neither an .svg nor a .png file`);
    }
  }
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
        cases: view.case === undefined ? undefined : [view.case],
        hudSize: call.hudSize,
      }).findings
    : undefined;
  const plain = drawLayout(on, { backdrop: backdropFrom(call.backdrop, view) });
  const { outlines, safeArea } = call;
  const list = withOverlay(plain, on, resources.fonts, { outlines, safeArea, findings });
  const paths = call.out ?? [`${name}-${screen.name}.svg`, `${name}-${screen.name}.png`];
  for (const path of paths) {
    try {
      const svg = extname(path).toLowerCase() === '.svg';
      writeWhole(path, svg ? toSvg(list) : (await import('../node/png.ts')).toPng(list));
    } catch (error) {
      if (error instanceof RangeError) throw new UsageError(error.message);
      throw error;
    }
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
