import { checks, documentChecks, type Severity } from '../checks/index.ts';
import { nearestName } from '../document/index.ts';
import type { Finding } from '../verdict/index.ts';
import { writeWhole } from '../node/files.ts';
import { everySize } from '../proof/index.ts';
import {
  isProved,
  proofJson,
  proofTerminal,
  reportHtml,
  reportJson,
  reportJunit,
  reportSarif,
  reportTerminal,
  shotsOf,
  type ProofInput,
  type ReportInput,
  type UnusedFile,
} from '../report/index.ts';
import { Progress } from './progress.ts';
import type { Checked } from './checked.ts';
import { provedSuggestions, provedViews } from './proved.ts';
import { suggestionsFor } from './suggestions.ts';
import { UsageError, exitClean, exitFindings, exitUnusable, type Io } from './io.ts';
import { version } from './version.ts';

/** The options that say what comes out of a check. */
export interface ReportCall {
  readonly json?: boolean;
  readonly report?: readonly string[];
  /** False: no change is tried. */
  readonly suggest?: boolean;
  /** Everything of every finding is printed. */
  readonly verbose?: boolean;
  readonly summary?: boolean;
  readonly check?: readonly string[];
  /** What makes the command exit with 1: warnings too, if left out. */
  readonly failOn?: Severity;
  /** Whether every size of screen is proved too. */
  readonly prove?: boolean;
  /** The theme that was named, and how many threads work. */
  readonly theme?: string;
  readonly threads?: number;
}

const reportKinds = ['.json', '.sarif', '.xml', '.html'] as const;

/** The end of a report's path says what it is. @throws UsageError */
export function checkReportPaths({ report: paths = [], check }: ReportCall): void {
  checksNamed(check);
  for (const path of paths) {
    if (!reportKinds.some((end) => path.toLowerCase().endsWith(end)))
      throw new UsageError(
        `"${path}" is no report: the name of one ends in .json, .sarif, .xml (JUnit) or .html`,
      );
  }
}

/** Prints and writes what came of a check; gives the exit code. */
export async function tellVerdicts(
  checked: readonly Checked[],
  unused: readonly UnusedFile[],
  call: ReportCall,
  io: Io,
): Promise<number> {
  const progress = new Progress(io.progress);
  const isWanted = checksNamed(call.check);
  // A summary tells no changes, so that none has to be tried.
  const suggests = call.suggest !== false && !(call.summary && !call.json && !call.report);
  const all: ReportInput[] = [];
  for (const one of checked) {
    const { loaded, verdict } = one;
    if (!suggests) {
      all.push({ ...loaded, verdict });
      continue;
    }
    progress.say('trying changes');
    const tried = suggestionsFor(one, (done, all) => progress.tell(done, all, 'change'));
    if (call.prove) progress.say('proving changes');
    const onEverySize =
      call.prove &&
      (await provedSuggestions(one, tried.suggestions, (done, all) => progress.tell(done, all, 'proof')));
    all.push({ ...loaded, verdict, ...tried, ...(onEverySize && { onEverySize }) });
  }
  const inputs = all.map((one) => onlyOf(one, isWanted));
  const proofs: ProofInput[] = [];
  if (call.prove) for (const one of checked) proofs.push(await proofOf(one, call, progress));
  progress.clear();
  const json = (): string => withProofs(reportJson(inputs, unused), proofs);
  for (const path of call.report ?? []) {
    const name = path.toLowerCase();
    writeWhole(
      path,
      name.endsWith('.html') ? await htmlOf(inputs, checked, unused) : textOf(name, inputs, unused, json),
    );
  }
  if (call.json) io.out(json());
  else if (inputs.length > 0)
    io.out(
      reportTerminal(inputs, io.tones, { verbose: call.verbose, summary: call.summary, width: io.columns }),
    );
  if (!call.json && proofs.length > 0)
    io.out(`\n${proofTerminal(proofs, io.tones, { verbose: call.verbose })}`);
  if (unused.length > 0) return exitUnusable;
  const failed = inputs.some(({ verdict }) =>
    verdict.findings.some(
      ({ outcome, severity }) => outcome === 'failed' && (severity === 'error' || call.failOn !== 'error'),
    ),
  );
  const isOpen = proofs.some((one) => !one.proofs.every(isProved));
  return failed || isOpen ? exitFindings : exitClean;
}

/** Whether a finding is of the checks that were named; of any where none was. @throws UsageError for no check. */
function checksNamed(names: readonly string[] | undefined): ((finding: Finding) => boolean) | undefined {
  if (!names) return undefined;
  const known: readonly string[] = [...checks, ...documentChecks].map(({ id }) => id);
  for (const name of names) {
    if (known.includes(name)) continue;
    const meant = nearestName(name, known);
    throw new UsageError(
      `there is no check "${name}"${meant === undefined ? '' : `; did you mean "${meant}"?`}`,
    );
  }
  return ({ check }) => names.includes(check);
}

/** The same with some findings alone. Changes were tried with all of them in view. */
function onlyOf(input: ReportInput, isWanted: ((finding: Finding) => boolean) | undefined): ReportInput {
  if (!isWanted) return input;
  const { verdict, suggestions } = input;
  const kept = verdict.findings.map(isWanted);
  return {
    ...input,
    verdict: { ...verdict, findings: verdict.findings.filter((_, at) => kept[at]) },
    ...(suggestions && { suggestions: suggestions.filter((_, at) => kept[at]) }),
  };
}

async function proofOf(one: Checked, call: ReportCall, progress: Progress): Promise<ProofInput> {
  const { loaded } = one;
  progress.say('proving');
  const proved = await provedViews(one, call, (done, all) => progress.tell(done, all, 'view'));
  return { file: loaded.file, document: loaded.document, ...proved, region: everySize, device: 'desktop' };
}

function textOf(
  name: string,
  inputs: readonly ReportInput[],
  unused: readonly UnusedFile[],
  json: () => string,
): string {
  if (name.endsWith('.sarif')) return reportSarif(inputs, version(), unused);
  return name.endsWith('.xml') ? reportJunit(inputs, unused) : json();
}

async function htmlOf(
  inputs: readonly ReportInput[],
  checked: readonly Checked[],
  unused: readonly UnusedFile[],
): Promise<string> {
  const { drawShots } = await import('../node/shots.ts');
  return reportHtml(
    inputs.map((input, index) => {
      const { loaded, options: on } = checked[index]!;
      const options = { resources: loaded.resources, screens: on.screens };
      return { ...input, shots: drawShots(shotsOf(input.document, input.verdict, options)) };
    }),
    unused,
  );
}

/** Proofs stand beside the files, as `pimbot prove --json` tells them. */
function withProofs(json: string, proofs: readonly ProofInput[]): string {
  if (proofs.length === 0) return json;
  const report = JSON.parse(json) as object;
  return `${JSON.stringify({ ...report, proof: JSON.parse(proofJson(proofs)) as object }, null, 2)}\n`;
}
