import { createCanvas, loadImage } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import {
  CanvasCache,
  drawLayout,
  makeScreen,
  paintOnCanvas,
  readDocument,
  toSvg,
  type WidgetSource,
} from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { documentOf, fonts, laidOut } from '../support/views.ts';

const size = { width: 120, height: 80 };
const box = (id: string, x: number, background: string, more: WidgetSource = {}): WidgetSource => ({
  id,
  anchor: 'left top',
  offset: [x, 10],
  size: 60,
  look: { background },
  ...more,
});

/** The colours at a point as the canvas and as the SVG have it. */
async function colorsAt(children: readonly WidgetSource[], points: readonly (readonly [number, number])[]) {
  const list = drawLayout(laidOut(children, size), {
    backdrop: { type: 'color', name: 'red', color: { r: 1, g: 0, b: 0, a: 1 } },
  });
  const canvas = createCanvas(size.width, size.height);
  paintOnCanvas(list, canvas.getContext('2d'), new CanvasCache(createCanvas));
  const drawn = createCanvas(size.width, size.height);
  drawn.getContext('2d').drawImage(await loadImage(Buffer.from(toSvg(list))), 0, 0);
  return [canvas, drawn].map((one) =>
    points.map(([x, y]) => [...one.getContext('2d').getImageData(x, y, 1, 1).data].slice(0, 3)),
  );
}

describe('an opacity is that of a group', () => {
  const half = { background: '#ffffff', opacity: 0.5 };

  test('a black child of a white panel at a half over red is dark red, with nothing of the panel in it', async () => {
    const panel: WidgetSource = {
      id: 'p',
      anchor: 'left top',
      size: [120, 80],
      look: half,
      children: [box('c', 30, '#000000')],
    };
    for (const colors of await colorsAt(
      [panel],
      [
        [60, 40],
        [5, 5],
      ],
    )) {
      expect(colors[0]!.map((part) => Math.abs(part - 128) < 3 || part < 3)).toEqual([true, true, true]);
      expect(colors[0]![0]! > 100 && colors[0]![1]! < 3).toBe(true);
      expect(colors[1]!.map((part) => (part > 250 ? 255 : part > 120 && part < 135 ? 128 : part))).toEqual([
        255, 128, 128,
      ]);
    }
  });

  test('two children that lie on each other do not shine through each other, nor a fill through its border', async () => {
    const panel: WidgetSource = {
      id: 'p',
      anchor: 'left top',
      size: [120, 80],
      look: { opacity: 0.5 },
      children: [box('a', 10, '#0000ff'), box('b', 40, '#00ff00')],
    };
    const faded = box('f', 40, '#00ff00', {
      look: { background: '#00ff00', border: '10 #0000ff', opacity: 0.5 },
    });
    for (const [color] of await colorsAt([panel], [[55, 40]])) expect(near(color!, [128, 128, 0])).toBe(true);
    for (const [color] of await colorsAt([faded], [[44, 40]])) expect(near(color!, [128, 0, 128])).toBe(true);
  });

  test('groups in groups multiply', async () => {
    const inner: WidgetSource = {
      anchor: 'left top',
      size: [120, 80],
      look: { opacity: 0.5 },
      children: [box('c', 30, '#000000')],
    };
    const outer: WidgetSource = {
      anchor: 'left top',
      size: [120, 80],
      look: { opacity: 0.5 },
      children: [inner],
    };
    for (const [color] of await colorsAt([outer], [[60, 40]])) expect(near(color!, [191, 0, 0])).toBe(true);
  });

  test('contrast is that of what is seen: faded words lose to what is behind their panel, not to the panel', () => {
    const text: WidgetSource = {
      id: 't',
      kind: 'text',
      text: 'Depth',
      anchor: 'center',
      look: { 'font-size': 60, 'color': '#000000' },
    };
    const panel: WidgetSource = {
      id: 'p',
      anchor: 'center',
      size: [300, 120],
      look: { background: '#ffffff', opacity: 0.5 },
      children: [text],
    };
    const { document } = readDocument(documentOf([panel], {}, { backdrop: '#ffffff' }));
    const { findings } = checkDocument(document!, { resources: { fonts }, screens: [screen] });
    // Half of black over white is #808080 on white: 3.95:1, enough for large words; sunk into the panel it would be the same.
    expect(findings.filter(({ check }) => check === 'low-contrast')).toEqual([]);
    const dark = readDocument(documentOf([panel], {}, { backdrop: '#000000' })).document!;
    const [worst] = checkDocument(dark, { resources: { fonts }, screens: [screen] }).findings.filter(
      ({ check }) => check === 'low-contrast',
    );
    // Over black the letters are black, and half of white is #808080: 5.3:1 passes as well.
    expect(worst).toBeUndefined();
    const grey = readDocument(
      documentOf([{ ...panel, look: { background: '#ffffff', opacity: 0.2 } }], {}, { backdrop: '#000000' }),
    ).document!;
    const [faint] = checkDocument(grey, { resources: { fonts }, screens: [screen] }).findings.filter(
      ({ check }) => check === 'low-contrast',
    );
    // A fifth of white over black is #333333 under black letters: (0.033 + 0.05) / 0.05.
    expect(faint!.worst.measured).toBeCloseTo(1.66, 1);
  });
});

const screen = makeScreen({ name: 'desk', width: 800, height: 600 });

function near(color: readonly number[], wanted: readonly number[]): boolean {
  return color.every((part, nth) => Math.abs(part - wanted[nth]!) < 4);
}
