import { directions } from './model.ts';

/* What the schema says of where the focus of a pad or of keys goes. */

/** Of controls. */
export const neighbours = Object.fromEntries(
  directions.map((key) => [
    key,
    {
      type: 'string',
      title: 'the id of a widget',
      description: `Where the focus goes ${key.slice('nav-'.length)} from here; the nearest control there if left out. As in CSS.`,
    },
  ]),
);

/** Of views and of widgets with controls in them. */
export const focusOrder = {
  'focus-order': {
    type: 'array',
    items: { type: 'string', title: 'the id of a widget' },
    minItems: 1,
    maxItems: 1000,
    title: 'a list of ids',
    description: 'The controls in it, in the order the focus visits them.',
  },
};
