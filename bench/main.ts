import {
  LiveDrawing,
  LiveView,
  drawLayout,
  makeScreen,
  openView,
  readDocument,
  type DocumentSource,
  type View,
} from 'pimbot';
import { bundledFonts } from 'pimbot/node';
import { median, rivalWith, startBrowser } from './browser.ts';
import { checkDemo, checkGrowth, checkMany } from './checking.ts';
import { checkCommand, reading, suggestions } from './commands.ts';
import { buttons, listRace, liveRaces, markerRace, viewOf as liveViewOf } from './live.ts';
import { liveHud } from './hud.ts';
import { hudPages } from './page.ts';
import { demoProved, proofs } from './proof.ts';
import { reloaded } from './reload.ts';
import { openedReport } from './report.ts';
import { hudTree, labelTree } from './trees.ts';
import { changesOnDisk, drags } from './workbench.ts';

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
/** What is measured; everything if left out. */
const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : undefined;
const wants = (what: string) => only === undefined || only === what;
/** Ours and theirs are measured in turn, so that a machine that slows down slows both down. */
const slices = quick ? 2 : 12;
const wide = makeScreen({ width: 2560, height: 1080 });
const small = makeScreen({ width: 1280, height: 720 });

function tell(name: string, ours: number, theirs: number, unit: string, ratio = theirs / ours): void {
  const short = (value: number) => Number(value.toPrecision(4));
  const row: Row = { name, ours: short(ours), theirs: short(theirs), ratio: short(ratio), unit };
  if (json) process.stdout.write(`${JSON.stringify(row)}\n`);
  else {
    const cells = [
      String(row.ours).padStart(10),
      String(row.theirs).padStart(10),
      `${row.ratio}`.padStart(9),
    ];
    process.stdout.write(`${name.padEnd(58)}${cells.join('')}  ${unit}\n`);
  }
}

function viewOf(source: DocumentSource): View {
  const { document, diagnostics } = readDocument(source);
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  return openView(document, 'bench', { resources: { fonts: bundledFonts() } });
}

/** Something that takes some nanoseconds an operation. */
type Racer = () => number | Promise<number>;

/** A racer that makes calls for about `milliseconds` and gives the mean of one. */
function calls(milliseconds: number, call: (turn: number) => void): Racer {
  let turn = 0;
  for (const end = performance.now() + milliseconds; performance.now() < end;) call(turn++);
  const batch = Math.max(2, Math.round(turn / 8));
  return () => {
    let made = 0;
    const start = performance.now();
    while (performance.now() - start < milliseconds) {
      for (let one = 0; one < batch; one++) call(turn++);
      made += batch;
    }
    return ((performance.now() - start) * 1e6) / made;
  };
}

/** Measures two in turn and tells the medians of both and of their ratios. `each` divides the times. */
async function race(name: string, unit: string, ours: Racer, theirs: Racer, each = 1): Promise<number> {
  const found: { ours: number; theirs: number }[] = [];
  for (let slice = 0; slice < slices; slice++)
    found.push({ ours: (await ours()) / each, theirs: (await theirs()) / each });
  const own = median(found.map((one) => one.ours));
  const other = median(found.map((one) => one.theirs));
  tell(name, own, other, unit, median(found.map((one) => one.theirs / one.ours)));
  return own;
}

const milliseconds = quick ? 20 : 120;

/** Laying a view out on another screen. */
function resizing(source: DocumentSource, count: number, one = small, other = wide): Racer {
  const live = new LiveView(viewOf(source), other);
  const rect = { x: 0, y: 0, width: 0, height: 0 };
  return calls(milliseconds, (turn) => {
    live.resize(turn % 2 === 0 ? one : other);
    live.read(count, rect);
  });
}

/** Bytes the heap grows by with each call, with nothing collected in between. */
function growth(count: number, call: (turn: number) => void): number {
  for (let warm = 0; warm < 20_000; warm++) call(warm);
  const found: number[] = [];
  for (let round = 0; round < 5; round++) {
    globalThis.gc?.();
    const before = process.memoryUsage().heapUsed;
    for (let turn = 0; turn < count; turn++) call(turn);
    found.push((process.memoryUsage().heapUsed - before) / count);
  }
  return Math.max(0, median(found));
}

if (!json)
  process.stdout.write(
    `${''.padEnd(58)}${'Pimbot'.padStart(10)}${'other'.padStart(10)}${'ratio'.padStart(9)}\n`,
  );
// The first document of this process.
const firstRead = wants('checking') ? reading() : undefined;
const browser = await startBrowser();
try {
  for (const count of !wants('layout') ? [] : quick ? [100] : [100, 1000, 10_000]) {
    const tree = hudTree(count, 1);
    const rival = await rivalWith(browser, tree.html);
    const rounds = quick ? 5 : Math.max(4, Math.round(20_000 / count));
    const ours = resizing(tree.document, count);
    await race(
      `layout of ${count} widgets, beside Chromium`,
      'ns per widget',
      ours,
      () => rival.reflow(rounds),
      count,
    );
    await rival.close();
  }
  if (!quick && wants('live')) {
    const many = resizing(hudTree(100_000, 1).document, 100_000);
    const few = resizing(hudTree(1000, 1).document, 1000);
    await race(
      '100,000 widgets (other: 1,000)',
      'ns per widget',
      async () => (await many()) / 100,
      few,
      1000,
    );

    const labels = labelTree(1000);
    const { names, count } = labels;
    const rival = await rivalWith(browser, labels.html);
    const withText = resizing(labels.document, count);
    await race(
      `layout of ${count} widgets with text, beside Chromium`,
      'ns per widget',
      withText,
      () => rival.reflow(10),
      count,
    );

    const live = new LiveView(viewOf(labels.document), wide);
    const one = calls(milliseconds, (turn) => live.set({ depth: turn % 10_000 }));
    await race('one changed label (other: full layout of that view)', 'ns', one, withText);
    await race('one changed label (other: 1,000 widgets without text)', 'ns', one, few);

    const meters = viewOf({
      pimbot: 1,
      reference: { scaling: 'none' },
      cases: { only: { hull: 0.5 } },
      views: {
        bench: {
          children: [...hudTree(1000, 1).document.views.bench!.children!, { kind: 'meter', value: '{hull}' }],
        },
      },
    });
    const metered = new LiveView(meters, wide);
    const meter = calls(milliseconds, (turn) => metered.set({ hull: (turn % 1000) / 1000 }));
    await race('one changed meter (other: full layout of that view)', 'ns', meter, few);

    const values: Record<string, number> = {};
    const all = calls(milliseconds, (round) => {
      names.forEach((name, at) => (values[name] = round * 31 + at));
      live.set(values);
    });
    await race('1,000 labels that all change, beside Chromium', 'ns', all, () => rival.relabel(10));
    await rival.close();

    // On screens on which no label breaks, so that both trees are laid out alike.
    const [wider, widest] = [
      makeScreen({ width: 2560, height: 1080 }),
      makeScreen({ width: 3840, height: 1080 }),
    ];
    const bare = labelTree(1000, false);
    const staying = resizing(labels.document, count, wider, widest);
    const without = resizing(bare.document, bare.count, wider, widest);
    await race(
      '1,000 labels that stay (other: boxes in their place)',
      'ns per widget',
      staying,
      without,
      count,
    );

    const quiet = new LiveView(viewOf(hudTree(1000, 1).document), wide);
    const grown = growth(4000, (turn) => quiet.resize(turn % 2 === 0 ? small : wide));
    tell('heap growth of a resize (other: 1,000 rectangles)', grown, 1000 * 48, 'bytes');
  }
  if (wants('live')) {
    const all = (quick ? [110] : [18, 110, 1000]).flatMap((count) => {
      const { html, races } = liveRaces(count);
      return races.map((race) => ({ html, race }));
    });
    for (const { html, race: one } of [...all, markerRace(), listRace()]) {
      const rival = await rivalWith(browser, html);
      await race(
        `${one.name}, beside Chromium`,
        'ns',
        calls(milliseconds, (turn) => one.ours(turn)),
        () => rival.script(one.theirs, quick ? 20 : 200),
      );
      await rival.close();
    }
    const still = liveViewOf(buttons(504).source);
    const kept = new LiveDrawing(still);
    const whole = calls(milliseconds, () => drawLayout(still.snapshot()));
    const nothing = calls(milliseconds, () => kept.update());
    await race(
      'the draw list of 504 widgets in which nothing changed (other: drawn anew)',
      'ns',
      nothing,
      whole,
    );
    const drawn = growth(4000, () => kept.update());
    tell(
      'heap growth of a draw list in which nothing changed (other: 504 rectangles)',
      drawn,
      504 * 48,
      'bytes',
    );
    const hud = await liveHud();
    const [frame, drawnHud] = [calls(milliseconds, hud.frame), calls(milliseconds, hud.drawn)];
    await race('a frame of the dive HUD in which all changes (other: drawn anew)', 'ns', frame, drawnHud);
    const [translated, opened] = [calls(milliseconds, hud.translated), calls(milliseconds, hud.opened)];
    await race('the dive HUD in another language, all kept (other: opened anew)', 'ns', translated, opened);
    // So few that nothing is collected meanwhile.
    const [ours, without] = [growth(50, hud.frame), growth(50, hud.followed)];
    tell('heap growth of such a frame (other: without its draw list)', ours, without, 'bytes');
  }
  if (wants('page')) {
    const pages = await hudPages(browser);
    const first = await pages.firstHud(quick ? 2 : 15);
    tell('the HUD of docs/in-a-game.md first painted, beside HTML', first.ours, first.theirs, 'ms');
    const frames = await pages.everyFrame(quick ? 1 : 8);
    tell('a second of it, a number counting; all processes of the browser', frames.ours, frames.theirs, 'ms');
    pages.close();
    if (!quick)
      tell('  a change of its YAML in the running game (other: 100)', await reloaded(browser, 9), 100, 'ms');
  }
  if (wants('report') && !quick) {
    const { findings, bytes, cpu } = await openedReport(browser, 9);
    tell(`a report of ${findings} findings, opened (other: 500)`, cpu, 500, 'ms of the processor');
    tell('  its size (other: 1,500)', bytes / 1000, 1500, 'kB');
  }
  if (wants('workbench') && !quick) {
    for (const { name, framesPerSecond, stage, others, longest } of await drags(browser, 4)) {
      tell(`${name}, one dragged (other: 60)`, framesPerSecond, 60, 'frames a second', framesPerSecond / 60);
      tell('  a trial: its stage (other: twelve screens beside)', stage, others, 'ms');
      tell('  the longest task of the page (other: 50)', longest, 50, 'ms');
    }
    const disk = await changesOnDisk(browser, 9);
    tell('a change on disk: the stage (other: all drawn and checked)', disk.stage, disk.all, 'ms');
  }
  if (wants('proof')) {
    for (const one of await proofs()) tell(one.name, one.proving, one.bruteForce, 'ms');
    const { seconds, cells, occasions } = await demoProved();
    tell(`the demo proved, ${occasions} occasions of views (other: 10 s), ${cells} cells`, seconds, 10, 's');
  }
  if (wants('checking')) {
    const grown = (quick ? [1000] : [1000, 4000, 16_000]).map(checkGrowth);
    for (const one of [await checkDemo(quick ? 1 : 5), checkMany(), ...grown])
      tell(one.name, one.checking, one.layingOut, 'ms');
    const rounds = quick ? 1 : 3;
    for (const one of [checkCommand(rounds), await suggestions(rounds), firstRead!])
      tell(one.name, one.ours, one.theirs, 'ms');
  }
} finally {
  await browser.close();
}
