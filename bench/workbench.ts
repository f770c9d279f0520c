import { readFileSync, writeFileSync } from 'node:fs';
import type { Browser } from 'playwright-core';
import { Hand } from '../tests/workbench/hand.ts';
import { median } from './browser.ts';

/* The page of `pimbot open`, by real input: a widget that is dragged, and a file that changes on disk. */

interface Watched {
  frames: number;
  isWatching: boolean;
  readonly long: number[];
}

/** What a drag was like. Times in ms. */
export interface Drag {
  readonly name: string;
  readonly framesPerSecond: number;
  /** From a trial to its stage, and to twelve screens beside; medians. */
  readonly stage: number;
  readonly others: number;
  /** The longest task of the page; 0 where none took over 50 ms. */
  readonly longest: number;
}

const plates = (count: number, more: string): string => {
  const columns = Math.ceil(Math.sqrt(count * 1.6));
  const step = Math.floor(1900 / columns);
  return [
    'pimbot: 1',
    'reference: { size: 1920x1080, scaling: contain }',
    'styles: { key: { background: "#123456", radius: 6 } }',
    'views:',
    '  bench:',
    '    children:',
    ...Array.from({ length: count }, (_, nth) => {
      const [x, y] = [(nth % columns) * step + 4, Math.floor(nth / columns) * step + 4];
      return `      - { id: b${nth}, style: key, ${more}anchor: left top, offset: ${x} ${y}, size: ${step - 6} ${step - 8} }`;
    }),
  ].join('\n');
};

const documents: readonly (readonly [string, string])[] = [
  ['100 plates', plates(100, '')],
  ['1,000 plates', plates(1000, '')],
  ['1,000 buttons with words', plates(1000, 'kind: button, text: Go, ')],
];

/** Each document's middle widget is dragged for some seconds; of two drags the second, once the code is warm. */
export async function drags(browser: Browser, seconds: number): Promise<Drag[]> {
  const found: Drag[] = [];
  for (const [name, text] of documents) {
    const hand = await Hand.open(browser, { text });
    const id = `b${text.split('\n').length >> 1}`;
    await hand.select(id);
    await drag(hand, id, seconds);
    found.push({ name, ...(await drag(hand, id, seconds)) });
    await hand.close();
  }
  return found;
}

async function drag(hand: Hand, id: string, seconds: number): Promise<Omit<Drag, 'name'>> {
  const { page } = hand;
  const { x, y } = await hand.middle(id);
  await page.evaluate(() => {
    const watched: Watched = { frames: 0, isWatching: true, long: [] };
    const count = () => {
      watched.frames++;
      if (watched.isWatching) requestAnimationFrame(count);
    };
    requestAnimationFrame(count);
    new PerformanceObserver((list) => {
      watched.long.push(...list.getEntries().map(({ duration }) => duration));
    }).observe({ entryTypes: ['longtask'] });
    Object.assign(window, { watched });
    window.bench.dragTimes.stage.length = window.bench.dragTimes.others.length = 0;
  });
  await page.mouse.move(x, y);
  await page.mouse.down();
  const start = performance.now();
  for (let step = 1; performance.now() - start < seconds * 1000; step++) {
    await page.mouse.move(x + (step % 60), y + (step % 40));
    await new Promise((done) => setTimeout(done, 12));
  }
  const took = performance.now() - start;
  const { frames, long, times } = await page.evaluate(() => {
    const { watched } = window as unknown as { watched: Watched };
    watched.isWatching = false;
    return { frames: watched.frames, long: watched.long, times: window.bench.dragTimes };
  });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  await hand.settled();
  return {
    framesPerSecond: (frames * 1000) / took,
    stage: median(times.stage),
    others: median(times.others),
    longest: Math.max(0, ...long),
  };
}

/** Milliseconds from a written file of the demo to its stage, and to the end of all drawing and checking; medians. */
export async function changesOnDisk(
  browser: Browser,
  count: number,
): Promise<{ stage: number; all: number }> {
  const hand = await Hand.open(browser, 'demo');
  const text = readFileSync(hand.folder, 'utf8');
  const found: { stage: number; all: number }[] = [];
  for (let nth = 0; nth < count; nth++) {
    const size = 250 + nth * 3;
    const next = text.replace(/(- id: sonar[^]*?size: )\d+/, `$1${size}`);
    if (next === text) throw new Error('the demo has no sonar with a size');
    const seen = hand.page.evaluate(
      (wanted) =>
        new Promise<readonly [number, number]>((done) => {
          let stage = 0;
          const look = () => {
            const { outline, busy } = window.bench;
            const row = outline.value?.rows.find(({ id }) => id === 'sonar');
            if (row && stage === 0 && Math.abs(row.rect.width / row.unit - wanted) < 0.01) stage = Date.now();
            if (stage > 0 && busy.value === 0) done([stage, Date.now()]);
            else setTimeout(look, 2);
          };
          look();
        }),
      size,
    );
    await new Promise((done) => setTimeout(done, 50));
    const start = Date.now();
    writeFileSync(hand.folder, next);
    const [stage, all] = await seen;
    found.push({ stage: stage - start, all: all - start });
    await hand.settled();
  }
  await hand.close();
  return { stage: median(found.map((one) => one.stage)), all: median(found.map((one) => one.all)) };
}
