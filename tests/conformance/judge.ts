import { openView, readDocument } from 'pimbot';
import type { Rect, ViewLayout, WidgetSource } from 'pimbot';
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

/** Chromium lays out in 64ths of a px; each level can add one for its start, one for its length, and a share one more. */
function allowedAt(depth: number): number {
  return Math.min(0.1, (3 + 2 * depth) / 64);
}

export interface Judgement {
  readonly found: readonly Disagreement[];
  /** Seeds of trees that Chromium's rounding decided. */
  readonly onEdge: readonly number[];
}

/** Lays cases out with both and gives every widget on which they differ by more than rounding can explain. */
export async function judge(browser: Browser, seeds: readonly number[]): Promise<Judgement> {
  const page = await browser.newPage();
  await page.setContent(
    '<!doctype html><style>body{margin:0}main{position:absolute;left:0;top:0}main div{box-sizing:border-box;min-width:0;min-height:0;position:relative;flex:none}</style>',
  );
  const found: Disagreement[] = [];
  const onEdge: number[] = [];
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
    const differ = compared(seed, on, theirs, one);
    // Where a line just fits or just does not, Chromium's rounding decides by itself.
    if (differ.length > 0 && hasLineOnEdge(one.children, on)) onEdge.push(seed);
    else found.push(...differ);
  }
  await page.close();
  return { found, onEdge };
}

/** Whether some children of a wrap, one after the other, fill its room to less than rounding can add up to. */
function hasLineOnEdge(children: readonly WidgetSource[], on: ViewLayout): boolean {
  return children.some((widget) => {
    if (widget.arrange === 'wrap') {
      const { box, index } = on.widgets[on.indexOf(widget.id!)]!;
      const { left, right } = on.layout.padding(index) ?? {
        left: box.x.paddingStart.u,
        right: box.x.paddingEnd.u,
      };
      const room = on.layout.rect(index).width - left - right;
      const gap = box.x.gap.u + box.x.gap.share * room;
      const outer = on.widgets
        .filter(({ parent }) => parent === index)
        .map((child) => on.layout.rect(child.index).width + child.box.x.marginStart + child.box.x.marginEnd);
      for (let from = 0; from < outer.length; from++) {
        let used = -gap;
        for (const length of outer.slice(from)) {
          used += length + gap;
          if (Math.abs(used - room) < 0.1) return true;
        }
      }
    }
    return hasLineOnEdge(widget.children ?? [], on);
  });
}

function compared(
  seed: number,
  on: ViewLayout,
  theirs: Readonly<Record<string, Rect>>,
  one: Case,
): Disagreement[] {
  const found: Disagreement[] = [];
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
