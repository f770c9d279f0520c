import { Path2D, createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import {
  CanvasCache,
  LiveDrawing,
  drawLayout,
  paintOnCanvas,
  readDocument,
  repaintOnCanvas,
  type CanvasContext,
} from 'pimbot';
import { apart } from '../support/apart.ts';
import { Chance, rightDocuments, valuesOfAny } from '../support/any-document.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { atFirst, doSomething, openedAnew, orRefused } from './any-game.ts';

const newCache = () => new CanvasCache(createCanvas, () => new Path2D());

test('of any document, painting what has changed gives the pixels of painting all of it, also on its way', () => {
  let frames = 0;
  const [kept, whole] = [createCanvas(8, 8), createCanvas(8, 8)];
  const on = (canvas: typeof kept) => canvas.getContext('2d') as unknown as CanvasContext;
  const other = newCache();
  for (const { seed, document } of rightDocuments(seedOf(31), rounds(10, 2000), readDocument)) {
    const by = new Chance(seed + 3);
    const shown = atFirst();
    const live = openedAnew(document, shown, {});
    if (typeof live === 'string') continue;
    const drawing = new LiveDrawing(live);
    const cache = newCache();
    Object.assign(kept, shown.screen);
    repaintOnCanvas(drawing.update(), on(kept), cache);
    for (let step = 0; step < 6; step++) {
      const { screen } = shown;
      if (by.is(0.5)) doSomething(live, by, shown);
      const name = by.pick(Object.keys(valuesOfAny));
      const value = by.pick(valuesOfAny[name]!);
      orRefused(() => live.set({ [name]: value } as Parameters<typeof live.set>[0]));
      live.advance(by.pick([0, 16, 50, 120, 1000]));
      const now = drawing.update();
      // As everywhere, a canvas that gets another size is blank.
      if (shown.screen !== screen) Object.assign(kept, { width: now.width, height: now.height });
      repaintOnCanvas(now, on(kept), cache);
      Object.assign(whole, { width: now.width, height: now.height });
      paintOnCanvas(drawLayout(live.snapshot()), on(whole), other);
      frames++;
      const most = kept.data().equals(whole.data()) ? 0 : apart(kept, whole);
      // A clip that is turned, or round at its corners, is softened otherwise by the rasteriser where it is given part of it.
      const isSoftlyCut = now.operations.some(
        (one) => one.type === 'turn' || (one.type === 'clip' && one.radius.topLeft > 0),
      );
      expect([seed, step, most <= (isSoftlyCut ? 64 : 1)]).toEqual([seed, step, true]);
    }
  }
  expect(frames).toBeGreaterThan(10);
});
