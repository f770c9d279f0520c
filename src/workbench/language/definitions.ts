import {
  directions,
  entryOf,
  isCaseMap,
  pointerTo,
  seenFrom,
  templateNames,
  widgetsOf,
  writtenIds,
  type CaseValue,
  type CheckedDocument,
  type ComponentSource,
  type Origin,
  type PlacedSource,
  type Range,
  type SourceText,
  type ViewSource,
} from '../../document/index.ts';
import { contextAt, wordBefore } from './context.ts';
import { isWidget, pointerOf, type Path } from './schema-at.ts';

/** The word around a place of a text: a name, a token, a key. */
export function wordAt(
  text: string,
  offset: number,
): { readonly word: string; readonly start: number; readonly end: number } {
  const before = wordBefore(text, offset, /[\p{L}\p{N}_$.-]/u);
  const rest = /[\p{L}\p{N}_$.-]*/uy;
  rest.lastIndex = offset;
  const after = rest.exec(text)![0];
  return { word: before + after, start: offset - before.length, end: offset + after.length };
}

/** Where in which file something is written. */
export interface WrittenAt {
  readonly source: SourceText;
  readonly range: Range;
}

/** Keys whose values name widgets; an id names its own. */
const widgetKeys: ReadonlySet<string> = new Set([
  'id',
  'anchor-to',
  'controls',
  'tooltip',
  'may-overlap',
  'focus-order',
  'page',
  'selection',
  'widget',
  'widgets',
  'within',
  ...directions,
]);

/** Where what a word of a document names is written: a style, a component, a token, a picture, a value, a widget. */
export function definitionAt(document: CheckedDocument, text: string, offset: number): WrittenAt | undefined {
  // Of `room.side`, `room` is a name by itself: what comes after the part at the place does not count.
  const { word: all, start } = wordAt(text, offset);
  const dot = all.indexOf('.', offset - start);
  const word = dot < 0 ? all : all.slice(0, dot);
  const { key, path, isKey, isInBraces } = contextAt(text, offset);
  const said = key ?? path.filter((step) => typeof step === 'string').at(-1);
  if (isInBraces) return path[0] === 'tokens' ? tokenNamed(document, word) : valueNamed(document, path, word);
  if (word.startsWith('$')) return tokenNamed(document, word.slice(1));
  if (isKey) return keyNamed(document, path, word);
  switch (said) {
    case 'style':
    case 'extends':
      return styleNamed(document, word);
    case 'use':
      return keyIn(document.origin, pointerTo('/components', word));
    case 'image':
    case 'backdrop':
      return keyIn(document.origin, pointerTo('/pictures', word.split('/')[0]!));
    default:
      return widgetKeys.has(said ?? '') ? widgetNamed(document, path, word) : undefined;
  }
}

/** What the key of a map is the name of, where it is one. */
function keyNamed(document: CheckedDocument, path: Path, name: string): WrittenAt | undefined {
  const [part, holder, ...inner] = path;
  const use = saidAt(document, path, 'use');
  // An instance gives a component's parameters their values.
  if (use !== undefined && isWidget(path)) return parameterNamed(document, use, name);
  // What it sets of the widgets inside goes by their ids in the component.
  const set = path.at(-1) === 'set' ? saidAt(document, path.slice(0, -1), 'use') : undefined;
  if (set !== undefined) return widgetNamed(document, ['components', set], name);
  switch (part) {
    case 'styles':
      return holder === undefined ? styleNamed(document, name) : undefined;
    case 'components':
    case 'pictures':
      if (holder === undefined) return keyIn(document.origin, pointerTo(`/${part}`, name));
      return part === 'components' && inner.length === 1 && inner[0] === 'params'
        ? parameterNamed(document, String(holder), name)
        : undefined;
    case 'tokens':
      return tokenNamed(document, [...path.slice(1), name].join('.'));
    case 'cases':
      return holder === undefined ? undefined : valueOf(document, [...inner, name]);
    default:
      return undefined;
  }
}

function styleNamed(document: CheckedDocument, name: string): WrittenAt | undefined {
  // The document's own come first, as they do when a look is made.
  for (const { origin } of [...document.themes].reverse()) {
    const found = keyIn(origin, pointerTo('/styles', name));
    if (found) return found;
  }
  return undefined;
}

function keyIn(origin: Origin, pointer: string): WrittenAt | undefined {
  const { source, range } = origin.atKey(pointer);
  const name = pointer.slice(pointer.lastIndexOf('/') + 1);
  // Where it is not written, the place of what is around it is given.
  if (!source || !range || !source.text.slice(range.start, range.end).includes(name)) return undefined;
  return range.end - range.start <= name.length + 2 ? { source, range } : undefined;
}

function tokenNamed(document: CheckedDocument, name: string): WrittenAt | undefined {
  const pointer = pointerOf(name.split('.'));
  for (const { origin, tokenFiles } of [...document.themes].reverse()) {
    const found = keyIn(origin, `/tokens${pointer}`);
    if (found) return found;
    for (const file of tokenFiles) {
      const inFile = keyIn(file.origin, pointer);
      if (inFile) return inFile;
    }
  }
  return undefined;
}

function parameterNamed(document: CheckedDocument, component: string, name: string): WrittenAt | undefined {
  return keyIn(document.origin, pointerTo(pointerTo(pointerTo('/components', component), 'params'), name));
}

/** What a way from a case on leads to, in the first case in which it leads somewhere. A number on it stands for any entry of a list. */
function valueOf({ source, origin }: CheckedDocument, way: Path): WrittenAt | undefined {
  for (const [name, values] of Object.entries(source.cases ?? {})) {
    const pointer = placeIn(values, way, pointerTo('/cases', name));
    if (pointer !== undefined) return keyIn(origin, pointer);
  }
  return undefined;
}

function placeIn(value: CaseValue | undefined, [step, ...rest]: Path, pointer: string): string | undefined {
  if (value === undefined || step === undefined) return value === undefined ? undefined : pointer;
  if (typeof step === 'string')
    return isCaseMap(value) ? placeIn(entryOf(value, step), rest, pointerTo(pointer, step)) : undefined;
  if (!Array.isArray(value)) return undefined;
  for (const [nth, entry] of (value as readonly CaseValue[]).entries()) {
    const found = placeIn(entry, rest, pointerTo(pointer, nth));
    if (found !== undefined) return found;
  }
  return undefined;
}

/** What a name between braces stands for where it is said: a field of an entry, a parameter, a value of the case. */
function valueNamed(document: CheckedDocument, path: Path, name: string): WrittenAt | undefined {
  const field = fieldWay(document, path, name);
  if (field) return valueOf(document, field);
  const way = name.split('.');
  // In a component, what is none of its parameters is a value of the case.
  const parameter = path[0] === 'components' ? parameterNamed(document, String(path[1]), way[0]!) : undefined;
  return parameter ?? valueOf(document, way);
}

/** The way to a field of the entries of a repeat around a place: of the innermost that has it. `item` is an entry of it. */
function fieldWay(document: CheckedDocument, path: Path, name: string): Path | undefined {
  if (path[0] !== 'views' && path[0] !== 'components') return undefined;
  const isItem = /^item(?=\.|$)/.test(name);
  const inner = name.split('.').slice(isItem ? 1 : 0);
  for (let length = path.length; length > 2; length--) {
    const list = listWay(document, path.slice(0, length));
    if (!list) continue;
    const way = inner.length === 0 ? list : [...list, 0, ...inner];
    if (isItem || valueOf(document, way)) return way;
  }
  return undefined;
}

/** The way to what the widget of a path is repeated over: a list of the case, or of an entry around. */
function listWay(document: CheckedDocument, path: Path): Path | undefined {
  const repeat = saidAt(document, path, 'repeat');
  const [name] = repeat === undefined ? [] : templateNames(repeat);
  return name === undefined ? undefined : (fieldWay(document, path.slice(0, -1), name) ?? name.split('.'));
}

/** What a key of a map says, where that is words. */
function saidAt({ source }: CheckedDocument, path: Path, key: string): string | undefined {
  let at: unknown = source;
  for (const step of [...path, key])
    at = (at as { readonly [key: string | number]: unknown } | null | undefined)?.[step];
  return typeof at === 'string' ? at : undefined;
}

/** A widget of the same view or component by its id; one of a component where the component says it. */
function widgetNamed(document: CheckedDocument, path: Path, id: string): WrittenAt | undefined {
  const whole = placedNamed(document, path, id);
  const dot = id.indexOf('.');
  if (!whole && dot > 0) {
    const use = placedNamed(document, path, id.slice(0, dot))?.widget.use;
    return use === undefined ? undefined : widgetNamed(document, ['components', use], id.slice(dot + 1));
  }
  if (!whole) return undefined;
  const { source, range } = document.origin.at(`${whole.pointer}/id`);
  return source && range && { source, range };
}

function placedNamed(document: CheckedDocument, path: Path, id: string): PlacedSource | undefined {
  const [part, name] = path;
  if ((part !== 'views' && part !== 'components') || typeof name !== 'string') return undefined;
  const root = entryOf<ViewSource | ComponentSource>(document.source[part], name);
  const all = root ? [...widgetsOf(root, pointerTo(`/${part}`, name))] : [];
  const named = writtenIds(all).widgets.get(id);
  return seenFrom(pointerOf(path), named) ?? named?.values().next().value;
}
