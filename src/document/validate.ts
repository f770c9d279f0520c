import type { ErrorObject, ValidateFunction } from 'ajv';
import type { DiagnosticList } from './diagnostics.ts';
import type { Origin } from './model.ts';
import { pointerTo, stepsOf, type Json } from './parse.ts';
import { nearestName } from './suggest.ts';
import { validateDocument, validateTheme } from './validators.generated.ts';

interface SchemaPart {
  readonly title?: string;
  readonly properties?: Record<string, unknown>;
}

/** Holds a value against the schema of documents or themes; true when it is of the shape. */
export function validate(
  value: Json,
  format: 'document' | 'theme',
  origin: Origin,
  diagnostics: DiagnosticList,
): boolean {
  const check = (format === 'document' ? validateDocument : validateTheme) as ValidateFunction;
  if (check(value)) return true;
  const told = new Set<string>();
  for (const error of check.errors ?? []) {
    if (error.keyword === 'if') continue;
    // One sentence for one place: what a value may be is said whole by its schema's title.
    const key = `${error.instancePath} ${error.keyword === 'additionalProperties' ? (error.params.additionalProperty as string) : ''}${error.keyword === 'required' ? (error.params.missingProperty as string) : ''}`;
    if (told.has(key)) continue;
    told.add(key);
    report(error, origin, diagnostics);
  }
  return false;
}

function report(error: ErrorObject, origin: Origin, diagnostics: DiagnosticList): void {
  const schema = error.parentSchema as SchemaPart;
  const pointer = error.instancePath;
  const key = stepsOf(pointer).at(-1) ?? '';
  switch (error.keyword) {
    case 'additionalProperties': {
      const name = error.params.additionalProperty as string;
      const meant = nearestName(name, Object.keys(schema.properties ?? {}));
      const where = schema.title ?? 'this';
      diagnostics.add('unknown-key', { key: name, where, meant }, origin.atKey(pointerTo(pointer, name)));
      return;
    }
    case 'required':
      diagnostics.add(
        'missing-key',
        { key: error.params.missingProperty as string, where: schema.title ?? 'this' },
        origin.atKey(pointer),
      );
      return;
    case 'enum': {
      const choices = error.params.allowedValues as string[];
      const found = show(error.data);
      const meant = typeof error.data === 'string' ? nearestName(error.data, choices) : undefined;
      diagnostics.add('not-one-of', { key, found, choices, meant }, origin.at(pointer));
      return;
    }
    case 'if':
    case 'propertyNames':
      // The pattern error inside it is reported at the same place.
      return;
    default: {
      if (error.propertyName !== undefined) {
        const at = origin.atKey(pointerTo(pointer, error.propertyName));
        diagnostics.add(
          'wrong-value',
          { key: error.propertyName, expected: schema.title ?? 'a name', found: 'this' },
          at,
        );
        return;
      }
      const what = key === '' ? 'the file' : key;
      const expected = expectation(error, schema);
      diagnostics.add('wrong-value', { key: what, expected, found: show(error.data) }, origin.at(pointer));
    }
  }
}

function expectation(error: ErrorObject, schema: SchemaPart): string {
  const title = schema.title ?? 'another value';
  const limit = (error.params as { limit?: number }).limit;
  switch (error.keyword) {
    case 'minimum':
      return `${title}, ${limit} at the least`;
    case 'maximum':
      return `${title}, ${limit} at the most`;
    case 'minItems':
    case 'minProperties':
      return `${title} with ${limit} or more entries`;
    case 'maxItems':
      return `${title}, ${limit} at the most`;
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
