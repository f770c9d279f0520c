import { patterns } from './lengths.ts';
import { choice } from './schema-parts.ts';

/* What the schema says of promises: what has to hold of a view's widgets. */

const amount = {
  type: ['number', 'string'],
  pattern: patterns.amount,
  minimum: 0,
  title: 'an amount such as 48, "9 mm", "40 px" or "0.5 deg"',
};
const amounts = {
  type: 'object',
  title: 'a width, a height, or both',
  additionalProperties: false,
  minProperties: 1,
  properties: { width: amount, height: amount },
};
const id = { type: 'string', title: 'the id of a widget' };

export const promises = {
  type: 'array',
  title: 'a list of promises',
  description: 'What has to hold on every screen.',
  items: {
    type: 'object',
    title: 'a promise',
    additionalProperties: false,
    minProperties: 2,
    properties: {
      'widget': id,
      'widgets': { type: 'array', items: id, minItems: 1, maxItems: 100, title: 'a list of ids' },
      'within': { type: 'string', title: 'safe, screen, or the id of a widget' },
      'never': choice(['overlap']),
      'touching': { const: true, title: 'true' },
      'aligned': choice(['left', 'right', 'center', 'top', 'bottom', 'middle']),
      'same': choice(['width', 'height', 'size']),
      'order': choice(['start to end', 'left to right', 'right to left', 'top to bottom']),
      'at-least': amounts,
      'at-most': amounts,
      'visible': { type: 'boolean', title: 'true or false' },
      'on': {
        $ref: '#/$defs/screenCondition',
        description: 'The screens it is promised for; all if left out.',
      },
      'because': { type: 'string', title: 'a reason', description: 'Why, for whoever breaks it.' },
    },
  },
};
