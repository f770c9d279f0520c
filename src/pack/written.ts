import { kinds, states, textsIn, writtenWidgets, type CheckedDocument } from '../document/index.ts';
import { markupChanges } from '../dress/index.ts';
import { fallbacks, markupWords, parseMarkup } from '../text/index.ts';
import { everyTheme, kindStyle, plainLook, type LookChanges } from '../theme/index.ts';
import { localesOf, type Resources } from '../view/index.ts';
import type { RecordedNotations } from './recorded.ts';

/** What of a widget is gone through by itself, and what of a view no game gets. */
const apart: readonly string[] = ['children', 'when', 'set', 'look', 'expect', 'accept'];

/** Every text of widgets and of the parameters of components, whatever brings it in: some of it is shown. */
export function saidIn({ source }: CheckedDocument): string[] {
  const said = [...writtenWidgets(source)].flatMap(({ widget }) =>
    textsIn(Object.fromEntries(Object.entries(widget).filter(([key]) => !apart.includes(key)))),
  );
  return [...new Set(said)];
}

/** What a language has for texts, its own and that of those it falls back to. */
export function translationsIn(locale: string, { catalogs }: Pick<Resources, 'catalogs'>): string[] {
  return fallbacks(locale).flatMap((one) => [...(catalogs?.get(one)?.values() ?? [])]);
}

/**
 * Everything that says how anything looks, in every theme: styles, kinds and their states, looks of widgets, and what marks say of
 * words in a text, on any screen and in any language.
 */
export function* writtenLooks(document: CheckedDocument, resources: Resources): Generator<LookChanges> {
  const texts = [
    ...saidIn(document),
    ...localesOf(document, resources).flatMap((locale) => translationsIn(locale, resources)),
  ];
  const marks = new Set(texts.flatMap((text) => parseMarkup(text).map(({ how = '' }) => how)));
  for (const theme of everyTheme(document).values()) {
    for (const name of [...theme.styleNames(), ...kinds.map(kindStyle)]) {
      yield theme.styleChanges(name);
      for (const state of states) yield theme.stateChanges(name, state);
    }
    for (const { widget } of writtenWidgets(document.source))
      if (widget.look) yield theme.changesOf(widget.look);
    for (const how of marks)
      for (const word of markupWords(how)) yield markupChanges(word, theme, plainLook.fontSize);
  }
}

/** Has every colour and message read that a game may ask for, whatever screen, case, state, theme or language brings it in. */
export function readWritten(
  document: CheckedDocument,
  resources: Resources,
  recorded: RecordedNotations,
): void {
  // Going through them has their colours read.
  for (const _ of writtenLooks(document, resources));
  const texts = saidIn(document);
  for (const theme of everyTheme(document).values())
    for (const text of texts) recorded.color(String(theme.fillIn(text) ?? ''));
  for (const locale of localesOf(document, resources))
    for (const text of [...texts, ...translationsIn(locale, resources)]) {
      if (!/[{}']/.test(text)) continue;
      try {
        recorded.message(text, locale);
      } catch {
        // A text of another key: what is shown as a message has been checked to be one.
      }
    }
}
