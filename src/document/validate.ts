import type { DiagnosticList } from './diagnostics.ts';
import type { Origin } from './model.ts';
import { pointerTo, stepsOf, type Json } from './parse.ts';
import { documentSchema, themeSchema } from './schema.ts';
import { shapeErrors, type Schema, type ShapeError } from './shape.ts';
import { nearestName } from './suggest.ts';

/** Holds a value against the schema of documents or themes; true when it is of the shape. */
export function validate(
  value: Json,
  format: 'document' | 'theme',
  origin: Origin,
  diagnostics: DiagnosticList,
): boolean {
  const errors = shapeErrors(value, format === 'document' ? documentSchema : themeSchema);
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

function report(
  { keyword, pointer, schema, value, key: named }: ShapeError,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const key = stepsOf(pointer).at(-1) ?? '';
  const where = schema.title ?? 'this';
  if (keyword === 'additionalProperties') {
    const meant = nearestName(named!, Object.keys(schema.properties ?? {}));
    diagnostics.add('unknown-key', { key: named!, where, meant }, origin.atKey(pointerTo(pointer, named!)));
  } else if (keyword === 'required') {
    diagnostics.add('missing-key', { key: named!, where }, origin.atKey(pointer));
  } else if (named !== undefined) {
    const at = origin.atKey(pointerTo(pointer, named));
    diagnostics.add('wrong-value', { key: named, expected: schema.title ?? 'a name', found: 'this' }, at);
  } else if (keyword === 'enum') {
    const choices = schema.enum as readonly string[];
    const meant = typeof value === 'string' ? nearestName(value, choices) : undefined;
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
