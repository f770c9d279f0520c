import { openView, readDocument } from 'pimbot';
import type { Rect } from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import type { Browser, Page } from 'playwright-core';
import { makeCase, type Case } from './generator.ts';

/** A widget that the two do not agree on. */
export interface Disagreement {
  readonly seed: number;
  readonly widget: string;
  readonly ours: Rect;
  readonly theirs: Rect;
  readonly off: number;
  readonly allowed: number;
}

/** Chromium lays out in 64ths of a px; each level can add one for its start and one for its length. */
function allowedAt(depth: number): number {
  return Math.min(0.1, (2 + 2 * depth) / 64);
}

/** Lays cases out with both and gives every widget on which they differ by more than rounding can explain. */
export async function judge(browser: Browser, seeds: readonly number[]): Promise<Disagreement[]> {
  const page = await browser.newPage();
  await page.setContent(
    '<!doctype html><style>body{margin:0}main{position:absolute;left:0;top:0}main div{box-sizing:border-box;min-width:0;min-height:0;position:relative;flex:none}</style>',
  );
  const found: Disagreement[] = [];
  const fonts = bundledFonts();
  for (const seed of seeds) {
    const one = makeCase(seed);
    const theirs = await laidOutByBrowser(page, one);
    const { document, diagnostics } = readDocument({
      pimbot: 1,
      reference: { scaling: 'none' },
      views: { test: { direction: one.direction, children: one.children } },
    });
    if (!document)
      throw new Error(
        `case ${seed}: ${JSON.stringify(diagnostics.map(({ code, facts, pointer }) => ({ code, facts, pointer })))}`,
      );
    const on = openView(document, 'test', { resources: { fonts } }).layoutOn(one);
    for (const [widget, depth] of one.depths) {
      const rect = theirs[widget];
      if (!rect) throw new Error(`case ${seed}: no element ${widget}`);
      const ours = on.rect(widget);
      const off = Math.max(
        Math.abs(ours.x - rect.x),
        Math.abs(ours.y - rect.y),
        Math.abs(ours.width - rect.width),
        Math.abs(ours.height - rect.height),
      );
      const allowed = allowedAt(depth);
      if (!(off <= allowed)) found.push({ seed, widget, ours, theirs: rect, off, allowed });
    }
  }
  await page.close();
  return found;
}

function laidOutByBrowser(
  page: Page,
  { width, height, direction, html }: Case,
): Promise<Record<string, Rect>> {
  return page.evaluate(
    (given) => {
      const main = document.createElement('main');
      main.dir = given.direction;
      main.style.width = `${given.width}px`;
      main.style.height = `${given.height}px`;
      main.innerHTML = given.html;
      document.body.replaceChildren(main);
      const rects: Record<string, { x: number; y: number; width: number; height: number }> = {};
      for (const element of main.querySelectorAll('div')) {
        const { x, y, width, height } = element.getBoundingClientRect();
        rects[element.id] = { x, y, width, height };
      }
      return rects;
    },
    { width, height, direction, html },
  );
}
