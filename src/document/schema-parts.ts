import type { Schema } from './shape.ts';
import { patterns } from './lengths.ts';

/*
 * What the schemas of documents and of themes have in common. `title` completes the sentence «"width" is …» of an
 * error; `description` is what an editor shows.
 */

export const name = {
  type: 'string',
  pattern: '^[\\p{L}_][\\p{L}\\p{N}_-]*$',
  title: 'a name of letters, digits, - and _ that starts with a letter',
};

export const length = {
  type: ['number', 'string'],
  pattern: patterns.length,
  title: 'a length such as 24, "50%" or "50% - 24"',
};
export const size = {
  type: ['number', 'string'],
  pattern: patterns.size,
  title: 'a length such as 24 or "50% - 24", or content, or fill',
};
export const lengths = (most: number, what: string, objectToo = false) => ({
  type: objectToo ? ['number', 'string', 'array', 'object'] : ['number', 'string', 'array'],
  pattern: patterns.lengths,
  items: length,
  minItems: 1,
  maxItems: most,
  ...(objectToo && {
    properties: {
      top: length,
      right: length,
      bottom: length,
      left: length,
    },
    additionalProperties: false,
  }),
  title: what,
});
export const sizes = {
  type: ['number', 'string', 'array'],
  pattern: patterns.sizes,
  items: size,
  minItems: 1,
  maxItems: 2,
  title: 'one or two sizes such as 280, "300 content" or "50% fill"',
};
export const oneToFour = 'one to four lengths in the order of CSS: top right bottom left';
export const places = {
  type: ['string', 'number', 'array'],
  items: { type: ['string', 'number'] },
  minItems: 1,
  maxItems: 2,
};
export const numberOrTemplate = (title: string) => ({ type: ['number', 'string'], title });
export const names = {
  type: ['string', 'array'],
  items: { type: 'string' },
  title: 'a name or a list of names',
};
/** True or false, or a value that is. */
export const flag = {
  type: ['boolean', 'string'],
  pattern: '^\\{[^{}]+\\}$',
  title: 'true, false, or a value such as "{shown}", "{not shown}" or "{depth > 400}"',
};
export const choice = (values: readonly string[]) => ({ enum: values });

/** The same, or a template of a value. */
export function orTemplate(schema: Schema): Schema {
  const { title, description } = schema;
  return {
    ...(title !== undefined && { title }),
    ...(description !== undefined && { description }),
    if: { type: 'string', pattern: '^\\{[^{}]+\\}$' },
    then: {},
    else: schema,
  };
}
