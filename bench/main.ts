import { LiveLayout, makeScreen, openView, readDocument, type DocumentSource, type View } from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import { median, reflowTime, startBrowser, textTime } from './browser.ts';
import { hudTree, labelTree } from './trees.ts';

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
const rounds = quick ? 5 : 40;
const wide = makeScreen({ width: 2560, height: 1080 });
const small = makeScreen({ width: 1280, height: 720 });

function tell(name: string, ours: number, theirs: number, unit: string): void {
  const short = (value: number) => Number(value.toPrecision(4));
  const row: Row = { name, ours: short(ours), theirs: short(theirs), ratio: short(theirs / ours), unit };
  if (json) process.stdout.write(`${JSON.stringify(row)}\n`);
  else {
    const cells = [
      String(row.ours).padStart(10),
      String(row.theirs).padStart(10),
      `${row.ratio}`.padStart(9),
    ];
    process.stdout.write(`${name.padEnd(44)}${cells.join('')}  ${unit}\n`);
  }
}

function viewOf(source: DocumentSource): View {
  const { document, diagnostics } = readDocument(source);
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  return openView(document, 'bench', { resources: { fonts: bundledFonts() } });
}

/** Nanoseconds of one call: the median of batches, after some that are not counted. */
function timeOf(batch: number, call: (turn: number) => void): number {
  const times: number[] = [];
  for (let round = 0; round < rounds + 5; round++) {
    const start = performance.now();
    for (let turn = 0; turn < batch; turn++) call(turn);
    if (round >= 5) times.push(((performance.now() - start) * 1e6) / batch);
  }
  return median(times);
}

/** Nanoseconds of laying a view out on another screen. */
function resizeTime(source: DocumentSource, count: number): number {
  const live = new LiveLayout(viewOf(source), wide);
  const rect = { x: 0, y: 0, width: 0, height: 0 };
  return timeOf(Math.max(2, Math.round(60_000 / count)), (turn) => {
    live.resize(turn % 2 === 0 ? small : wide);
    live.read(count, rect);
  });
}

if (!json)
  process.stdout.write(
    `${''.padEnd(44)}${'Pimbot'.padStart(10)}${'other'.padStart(10)}${'ratio'.padStart(9)}\n`,
  );
const browser = await startBrowser();
const perWidget: number[] = [];
try {
  for (const count of quick ? [100] : [100, 1000, 10_000]) {
    const tree = hudTree(count, 1);
    const ours = resizeTime(tree.document, count) / count;
    const theirs =
      ((await reflowTime(browser, tree.html, quick ? 5 : count > 5000 ? 30 : 100)) * 1e6) / count;
    perWidget.push(ours);
    tell(`layout of ${count} widgets, beside Chromium`, ours, theirs, 'ns per widget');
  }
  if (!quick) {
    const most = resizeTime(hudTree(100_000, 1).document, 100_000) / 100_000;
    tell('100,000 widgets (other: 1,000)', most, perWidget[1]!, 'ns per widget');

    const labels = labelTree(1000);
    const all = resizeTime(labels.document, labels.count);
    const theirs = (await reflowTime(browser, labels.html, 60)) * 1e6;
    tell(
      `layout of ${labels.count} widgets with text, beside Chromium`,
      all / labels.count,
      theirs / labels.count,
      'ns per widget',
    );

    const live = new LiveLayout(viewOf(labels.document), wide);
    let turn = 0;
    const one = timeOf(2000, () => live.set({ depth: ++turn % 10_000 }));
    const full = resizeTime(hudTree(1000, 1).document, 1000);
    tell('one changed label (other: full layout of 1,000)', one, full, 'ns');

    const meters = viewOf({
      pimbot: 1,
      cases: { only: { hull: 0.5 } },
      views: {
        bench: {
          children: [...hudTree(1000, 1).document.views.bench!.children!, { kind: 'meter', value: '{hull}' }],
        },
      },
    });
    const metered = new LiveLayout(meters, wide);
    const meter = timeOf(20_000, () => metered.set({ hull: (++turn % 1000) / 1000 }));
    tell('one changed meter (other: full layout of 1,000)', meter, full, 'ns');

    const changed = await textTime(browser, labels.html, 30);
    const values = labels.names;
    const many = timeOf(4, (round) =>
      live.set(Object.fromEntries(values.map((name, at) => [name, round * 31 + at]))),
    );
    tell('1,000 labels that all change, beside Chromium', many, changed * 1e6, 'ns');

    // Bytes the heap grew by in many resizes, with nothing collected in between.
    const quiet = new LiveLayout(viewOf(hudTree(1000, 1).document), wide);
    const frames = [wide, small];
    for (let warm = 0; warm < 20_000; warm++) quiet.resize(frames[warm % 2]!);
    globalThis.gc?.();
    const before = process.memoryUsage().heapUsed;
    for (let solve = 0; solve < 2000; solve++) quiet.resize(frames[solve % 2]!);
    const grown = (process.memoryUsage().heapUsed - before) / 2000;
    tell('heap growth of a resize (other: 1,000 rectangles)', grown, 1000 * 48, 'bytes');
  }
} finally {
  await browser.close();
}
