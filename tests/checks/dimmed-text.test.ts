import { describe, expect, test } from '@jest/globals';
import { drawLayout, openView, readDocument, type DrawOperation, type WidgetSource } from 'pimbot';
import { checkDocument, sentenceOf } from 'pimbot/tools';
import { bundledFonts } from 'pimbot/node';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { cssPixel, luminance, painted, screen } from './pixel-judge.ts';

/* A text that is seen through something: the painted picture is the judge of what is seen. */

const options = { resources: { fonts: bundledFonts() }, screens: [screen] };
const backdrop = '#04202a';

function found(children: readonly WidgetSource[], cases: object = {}) {
  const { document, diagnostics } = readDocument({
    pimbot: 1,
    reference: { size: '480x300' },
    ...cases,
    views: { v: { backdrop, children } },
  });
  expect(diagnostics).toEqual([]);
  return { document: document!, findings: checkDocument(document!, options).findings };
}

const dims = (children: readonly WidgetSource[], cases?: object) =>
  found(children, cases)
    .findings.filter(({ check }) => check === 'dimmed-text')
    .map((one) => `${one.widget} ${sentenceOf(one)}`);

const words: WidgetSource = {
  id: 'words',
  kind: 'text',
  text: 'Depth',
  anchor: 'center',
  look: { 'color': '#eaf2ff', 'font-size': 30 },
};
const veil = (color: string, more: object = {}): WidgetSource => ({
  'id': 'veil',
  'anchor': 'left..right top..bottom',
  'may-overlap': true,
  'look': { background: color },
  ...more,
});

describe('a text under something that lets light through', () => {
  test('is told of what lies over it, with the text that is hardest to read and how many others are', () => {
    const other = { ...words, id: 'other', offset: [0, 60], look: { 'color': '#a9b8d4', 'font-size': 30 } };
    expect(dims([words, other, veil('#04202ad0')])).toEqual([
      expect.stringMatching(/^veil dims other and 1 other text: contrast 1\.\d+:1, minimum 3:1$/),
    ]);
  });

  test('is not where it can be read, is drawn after it, or is hidden', () => {
    expect(dims([words, veil('#04202a40')])).toEqual([]);
    expect(dims([veil('#04202ad0'), words])).toEqual([]);
    expect(dims([words, veil('#04202a')])).toEqual([]);
    expect(dims([words, veil('#04202ad0', { visible: false })])).toEqual([]);
  });

  test('is not behind a dialog, in what is disabled, or under what lies over others by its nature', () => {
    const ask: WidgetSource = { id: 'ask', kind: 'dialog', size: 90, look: { veil: '#000000d0' } };
    expect(dims([words, ask])).toEqual([]);
    const tip: WidgetSource = {
      id: 'tip',
      kind: 'tooltip',
      anchor: 'center',
      size: 200,
      look: { background: '#04202ad0' },
    };
    expect(dims([words, tip])).toEqual([]);
    const list = veil('#04202ad0', { 'focus-scope': 'closed', 'visible': '{open}' });
    expect(dims([words, list], { cases: { open: { open: true } } })).toEqual([]);
    const off: WidgetSource = { ...words, kind: 'button', disabled: true };
    expect(dims([off, veil('#04202ad0')])).toEqual([]);
  });

  test('is not in the clear middle of a gradient that darkens the edges, and is at those', () => {
    const edges = veil('radial-gradient(#04202a00 50%, #04202af0 80%)');
    expect(dims([words, edges])).toEqual([]);
    expect(dims([{ ...words, anchor: 'right bottom' }, edges])).toEqual([
      expect.stringMatching(/^veil dims words: contrast 1\.\d+:1/),
    ]);
  });

  test('may be meant, and is said to be by what lies over it', () => {
    const meant = veil('#04202ad0', { accept: { 'dimmed-text': 'the lesson is about the sonar' } });
    const { findings } = found([words, meant]);
    expect(findings.map(({ check }) => check)).toEqual([]);
  });
});

test('what is seen is what is painted, in groups and through several', () => {
  const next = random(seedOf(20261129));
  const pick = <Value>(values: readonly Value[]) => values[Math.floor(next() * values.length)]!;
  const colors = ['#ffffff', '#0d4452', '#ffd583', '#101820', '#c0583a'];
  const some = () =>
    `${pick(colors)}${Math.round(20 + next() * 200)
      .toString(16)
      .padStart(2, '0')}`;
  const faded = () => (next() < 0.5 ? 1 : 0.4 + Math.round(next() * 5) / 10);
  const wrong: string[] = [];
  let reported = 0;
  let passed = 0;
  for (let nth = 0; nth < rounds(24, 600); nth++) {
    const text: WidgetSource = {
      ...words,
      text: 'I',
      look: { 'color': pick(colors), 'font-size': 120, 'font-weight': 700, 'opacity': faded() },
    };
    const over = [1, 2].flatMap((one) => (next() < 0.6 ? [veil(some(), { id: `veil-${one}` })] : []));
    const inside = next() < 0.5 ? over.slice(0, 1) : [];
    const group: WidgetSource = {
      id: 'group',
      anchor: 'left..right top..bottom',
      look: { opacity: faded(), ...(next() < 0.5 && { background: some() }) },
      children: [text, ...inside],
    };
    const hull: WidgetSource = {
      id: 'hull',
      anchor: 'left..right top..bottom',
      look: { opacity: faded() },
      children: over.slice(inside.length),
    };
    const { document, findings } = found([group, hull]);
    const on = openView(document, 'v', options).layoutOn(screen);
    const list = drawLayout(on);
    const index = on.find('words')!;
    const isText = (one: DrawOperation) => 'widget' in one && one.widget === index && one.type === 'glyphs';
    const isVeil = (one: DrawOperation) =>
      'widget' in one && (on.widgets[one.widget]?.id.startsWith('veil') ?? false);
    const alone = painted(list, isText);
    // The middle of the letter: a pixel that it fills, and those beside it.
    const opaque = alone.reduce((most, value, place) => (place % 4 === 3 ? Math.max(most, value) : most), 0);
    const fills = (place: number) => [-12, 0, 12].every((by) => alone[place + by] === opaque);
    const at = alone.findIndex((_, place) => place % 4 === 3 && fills(place)) - 3;
    const ratio = (keep: (one: DrawOperation) => boolean) => {
      const [letters, ground] = [keep, (one: DrawOperation) => keep(one) && !isText(one)].map((some) =>
        luminance(painted(list, some, backdrop), at),
      ) as [number, number];
      return (Math.max(letters, ground) + 0.05) / (Math.min(letters, ground) + 0.05);
    };
    expect(at).toBeGreaterThan(0);
    const [seen, bare] = [ratio(() => true), ratio((one) => !isVeil(one))];
    const least = 120 * cssPixel >= 24 ? 3 : 4.5;
    const isTold = findings.find(({ check }) => check === 'dimmed-text');
    // Eight bits a channel, twice: only what is clear counts.
    if (Math.abs(seen / least - 1) < 0.06 || Math.abs(bare / least - 1) < 0.06) continue;
    const isDimmed = seen < least && bare >= least;
    if (isDimmed) reported++;
    else passed++;
    const name = `${nth}: seen ${seen.toFixed(2)}, without ${bare.toFixed(2)}, told ${isTold?.worst.measured}`;
    if (isDimmed !== (isTold !== undefined)) wrong.push(name);
  }
  expect(wrong).toEqual([]);
  expect(reported).toBeGreaterThan(rounds(2, 40));
  expect(passed).toBeGreaterThan(rounds(5, 100));
});
