import { checks, documentChecks } from '../checks/index.ts';
import { type Finding } from '../verdict/index.ts';
import { escapeXml } from '../paint/index.ts';
import { findingPlace, type ReportInput } from './report.ts';
import { unusedText, type UnusedFile } from './unused.ts';
import { occasionOf, sentenceOf } from './wording.ts';

/** The verdict as JUnit XML, which build servers read: a suite for each view, a case for each check. */
export function reportJunit(inputs: readonly ReportInput[], unused: readonly UnusedFile[] = []): string {
  const suites = inputs.flatMap((input) => {
    const { verdict, file } = input;
    const written = suiteOf(
      input,
      file,
      documentChecks,
      verdict.findings.filter(({ view }) => view === undefined),
    );
    const views = verdict.views.map((view) =>
      suiteOf(
        input,
        `${file} ${view}`,
        checks,
        verdict.findings.filter((finding) => finding.view === view),
      ),
    );
    return [written, ...views];
  });
  suites.push(...unused.map(unusedSuite));
  const sum = (of: Exclude<keyof Suite, 'xml'>) => suites.reduce((total, suite) => total + suite[of], 0);
  const counts = `tests="${sum('tests')}" failures="${sum('failures')}" errors="${sum('errors')}" skipped="${sum('skipped')}"`;
  return `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="pimbot" ${counts}>\n${suites.map(({ xml }) => xml).join('')}</testsuites>\n`;
}

interface Suite {
  readonly tests: number;
  readonly failures: number;
  readonly errors: number;
  readonly skipped: number;
  readonly xml: string;
}

function suiteOf(
  input: ReportInput,
  name: string,
  run: readonly { readonly id: string; readonly title: string }[],
  findings: readonly Finding[],
): Suite {
  let failures = 0;
  let skipped = 0;
  const cases = run.map(({ id, title }) => {
    const here = findings.filter(({ check }) => check === id);
    const failed = here.filter(({ outcome }) => outcome === 'failed');
    const head = `    <testcase classname="${escapeXml(name)}" name="${escapeXml(`${id}: ${title}`)}"`;
    if (failed.length > 0) {
      failures++;
      const first = `${failed[0]!.widget} ${sentenceOf(failed[0]!)}`;
      const more = failed.length > 1 ? ` (and ${failed.length - 1} more)` : '';
      const text = failed.map((finding) => describe(input, finding)).join('\n\n');
      return `${head}>\n      <failure type="${id}" message="${escapeXml(first + more)}">${escapeXml(text)}</failure>\n    </testcase>\n`;
    }
    if (here.length > 0) {
      skipped++;
      return `${head}>\n      <skipped message="${escapeXml(`${here[0]!.widget} ${sentenceOf(here[0]!)}`)}"/>\n    </testcase>\n`;
    }
    return `${head}/>\n`;
  });
  const counts = `tests="${run.length}" failures="${failures}" errors="0" skipped="${skipped}"`;
  const xml = `  <testsuite name="${escapeXml(name)}" ${counts}>\n${cases.join('')}  </testsuite>\n`;
  return { tests: run.length, failures, errors: 0, skipped, xml };
}

/** What could not be looked at has not passed. */
function unusedSuite({ file, errors }: UnusedFile): Suite {
  const name = escapeXml(file);
  const [first] = errors;
  const text = escapeXml(errors.map(unusedText).join('\n'));
  const error = `<error type="${escapeXml(first?.code ?? '')}" message="${escapeXml(first?.message ?? '')}">${text}</error>`;
  const counts = 'tests="1" failures="0" errors="1" skipped="0"';
  const one = `    <testcase classname="${name}" name="the document can be used">\n      ${error}\n    </testcase>\n`;
  return {
    tests: 1,
    failures: 0,
    errors: 1,
    skipped: 0,
    xml: `  <testsuite name="${name}" ${counts}>\n${one}  </testsuite>\n`,
  };
}

function describe(input: ReportInput, finding: Finding): string {
  const why = finding.reasons.map(({ text }) => `\n  because ${text}`).join('');
  const said = `${finding.widget} ${sentenceOf(finding)} ${occasionOf(finding, input.verdict)}`.trimEnd();
  return `${findingPlace(input, finding)}: ${finding.severity}: ${said}${why}`;
}
