import {
  nearestName,
  entryOf,
  isTemplate,
  writtenWidgets,
  type CheckedDocument,
  type DiagnosticList,
} from '../document/index.ts';
import type { Picture } from '../picture/index.ts';

/** Reports names of regions that the atlas they name does not have; an atlas that could not be read is told once. */
export function checkPictureNames(
  { source, origin }: CheckedDocument,
  pictures: ReadonlyMap<string, Picture>,
  diagnostics: DiagnosticList,
): void {
  const names = [...pictures.keys()];
  for (const { widget, pointer } of writtenWidgets(source)) {
    const { image } = widget;
    if (image === undefined || pictures.has(image)) continue;
    const isLeftToAValue: boolean = isTemplate(image);
    if (isLeftToAValue || entryOf(source.pictures, image) !== undefined) continue;
    const atlas = `${image.slice(0, image.indexOf('/'))}/`;
    if (!names.some((name) => name.startsWith(atlas))) continue;
    const meant = nearestName(image, names);
    diagnostics.add('unknown-name', { what: 'picture', name: image, meant }, origin.at(`${pointer}/image`));
  }
}
