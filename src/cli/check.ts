import { checkDocument } from '../checks/index.ts';
import { messageOf } from '../document/index.ts';
import { writeWhole } from '../node/files.ts';
import { reportJson, reportTerminal, type ReportInput } from '../report/index.ts';
import { screens } from '../screen/index.ts';
import { exitClean, exitFindings, exitUnusable, type Io } from './io.ts';
import { load, type Loaded } from './load.ts';
import { screenFrom, type ScreenOptions } from './screens.ts';

export interface CheckCall extends ScreenOptions {
  readonly view?: readonly string[];
  readonly screen?: readonly string[];
  readonly case?: readonly string[];
  readonly locale?: readonly string[];
  readonly hudSize?: number;
  readonly theme?: string;
  readonly json?: boolean;
  readonly report?: string;
}

/** `pimbot check FILE…` */
export async function check(files: readonly string[], call: CheckCall, io: Io): Promise<number> {
  const on =
    call.screen?.map((name) => screenFrom(name, call)) ?? screens.map((one) => screenFrom(one.name, call));
  const inputs: ReportInput[] = [];
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
  }
  const json = call.json || call.report !== undefined ? withUnusable(reportJson(inputs), unusable) : '';
  if (call.report !== undefined) writeWhole(call.report, json);
  if (call.json) io.out(json);
  else if (inputs.length > 0) io.out(reportTerminal(inputs, io.ink));
  if (unusable.length > 0) return exitUnusable;
  const failed = inputs.some(({ verdict }) =>
    verdict.findings.some((finding) => finding.outcome === 'failed'),
  );
  return failed ? exitFindings : exitClean;
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
