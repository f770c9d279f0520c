import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import {
  drawLayout,
  LiveDrawing,
  LiveView,
  makeScreen,
  paintOnCanvas,
  screens,
  type ViewLayout,
  type WidgetSource,
} from 'pimbot';
import { checkDocument, suggestFor } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { expectAlike } from '../support/drawn.ts';
import { documentOf, fonts, numbers, opened, rightDocument } from '../support/views.ts';

/* What stands on the edge of the safe area is drawn on to that of the screen. */

const red = '#ff0000';

const isRed = (on: ViewLayout): ((x: number, y: number) => boolean) => {
  const { width, height } = on.screen;
  const context = createCanvas(width, height).getContext('2d');
  paintOnCanvas(drawLayout(on, { backdrop: null }), context);
  const { data } = context.getImageData(0, 0, width, height);
  return (x, y) => data[4 * (Math.floor(y) * width + Math.floor(x))] === 255;
};

describe('area: bleed', () => {
  test('reaches the edges of the surface on those sides on which its box stands on the safe area, and no others', () => {
    const next = random(seedOf(20261129));
    const whole = (least: number, most: number) => Math.round(least + next() * (most - least));
    const one = <Value>(...values: Value[]) => values[whole(0, values.length - 1)]!;
    let [reached, short] = [0, 0];
    for (let nth = 0; nth < rounds(60, 2000); nth++) {
      const safe = { top: whole(0, 20), right: whole(0, 20), bottom: whole(0, 20), left: whole(0, 20) };
      const screen = makeScreen({ width: whole(150, 240), height: whole(120, 240), safe });
      const anchor = one(
        'left top',
        'right bottom',
        'center',
        'left..right top',
        'left..right bottom',
        'right top..bottom',
      );
      const across = anchor.startsWith('left..');
      const bar: WidgetSource = {
        id: 'bar',
        area: 'bleed',
        anchor,
        look: { background: red },
        ...(anchor.includes('..')
          ? { [across ? 'height' : 'width']: 30 }
          : { size: [one('40', '50%', '100%'), one('40', '50%', '100%')], offset: one(0, 0, 3) }),
      };
      const bars = one(undefined, { size: '200x200', scaling: 'contain', spare: 'bars' } as const);
      const children = one([bar], [{ anchor: 'left..right top..bottom', children: [bar] }]);
      const on = opened(documentOf(children, bars && { reference: bars })).layoutOn(screen);
      const { x, y, width, height } = on.rect('bar');
      const surface = on.rect('test');
      const seen = isRed(on);
      // What a bar beside the surface takes is not taken again.
      const left = Math.max(surface.x, safe.left);
      const top = Math.max(surface.y, safe.top);
      const right = Math.min(surface.x + surface.width, screen.width - safe.right);
      const bottom = Math.min(surface.y + surface.height, screen.height - safe.bottom);
      const [far, low] = [surface.x + surface.width, surface.y + surface.height];
      const middle = [x + width / 2, y + height / 2] as const;
      for (const [stands, edge, place] of [
        [x <= left + 0.5, left - surface.x, [surface.x + 0.6, middle[1]]],
        [y <= top + 0.5, top - surface.y, [middle[0], surface.y + 0.6]],
        [x + width >= right - 0.5, far - right, [far - 1.1, middle[1]]],
        [y + height >= bottom - 0.5, low - bottom, [middle[0], low - 1.1]],
      ] as const) {
        // Where less than two px are taken, there is no place to look at.
        if (edge < 2) continue;
        expect({ nth, place, red: seen(...place) }).toEqual({ nth, place, red: stands });
        if (stands) reached++;
        else short++;
      }
    }
    expect(reached).toBeGreaterThan(40);
    expect(short).toBeGreaterThan(40);
  });

  const bar: WidgetSource = {
    id: 'bar',
    arrange: 'row',
    padding: 8,
    look: { background: red, radius: 6 },
    children: [{ id: 'depth', kind: 'text', text: '412 m' }],
  };
  const notched = makeScreen({ width: 400, height: 700, safe: { top: 59, right: 0, bottom: 34, left: 0 } });

  test('moves nothing: it and what is in it are laid out in the safe area, in a column too', () => {
    const [bleeds, safe] = [{ area: 'bleed' } as const, {}].map((area) => {
      const children: WidgetSource[] = [
        { ...bar, ...area, width: 'fill' },
        { width: 'fill', height: 'fill' },
      ];
      const column = { anchor: 'left..right top..bottom', arrange: 'column', children } as const;
      return opened(documentOf([column])).layoutOn(notched);
    });
    for (const id of ['bar', 'depth']) expect(numbers(bleeds!, id)).toEqual(numbers(safe!, id));
    expect(isRed(bleeds!)(200, 1)).toBe(true);
    expect(isRed(safe!)(200, 1)).toBe(false);
  });

  test('a kept drawing follows: off the edge, on a screen with a notch, and back', () => {
    const view = opened(
      documentOf([{ ...bar, area: 'bleed', anchor: 'center top', offset: ['0', '{down}'] }], {
        cases: { c: { down: 0 } },
      }),
    );
    const live = new LiveView(view, notched);
    const drawing = new LiveDrawing(live);
    const bare = makeScreen({ width: 400, height: 700 });
    for (const change of [
      () => live.set({ down: 12 }),
      () => live.set({ down: 0 }),
      () => live.resize(bare),
      () => live.set({ down: 3 }),
      () => live.resize(notched),
      () => live.set({ down: 0 }),
    ]) {
      change();
      live.advance(16);
      expectAlike(drawing.update(), new LiveDrawing(live).update());
    }
  });

  test('what sticks out with a bar that lies on the full surface is mended by it', () => {
    const text = `pimbot: 1
views:
  v:
    backdrop: "#04202a"
    children:
      - { id: bar, area: full, anchor: left..right top, height: 88, arrange: row, align: center, padding: 0 24, look: { background: "#0b1e24" }, children: [{ id: depth, kind: text, text: 412 m }] }
`;
    const document = rightDocument(text);
    const options = { resources: { fonts }, screens: screens.filter(({ name }) => name.startsWith('phone')) };
    const verdict = checkDocument(document, options);
    const found = verdict.findings.find(({ check }) => check === 'outside-safe-area');
    const suggestion = suggestFor(document, found!, verdict, options);
    expect(suggestion!.say).toBe('bar: area: bleed');
    expect(suggestion!.findings.filter(({ check }) => check === 'outside-safe-area')).toEqual([]);
  });
});
