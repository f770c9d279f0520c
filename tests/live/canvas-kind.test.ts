import { createCanvas } from '@napi-rs/canvas';
import { expect, test } from '@jest/globals';
import { CanvasCache, LiveDrawing, LiveView, paintOnCanvas, repaintOnCanvas, toSvg } from 'pimbot';
import { documentOf, opened } from '../support/views.ts';

const source = documentOf([
  {
    id: 'scope',
    kind: 'canvas',
    size: [60, 60],
    offset: '20 20',
    look: { radius: 30, background: '#000080' },
  },
  { id: 'lid', size: [30, 100], look: { background: '#ff0000' } },
]);

test('the game draws in its widget: in its place in the order, within its corners, and again when it asks', () => {
  const live = new LiveView(opened(source), { width: 100, height: 100 });
  const drawing = new LiveDrawing(live);
  const canvas = createCanvas(100, 100);
  const context = canvas.getContext('2d');
  let color = '#00ff00';
  const asked: string[] = [];
  const game = (id: string, on: unknown, rect: { x: number; y: number; width: number; height: number }) => {
    asked.push(id);
    const own = on as typeof context;
    own.fillStyle = color;
    own.fillRect(rect.x - 50, rect.y - 50, 500, 500);
  };
  const pixel = (x: number, y: number) => [...context.getImageData(x, y, 1, 1).data].slice(0, 3);
  const cache = new CanvasCache(createCanvas);
  repaintOnCanvas(drawing.update(), context, cache, game);
  expect([pixel(50, 50), pixel(25, 50), pixel(78, 22), pixel(90, 50)]).toEqual([
    [0, 255, 0],
    [255, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ]);
  expect(asked).toEqual(['scope']);
  repaintOnCanvas(drawing.update(), context, cache, game);
  expect(asked).toEqual(['scope']);
  color = '#ffffff';
  live.touch('scope');
  const next = drawing.update();
  expect(next.changed[0]!.width).toBeLessThan(70);
  repaintOnCanvas(next, context, cache, game);
  expect([pixel(50, 50), pixel(25, 50)]).toEqual([
    [255, 255, 255],
    [255, 0, 0],
  ]);
  // Without a game, and in a file, its own look is drawn.
  paintOnCanvas(next, context, cache);
  expect(pixel(50, 50)).toEqual([0, 0, 128]);
  expect(toSvg(next)).toContain('#000080');
});
