import { chromium, type Browser } from 'playwright-core';

/** Starts the Chromium that the commands of this repository found or installed. */
export function startBrowser(): Promise<Browser> {
  return chromium.launch({
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
}

/**
 * Milliseconds of one forced reflow of a tree: the root is given another size and the last box is read.
 * The median of `rounds`.
 */
export async function reflowTime(browser: Browser, html: string, rounds: number): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1920, height: 1080 } });
  await page.setContent(
    `<!doctype html><style>body{margin:0}*{box-sizing:border-box}#root{position:relative;width:1920px;height:1080px}</style><div id="root">${html}</div>`,
  );
  const times = await page.evaluate((count) => {
    const root = document.getElementById('root')!;
    const all = root.getElementsByTagName('div');
    const last = all[all.length - 1]!;
    const found: number[] = [];
    let sum = 0;
    for (let round = 0; round < count + 5; round++) {
      const start = performance.now();
      root.style.width = `${round % 2 === 0 ? 2560 : 1280}px`;
      root.style.height = `${round % 2 === 0 ? 1080 : 720}px`;
      sum += last.getBoundingClientRect().left;
      if (round >= 5) found.push(performance.now() - start);
    }
    if (!Number.isFinite(sum)) throw new Error('nothing was laid out');
    return found;
  }, rounds);
  await page.close();
  return median(times);
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)]!;
}

/** Milliseconds of giving every element of class `label` another text and laying the page out. The median of `rounds`. */
export async function textTime(browser: Browser, html: string, rounds: number): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1920, height: 1080 } });
  await page.setContent(
    `<!doctype html><style>body{margin:0}</style><div id="root" style="width:1920px;height:1080px;position:relative">${html}</div>`,
  );
  const times = await page.evaluate((count) => {
    const labels = [...document.getElementsByClassName('label')] as HTMLElement[];
    const found: number[] = [];
    let sum = 0;
    for (let round = 0; round < count + 3; round++) {
      const start = performance.now();
      labels.forEach((label, index) => (label.firstChild!.nodeValue = `Reading ${round * 31 + index} m`));
      sum += labels.at(-1)!.getBoundingClientRect().top;
      if (round >= 3) found.push(performance.now() - start);
    }
    if (!Number.isFinite(sum)) throw new Error('nothing was laid out');
    return found;
  }, rounds);
  await page.close();
  return median(times);
}
