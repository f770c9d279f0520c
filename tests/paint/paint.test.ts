import { createCanvas, loadImage } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import { drawLayout, paintOnCanvas, readPicture, toSvg, PictureError, withPaths } from 'pimbot';
import { withOverlay } from 'pimbot/tools';
import type { WidgetSource } from 'pimbot';
import { toPng } from 'pimbot/node';
import { documentOf, fonts, opened } from '../support/views.ts';

const screen = { width: 200, height: 150 };

/** The PNG of a view of these children, as a function from a point to its colour. */
async function pixels(
  children: readonly WidgetSource[],
  backdrop = '#102030',
): Promise<(x: number, y: number) => number[]> {
  const list = drawLayout(opened(documentOf(children, {}, { backdrop })).layoutOn(screen));
  const image = await loadImage(Buffer.from(toPng(list)));
  const context = createCanvas(screen.width, screen.height).getContext('2d');
  context.drawImage(image, 0, 0);
  return (x, y) => [...context.getImageData(x, y, 1, 1).data];
}

describe('drawings', () => {
  test('boxes are where the layout says, in their colours, border inside', async () => {
    const at = await pixels([
      {
        anchor: 'right bottom',
        offset: -10,
        size: '50 40',
        look: { background: '#ff0000', border: '4 #00ff00' },
      },
    ]);
    expect(at(139, 120)).toEqual([16, 32, 48, 255]);
    expect(at(141, 120)).toEqual([0, 255, 0, 255]);
    expect(at(165, 120)).toEqual([255, 0, 0, 255]);
    expect(at(188, 120)).toEqual([0, 255, 0, 255]);
    expect(at(190, 120)).toEqual([16, 32, 48, 255]);
  });

  test('opacity multiplies down the tree, gradients run along their angle', async () => {
    const at = await pixels(
      [
        {
          size: 50,
          look: { opacity: 0.5 },
          children: [{ anchor: 'left..right top..bottom', look: { background: '#ffffff', opacity: 0.5 } }],
        },
        { offset: '100 0', size: '100 10', look: { background: 'linear-gradient(90deg, #000, #fff)' } },
      ],
      '#000',
    );
    expect(at(25, 25)[0]).toBeGreaterThan(60);
    expect(at(25, 25)[0]).toBeLessThan(68);
    expect(at(125, 5)[0]!).toBeLessThan(at(175, 5)[0]!);
  });

  test('a meter is filled from the side it says, and what clips cuts off', async () => {
    const meter = {
      kind: 'meter',
      size: '100 20',
      value: 0.25,
      look: { background: '#000', color: '#fff' },
    } as const;
    const at = await pixels([
      meter,
      { ...meter, 'offset': '0 30', 'fill-from': 'right' },
      { size: 30, offset: '0 70', overflow: 'clip', children: [{ size: 60, look: { background: '#fff' } }] },
    ]);
    expect([at(20, 10)[0], at(30, 10)[0], at(70, 40)[0], at(80, 40)[0]]).toEqual([255, 0, 0, 255]);
    expect([at(29, 99)[0], at(31, 99)[0]]).toEqual([255, 16]);
  });

  test('the ink of a text lies where the checks believe it', () => {
    const on = opened(
      documentOf(
        [{ id: 't', kind: 'text', text: 'Ágjy', offset: 20, look: { 'color': '#fff', 'font-size': 40 } }],
        {},
        { backdrop: '#000' },
      ),
    ).layoutOn(screen);
    const context = createCanvas(screen.width, screen.height).getContext('2d');
    return loadImage(Buffer.from(toPng(drawLayout(on)))).then((image) => {
      context.drawImage(image, 0, 0);
      const { data } = context.getImageData(0, 0, screen.width, screen.height);
      const bounds = { left: Infinity, right: -1, top: Infinity, bottom: -1 };
      for (let at = 0; at < data.length; at += 4) {
        if (data[at]! < 30) continue;
        const x = (at / 4) % screen.width;
        const y = Math.floor(at / 4 / screen.width);
        bounds.left = Math.min(bounds.left, x);
        bounds.right = Math.max(bounds.right, x + 1);
        bounds.top = Math.min(bounds.top, y);
        bounds.bottom = Math.max(bounds.bottom, y + 1);
      }
      const steps = withPaths(drawLayout(on)).operations.flatMap((one) =>
        one.type === 'path' ? one.steps : [],
      );
      const xs = steps.flatMap(({ values }) => values.filter((_, index) => index % 2 === 0));
      const ys = steps.flatMap(({ values }) => values.filter((_, index) => index % 2 === 1));
      expect(Math.abs(bounds.left - Math.min(...xs))).toBeLessThan(1.1);
      expect(Math.abs(bounds.right - Math.max(...xs))).toBeLessThan(1.1);
      expect(Math.abs(bounds.top - Math.min(...ys))).toBeLessThan(1.1);
      expect(Math.abs(bounds.bottom - Math.max(...ys))).toBeLessThan(1.1);
      const rect = on.rect('t');
      expect(bounds.right).toBeLessThanOrEqual(rect.x + rect.width + 1);
    });
  });

  test('bars are drawn beside a view that keeps its reference', () => {
    const view = opened(
      documentOf([], { reference: { size: '100x150', spare: 'bars' } }, { backdrop: '#fff' }),
    );
    const list = drawLayout(view.layoutOn(screen));
    expect(list.operations.filter((one) => one.type === 'box' && one.widget === -1)).toHaveLength(3);
  });

  test('SVG says the same, is well-formed, and takes hostile names as text', async () => {
    const view = opened(
      {
        pimbot: 1,
        reference: { scaling: 'none' },
        views: {
          a: {
            backdrop: '#000',
            children: [
              { kind: 'text', text: "<script>alert('x')</script> & \u0000", look: { color: '#fff' } },
              {
                size: 50,
                offset: '0 60',
                look: { background: 'linear-gradient(#f00, #00f)', radius: 10, border: '2 #fff' },
              },
            ],
          },
        },
      },
      { view: 'a' },
    );
    const on = view.layoutOn({ ...screen, name: '<script>&"' });
    const svg = toSvg(withOverlay(drawLayout(on), on, fonts, { outlines: true, safeArea: true }));
    expect(svg).not.toContain('<script');
    expect(svg).toContain('<title>a on &#60;script&#62;&#38;&#34;</title>');
    const image = await loadImage(Buffer.from(svg));
    expect([image.width, image.height]).toEqual([200, 150]);
  });
});

test('an outline lies round a widget as it is turned and scaled', () => {
  const plate: WidgetSource = { anchor: 'center', size: [80, 20], rotate: 90, look: { scale: 1.5 } };
  const on = opened(documentOf([plate])).layoutOn(screen);
  const context = createCanvas(screen.width, screen.height).getContext('2d');
  const bare = { ...drawLayout(on), operations: [] };
  paintOnCanvas(withOverlay(bare, on, fonts, { outlines: true }), context);
  const { data } = context.getImageData(0, 0, screen.width, screen.height);
  const painted = Array.from({ length: data.length / 4 }, (_, at) => at).filter(
    (at) => data[4 * at + 3]! > 0,
  );
  const xs = painted.map((at) => at % screen.width);
  const ys = painted.map((at) => Math.floor(at / screen.width));
  expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]).toEqual([85, 114, 15, 134]);
});

test('a letter stands in an SVG once for each font and size, and ids start as one says', () => {
  const children: WidgetSource[] = [
    { kind: 'text', text: 'keel keel', look: { 'font-size': 20 } },
    { kind: 'text', text: 'keel', anchor: 'left bottom', look: { 'font-size': 20 } },
    { kind: 'text', text: 'keel', anchor: 'right bottom', look: { 'font-size': 30 } },
  ];
  const svg = toSvg(drawLayout(opened(documentOf(children)).layoutOn(screen)), { ids: 'a-' });
  const ids = [...svg.matchAll(/ id="([^"]*)"/g)].map(([, id]) => id!);
  expect(ids).toHaveLength(2 * new Set('keel').size);
  expect(ids.every((id) => id.startsWith('a-'))).toBe(true);
  const used = [...svg.matchAll(/<use href="#([^"]*)"/g)].map(([, id]) => id!);
  expect(used).toHaveLength(4 * 'keel'.length);
  expect(new Set(used)).toEqual(new Set(ids));
});

describe('picture files', () => {
  const svg = (body: string) =>
    new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg" width="40" height="30">${body}</svg>`);

  test('a picture has its natural size and keeps its aspect', () => {
    const picture = readPicture('p', svg('<rect width="40" height="30"/>'));
    expect(picture).toMatchObject({ mime: 'image/svg+xml', width: 40, height: 30 });
    const document = documentOf(
      [
        { id: 'p', kind: 'image', image: 'p', width: 80 },
        { id: 'q', kind: 'image', image: 'p', offset: '0 100' },
      ],
      { pictures: { p: 'p.svg' } },
    );
    const on = opened(document, { pictures: new Map([['p', picture]]) }).layoutOn({
      width: 500,
      height: 500,
    });
    expect(on.rect('p')).toMatchObject({ width: 80, height: 60 });
    expect(on.rect('q')).toMatchObject({ width: 40, height: 30 });
  });

  test.each<[string, Uint8Array]>([
    ['no picture', new TextEncoder().encode('hello')],
    ['a script', svg('<script>1</script>')],
    ['a handler', svg('<rect onload="x()"/>')],
    ['another file', svg('<image href="https://example.org/a.png"/>')],
    ['an import', svg('<style>@import "a.css"</style>')],
    ['foreign content', svg('<foreignObject/>')],
    [
      'too many pixels',
      new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg" width="90000" height="90000"/>'),
    ],
  ])('%s is refused with a sentence', (_, bytes) => {
    expect(() => readPicture('p', bytes)).toThrow(PictureError);
  });
});
