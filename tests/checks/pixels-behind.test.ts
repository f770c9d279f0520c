import { createCanvas, loadImage } from '@napi-rs/canvas';
import { describe, expect, test } from '@jest/globals';
import {
  drawLayout,
  openView,
  readDocument,
  readPicture,
  type DrawOperation,
  type Picture,
  type WidgetSource,
} from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import { checkDocument } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { Judge, luminance, margin, painted, pixelsWide, screen } from './pixel-judge.ts';

/*
 * Pixels as a second judge of what lies behind and above: what hides a text, what is read through a group that is faded, and
 * which pictures are not seen on what they stand on.
 */

const fonts = bundledFonts();
const names = ['solid', 'half', 'ring', 'veil'] as const;

/** Pictures whose pixels are known: all opaque, the left half alone, a hollow ring, half of it shining through. */
async function pictures(): Promise<Map<string, Picture>> {
  const found = new Map<string, Picture>();
  for (const name of names) {
    const context = createCanvas(96, 96).getContext('2d');
    context.fillStyle = context.strokeStyle = '#c08040';
    context.lineWidth = 10;
    if (name === 'veil') context.globalAlpha = 0.5;
    if (name === 'ring') context.strokeRect(5, 5, 86, 86);
    else context.fillRect(0, 0, name === 'half' ? 48 : 96, 96);
    const bytes = context.canvas.toBuffer('image/png');
    const data = new Uint8ClampedArray(context.getImageData(0, 0, 96, 96).data);
    const sample = { width: 96, height: 96, data };
    found.set(name, { ...readPicture(name, bytes), drawable: await loadImage(bytes), sample });
  }
  return found;
}

function ratioOf(one: number, other: number): number {
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}

async function judged(children: readonly WidgetSource[], backdrop = '#04202a') {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    reference: { size: '480x300' },
    pictures: Object.fromEntries(names.map((name) => [name, `${name}.png`])),
    views: { v: { backdrop, children } },
  });
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  const options = { resources: { fonts, pictures: await pictures() }, screens: [screen] };
  const { findings } = checkDocument(document, options);
  const on = openView(document, 'v', options).layoutOn(screen);
  const said = (check: string, widget: string) =>
    findings.find((one) => one.check === check && one.widget === widget && one.outcome === 'failed');
  return { on, list: drawLayout(on), said };
}

/** Rows of pixels of a rectangle in device px, the outermost left out: edges are rounded. */
function* pixelsIn({ x, y, width, height }: { x: number; y: number; width: number; height: number }) {
  for (let down = Math.ceil(y) + 1; down < Math.floor(y + height) - 1; down++)
    for (let across = Math.ceil(x) + 1; across < Math.floor(x + width) - 1; across++)
      yield ((down + margin) * pixelsWide + across + margin) * 4;
}

describe('pixels agree with what is said', () => {
  test('covered: the share of a control that something opaque after it hides', async () => {
    const next = random(seedOf(71));
    const judge = new Judge();
    const wrong: string[] = [];
    for (let nth = 0; nth < rounds(30, 200); nth++) {
      const some = (least: number, most: number) => Math.round(least + next() * (most - least));
      const over: WidgetSource =
        next() < 0.5
          ? { look: { background: next() < 0.7 ? '#7a1f1f' : '#7a1f1f80' } }
          : { kind: 'image', image: names[some(0, 3)]!, fit: 'fill' };
      const { on, list, said } = await judged([
        {
          'id': 'under',
          'kind': 'button',
          'label': 'Go',
          'may-overlap': true,
          'offset': [200, 120],
          'size': [120, 60],
          'look': { background: '#0d4452' },
        },
        { id: 'over', offset: [some(90, 300), some(60, 170)], size: [some(40, 160), some(30, 90)], ...over },
      ]);
      const index = on.indexOf('over');
      const mine = (one: DrawOperation) => 'widget' in one && one.widget === index;
      const above = painted(list, mine);
      let [all, hidden] = [0, 0];
      for (const at of pixelsIn(on.rect('under'))) {
        all++;
        if (above[at + 3]! > 0.9 * 255) hidden++;
      }
      const share = (100 * hidden) / all;
      const found = said('covered', 'under');
      judge.take(found !== undefined, share > 5, Math.abs(share - 5) > 3, `${nth} covered ${share}`);
      // A picture is looked at in 144 places.
      if (found && Math.abs(found.worst.measured! - share) > 6)
        wrong.push(`${nth} hidden by ${found.worst.measured}, seen ${share}`);
    }
    expect([...judge.wrong, ...wrong]).toEqual([]);
    expect(Math.min(judge.reported, judge.passed)).toBeGreaterThan(rounds(3, 30));
  });

  test('low-contrast: of a text in a group that is faded, over what shines through it', async () => {
    const next = random(seedOf(72));
    const colors = ['#ffffff', '#ffd583', '#7a1f1f', '#33526b', '#101820'];
    const judge = new Judge();
    const wrong: string[] = [];
    for (let nth = 0; nth < rounds(30, 200); nth++) {
      const pick = () => colors[Math.floor(next() * colors.length)]!;
      const opacity = Math.round(30 + next() * 70) / 100;
      const backdrop = pick();
      const { on, list, said } = await judged(
        [
          {
            id: 'group',
            offset: [60, 60],
            size: [360, 160],
            look: { background: pick(), opacity },
            children: [
              {
                id: 'plate',
                anchor: 'center',
                size: [300, 110],
                look: { background: pick(), opacity: next() < 0.5 ? 1 : 0.6 },
                children: [
                  {
                    id: 't',
                    kind: 'text',
                    text: 'MMMM',
                    anchor: 'center',
                    look: { 'color': pick(), 'font-size': 60, 'font-weight': 700 },
                  },
                ],
              },
            ],
          },
        ],
        backdrop,
      );
      const whole = painted(list, () => true, backdrop);
      const without = painted(list, (one) => one.type !== 'glyphs', backdrop);
      // A pixel in the middle of a stem of the letters is the one that differs most from what is behind.
      let [ratio, apart] = [1, 0];
      for (const at of pixelsIn(on.rect('t'))) {
        const by =
          Math.abs(whole[at]! - without[at]!) +
          Math.abs(whole[at + 1]! - without[at + 1]!) +
          Math.abs(whole[at + 2]! - without[at + 2]!);
        if (by <= apart) continue;
        apart = by;
        ratio = ratioOf(luminance(whole, at), luminance(without, at));
      }
      const found = said('low-contrast', 't');
      judge.take(found !== undefined, ratio < 3, Math.abs(ratio / 3 - 1) > 0.04, `${nth} contrast ${ratio}`);
      if (found && Math.abs(found.worst.measured! / ratio - 1) > 0.04)
        wrong.push(`${nth} contrast ${found.worst.measured}, seen ${ratio}`);
    }
    expect([...judge.wrong, ...wrong]).toEqual([]);
    expect(Math.min(judge.reported, judge.passed)).toBeGreaterThan(rounds(3, 30));
  });

  test('low-contrast: of a text that is turned, over plates that are turned otherwise', async () => {
    const next = random(seedOf(73));
    const judge = new Judge();
    const wrong: string[] = [];
    const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
    for (let nth = 0; nth < rounds(30, 400); nth++) {
      const plate = (id: string): WidgetSource => ({
        id,
        'anchor': 'center',
        'offset': [Math.round(next() * 200 - 100), Math.round(next() * 140 - 70)],
        'size': [40 + Math.round(next() * 200), 40 + Math.round(next() * 120)],
        'rotate': pick([0, 0, 30, 90, -60]),
        'look': { background: pick(['#7a1f1f', '#ffd583', '#33526b', '#ffffff']) },
        'may-overlap': true,
      });
      const angle = pick([90, -90, 45, 0, 160]);
      const color = pick(['#ffffff', '#101820', '#ffd583']);
      const text: WidgetSource = {
        'id': 't',
        'kind': 'text',
        'text': 'MMMMMM',
        'anchor': 'center',
        'rotate': angle,
        'look': { color, 'font-size': 24 },
        'may-overlap': true,
      };
      const isTogether = next() < 0.3;
      const children = [plate('a'), plate('b'), text];
      const group: WidgetSource = { id: 'g', anchor: 'left..right top..bottom', rotate: 20, children };
      const { on, list, said } = await judged(isTogether ? [group] : children, '#04202a');
      const without = painted(list, (one) => one.type !== 'glyphs', '#04202a');
      // Every colour under some of the text's box, by how many pixels of it: each pixel is turned back to where the text is upright.
      const { x, y, width, height } = on.rect('t');
      const turns = isTogether ? [{ by: 20, on: on.rect('g') }] : [];
      const counts = new Map<number, number>();
      let all = 0;
      const [midX, midY] = [x + width / 2, y + height / 2];
      const reach = isTogether ? width : width / 2 + 2;
      for (const at of pixelsIn({ x: midX - reach, y: midY - reach, width: 2 * reach, height: 2 * reach })) {
        let px = ((at / 4) % pixelsWide) - margin + 0.5;
        let py = Math.floor(at / 4 / pixelsWide) - margin + 0.5;
        if (px < 0 || py < 0 || px >= screen.width || py >= screen.height) continue;
        for (const { by, on: around } of [...turns, { by: angle, on: { x, y, width, height } }]) {
          const [cx, cy] = [around.x + around.width / 2, around.y + around.height / 2];
          const [sin, cos] = [Math.sin((-by * Math.PI) / 180), Math.cos((-by * Math.PI) / 180)];
          [px, py] = [cx + cos * (px - cx) - sin * (py - cy), cy + sin * (px - cx) + cos * (py - cy)];
        }
        if (px < x + 1 || py < y + 5 || px > x + width - 1 || py > y + height - 5) continue;
        all++;
        const key = (without[at]! << 16) | (without[at + 1]! << 8) | without[at + 2]!;
        counts.set(key, (counts.get(key) ?? 0) + 1);
      }
      const inkOf = (key: number) =>
        luminance(Uint8ClampedArray.of(key >> 16, (key >> 8) & 255, key & 255), 0);
      const ink = inkOf(parseInt(color.slice(1), 16));
      const ratioWith = (least: number) =>
        Math.min(
          ...[...counts].flatMap(([key, count]) => (count > least * all ? [ratioOf(ink, inkOf(key))] : [])),
        );
      const ratio = ratioWith(0.03);
      const found = said('low-contrast', 't');
      // What is only under a corner of it, or half of a pixel, may be seen or not.
      judge.take(
        found !== undefined,
        ratio < 4.5,
        ratioWith(0) > 4.6 || ratio < 4.4,
        `${nth} contrast ${ratio}`,
      );
      if (found && found.worst.measured! > ratio * 1.02)
        wrong.push(`${nth} ${found.worst.measured}, seen ${ratio}`);
    }
    expect([...judge.wrong, ...wrong]).toEqual([]);
    expect(Math.min(judge.reported, judge.passed)).toBeGreaterThan(rounds(3, 30));
  });

  test('faint-part: of a picture of which no pixel stands off from what is behind', async () => {
    const next = random(seedOf(73));
    const judge = new Judge();
    const grounds = ['#c08040', '#b97c40', '#a86f38', '#0d4452', '#e0b080', '#c88848'];
    for (let nth = 0; nth < rounds(30, 200); nth++) {
      const pick = <T>(values: readonly T[]) => values[Math.floor(next() * values.length)]!;
      const { on, list, said } = await judged([
        {
          id: 'ground',
          offset: [60, 60],
          size: [360, 160],
          look: { background: pick(grounds), ...(next() < 0.4 && { opacity: 0.5 }) },
          children: [
            {
              id: 'art',
              kind: 'image',
              image: pick(names),
              fit: 'fill',
              anchor: 'center',
              size: 100,
              look: next() < 0.3 ? { opacity: 0.4 } : {},
            },
          ],
        },
      ]);
      const index = on.indexOf('art');
      const whole = painted(list, () => true, '#04202a');
      const without = painted(
        list,
        (one) => !('widget' in one && one.widget === index && one.type === 'picture'),
        '#04202a',
      );
      let most = 1;
      for (const at of pixelsIn(on.rect('art')))
        most = Math.max(most, ratioOf(luminance(whole, at), luminance(without, at)));
      const found = said('faint-part', 'art');
      judge.take(
        found !== undefined,
        most < 1.2,
        Math.abs(most - 1.2) > 0.03,
        `${nth} stands off by ${most}`,
      );
    }
    expect(judge.wrong).toEqual([]);
    expect(Math.min(judge.reported, judge.passed)).toBeGreaterThan(rounds(3, 30));
  });
});
