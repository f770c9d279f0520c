import { checks, documentChecks } from '../checks/index.ts';
import { type Finding, type Verdict } from '../verdict/index.ts';
import { findingPlace, type Ink, type ReportInput } from './report.ts';
import { amount, counted, occasionOf, printable, sentenceOf } from './wording.ts';

/** The verdict for a person: a grid of screens and views, then each finding with its causes. */
export function reportTerminal(inputs: readonly ReportInput[], ink: Ink): string {
  const lines: string[] = [];
  for (const input of inputs) {
    lines.push(...reportFile(harmless(input), ink), '');
  }
  return lines.join('\n');
}

/** The same with every text made printable before colours are put round it. */
function harmless(input: ReportInput): ReportInput {
  const text = JSON.stringify(input.verdict, (_, value: unknown) =>
    typeof value === 'string' ? printable(value) : value,
  );
  return { ...input, file: printable(input.file), verdict: JSON.parse(text) as Verdict };
}

function reportFile(input: ReportInput, ink: Ink): string[] {
  const { verdict, file } = input;
  const failed = verdict.findings.filter((finding) => finding.outcome === 'failed');
  const undecided = verdict.findings.filter((finding) => finding.outcome === 'undecided');
  const lines = [ink.strong(file), ...grid(input, ink), ''];
  for (const finding of inOrder(failed)) lines.push(...describe(input, finding, ink), '');
  for (const finding of inOrder(undecided)) lines.push(...describe(input, finding, ink), '');
  lines.push(conclusion(input, failed.length, undecided.length, ink));
  return lines;
}

function conclusion({ verdict }: ReportInput, failed: number, undecided: number, ink: Ink): string {
  const cases = verdict.cases.length > 1 ? ` in ${counted(verdict.cases.length, 'case')}` : '';
  const locales = verdict.locales.length > 1 ? ` in ${counted(verdict.locales.length, 'locale')}` : '';
  const themes = verdict.themes.length > 1 ? ` in ${counted(verdict.themes.length, 'theme')}` : '';
  const sizes = [
    verdict.hudSizes.length > 1 ? ` at ${counted(verdict.hudSizes.length, 'HUD size')}` : '',
    verdict.textSizes.length > 1 ? ` at ${counted(verdict.textSizes.length, 'text size')}` : '',
    verdict.states.length > 1 ? ` in ${counted(verdict.states.length, 'state')}` : '',
  ].join('');
  const made =
    verdict.coverage === 'all'
      ? counted(verdict.layouts, 'layout')
      : `${counted(verdict.layouts, 'layout')} of ${counted(verdict.combinations, 'combination')}, every pair of values among them`;
  const what = `${counted(verdict.views.length, 'view')} on ${counted(verdict.screens.length, 'screen')}${cases}${locales}${themes}${sizes} (${made})`;
  const accepted = verdict.accepted > 0 ? ink.faint(`, ${counted(verdict.accepted, 'acceptance')}`) : '';
  const open = undecided > 0 ? ink.doubtful(`, ${undecided} undecided`) : '';
  if (failed === 0) return `${ink.good('✓ passed')}: every widget of ${what}${open}${accepted}`;
  return `${ink.bad(`✗ ${counted(failed, 'finding')}`)} in ${what}${open}${accepted}`;
}

/** Screens down, views across; each cell holds how many findings concern it. */
function grid({ verdict }: ReportInput, ink: Ink): string[] {
  const { screens, views, findings } = verdict;
  const first = Math.max(...screens.map((name) => name.length));
  const widths = views.map((name) => Math.max(name.length, 4));
  const header = `  ${' '.repeat(first)}  ${views.map((name, column) => name.padEnd(widths[column]!)).join('  ')}`;
  const rows = screens.map((screen) => {
    const cells = views.map((view, column) => {
      const here = findings.filter(
        (finding) => finding.view === view && finding.occurrences.some((one) => one.screen === screen),
      );
      const failed = here.filter((finding) => finding.outcome === 'failed').length;
      const width = widths[column]!;
      if (failed > 0) return ink.bad(`✗ ${failed}`.padEnd(width));
      return here.length > 0 ? ink.doubtful(`? ${here.length}`.padEnd(width)) : ink.good('✓'.padEnd(width));
    });
    return `  ${screen.padEnd(first)}  ${cells.join('  ')}`.trimEnd();
  });
  return [ink.faint(header.trimEnd()), ...rows];
}

const order = new Map([...documentChecks, ...checks].map((check, index) => [check.id, index]));

function inOrder(findings: readonly Finding[]): Finding[] {
  return [...findings].sort(
    (a, b) => (a.view ?? '').localeCompare(b.view ?? '', 'en') || order.get(a.check)! - order.get(b.check)!,
  );
}

function describe(input: ReportInput, finding: Finding, ink: Ink): string[] {
  const place = findingPlace(input, finding);
  const mark = finding.outcome === 'failed' ? ink.bad('✗') : ink.doubtful('?');
  if (finding.view === undefined) {
    const said = `${mark} ${ink.strong(finding.widget)} ${sentenceOf(finding)}  ${ink.faint(`[${finding.check}]`)}`;
    return [said, `    ${ink.faint(place)}`];
  }
  const { screen, scale } = finding.worst;
  const several = new Set(finding.occurrences.map((one) => one.screen)).size > 1;
  const worst =
    several && finding.outcome === 'failed' ? ` (worst on ${screen}, where 1 u is ${amount(scale)} px)` : '';
  const lines = [
    `${mark} ${ink.strong(`${finding.view}/${finding.widget}`)} ${sentenceOf(finding)}`,
    `    ${occasionOf(finding, input.verdict)}${worst}  ${ink.faint(`[${finding.check}]`)}`,
  ];
  if (finding.outcome === 'failed')
    for (const reason of finding.reasons) lines.push(`    ${ink.faint('because')} ${reason.text}`);
  lines.push(`    ${ink.faint(place)}`);
  return lines;
}
