import { SourceText, type Range } from '../document/index.ts';
import { MessageError, Messages, parseMessage, type Catalog } from '../text/index.ts';
import { readFlatJson, shortened } from './flat-json.ts';
import { placesInPo } from './po-places.ts';

/** Something wrong with a catalog, and where in its file. */
export interface CatalogProblem {
  readonly detail: string;
  readonly source: SourceText;
  readonly range: Range;
}

/** What a catalog file is refused with: a sentence for people. */
export class CatalogError extends Error {
  override readonly name = 'CatalogError';
  readonly problems: readonly CatalogProblem[];

  constructor(message: string, problems: readonly CatalogProblem[] = []) {
    super(message);
    this.problems = problems;
  }
}

/** The most bytes a catalog may have, and the most messages. */
export const mostCatalogBytes = 16 * 1024 * 1024;
const mostMessages = 100_000;

/** A text and its translation, and where both stand in the file. */
interface Entry {
  readonly text: string;
  readonly translation: string;
  readonly textAt: () => Range;
  readonly translationAt: () => Range;
}

/** More problems than this of one catalog are not told. */
const mostProblems = 50;

/**
 * Reads a catalog: a JSON map of texts and translations, or gettext's PO. Empty translations and those marked fuzzy are
 * left out, as gettext does.
 * @param name What diagnostics call the file.
 * @throws CatalogError when it is neither, a text stands there twice, or a translation is no message: with every place.
 */
export async function readCatalog(name: string, locale: string, bytes: Uint8Array): Promise<Catalog> {
  const source = new SourceText(textOf(name, bytes), name);
  const problems: CatalogProblem[] = [];
  const entries = isPo(name) ? await fromPo(source, problems) : fromJson(source, problems);
  if (entries.length > mostMessages) throw new CatalogError(`it holds more than ${mostMessages} messages`);
  const messages = new Messages(locale, parseMessage);
  const catalog = new Map<string, string>();
  const known = new Set<string>();
  for (const { text, translation, textAt, translationAt } of entries) {
    if (problems.length >= mostProblems) break;
    if (known.has(text)) problems.push({ detail: twice(text), source, range: textAt() });
    known.add(text);
    if (translation === '') continue;
    try {
      messages.names(translation);
      catalog.set(text, translation);
    } catch (error) {
      if (!(error instanceof MessageError)) throw error;
      const detail = `the translation of ${shortened(text)} is no message: ${error.message}`;
      problems.push({ detail, source, range: translationAt() });
    }
  }
  if (problems.length > 0) throw new CatalogError(problems[0]!.detail, problems);
  return catalog;
}

function isPo(name: string): boolean {
  return /\.po$/i.test(name);
}

function fromJson(source: SourceText, problems: CatalogProblem[]): readonly Entry[] {
  const { entries, problems: found } = readFlatJson(source.text);
  problems.push(...found.slice(0, mostProblems).map((one) => ({ ...one, source })));
  return entries.map(({ key, keyAt, value, valueAt }) => ({
    text: key,
    translation: value,
    textAt: () => keyAt,
    translationAt: () => valueAt,
  }));
}

/** The text of a catalog: of a PO file in the encoding its header names, UTF-8 where it names none. @throws CatalogError for one there is not. */
function textOf(name: string, bytes: Uint8Array): string {
  if (!isPo(name)) return new TextDecoder().decode(bytes);
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, mostHeaderBytes));
  const [, charset = 'utf-8'] = /charset=([\w-]+)/i.exec(head) ?? [];
  try {
    // The name templates have until somebody fills it in.
    return new TextDecoder(charset === 'CHARSET' ? 'utf-8' : charset).decode(bytes);
  } catch {
    throw new CatalogError(`it is no PO file: there is no encoding "${charset}"`);
  }
}

/** Where the header of a PO file ends at the latest. */
const mostHeaderBytes = 8192;

async function fromPo(source: SourceText, problems: CatalogProblem[]): Promise<readonly Entry[]> {
  const { po } = await import('gettext-parser');
  let places: ReturnType<typeof placesInPo> | undefined;
  const placesOf = (msgid: string) => (places ??= placesInPo(source.text)).get(msgid) ?? [];
  let parsed: ReturnType<typeof po.parse>;
  try {
    parsed = po.parse(source.text, { validation: true });
  } catch (error) {
    const problem = problemOf(error, source, placesOf);
    if (problem) {
      problems.push({ ...problem, source });
      return [];
    }
    try {
      parsed = po.parse(source.text);
    } catch (other) {
      throw new CatalogError(`it is no PO file: ${(other as Error).message.split('\n')[0]!}`);
    }
  }
  const found: Entry[] = [];
  // What has a context (msgctxt) is of another text, as in gettext.
  for (const { msgid, msgstr, comments } of Object.values(parsed.translations[''] ?? {})) {
    const [translation] = (msgstr as readonly string[] | undefined) ?? [];
    if (msgid === '' || translation === undefined || translation === '') continue;
    if (comments?.flag?.includes('fuzzy')) continue;
    const at = () => placesOf(msgid)[0] ?? start;
    found.push({ text: msgid, translation, textAt: at, translationAt: at });
  }
  return found;
}

const start: Range = { start: 0, end: 1 };

/** What a file is refused with; undefined for what is of no account here: how many plural forms there are, and texts of a context. */
function problemOf(
  error: unknown,
  { text }: SourceText,
  placesOf: (msgid: string) => readonly Range[],
): Omit<CatalogProblem, 'source'> | undefined {
  const { message, lineNumber } = error as { message: string; lineNumber?: number };
  const [, second] = /^Duplicate msgid error: entry "([\s\S]*)" in "" context/.exec(message) ?? [];
  if (second !== undefined) {
    const range = placesOf(second)[1];
    return range && { detail: twice(second), range };
  }
  if (lineNumber === undefined) return undefined;
  // A line counts as over where its end is met.
  const line = message.includes('End-of-line') ? lineNumber - 1 : lineNumber;
  const before = text.split('\n', line - 1).join('\n').length + (line > 1 ? 1 : 0);
  const detail = `it is no PO file: ${message.split('\n')[0]!.replace(/^Error parsing PO data: | at line \d+|\.$/g, '')}`;
  return { detail, range: { start: before, end: before + 1 } };
}

function twice(text: string): string {
  return `the text ${shortened(text)} stands here a second time`;
}
