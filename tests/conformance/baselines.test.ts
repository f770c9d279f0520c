import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import type { Browser } from 'playwright-core';
import { startBrowser } from '../../bench/browser.ts';
import { random } from '../../bench/trees.ts';
import { rounds, seedOf } from '../support/deep.ts';
import { laidOut } from '../support/views.ts';

/* Rows and columns in rows whose children share a baseline, laid out beside the same in CSS (CSS Flexible Box Layout 1 §8.5). */

const inCss: { readonly [ours: string]: string } = {
  start: 'flex-start',
  end: 'flex-end',
  center: 'center',
  stretch: 'stretch',
  baseline: 'baseline',
};

interface Made {
  readonly widget: WidgetSource;
  readonly html: string;
}

/** A row, a column or a box by chance. */
function makeTree(next: () => number): Made {
  const chance = (share: number) => next() < share;
  const whole = (least: number, most: number) => least + Math.floor(next() * (most - least + 1));
  const pick = <One>(all: readonly One[]): One => all[Math.floor(next() * all.length)]!;
  let ids = 0;
  const make = (depth: number, around: string): Made => {
    const id = `w${ids++}`;
    const widget: Record<string, unknown> = { id };
    const css: string[] = ['position:relative', 'box-sizing:border-box', 'flex:none', 'min-height:0'];
    const say = (key: string, value: unknown, property: string) => {
      widget[key] = value;
      css.push(property);
    };
    const holds = depth === 0 || (depth < 4 && chance(0.6));
    if (!holds || depth === 0 || chance(0.25)) {
      const height = depth === 0 ? whole(250, 400) : whole(8, 70);
      say('height', height, `height:${height}px`);
    }
    if (depth > 0 && chance(0.3)) {
      const margin = Array.from({ length: 4 }, () => whole(0, 9));
      say('margin', margin, `margin:${margin.join('px ')}px`);
    }
    if (around === 'row' && chance(0.4)) {
      const self = pick(['start', 'center', 'end', 'baseline', 'baseline']);
      say('align-self', self, `align-self:${inCss[self]}`);
    }
    const children: Made[] = [];
    if (holds) {
      const arrange = depth === 0 ? 'row' : pick(['row', 'row', 'column']);
      const align =
        depth === 0 || (arrange === 'row' && chance(0.5))
          ? 'baseline'
          : pick(['start', 'center', 'end', 'stretch']);
      const justify = pick(['start', 'center', 'end']);
      const isReversed = chance(0.2);
      const padding = Array.from({ length: 4 }, () => whole(0, 12));
      css.push(`display:flex;flex-direction:${arrange}${isReversed ? '-reverse' : ''}`);
      say('align', align, `align-items:${inCss[align]}`);
      say('justify', justify, `justify-content:${inCss[justify]}`);
      say('padding', padding, `padding:${padding.join('px ')}px`);
      Object.assign(widget, { arrange, ...(isReversed && { reverse: true }) });
      for (let left = whole(1, 3); left > 0; left--) children.push(make(depth + 1, arrange));
      widget['children'] = children.map((one) => one.widget);
    } else say('width', 20, 'width:20px');
    const inside = children.map(({ html }) => html).join('');
    return { widget, html: `<div id="${id}" style="${css.join(';')}">${inside}</div>` };
  };
  return make(0, 'free');
}

let browser: Browser;
beforeAll(async () => {
  browser = await startBrowser();
});
afterAll(() => browser.close());

test('what shares a baseline stands where CSS has it, whatever it is made of', async () => {
  const page = await browser.newPage({ viewport: { width: 4000, height: 800 } });
  let deep = 0;
  for (let nth = 0; nth < rounds(60, 3000); nth++) {
    const seed = seedOf(5000) + nth;
    const { widget, html } = makeTree(random(seed));
    await page.setContent(`<!doctype html><body style="margin:0">${html}`);
    const theirs = await page.evaluate(() =>
      [...document.querySelectorAll('div')].map((box) => {
        const { y, height } = box.getBoundingClientRect();
        return { id: box.id, y, height };
      }),
    );
    const on = laidOut([{ width: 4000, anchor: 'left top', ...widget }], { width: 4000, height: 800 });
    const wrong = theirs.filter(({ id, y, height }) => {
      const ours = on.rect(id);
      return Math.abs(ours.y - y) > 0.1 || Math.abs(ours.height - height) > 0.1;
    });
    deep += theirs.length;
    expect([seed, wrong.map(({ id, y, height }) => ({ id, y, height, ours: on.rect(id) }))]).toEqual([
      seed,
      [],
    ]);
  }
  expect(deep).toBeGreaterThan(rounds(400, 20_000));
  await page.close();
});
