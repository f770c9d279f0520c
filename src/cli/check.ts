import { checkDocument } from '../checks/index.ts';
import { messageOf } from '../document/index.ts';
import { writeWhole } from '../node/files.ts';
import {
  reportHtml,
  reportJson,
  reportJunit,
  reportSarif,
  reportTerminal,
  shotsOf,
  type ReportInput,
  type ShotOptions,
} from '../report/index.ts';
import { screens } from '../screen/index.ts';
import { UsageError, exitClean, exitFindings, exitUnusable, type Io } from './io.ts';
import { load, type Loaded } from './load.ts';
import { version } from './version.ts';
import { screenFrom, type ScreenOptions } from './screens.ts';

export interface CheckCall extends ScreenOptions {
  readonly view?: readonly string[];
  readonly screen?: readonly string[];
  readonly case?: readonly string[];
  readonly locale?: readonly string[];
  readonly hudSize?: number;
  readonly theme?: string;
  readonly json?: boolean;
  readonly report?: readonly string[];
}

/** `pimbot check FILE…` */
export async function check(files: readonly string[], call: CheckCall, io: Io): Promise<number> {
  const on =
    call.screen?.map((name) => screenFrom(name, call)) ?? screens.map((one) => screenFrom(one.name, call));
  checkReportPaths(call.report ?? []);
  const inputs: ReportInput[] = [];
  const shown: ShotOptions[] = [];
  const unusable: Loaded[] = [];
  for (const file of files) {
    const loaded = await load(file, io, call.theme);
    if (!loaded.document) {
      unusable.push(loaded);
      continue;
    }
    const { document, resources } = loaded;
    const { view: views, case: cases, locale: locales, hudSize } = call;
    const themes =
      call.theme !== undefined && document.themeName !== undefined ? [document.themeName] : undefined;
    const options = { resources, screens: on, views, cases, locales, themes, hudSize };
    inputs.push({ file, document, verdict: checkDocument(document, options) });
    shown.push({ resources, screens: on, hudSize });
  }
  const json = (): string => withUnusable(reportJson(inputs), unusable);
  for (const path of call.report ?? []) {
    writeWhole(
      path,
      path.toLowerCase().endsWith('.html') ? await htmlOf(inputs, shown) : textOf(path, inputs, json),
    );
  }
  if (call.json) io.out(json());
  else if (inputs.length > 0) io.out(reportTerminal(inputs, io.ink));
  if (unusable.length > 0) return exitUnusable;
  const failed = inputs.some(({ verdict }) =>
    verdict.findings.some((finding) => finding.outcome === 'failed'),
  );
  return failed ? exitFindings : exitClean;
}

const reportKinds = ['.json', '.sarif', '.xml', '.html'] as const;

/** The end of a report's path says what it is. @throws UsageError */
function checkReportPaths(paths: readonly string[]): void {
  for (const path of paths) {
    if (!reportKinds.some((end) => path.toLowerCase().endsWith(end)))
      throw new UsageError(
        `"${path}" is no report: the name of one ends in .json, .sarif, .xml (JUnit) or .html`,
      );
  }
}

function textOf(path: string, inputs: readonly ReportInput[], json: () => string): string {
  if (path.toLowerCase().endsWith('.sarif')) return reportSarif(inputs, version());
  return path.toLowerCase().endsWith('.xml') ? reportJunit(inputs) : json();
}

async function htmlOf(inputs: readonly ReportInput[], shown: readonly ShotOptions[]): Promise<string> {
  const { drawShots } = await import('../node/shots.ts');
  return reportHtml(
    inputs.map((input, index) => ({
      ...input,
      shots: drawShots(shotsOf(input.document, input.verdict, shown[index]!)),
    })),
  );
}

/** Files that could not be used stand in the report too, with their errors. */
function withUnusable(json: string, unusable: readonly Loaded[]): string {
  if (unusable.length === 0) return json;
  const report = JSON.parse(json) as { passed: boolean; files: unknown[] };
  report.passed = false;
  for (const loaded of unusable) {
    const diagnostics = 'diagnostics' in loaded ? loaded.diagnostics : [];
    const errors = diagnostics.map((one) => ({
      code: one.code,
      severity: one.severity,
      message: messageOf(one),
      file: one.source?.name ?? loaded.file,
      ...(one.source && one.range && one.source.placeOf(one.range.start)),
    }));
    report.files.push({ file: loaded.file, passed: false, errors });
  }
  return `${JSON.stringify(report, null, 2)}\n`;
}
