import { expect, test } from '@jest/globals';
import { LiveDrawing, LiveView, drawLayout, openView, readDocument } from 'pimbot';
import { Chance, rightDocuments, valuesOfAny } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { plain } from '../support/drawn.ts';
import { documentOf, fonts, opened } from '../support/views.ts';
import { told } from './told.ts';

const resources = { fonts };
const screens = [
  { width: 800, height: 600 },
  { width: 1920, height: 1080 },
  { width: 400, height: 850, inputs: ['touch'] },
  { width: 2560, height: 1080, safe: [0, 80, 0, 80] },
] as const;

/** What somebody makes; the message of what is refused. */
function orRefused<Made>(make: () => Made): Made | string {
  try {
    return make();
  } catch (error) {
    if (/BuildError|RangeError/.test((error as Error).name)) return (error as Error).name;
    throw error;
  }
}

test('of any document, a live view is to the last digit what one opened anew is, and so is its drawing', () => {
  const met = { same: 0, refused: 0 };
  for (const { seed, document } of rightDocuments(seedOf(1), rounds(24, 3000), readDocument)) {
    const by = new Chance(seed);
    let screen: (typeof screens)[number] = screens[0];
    let values = { ...document.source.cases!.one };
    const fresh = (given: object = values) =>
      orRefused(
        () => new LiveView(openView(document, 'test', { resources, values: given as never }), screen),
      );
    const live = fresh();
    if (typeof live === 'string') continue;
    const drawing = new LiveDrawing(live);
    drawing.update();
    for (let step = 0; step < 6; step++) {
      if (by.is(0.25)) live.resize((screen = by.pick(screens)));
      const changes = Object.fromEntries(
        Array.from({ length: by.whole(1, 3) }, () => by.pick(Object.keys(valuesOfAny))).map((name) => [
          name,
          by.pick(valuesOfAny[name]!),
        ]),
      );
      const refused = orRefused(() => live.set(changes as never));
      // Whatever is on its way arrives; what follows from that sets out then.
      live.advance(1000);
      live.advance(1000);
      const other = fresh({ ...values, ...changes });
      expect([seed, step, typeof other]).toEqual([
        seed,
        step,
        typeof refused === 'string' ? 'string' : 'object',
      ]);
      met[typeof refused === 'string' ? 'refused' : 'same']++;
      if (typeof refused !== 'string') values = { ...values, ...changes } as typeof values;
      const now = fresh();
      if (typeof now === 'string') break;
      expect({ seed, step, ...(told(live) as object) }).toEqual({ seed, step, ...(told(now) as object) });
      const kept = plain(drawing.update().operations);
      expect([seed, step, kept]).toEqual([seed, step, plain(drawLayout(now.snapshot()).operations)]);
    }
  }
  expect(met.same).toBeGreaterThan(rounds(80, 10_000));
});

test('what is raised in a list that is cut off is drawn where others before it change their order', () => {
  const children = [
    { id: 'ware', repeat: '{wares}', key: 'item', size: 10 },
    {
      id: 'list',
      scroll: 'x',
      size: 60,
      children: [
        { id: 'tick', kind: 'checkbox', z: 2, checked: true, size: 20 },
        { id: 'row', children: [{ repeat: '{wares}', size: 4 }] },
      ],
    },
  ];
  const document = documentOf(children as never, { cases: { only: { wares: ['wax', 'tar'] } } });
  const live = new LiveView(opened(document), { width: 200, height: 100 });
  const drawing = new LiveDrawing(live);
  const before = plain(drawing.update().operations);
  live.set({ wares: ['tar', 'wax'] });
  const after = plain(drawing.update().operations);
  expect(after.map(({ type }) => type)).toEqual(before.map(({ type }) => type));
  expect(after).toEqual(plain(drawLayout(live.snapshot()).operations));
});
