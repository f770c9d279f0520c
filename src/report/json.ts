import type { TriedChange } from '../mend/index.ts';
import type { Finding } from '../verdict/index.ts';
import { factors } from '../view/index.ts';
import { findingPlace, suggestionOf, type ReportInput } from './report.ts';
import { unusedJson, type UnusedFile } from './unused.ts';
import { sentenceOf } from './wording.ts';

/** The change that mends a finding: what it says, and the one place of the text it replaces. */
function suggestionIn(input: ReportInput, finding: Finding): object {
  const proved = (one: TriedChange) => input.onEverySize?.get(one);
  const one = suggestionOf(input, finding);
  if (!one) return {};
  const { say, start, end, insert, mendsToo, disturbance } = one;
  return { suggestion: { say, start, end, insert, mendsToo, disturbance, onEverySize: proved(one) } };
}

/** The verdict for machines: one object, described in docs/json-report.md. */
export function reportJson(inputs: readonly ReportInput[], unused: readonly UnusedFile[] = []): string {
  const files = inputs.map((input) => {
    const { verdict, file } = input;
    return {
      file,
      passed: verdict.findings.every((finding) => finding.outcome !== 'failed'),
      views: verdict.views,
      screens: verdict.screens,
      ...Object.fromEntries(
        factors.map(({ list }) => [list, verdict[list].filter((value) => value !== undefined)]),
      ),
      coverage: verdict.coverage,
      layouts: verdict.layouts,
      combinations: verdict.combinations,
      ...(verdict.looked.length > 0 && { looked: verdict.looked }),
      ...(verdict.unsupported.length > 0 && { unsupported: verdict.unsupported }),
      accepted: verdict.accepted,
      findings: verdict.findings.map((finding) => ({
        check: finding.check,
        outcome: finding.outcome,
        severity: finding.severity,
        ...(finding.view !== undefined && { view: finding.view }),
        widget: finding.widget,
        ...(finding.other !== undefined && { other: finding.other }),
        message: `${finding.widget} ${sentenceOf(finding)}`,
        place: findingPlace(input, finding),
        pointer: finding.pointer,
        screens: [...new Set(finding.occurrences.map((one) => one.screen))],
        unit: finding.unit,
        measured: finding.worst.measured,
        limit: finding.worst.limit,
        ...(finding.view !== undefined && {
          worst: {
            screen: finding.worst.screen,
            ...Object.fromEntries(
              factors.flatMap(({ key }) => {
                const value = finding.worst[key];
                return value === undefined ? [] : [[key, value]];
              }),
            ),
          },
        }),
        why: finding.reasons.map(({ text }) => text),
        ...suggestionIn(input, finding),
        occurrences: finding.occurrences.map(({ facts: _, ...one }) => one),
      })),
    };
  });
  const passed = unused.length === 0 && files.every((file) => file.passed);
  const all = [...files, ...unusedJson(unused)];
  return `${JSON.stringify({ pimbot: 1, passed, files: all }, null, 2)}\n`;
}
