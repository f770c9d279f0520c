import type { Materials } from '../dress/index.ts';
import type { CheckedDocument } from '../document/index.ts';
import { Messages, fallbacks, isRightToLeft, pseudoOf } from '../text/index.ts';
import { NoSuchName } from './no-such-name.ts';
import { localesOf, type Resources } from './resources.ts';

/** What of a dress follows from the language. */
export type Language = Pick<Materials, 'messages' | 'locale' | 'rightToLeft'>;

/** The language a view is shown in. @throws NoSuchName */
export function languageOf(document: CheckedDocument, wanted: string, resources: Resources): Language {
  const { language = 'en' } = document.source;
  const pseudo = pseudoOf(wanted);
  if (pseudo) {
    const messages = new Messages(language, document.notations.message, {
      catalogs: [],
      needed: false,
      pseudo,
    });
    return { messages, locale: language, rightToLeft: isRightToLeft(wanted) };
  }
  const catalogs = fallbacks(wanted).flatMap((one) => resources.catalogs?.get(one) ?? []);
  const isSource = fallbacks(wanted).includes(language);
  if (catalogs.length === 0 && !isSource)
    throw new NoSuchName('locale', wanted, localesOf(document, resources));
  const messages = new Messages(wanted, document.notations.message, {
    catalogs,
    needed: !isSource,
    pseudo: undefined,
  });
  return { messages, locale: wanted, rightToLeft: isRightToLeft(wanted) };
}
