import { textsIn, type CheckedDocument, type MessagePart } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { formsOf } from '../text/index.ts';
import { localesOf, type Resources } from '../view/index.ts';
import { saidIn, translationsIn } from './written.ts';

/** What any text may come to hold while a game runs: the printable characters of ASCII. */
const everyday = Array.from({ length: 0x7f - 0x20 }, (_, at) => String.fromCharCode(0x20 + at)).join('');

/** Numbers of a language as a message without a format writes them. */
const anyNumber: MessagePart = { type: 2 };

/**
 * The characters a font needs for a document: all that its texts, catalogs and cases say, in both cases of letters, what numbers and
 * dates of its messages may be written with, all of ASCII, and what the author adds.
 * @param opened The widgets of its views, as `openings` gives them.
 */
export function charactersOf(
  document: CheckedDocument,
  resources: Resources,
  opened: readonly (readonly Widget[])[],
  more: string,
): Set<number> {
  const found = new Set<number>();
  const locales = localesOf(document, resources);
  const add = (text: string) => {
    const cases = [text.toLowerCase(), ...locales.map((locale) => text.toLocaleUpperCase(locale))];
    for (const form of [text, ...cases]) for (const letter of form) found.add(letter.codePointAt(0)!);
  };
  add(everyday + more + '…\u00a0\u202f');
  const said = saidIn(document);
  said.forEach(add);
  textsIn(document.source.cases).forEach(add);
  for (const catalog of resources.catalogs?.values() ?? [])
    for (const [text, translation] of catalog) add(text + translation);
  for (const widgets of opened) for (const { text } of widgets) if (text) add(text.text);
  for (const locale of locales) {
    const parts = [anyNumber];
    for (const text of [...said, ...translationsIn(locale, resources)])
      parts.push(...partsOf(document, text, locale));
    for (const form of new Set(formsOf(parts, locale))) add(form);
  }
  return found;
}

/** What a text is made of; nothing where it is words alone, or no message. */
function partsOf({ notations }: CheckedDocument, text: string, locale: string): readonly MessagePart[] {
  if (!/[{}']/.test(text)) return [];
  try {
    return notations.message(text, locale);
  } catch {
    return [];
  }
}
