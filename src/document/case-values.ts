import { entryOf, type CaseMap, type CaseValue } from './model.ts';
import { pointerTo } from './pointer.ts';

/** A part of a map: of what is no map, and where it is not there, undefined. @param path One word, or several with dots between. */
export function partOf(value: CaseValue | undefined, path: string): CaseValue | undefined {
  let at = value;
  for (const word of path.split('.')) {
    if (!isCaseMap(at)) return undefined;
    at = entryOf(at, word);
  }
  return at;
}

/** The same map with another part. @returns undefined where what the part is in is not there. */
export function withPart(value: CaseValue | undefined, path: string, part: CaseValue): CaseValue | undefined {
  if (!isCaseMap(value)) return undefined;
  const dot = path.indexOf('.');
  if (dot < 0) return { ...value, [path]: part };
  const word = path.slice(0, dot);
  const inner = withPart(entryOf(value, word), path.slice(dot + 1), part);
  return inner === undefined ? undefined : { ...value, [word]: inner };
}

/** Whether a value of a case is a map. */
export function isCaseMap(value: CaseValue | undefined): value is CaseMap {
  return typeof value === 'object' && !Array.isArray(value);
}

/** The names of the parts of a map, of maps in it too; `withMaps` names those maps themselves as well. */
export function partNames(value: CaseValue, name: string, withMaps = false): string[] {
  if (!isCaseMap(value)) return [name];
  const inner = Object.entries(value).flatMap(([word, part]) => partNames(part, `${name}.${word}`, withMaps));
  return withMaps ? [name, ...inner] : inner;
}

/** Where a case says a value, or a part of one. */
export function valuePointer(caseName: string, name: string): string {
  return name.split('.').reduce((at, word) => pointerTo(at, word), pointerTo('/cases', caseName));
}

/** The names of the values of a case, of maps and of their parts. */
export function caseNames(values: CaseMap): string[] {
  return Object.entries(values).flatMap(([name, value]) => partNames(value, name, true));
}

/** The names of what stands for something in an entry of a repeat: `index`, `item`, and fields of the lists there are in some cases. */
export function entryNames(cases: readonly CaseMap[]): ReadonlySet<string> {
  const fields = cases.flatMap(fieldsIn);
  return new Set(['index', 'item', ...fields, ...fields.map((field) => `item.${field}`)]);
}

/** The fields of the entries of all lists in a value, of lists in entries too. */
function fieldsIn(value: CaseValue): string[] {
  if (typeof value !== 'object') return [];
  if (!Array.isArray(value)) return Object.values(value).flatMap(fieldsIn);
  const maps = (value as readonly CaseValue[]).filter(isCaseMap);
  return maps.flatMap((entry) => [...caseNames(entry), ...fieldsIn(entry)]);
}
