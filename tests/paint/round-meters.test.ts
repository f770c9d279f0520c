import { createCanvas } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import { drawLayout, paintOnCanvas, readDocument, type WidgetSource } from 'pimbot';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, laidOut, opened, told } from '../support/views.ts';

/* Meters that fill round their middle: each pixel held against where it lies. */

const side = 120;
const colors = { fill: '#ffc000', trail: '#8040ff', track: '#004060', behind: '#102010' };

/** How far a point lies inside of a rectangle with round corners, in px; below 0 outside of it. */
function depthIn(width: number, height: number, radius: number, x: number, y: number): number {
  const across = Math.abs(x) - (width / 2 - radius);
  const down = Math.abs(y) - (height / 2 - radius);
  const out = Math.hypot(Math.max(0, across), Math.max(0, down)) + Math.min(0, Math.max(across, down));
  return radius - out;
}

interface Round {
  readonly width: number;
  readonly height: number;
  readonly radius: number;
  readonly ring: number | undefined;
  readonly value: number;
  readonly trail: number;
  readonly from: 'clockwise' | 'counterclockwise';
}

/** The colour at a place from the middle; undefined within 1.5 px of where it changes. */
function expected({ width, height, radius, ring, value, trail, from }: Round, x: number, y: number) {
  const near = 1.5;
  const depth = depthIn(width, height, radius, x, y);
  if (Math.abs(depth) < near) return undefined;
  if (depth < 0) return colors.behind;
  if (ring !== undefined) {
    const [w, h] = [width - 2 * ring, height - 2 * ring];
    if (w > 0 && h > 0) {
      const inHole = depthIn(w, h, Math.max(0, radius - ring), x, y);
      if (Math.abs(inHole) < near) return undefined;
      if (inHole > 0) return colors.behind;
    }
  }
  const turned = Math.atan2(from === 'clockwise' ? x : -x, -y) / (2 * Math.PI);
  const share = turned < 0 ? turned + 1 : turned;
  const around = 2 * Math.PI * Math.hypot(x, y);
  for (const edge of [0, 1, value, trail]) if (Math.abs(share - edge) * around < near) return undefined;
  if (share < value) return colors.fill;
  return share < trail ? colors.trail : colors.track;
}

function painted(round: Round): Uint8ClampedArray {
  const { width, height, radius, ring, value, trail, from } = round;
  const widget: WidgetSource = {
    'id': 'm',
    'kind': 'meter',
    'label': 'Air',
    'anchor': 'center',
    'size': [width, height],
    value,
    trail,
    'fill-from': from,
    ...(ring !== undefined && { ring }),
    'look': { 'background': colors.track, 'color': colors.fill, 'trail-color': colors.trail, radius },
  };
  const on = laidOut([widget], { width: side, height: side });
  const canvas = createCanvas(side, side);
  const context = canvas.getContext('2d');
  context.fillStyle = colors.behind;
  context.fillRect(0, 0, side, side);
  paintOnCanvas(drawLayout(on, { backdrop: null }), context);
  return context.getImageData(0, 0, side, side).data;
}

test('every pixel has the colour of where it lies, with and without a hole, whichever way round', () => {
  const next = random(seedOf(20261130));
  const px = (least: number, most: number) => Math.round((least + next() * (most - least)) / 2) * 2;
  let looked = 0;
  for (let nth = 0; nth < rounds(60, 600); nth++) {
    const [width, height] = [px(30, 110), px(30, 110)];
    const value = next() < 0.1 ? Math.round(next()) : next();
    const round: Round = {
      width,
      height,
      radius: next() < 0.4 ? Math.min(width, height) / 2 : px(0, Math.min(width, height) / 2),
      ring: next() < 0.3 ? undefined : px(2, 40),
      value,
      trail: Math.min(1, value + next() * 0.4),
      from: next() < 0.5 ? 'clockwise' : 'counterclockwise',
    };
    const data = painted(round);
    const wrong: string[] = [];
    for (let at = 0; at < 200; at++) {
      const [x, y] = [Math.floor(next() * side), Math.floor(next() * side)];
      const color = expected(round, x + 0.5 - side / 2, y + 0.5 - side / 2);
      if (color === undefined) continue;
      looked++;
      const start = 4 * (y * side + x);
      const found = `#${[0, 1, 2].map((more) => data[start + more]!.toString(16).padStart(2, '0')).join('')}`;
      if (found !== color) wrong.push(`${x},${y} ${found} ${color}`);
    }
    expect([nth, round, wrong]).toEqual([nth, round, []]);
  }
  expect(looked).toBeGreaterThan(rounds(60, 600) * 120);
});

describe('in a document', () => {
  const said = (keys: string) =>
    told(readDocument(`pimbot: 1\nviews: { v: { children: [ { id: a, label: Air, ${keys} } ] } }\n`));

  test('a slider has no way round, and a ring goes round', () => {
    expect(said('kind: slider, fill-from: clockwise')[0]).toContain('left, right, top or bottom of a slider');
    expect(said('kind: meter, ring: 8')[0]).toContain('does something only with fill-from: clockwise');
    expect(said('kind: meter, ring: 0')[0]).toContain('a number of u from 0.5 on');
    expect(said('kind: meter, ring: 8, fill-from: counterclockwise')).toEqual([]);
    expect(
      said('kind: meter, ring: 8, when: [{ screen: { input: touch }, change: { fill-from: clockwise } }]'),
    ).toEqual([]);
  });

  test('segments have even gaps between them, and are cut where the value ends', () => {
    const meter: WidgetSource = {
      'id': 'm',
      'kind': 'meter',
      'size': 100,
      'value': 0.6,
      'segments': 4,
      'fill-from': 'clockwise',
    };
    const view = opened(documentOf([meter]));
    const { operations } = drawLayout(view.layoutOn({ width: side, height: side }));
    const paths = operations.filter((one) => one.type === 'path');
    expect(paths).toHaveLength(3);
    const corners = paths.map(({ steps }) =>
      steps.flatMap(({ values }) => values.map((one) => Math.round(one * 100) / 100 + 0)),
    );
    // From beside the top to beside the right, over the corner, and back by the middle.
    expect(corners[0]).toEqual([51.5, 0, 100, 0, 100, 48.5, 50, 50]);
  });
});
