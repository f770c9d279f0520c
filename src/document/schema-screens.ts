import type { Schema } from './shape.ts';
import { patterns } from './lengths.ts';
import { scalings } from './model.ts';
import { choice } from './schema-parts.ts';

/* What the schema says of screens: how views scale to them, and what holds on some of them. */

const range = {
  type: 'string',
  pattern: patterns.limits,
  title: 'a range such as "..800", "1.." or "0.5..2"',
};

export const screenCondition = {
  type: 'object',
  title: 'what a screen is like',
  additionalProperties: false,
  minProperties: 1,
  properties: {
    aspect: { ...range, description: 'Width divided by height.' },
    width: { ...range, description: 'Of the surface, in u.' },
    height: { ...range, description: 'Of the surface, in u.' },
    orientation: {
      ...choice(['portrait', 'landscape']),
      description: 'portrait: higher than wide; landscape: not.',
    },
    input: {
      ...choice(['touch', 'mouse', 'keys', 'pad']),
      description: 'A device that players have there; a screen may have several.',
    },
    distance: { ...range, description: 'Millimetres from the eyes.' },
  },
};

const size = (description: string): Schema => ({
  type: 'string',
  pattern: patterns.screenSize,
  title: 'a resolution such as 1920x1080',
  description,
});

/** The screens a view is made for. */
export const support: Schema = {
  type: 'object',
  title: 'a range of screens such as { from: 960x540, aspect: "1.25.." }',
  additionalProperties: false,
  properties: {
    from: size('The smallest screen it is made for, in device px.'),
    to: size('The largest.'),
    aspect: { ...range, description: 'Width divided by height.' },
  },
};

/** What a document's reference and that of a part of a view have in common. */
export const referenceKeys = {
  'size': {
    type: 'string',
    pattern: patterns.screenSize,
    title: 'a resolution such as 1920x1080',
    description: 'The resolution the views are designed at; 1920x1080 if left out.',
  },
  'scaling': { ...choice(scalings), description: 'contain if left out.' },
  'limits': {
    type: 'string',
    pattern: patterns.limits,
    title: 'the least and the most scale, such as "1..3" or "0.5.."',
    description: 'The least and the most device px one u becomes.',
  },
  'blend': {
    type: 'number',
    minimum: 0,
    maximum: 1,
    title: 'a number from 0 to 1',
    description: 'Of scaling blend: 0 follows the width, 1 the height; 0.5 if left out.',
  },
  'millimetres': {
    type: 'number',
    minimum: 0.001,
    maximum: 1000,
    title: 'a number of millimetres',
    description: 'Of scaling physical: what one u is on the glass.',
  },
  'least-millimetres': {
    type: 'number',
    minimum: 0.001,
    maximum: 1000,
    title: 'a number of millimetres',
    description: 'The least one u is on the glass, whatever the pixels.',
  },
  'step': {
    type: 'number',
    minimum: 0.001,
    maximum: 100,
    title: 'a number above 0',
    description: 'The scale is a multiple of it, rounded down.',
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
