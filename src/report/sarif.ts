import { checkOf, checks, documentChecks } from '../checks/index.ts';
import { type Finding } from '../verdict/index.ts';
import { suggestionOf, type ReportInput } from './report.ts';
import type { UnusedFile } from './unused.ts';
import { occasionOf, sentenceOf } from './wording.ts';

/** Where the findings of a run are to be read by machines: SARIF 2.1.0 (OASIS), as code hosts show it beside the lines. */
export function reportSarif(
  inputs: readonly ReportInput[],
  version: string,
  unused: readonly UnusedFile[] = [],
): string {
  const all = [...documentChecks, ...checks];
  const rules = all.map(({ id, title, measures, source, severity, limit, unit }) => ({
    id,
    name: title.replace(/[^\p{L}\p{N}]+(\p{L})/gu, (_, letter: string) => letter.toUpperCase()),
    shortDescription: { text: title },
    fullDescription: { text: `Measures ${measures}. The limit is ${limit} ${unit}: ${source}.` },
    defaultConfiguration: { level: severity },
  }));
  const indexes = new Map(all.map(({ id }, index) => [id as string, index]));
  const results = inputs.flatMap((input) =>
    input.verdict.findings.map((finding) => resultOf(input, finding, indexes.get(finding.check)!)),
  );
  const run = {
    tool: { driver: { name: 'Pimbot', version, semanticVersion: version, rules } },
    columnKind: 'utf16CodeUnits',
    ...(unused.length > 0 && { invocations: [invocationOf(unused)] }),
    results,
  };
  const log = { $schema: 'https://json.schemastore.org/sarif-2.1.0.json', version: '2.1.0', runs: [run] };
  return `${JSON.stringify(log, null, 2)}\n`;
}

/** A run that could not look at every file (3.20.14, 3.20.20). */
function invocationOf(unused: readonly UnusedFile[]): object {
  const notifications = unused.flatMap(({ errors }) =>
    errors.map(({ code, severity, message, file, line, column }) => ({
      descriptor: { id: code },
      level: severity,
      message: { text: message },
      locations: [
        {
          physicalLocation: {
            artifactLocation: { uri: uriOf(file) },
            ...(line !== undefined && { region: { startLine: line, startColumn: column ?? 1 } }),
          },
        },
      ],
    })),
  );
  return { executionSuccessful: false, toolConfigurationNotifications: notifications };
}

function resultOf(input: ReportInput, finding: Finding, ruleIndex: number): object {
  const failed = finding.outcome === 'failed';
  const said = `${finding.widget} ${sentenceOf(finding)} ${occasionOf(finding, input.verdict)}`.trimEnd();
  const why = failed ? finding.reasons.map(({ text }) => `\nbecause ${text}`).join('') : '';
  const name = finding.view === undefined ? finding.widget : `${finding.view}/${finding.widget}`;
  return {
    ruleId: finding.check,
    ruleIndex,
    // What could not be decided is open, and has no level (SARIF 2.1.0, 3.27.9 and 3.27.10).
    kind: failed ? 'fail' : 'open',
    level: failed ? finding.severity : 'none',
    message: { text: `${said}${why}` },
    locations: [
      {
        physicalLocation: placeOf(input, finding),
        logicalLocations: [{ name: finding.widget, fullyQualifiedName: name, kind: 'element' }],
      },
    ],
    // The same finding in another run, whatever line it is on by then (3.27.17).
    partialFingerprints: {
      'pimbot/v1': [finding.check, name, finding.other ?? '', ...apartOf(finding)].join(' '),
    },
    ...fixOf(input, finding),
    ...(finding.view !== undefined && {
      properties: {
        screens: [...new Set(finding.occurrences.map(({ screen }) => screen))],
        measured: finding.worst.measured,
        limit: finding.worst.limit,
        unit: finding.unit,
      },
    }),
  };
}

/** What tells two findings of one widget and check apart. */
function apartOf({ check, facts, outcome }: Finding): readonly string[] {
  const apart = outcome === 'failed' ? checkOf(check).apart?.(facts) : undefined;
  return apart === undefined ? [] : [apart];
}

/** A change that was tried, as code hosts offer it (3.55): offsets count UTF-16 units. */
function fixOf(input: ReportInput, finding: Finding): object {
  const one = suggestionOf(input, finding);
  if (!one) return {};
  const replacement = {
    deletedRegion: { charOffset: one.start, charLength: one.end - one.start },
    insertedContent: { text: one.insert },
  };
  const change = { artifactLocation: { uri: uriOf(input.file) }, replacements: [replacement] };
  return { fixes: [{ description: { text: one.say }, artifactChanges: [change] }] };
}

function placeOf({ document, file }: ReportInput, finding: Finding): object {
  if (finding.place !== undefined) {
    const [, path, line, column] = /^(.*):(\d+):(\d+)$/.exec(finding.place) ?? [];
    if (path !== undefined)
      return {
        artifactLocation: { uri: uriOf(path) },
        region: { startLine: Number(line), startColumn: Number(column) },
      };
  }
  const { source, range } = document.origin.at(finding.pointer);
  const artifactLocation = { uri: uriOf(file) };
  if (!source || !range) return { artifactLocation };
  const [start, end] = [source.placeOf(range.start), source.placeOf(range.end)];
  return {
    artifactLocation,
    region: { startLine: start.line, startColumn: start.column, endLine: end.line, endColumn: end.column },
  };
}

/** A path as a relative reference of RFC 3986. */
function uriOf(path: string): string {
  return path.replace(/\\/g, '/').split('/').map(encodeURIComponent).join('/');
}
