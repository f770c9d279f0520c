import { kinds, states, writtenWidgets, type CheckedDocument } from '../document/index.ts';
import { everyTheme, kindStyle, type Look } from '../theme/index.ts';
import { localesOf, type Resources } from '../view/index.ts';
import type { RecordedNotations } from './recorded.ts';

/** Everything that says how anything looks, in every theme: styles, kinds and their states, and looks of widgets, on any screen. */
export function* writtenLooks(document: CheckedDocument): Generator<Partial<Look>> {
  for (const theme of everyTheme(document).values()) {
    for (const name of [...theme.styleNames(), ...kinds.map(kindStyle)]) {
      yield theme.styleChanges(name);
      for (const state of states) yield theme.stateChanges(name, state);
    }
    for (const { widget } of writtenWidgets(document.source))
      if (widget.look) yield theme.changesOf(widget.look);
  }
}

/** Has every colour and message read that a game may ask for, whatever screen, case, state, theme or language brings it in. */
export function readWritten(
  document: CheckedDocument,
  resources: Resources,
  recorded: RecordedNotations,
): void {
  // Going through them has their colours read.
  for (const _ of writtenLooks(document));
  const texts = [...writtenWidgets(document.source)].flatMap(({ widget }) =>
    Object.values(widget).filter((value) => typeof value === 'string'),
  );
  for (const theme of everyTheme(document).values())
    for (const text of texts) recorded.color(String(theme.fillIn(text) ?? ''));
  for (const locale of localesOf(document, resources))
    for (const text of [...texts, ...(resources.catalogs?.get(locale)?.values() ?? [])]) {
      if (!/[{}']/.test(text)) continue;
      try {
        recorded.message(text, locale);
      } catch {
        // A text of another key: what is shown as a message has been checked to be one.
      }
    }
}
