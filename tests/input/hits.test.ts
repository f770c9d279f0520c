import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Hits, LiveView, drawLayout, paintOnCanvas, readPicture, type WidgetSource } from 'pimbot';
import { rounds, seedOf } from '../support/deep.ts';
import { Player } from '../support/player.ts';
import { documentOf, opened } from '../support/views.ts';

const [wide, high] = [200, 160];
/** Of a pixel, a little inside. */
const corners = [
  [0.05, 0.05],
  [0.95, 0.05],
  [0.05, 0.95],
  [0.95, 0.95],
] as const;

/** Boxes of one colour each in boxes, turned, cut off, with round corners and an order of their own. */
const box: fc.Memo<WidgetSource> = fc.memo((depth) =>
  fc
    .record({
      x: fc.integer({ min: -20, max: 120 }),
      y: fc.integer({ min: -20, max: 100 }),
      width: fc.integer({ min: 1, max: 120 }),
      height: fc.integer({ min: 1, max: 90 }),
      z: fc.constantFrom(0, 0, 0, 1, -1),
      rotate: fc.constantFrom(0, 0, 0, 0, 30, 90),
      skew: fc.constantFrom(0, 0, 0, 20),
      scale: fc.constantFrom(1, 1, 1, 0.6, 1.5),
      radius: fc.constantFrom(0, 0, 10, 60),
      clip: fc.boolean(),
      visible: fc.constantFrom(true, true, true, false),
      through: fc.constantFrom(undefined, undefined, undefined, 'none' as const, 'auto' as const),
      children: depth > 1 ? fc.array(box(depth - 1), { maxLength: 3 }) : fc.constant([]),
    })
    .map(({ x, y, width, height, z, rotate, skew, scale, radius, clip, visible, through, children }) => ({
      offset: [x, y],
      size: [width, height],
      z,
      ...(rotate > 0 && { rotate }),
      ...(skew > 0 && { skew }),
      ...(clip && { overflow: 'clip' as const }),
      ...(!visible && { visible }),
      ...(through && { 'pointer-events': through }),
      look: { radius, scale },
      children,
    })),
);

/** The colour of a widget: an edge between two, mixed from theirs, has none of another one. */
const colorOf = (index: number) => [101, 37, 211].map((factor) => (index * factor) % 256);

/** Who has which colour; none have those that let input through: they are not to be found. */
function colored(live: LiveView): Map<string, string> {
  const colors = new Map<string, string>();
  live.widgets.forEach(({ id, index }) => {
    if (index > 0) colors.set(colorOf(index).join(), id);
  });
  return colors;
}

function withColors(children: readonly WidgetSource[]): WidgetSource[] {
  let index = 0;
  const give = (one: WidgetSource, through: boolean): WidgetSource => {
    index++;
    const own = one['pointer-events'] === undefined ? through : one['pointer-events'] === 'none';
    const background = `rgb(${colorOf(index).join(' ')})`;
    const look = own ? one.look : { ...one.look, background };
    return { ...one, look, children: (one.children ?? []).map((child) => give(child, own)) };
  };
  return children.map((one) => give(one, false));
}

describe('what lies under a point', () => {
  test('is the topmost widget that is painted there, on pixels', () => {
    let found = 0;
    fc.assert(
      fc.property(fc.array(box(3), { minLength: 1, maxLength: 5 }), (children) => {
        const live = new LiveView(opened(documentOf(withColors(children))), { width: wide, height: high });
        const canvas = createCanvas(wide, high);
        paintOnCanvas(drawLayout(live.snapshot()), canvas.getContext('2d'));
        const { data } = canvas.getContext('2d').getImageData(0, 0, wide, high);
        const colors = colored(live);
        const hits = new Hits(live);
        for (let y = 1; y < high; y += 7) {
          for (let x = 1; x < wide; x += 7) {
            const at = 4 * (y * wide + x);
            const id = colors.get([...data.slice(at, at + 3)].join());
            const isEmpty = data[at + 3] === 0;
            // Edges between pixels are mixed from several colours: who has them cannot be told.
            if ((id === undefined && !isEmpty) || data[at + 3]! % 255 !== 0) continue;
            const hit = hits.at(x + 0.5, y + 0.5)?.widget;
            // A rasteriser may leave out a sharp corner that is less than a pixel.
            if (corners.some(([right, down]) => hits.at(x + right, y + down)?.widget !== hit)) continue;
            expect([x, y, hit]).toEqual([x, y, id]);
            if (id !== undefined) found++;
          }
        }
      }),
      { numRuns: rounds(60, 2000), seed: seedOf(14) },
    );
    expect(found).toBeGreaterThan(1000);
  });

  test('is in a control or not, follows changes, and is the dialog where one is open', () => {
    const live = new LiveView(
      opened(
        documentOf(
          [
            {
              id: 'go',
              kind: 'button',
              size: 40,
              children: [{ id: 'icon', size: 20, look: { background: '#fff' } }],
            },
            { id: 'off', kind: 'button', size: 40, offset: '60 0', states: 'disabled' },
            { id: 'plate', size: 40, offset: '0 60', gone: '{away}' },
            {
              id: 'sure',
              kind: 'dialog',
              size: 30,
              visible: '{asks}',
              children: [{ id: 'yes', kind: 'button', size: 10 }],
            },
          ].map((one) => one as never),
          { cases: { only: { away: false, asks: false } } },
        ),
      ),
      { width: wide, height: high },
    );
    const hits = new Hits(live);
    expect(hits.at(5, 5)).toEqual({ widget: 'icon', control: 'go', isDisabled: false });
    expect(hits.at(30, 30)).toEqual({ widget: 'go', control: 'go', isDisabled: false });
    expect(hits.at(70, 5)).toEqual({ widget: 'off', control: 'off', isDisabled: true });
    expect(hits.at(5, 70)).toEqual({ widget: 'plate', control: undefined, isDisabled: false });
    expect(hits.at(150, 150)).toBeUndefined();
    live.set({ away: true });
    expect(hits.at(5, 70)).toBeUndefined();
    live.set({ asks: true });
    expect(hits.at(5, 5)).toEqual({ widget: 'sure', control: undefined, isDisabled: false });
    expect(hits.at(wide / 2 - 12, high / 2 - 12)).toMatchObject({ control: 'yes' });
  });

  test('of an ellipse its corners are not it; of a picture what is not opaque, in slices and turned round, too', () => {
    const side = 40;
    const context = createCanvas(side, side).getContext('2d');
    // A wedge: the left top half.
    context.fillStyle = '#fff';
    context.beginPath();
    context.moveTo(0, 0);
    context.lineTo(side, 0);
    context.lineTo(0, side);
    context.fill();
    const { data } = context.getImageData(0, 0, side, side);
    const sample = { width: side, height: side, data: new Uint8ClampedArray(data) };
    const bytes = context.canvas.toBuffer('image/png');
    const wedge = { ...readPicture('wedge', bytes), sample };
    const button = (id: string, x: number, more: WidgetSource): WidgetSource => ({
      id,
      kind: 'button',
      offset: [x, 0],
      size: [80, 60],
      ...more,
    });
    const image = { image: 'wedge', fit: 'fill' } as const;
    const children = [
      button('round', 0, { 'hit-area': 'ellipse' }),
      button('wedge', 100, { 'hit-area': 'picture', ...image }),
      button('turned', 200, { 'hit-area': 'picture 0.2', 'flip': 'x', ...image }),
      button('sliced', 300, { 'hit-area': 'picture', 'slice': 20, ...image }),
    ];
    const view = opened(documentOf(children, { pictures: { wedge: 'wedge.png' } }), {
      pictures: new Map([['wedge', wedge]]),
    });
    const hits = new Hits(new LiveView(view, { width: 400, height: 100 }));
    const at = (x: number, y: number) => hits.at(x, y)?.control;
    expect([at(4, 4), at(40, 2), at(76, 56), at(40, 30)]).toEqual([undefined, 'round', undefined, 'round']);
    expect([at(105, 5), at(175, 55), at(135, 20)]).toEqual(['wedge', undefined, 'wedge']);
    expect([at(275, 5), at(205, 55), at(215, 5)]).toEqual(['turned', undefined, 'turned']);
    // The corner on the right top is half of a wedge; what is in the middle follows the middle.
    expect([at(362, 2), at(378, 18), at(310, 10), at(370, 50)]).toEqual([
      'sliced',
      undefined,
      'sliced',
      undefined,
    ]);
  });

  test('a finger finds the nearest control beside it, but none that something else lies over', () => {
    const live = new LiveView(
      opened(
        documentOf([
          { id: 'go', kind: 'button', size: 20, offset: '50 50' },
          { id: 'stay', kind: 'button', size: 20, offset: '90 50' },
          { id: 'plate', size: [30, 60], offset: '85 40', look: { background: '#fff' } },
        ]),
      ),
      { width: wide, height: high },
    );
    const hits = new Hits(live);
    expect(hits.near(48, 60, 10)?.control).toBe('go');
    expect(hits.near(30, 60, 10)).toBeUndefined();
    expect(hits.near(80, 60, 12)?.control).toBe('go');
    expect(hits.near(86, 60, 10)).toMatchObject({ widget: 'plate', control: undefined });
    expect(hits.near(60, 60, 10)?.control).toBe('go');
  });
});

test('round corners that a state gives do not answer while it lasts', () => {
  const one = new Player(
    documentOf([{ id: 'go', kind: 'button', size: 80, style: 'round' }], {
      styles: { round: { states: { hover: { radius: 40 } } } },
    }),
  );
  expect(one.input.at(2, 2)?.control).toBe('go');
  one.move(40, 40);
  expect([one.input.at(2, 2)?.control, one.input.at(40, 40)?.control]).toEqual([undefined, 'go']);
  one.move(300, 300);
  expect(one.input.at(2, 2)?.control).toBe('go');
});
