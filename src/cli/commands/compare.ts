import { Option, type Command } from 'commander';
import { availableParallelism } from 'node:os';
import { collect } from '../arguments.ts';
import {
  compareSnapshots,
  layoutKey,
  readProofs,
  readSnapshot,
  snapshotOf,
  tellingLayouts,
  writtenProofs,
  type SavedProofs,
  type SeenView,
  type Snapshot,
} from '../../compare/index.ts';
import { FileProblem, readLimited, writeWhole } from '../../node/files.ts';
import type { PlanOptions } from '../../node/check-messages.ts';
import { proveOnThreads } from '../../node/prove-threads.ts';
import { drawLayout } from '../../paint/index.ts';
import {
  compareProofs,
  desktop,
  everySize,
  apartBySupport,
  sizesOf,
  type ProofChange,
  type ProvedSizes,
} from '../../proof/index.ts';
import {
  compareHtml,
  compareJson,
  compareTerminal,
  counted,
  printable,
  proofChangeTerminal,
  sentenceOf,
  type Compared,
  type Pair,
  type PairBox,
  type Shot,
} from '../../report/index.ts';
import { screens } from '../../screen/index.ts';
import { openView } from '../../view/index.ts';
import type { Finding, Coverage } from '../../verdict/index.ts';
import { UsageError, exitClean, exitFindings, exitUnusable, type Io } from '../io.ts';
import { load, type Usable } from '../load.ts';
import { cacheOption, keptFor, type CacheCall } from '../kept.ts';
import { optimiseLater } from '../optimise-later.ts';
import { Progress } from '../progress.ts';
import { screenFrom } from '../screen-option.ts';

export function compareCommands(program: Command, io: Io, done: (code: number) => void): void {
  const withWhat = (command: Command): Command =>
    command
      .option('--view <name>', 'only this view (may be repeated)', collect)
      .option('--screen <name>', 'only this screen, a name or WIDTHxHEIGHT (may be repeated)', collect)
      .option('--locale <tag>', 'only this locale (may be repeated)', collect)
      .addOption(
        new Option('--coverage <which>', 'all combinations, or some in which every pair of values stands')
          .choices(['all', 'pairs'])
          .default('pairs'),
      )
      .addOption(cacheOption('with --prove: prove'));
  withWhat(
    program
      .command('compare')
      .description('compare two documents: changes and new findings')
      .argument('<old>', 'a document, or a baseline of one')
      .argument('<new>', 'the document as it is now'),
  )
    .option(
      '--report <file>',
      'write a report too: .html (before and after, drawn) or .json (may be repeated)',
      collect,
    )
    .option(
      '--prove',
      'prove both on every size of screen too, and say on which the new one no longer holds; of a baseline, what it keeps of that',
    )
    .option('--exact', 'any difference is exit code 1, not only new and worse findings')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot compare hud-1.4.yaml hud.yaml
  pimbot compare hud.baseline.json hud.yaml --report out/compare.html
  pimbot compare old/hud.yaml hud.yaml --view dive --screen ultrawide --exact
  pimbot compare hud-1.4.yaml hud.yaml --prove

Exit codes: 0 nothing new is found and nothing is worse, 1 new or worse findings (with
--exact: any difference; with --prove: sizes on which a view no longer holds), 2
unusable input.`,
    )
    .action(async (old: string, now: string, call: CompareCall) => done(await compare(old, now, call, io)));
  withWhat(
    program
      .command('baseline')
      .description('save where everything is and what is found, for `pimbot compare`')
      .argument('<file>', 'a document, YAML or JSON'),
  )
    .requiredOption('--out <file>', 'where it is written; the name ends in .json')
    .option('--prove', 'keep on which sizes every view holds too, for `pimbot compare --prove`')
    .addHelpText(
      'after',
      '\nExamples:\n  pimbot baseline hud.yaml --out hud.baseline.json\n  pimbot baseline hud.yaml --prove --out hud.baseline.json',
    )
    .action(async (file: string, call: BaselineCall) => done(await baseline(file, call, io)));
}

interface CompareCall extends CacheCall {
  readonly view?: readonly string[];
  readonly screen?: readonly string[];
  readonly locale?: readonly string[];
  readonly coverage?: Coverage;
  readonly report?: readonly string[];
  readonly exact?: boolean;
  readonly prove?: boolean;
  readonly json?: boolean;
}

interface BaselineCall extends Pick<
  CompareCall,
  'view' | 'screen' | 'locale' | 'coverage' | 'prove' | 'cache'
> {
  readonly out: string;
}

/** One side of a comparison: a document, or what was saved of one. */
interface Side {
  readonly snapshot: Snapshot;
  readonly loaded: Usable | undefined;
  /** What a baseline keeps of proofs. */
  readonly proved?: SavedProofs;
}

/** Of the format of a baseline. */
const baselineVersion = 2;
/** The most bytes a baseline may have. */
const mostBaselineBytes = 1024 * 1024 * 1024;

/** `pimbot compare OLD NEW` */
async function compare(old: string, now: string, call: CompareCall, io: Io): Promise<number> {
  for (const path of call.report ?? [])
    if (!/\.(html|json)$/i.test(path))
      throw new UsageError(`"${path}" is no report of a comparison: the name of one ends in .html or .json`);
  const progress = new Progress(io.progress);
  const before = await sideOf(old, call, io, progress);
  const after = before && (await sideOf(now, call, io, progress));
  progress.clear();
  if (!before || !after) return exitUnusable;
  const comparison = compareSnapshots(before.snapshot, after.snapshot);
  // What a baseline keeps is read at once, and refused before anything is proved.
  const kept = call.prove && !before.loaded ? await provedOn(before, call, progress) : undefined;
  const { apart } = comparison.views;
  // That nothing has changed where nothing was compared would be a lie.
  if (apart.length > 0 && comparison.layouts === 0)
    throw new UsageError(
      `nothing to compare: no layout of ${apart.join(', ')} is in both; their screens, cases, languages or what they support are others`,
    );
  const proved = call.prove
    ? compareProofs(kept ?? (await provedOn(before, call, progress)), await provedOn(after, call, progress))
    : [];
  progress.clear();
  const names = [...new Set(after.snapshot.seen.map(({ screen }) => screen))];
  const compared: Compared = { old, now, comparison, screens: names };
  for (const path of call.report ?? []) {
    const html = path.toLowerCase().endsWith('.html');
    writeWhole(
      path,
      html ? compareHtml(compared, await pairsOf(compared, before, after)) : compareJson(compared),
    );
  }
  if (call.json) io.out(call.prove ? jsonWith(compareJson(compared), proved) : compareJson(compared));
  else {
    io.out(compareTerminal(compared, io.tones));
    if (call.prove) io.out(proofChangeTerminal(proved, io.tones));
  }
  const { changes, views, findings } = comparison;
  const found = [...findings.new, ...findings.worse.map((one) => one.now)];
  const worse = found.some(({ outcome }) => outcome === 'failed');
  const differs =
    changes.length + views.new.length + views.gone.length + findings.gone.length + findings.better.length > 0;
  const isLost = proved.some(({ lost }) => lost > 0);
  const isOther = differs || proved.some(({ gained, dropped, added }) => gained + dropped + added > 0);
  return worse || isLost || (call.exact && isOther) ? exitFindings : exitClean;
}

/**
 * On which sizes the views of one side hold: proved now, or kept in a baseline.
 * @throws UsageError where a baseline keeps nothing of it, or of other locales.
 */
async function provedOn(
  { loaded, proved }: Side,
  call: Pick<CompareCall, 'view' | 'locale' | 'cache'>,
  progress: Progress,
): Promise<readonly ProvedSizes[]> {
  const { view: views, locale: locales } = call;
  if (!loaded) {
    const kept = readProofs(proved);
    if (!kept)
      throw new UsageError(
        'the baseline keeps no proof: save it with `pimbot baseline --prove`, or leave --prove out',
      );
    const asked = namesOf(locales);
    const before = namesOf(proved!.locales);
    if (asked !== before)
      throw new UsageError(
        `the baseline was proved in ${before}, and this asks for ${asked}: give the same --locale`,
      );
    return views === undefined ? kept : kept.filter(({ view }) => views.includes(view));
  }
  const { file, document } = loaded;
  const all = Object.keys(document.source.views);
  const asked = views === undefined ? all : all.filter((name) => views.includes(name));
  const { supported, unsupported } = apartBySupport(document, asked, everySize);
  const none = unsupported.map((view): ProvedSizes => ({ view, region: [], open: [] }));
  if (supported.length === 0) return none;
  optimiseLater();
  const proofs = await proveOnThreads({
    file,
    theme: undefined,
    project: loaded,
    options: { device: desktop, region: everySize, locales },
    views: supported,
    threads: availableParallelism(),
    kept: keptFor(file, call),
    progress: (done, all) => progress.tell(done, all, 'view'),
  });
  return [...proofs.map(sizesOf), ...none];
}

function namesOf(locales: readonly string[] | undefined): string {
  return locales ? [...new Set(locales)].sort().join(', ') : 'all locales';
}

function jsonWith(json: string, proved: readonly ProofChange[]): string {
  return `${JSON.stringify({ ...(JSON.parse(json) as object), proved }, null, 2)}\n`;
}

/** `pimbot baseline FILE --out BASELINE` */
async function baseline(file: string, call: BaselineCall, io: Io): Promise<number> {
  const progress = new Progress(io.progress);
  const side = await sideOf(file, call, io, progress);
  if (!side) return exitUnusable;
  const proofs = call.prove ? await provedOn(side, call, progress) : undefined;
  progress.clear();
  const proved = proofs && writtenProofs(proofs, call.locale);
  writeWhole(
    call.out,
    `${JSON.stringify({ 'pimbot-baseline': baselineVersion, ...side.snapshot, ...(proved && { proved }) })}\n`,
  );
  const { seen, findings } = side.snapshot;
  const kept = [
    counted(seen.length, 'layout'),
    counted(findings.length, 'finding'),
    ...(proofs ? [counted(proofs.length, 'proof')] : []),
  ];
  io.out(`${call.out}: ${kept.join(', ')}\n`);
  return exitClean;
}

async function sideOf(
  path: string,
  call: Omit<CompareCall, 'report' | 'exact' | 'json'>,
  io: Io,
  progress: Progress,
): Promise<Side | undefined> {
  progress.say(`reading ${printable(path)}`);
  const saved = savedIn(path);
  if (saved) return { ...saved, loaded: undefined };
  const loaded = await load(path, io, undefined, () => progress.clear());
  if (!loaded.document) return undefined;
  const { view: views, locale: locales, coverage = 'pairs' } = call;
  const on = call.screen?.map((name) => screenFrom(name, {})) ?? screens;
  const options: PlanOptions = { screens: on, views, locales, coverage };
  progress.say(`looking at ${printable(path)}`);
  const message = (finding: Finding) => sentenceOf(finding);
  return {
    snapshot: snapshotOf(loaded.document, { ...options, resources: loaded.resources }, message),
    loaded,
  };
}

/** What was saved of a document; undefined where the file is none of those. @throws UsageError */
function savedIn(path: string): Pick<Side, 'snapshot' | 'proved'> | undefined {
  if (!path.toLowerCase().endsWith('.json')) return undefined;
  try {
    const read = JSON.parse(new TextDecoder().decode(readLimited(path, mostBaselineBytes))) as {
      readonly 'pimbot-baseline'?: unknown;
      readonly 'proved'?: SavedProofs;
    };
    const saved = read?.['pimbot-baseline'];
    if (saved === undefined) return undefined;
    if (saved !== baselineVersion)
      throw new UsageError(
        `"${path}" is a baseline of another version of Pimbot: save it again with \`pimbot baseline\``,
      );
    const { proved, ...rest } = read;
    const snapshot = readSnapshot(rest);
    if (!snapshot || (proved !== undefined && !readProofs(proved)))
      throw new UsageError(`"${path}" is a baseline that was changed or cut short`);
    return { snapshot, proved };
  } catch (error) {
    if (error instanceof UsageError) throw error;
    // A document may be JSON too; what it is wrong with is told when it is read as one.
    if (error instanceof FileProblem || error instanceof SyntaxError) return undefined;
    throw error;
  }
}

/** How many layouts of a view are drawn. */
const mostPairs = 3;

/** Each changed view where most of what changed is seen, drawn before and after. */
async function pairsOf({ comparison }: Compared, before: Side, after: Side): Promise<Pair[]> {
  const { drawShots } = await import('../../node/shots.ts');
  const drawn = (side: Side, seen: SeenView): string | undefined => {
    if (!side.loaded) return undefined;
    const { document, resources } = side.loaded;
    const screen = screenFrom(seen.screen, {});
    const { view: name, width, height, occasion } = seen;
    const list = drawLayout(openView(document, name, { resources, ...occasion }).layoutOn(screen));
    const shot: Shot = {
      ...occasion,
      view: name,
      screen: seen.screen,
      alike: [],
      width,
      height,
      list,
      marks: [],
    };
    return drawShots([shot])[0]!.picture;
  };
  const find = ({ snapshot }: Side, at: SeenView) =>
    snapshot.seen.find((one) => layoutKey(one) === layoutKey(at));
  const views = [...new Set(comparison.changes.map(({ view }) => view))];
  return views.flatMap((view) =>
    tellingLayouts(comparison, view, mostPairs).map(({ at, changes }): Pair => {
      const was = find(before, at);
      const is = find(after, at);
      const ids = new Set(changes.map((nth) => comparison.changes[nth]!.widget));
      const boxes = [...(was ? boxesOf(was, ids, 'before') : []), ...(is ? boxesOf(is, ids, 'after') : [])];
      const { screen, occasion, width, height } = at;
      return {
        view,
        screen,
        occasion,
        width,
        height,
        before: was && drawn(before, was),
        after: is && drawn(after, is),
        boxes,
      };
    }),
  );
}

function boxesOf(
  { widgets, width, height }: SeenView,
  ids: ReadonlySet<string>,
  when: PairBox['when'],
): PairBox[] {
  // What is inside of something that changed goes with it: one box is enough.
  const isInside = (parent: number): boolean => {
    for (let at = parent; at >= 0; at = widgets[at]![1]) if (ids.has(widgets[at]![0])) return true;
    return false;
  };
  return widgets.flatMap(([widget, parent, x, y, wide, high]) =>
    ids.has(widget) && !isInside(parent)
      ? [{ when, widget, x: x / width, y: y / height, width: wide / width, height: high / height }]
      : [],
  );
}
