import { createCanvas, Path2D } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  CanvasCache,
  LiveDrawing,
  LiveView,
  drawLayout,
  openView,
  paintOnCanvas,
  readDocument,
  repaintOnCanvas,
} from 'pimbot';
import { apart } from '../support/apart.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { plain } from '../support/drawn.ts';
import { fonts } from '../support/views.ts';
import { apply, catalogs, quietStep, readFile, source, step } from './everything.ts';

const { document } = readDocument(source, { readFile });
const resources = { fonts, catalogs };
const cache = () => new CanvasCache(createCanvas, () => new Path2D());

const opened = () => new LiveView(openView(document!, 'test', { resources }), { width: 800, height: 600 });

test('a drawing that is kept up is the one of the view drawn anew', () => {
  fc.assert(
    fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), fc.boolean(), (steps, drawsEach) => {
      const live = opened();
      const drawing = new LiveDrawing(live);
      drawing.update();
      for (const one of steps) {
        apply(live, one);
        if (drawsEach || one.type === 'read') drawing.update();
      }
      const kept = drawing.update();
      const fresh = drawLayout(live.snapshot());
      expect([kept.width, kept.height, kept.title]).toEqual([fresh.width, fresh.height, fresh.title]);
      expect(plain(kept.operations)).toEqual(plain(fresh.operations));
    }),
    { numRuns: rounds(30, 500), seed: seedOf(31) },
  );
});

test('what moves on its own is drawn where it stands now, from one change to the next', () => {
  fc.assert(
    fc.property(fc.array(quietStep, { minLength: 4, maxLength: 12 }), (steps) => {
      const live = opened();
      live.motion = 'reduced';
      const drawing = new LiveDrawing(live);
      drawing.update();
      for (const one of steps) {
        apply(live, one);
        const kept = drawing.update();
        expect(plain(kept.operations)).toEqual(plain(drawLayout(live.snapshot()).operations));
      }
    }),
    { numRuns: rounds(8, 500), seed: seedOf(33) },
  );
});

test('painting what has changed gives the pixels of painting all of it', () => {
  fc.assert(
    fc.property(fc.array(step, { minLength: 2, maxLength: 10 }), (steps) => {
      const live = opened();
      const drawing = new LiveDrawing(live);
      const canvas = createCanvas(800, 600);
      const kept = cache();
      for (const one of steps) {
        apply(live, one);
        // As everywhere, a canvas that gets another size is blank.
        if (one.type === 'resize') Object.assign(canvas, { width: one.width, height: one.height });
        repaintOnCanvas(drawing.update(), canvas.getContext('2d'), kept);
      }
      const whole = createCanvas(canvas.width, canvas.height);
      paintOnCanvas(drawLayout(live.snapshot()), whole.getContext('2d'), cache());
      // A rasteriser that is given part of a canvas may round a soft edge to the next shade.
      expect(apart(canvas, whole)).toBeLessThanOrEqual(1);
    }),
    { numRuns: rounds(6, 500), seed: seedOf(32) },
  );
});

test('nothing is drawn anew where nothing has changed, and little where little has', () => {
  const live = opened();
  const drawing = new LiveDrawing(live);
  const first = drawing.update();
  expect(first.changed).toEqual([{ x: 0, y: 0, width: 800, height: 600 }]);
  const second = drawing.update();
  expect(second.changed).toEqual([]);
  expect(second.version).toBe(first.version);
  expect(drawing.update()).toBe(second);
  const before = [...second.operations];
  live.setStates('go', ['hover']);
  const third = drawing.update();
  expect(third.version).not.toBe(second.version);
  expect(third.operations.length).toBe(before.length);
  const others = third.operations.filter((one, at) => one !== before[at]);
  expect(others.map((one) => 'widget' in one && live.widgets[one.widget]!.id)).toEqual(['go', 'go']);
  // Its box, and the soft edge of a pixel around it.
  const at = live.read('go', { x: 0, y: 0, width: 0, height: 0 });
  expect(third.changed).toHaveLength(1);
  expect(third.changed[0]!.width).toBeLessThan(at.width + 4);
  expect(third.changed[0]!.height).toBeLessThan(at.height + 4);
});

test('a container that draws nothing itself has what is in it painted again when it fades or turns', () => {
  const source = {
    pimbot: 1 as const,
    reference: { scaling: 'none' as const },
    cases: { only: { fade: 1, turn: 0, shown: true } },
    views: {
      test: {
        children: [
          {
            id: 'shelf',
            offset: '40 30',
            rotate: '{turn}',
            visible: '{shown}',
            look: { opacity: '{fade}', transition: 'visible 100ms' },
            children: [{ id: 'one', size: 40, look: { background: '#ffffff' } }],
          },
        ],
      },
    },
  };
  const { document: bare } = readDocument(source as never);
  const live = new LiveView(openView(bare!, 'test', { resources }), { width: 120, height: 100 });
  const drawing = new LiveDrawing(live);
  const canvas = createCanvas(120, 100);
  const kept = cache();
  const repaint = () => {
    const drawn = drawing.update();
    repaintOnCanvas(drawn, canvas.getContext('2d'), kept);
    const whole = createCanvas(120, 100);
    paintOnCanvas(drawLayout(live.snapshot()), whole.getContext('2d'), cache());
    expect(apart(canvas, whole)).toBeLessThanOrEqual(1);
    return drawn.changed.length;
  };
  repaint();
  const changes = [
    () => live.set({ fade: 0.5 }),
    () => live.set({ fade: 0.4 }),
    () => live.set({ turn: 30 }),
    () => live.set({ turn: 40 }),
    () => live.set({ fade: 1 }),
    () => live.set({ turn: 0 }),
    () => live.set({ shown: false }) && live.advance(30),
    () => live.advance(30),
    () => live.advance(60),
  ];
  for (const change of changes) {
    change();
    expect(repaint()).toBeGreaterThan(0);
  }
});
