import type { CheckedDocument } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { screens } from '../screen/index.ts';
import { SharedViews, listsOf, localesOf, openView, type Resources } from '../view/index.ts';

/** The widgets of every view in every case, language and form that a screen of the catalogue gives it, and of every theme in one language. */
export function* openings(document: CheckedDocument, resources: Resources): Generator<readonly Widget[]> {
  const lists = listsOf(document, resources, {});
  const shared = new SharedViews(document, resources);
  const [language] = localesOf(document, resources);
  const opened = (name: string, how: object) => {
    const view = openView(document, name, { resources, shared, ...how });
    // Screens on which the same conditions hold share a form.
    const forms = new Set(screens.map((screen) => view.formOn(view.frameOn(screen))));
    return [...forms].map(({ tree }) => tree.widgets);
  };
  for (const name of Object.keys(document.source.views))
    for (const one of lists.cases)
      for (const locale of localesOf(document, resources)) {
        yield* opened(name, { locale, ...(one !== undefined && { case: one }) });
        if (locale !== language) continue;
        for (const theme of document.named.keys())
          yield* opened(name, { locale, theme, ...(one !== undefined && { case: one }) });
      }
}
