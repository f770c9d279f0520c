import {
  anchorTargets,
  caseNames,
  entryAround,
  entryNames,
  isCaseMap,
  isTemplate,
  partOf,
  rootsOf,
  seenFrom,
  widgetsOf,
  writtenIds,
  type CaseValue,
  type CheckedDocument,
  type PlacedSource,
} from '../../document/index.ts';
import { defaultFont, fontsOf } from '../../theme/index.ts';
import { tokenTypesIn } from '../tokens-in.ts';

/** What a document has by name that its keys may say as it is. */
export interface WrittenNames {
  readonly styles: readonly string[];
  readonly fonts: readonly string[];
  readonly pictures: readonly string[];
  readonly components: readonly string[];
  readonly themes: readonly string[];
}

/** What a document has to choose from. */
export interface Names extends WrittenNames {
  readonly views: readonly string[];
  readonly cases: readonly string[];
  /** Component → the names of its parameters. */
  readonly parameters: ReadonlyMap<string, readonly string[]>;
  /** As they are written in a look, each with its type in the Design Tokens format. */
  readonly tokens: ReadonlyMap<string, string | undefined>;
  /** By JSON Pointer. */
  readonly widgets: ReadonlyMap<string, KnownWidget>;
  /** Values and parts of values, parameters, and what an entry of a repeat has. */
  readonly values: ReadonlyMap<string, NamedValue>;
}

export interface NamedValue {
  /** In a word or two, for people. */
  readonly what: string;
  /** What the cases give it; empty where none says it. */
  readonly types: ReadonlySet<ValueType>;
}

export type ValueType = 'text' | 'number' | 'flag' | 'list' | 'map';

/** What others have to know of a widget to name it. */
export interface KnownWidget {
  readonly id: string | undefined;
  /** What it is chosen by among the pages or entries around it. */
  readonly chosenBy: string | undefined;
  /** Undefined where a component says it. */
  readonly kind: string | undefined;
  /** The component it is an instance of. */
  readonly use: string | undefined;
  /** Whether its parent chooses the place for it. */
  readonly isArranged: boolean;
  /** JSON Pointer of the entry of a repeat that it is in; `''` where it is in none. */
  readonly entry: string;
  /** JSON Pointers of what it is anchored to. */
  readonly anchoredTo: readonly string[];
}

/** Those of a document that has been read. */
export function writtenNames(document: CheckedDocument): WrittenNames {
  const { components = {}, pictures = {} } = document.source;
  return {
    styles: [...new Set(document.themes.flatMap(({ theme }) => Object.keys(theme.styles ?? {})))],
    fonts: [...new Set([...Object.keys(fontsOf(document)), defaultFont])],
    pictures: Object.keys(pictures),
    components: Object.keys(components),
    themes: [...document.named.keys()],
  };
}

/** The names of a document that has been read. */
export function namesIn(document: CheckedDocument): Names {
  const { views, components = {}, cases = {} } = document.source;
  return {
    ...writtenNames(document),
    views: Object.keys(views),
    cases: Object.keys(cases),
    parameters: new Map(
      Object.entries(components).map(([name, { params = {} }]) => [name, Object.keys(params)]),
    ),
    tokens: tokenTypesIn(document),
    widgets: new Map(
      [...rootsOf(document.source)].flatMap(({ root, pointer }) =>
        knownWidgets([...widgetsOf(root, pointer)]),
      ),
    ),
    values: namedValues(document),
  };
}

function knownWidgets(placed: readonly PlacedSource[]): [pointer: string, widget: KnownWidget][] {
  const { widgets } = writtenIds(placed);
  const targetsOf = ({ widget, pointer }: PlacedSource) => {
    const target = widget['anchor-to'];
    if (target === undefined || isTemplate(target)) return [];
    return anchorTargets(target).flatMap((name) => seenFrom(pointer, widgets.get(name))?.pointer ?? []);
  };
  return placed.map((one) => {
    const { id, kind, use, controls = id } = one.widget;
    const known: KnownWidget = {
      id,
      chosenBy: controls,
      kind: use === undefined ? (kind ?? 'panel') : kind,
      use,
      isArranged: one.arrange !== undefined && one.arrange !== 'free',
      entry: entryAround(one)?.pointer ?? '',
      anchoredTo: targetsOf(one),
    };
    return [one.pointer, known];
  });
}

/** What stands between braces, and what each is. */
function namedValues({ source: { cases = {}, components = {} } }: CheckedDocument): Names['values'] {
  const found = new Map<string, NamedValue>();
  const add = (names: Iterable<string>, what: string, typesOf: (name: string) => ValueType[] = () => []) => {
    for (const name of names) if (!found.has(name)) found.set(name, { what, types: new Set(typesOf(name)) });
  };
  const all = Object.values(cases);
  const typesOf = (name: string) => all.map((values) => partOf(values, name)).flatMap(typeOf);
  for (const values of all) add(caseNames(values), 'value', typesOf);
  for (const [name, { params = {} }] of Object.entries(components))
    add(Object.keys(params), `parameter of ${name}`);
  add(entryNames(all), 'of an entry');
  return found;
}

function typeOf(value: CaseValue | undefined): ValueType[] {
  if (value === undefined) return [];
  if (typeof value === 'number') return ['number'];
  if (typeof value === 'boolean') return ['flag'];
  if (typeof value === 'string') return ['text'];
  return [isCaseMap(value) ? 'map' : 'list'];
}
