import type { Schema } from './shape.ts';
import { patterns } from './lengths.ts';
import { choice } from './schema-parts.ts';

/* What the schema says of screens that something holds on. No key of a widget is read by it, so that no game loads it. */

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
