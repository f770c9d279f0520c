import type { Schema } from './shape.ts';
import { patterns } from './lengths.ts';
import { scalings } from './model.ts';
import { choice } from './schema-parts.ts';

/* What the schema says of how views scale to screens, and of what changes on some of them. */

/** What a document's reference and that of a part of a view have in common; what each does is said beside those of widgets. */
export const referenceKeys = {
  'size': {
    type: 'string',
    pattern: patterns.screenSize,
    title: 'a resolution such as 1920x1080',
  },
  'scaling': choice(scalings),
  'limits': {
    type: 'string',
    pattern: patterns.limits,
    title: 'the least and the most scale, such as "1..3" or "0.5.."',
  },
  'blend': {
    type: 'number',
    minimum: 0,
    maximum: 1,
    title: 'a number from 0 to 1',
  },
  'millimetres': {
    type: 'number',
    minimum: 0.001,
    maximum: 1000,
    title: 'a number of millimetres',
  },
  'least-millimetres': {
    type: 'number',
    minimum: 0.001,
    maximum: 1000,
    title: 'a number of millimetres',
  },
  'step': {
    type: 'number',
    minimum: 0.001,
    maximum: 100,
    title: 'a number above 0',
  },
};

/** Keys that change on some screens. */
export const whenList = (change: string): Schema => ({
  type: 'array',
  title: 'a list of conditions and changes',
  description: 'Keys that change on some screens.',
  items: {
    type: 'object',
    title: 'a condition',
    additionalProperties: false,
    required: ['screen', 'change'],
    properties: { screen: { $ref: '#/$defs/screenCondition' }, change: { $ref: change } },
  },
});
