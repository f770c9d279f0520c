import {
  entryOf,
  idType,
  isCaseMap,
  isIdPattern,
  type CaseEntry,
  type CaseMap,
  type CaseValue,
  type CheckedDocument,
  type WidgetSource,
} from '../document/index.ts';
import { screens } from '../screen/index.ts';
import { makeSkeleton, type Skeleton } from '../skeleton/index.ts';
import { localesOf, openView, type Resources } from '../view/index.ts';

/** What a document calls things, for TypeScript. */
export interface Names {
  /** View → the ids of its widgets on all screens and in all cases, as the texts of types. */
  readonly views: ReadonlyMap<string, readonly string[]>;
  /** Value of a case → the text of its type. */
  readonly values: ReadonlyMap<string, string>;
  readonly cases: readonly string[];
  readonly themes: readonly string[];
  readonly locales: readonly string[];
}

/** The names of a document. Ids in the entries of a repeat become patterns, as there may be any number of them. */
export function namesOf(document: CheckedDocument, resources: Resources): Names {
  const cases = Object.keys(document.source.cases ?? {});
  const views = Object.keys(document.source.views).map((name) => {
    const ids = new Set<string>();
    for (const one of cases.length === 0 ? [undefined] : cases) {
      const view = openView(document, name, { resources, ...(one !== undefined && { case: one }) });
      screens.forEach((screen, at) => {
        const frame = view.frameOn(screen);
        // Screens on which the same conditions hold have the same widgets.
        if (view.holdsOthers(frame) || at === 0)
          for (const id of idsOf(makeSkeleton(document, name, view.variant, frame))) ids.add(id);
      });
    }
    return [name, [...ids]] as const;
  });
  return {
    views: new Map(views),
    values: valuesOf(document),
    cases,
    themes: [...document.named.keys()],
    locales: localesOf(document, resources),
  };
}

function* idsOf({ bones, sites }: Skeleton): Generator<string> {
  const starts = new Map<number, string>();
  const saidIds = new Map<number, string | undefined>();
  /** Widgets among whose children are entries that say no id: the numbers of those that are given one follow from how many there are. */
  const numbered = new Set<number>();
  for (const { written, heads, parent } of sites) {
    const { id, repeat } = written.source;
    if (repeat !== undefined && id === undefined) numbered.add(parent);
    for (const { index } of heads) {
      saidIds.set(index, id);
      if (repeat !== undefined && id !== undefined) starts.set(index, `${written.naming.prefix}${id}-`);
    }
  }
  const patterns: string[] = [];
  for (const { index, id, parent, name, source } of bones) {
    const isNumbered = name === undefined && numbered.has(parent);
    const start = isNumbered ? id.replace(/\d+$/, '') : starts.get(index);
    // What it is in decides how its own id begins.
    let pattern = id;
    for (let at = parent; at >= 0; at = bones[at]!.parent)
      if (patterns[at] !== bones[at]!.id && id.startsWith(`${bones[at]!.id}.`)) {
        pattern = patterns[at]! + id.slice(bones[at]!.id.length);
        break;
      }
    const said = saidIds.get(index) ?? (source as WidgetSource).id;
    if (said !== undefined && name !== undefined && isIdPattern(said))
      pattern = pattern.slice(0, pattern.length - name.length) + idType(said);
    else if (start !== undefined && id.startsWith(start)) {
      const shift = pattern.length - id.length;
      pattern = `${pattern.slice(0, start.length + shift)}\${string}`;
    }
    patterns.push(pattern);
    if (name === undefined) continue;
    yield pattern.includes('${string}') ? `\`${pattern}\`` : JSON.stringify(pattern);
  }
}

/** A value has the types it has in the cases. */
function valuesOf({ source }: CheckedDocument): Map<string, string> {
  const cases = Object.values(source.cases ?? {});
  const names = [...new Set(cases.flatMap((values) => Object.keys(values)))];
  return new Map(
    names.map((name) => [
      name,
      typeOf(cases.map((values) => entryOf(values, name)).filter((value) => value !== undefined)).join(' | '),
    ]),
  );
}

/** The types that some values have together. */
function typeOf(values: readonly CaseValue[]): string[] {
  const types = new Set<string>();
  for (const value of values) if (typeof value !== 'object') types.add(typeof value);
  const lists = values.filter((value): value is readonly CaseEntry[] => Array.isArray(value));
  const maps = values.filter(isCaseMap);
  if (maps.length > 0) types.add(mapType(maps));
  if (lists.length > 0) {
    const inner = typeOf(lists.flat());
    types.add(`readonly ${inner.length === 0 ? 'never' : `(${inner.join(' | ')})`}[]`);
  }
  return [...types];
}

/** The type of some maps: what not all of them have may be left out. */
function mapType(maps: readonly CaseMap[]): string {
  const fields = [...new Set(maps.flatMap((map) => Object.keys(map)))];
  const parts = fields.map((field) => {
    const found = maps.map((map) => entryOf(map, field)).filter((value) => value !== undefined);
    const isEverywhere = maps.every((map) => Object.hasOwn(map, field));
    return `readonly ${JSON.stringify(field)}${isEverywhere ? '' : '?'}: ${typeOf(found).join(' | ')}`;
  });
  return `{ ${parts.join('; ')} }`;
}
