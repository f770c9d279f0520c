import {
  descriptionOf,
  entryOf,
  partOf,
  pointerTo,
  seenFrom,
  valuePointer,
  widgetsOf,
  type CheckedDocument,
  type ComponentSource,
  type Origin,
  type Range,
  type SourceText,
  type ViewSource,
} from '../../document/index.ts';
import { referenceScreen } from '../../edit/index.ts';
import { openView, type Resources } from '../../view/index.ts';
import { whyWidget } from '../../why/index.ts';
import { contextAt } from './context.ts';
import { isWidget, schemasAt } from './schema-at.ts';

/** The word around a place of a text: a name, a token, a key. */
export function wordAt(
  text: string,
  offset: number,
): { readonly word: string; readonly start: number; readonly end: number } {
  const before = /[\p{L}\p{N}_$.-]*$/u.exec(text.slice(0, offset))![0];
  const after = /^[\p{L}\p{N}_$.-]*/u.exec(text.slice(offset))![0];
  return { word: before + after, start: offset - before.length, end: offset + after.length };
}

/** Where in which file something is written. */
export interface WrittenAt {
  readonly source: SourceText;
  readonly range: Range;
}

/** Where what a word of a document names is written: a style, a component, a token, a picture, a widget. */
export function definitionAt(document: CheckedDocument, text: string, offset: number): WrittenAt | undefined {
  const { word } = wordAt(text, offset);
  const { key, path, isInBraces } = contextAt(text, offset);
  const said = key ?? path.filter((step) => typeof step === 'string').at(-1);
  if (isInBraces) return valueNamed(document, word);
  if (word.startsWith('$')) return tokenNamed(document, word.slice(1));
  switch (said) {
    case 'style':
    case 'extends':
      // The document's own come first, as they do when a look is made.
      for (const { origin } of [...document.themes].reverse()) {
        const found = keyIn(origin, pointerTo('/styles', word));
        if (found) return found;
      }
      return undefined;
    case 'use':
      return keyIn(document.origin, pointerTo('/components', word));
    case 'image':
    case 'backdrop':
      return keyIn(document.origin, pointerTo('/pictures', word.split('/')[0]!));
    default:
      return widgetNamed(document, path, word);
  }
}

function keyIn(origin: Origin, pointer: string): WrittenAt | undefined {
  const { source, range } = origin.atKey(pointer);
  const name = pointer.slice(pointer.lastIndexOf('/') + 1);
  // Where it is not written, the place of what is around it is given.
  if (!source || !range || !source.text.slice(range.start, range.end).includes(name)) return undefined;
  return range.end - range.start <= name.length + 2 ? { source, range } : undefined;
}

function tokenNamed(document: CheckedDocument, name: string): WrittenAt | undefined {
  const pointer = name.split('.').reduce((at, step) => pointerTo(at, step), '');
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

/** A value, or a part of one, in the first case that has it. */
function valueNamed({ source, origin }: CheckedDocument, name: string): WrittenAt | undefined {
  const [holder] =
    Object.entries(source.cases ?? {}).find(([, values]) => partOf(values, name) !== undefined) ?? [];
  return holder === undefined ? undefined : keyIn(origin, valuePointer(holder, name));
}

/** A widget of the same view or component by its id. */
function widgetNamed(
  document: CheckedDocument,
  path: readonly (string | number)[],
  id: string,
): WrittenAt | undefined {
  const [part, name] = path;
  if ((part !== 'views' && part !== 'components') || typeof name !== 'string') return undefined;
  const root = entryOf<ViewSource | ComponentSource>(document.source[part], name);
  const all = root ? [...widgetsOf(root, pointerTo(`/${part}`, name))] : [];
  const named = all.filter(({ widget }) => widget.id === id);
  const from = path.reduce<string>((pointer, key) => pointerTo(pointer, String(key)), '');
  const found = seenFrom(from, named) ?? named[0];
  if (!found) return undefined;
  const { source, range } = document.origin.at(`${found.pointer}/id`);
  return source && range && { source, range };
}

/** What an editor shows of a place: what its key does, and of a widget why it is where it is on the screen it is designed for. */
export function hoverAt(
  document: CheckedDocument,
  resources: Resources,
  text: string,
  offset: number,
): string | undefined {
  const { word, end } = wordAt(text, offset);
  const { path, key, isKey } = contextAt(text, end);
  const name = isKey ? word : key;
  const lines: string[] = [];
  if (name !== undefined) {
    const schema = schemasAt([...path, name], false).find(({ title, description }) => title ?? description);
    const description = isWidget(path) ? descriptionOf(name) : (schema?.description ?? '');
    if (schema || description !== '') {
      const title =
        schema?.title === undefined ? '' : `${schema.title[0]!.toUpperCase()}${schema.title.slice(1)}.`;
      lines.push(`**${name}** ${[description, title].filter(Boolean).join(' ')}`.trim());
    }
  }
  const widgetPath = pathToWidget(path);
  const why = widgetPath && name !== 'children' ? whyAt(document, resources, widgetPath) : undefined;
  if (why) lines.push(why);
  return lines.length === 0 ? undefined : lines.join('\n\n');
}

function pathToWidget(path: readonly (string | number)[]): readonly (string | number)[] | undefined {
  for (let length = path.length; length > 0; length--)
    if (isWidget(path.slice(0, length))) return path.slice(0, length);
  return undefined;
}

function whyAt(
  document: CheckedDocument,
  resources: Resources,
  path: readonly (string | number)[],
): string | undefined {
  const pointer = path.reduce<string>((at, step) => pointerTo(at, step), '');
  const views = path[0] === 'views' ? [String(path[1])] : Object.keys(document.source.views);
  for (const name of views) {
    const view = openView(document, name, { resources });
    const on = view.layoutOn(referenceScreen(view));
    const widget = on.widgets.find((one) => one.pointer === pointer);
    if (!widget) continue;
    const short = (value: number) => Math.round(value * 100) / 100;
    const { x, y, width, height } = on.layout.rectInU(widget.index);
    const parts = whyWidget(on, widget.index).filter(({ what }) => what !== 'scale');
    const told = parts.map(({ what, reasons }) => `- ${what}: ${reasons.map((one) => one.text).join('; ')}`);
    return [
      `${name}/${widget.id}: ${short(x)}, ${short(y)}, ${short(width)} × ${short(height)} u`,
      ...told,
    ].join('\n');
  }
  return undefined;
}
