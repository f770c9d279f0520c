import { describe, expect, test } from '@jest/globals';
import { drawLayout, type WidgetSource } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf, laidOut, numbers } from '../support/views.ts';

/* Sliders filled from each side, in both directions of writing: how they are drawn, pressed and moved by keys. */

const screen = { width: 800, height: 600 };
const colors = { track: '#112233', filled: '#ff8800', handle: '#ffffff' };

type Side = 'left' | 'right' | 'top' | 'bottom';

function slider(side: Side | undefined, value: number | string, direction: 'ltr' | 'rtl'): WidgetSource {
  const isUpright = side === 'top' || side === 'bottom';
  return {
    id: 'loud',
    kind: 'slider',
    label: 'Music',
    anchor: 'center',
    direction,
    value,
    step: 0.1,
    size: isUpright ? [30, 220] : [220, 30],
    ...(side && { 'fill-from': side }),
    look: { 'background': colors.track, 'color': colors.filled, 'handle-color': colors.handle },
  };
}

/** The boxes of its parts as they are drawn. */
function drawn(widget: WidgetSource) {
  const { operations } = drawLayout(laidOut([widget], screen));
  const boxOf = (color: string) => {
    const [r, g, b] = [1, 3, 5].map((at) => parseInt(color.slice(at, at + 2), 16) / 255);
    const found = operations.find(
      (one) =>
        one.type === 'box' &&
        one.fill?.type === 'color' &&
        Math.abs(one.fill.color.r - r!) + Math.abs(one.fill.color.g - g!) + Math.abs(one.fill.color.b - b!) <
          1e-6,
    );
    return found?.type === 'box' ? found.rect : undefined;
  };
  return { track: boxOf(colors.track)!, filled: boxOf(colors.filled)!, handle: boxOf(colors.handle)! };
}

const sides = ['left', 'right', 'top', 'bottom', undefined] as const;
const all = sides.flatMap((side) => (['ltr', 'rtl'] as const).map((direction) => [side, direction] as const));

describe.each(all)('filled from %s, %s', (side, direction) => {
  const from = side ?? (direction === 'ltr' ? 'left' : 'right');
  const axis = from === 'top' || from === 'bottom' ? 'y' : 'x';
  const size = axis === 'x' ? 'width' : 'height';
  const isFromEnd = from === 'right' || from === 'bottom';

  test('the track is filled from there to the middle of the handle', () => {
    const { track, filled, handle } = drawn(slider(side, 0.3, direction));
    const middle = handle[axis] + handle[size] / 2;
    const start = isFromEnd ? filled[axis] + filled[size] : filled[axis];
    expect(start).toBe(isFromEnd ? track[axis] + track[size] : track[axis]);
    expect(isFromEnd ? filled[axis] : filled[axis] + filled[size]).toBeCloseTo(middle, 6);
    const share = (middle - handle[size] / 2 - track[axis]) / (track[size] - handle[size]);
    expect(isFromEnd ? 1 - share : share).toBeCloseTo(0.3, 6);
  });

  const playing = () =>
    new Player(documentOf([slider(side, '{loud}', direction)], { cases: { only: { loud: 0.5 } } }), screen);

  test('pressed and dragged, the handle is under the pointer', () => {
    const one = playing();
    const { handle, track } = drawn(slider(side, 0.5, direction));
    const across = axis === 'x' ? handle.y + handle.height / 2 : handle.x + handle.width / 2;
    const place = (value: number) => {
      const room = track[size] - handle[size];
      const along = track[axis] + handle[size] / 2 + room * (isFromEnd ? 1 - value : value);
      return axis === 'x' ? ([along, across] as const) : ([across, along] as const);
    };
    one.down(...place(0.2));
    expect(one.live.values.get('loud')).toBe(0.2);
    one.move(...place(0.9)).up(...place(0.9));
    expect(one.live.values.get('loud')).toBe(0.9);
  });

  test('an arrow moves the handle its way, Home and Page Down are always less', () => {
    const one = playing().keys('Tab');
    const value = () => one.live.values.get('loud') as number;
    const [back, on] =
      axis === 'x' ? (['ArrowLeft', 'ArrowRight'] as const) : (['ArrowUp', 'ArrowDown'] as const);
    one.keys(on);
    expect(value()).toBe(isFromEnd ? 0.4 : 0.6);
    one.keys(back, back);
    expect(value()).toBe(isFromEnd ? 0.6 : 0.4);
    one.keys('Home');
    expect(value()).toBe(0);
    one.keys('PageUp');
    expect(value()).toBe(0.4);
    one.keys('End');
    expect(value()).toBe(1);
    // Along the other axis keys leave it alone.
    one.keys(axis === 'x' ? 'ArrowUp' : 'ArrowLeft');
    expect(value()).toBe(1);
  });

  test('a screen reader is told which way it goes', () => {
    const [item] = playing()
      .input.accessible()
      .filter(({ role }) => role === 'slider');
    expect(item!.orientation).toBe(axis === 'y' ? 'vertical' : undefined);
  });
});

test('without a size it is as long as wide, upright as high', () => {
  const on = laidOut([
    { id: 'a', kind: 'slider', label: 'A' },
    { 'id': 'b', 'kind': 'slider', 'label': 'B', 'fill-from': 'bottom' },
  ]);
  expect(numbers(on, 'a').slice(2)).toEqual([160, 24]);
  expect(numbers(on, 'b').slice(2)).toEqual([24, 160]);
});
