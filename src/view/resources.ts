import type { CheckedDocument } from '../document/index.ts';
import type { Picture } from '../picture/index.ts';
import type { Catalogs, FontBook } from '../text/index.ts';

/** What a document refers to and a host has loaded. */
export interface Resources {
  readonly fonts: FontBook;
  /** By the names of the document's `pictures`; one that is missing is drawn as nothing. */
  readonly pictures?: ReadonlyMap<string, Picture>;
  /** Translations by locale; without them every text is as it is written. */
  readonly catalogs?: Catalogs;
}

/** The locales a document can be shown in: its language, then those it names a catalog for that was loaded. */
export function localesOf(document: CheckedDocument, { catalogs }: Pick<Resources, 'catalogs'>): string[] {
  const named = Object.keys(document.source.catalogs ?? {}).filter((locale) => catalogs?.has(locale));
  return [...new Set([document.source.language ?? 'en', ...named])];
}
