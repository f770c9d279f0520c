import type { CheckedDocument, Range } from '../../document/index.ts';
import { EditError, readChanged, referenceScreen } from '../../edit/index.ts';
import { drawLayout, toSvg } from '../../paint/index.ts';
import { BuildError } from '../../skeleton/index.ts';
import { openView, type Resources, type ViewOptions } from '../../view/index.ts';
import { referencesAt } from './references.ts';

/**
 * The places to be written over where what the word at a place names gets another name. Tried first: the document is read with it, and
 * every view has to look as before on the screen it is designed for, in every case and theme.
 * @throws EditError where nothing of this document is named there, or something would be another with that name.
 */
export function renamesAt(
  document: CheckedDocument,
  resources: Resources,
  text: string,
  offset: number,
  name: string,
): readonly Range[] {
  if (!/^[\p{L}_][\p{L}\p{N}_-]*$/u.test(name))
    throw new EditError(`"${name}" is no name: a letter, then letters, digits, - and _`);
  const found = referencesAt(document, text, offset);
  const [written] = found;
  if (!written) throw new EditError('nothing that the document names stands here');
  const elsewhere = found.find(({ source }) => source.name !== document.origin.source?.name);
  if (elsewhere)
    throw new EditError(`it is written in ${elsewhere.source.name}, which may be used elsewhere, too`);
  const ranges = found.map(({ range }) => range);
  let changed = text;
  for (const { start, end } of [...ranges].sort((a, b) => b.start - a.start))
    changed = changed.slice(0, start) + name + changed.slice(end);
  const other = readChanged(document, changed);
  // A picture is there under both names.
  const pictures = new Map(resources.pictures);
  const picture = pictures.get(text.slice(ranges[0]!.start, ranges[0]!.end));
  if (picture) pictures.set(name, picture);
  const all = { ...resources, pictures };
  for (const view of Object.keys(document.source.views))
    for (const seen of occasionsOf(document))
      if (
        drawn(document, view, { ...seen, resources: all }) !== drawn(other, view, { ...seen, resources: all })
      )
        throw new EditError(
          `${view} would look different: something names it that was not found, such as a value`,
        );
  return ranges;
}

/** Every case in the usual theme, and the first in every theme. */
function occasionsOf({ source, named }: CheckedDocument): readonly Omit<ViewOptions, 'resources'>[] {
  const cases = Object.keys(source.cases ?? {}).map((one) => ({ case: one }));
  return [{}, ...cases, ...[...named.keys()].map((theme) => ({ theme }))];
}

function drawn(document: CheckedDocument, name: string, options: ViewOptions): string {
  const view = openView(document, name, options);
  try {
    return toSvg(drawLayout(view.layoutOn(referenceScreen(view))));
  } catch (error) {
    if (error instanceof BuildError) throw new EditError(error.message);
    throw error;
  }
}
