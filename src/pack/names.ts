import { idType, isIdPattern, entryOf, type CheckedDocument, type WidgetSource } from '../document/index.ts';
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
  for (const { written, heads } of sites)
    for (const { index } of heads) {
      saidIds.set(index, written.source.id);
      if (written.source.repeat !== undefined)
        starts.set(index, `${written.naming.prefix}${String(written.source.id ?? '')}-`);
    }
  const patterns: string[] = [];
  for (const { index, id, parent, name, source } of bones) {
    const start = starts.get(index);
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
    names.map((name) => {
      const found = cases.map((values) => entryOf(values, name)).filter((value) => value !== undefined);
      const lists = found.filter((value) => Array.isArray(value)).flat();
      const types = new Set(found.flatMap((value) => (Array.isArray(value) ? [] : [typeof value])));
      const all: string[] = [...types];
      if (found.some((value) => Array.isArray(value))) all.push(`readonly ${entryType(lists)}[]`);
      return [name, all.join(' | ')];
    }),
  );
}

function entryType(entries: readonly unknown[]): string {
  const types = new Set<string>();
  const fields = new Map<string, Set<string>>();
  const maps = entries.filter((entry) => typeof entry === 'object' && entry !== null);
  for (const entry of entries) if (typeof entry !== 'object') types.add(typeof entry);
  for (const entry of maps)
    for (const [field, value] of Object.entries(entry)) {
      const known = fields.get(field) ?? new Set<string>();
      fields.set(field, known.add(typeof value));
    }
  if (maps.length > 0) {
    const parts = [...fields].map(([field, kinds]) => {
      const isEverywhere = maps.every((entry) => Object.hasOwn(entry, field));
      return `readonly ${JSON.stringify(field)}${isEverywhere ? '' : '?'}: ${[...kinds].join(' | ')}`;
    });
    types.add(`{ ${parts.join('; ')} }`);
  }
  return types.size === 0 ? 'never' : `(${[...types].join(' | ')})`;
}
