import {
  DiagnosticList,
  parseText,
  pointerTo,
  stepsOf,
  type CheckedDocument,
  type Json,
  type Parsed,
  type Range,
} from '../document/index.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';

/** An entry of a list as it is written: lines of a block list whose dash stands at an indentation, or a piece of a line. */
export interface Entry {
  readonly text: string;
  readonly indent: number | undefined;
}

/** The lines of one entry of a block list: from the comments above it to its end. */
interface Lines extends Range {
  /** Where its dash stands on its line. */
  readonly indent: number;
}

/**
 * The text of a document while it is changed piece by piece. What a change does not touch stays as it is: comments,
 * quotes, blank lines. Every change is of the text as the one before left it.
 */
export class DocumentText implements Editing {
  #text: string;
  readonly #name: string;
  readonly #json: boolean;
  #parsed: Parsed | undefined;

  /** @throws EditError for a document that was not read from a text. */
  constructor(document: CheckedDocument) {
    const { source } = document.origin;
    if (!source) throw new EditError('the document was not read from a text');
    this.#text = source.text;
    this.#parsed = document.origin.parsed(document.source as unknown as Json);
    this.#name = source.name;
    this.#json = source.text.trimStart().startsWith('{');
  }

  get text(): string {
    return this.#text;
  }

  #replace(start: number, end: number, piece: string): void {
    this.#text = this.#text.slice(0, start) + piece + this.#text.slice(end);
    this.#parsed = undefined;
  }

  #now(): Parsed {
    this.#parsed ??= parseText(this.#text, this.#name, new DiagnosticList());
    if (!this.#parsed) throw new EditError('the document is written in a way that cannot be changed here');
    return this.#parsed;
  }

  #range(pointer: string): Range {
    const range = this.#now().positions.valueAt(pointer);
    if (!range) throw new EditError(`there is nothing at ${pointer}`);
    return range;
  }

  /** Where a key of a map stands; undefined where the map has none. */
  #key(map: string, key: string): Range | undefined {
    const whole = this.#range(map);
    const found = this.#now().positions.keyAt(pointerTo(map, key));
    if (!found || found.start < whole.start || found.end > whole.end) return undefined;
    return this.#text.slice(found.start, found.end).replace(/["']/g, '') === key ? found : undefined;
  }

  #isFlow(pointer: string): boolean {
    return /[[{]/.test(this.#text[this.#range(pointer).start] ?? '');
  }

  has(map: string, key: string): boolean {
    return this.#key(map, key) !== undefined;
  }

  /** Gives a key of a map a value, in the map's own style; a key that is new comes last on one line, else first. */
  set(map: string, key: string, value: Json): void {
    const written = this.#json ? JSON.stringify(value) : inline(value);
    const whole = this.#range(map);
    const name = this.#key(map, key);
    if (name) this.#setThere(name, this.#range(pointerTo(map, key)), written);
    else if (this.#isFlow(map)) {
      const said = this.#json ? JSON.stringify(key) : key;
      const inside = this.#text.slice(whole.start + 1, whole.end - 1);
      const last = inside.trimEnd();
      // On several lines there may be comments at the end, so that only the start is sure.
      if (inside.includes('\n') || last === '') {
        this.#replace(whole.start + 1, whole.start + 1, ` ${said}: ${written}${last === '' ? '' : ','}`);
      } else {
        const at = whole.start + 1 + last.length;
        this.#replace(at, at, `${last.endsWith(',') ? '' : ','} ${said}: ${written}`);
      }
    } else {
      const lineStart = this.#text.lastIndexOf('\n', whole.start - 1) + 1;
      const indent = ' '.repeat(whole.start - lineStart);
      // What a widget is called stays first, and which format a document has.
      const first = ['id', 'pimbot', 'pimbot-theme'].find(
        (one) => this.#key(map, one)?.start === whole.start,
      );
      if (first !== undefined) {
        const end = this.#endOfLine(this.#range(pointerTo(map, first)).end);
        this.#replace(end, end, `${indent}${key}: ${written}\n`);
      } else this.#replace(whole.start, whole.start, `${key}: ${written}\n${indent}`);
    }
  }

  /** Puts a value in the place of one that may stand on lines of its own: it comes behind its key then, and their comments behind it. */
  #setThere(name: Range, { start, end }: Range, written: string): void {
    const text = this.#text;
    // What stands on lines ends with that of its last line.
    const last = start + text.slice(start, end).trimEnd().length;
    const old = text.slice(name.end, last);
    if (this.#json || !old.includes('\n') || /[[{"']/.test(text[start] ?? ''))
      return this.#replace(start, last, written);
    const colon = name.end + old.indexOf(':') + 1;
    const isText = /[|>]/.test(text[start] ?? '');
    const comments = isText ? [] : commentsIn(text.slice(colon, last));
    this.#replace(colon, last, ` ${[written, ...comments].join(' ')}`);
  }

  read(map: string, key: string): Json | undefined {
    return this.#valueAt(pointerTo(map, key));
  }

  /** Gives a map one more key, behind one that it has. */
  append(map: string, after: string, key: string, value: Json): void {
    if (this.#json || this.#isFlow(map)) return this.set(map, key, value);
    const whole = this.#range(map);
    const lineStart = this.#text.lastIndexOf('\n', whole.start - 1) + 1;
    const end = this.#endOfLine(this.#range(pointerTo(map, after)).end);
    this.#replace(end, end, `${' '.repeat(whole.start - lineStart)}${key}: ${inline(value)}\n`);
  }

  /** Takes a key out of a map, with the lines it stands on; nothing where the map does not have it. */
  remove(map: string, key: string): void {
    const name = this.#key(map, key);
    if (!name) return;
    const whole = this.#range(map);
    const value = this.#range(pointerTo(map, key));
    const text = this.#text;
    if (this.#isFlow(map)) {
      const before = /,\s*$/.exec(text.slice(whole.start, name.start));
      if (before) return this.#replace(name.start - before[0].length, value.end, '');
      const after = /^\s*,\s*/.exec(text.slice(value.end, whole.end));
      return this.#replace(name.start, value.end + (after?.[0].length ?? 0), '');
    }
    // A block map: the lines the key stands on, up to where the next key or the end of the map is.
    let end = value.end;
    const rest = /^[ \t]*\r?\n/.exec(text.slice(end));
    if (rest && text[end - 1] !== '\n') end += rest[0].length;
    const lineStart = text.lastIndexOf('\n', name.start - 1) + 1;
    if (text.slice(lineStart, name.start).trim() === '') return this.#replace(lineStart, end, '');
    // The first key of a list's entry shares its line with the dash: the next key takes its place.
    const next = /^\s*/.exec(text.slice(end))![0].length;
    this.#replace(name.start, end + next, '');
  }

  /** Puts neighbouring entries of a list into the `children` of a new entry with these keys, in their place. */
  wrap(list: string, first: number, last: number, keys: readonly (readonly [string, Json])[]): void {
    const from = pointerTo(list, first);
    if (this.#isFlow(list)) {
      const [start, end] = [this.#range(from).start, this.#range(pointerTo(list, last)).end];
      const written = keys.map(([key, value]) =>
        this.#json ? `${JSON.stringify(key)}: ${JSON.stringify(value)}` : `${key}: ${inline(value)}`,
      );
      const children = this.#json ? '"children"' : 'children';
      const inside = this.#text.slice(start, end);
      this.#replace(start, end, `{ ${[...written, `${children}: [ ${inside} ]`].join(', ')} }`);
      return;
    }
    const { start, indent } = this.#lines(list, first);
    const { end } = this.#lines(list, last);
    const margin = ' '.repeat(indent);
    const head = [...keys.map(([key, value]) => `${key}: ${inline(value)}`), 'children:'];
    const lines = head.map((line, at) => `${margin}${at === 0 ? '- ' : '  '}${line}\n`).join('');
    this.#replace(start, end, lines + shifted(this.#text.slice(start, end), 4));
  }

  /** Puts the children of an entry of a list in its place. Comments of what goes stay above them. */
  dissolve(list: string, index: number): void {
    const at = pointerTo(list, index);
    const inner = `${at}/children`;
    const children = (this.#valueAt(inner) as Json[] | undefined) ?? [];
    const last = children.length - 1;
    if (this.#isFlow(list)) {
      const { start, end } = this.#range(at);
      if (last >= 0) {
        const inside = this.#text.slice(
          this.#range(pointerTo(inner, 0)).start,
          this.#range(pointerTo(inner, last)).end,
        );
        this.#replace(start, end, inside);
      } else {
        const after = /^\s*,\s*/.exec(this.#text.slice(end));
        const before = after ? undefined : /,\s*$/.exec(this.#text.slice(0, start));
        this.#replace(start - (before?.[0].length ?? 0), end + (after?.[0].length ?? 0), '');
      }
      return;
    }
    const { start, end, indent } = this.#lines(list, index);
    const margin = ' '.repeat(indent);
    let body = '';
    let headEnd = end;
    if (last >= 0 && this.#isFlow(inner)) {
      headEnd = this.#range(inner).start;
      children.forEach((_, child) => {
        const range = this.#range(pointerTo(inner, child));
        body += `${margin}- ${this.#text.slice(range.start, range.end)}\n`;
      });
    } else if (last >= 0) {
      const lines = this.#lines(inner, 0);
      headEnd = lines.start;
      body = shifted(this.#text.slice(lines.start, this.#lines(inner, last).end), indent - lines.indent);
    }
    const kept = commentsIn(this.#text.slice(start, headEnd)).map((comment) => `${margin}${comment}\n`);
    const tail =
      body === ''
        ? []
        : commentsIn(this.#text.slice(this.#range(inner).end, end)).map((one) => `${margin}${one}\n`);
    this.#replace(start, end, kept.join('') + body + tail.join(''));
  }

  /** Takes an entry of a list out, with the comments above it. A list of children that is empty then goes with its key. */
  take(list: string, index: number): Entry {
    const at = pointerTo(list, index);
    const { start, end } = this.#range(at);
    const alone = (this.#valueAt(list) as Json[]).length === 1;
    if (this.#isFlow(list)) {
      const text = this.#text.slice(start, end);
      const after = /^\s*,\s*/.exec(this.#text.slice(end));
      const before = after ? undefined : /,\s*$/.exec(this.#text.slice(0, start));
      this.#replace(start - (before?.[0].length ?? 0), end + (after?.[0].length ?? 0), '');
      return { text, indent: undefined };
    }
    const lines = this.#lines(list, index);
    const text = this.#text.slice(lines.start, lines.end);
    if (alone) {
      const slash = list.lastIndexOf('/');
      this.#replace(lines.start, lines.end, `${' '.repeat(lines.indent)}[]\n`);
      this.remove(list.slice(0, slash), list.slice(slash + 1));
    } else this.#replace(lines.start, lines.end, '');
    return { text, indent: lines.indent };
  }

  /** An entry of a list as it is written, with the comments above it. */
  entry(list: string, index: number): Entry {
    if (this.#isFlow(list)) {
      const { start, end } = this.#range(pointerTo(list, index));
      return { text: this.#text.slice(start, end), indent: undefined };
    }
    const { start, end, indent } = this.#lines(list, index);
    return { text: this.#text.slice(start, end), indent };
  }

  /** A new entry, as it would be written. */
  made(value: Json): Entry {
    return { text: this.#json ? JSON.stringify(value) : inline(value), indent: undefined };
  }

  /**
   * Puts an entry into the children of a map, before the one that is at a place now, or last.
   * @throws EditError where a comment would be lost.
   */
  put(map: string, at: number, entry: Entry): void {
    const list = pointerTo(map, 'children');
    const there = this.#key(map, 'children') ? (this.#valueAt(list) as Json[]) : undefined;
    if (there === undefined && !this.#isFlow(map)) {
      const whole = this.#range(map);
      const margin = whole.start - this.#text.lastIndexOf('\n', whole.start - 1) - 1;
      const end = this.#endOfLine(whole.end);
      const lines = asLines(entry, margin + 2);
      this.#replace(end, end, `${' '.repeat(margin)}children:\n${lines}`);
      return;
    }
    if (there === undefined) this.set(map, 'children', []);
    const count = there?.length ?? 0;
    if (this.#isFlow(list)) {
      const piece = this.#asFlow(entry);
      if (count === 0) {
        const { start, end } = this.#range(list);
        this.#replace(start, end, `[${piece}]`);
      } else if (at < count) {
        const { start } = this.#range(pointerTo(list, at));
        this.#replace(start, start, `${piece}, `);
      } else {
        const { end } = this.#range(pointerTo(list, count - 1));
        this.#replace(end, end, `, ${piece}`);
      }
      return;
    }
    const { start, end, indent } = this.#lines(list, Math.min(at, count - 1));
    const place = at < count ? start : end;
    this.#replace(place, place, asLines(entry, indent));
  }

  /** The end of the line a place is on; one is made where the text ends without. */
  #endOfLine(place: number): number {
    if (this.#text[place - 1] === '\n') return place;
    const end = this.#text.indexOf('\n', place) + 1;
    if (end > 0) return end;
    this.#replace(this.#text.length, this.#text.length, '\n');
    return this.#text.length;
  }

  /** An entry on one line. */
  #asFlow({ text, indent }: Entry): string {
    if (indent === undefined) return text;
    if (commentsIn(text).length > 0)
      throw new EditError('the widget has comments, which have no place in a list on one line');
    const parsed = parseText(text, this.#name, new DiagnosticList());
    return inline((parsed!.value as Json[])[0]!);
  }

  #valueAt(pointer: string): Json | undefined {
    let value: Json | undefined = this.#now().value;
    for (const step of stepsOf(pointer)) {
      if (typeof value !== 'object' || value === null) return undefined;
      value = (value as { [key: string]: Json })[step];
    }
    return value;
  }

  /** The lines of an entry of a block list. @throws EditError where it shares a line with something else. */
  #lines(list: string, index: number): Lines {
    const text = this.#text;
    const range = this.#range(pointerTo(list, index));
    let dash = range.start - 1;
    while (dash >= 0 && /\s/.test(text[dash]!)) dash--;
    const line = text.lastIndexOf('\n', dash) + 1;
    if (text[dash] !== '-' || text.slice(line, dash).trim() !== '')
      throw new EditError(
        'the widgets are written in a way that cannot be rearranged: give each lines of its own',
      );
    const indent = dash - line;
    let start = line;
    for (;;) {
      const before = text.lastIndexOf('\n', start - 2) + 1;
      if (start === 0 || !/^[ \t]*#/.test(text.slice(before, start))) break;
      start = before;
    }
    let end = text[range.end - 1] === '\n' ? range.end : text.indexOf('\n', range.end) + 1;
    if (end === 0) {
      this.#replace(text.length, text.length, '\n');
      return this.#lines(list, index);
    }
    // Comments further in than the dash are its own.
    for (let more = /^([ \t]*)#.*(\n|$)/.exec(text.slice(end)); more && more[1]!.length > indent;) {
      end += more[0].length;
      more = /^([ \t]*)#.*(\n|$)/.exec(text.slice(end));
    }
    return { start, end, indent };
  }
}

/** The comments of a piece of YAML, each without what stands before it on its line. */
function commentsIn(text: string): string[] {
  return text
    .split('\n')
    .flatMap(
      (line) => /^(?:[^"'#]|"(?:[^"\\]|\\.)*"|'[^']*'|(?<=\S)#)*?(?:^|\s)(#.*)$/.exec(line)?.[1] ?? [],
    );
}

/** An entry as lines of a block list whose dashes stand at an indentation. */
function asLines({ text, indent }: Entry, margin: number): string {
  if (indent === undefined && text.includes('\n') && commentsIn(text).length > 0)
    throw new EditError('the widget has comments between braces, which have no place on a line of their own');
  if (indent === undefined) return `${' '.repeat(margin)}- ${text.replace(/\n\s*/g, ' ')}\n`;
  return shifted(text, margin - indent);
}

/** Lines moved to the right, or to the left for a number below 0. */
function shifted(text: string, by: number): string {
  return by >= 0
    ? text.replace(/^(?=[^\r\n])/gm, ' '.repeat(by))
    : text.replace(new RegExp(`^ {0,${-by}}`, 'gm'), '');
}

/** A value in YAML on one line: a text without quotes where it can only be read as that text. */
function inline(value: Json): string {
  if (typeof value === 'string')
    return /^(([a-z][\w.-]*|\d[\d.]*%)( [\w.%-]+)*|\$[a-z][\w.-]*|-?\d[\d.]*( -?\d[\d.]*)+)$/i.test(value) &&
      !isWord(value)
      ? value
      : JSON.stringify(value);
  if (Array.isArray(value)) return `[${value.map(inline).join(', ')}]`;
  if (typeof value === 'object' && value !== null) {
    const entries = Object.entries(value).map(([key, inner]) => `${key}: ${inline(inner)}`);
    return entries.length === 0 ? '{}' : `{ ${entries.join(', ')} }`;
  }
  return JSON.stringify(value);
}

/** Words that older YAML reads as something else. */
function isWord(text: string): boolean {
  return /^(y|n|yes|no|on|off|true|false|null)$/i.test(text);
}
