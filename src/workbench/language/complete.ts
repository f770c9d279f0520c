import { fixedBy, freeKeys } from '../../document/index.ts';
import { contextAt, type TextContext } from './context.ts';
import { idsAt, idsIn, pointerOf, type NamingPlace, type Path } from './ids-at.ts';
import type { Names, ValueType, WrittenNames } from './names.ts';
import { offerOf, type Named, type Offer } from './offered.ts';
import { isKeyOf, isWidget, schemasAt, type PartSchema } from './schema-at.ts';

export interface Completion {
  readonly label: string;
  /** What is put in place of the word: with what YAML wants around it. */
  readonly insert: string;
  /** What it is: a key, a value, a name of something. */
  readonly detail: string;
  /** A sentence or two, of what it does. */
  readonly info: string;
}

/** Something to choose, before it is known what is around it. */
interface Option extends Omit<Completion, 'insert'> {
  /** What is written for it where that is not its label. */
  readonly written?: string;
}

export interface Completions {
  /** Where the word starts that is replaced, and where it ends: it may go on beyond the place. */
  readonly from: number;
  readonly to: number;
  readonly options: readonly Completion[];
}

/** What may stand at a place of a text: keys, values, names. @param isTheme Whether it is a theme file. */
export function completionsAt(
  text: string,
  offset: number,
  names: Names | undefined,
  isTheme = false,
): Completions | undefined {
  const context = contextAt(text, offset);
  const options = context.isKey ? keysAt(context, names, isTheme) : valuesAt(context, names, isTheme);
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
      .map(({ written, ...one }) => ({ ...one, insert: insert(written ?? one.label) })),
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
function valueInserts(text: string, { from, isInBraces, key }: TextContext): (written: string) => string {
  const isClose = !isInBraces && key !== undefined && text[from - 1] === ':';
  const isQuoted = /["']/.test(text.charAt(from - 1));
  return (written) => (isClose ? ` ${written}` : isQuoted ? written.replace(/^"(.*)"$/, '$1') : written);
}

function keysAt({ path, siblings }: TextContext, names: Names | undefined, isTheme: boolean): Option[] {
  const found = new Map<string, Option>();
  const add = (label: string, detail: string, info: string) => {
    if (!siblings.has(label) && !found.has(label)) found.set(label, { label, detail, info });
  };
  if (names) for (const [label, detail] of namedKeys(path, siblings, names)) add(label, detail, '');
  const may = keysThatMay(path, siblings, names);
  for (const { properties } of schemasAt(path, isTheme)) {
    for (const [key, schema] of Object.entries(properties ?? {})) {
      if (schema === false || !may(key)) continue;
      const { description = '', title } = typeof schema === 'object' ? withSides(schema) : {};
      const is = title === undefined ? '' : ` ${title[0]!.toUpperCase()}${title.slice(1)}.`;
      add(key, 'key', `${description}${is}`.trim());
    }
  }
  return [...found.values()];
}

/** Which keys the widget, or what is changed of one, may have there. */
function keysThatMay(
  path: Path,
  siblings: ReadonlyMap<string, string>,
  names: Names | undefined,
): (key: string) => boolean {
  const isOf = (kind: string | undefined) => (key: string) => kind === undefined || isKeyOf(key, kind);
  if (path.at(-1) === 'change') {
    const changed = path.slice(0, -3);
    if (changed.length === 2 && changed[0] === 'views') return (key) => !fixedBy.view(key);
    const has = isOf(names?.widgets.get(pointerOf(changed))?.kind);
    return (key) => !fixedBy.condition(key) && has(key);
  }
  if (path.at(-2) === 'set') return (key) => !fixedBy.instance(key);
  if (!isWidget(path) && !(path.length === 2 && path[0] === 'components')) return () => true;
  const has = isOf(siblings.get('kind') ?? (siblings.has('use') ? undefined : 'panel'));
  // All children of one parent are arranged alike.
  const isArranged = names?.widgets.get(pointerOf([...path.slice(0, -1), 0]))?.isArranged;
  return (key) => has(key) && !(isArranged && (freeKeys as readonly string[]).includes(key));
}

/** Keys that the document itself has names for. */
function* namedKeys(
  path: Path,
  siblings: ReadonlyMap<string, string>,
  names: Names,
): Generator<[label: string, detail: string]> {
  const { parameters, values, widgets } = names;
  const use = siblings.get('use');
  if (use !== undefined && isWidget(path))
    for (const name of parameters.get(use) ?? []) yield [name, `parameter of ${use}`];
  if (path[0] === 'cases' && path.length === 2)
    for (const [name, { what }] of values) if (what === 'value' && !name.includes('.')) yield [name, what];
  const component = path.at(-1) === 'set' ? widgets.get(pointerOf(path.slice(0, -1)))?.use : undefined;
  if (component !== undefined) for (const id of idsIn(component, names)) yield [id, `of ${component}`];
}

function withSides<T extends { description?: string; title?: string; else?: T }>(
  schema: T,
): { description?: string; title?: string } {
  return {
    description: schema.description ?? schema.else?.description,
    title: schema.title ?? schema.else?.title,
  };
}

type Add = (labels: Iterable<string>, detail: string, written?: (label: string) => string) => void;

function valuesAt(
  { path, key, word, isInBraces, siblings }: TextContext,
  names: Names | undefined,
  isTheme: boolean,
): Option[] {
  const found = new Map<string, Option>();
  const add: Add = (labels, detail, written) => {
    for (const label of labels)
      if (!found.has(label))
        found.set(label, { label, detail, info: '', ...(written && { written: written(label) }) });
  };
  if (isInBraces) for (const [name, { what }] of names?.values ?? []) add([name], what);
  if (isInBraces) return [...found.values()];
  const at = key === undefined ? path : [...path, key];
  const schemas = schemasAt(at, isTheme);
  const offers = offersAt(at, schemas, isTheme);
  if (!word.startsWith('$')) {
    for (const { enum: choices = [] } of schemas) add(choices.map(String), 'value');
    if (schemas.some(isFlag)) add(['true', 'false'], 'value');
    for (const offer of offers) {
      add(offer.words ?? [], offer.what ?? 'value');
      if (names)
        for (const one of offer.names ?? [])
          addNamed(one, offer, { at, word, names, id: siblings.get('id') }, add);
    }
  }
  if (names && isLook(at))
    for (const { tokens = [] } of offers)
      add(
        [...names.tokens].filter(([, type]) => tokens.includes(type ?? '')).map(([name]) => name),
        'token',
      );
  return [...found.values()];
}

/** Whether a value is true or false, or a text that comes to that. */
function isFlag({ type }: PartSchema): boolean {
  const types = [type ?? []].flat();
  return types.includes('boolean') && types.every((one) => one === 'boolean' || one === 'string');
}

/** What is offered for a value; for an entry of a list, what the list says of its entries. */
function offersAt(at: Path, schemas: readonly PartSchema[], isTheme: boolean): Offer[] {
  const own = schemas.map(({ title }) => offerOf(title));
  if (typeof at.at(-1) !== 'number') return own;
  const lists = schemasAt(at.slice(0, -1), isTheme).map(({ title }) => offerOf(title));
  return [...own, ...lists.map(({ names = [] }) => ({ names }))];
}

/** Whether a value is of a look, in which tokens may stand. */
function isLook(at: Path): boolean {
  return at.includes('look') || at[0] === 'styles' || at[0] === 'kinds' || at.at(-1) === 'tint';
}

/** What each kind of names is called beside one of them. */
const details: { readonly [one in Named]: string } = {
  styles: 'style',
  pictures: 'picture',
  components: 'component',
  fonts: 'font',
  themes: 'theme',
  widgets: 'widget',
  children: 'child',
  tooltips: 'tooltip',
  flags: 'value',
  numbers: 'value',
  counts: 'value',
};
const bound: { readonly [one in Named]?: readonly ValueType[] } = {
  flags: ['flag'],
  numbers: ['number'],
  counts: ['number', 'list'],
};

function addNamed(one: Named, { isList }: Offer, place: NamingPlace, add: Add): void {
  const { at, names } = place;
  const types = bound[one];
  // A view itself is the same with every value.
  if (types && at[0] === 'views' && !at.includes('children')) return;
  if (types) {
    const fitting = [...names.values].filter(([, value]) => types.some((type) => value.types.has(type)));
    // Braces that stand in no quotes are a map.
    add(
      fitting.map(([name]) => `{${name}}`),
      details[one],
      (label) => `"${label}"`,
    );
  } else if (one === 'widgets' || one === 'children' || one === 'tooltips')
    add(idsAt(one, place), details[one], isList && ((label) => `[${label}]`));
  else add(names[one as keyof WrittenNames], details[one]);
}
