import { availableParallelism } from 'node:os';
import { Results, planOf, type CheckPlan, type Coverage } from '../verdict/index.ts';
import type { State } from '../document/index.ts';
import { writeParts, type CheckPart } from '../node/check-parts.ts';
import type { PlanOptions } from '../node/check-messages.ts';
import { CheckThreads } from '../node/check-threads.ts';
import { writeWhole } from '../node/files.ts';
import { counted, printable } from '../report/index.ts';
import { screens, type Screen } from '../screen/index.ts';
import { UsageError, exitClean, exitUnusable, type Io } from './io.ts';
import { load, type Loaded, type Usable } from './load.ts';
import { mendFile } from './mend.ts';
import { Progress } from './progress.ts';
import type { Checked } from './checked.ts';
import { checkReportPaths, tellVerdicts, type ReportCall } from './reports.ts';
import { screenFrom, type ScreenOptions } from './screens.ts';
import { version } from './version.ts';

export interface CheckCall extends ScreenOptions, ReportCall {
  readonly view?: readonly string[];
  readonly screen?: readonly string[];
  readonly case?: readonly string[];
  readonly locale?: readonly string[];
  readonly hudSize?: readonly number[];
  readonly textSize?: readonly number[];
  readonly state?: readonly State[];
  readonly theme?: string;
  readonly coverage?: Coverage;
  readonly threads?: number;
  readonly shard?: Shard;
  readonly out?: string;
  readonly mend?: readonly string[];
  readonly write?: boolean;
}

/** The share of one of several machines. */
export interface Shard {
  readonly nth: number;
  readonly of: number;
}

/** With fewer screens than this, a check is over before another thread could help. */
const worthStarting = 8;

/** `pimbot check FILE…` */
export async function check(files: readonly string[], call: CheckCall, io: Io): Promise<number> {
  const on =
    call.screen?.map((name) => screenFrom(name, call)) ?? screens.map((one) => screenFrom(one.name, call));
  checkReportPaths(call);
  if (call.shard && call.out === undefined)
    throw new UsageError('say with --out where the part of this shard is written');
  if (call.write && !call.mend) throw new UsageError('--write is for --mend');
  if (call.shard && call.mend)
    throw new UsageError('a --shard mends nothing: mend after the parts are merged');
  if (!call.shard && call.out !== undefined) throw new UsageError('--out is for the part of a --shard');
  const progress = new Progress(io.progress);
  const checked: Checked[] = [];
  const unusable: Loaded[] = [];
  const parts: CheckPart[] = [];
  for (const file of files) {
    progress.say(`reading ${printable(file)}`);
    // Threads read the document while this one does.
    const threads = new CheckThreads(file, call.theme, on.length < worthStarting ? 0 : helpersOf(call));
    try {
      const loaded = await load(file, io, call.theme, () => progress.clear());
      if (!loaded.document) {
        unusable.push(loaded);
        continue;
      }
      const job = { loaded, options: optionsOf(loaded, call, on), threads, progress };
      if (call.shard) parts.push(await partOf(job, call.shard, call.theme));
      else checked.push(await verdictOf(job));
    } finally {
      progress.clear();
      await threads.close();
    }
  }
  if (!call.shard) return tellVerdicts(mended(checked, call, io), unusable, call, io);
  if (unusable.length > 0) return exitUnusable;
  writeWhole(call.out!, writeParts(version(), parts));
  const batches = parts.reduce((sum, { results }) => sum + results.length, 0);
  io.out(
    `${call.out!}: shard ${call.shard.nth} of ${call.shard.of}, ${counted(batches, 'batch', 'batches')}\n`,
  );
  return exitClean;
}

/** The same with what was asked for mended. */
function mended(
  checked: readonly Checked[],
  { mend: wanted, write = false, json }: CheckCall,
  io: Io,
): readonly Checked[] {
  if (!wanted) return checked;
  // What is printed for machines stays one object.
  const quiet: Io = json ? { ...io, out: () => undefined } : io;
  return checked.map((one) => mendFile(one, wanted, write, quiet));
}

/** How many threads help. */
function helpersOf({ threads = availableParallelism() }: CheckCall): number {
  return Math.max(0, Math.min(16, threads) - 1);
}

function optionsOf({ document }: Usable, call: CheckCall, on: readonly Screen[]): PlanOptions {
  const { view: views, case: cases, locale: locales, hudSize, textSize, state: states, coverage } = call;
  const themes =
    call.theme !== undefined && document.themeName !== undefined ? [document.themeName] : undefined;
  return {
    screens: on,
    views,
    cases,
    locales,
    themes,
    hudSizes: hudSize,
    textSizes: textSize,
    states,
    coverage,
  };
}

interface Job {
  readonly loaded: Usable;
  readonly options: PlanOptions;
  readonly threads: CheckThreads;
  readonly progress: Progress;
}

async function verdictOf({ loaded, options, threads, progress }: Job): Promise<Checked> {
  const plan = planOf(loaded.document, { ...options, resources: loaded.resources });
  const results = new Results(loaded.document, plan);
  const all = plan.batches.map((_, nth) => nth);
  await run({ loaded, options, threads, progress }, plan, all, (nth, result) => results.add(nth, result));
  return { loaded, options, verdict: results.verdict() };
}

/** What this machine finds out: every n-th batch, so that no machine gets one view alone. */
async function partOf(job: Job, { nth, of }: Shard, theme: string | undefined): Promise<CheckPart> {
  const { loaded, options } = job;
  const plan = planOf(loaded.document, { ...options, resources: loaded.resources });
  const mine = plan.batches.flatMap((_, at) => (at % of === nth - 1 ? [at] : []));
  const results: [number, Parameters<Results['add']>[1]][] = [];
  await run(job, plan, mine, (at, result) => results.push([at, result]));
  results.sort(([a], [b]) => a - b);
  return { file: loaded.file, theme, fingerprint: loaded.fingerprint, options, results };
}

async function run(
  { loaded, options, threads, progress }: Job,
  plan: CheckPlan,
  wanted: readonly number[],
  onResult: Results['add'],
): Promise<void> {
  const all = wanted.reduce((sum, nth) => sum + plan.batches[nth]!.screens.length, 0);
  let done = 0;
  progress.tell(0, all, 'layout');
  await threads.run(loaded, plan, options, wanted, (nth, result) => {
    onResult(nth, result);
    done += plan.batches[nth]!.screens.length;
    progress.tell(done, all, 'layout');
  });
}
