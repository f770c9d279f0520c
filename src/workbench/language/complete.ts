import { caseNames, entryNames, type CheckedDocument } from '../../document/index.ts';
import { colorTokens, usualAnchors } from '../inspector.ts';
import { contextAt, type TextContext } from './context.ts';
import { isKeyOf, isWidget, schemasAt } from './schema-at.ts';

/** What a document has to choose from. */
export interface Names {
  readonly views: readonly string[];
  readonly components: readonly string[];
  readonly styles: readonly string[];
  readonly pictures: readonly string[];
  readonly colors: readonly string[];
  readonly cases: readonly string[];
  readonly themes: readonly string[];
  readonly ids?: readonly string[];
  /** Values and parts of values, parameters, and what an entry of a repeat has, each with what it is. */
  readonly values?: ReadonlyMap<string, string>;
}

export interface Completion {
  readonly label: string;
  /** What is put in place of the word: with what YAML wants around it. */
  readonly insert: string;
  /** What it is: a key, a value, a name of something. */
  readonly detail: string;
  /** A sentence or two, of what it does. */
  readonly info: string;
}

/** Something to choose, before it is known how it is put in. */
type Option = Omit<Completion, 'insert'>;

export interface Completions {
  /** Where the word starts that is replaced, and where it ends: it may go on beyond the place. */
  readonly from: number;
  readonly to: number;
  readonly options: readonly Completion[];
}

/** The names of a document that has been read. */
export function namesIn(document: CheckedDocument): Names {
  const { views, components, pictures, cases } = document.source;
  const ids = new Set<string>();
  JSON.stringify([views, components], (key, value: unknown) => {
    if (key === 'id' && typeof value === 'string') ids.add(value);
    return value;
  });
  return {
    views: Object.keys(views),
    components: Object.keys(components ?? {}),
    styles: [...new Set(document.themes.flatMap(({ theme }) => Object.keys(theme.styles ?? {})))],
    pictures: Object.keys(pictures ?? {}),
    colors: colorTokens(document),
    cases: Object.keys(cases ?? {}),
    themes: [...document.named.keys()],
    ids: [...ids],
    values: valueNames(document),
  };
}

/** What stands between braces, and what each is. */
function valueNames({
  source: { cases = {}, components = {} },
}: CheckedDocument): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  const add = (names: Iterable<string>, what: string) => {
    for (const name of names) if (!found.has(name)) found.set(name, what);
  };
  for (const values of Object.values(cases)) add(caseNames(values), 'value');
  for (const [name, { params = {} }] of Object.entries(components))
    add(Object.keys(params), `parameter of ${name}`);
  add(entryNames(Object.values(cases)), 'of an entry');
  return found;
}

/** What may stand at a place of a text: keys, values, names. @param isTheme Whether it is a theme file. */
export function completionsAt(
  text: string,
  offset: number,
  names: Names | undefined,
  isTheme = false,
): Completions | undefined {
  const context = contextAt(text, offset);
  const options = context.isKey ? keysAt(context, isTheme) : valuesAt(context, names, isTheme);
  const wanted = context.word.toLowerCase();
  const found = options.filter(({ label }) => label.toLowerCase().includes(wanted.replace(/^\$/, '')));
  // What starts with the word is meant more often.
  const starts = ({ label }: Option) => Number(!label.toLowerCase().startsWith(wanted));
  const { from } = context;
  const to = offset + restOfWord.exec(text.slice(offset, offset + longestWord))![0].length;
  const insert = context.isKey ? keyInserts(text, from, to) : valueInserts(text, context);
  return {
    from,
    to,
    options: found
      .sort((a, b) => starts(a) - starts(b))
      .map((one) => ({ ...one, insert: insert(one.label) })),
  };
}

const restOfWord = /^[\p{L}\p{N}_.-]*/u;
const longestWord = 200;

/** How a key is put in: with a colon, where there is none yet and its quotes do not come first. */
function keyInserts(text: string, from: number, to: number): (label: string) => string {
  const isQuoted = /["']/.test(text.charAt(from - 1));
  const hasColon = /^["']?[ \t]*:/.test(text.slice(to, to + longestWord));
  return (label) => (isQuoted || hasColon ? label : `${label}: `);
}

/** How a value is put in: YAML wants a space between it and the colon of its key. */
function valueInserts(text: string, { from, isInBraces, key }: TextContext): (label: string) => string {
  const isClose = !isInBraces && key !== undefined && text[from - 1] === ':';
  return (label) => (isClose ? ` ${label}` : label);
}

function keysAt({ path, siblings }: TextContext, isTheme: boolean): Option[] {
  const found = new Map<string, Option>();
  const kind = siblings.get('kind');
  for (const { properties } of schemasAt(path, isTheme)) {
    for (const [key, schema] of Object.entries(properties ?? {})) {
      if (siblings.has(key) || found.has(key) || schema === false) continue;
      if (isWidget(path) && kind !== undefined && !isKeyOf(key, kind)) continue;
      const { description = '', title } = typeof schema === 'object' ? withSides(schema) : {};
      const is = title === undefined ? '' : ` ${title[0]!.toUpperCase()}${title.slice(1)}.`;
      found.set(key, { label: key, detail: 'key', info: `${description}${is}`.trim() });
    }
  }
  return [...found.values()];
}

function withSides<T extends { description?: string; title?: string; else?: T }>(
  schema: T,
): { description?: string; title?: string } {
  return {
    description: schema.description ?? schema.else?.description,
    title: schema.title ?? schema.else?.title,
  };
}

function valuesAt(
  { path, key, word, isInBraces }: TextContext,
  names: Names | undefined,
  isTheme: boolean,
): Option[] {
  const at = key === undefined ? path : [...path, key];
  const last = key ?? path.filter((step) => typeof step === 'string').at(-1);
  const found: Option[] = [];
  const add = (all: readonly string[] | undefined, detail: string) => {
    for (const label of all ?? []) found.push({ label, detail, info: '' });
  };
  if (isInBraces) {
    for (const [label, detail] of names?.values ?? []) found.push({ label, detail, info: '' });
    return found;
  }
  if (word.startsWith('$')) {
    for (const label of names?.colors ?? []) found.push({ label, detail: 'token', info: '' });
    return found;
  }
  for (const schema of schemasAt(at, isTheme)) {
    if (schema.enum) add(schema.enum.map(String), 'value');
    if ([schema.type].flat().includes('boolean')) add(['true', 'false'], 'value');
  }
  switch (last) {
    case 'style':
    case 'extends':
      add(names?.styles, 'style');
      break;
    case 'use':
      add(names?.components, 'component');
      break;
    case 'image':
    case 'backdrop':
      add(names?.pictures, 'picture');
      break;
    case 'anchor':
      add(usualAnchors, 'anchor');
      break;
    case 'pivot':
      add(['center', 'left top', 'right bottom'], 'point');
      break;
    case 'width':
    case 'height':
    case 'size':
      add(['fill', 'content', '50%', '100%'], 'size');
      break;
    case 'anchor-to':
    case 'widget':
    case 'widgets':
    case 'may-overlap':
    case 'focus-order':
    case 'nav-up':
    case 'nav-right':
    case 'nav-down':
    case 'nav-left':
    case 'controls':
    case 'tooltip':
      add(names?.ids, 'widget');
      break;
    case 'theme':
      add(names?.themes, 'theme');
      break;
    case 'background':
    case 'color':
    case 'tint':
    case 'image-tint':
    case 'border':
      add(names?.colors, 'token');
      break;
  }
  return [...new Map(found.map((one) => [one.label, one])).values()];
}
