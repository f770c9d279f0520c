import { expect, test } from '@jest/globals';
import { openView, readDocument, readPicture, type WidgetSource } from 'pimbot';
import { proveView, type Device, type Region } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { fonts } from '../support/views.ts';
import { references } from './by-chance.ts';
import { asking, judge, sizesOf } from './judge.ts';

/*
 * What excuses an overlap, or what is cut off, may do so on some sizes alone: a ground that fills narrow screens, a frame wide
 * enough for what is in it, a strip longer than its window.
 */

const small: Region = { from: { width: 320, height: 240 }, to: { width: 800, height: 600 } };
const mouse: Device = { density: 96, distance: 600, inputs: ['mouse'] };
const svg =
  '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="60"><rect width="100" height="60"/></svg>';
const map = readPicture('map', new TextEncoder().encode(svg));
const resources = { fonts, pictures: new Map([['map', map]]) };
const look = { background: '#112233' };

type Choose = <One>(...from: readonly One[]) => One;

/** Something in each that is excused on some sizes. */
const excused: readonly ((choose: Choose) => readonly WidgetSource[])[] = [
  (choose) => [
    {
      ...(choose(true, false) ? { look } : { kind: 'image', image: 'map', fit: 'fill' }),
      anchor: choose('center', 'left top', 'right'),
      size: [choose<number | string>(500, 900, '100%', '90%'), choose<number | string>(300, 500, '100%')],
      ...(choose(true, false) && { 'pointer-events': 'none' as const }),
    },
    choose<WidgetSource>(
      { kind: 'button', text: 'Go', look, anchor: 'right top', size: [120, 50] },
      { kind: 'text', text: 'Depth', anchor: 'left bottom', offset: [10, -10] },
      { look, anchor: 'center', size: '100%' },
    ),
  ],
  (choose) => [
    {
      look: { border: '3 #ffffff', radius: 8 },
      anchor: 'left top',
      size: [choose<number | string>('20%', '35%', 200), choose<number | string>('20%', 100)],
    },
    {
      kind: 'text',
      text: 'Depth of the sea',
      wrap: false,
      anchor: 'left top',
      offset: [choose(2, 8, 30), 10],
      ...(choose(true, false) && { look }),
    },
  ],
  (choose) => [
    {
      'kind': 'meter',
      'label': 'Air',
      'value': 0.5,
      'fill-from': 'clockwise',
      'ring': choose(8, 20, 80),
      'anchor': 'left top',
      'size': choose<number | string>(120, '30%'),
      'look': { ...look, radius: choose(0, 60, 200) },
    },
    {
      ...(choose(true, false)
        ? { kind: 'text', text: '64' }
        : { size: choose(40, 76), look: { ...look, radius: choose(0, 40) } }),
      anchor: choose('left top', 'right top'),
      offset: choose<readonly [number, number]>([40, 40], [22, 22], [-500, 40]),
    },
  ],
  (choose) => [
    {
      anchor: 'left bottom',
      size: [choose<number | string>('40%', '90%'), choose<number | string>(20, '6%')],
      overflow: 'clip',
      children: [
        {
          kind: 'text',
          text: 'A long line that runs along the bottom of the screen, and on',
          wrap: choose(true, false),
          width: choose<string>('content', '100%'),
        },
      ],
    },
  ],
  (choose) => [
    {
      anchor: 'right bottom',
      size: [choose<number | string>('30%', 180), choose<number | string>('30%', 120)],
      ...(choose(true, false) ? { overflow: 'clip' } : { scroll: 'x' }),
      children: [
        {
          ...choose<WidgetSource>(
            { kind: 'image', image: 'map', fit: 'fill' },
            { look },
            { kind: 'button', text: 'Go', look },
          ),
          anchor: choose('center', 'left top'),
          size: [choose<number | string>(200, '110%'), choose<number | string>(130, '100%', '104%')],
        },
      ],
    },
  ],
];

test('proofs of what is excused on some sizes alone say what laying them out on single sizes says', () => {
  const first = seedOf(1);
  let failing = 0;
  let unproved = 0;
  let asked = 0;
  for (let seed = first; seed < first + rounds(40, 1200); seed++) {
    const next = random(seed);
    const choose: Choose = (...from) => from[Math.floor(next() * from.length)]!;
    const reference = references[seed % references.length]!;
    const children = excused[seed % excused.length]!(choose);
    const { document } = readDocument({
      pimbot: 1,
      reference,
      pictures: { map: 'map.svg' },
      views: { test: { children } },
    });
    const open = () => openView(document!, 'test', { resources });
    const proof = proveView(open(), mouse, small);
    const slack = reference.scaling === 'blend' ? 0.5 : undefined;
    const judged = judge(asking(open(), mouse), proof, sizesOf(small, proof, rounds(25, 200), seed), slack);
    expect({ seed, wrong: judged.wrong }).toEqual({ seed, wrong: [] });
    failing += proof.findings.length;
    unproved += judged.unproved;
    asked += judged.asked;
  }
  expect(failing).toBeGreaterThan(rounds(20, 600));
  expect(unproved / (12 * asked)).toBeLessThan(0.02);
});
