import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LiveDrawing, screens, type DocumentSource, type DrawOperation } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { rounds, seedOf } from '../support/deep.ts';
import { Player } from '../support/player.ts';
import { fonts, rightDocument } from '../support/views.ts';

/* What is typed into a textbox may be longer than the box: it goes along with the caret. */

const source = (more: object = {}, name = ''): DocumentSource => ({
  pimbot: 1,
  reference: { size: '600x400' },
  cases: { a: { name } },
  views: {
    test: {
      children: [
        {
          id: 'name',
          kind: 'textbox',
          text: '{name}',
          placeholder: 'Who?',
          anchor: 'left top',
          offset: '40 40',
          size: [200, 40],
          padding: [0, 20],
          look: { 'font-size': 20, 'background': '#04202a' },
          ...more,
        },
      ],
    },
  },
});

/** The inside of the box, from 60 to 220 px. */
const [left, right] = [60, 220];

/** What is drawn of the textbox: what cuts its words off, and the boxes drawn in it, the caret the last of them. */
function drawn(player: Player) {
  const all = new LiveDrawing(player.live).update().operations;
  const of = <Type extends DrawOperation['type']>(type: Type) =>
    all.filter((one): one is Extract<DrawOperation, { type: Type }> => one.type === type);
  const boxes = of('box').map(({ rect }) => rect);
  return { clip: of('clip')[0]?.rect, caret: boxes.at(-1)!, words: of('glyphs')[0]?.runs[0]?.x };
}

const letters = fc.string({ unit: fc.constantFrom('a', 'W', ' ', 'i', 'm', 'é', 'ש', '7'), maxLength: 60 });

test('the caret is always seen, wherever it is and however much is typed', () => {
  fc.assert(
    fc.property(
      letters,
      fc.array(fc.constantFrom('ArrowLeft', 'ArrowRight', 'Home', 'End', 'Backspace', 'm', ' '), {
        maxLength: 12,
      }),
      fc.constantFrom('ltr' as const, 'rtl' as const),
      fc.constantFrom('start' as const, 'center' as const, 'end' as const),
      (text, keys, direction, align) => {
        const player = new Player(
          source(
            { direction, look: { 'font-size': 20, 'background': '#04202a', 'text-align': align } },
            text,
          ),
        );
        player.effects.push(...player.input.focus('name'));
        for (const key of keys) {
          player.keys(key);
          const { caret, clip } = drawn(player);
          // One that stands behind a text that just fits is drawn over the padding.
          const room = clip ? 0.001 : 2;
          expect(caret.x).toBeGreaterThanOrEqual(left - room);
          expect(caret.x + caret.width).toBeLessThanOrEqual(right + room);
          if (clip) expect([clip.x, clip.x + clip.width]).toEqual([left, right]);
        }
      },
    ),
    { numRuns: rounds(60, 600), seed: seedOf(1) },
  );
});

test('a press between two letters that are seen puts the caret there', () => {
  const text = 'The lamps of Kelp Nine came up like a row of moons';
  const player = new Player(source({}, text));
  player.effects.push(...player.input.focus('name'));
  const places = new Set<number>();
  for (let x = left + 1; x < right; x += 9) {
    player.keys('End').down(x, 60).up(x, 60);
    const { caret } = player.live.widgets[player.live.indexOf('name')]!;
    places.add(caret!.at);
    player.keys('End');
  }
  // With the caret at the end, those of the end are seen.
  expect(Math.min(...places)).toBeGreaterThan(text.length - 25);
  expect(Math.max(...places)).toBe(text.length);
  expect(places.size).toBeGreaterThan(10);
});

test('without the focus its start is shown, cut off at its inside; what fits is not cut off', () => {
  const long = new Player(
    source({ look: { 'font-size': 20, 'text-align': 'center' } }, 'Everybody has oxygen for nine hours'),
  );
  expect(drawn(long)).toMatchObject({ clip: { x: left, width: right - left }, words: left });
  expect(drawn(new Player(source({}, 'Ida'))).clip).toBeUndefined();
});

test('is no text that is cut; a placeholder that is too long is', () => {
  const long = 'Everybody has oxygen for nine hours';
  const cut = (more: object, name: string) =>
    checkDocument(rightDocument(source(more, name)), { resources: { fonts }, screens: screens.slice(0, 1) })
      .findings.filter(({ check }) => check === 'cut-text')
      .map(({ widget }) => widget);
  expect(cut({}, long)).toEqual([]);
  expect(cut({ placeholder: long }, '')).toEqual(['name']);
  // Too low for its letters it still is.
  expect(cut({ size: [200, 12] }, 'Ida')).toEqual(['name']);
});
