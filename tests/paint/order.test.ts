import { createCanvas, loadImage } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import { drawLayout, toSvg } from 'pimbot';
import type { ViewSource, WidgetSource } from 'pimbot';
import { toPng } from 'pimbot/node';
import { documentOf, opened } from '../support/views.ts';

const screen = { width: 200, height: 150 };

/** Colours of points of a view, from its PNG and from its SVG drawn by another renderer of the same canvas. */
async function drawn(
  children: readonly WidgetSource[],
  view: Partial<ViewSource> = {},
): Promise<((x: number, y: number) => string)[]> {
  const list = drawLayout(
    opened(documentOf(children, {}, { backdrop: '#000000', ...view })).layoutOn(screen),
  );
  const files = [Buffer.from(toPng(list)), Buffer.from(toSvg(list))];
  const images = await Promise.all(files.map((file) => loadImage(file)));
  return images.map((image) => {
    const context = createCanvas(screen.width, screen.height).getContext('2d');
    context.drawImage(image, 0, 0);
    return (x, y) => {
      const [r, g, b] = context.getImageData(x, y, 1, 1).data;
      return `${r} ${g} ${b}`;
    };
  });
}

const red = { background: '#ff0000' };
const green = { background: '#00ff00' };
const blue = { background: '#0000ff' };

describe('the order of drawing (docs/layout-model.md 3.7)', () => {
  test('by z among siblings, then as they stand; children with their parent', async () => {
    for (const at of await drawn([
      { size: 60, look: red, z: 1, children: [{ size: 20, look: blue }] },
      { size: 60, offset: '40 0', look: green },
      { size: 60, offset: '80 0', look: blue, z: -1 },
    ])) {
      expect(at(10, 10)).toBe('0 0 255');
      expect(at(50, 30)).toBe('255 0 0');
      expect(at(90, 30)).toBe('0 255 0');
      expect(at(120, 30)).toBe('0 0 255');
    }
  });

  test('a widget is turned about its pivot, with all that is in it', async () => {
    for (const at of await drawn([
      {
        anchor: 'center',
        size: '100 10',
        rotate: 90,
        look: red,
        children: [{ anchor: 'right center', size: '20 10', look: green }],
      },
    ])) {
      expect(at(100, 75)).toBe('255 0 0');
      expect(at(100, 30)).toBe('255 0 0');
      expect(at(100, 120)).toBe('0 255 0');
      expect(at(60, 75)).toBe('0 0 0');
    }
  });

  test('skew leans a widget over', async () => {
    for (const at of await drawn([{ anchor: 'center bottom', size: '40 100', skew: -45, look: red }])) {
      expect(at(100, 140)).toBe('255 0 0');
      expect(at(170, 60)).toBe('255 0 0');
      expect(at(90, 60)).toBe('0 0 0');
    }
  });

  test('a viewport cuts off what is scrolled out of it, and a clip ends with its widget', async () => {
    for (const at of await drawn([
      {
        'size': '100 50',
        'scroll': 'y',
        'scroll-offset': '0 30',
        'arrange': 'column',
        'children': [
          { height: 60, look: red },
          { height: 60, look: green },
        ],
      },
      { offset: '0 60', size: 10, look: blue },
    ])) {
      expect(at(50, 10)).toBe('255 0 0');
      expect(at(50, 40)).toBe('0 255 0');
      expect(at(50, 58)).toBe('0 0 0');
      expect(at(5, 65)).toBe('0 0 255');
    }
  });

  test('of pages one is drawn, and what is invisible is not', async () => {
    for (const at of await drawn([
      {
        arrange: 'pages',
        page: 'b',
        children: [
          { id: 'a', size: 50, look: red },
          { id: 'b', size: 50, look: green },
        ],
      },
      { offset: '100 0', size: 50, look: red, visible: false, children: [{ size: 50, look: blue }] },
    ])) {
      expect(at(25, 25)).toBe('0 255 0');
      expect(at(125, 25)).toBe('0 0 0');
    }
  });

  test('texts start from the right where the writing does', async () => {
    const text: WidgetSource = {
      kind: 'text',
      text: 'I',
      width: 200,
      look: { 'color': '#ffffff', 'font-size': 60, 'font-weight': 700 },
    };
    const inked = async (direction: 'ltr' | 'rtl') => {
      const [at] = await drawn([text], { direction });
      return Array.from({ length: 200 }, (_, x) => x).filter((x) => at!(x, 40) === '255 255 255');
    };
    expect(Math.max(...(await inked('ltr')))).toBeLessThan(30);
    expect(Math.min(...(await inked('rtl')))).toBeGreaterThan(170);
  });
});
