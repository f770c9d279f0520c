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
  properties: {
    width: { ...amount, description: 'In u, or with its unit: "9 mm".' },
    height: { ...amount, description: 'In u, or with its unit: "9 mm".' },
  },
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
      'widget': { ...id, description: 'The widget it is about.' },
      'widgets': {
        type: 'array',
        items: id,
        minItems: 1,
        maxItems: 100,
        title: 'a list of ids',
        description: 'The widgets it is about.',
      },
      'within': {
        type: 'string',
        title: 'safe, screen, or the id of a widget',
        description: 'They stay inside it.',
      },
      'never': { ...choice(['overlap']), description: 'No two of them share any room.' },
      'touching': {
        const: true,
        title: 'true',
        description: 'Each meets the one before it, without a gap.',
      },
      'aligned': {
        ...choice(['left', 'right', 'center', 'top', 'bottom', 'middle']),
        description: 'They have that edge or middle line in common.',
      },
      'same': {
        ...choice(['width', 'height', 'size']),
        description: 'They are of one width, height, or both.',
      },
      'order': {
        ...choice(['start to end', 'left to right', 'right to left', 'top to bottom']),
        description: 'Each ends before the next begins.',
      },
      'at-least': { ...amounts, description: 'It is no smaller.' },
      'at-most': { ...amounts, description: 'It is no larger.' },
      'visible': {
        type: 'boolean',
        title: 'true or false',
        description: 'It is there to be seen, or is not.',
      },
      'on': {
        $ref: '#/$defs/screenCondition',
        description: 'The screens it is promised for; all if left out.',
      },
      'because': { type: 'string', title: 'a reason', description: 'Why, for whoever breaks it.' },
    },
  },
};
