import type { CheckedDocument } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { SharedViews, listsOf, localesOf, openView, type Resources } from '../view/index.ts';

/** Where conditions make a difference to what is shown, the checks look; here one screen is enough. */
const anyScreen = { width: 1920, height: 1080 };

/** The widgets of every view in every case and language, and of every theme in one of them. */
export function* openings(document: CheckedDocument, resources: Resources): Generator<readonly Widget[]> {
  const lists = listsOf(document, resources, {});
  const shared = new SharedViews(document, resources);
  const [language] = localesOf(document, resources);
  const opened = (name: string, how: object) => {
    const view = openView(document, name, { resources, shared, ...how });
    return view.formOn(view.frameOn(anyScreen)).tree.widgets;
  };
  for (const name of Object.keys(document.source.views))
    for (const one of lists.cases)
      for (const locale of localesOf(document, resources)) {
        yield opened(name, { locale, ...(one !== undefined && { case: one }) });
        if (locale !== language) continue;
        for (const theme of document.named.keys())
          yield opened(name, { locale, theme, ...(one !== undefined && { case: one }) });
      }
}
