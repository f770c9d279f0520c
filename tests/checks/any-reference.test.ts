import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readDocument, screens, type DocumentSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

/* A view designed at a quarter of the size, in units four times as large, is the same view: what is placed is judged alike. */

const corner = fc.constantFrom(
  'left top',
  'center top',
  'right top',
  'left bottom',
  'center',
  'right bottom',
);
const box = fc.record({
  anchor: corner,
  x: fc.integer({ min: -60, max: 60 }),
  y: fc.integer({ min: -30, max: 30 }),
  width: fc.integer({ min: 10, max: 120 }),
  height: fc.integer({ min: 8, max: 60 }),
});

function documentAt(
  times: number,
  boxes: readonly { anchor: string; x: number; y: number; width: number; height: number }[],
): DocumentSource {
  return {
    pimbot: 1,
    reference: { size: `${480 * times}x${270 * times}`, scaling: 'contain' },
    views: {
      v: {
        backdrop: '#04202a',
        children: boxes.map(({ anchor, x, y, width, height }, nth) => ({
          id: `w${nth}`,
          anchor,
          offset: [x * times, y * times],
          size: [width * times, height * times],
          look: { background: '#5fc9b8' },
        })),
      },
    },
  };
}

/** Two that stand 10 apart of 480, one tied to the edge and one to the middle. */
const neighbours = [
  { anchor: 'left top', x: 40, y: 10, width: 120, height: 20 },
  { anchor: 'center top', x: -20, y: 10, width: 100, height: 20 },
];

const placed = new Set(['off-screen', 'outside-safe-area', 'overlap', 'drifted', 'torn-apart']);
const some = screens.filter(({ name }) =>
  ['desktop', 'ultrawide', 'triple', 'monitor-4-3', 'square'].includes(name),
);

function found(source: DocumentSource): readonly string[] {
  const { document } = readDocument(source);
  return checkDocument(document!, { resources: { fonts }, screens: some })
    .findings.filter(({ check }) => placed.has(check))
    .map(({ check, widget, other, occurrences }) => `${check} ${widget} ${other ?? ''} ${occurrences.length}`)
    .sort();
}

test('what is off, overlaps, drifts or is torn apart does not depend on the size of the unit', () => {
  let torn = 0;
  fc.assert(
    fc.property(fc.array(box, { minLength: 2, maxLength: 4 }), (boxes) => {
      const small = found(documentAt(1, boxes));
      expect(found(documentAt(4, boxes))).toEqual(small);
      torn += small.filter((one) => one.startsWith('torn-apart')).length;
    }),
    { numRuns: 60, examples: [[neighbours]] },
  );
  expect(torn).toBeGreaterThan(0);
});
