/** Where in a document a place of its text is, as far as it can be told while somebody types. */
export interface TextContext {
  /** The keys and places in lists that lead to the map or list around it. */
  readonly path: readonly (string | number)[];
  /** Whether a key stands there, or would. */
  readonly isKey: boolean;
  /** The key whose value stands there; undefined for a key or an entry of a list. */
  readonly key: string | undefined;
  /** What stands there already, up to the place, and where it starts. */
  readonly word: string;
  readonly from: number;
  /** Whether it is between the braces of a value: `"{dep`. */
  readonly isInBraces: boolean;
  /** The other keys of the same map, with the text of their values where that is one line. */
  readonly siblings: ReadonlyMap<string, string>;
}

interface Level {
  /** The column of its keys or dashes; flow levels have none. */
  readonly indent: number;
  readonly type: 'map' | 'list' | '{' | '[';
  key: string | undefined;
  index: number;
  siblings: Map<string, string>;
}

/**
 * Reads YAML or JSON up to a place: by indentation and brackets, so that a line somebody has not finished is no trouble. One pass over
 * the text, whatever is wrong with it.
 */
export function contextAt(text: string, offset: number): TextContext {
  const levels: Level[] = [];
  let at = 0;
  let inFlow = 0;
  /** Where a value starts that has been begun. */
  let valueFrom: number | undefined;
  let blockScalar: number | undefined;
  /** Where a text starts that the place is in: quoted, or an entry of a list as it stands. */
  let textFrom: number | undefined;
  /** The column of a line without a key yet; undefined elsewhere. */
  let column0: number | undefined;

  const top = () => levels.at(-1);
  const endValue = (end: number) => {
    const level = top();
    if (level?.key !== undefined && valueFrom !== undefined)
      level.siblings.set(level.key, text.slice(valueFrom, end).trim());
    valueFrom = undefined;
  };
  const level = (indent: number, type: Level['type']): Level => ({
    indent,
    type,
    key: undefined,
    index: -1,
    siblings: new Map(),
  });

  while (at < offset) {
    if (inFlow === 0 && (at === 0 || text[at - 1] === '\n')) {
      const lineEnd = endOf(text, at);
      const line = text.slice(at, lineEnd);
      const margin = /^ */.exec(line)![0].length;
      column0 = undefined;
      if (line.trim() === '' || line.trim().startsWith('#')) {
        if (lineEnd >= offset) {
          if (blockScalar === undefined) {
            endValue(at);
            column0 = Math.min(margin, offset - at);
          }
          break;
        }
        at = lineEnd + 1;
        continue;
      }
      if (blockScalar !== undefined && margin > blockScalar) {
        if (lineEnd >= offset) {
          const isInBraces = opensBrace(text, valueFrom, offset);
          const word = isInBraces ? wordBefore(text, offset, nameLetter) : '';
          const from = offset - word.length;
          const key = top()?.key;
          return {
            path: pathOf(levels, isInBraces),
            isKey: false,
            key,
            word,
            from,
            isInBraces,
            siblings: new Map(),
          };
        }
        at = lineEnd + 1;
        continue;
      }
      blockScalar = undefined;
      endValue(at);
      let column = margin;
      // Dashes, each of which opens an entry of a list.
      for (;;) {
        const dash = /^-(\s+|$)/.exec(text.slice(at + column, lineEnd));
        if (!dash || at + column >= offset) break;
        while (
          levels.length > 0 &&
          (top()!.indent > column || (top()!.indent === column && top()!.type !== 'list'))
        ) {
          // A list may stand at the column of the key it is the value of.
          if (top()!.indent === column && top()!.type === 'map' && top()!.key !== undefined) break;
          levels.pop();
        }
        if (top()?.type !== 'list' || top()!.indent !== column) levels.push(level(column, 'list'));
        top()!.index++;
        column += dash[0].length;
      }
      if (at + column >= offset) {
        column0 = column;
        break;
      }
      const key = keyOfLine.exec(text.slice(at + column, lineEnd));
      if (key && at + column + key[0].length <= offset) {
        trim(levels, column);
        if (top()?.indent !== column || top()!.type !== 'map') levels.push(level(column, 'map'));
        top()!.key = unquoted(key[1]!);
        at += column + key[0].length;
        valueFrom = at;
        const scalar = /^\s*[|>][-+\d]*\s*(#.*)?$/.exec(text.slice(at, lineEnd));
        if (scalar) blockScalar = margin;
        continue;
      }
      column0 = column;
      at += column;
      // A key that has not been finished, or an entry of a list.
      if (lineEnd >= offset && !/^[{[]/.test(text.slice(at, lineEnd))) {
        textFrom = at;
        break;
      }
    }
    const letter = text[at]!;
    if ((letter === '"' || letter === "'") && opensQuote(text, at)) {
      const end = endOfQuoted(text, at);
      if (end >= offset) {
        textFrom = at + 1;
        break;
      }
      at = end + 1;
    } else if (letter === '#' && (at === 0 || /\s/.test(text[at - 1]!))) {
      const end = endOf(text, at);
      if (end >= offset)
        return {
          path: pathOf(levels),
          isKey: false,
          key: undefined,
          word: '',
          from: offset,
          isInBraces: false,
          siblings: new Map(),
        };
      at = end;
    } else if ((letter === '{' || letter === '[') && (inFlow > 0 || startsValue(text, at, valueFrom))) {
      levels.push(level(-1, letter));
      if (letter === '[') top()!.index = 0;
      inFlow++;
      valueFrom = letter === '[' ? at + 1 : undefined;
      at++;
    } else if ((letter === '}' || letter === ']') && inFlow > 0) {
      endValue(at);
      levels.pop();
      inFlow--;
      at++;
    } else if (letter === ',' && inFlow > 0) {
      endValue(at);
      const now = top()!;
      if (now.type === '[') {
        now.index++;
        valueFrom = at + 1;
      } else now.key = undefined;
      at++;
    } else if (
      letter === ':' &&
      inFlow > 0 &&
      top()!.type === '{' &&
      top()!.key === undefined &&
      /[\s,}\]"]|$/.test(text[at + 1] ?? '')
    ) {
      const start = Math.max(text.lastIndexOf('{', at), text.lastIndexOf(',', at)) + 1;
      top()!.key = unquoted(text.slice(start, at).trim());
      at++;
      valueFrom = at;
    } else at++;
  }

  const startsLine = inFlow === 0 && column0 !== undefined;
  if (startsLine) trim(levels, column0!);
  const now = top();
  const isFlowKey = inFlow > 0 && now?.type === '{' && now.key === undefined;
  const isList = now?.type === '[' || (now?.type === 'list' && valueFrom === undefined);
  // In flow, braces that stand in no quotes are those of a map.
  const isInBraces = opensBrace(text, textFrom ?? (inFlow === 0 ? valueFrom : undefined), offset);
  const isKey = !isInBraces && (isFlowKey || startsLine || (inFlow === 0 && valueFrom === undefined));
  const word = wordBefore(text, offset, isInBraces ? nameLetter : wordLetter);
  const key = !isKey && !isList && now?.key !== undefined ? now.key : undefined;
  // A line further in than the map around it starts a map of its own.
  const isOwnMap = startsLine && now !== undefined && (now.type !== 'map' || now.indent < column0!);
  const path = pathOf(levels, key !== undefined || (isKey && now?.type === 'map' && !isOwnMap));
  const siblings = isOwnMap || !now ? new Map<string, string>() : now.siblings;
  const later =
    inFlow > 0 ? laterInFlow(text, offset) : laterLines(text, offset, column0 ?? now?.indent ?? 0);
  if (now?.type !== '[') for (const [name, value] of later) siblings.set(name, value);
  return { path, isKey, key, word, from: offset - word.length, isInBraces, siblings };
}

/** What a line starts with that says a key. */
const keyOfLine = /^("(?:[^"\\]|\\.)*"|'[^']*'|[^\s#:{[\],&*!|>'"%@`][^:#{[\],]*?)\s*:(?=\s|$)/;

/** The keys of a map, whose keys stand in a column, in the lines after a place. */
function* laterLines(text: string, offset: number, column: number): Generator<[key: string, value: string]> {
  for (let at = endOf(text, offset) + 1; at < text.length; at = endOf(text, at) + 1) {
    const line = text.slice(at, endOf(text, at));
    const margin = line.search(/\S/);
    if (margin < 0 || line[margin] === '#') continue;
    if (margin < column) return;
    const key = margin === column ? keyOfLine.exec(line.slice(margin)) : null;
    if (key) yield [unquoted(key[1]!), line.slice(margin + key[0].length).trim()];
  }
}

/** The keys of a map in braces after a place in it. */
function* laterInFlow(text: string, offset: number): Generator<[key: string, value: string]> {
  let depth = 0;
  /** Where the entry starts that is read: the first is the one that the place is in. */
  let entry: number | undefined;
  let colon: number | undefined;
  for (let at = offset; at < text.length; at++) {
    const letter = text[at]!;
    const isEnd = depth === 0 && (letter === ',' || letter === '}' || letter === ']');
    if (isEnd && entry !== undefined && colon !== undefined)
      yield [unquoted(text.slice(entry, colon).trim()), text.slice(colon + 1, at).trim()];
    if (isEnd && letter !== ',') return;
    if (isEnd) [entry, colon] = [at + 1, undefined];
    else if ((letter === '"' || letter === "'") && opensQuote(text, at)) at = endOfQuoted(text, at);
    else if (letter === '#' && /\s/.test(text[at - 1] ?? ' ')) at = endOf(text, at);
    else if (letter === '{' || letter === '[') depth++;
    else if (letter === '}' || letter === ']') depth--;
    else if (letter === ':' && depth === 0) colon ??= at;
  }
}

/** Whether a brace is open in a text up to a place. */
function opensBrace(text: string, from: number | undefined, offset: number): boolean {
  return from !== undefined && /\{[^{}]*$/.test(text.slice(from, offset));
}

const wordLetter = /[^\s,{}[\]"':]/;
/** Of a value, of a part of a map too: `pick.pri`. */
const nameLetter = /[\p{L}\p{N}_.-]/u;

/** What stands right before a place, of letters of a kind. */
export function wordBefore(text: string, offset: number, letter: RegExp): string {
  let start = offset;
  while (start > 0) {
    // A letter may be of two UTF-16 units.
    const length = start > 1 && text.codePointAt(start - 2)! > 0xffff ? 2 : 1;
    if (!letter.test(text.slice(start - length, start))) break;
    start -= length;
  }
  return text.slice(start, offset);
}

/** Takes levels off that a line at a column has left. */
function trim(levels: Level[], column: number): void {
  while (
    levels.length > 0 &&
    (levels.at(-1)!.indent > column || (levels.at(-1)!.indent === column && levels.at(-1)!.type === 'list'))
  )
    levels.pop();
}

/** @param short Without the key of the innermost map: what is asked for is that map. */
function pathOf(levels: readonly Level[], short = false): (string | number)[] {
  return levels.flatMap(({ type, key, index }, at): (string | number)[] => {
    if (type === 'list' || type === '[') return [index];
    if (key === undefined || (short && at === levels.length - 1)) return [];
    return [key];
  });
}

function startsValue(text: string, at: number, valueFrom: number | undefined): boolean {
  if (valueFrom !== undefined) return text.slice(valueFrom, at).trim() === '';
  const line = text.slice(text.lastIndexOf('\n', at - 1) + 1, at);
  return /^[\s-]*$/.test(line);
}

/** Whether a quote starts a text: one within a word is a letter of it. */
function opensQuote(text: string, at: number): boolean {
  let before = at - 1;
  while (text[before] === ' ') before--;
  return before < 0 || /[:,[{\n-]/.test(text[before]!);
}

function unquoted(key: string): string {
  return /^["']/.test(key) ? key.slice(1, -1) : key;
}

function endOf(text: string, at: number): number {
  const end = text.indexOf('\n', at);
  return end < 0 ? text.length : end;
}

function endOfQuoted(text: string, at: number): number {
  const quote = text[at]!;
  for (let end = at + 1; end < text.length; end++) {
    if (quote === '"' && text[end] === '\\') end++;
    else if (text[end] === quote) return end;
    // A quote that is not closed ends with its line.
    else if (text[end] === '\n') return end - 1;
  }
  return text.length;
}
