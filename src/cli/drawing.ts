import { extname } from 'node:path';
import { writeWhole } from '../node/files.ts';
import { toSvg, type DrawList, type SvgOptions } from '../paint/index.ts';
import { UsageError } from './io.ts';

/** How an SVG holds its text. */
export type TextChoice = NonNullable<SvgOptions['text']>;
export const textChoices: readonly TextChoice[] = ['outlines', 'words'];

/** Refuses paths of other files than a drawing is written to. @throws UsageError */
export function checkDrawingPaths(paths: readonly string[]): void {
  for (const path of paths) {
    if (!['.svg', '.png'].includes(extname(path).toLowerCase()))
      throw new UsageError(`"${path}" is neither an .svg nor a .png file`);
  }
}

/** Writes a drawing as SVG or PNG, by the end of the path. @throws UsageError for a drawing no PNG can hold. */
export async function writeDrawing(path: string, list: DrawList, text?: TextChoice): Promise<void> {
  checkDrawingPaths([path]);
  try {
    const isSvg = extname(path).toLowerCase() === '.svg';
    writeWhole(path, isSvg ? toSvg(list, { text }) : (await import('../node/png.ts')).toPng(list));
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(error.message);
    throw error;
  }
}
