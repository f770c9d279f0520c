import { LiveLayout, makeScreen, openView, readDocument } from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import { median, reflowTime, startBrowser } from './browser.ts';
import { hudTree } from './trees.ts';

/** One measurement; `ratio` is theirs / ours. */
interface Row {
  readonly name: string;
  readonly ours: number;
  readonly theirs: number;
  readonly ratio: number;
  readonly unit: string;
}

const json = process.argv.includes('--json');
const quick = process.argv.includes('--quick');
const sizes = quick ? [100] : [100, 1000, 10_000];

/** Milliseconds of one full layout, alternating two screens as the browser does: the median of batches. */
function layoutTime(count: number): number {
  const { document, diagnostics } = readDocument(hudTree(count, 1).document);
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  const view = openView(document, 'bench', { resources: { fonts: bundledFonts() } });
  const wide = makeScreen({ width: 2560, height: 1080 });
  const small = makeScreen({ width: 1280, height: 720 });
  const live = new LiveLayout(view, wide);
  const rect = { x: 0, y: 0, width: 0, height: 0 };
  const batch = Math.max(2, Math.round(40_000 / count));
  const times: number[] = [];
  let sum = 0;
  for (let round = 0; round < (quick ? 5 : 25); round++) {
    const start = performance.now();
    for (let turn = 0; turn < batch; turn++)
      sum += view.layoutOn(turn % 2 === 0 ? wide : small).layout.rect(count).x;
    times.push((performance.now() - start) / batch);
  }
  if (!Number.isFinite(sum)) throw new Error('nothing was laid out');
  return median(times.slice(2));
}

const browser = await startBrowser();
try {
  const perWidget = (milliseconds: number, count: number) =>
    Math.round((milliseconds * 1e6 * 10) / count) / 10;
  if (!json) console.log('layout without text          Pimbot    Chromium   ratio');
  for (const count of sizes) {
    const tree = hudTree(count, 1);
    const ours = layoutTime(count);
    const theirs = await reflowTime(browser, tree.html, quick ? 5 : count > 5000 ? 30 : 100);
    const row: Row = {
      name: `layout of ${count} widgets`,
      ours: perWidget(ours, count),
      theirs: perWidget(theirs, count),
      ratio: Math.round((theirs / ours) * 10) / 10,
      unit: 'ns per widget',
    };
    if (json) console.log(JSON.stringify(row));
    else {
      const cells = [
        `${row.ours} ns`.padStart(10),
        `${row.theirs} ns`.padStart(11),
        `${row.ratio}×`.padStart(8),
      ];
      console.log(`${String(count).padStart(6)} widgets, each  ${cells.join('')}`);
    }
  }
} finally {
  await browser.close();
}
