import { states } from './model.ts';
import { choice } from './schema-parts.ts';

/* What the schema says of what players set and a check goes through. */

const sizes = (what: string) => ({
  type: 'array',
  items: { type: 'number', minimum: 0.1, maximum: 10 },
  minItems: 1,
  maxItems: 20,
  title: 'a list of factors from 0.1 to 10',
  description: `The player's ${what} sizes; 1 is as drawn.`,
});

export const vary = {
  type: 'object',
  title: 'what views are checked in',
  additionalProperties: false,
  minProperties: 1,
  properties: {
    'locales': {
      type: 'array',
      items: { type: 'string', title: 'a locale' },
      minItems: 1,
      maxItems: 100,
      title: 'a list of locales',
      description: 'Pseudo-locales may be among them; the language and every catalog if left out.',
    },
    'hud-sizes': sizes('HUD'),
    'text-sizes': sizes('text'),
    'states': {
      type: 'array',
      items: choice(states),
      minItems: 1,
      maxItems: states.length,
      title: `a list of states: ${states.join(', ')}`,
      description: 'States that every control is put in, one after the other, beside none.',
    },
  },
  description: 'What views are checked in, beside screens, themes and cases.',
};
