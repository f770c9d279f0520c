import { createCanvas, Path2D } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  CanvasCache,
  LiveDrawing,
  LiveView,
  ViewInput,
  drawLayout,
  formatDiagnostic,
  openView,
  paintOnCanvas,
  readDocument,
  repaintOnCanvas,
  type DocumentSource,
} from 'pimbot';
import { apart } from '../support/apart.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { expectAlike, plain } from '../support/drawn.ts';
import { fonts } from '../support/views.ts';

/* Panels in panels, each of which fades, turns, goes out of sight, rises and cuts off what is in it, by itself. */

const names = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h'];
const start: Readonly<Record<string, number | boolean>> = Object.fromEntries<number | boolean>(
  names.flatMap((one): [string, number | boolean][] => [
    [`fade${one}`, 1],
    [`turn${one}`, 0],
    [`seen${one}`, true],
    [`high${one}`, 0],
    [`round${one}`, 0],
    [`x${one}`, 0],
  ]),
);

/** @param cut Whether it cuts off what is in it. */
const panel = (name: string, x: number, y: number, size: number, cut: boolean, children: object[] = []) => ({
  id: name,
  offset: [`{x${name} + ${x}}`, y],
  size,
  // One is always upright.
  ...(name !== 'h' && { rotate: `{turn${name}}` }),
  visible: `{seen${name}}`,
  z: `{high${name}}`,
  ...(cut && { overflow: 'clip' }),
  look: {
    background: `#66${names.indexOf(name)}f99`,
    border: '1 #ffffff',
    radius: `{round${name}}`,
    opacity: `{fade${name}}`,
  },
  children: [...children, { id: `${name}-lamp`, size: 6, offset: [-2, 3], look: { background: '#ffcc00' } }],
});

const source = {
  pimbot: 1,
  reference: { scaling: 'none' },
  cases: { only: start },
  views: {
    test: {
      children: [
        panel('a', 10, 10, 90, false, [
          panel('b', 5, 5, 60, true, [panel('c', 20, 20, 50, false), panel('d', 10, 5, 30, false)]),
          panel('e', 75, 60, 40, false),
        ]),
        panel('f', 60, 50, 60, true, [panel('g', -10, 10, 40, false)]),
        panel('h', 70, 60, 25, false),
      ],
    },
  },
} as unknown as DocumentSource;

const { document, diagnostics } = readDocument(source);
const change = fc
  .tuple(
    fc.constantFrom(...'aaabbffcdeghh'),
    fc.oneof(
      fc.tuple(fc.constant('fade'), fc.constantFrom(0.3, 0.6, 0.9)),
      fc.tuple(fc.constant('fade'), fc.constantFrom(0, 0.4, 0.7, 1)),
      fc.tuple(fc.constant('turn'), fc.constantFrom(0, 20, 45)),
      fc.tuple(fc.constant('seen'), fc.boolean()),
      fc.tuple(fc.constant('high'), fc.constantFrom(-1, 0, 0, 1)),
      fc.tuple(fc.constant('round'), fc.constantFrom(0, 12)),
      fc.tuple(fc.constant('x'), fc.integer({ min: -20, max: 20 })),
    ),
  )
  .map(([name, [what, value]]) => ({ [`${what}${name}`]: value }));
const steps = fc.array(
  fc
    .array(change, { minLength: 1, maxLength: 3 })
    .map((all) => Object.fromEntries(all.flatMap((one) => Object.entries(one)))),
  { minLength: 1, maxLength: 10 },
);

const points = [
  [40, 40],
  [80, 70],
  [100, 90],
] as const;
const size = { width: 160, height: 130 };
const cache = () => new CanvasCache(createCanvas, () => new Path2D());
test('whatever happens to panels in panels, the drawing that is kept up and what is repainted of it are those of a new view', () => {
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
  fc.assert(
    fc.property(steps, (all) => {
      const live = new LiveView(openView(document!, 'test', { resources: { fonts } }), size);
      const input = new ViewInput(live);
      const drawing = new LiveDrawing(live);
      const canvas = createCanvas(size.width, size.height);
      const again = createCanvas(size.width, size.height);
      const kept = cache();
      repaintOnCanvas(drawing.update(), canvas.getContext('2d'), kept);
      let given = {};
      for (const values of all) {
        given = { ...given, ...values };
        live.set(values);
        // What was found before is not what is found later.
        for (const [x, y] of points) input.at(x, y);
        const drawn = drawing.update();
        repaintOnCanvas(drawn, canvas.getContext('2d'), kept);
        expect(plain(drawn.operations)).toEqual(plain(drawLayout(live.snapshot()).operations));
        again.getContext('2d').clearRect(0, 0, size.width, size.height);
        paintOnCanvas(drawLayout(live.snapshot()), again.getContext('2d'), cache());
        expect(apart(canvas, again)).toBeLessThanOrEqual(1);
      }
      const drawn = drawing.update();
      const fresh = new LiveView(openView(document!, 'test', { resources: { fonts }, values: given }), size);
      const whole = new LiveDrawing(fresh).update();
      expectAlike(drawn, whole);
      expect(live.order).toEqual(fresh.order);
      const other = new ViewInput(fresh);
      for (const [x, y] of points) expect(input.at(x, y)).toEqual(other.at(x, y));
    }),
    { numRuns: rounds(14, 1000), seed: seedOf(43) },
  );
});
