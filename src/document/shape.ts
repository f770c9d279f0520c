import { pointerTo, type Json } from './pointer.ts';

/** The part of JSON Schema (2020-12) that our schemas are written in. `title` completes a sentence: «"width" is …». */
export interface Schema {
  readonly $ref?: string;
  readonly title?: string;
  readonly description?: string;
  readonly type?: string | readonly string[];
  readonly const?: Json;
  readonly enum?: readonly Json[];
  readonly pattern?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly items?: Schema | boolean;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly properties?: { readonly [key: string]: Schema | boolean };
  readonly additionalProperties?: Schema | boolean;
  readonly propertyNames?: Schema;
  readonly required?: readonly string[];
  readonly minProperties?: number;
  readonly if?: Schema;
  readonly then?: Schema;
  readonly else?: Schema;
  readonly $defs?: { readonly [name: string]: Schema };
}

/** What a value does not keep to, and where. */
export interface ShapeError {
  readonly keyword:
    | 'type'
    | 'const'
    | 'enum'
    | 'pattern'
    | 'minimum'
    | 'maximum'
    | 'minItems'
    | 'maxItems'
    | 'minProperties'
    | 'required'
    | 'additionalProperties';
  readonly pointer: string;
  /** The schema whose keyword it is. */
  readonly schema: Schema;
  readonly value: Json;
  /** The key that is missing, is one too many, or is named wrongly. */
  readonly key?: string;
}

/**
 * Everything in which a value is not of a schema's shape. Goes as deep as the value, which its reader limits.
 * @param root The schema, whose `$defs` are referred to.
 */
export function shapeErrors(value: Json, root: Schema): ShapeError[] {
  const found: ShapeError[] = [];
  hold(value, root, '', { root, patterns: new Map<string, RegExp>() }, found);
  return found;
}

/** What one run of {@link shapeErrors} goes by. */
interface Run {
  readonly root: Schema;
  readonly patterns: Map<string, RegExp>;
}

function patternOf(source: string, { patterns }: Run): RegExp {
  let pattern = patterns.get(source);
  if (!pattern) patterns.set(source, (pattern = new RegExp(source, 'u')));
  return pattern;
}

function hold(value: Json, schema: Schema | boolean, pointer: string, run: Run, found: ShapeError[]): void {
  if (schema === true) return;
  if (schema === false) throw new Error('a schema that nothing keeps to is not one of ours');
  if (schema.$ref !== undefined) return hold(value, referred(schema.$ref, run.root), pointer, run, found);
  const add = (keyword: ShapeError['keyword'], key?: string) =>
    found.push({ keyword, pointer, schema, value, ...(key !== undefined && { key }) });
  if (schema.type !== undefined && !isOfType(value, schema.type)) {
    // What it may be else says nothing of a value of another type.
    add('type');
    return;
  }
  if (schema.const !== undefined && value !== schema.const) add('const');
  if (schema.enum && !schema.enum.includes(value)) add('enum');
  if (typeof value === 'string') {
    if (schema.pattern !== undefined && !patternOf(schema.pattern, run).test(value)) add('pattern');
  } else if (typeof value === 'number') {
    if (schema.minimum !== undefined && value < schema.minimum) add('minimum');
    if (schema.maximum !== undefined && value > schema.maximum) add('maximum');
  } else if (Array.isArray(value)) {
    if (schema.minItems !== undefined && value.length < schema.minItems) add('minItems');
    if (schema.maxItems !== undefined && value.length > schema.maxItems) add('maxItems');
    if (schema.items !== undefined)
      for (let at = 0; at < value.length; at++)
        hold(value[at]!, schema.items, pointerTo(pointer, at), run, found);
  } else if (typeof value === 'object' && value !== null) {
    holdMap(value, schema, pointer, run, found, add);
  }
  const { if: condition } = schema;
  if (!condition) return;
  const failed: ShapeError[] = [];
  hold(value, condition, pointer, run, failed);
  const chosen = failed.length === 0 ? schema.then : schema.else;
  if (chosen) hold(value, chosen, pointer, run, found);
}

function holdMap(
  value: { readonly [key: string]: Json },
  schema: Schema,
  pointer: string,
  run: Run,
  found: ShapeError[],
  add: (keyword: ShapeError['keyword'], key?: string) => void,
): void {
  const { properties = {}, additionalProperties = true, propertyNames, required = [] } = schema;
  const keys = Object.keys(value);
  if (schema.minProperties !== undefined && keys.length < schema.minProperties) add('minProperties');
  for (const key of required) if (!Object.hasOwn(value, key)) add('required', key);
  for (const key of keys) {
    if (propertyNames) {
      const inName: ShapeError[] = [];
      hold(key, propertyNames, pointer, run, inName);
      for (const { keyword, schema: of } of inName)
        found.push({ keyword, pointer, schema: of, value: key, key });
    }
    const known = Object.hasOwn(properties, key) ? properties[key]! : additionalProperties;
    if (known === false) add('additionalProperties', key);
    else if (known !== true) hold(value[key]!, known, pointerTo(pointer, key), run, found);
  }
}

function referred(reference: string, root: Schema): Schema {
  const found = root.$defs?.[reference.replace('#/$defs/', '')];
  if (!found) throw new Error(`the schema refers to ${reference}, which it does not have`);
  return found;
}

function isOfType(value: Json, wanted: NonNullable<Schema['type']>): boolean {
  return typeof wanted === 'string' ? isOf(value, wanted) : wanted.some((one) => isOf(value, one));
}

/** Types as JSON Schema names them (2020-12, Validation §6.1.1). */
function isOf(value: Json, type: string): boolean {
  switch (type) {
    case 'object':
      return typeof value === 'object' && value !== null && !Array.isArray(value);
    case 'array':
      return Array.isArray(value);
    case 'number':
      return Number.isFinite(value);
    case 'integer':
      return Number.isInteger(value);
    case 'null':
      return value === null;
    default:
      return typeof value === type;
  }
}
