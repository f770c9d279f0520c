import { chromium, type Browser } from 'playwright-core';

/** Starts the Chromium that the commands of this repository found or installed. */
export async function startBrowser(): Promise<Browser> {
  const browser = await chromium.launch({
    // On a machine with much else to do a page takes as long as it takes.
    timeout: 0,
    executablePath: process.env.PIMBOT_CHROMIUM ?? '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
  browser.on('context', (context) => context.setDefaultTimeout(0));
  return browser;
}

/** A page with a tree in it, ready to be laid out again and again. */
export interface Rival {
  /** Nanoseconds of one forced reflow: the root is given another size and the last box is read. The mean of `rounds`. */
  reflow(rounds: number): Promise<number>;
  /** Nanoseconds of giving every element of class `label` another text and laying the page out. The mean of `rounds`. */
  relabel(rounds: number): Promise<number>;
  /** Nanoseconds of a script that gives a number; `round` counts, `$` finds an element by its id. The mean of `rounds`. */
  script(body: string, rounds: number): Promise<number>;
  close(): Promise<void>;
}

const style = 'body{margin:0}*{box-sizing:border-box}#root{position:relative;width:1920px;height:1080px}';

export async function rivalWith(browser: Browser, html: string): Promise<Rival> {
  const page = await browser.newPage({ viewport: { width: 1920, height: 1080 } });
  await page.setContent(`<!doctype html><style>${style}</style><div id="root">${html}</div>`);
  return {
    async reflow(rounds) {
      const times = await page.evaluate((count) => {
        const root = document.getElementById('root')!;
        const all = root.getElementsByTagName('div');
        const last = all[all.length - 1]!;
        const found: number[] = [];
        let sum = 0;
        for (let round = 0; round < count + 2; round++) {
          const start = performance.now();
          root.style.width = `${round % 2 === 0 ? 2560 : 1280}px`;
          root.style.height = `${round % 2 === 0 ? 1080 : 720}px`;
          sum += last.getBoundingClientRect().left;
          if (round >= 2) found.push(performance.now() - start);
        }
        if (!Number.isFinite(sum)) throw new Error('nothing was laid out');
        return found;
      }, rounds);
      return mean(times) * 1e6;
    },
    async relabel(rounds) {
      const times = await page.evaluate((count) => {
        const labels = [...document.getElementsByClassName('label')] as HTMLElement[];
        const found: number[] = [];
        let sum = 0;
        for (let round = 0; round < count + 2; round++) {
          const start = performance.now();
          labels.forEach((label, index) => (label.firstChild!.nodeValue = `Reading ${round * 31 + index} m`));
          sum += labels.at(-1)!.getBoundingClientRect().top;
          if (round >= 2) found.push(performance.now() - start);
        }
        if (!Number.isFinite(sum)) throw new Error('nothing was laid out');
        return found;
      }, rounds);
      return mean(times) * 1e6;
    },
    async script(body, rounds) {
      const last = body.lastIndexOf(';');
      const code = `${body.slice(0, last + 1)} return ${body.slice(last + 1)}`;
      const time = await page.evaluate(
        ({ script, count }) => {
          // eslint-disable-next-line @typescript-eslint/no-implied-eval -- scripts of this folder.
          const run = new Function('round', '$', script) as (round: number, find: unknown) => unknown;
          const find = (id: string) => document.getElementById(id);
          for (let round = 0; round < 20; round++) run(round, find);
          const start = performance.now();
          for (let round = 0; round < count; round++) run(round, find);
          return (performance.now() - start) / count;
        },
        { script: code, count: rounds },
      );
      return time * 1e6;
    },
    close: () => page.close(),
  };
}

/** The clock of a page counts in tenths of a millisecond, so that single times say little and their mean much. */
function mean(values: readonly number[]): number {
  return values.reduce((sum, one) => sum + one, 0) / values.length;
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}
