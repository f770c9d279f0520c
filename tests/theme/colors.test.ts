import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readDocument } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { told } from '../support/views.ts';

const pieces = [
  'rgb(',
  'oklch(',
  'hsl(',
  'color(srgb ',
  '#',
  '0.5',
  '30',
  'eg',
  'E5',
  'deg',
  '%',
  ' ',
  ',',
  '/',
  ')',
  'none',
  '-',
  '+',
  '.',
  'a',
];

/** A document with a background of that colour. */
const withColor = (background: string) =>
  readDocument({ pimbot: 1, views: { v: { children: [{ size: 10, look: { background } }] } } });

test('a text that is no colour is refused in a sentence, whatever a parser of colours makes of it', () => {
  expect(told(withColor('oklch(0.5 0.2 30eg)')).join()).toContain('is not a colour of CSS Color 4');
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...pieces), { minLength: 1, maxLength: 9 }), (parts) => {
      const { document, diagnostics } = withColor(parts.join(''));
      expect(document !== undefined || diagnostics.length > 0).toBe(true);
    }),
    { numRuns: rounds(500, 20_000), seed: seedOf(88) },
  );
});
