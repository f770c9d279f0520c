import { startBrowser } from '../../bench/browser.ts';
import { judge } from './judge.ts';

/* `npm run conformance -- --cases N --seed S`: exit 1 on any disagreement with Chromium. */

function option(name: string, otherwise: number): number {
  const at = process.argv.indexOf(`--${name}`);
  if (at < 0) return otherwise;
  const value = Number(process.argv[at + 1]);
  if (!Number.isInteger(value) || value < 0) {
    process.stderr.write(`--${name} takes a whole number\n`);
    process.exit(2);
  }
  return value;
}

const cases = option('cases', 20_000);
const seed = option('seed', 1);
const step = 250;
const browser = await startBrowser();
let bad = 0;
let edges = 0;
const wrong = new Set<number>();
try {
  for (let from = 0; from < cases; from += step) {
    const seeds = Array.from({ length: Math.min(step, cases - from) }, (_, index) => seed + from + index);
    const { found, onEdge } = await judge(browser, seeds);
    edges += onEdge.length;
    for (const one of found) {
      bad++;
      wrong.add(one.seed);
      if (bad <= 20) process.stdout.write(`${JSON.stringify(one)}\n`);
    }
    if (process.stderr.isTTY)
      process.stderr.write(`\r${from + seeds.length} of ${cases}, ${wrong.size} disagree `);
  }
} finally {
  await browser.close();
}
if (process.stderr.isTTY) process.stderr.write('\n');
process.stdout.write(
  `${cases} random trees from seed ${seed}: ${wrong.size} on which Chromium disagrees, ${edges} decided by its rounding\n`,
);
process.exitCode = wrong.size === 0 ? 0 : 1;
