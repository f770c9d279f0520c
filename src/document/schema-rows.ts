import { descriptionOf } from './keys/descriptions.ts';
import type { KeyRow } from './keys/key-row.ts';
import { orTemplate } from './schema-parts.ts';
import { referenceKeys } from './schema-screens.ts';
import type { Schema } from './shape.ts';

/** The schemas of some rows, by key; where a value may stand for it, a template is of every shape. */
export function schemasOf(rows: { readonly [key: string]: KeyRow }): { readonly [key: string]: Schema } {
  return Object.fromEntries(
    Object.entries(rows).map(([key, { schema, binds = 'put in', onScreens }]) => {
      const whole = described(key, { ...schema, ...insides[key] });
      const mayBeTemplate = binds === 'put in' && onScreens !== false && needsTemplate(schema);
      return [key, mayBeTemplate ? orTemplate(whole) : whole];
    }),
  );
}

/** What is inside a key: nobody but who reads documents asks for it. */
const insides: { readonly [key: string]: Schema } = {
  reference: { additionalProperties: false, properties: referenceKeys },
};

/** A schema with what its key does, and what each does that is described inside it. */
export function described(key: string, schema: Schema): Schema {
  const said = descriptionOf(key);
  const { properties } = schema;
  return {
    ...schema,
    ...(said !== '' && { description: said }),
    ...(properties && {
      properties: Object.fromEntries(
        Object.entries(properties).map(([inside, one]) => [
          inside,
          typeof one === 'object' ? described(`${key}.${inside}`, one) : one,
        ]),
      ),
    }),
  };
}

/** Whether no text at all, or none with braces, is of a schema's shape. */
function needsTemplate({ type, enum: choices, $ref }: Schema): boolean {
  if ($ref !== undefined) return false;
  return choices !== undefined || (type !== undefined && ![type].flat().includes('string'));
}
