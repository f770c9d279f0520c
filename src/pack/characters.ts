import { writtenWidgets, type CheckedDocument } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { localesOf, type Resources } from '../view/index.ts';

/** What any text may come to hold while a game runs: the printable characters of ASCII. */
const everyday = Array.from({ length: 0x7f - 0x20 }, (_, at) => String.fromCharCode(0x20 + at)).join('');

/**
 * The characters a font needs for a document: all that its texts, catalogs and cases say, in both cases of letters, all of
 * ASCII, and what the author adds.
 * @param opened The widgets of its views, as `openings` gives them.
 */
export function charactersOf(
  document: CheckedDocument,
  resources: Resources,
  opened: readonly (readonly Widget[])[],
  more: string,
): Set<number> {
  const found = new Set<number>();
  const add = (text: string) => {
    for (const form of [text, text.toUpperCase(), text.toLowerCase()])
      for (const letter of form) found.add(letter.codePointAt(0)!);
  };
  add(everyday + more + '…\u00a0\u202f');
  const addAll = (value: unknown): void => {
    if (typeof value === 'string') add(value);
    else if (typeof value === 'object' && value !== null) Object.values(value).forEach(addAll);
  };
  for (const { widget } of writtenWidgets(document.source))
    for (const value of Object.values(widget)) if (typeof value === 'string') add(value);
  for (const values of Object.values(document.source.cases ?? {})) addAll(values);
  for (const catalog of resources.catalogs?.values() ?? [])
    for (const [text, translation] of catalog) add(text + translation);
  for (const widgets of opened) for (const { text } of widgets) if (text) add(text.text);
  // Numbers are written with what the locale writes them with.
  for (const locale of localesOf(document, resources))
    add(new Intl.NumberFormat(locale).format(-1_234_567.89));
  return found;
}
