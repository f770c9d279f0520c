import { MessageError, Messages, parseMessage, type Catalog } from '../text/index.ts';

/** What a catalog file is refused with: a sentence for people. */
export class CatalogError extends Error {
  override readonly name = 'CatalogError';
}

/** The most bytes a catalog may have, and the most messages. */
export const mostCatalogBytes = 16 * 1024 * 1024;
const mostMessages = 100_000;

/**
 * Reads a catalog: a JSON map of texts and translations, or gettext's PO. Empty translations and those marked fuzzy are
 * left out, as gettext does.
 * @throws CatalogError when it is neither, or a translation is no message.
 */
export async function readCatalog(path: string, locale: string, bytes: Uint8Array): Promise<Catalog> {
  const entries = /\.po$/i.test(path) ? await fromPo(bytes) : fromJson(bytes);
  if (entries.length > mostMessages) throw new CatalogError(`it holds more than ${mostMessages} messages`);
  const messages = new Messages(locale, parseMessage);
  for (const [source, translation] of entries) {
    try {
      messages.names(translation);
    } catch (error) {
      if (!(error instanceof MessageError)) throw error;
      throw new CatalogError(`the translation of "${source.slice(0, 60)}" is no message: ${error.message}`);
    }
  }
  return new Map(entries);
}

function fromJson(bytes: Uint8Array): [string, string][] {
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new CatalogError('it is no JSON');
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new CatalogError('it is no map of texts and translations');
  return Object.entries(value).flatMap(([source, translation]): [string, string][] => {
    if (typeof translation !== 'string')
      throw new CatalogError(`the translation of "${source.slice(0, 60)}" is no text`);
    return translation === '' ? [] : [[source, translation]];
  });
}

/** The text of a PO file in the encoding its header names, UTF-8 where it names none. @throws RangeError for one there is not. */
function textOf(bytes: Uint8Array): string {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, mostHeaderBytes));
  const [, charset = 'utf-8'] = /charset=([\w-]+)/i.exec(head) ?? [];
  // The name templates have until somebody fills it in.
  return new TextDecoder(charset === 'CHARSET' ? 'utf-8' : charset).decode(bytes);
}

/** Where the header of a PO file ends at the latest. */
const mostHeaderBytes = 8192;

async function fromPo(bytes: Uint8Array): Promise<[string, string][]> {
  const { po } = await import('gettext-parser');
  let parsed: ReturnType<typeof po.parse>;
  try {
    parsed = po.parse(textOf(bytes));
  } catch (error) {
    const detail = error instanceof Error ? error.message.split('\n')[0]! : '';
    throw new CatalogError(`it is no PO file${detail === '' ? '' : `: ${detail}`}`);
  }
  const found: [string, string][] = [];
  // What has a context (msgctxt) is of another text, as in gettext.
  for (const { msgid, msgstr, comments } of Object.values(parsed.translations[''] ?? {})) {
    const [translation] = (msgstr as readonly string[] | undefined) ?? [];
    if (msgid === '' || translation === undefined || translation === '') continue;
    if (comments?.flag?.includes('fuzzy')) continue;
    found.push([msgid, translation]);
  }
  return found;
}
