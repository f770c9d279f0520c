import { expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import { whyWidget } from 'pimbot/tools';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { documentOf, opened } from '../support/views.ts';

/* Reasons with numbers in them are worked out again from their words, in every arrangement. */

const number = String.raw`([\d.]+)`;
const plus = String.raw`(?: ([+−]) ${number})?`;

const signed = (sign: string | undefined, value: string | undefined): number =>
  sign === undefined ? 0 : (sign === '+' ? 1 : -1) * Number(value);

/** What a reason says a length is, with its margins where it is as long as what is around it; undefined where it says no number of it. */
function lengthSaid(text: string, margins: number): number | undefined {
  const said = (pattern: string) => new RegExp(pattern).exec(text)?.slice(1);
  const [share, of, , sign, more] =
    said(String.raw`= ${number} % of (?:the ${number} u of .*?box|box's ${number})${plus}$`) ?? [];
  if (share !== undefined) {
    const whole = of ?? said(String.raw`box's ${number}`)![0];
    return Math.max(0, (Number(share) / 100) * Number(whole) + signed(sign, more));
  }
  const fills = said(String.raw`fills the ${number} of (?:its line of )?box$`);
  if (fills) return Math.max(0, Number(fills[0]) - margins);
  const all = said(String.raw`is all of the ${number} u left of`);
  if (all) return Number(all[0]);
  const cell = said(String.raw`, all of the ${number} u left of`);
  if (cell) return Math.max(0, Number(cell[0]) - margins);
  const [some, weights, left] =
    said(String.raw`${number} of ${number} shares of the ${number} u left of`) ?? [];
  if (some !== undefined)
    return Math.max(0, (Number(some) / Number(weights)) * Number(left) - (text.includes(', ') ? margins : 0));
  const set = said(String.raw`, which is set to ${number} u$`);
  if (set) return Math.max(0, Number(set[0]) - margins);
  const held = said(String.raw`is held (?:down by max|up by min)-\w+ ${number}$|is set to ${number} u$`);
  if (held) return Number(held[0] ?? held[1]);
  const [from, to, room, insets] = said(
    String.raw`lies between ${number} % and ${number} % of box's ${number}(.*)$`,
  ) ?? [undefined, '', '', ''];
  if (from === undefined) return undefined;
  let length = ((Number(to) - Number(from)) / 100) * Number(room) - margins;
  for (const [, sign, inset] of insets!.matchAll(/([+−]) ([\d.]+) inset/g)) length += signed(sign, inset);
  return Math.max(0, length);
}

/** The sum a reason of an edge writes out, and what it says it comes to. */
function sumSaid(text: string): { readonly stands: number; readonly sum: number } | undefined {
  const head = /^\w+ edge (-?[\d.]+) u = (.*)$/.exec(text);
  if (!head) return undefined;
  let sum = 0;
  for (const [, sign, value, whole] of ` + ${head[2]}`.matchAll(
    / ([+−]) (?:[a-z]+ edge |[a-z]+ )?(-?[\d.]+)(?: % of \S+'s ([\d.]+))?/g,
  ))
    sum += signed(sign, value) * (whole === undefined ? 1 : Number(whole) / 100);
  return { stands: Number(head[1]), sum };
}

/** What is picked by chance. */
function chance(seed: number) {
  const next = random(seedOf(seed));
  const whole = (least: number, most: number) => Math.round(least + next() * (most - least));
  const one = <Value>(...values: readonly Value[]): Value => values[whole(0, values.length - 1)]!;
  /** A text whose sides are some of those sizes, with margins and padding. */
  const text = (at: number, ...sizes: readonly (string | number)[]) => ({
    id: `c${at}`,
    kind: 'text',
    text: one('A', 'Hull', 'Kelp Nine'),
    width: one(undefined, ...sizes),
    height: one(undefined, ...sizes),
    margin: one(undefined, undefined, 5),
    padding: one(undefined, 4),
  });
  return { next, whole, one, text };
}

test('the lengths and edges that reasons say come out at those that are laid out', () => {
  const { next, whole, one, text: textBy } = chance(20261201);
  let [lengths, edges] = [0, 0];
  for (let nth = 0; nth < rounds(150, 6000); nth++) {
    const arrange = one('row', 'column', 'wrap', 'layers', 'free', 'grid', 'grid');
    const scroll = one(undefined, undefined, undefined, 'x', 'y', 'both');
    const track = () => one<string | number>(whole(30, 120), 'content', 'fill', 'fill 2', 'fill 0.5');
    const children = Array.from({ length: whole(1, 8) }, (_, at) => {
      const spans = arrange === 'free' && next() < 0.3;
      return {
        ...textBy(at, 'fill', 'fill 2', 'fill 0', '40%', '50% - 4', 37, 'content'),
        'max-width': one<string | number | undefined>(undefined, undefined, '70%', 44),
        'min-height': one(undefined, undefined, '30%'),
        'align-self': arrange === 'free' ? undefined : one(undefined, 'stretch', 'center'),
        'justify-self': arrange === 'grid' ? one(undefined, 'stretch', 'end') : undefined,
        'aspect': scroll === undefined ? one(undefined, undefined, undefined, 1.5) : undefined,
        ...(spans && {
          anchor: 'left..right top',
          inset: one(undefined, 10, 180),
          pivot: one(undefined, '0.3 0'),
        }),
        ...(arrange === 'free' && !spans && { anchor: one('left top', 'center', '25% 80%', 'right bottom') }),
      };
    });
    const box = {
      id: 'box',
      arrange,
      scroll,
      ...(scroll !== undefined && { 'scroll-offset': whole(0, 60) }),
      size: [whole(200, 600), whole(150, 400)],
      gap: arrange === 'free' ? undefined : one<string | number | undefined>(undefined, 8, '5%'),
      padding: one<string | number | undefined>(undefined, 10, '4%'),
      align: arrange === 'free' ? undefined : one(undefined, 'stretch', 'center'),
      justify:
        arrange === 'row' || arrange === 'column' ? one(undefined, 'center', 'space-between') : undefined,
      reverse: one(undefined, undefined, true),
      direction: one(undefined, undefined, undefined, 'rtl'),
      columns:
        arrange === 'grid'
          ? one<string | (string | number)[]>(
              `auto ${whole(60, 150)}`,
              `auto ${whole(60, 150)}..`,
              [track(), track(), track()],
              [track(), track()],
            )
          : undefined,
      rows: arrange === 'grid' ? one<string | number>(whole(30, 80), 'content', 'fill') : undefined,
      children,
    };
    const on = opened(documentOf([JSON.parse(JSON.stringify(box)) as WidgetSource])).layoutOn({
      width: 900,
      height: 700,
    });
    for (const { index, id, box: own } of on.widgets.slice(2)) {
      const rect = on.rect(id);
      for (const { what, reasons } of whyWidget(on, index)) {
        const { text } = reasons[0]!;
        const place = { nth, id, text };
        expect({ ...place, isNumber: !text.includes('NaN') }).toEqual({ ...place, isNumber: true });
        if (what === 'width' || what === 'height') {
          const { marginStart, marginEnd } = own[what === 'width' ? 'x' : 'y'];
          const said = lengthSaid(text, marginStart + marginEnd);
          if (said === undefined) continue;
          lengths++;
          // Each number of the words has two decimals.
          expect({ ...place, near: Math.abs(said - rect[what]) < 0.05 }).toEqual({ ...place, near: true });
        } else if (what === 'left' || what === 'right' || what === 'top' || what === 'bottom') {
          const found = sumSaid(text);
          const near = found && Math.abs(found.stands - found.sum) < (text.includes('%') ? 0.3 : 0.05);
          edges++;
          expect({ ...place, near }).toEqual({ ...place, near: true });
        }
      }
    }
  }
  expect(lengths).toBeGreaterThan(400);
  expect(edges).toBeGreaterThan(2000);
});

test('what a content size is made of comes to that size', () => {
  const { whole, one, text: textBy } = chance(20261203);
  let [sums, bare] = [0, 0];
  for (let nth = 0; nth < rounds(150, 6000); nth++) {
    const arrange = one('row', 'column', 'wrap', 'layers', 'free', 'grid');
    const children = Array.from({ length: whole(1, 7) }, (_, at) => {
      return {
        ...textBy(at, 37, 60, 'content', '40%', 'fill'),
        'min-height': one(undefined, undefined, 50),
        ...(arrange === 'free' && {
          anchor: one('left top', 'center', 'right bottom', '25% 80%'),
          offset: one(undefined, [10, -6]),
        }),
      };
    });
    const box = {
      id: 'box',
      arrange,
      width: one<string | number | undefined>(undefined, undefined, 300, 'content'),
      height: one(undefined, 'content'),
      gap: arrange === 'free' ? undefined : one(undefined, 8),
      padding: one<string | number | undefined>(undefined, 10, '5 12'),
      columns:
        arrange === 'grid'
          ? one<number | string | (string | number)[]>(2, [60, 'content'], ['content', 'fill'], 'auto 80')
          : undefined,
      children,
    };
    const around = { arrange: 'row', align: 'start', children: [box] };
    const on = opened(documentOf([JSON.parse(JSON.stringify(around)) as WidgetSource])).layoutOn({
      width: 900,
      height: 700,
    });
    for (const side of ['width', 'height'] as const) {
      const { text } = whyWidget(on, on.indexOf('box')).find(({ what }) => what === side)!.reasons[0]!;
      const said = /is what its content needs(?: \((.*)\))?$/.exec(text);
      if (!said) continue;
      if (said[1] === undefined) {
        bare++;
        continue;
      }
      sums++;
      const terms = said[1].replace(
        /^(?:its [\w\s-]+? (?:has|needs)|rows of|columns of|lines of) (?=[\d.])/,
        '',
      );
      let sum = 0;
      for (const [, sign, value] of ` + ${terms}`.matchAll(/ ([+−]) ([\d.]+)/g)) sum += signed(sign, value);
      const near = Math.abs(sum - on.rect('box')[side]) < 0.06;
      expect({ nth, text, near }).toEqual({ nth, text, near: true });
    }
  }
  expect(sums).toBeGreaterThan(2 * bare);
});
