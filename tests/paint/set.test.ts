import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Resvg } from '@resvg/resvg-js';
import { expect, test } from '@jest/globals';
import { toSvg } from 'pimbot';
import { toPng } from 'pimbot/node';
import { pixels, stepsApart, visiblyApart } from '../support/pixels.ts';
import { paintingSet, written } from './set.ts';

const folder = 'assets/painting';
const set = await paintingSet();

test('what is shipped is the set, and every operation a file can hold is in it', () => {
  const shipped: unknown = JSON.parse(readFileSync(join(folder, 'painting.json'), 'utf8'));
  expect(shipped).toEqual(JSON.parse(written(set)));
  const types = new Set(set.flatMap(({ list }) => list.operations.map(({ type }) => type)));
  expect([...types].sort()).toEqual(['box', 'clip', 'group', 'path', 'picture', 'restore', 'shadow', 'turn']);
});

test.each(set.map((sample) => [sample.name, sample] as const))(
  '%s: the canvas paints the picture that is shipped; another library draws our SVG alike',
  async (name, { list }) => {
    const shipped = await pixels(readFileSync(join(folder, `${name}.png`)));
    expect(stepsApart(await pixels(toPng(list)), shipped, 1)).toBe(0);
    // Resvg scales pictures in a way of its own, and knows no sharp pixels.
    if (name === 'picture' || name === 'pixels') return;
    const svg = new Resvg(toSvg(list), { font: { loadSystemFonts: false } }).render().asPng();
    expect(visiblyApart(await pixels(svg), shipped, list.width)).toBeLessThan(0.005);
  },
);
