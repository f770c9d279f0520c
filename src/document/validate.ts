import type { DiagnosticList } from './diagnostics.ts';
import type { Origin } from './model.ts';
import { pointerTo, stepsOf, type Json } from './pointer.ts';
import { documentSchema, themeSchema } from './schema.ts';
import { shapeErrors, type Schema, type ShapeError } from './shape.ts';
import { keyHint, kindMeant, lookHint, valueMeant, viewHint } from './hints.ts';
import { lookSchema } from './schema-looks.ts';
import { nearestName } from './suggest.ts';
import { isTaken } from './widget-keys.ts';

/** Holds a value against the schema of documents or themes; true when it is of the shape. */
export function validate(
  value: Json,
  format: 'document' | 'theme',
  origin: Origin,
  diagnostics: DiagnosticList,
): boolean {
  const errors = errorsOf(value, format);
  const told = new Set<string>();
  for (const error of errors) {
    // One sentence for one place: what a value may be is said whole by its schema's title.
    const place = `${error.pointer} ${error.key ?? ''}`;
    if (told.has(place)) continue;
    told.add(place);
    report(error, origin, diagnostics);
  }
  return errors.length === 0;
}

/**
 * A copy of a value without what is not of the shape; undefined where it cannot be made so. Of a widget with a mistake its
 * id and children are left: what its other keys would mean nobody knows.
 */
export function withoutErrors(value: Json, format: 'document' | 'theme'): Json | undefined {
  const copy = structuredClone(value);
  for (const { pointer, keyword, key } of errorsOf(copy, format)) {
    const steps = stepsOf(pointer);
    if (keyword === 'required') return undefined;
    if (keyword === 'additionalProperties' || key !== undefined) steps.push(key!);
    const at = steps.findLastIndex(
      (step, nth) => nth > 1 && /^\d+$/.test(step) && steps[nth - 1] === 'children',
    );
    if (at >= 0) leaveIdOf(copy, steps.slice(0, at + 1));
    else if (!remove(copy, steps)) return undefined;
  }
  return errorsOf(copy, format).length === 0 ? copy : undefined;
}

/** What of a value is not of the shape. What an instance gives to a parameter is of the type of the parameter, whatever key is called so. */
function errorsOf(value: Json, format: 'document' | 'theme'): ShapeError[] {
  if (format === 'theme') return shapeErrors(value, themeSchema);
  return shapeErrors(value, documentSchema).filter(({ pointer }) => !isGivenParameter(value, pointer));
}

function isGivenParameter(document: Json, pointer: string): boolean {
  const steps = stepsOf(pointer);
  const key = steps.at(-1);
  const widget = follow(document, steps.slice(0, -1));
  if (key === undefined || typeof widget !== 'object' || widget === null || !Object.hasOwn(widget, 'use'))
    return false;
  const { use } = widget as Readonly<Record<string, Json>>;
  if (isTaken(key)) return false;
  const params = typeof use === 'string' ? follow(document, ['components', use, 'params']) : undefined;
  return typeof params === 'object' && params !== null && Object.hasOwn(params, key);
}

/** Leaves of a widget its id and its children. */
function leaveIdOf(value: Json, steps: readonly string[]): void {
  const found = follow(value, steps);
  if (typeof found !== 'object' || found === null || Array.isArray(found)) return;
  for (const key of Object.keys(found)) if (key !== 'id' && key !== 'children') delete found[key];
  if (typeof found.id !== 'string') delete found.id;
}

function remove(value: Json, steps: readonly string[]): boolean {
  const holder = follow(value, steps.slice(0, -1));
  if (typeof holder !== 'object' || holder === null || Array.isArray(holder)) return false;
  delete holder[steps.at(-1)!];
  return true;
}

function follow(value: Json, steps: readonly string[]): Json | undefined {
  let at: Json | undefined = value;
  for (const step of steps) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, step)) return undefined;
    at = (at as Record<string, Json>)[step];
  }
  return at;
}

/** By what a key stands in. */
const hints: { readonly [where: string]: ((key: string) => string | undefined) | undefined } = {
  'a widget': keyHint,
  'a view': viewHint,
  'a style': lookHint,
};

function report(
  { keyword, pointer, schema, value, key: named }: ShapeError,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const key = stepsOf(pointer).at(-1) ?? '';
  const isLook = schema.properties === lookSchema;
  const where = isLook ? 'a look' : (schema.title ?? 'this');
  if (keyword === 'additionalProperties') {
    const hint = isLook ? lookHint(named!) : hints[where]?.(named!);
    const meant = hint === undefined ? nearestName(named!, Object.keys(schema.properties ?? {})) : undefined;
    const facts = { key: named!, where, meant, hint };
    diagnostics.add('unknown-key', facts, origin.atKey(pointerTo(pointer, named!)));
  } else if (keyword === 'required') {
    diagnostics.add('missing-key', { key: named!, where }, origin.atKey(pointer));
  } else if (named !== undefined) {
    const at = origin.atKey(pointerTo(pointer, named));
    diagnostics.add('wrong-value', { key: named, expected: schema.title ?? 'a name', found: 'this' }, at);
  } else if (keyword === 'enum') {
    const choices = schema.enum as readonly string[];
    const word = typeof value === 'string' ? value : undefined;
    const kind = key === 'kind' && word !== undefined ? kindMeant(word) : undefined;
    const meant =
      kind ?? valueMeant(key, value) ?? (word === undefined ? undefined : nearestName(word, choices));
    diagnostics.add(
      'not-one-of',
      { key, found: show(value), choices: [...choices], meant },
      origin.at(pointer),
    );
  } else {
    const what = key === '' ? 'the file' : key;
    const expected = expectation(keyword, schema);
    diagnostics.add('wrong-value', { key: what, expected, found: show(value) }, origin.at(pointer));
  }
}

function expectation(keyword: ShapeError['keyword'], schema: Schema): string {
  const { title = 'another value', minimum, maximum, minItems, maxItems, minProperties } = schema;
  switch (keyword) {
    case 'minimum':
      return `${title}, ${minimum} at the least`;
    case 'maximum':
      return `${title}, ${maximum} at the most`;
    case 'minItems':
      return `${title} with ${minItems} or more entries`;
    case 'minProperties':
      return `${title} with ${minProperties} or more entries`;
    case 'maxItems':
      return `${title}, ${maxItems} at the most`;
    default:
      return title;
  }
}

/** A value as an error shows it: short, on one line. */
export function show(value: unknown): string {
  if (Array.isArray(value)) return value.length === 0 ? 'an empty list' : 'a list';
  if (typeof value === 'object' && value !== null) return 'a map';
  if (value === null || value === undefined) return 'empty';
  const text = JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
