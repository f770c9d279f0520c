import {
  isAlias,
  isCollection,
  isMap,
  isNode,
  isPair,
  isScalar,
  isSeq,
  parseDocument,
  type Alias,
  type Document,
  type Node,
  type YAMLMap,
} from 'yaml';
import type { DiagnosticList } from './diagnostics.ts';
import { pointerTo, type Json } from './pointer.ts';
import { SourceText, type Range } from './source.ts';

/** Bounds on what is read, so that a hostile text cannot use up memory or the stack. */
export const mostCharacters = 8_000_000;
export const mostDepth = 512;
export const mostValues = 500_000;

/** Where each value of a parsed text stands, by JSON Pointer (RFC 6901). */
export class Positions {
  readonly #values = new Map<string, Range>();
  readonly #keys = new Map<string, Range>();

  set(pointer: string, value: Range, key?: Range): void {
    this.#values.set(pointer, value);
    if (key) this.#keys.set(pointer, key);
  }

  /** The range of a value; of the nearest value around it if it does not stand in the text. */
  valueAt(pointer: string): Range | undefined {
    for (let at = pointer; ; at = at.slice(0, at.lastIndexOf('/'))) {
      const found = this.#values.get(at);
      if (found || at === '') return found;
    }
  }

  /** The range of the key of a value, or of the value where it has none. */
  keyAt(pointer: string): Range | undefined {
    return this.#keys.get(pointer) ?? this.valueAt(pointer);
  }
}

export interface Parsed {
  readonly value: Json;
  readonly source: SourceText;
  readonly positions: Positions;
}

/** Reads YAML 1.2 (of which JSON is a part) into plain values and their positions. */
export function parseText(text: string, name: string, diagnostics: DiagnosticList): Parsed | undefined {
  const source = new SourceText(text, name);
  const everything = { pointer: '', source, range: { start: 0, end: 0 } };
  if (text.length > mostCharacters) {
    diagnostics.add('too-large', { bytes: text.length, most: mostCharacters }, everything);
    return undefined;
  }
  const deepAt = tooDeepAt(text);
  if (deepAt !== undefined) {
    diagnostics.add(
      'too-deep',
      { most: mostDepth },
      { ...everything, range: { start: deepAt, end: deepAt + 1 } },
    );
    return undefined;
  }
  let document: Document;
  try {
    document = parseDocument(text, {
      prettyErrors: false,
      // The parser compares each key with all others of its map; here they are counted.
      uniqueKeys: false,
      logLevel: 'silent',
      merge: true,
    });
  } catch (error) {
    // The parser is recursive; what the quick scan above lets through can still be too deep for its stack.
    if (error instanceof RangeError) diagnostics.add('too-deep', { most: mostDepth }, everything);
    else diagnostics.add('syntax', { detail: oneLine(error) }, everything);
    return undefined;
  }
  const hash = document.errors.length > 0 ? unquotedColor(text) : undefined;
  if (hash) {
    diagnostics.add('unquoted-color', { found: hash.found }, { pointer: '', source, range: hash.range });
    return undefined;
  }
  for (const error of document.errors) {
    const range = { start: error.pos[0], end: Math.max(error.pos[0] + 1, error.pos[1]) };
    const at = { pointer: '', source, range };
    diagnostics.add('syntax', { detail: oneLine(error) }, at);
  }
  if (document.errors.length > 0) return undefined;
  const positions = new Positions();
  const value = toJson(document, positions, diagnostics, source);
  return value === undefined ? undefined : { value, source, positions };
}

function oneLine(error: unknown): string {
  const text = error instanceof Error ? error.message : String(error);
  return text.split('\n')[0]!.trim().replace(/\.$/, '').slice(0, 200);
}

/** The first colour in a map or list between brackets that has no quotes, alone or after lengths: YAML takes it and the brackets after it for a comment. */
function unquotedColor(text: string): { readonly found: string; readonly range: Range } | undefined {
  for (const match of text.matchAll(
    /^[^\n#"']*[{[](?:[^\n#"']|"[^"\n]*"|'[^'\n]*')*[:,[]\s+(?:[^\n#"',{}[\]]*\s)?(#[0-9a-fA-F]{3,8})\b/gm,
  )) {
    const [whole, found] = match as unknown as [string, string];
    const end = match.index + whole.length;
    return { found, range: { start: end - found.length, end } };
  }
  return undefined;
}

/** Brackets and indentation bound the depth of a YAML text from above, cheaply. */
function tooDeepAt(text: string): number | undefined {
  let brackets = 0;
  let lineStart = true;
  let indent = 0;
  let dashes = 0;
  for (let at = 0; at < text.length; at++) {
    const letter = text.charCodeAt(at);
    if (letter === 10) {
      lineStart = true;
      indent = 0;
      dashes = 0;
    } else if (lineStart && letter === 32) indent++;
    else if (lineStart && letter === 45 && text.charCodeAt(at + 1) === 32) dashes++;
    else lineStart = false;
    if (letter === 91 || letter === 123) brackets++;
    else if (letter === 93 || letter === 125) brackets = Math.max(0, brackets - 1);
    if (brackets > mostDepth || dashes > mostDepth || indent > 8 * mostDepth) return at;
  }
  return undefined;
}

interface Step {
  readonly node: Node | null;
  readonly pointer: string;
  readonly depth: number;
  readonly key: Range | undefined;
  readonly put: (value: Json) => void;
}

function toJson(
  document: Document,
  positions: Positions,
  diagnostics: DiagnosticList,
  source: SourceText,
): Json | undefined {
  let result: Json = null;
  let count = 0;
  const targets = targetsIn(document);
  const twice = new Set<Node>();
  const stack: Step[] = [
    { node: document.contents, pointer: '', depth: 0, key: undefined, put: (value) => (result = value) },
  ];
  for (let step = stack.pop(); step; step = stack.pop()) {
    const { pointer, depth, put } = step;
    let node = step.node;
    const range = rangeOf(node) ?? step.key ?? { start: 0, end: 0 };
    const at = { pointer, source, range };
    if (++count > mostValues) {
      diagnostics.add('too-many-values', { most: mostValues }, at);
      return undefined;
    }
    if (depth > mostDepth) {
      diagnostics.add('too-deep', { most: mostDepth }, at);
      return undefined;
    }
    positions.set(pointer, range, step.key);
    if (isAlias(node)) node = targets.get(node) ?? null;
    if (isMap(node)) {
      const map: Record<string, Json> = {};
      put(map);
      const pairs = pairsOf(node, targets, twice);
      for (const { pair, keyNode, name } of pairs) {
        stack.push({
          node: pair.value as Node | null,
          pointer: pointerTo(pointer, name),
          depth: depth + 1,
          key: rangeOf(keyNode),
          // A plain assignment would let the key __proto__ change the object's prototype.
          put: (value) =>
            Object.defineProperty(map, name, { value, enumerable: true, configurable: true, writable: true }),
        });
      }
      reverseTail(stack, pairs.length);
    } else if (isSeq(node)) {
      const list: Json[] = new Array<Json>(node.items.length).fill(null);
      put(list);
      node.items.forEach((item, index) => {
        stack.push({
          node: item as Node | null,
          pointer: pointerTo(pointer, index),
          depth: depth + 1,
          key: undefined,
          put: (value) => (list[index] = value),
        });
      });
      reverseTail(stack, node.items.length);
    } else if (isScalar(node)) put(plain(node.value));
    else put(null);
  }
  for (const key of twice)
    diagnostics.add(
      'duplicate-key',
      { key: wordOf(key).slice(0, 60) },
      { pointer: '', source, range: rangeOf(key)! },
    );
  return twice.size > 0 ? undefined : result;
}

/** What each alias stands for: the last value before it with its anchor (YAML 1.2.2, §7.1). */
type Targets = ReadonlyMap<Alias, Node>;

/** One pass over the text: the parser would make one for each alias. */
function targetsIn(document: Document): Targets {
  const targets = new Map<Alias, Node>();
  const anchors = new Map<string, Node>();
  const stack: unknown[] = [document.contents];
  while (stack.length > 0) {
    const node = stack.pop();
    if (isAlias(node)) {
      const target = anchors.get(node.source);
      if (target) targets.set(node, target);
      continue;
    }
    if (isNode(node) && node.anchor !== undefined) anchors.set(node.anchor, node);
    if (isPair(node)) stack.push(node.value, node.key);
    else if (isCollection(node))
      for (let at = node.items.length - 1; at >= 0; at--) stack.push(node.items[at]);
  }
  return targets;
}

interface NamedPair {
  readonly pair: { readonly value: unknown };
  readonly keyNode: Node | null;
  readonly name: string;
}

/** How often a merged map may merge another one: as deep as values may be nested. */
const mostMerges = mostDepth;

/** A key as it is written: `.nan` is no word of YAML's to whoever wrote it. */
function wordOf(key: Node | null): string {
  if (!isScalar(key)) return String(key);
  const { value, source } = key;
  if (typeof value === 'symbol') return value.description ?? '';
  return typeof value === 'string' ? value : (source ?? String(value));
}

/**
 * The pairs of a map with those that `<<` merges into it (YAML's merge key): what the map says itself wins.
 * @param twice Takes the keys that stand in it a second time.
 */
function pairsOf(node: YAMLMap, targets: Targets, twice: Set<Node>): readonly NamedPair[] {
  const found = new Map<string, NamedPair>();
  const merged: YAMLMap[] = [];
  let hasMerge = false;
  const add = (map: YAMLMap, wins: boolean) => {
    for (const pair of map.items) {
      if (!isPair(pair)) continue;
      const keyNode = pair.key as Node | null;
      const name = wordOf(keyNode);
      // The parser gives a symbol for an unquoted << alone.
      if (isScalar(keyNode) && typeof keyNode.value === 'symbol') {
        if (wins && hasMerge) twice.add(keyNode);
        hasMerge = true;
        for (const one of mapsIn(pair.value as Node | null, targets)) merged.push(one);
        continue;
      }
      if (wins && keyNode && found.has(name)) twice.add(keyNode);
      if (wins || !found.has(name)) found.set(name, { pair, keyNode, name });
    }
  };
  add(node, true);
  for (let nth = 0; nth < merged.length && nth < mostMerges; nth++) add(merged[nth]!, false);
  return [...found.values()];
}

/** The maps a merge key names: one, or several in a list. */
function mapsIn(value: Node | null, targets: Targets): readonly YAMLMap[] {
  const node = isAlias(value) ? targets.get(value) : value;
  if (isMap(node)) return [node];
  if (!isSeq(node)) return [];
  return node.items.flatMap((item) => {
    const one = isAlias(item) ? targets.get(item) : item;
    return isMap(one) ? [one] : [];
  });
}

/** The stack hands out its last step first; turning the new ones round keeps the order of the text. */
function reverseTail(stack: Step[], count: number): void {
  const tail = stack.splice(stack.length - Math.min(count, stack.length));
  for (let index = tail.length - 1; index >= 0; index--) stack.push(tail[index]!);
}

function plain(value: unknown): Json {
  if (typeof value === 'number' || typeof value === 'string' || typeof value === 'boolean') return value;
  if (typeof value === 'bigint') return Number(value);
  // What is left (dates, binary data) needs a tag, and no tag of ours gives one.
  return null;
}

function rangeOf(node: Node | null): Range | undefined {
  const range = node?.range;
  return range ? { start: range[0], end: Math.max(range[0], range[1]) } : undefined;
}
