import { Option, type Command } from 'commander';
import { factorOption, withReportOptions, withWindowOptions } from '../options.ts';
import { collect, parseCount, parseShard, type Shard } from '../arguments.ts';
import { availableParallelism } from 'node:os';
import {
  Results,
  mostLayouts,
  planOf,
  type BatchResult,
  type CheckPlan,
  type Coverage,
} from '../../verdict/index.ts';
import { factors, type Lists, type Occasion, type OccasionKey } from '../../view/index.ts';
import { writeParts, type CheckPart } from '../../node/check-parts.ts';
import type { PlanOptions } from '../../node/check-messages.ts';
import type { AskedOfView, KeptResults } from '../../node/kept-results.ts';
import { CheckThreads } from '../../node/check-threads.ts';
import { writeWhole } from '../../node/files.ts';
import { counted } from '../../report/index.ts';
import { screens, type Screen } from '../../screen/index.ts';
import { UsageError, exitClean, exitUnusable, type Io } from '../io.ts';
import { eachFile } from '../each-file.ts';
import type { Usable } from '../load.ts';
import { mendFile } from '../mend.ts';
import type { Progress } from '../progress.ts';
import type { Checked } from '../checked.ts';
import { cacheOption, keptFor, type CacheCall } from '../kept.ts';
import { checkReportPaths, tellVerdicts, type ReportCall } from '../reports.ts';
import { screenFrom, type ScreenOptions } from '../screen-option.ts';
import { version } from '../version.ts';
import { again } from '../watching.ts';

export function checkCommand(program: Command, io: Io, done: (code: number) => void): void {
  const command = program
    .command('check')
    .description('report what ends up off-screen, overlapping or unreadable, on every screen')
    .argument('<files...>', 'documents, YAML or JSON')
    .option('--view <name>', 'only this view (may be repeated)', collect)
    .option('--screen <name>', 'only this screen, a name or WIDTHxHEIGHT (may be repeated)', collect)
    .addOption(factorOption('case'))
    .addOption(factorOption('locale'));
  withReportOptions(
    withWindowOptions(command)
      .addOption(factorOption('hudSize'))
      .addOption(factorOption('textSize'))
      .addOption(factorOption('state'))
      .addOption(
        new Option(
          '--coverage <which>',
          `all combinations, or some in which every pair of values stands; pairs above ${mostLayouts} layouts of a view if left out`,
        ).choices(['all', 'pairs']),
      )
      .addOption(
        new Option(
          '--threads <count>',
          'how many threads work; as many as there are cores, where that pays, if left out',
        ).argParser(parseCount),
      )
      .option('--prove', 'prove every size of screen too, of a desktop monitor: see `pimbot prove`')
      .option('--watch', 'check again whenever a document or a file it names has changed')
      .addOption(cacheOption('check'))
      .option(
        '--mend <what>',
        'mend what is found, where a change mends it and breaks nothing: all, a check, or VIEW/WIDGET (may be repeated)',
        collect,
      )
      .option('--write', 'change the document; without it what --mend does is only shown')
      .addOption(
        new Option('--shard <i/n>', 'check only the i-th of n parts, for several machines').argParser(
          parseShard,
        ),
      )
      .option('--out <file>', 'where the part of a --shard is written, for `pimbot merge`'),
  )
    .addHelpText(
      'after',
      `
Examples:
  pimbot check hud.yaml
  pimbot check hud.yaml menu.yaml --report out/report.html --report out/report.sarif
  pimbot check hud.yaml --view dive --screen phone-portrait --screen 3440x1440
  pimbot check hud.yaml --screen 2340x1080 --safe 0,96,48,96 --density 420 --hud-size 1.3
  pimbot check hud.yaml --hud-size 1 --hud-size 1.25 --text-size 1 --text-size 1.5 --state focused
  pimbot check hud.yaml --mend all
  pimbot check hud.yaml --mend dive/sonar --mend cut-text --write
  pimbot check hud.yaml --prove
  pimbot check hud.yaml --watch
  pimbot check hud.yaml --shard 2/4 --out parts/2.json

An error (✗) keeps a player from seeing, reading or using something; a warning
(!) is a likely slip. --fail-on error lets warnings pass.

Exit codes: 0 clean, 1 findings, 2 unusable input.`,
    )
    .action(async (files: string[], call: CheckCall) => {
      if (!call.watch) return done(await check(files, call, io));
      if (call.write || call.shard)
        throw new UsageError('--watch goes neither with --write nor with --shard');
      await again(files, () => check(files, call, io), io);
    });
}

/** What was asked for of what varies. */
type Asked = { readonly [Key in Exclude<OccasionKey, 'theme'>]?: readonly Occasion[Key][] };

interface CheckCall extends ScreenOptions, ReportCall, CacheCall, Asked {
  readonly view?: readonly string[];
  readonly screen?: readonly string[];
  readonly coverage?: Coverage;
  readonly shard?: Shard;
  readonly out?: string;
  readonly mend?: readonly string[];
  readonly write?: boolean;
  readonly watch?: boolean;
}

/** The plan, of which something is looked at: what passes without a look would be a lie. @throws UsageError */
function looked(plan: CheckPlan): CheckPlan {
  if (plan.layouts > 0) return plan;
  const those = plan.views.length === 1 ? 'supports' : 'support';
  throw new UsageError(`nothing to check: ${plan.views.join(', ')} ${those} none of these screens`);
}

/** With fewer layouts than this, a check is over before a second thread is as warm as the first. */
const worthStarting = 12_000;

/** `pimbot check FILE…` */
async function check(files: readonly string[], call: CheckCall, io: Io): Promise<number> {
  const on =
    call.screen?.map((name) => screenFrom(name, call)) ?? screens.map((one) => screenFrom(one.name, call));
  checkReportPaths(call);
  if (call.shard && call.out === undefined)
    throw new UsageError('say with --out where the part of this shard is written');
  if (call.shard && call.prove) throw new UsageError('a --shard proves nothing: use `pimbot prove`');
  if (call.write && !call.mend) throw new UsageError('--write is for --mend');
  if (call.shard && call.mend)
    throw new UsageError('a --shard mends nothing: mend after the parts are merged');
  if (!call.shard && call.out !== undefined) throw new UsageError('--out is for the part of a --shard');
  const checked: Checked[] = [];
  const parts: CheckPart[] = [];
  const unused = await eachFile(files, call.theme, io, async (loaded, progress) => {
    const kept = keptFor(loaded.file, call);
    const job = { loaded, options: optionsOf(loaded, call, on), call, progress, kept };
    if (call.shard) parts.push(await partOf(job, call.shard, call.theme));
    else checked.push(await verdictOf(job));
  });
  if (!call.shard) return tellVerdicts(mended(checked, call, io), unused, call, io);
  if (unused.length > 0) return exitUnusable;
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

/** How many threads help: as many as were asked for, else as many as there are cores where that pays. */
function helpersOf({ threads }: CheckCall, layouts: number): number {
  const wanted = threads ?? (layouts < worthStarting ? 1 : availableParallelism());
  return Math.max(0, Math.min(16, wanted) - 1);
}

function optionsOf({ document }: Usable, call: CheckCall, on: readonly Screen[]): PlanOptions {
  const { view: views, coverage } = call;
  const lists: Partial<Lists> = Object.fromEntries(
    factors.flatMap(({ key, list }) =>
      call[key] === undefined || key === 'theme' ? [] : [[list, call[key]]],
    ),
  );
  const themes =
    call.theme !== undefined && document.themeName !== undefined ? [document.themeName] : undefined;
  return { screens: on, views, ...lists, ...(themes && { themes }), coverage };
}

interface Job {
  readonly loaded: Usable;
  readonly options: PlanOptions;
  readonly call: CheckCall;
  readonly progress: Progress;
  readonly kept: KeptResults;
}

async function verdictOf(job: Job): Promise<Checked> {
  const { loaded, options, kept } = job;
  const plan = looked(planOf(loaded.document, { ...options, resources: loaded.resources }));
  const results = new Results(loaded.document, plan);
  const all = plan.batches.map((_, nth) => nth);
  await run(job, plan, all, (nth, result) => results.add(nth, result));
  return { loaded, options, verdict: results.verdict(), kept };
}

/** What this machine finds out: every n-th batch, so that no machine gets one view alone. */
async function partOf(job: Job, { nth, of }: Shard, theme: string | undefined): Promise<CheckPart> {
  const { loaded, options } = job;
  const plan = looked(planOf(loaded.document, { ...options, resources: loaded.resources }));
  const mine = plan.batches.flatMap((_, at) => (at % of === nth - 1 ? [at] : []));
  const results: [number, Parameters<Results['add']>[1]][] = [];
  await run(job, plan, mine, (at, result) => results.push([at, result]));
  results.sort(([a], [b]) => a - b);
  return { file: loaded.file, theme, fingerprint: loaded.fingerprint, options, results };
}

/** Runs what is wanted of a plan; views of which all is known from an earlier run are not looked at again. */
async function run(
  { loaded, options, call, progress, kept }: Job,
  plan: CheckPlan,
  wanted: readonly number[],
  onResult: Results['add'],
): Promise<void> {
  const all = wanted.reduce((sum, nth) => sum + plan.batches[nth]!.screens.length, 0);
  let done = 0;
  progress.tell(0, all, 'layout');
  const tell: Results['add'] = (nth, result) => {
    onResult(nth, result);
    done += plan.batches[nth]!.screens.length;
    progress.tell(done, all, 'layout');
  };
  const left: number[] = [];
  const views: {
    readonly asked: AskedOfView;
    readonly nths: readonly number[];
    readonly results: BatchResult[];
  }[] = [];
  for (const view of plan.views) {
    const nths = wanted.filter((nth) => plan.batches[nth]!.view === view);
    const { document, named } = loaded;
    const batches = nths.map((nth) => plan.batches[nth]!);
    const asked: AskedOfView = { document, view, named, asked: ['check', batches] };
    const known = kept.read(asked) as readonly BatchResult[] | undefined;
    if (known) nths.forEach((nth, at) => tell(nth, known[at]!));
    else {
      left.push(...nths);
      views.push({ asked, nths, results: [] });
    }
  }
  if (left.length === 0) return;
  const layouts = left.reduce((sum, nth) => sum + plan.batches[nth]!.screens.length, 0);
  const threads = new CheckThreads(loaded.file, call.theme, helpersOf(call, layouts));
  try {
    await threads.run(
      loaded,
      plan,
      options,
      left.sort((a, b) => a - b),
      (nth, result) => {
        tell(nth, result);
        for (const { nths, results } of views) {
          const at = nths.indexOf(nth);
          if (at >= 0) results[at] = result;
        }
      },
    );
  } finally {
    await threads.close();
  }
  for (const { asked, results } of views) kept.write(asked, results);
  kept.tidy();
}
