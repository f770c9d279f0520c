import { checks, documentChecks } from '../checks/index.ts';
import { findScreen } from '../screen/index.ts';
import type { Finding, Verdict } from '../verdict/index.ts';
import { factors } from '../view/index.ts';
import { findingPlace, suggestionOf, type Tones, type ReportInput } from './report.ts';
import { amount, counted, occasionOf, printable, sentenceOf } from './wording.ts';

/** The verdict for a person: a grid of screens and views, then each finding with its causes. */
export function reportTerminal(inputs: readonly ReportInput[], tones: Tones): string {
  const lines: string[] = [];
  for (const input of inputs) {
    lines.push(...reportFile(harmless(input), tones), '');
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

function reportFile(input: ReportInput, tones: Tones): string[] {
  const { verdict, file } = input;
  const failed = verdict.findings.filter((finding) => finding.outcome === 'failed');
  const undecided = verdict.findings.filter((finding) => finding.outcome === 'undecided');
  const lines = [tones.strong(file), ...grid(input, tones), ''];
  for (const [cause, findings] of byCause(inOrder(failed))) {
    if (findings.length > 1) lines.push(tones.faint(`${findings.length} of one cause: ${cause}`), '');
    for (const finding of findings) lines.push(...describe(input, finding, tones), '');
  }
  if (input.untried)
    lines.push(
      tones.faint(`No change was tried for ${counted(input.untried, 'finding')}: there are many.`),
      '',
    );
  for (const finding of inOrder(undecided)) lines.push(...describe(input, finding, tones), '');
  lines.push(conclusion(input, failed.length, undecided.length, tones));
  return lines;
}

function conclusion({ verdict }: ReportInput, failed: number, undecided: number, tones: Tones): string {
  const varied = factors
    .map(({ list, label, counted: how }) =>
      verdict[list].length > 1 ? ` ${how} ${counted(verdict[list].length, label)}` : '',
    )
    .join('');
  const made =
    verdict.coverage === 'all'
      ? counted(verdict.layouts, 'layout')
      : `${counted(verdict.layouts, 'layout')} of ${counted(verdict.combinations, 'combination')}, every pair of values among them`;
  const what = `${counted(verdict.views.length, 'view')} on ${counted(verdict.screens.length, 'screen')}${varied} (${made})`;
  const accepted = verdict.accepted > 0 ? tones.faint(`, ${counted(verdict.accepted, 'acceptance')}`) : '';
  const open = undecided > 0 ? tones.doubtful(`, ${undecided} undecided`) : '';
  if (failed === 0) return `${tones.good('✓ passed')}: every widget of ${what}${open}${accepted}`;
  return `${tones.bad(`✗ ${counted(failed, 'finding')}`)} in ${what}${open}${accepted}`;
}

/** Screens down, views across; each cell holds how many findings concern it. Screens of one class that fare alike share a row with the worst of each. */
function grid({ verdict }: ReportInput, tones: Tones): string[] {
  const { screens, views, findings } = verdict;
  const cells = screens.map((screen) =>
    views.map((view) => {
      const here = findings.filter(
        (finding) => finding.view === view && finding.occurrences.some((one) => one.screen === screen),
      );
      const failed = here.filter((finding) => finding.outcome === 'failed').length;
      return failed > 0 ? `✗ ${failed}` : here.length > 0 ? `? ${here.length}` : '✓';
    }),
  );
  const rows: { name: string; cells: readonly string[] }[] = [];
  for (let at = 0; at < screens.length;) {
    const group = findScreen(screens[at]!)?.group;
    let end = at + 1;
    while (group !== undefined && end < screens.length && findScreen(screens[end]!)?.group === group) end++;
    const some = cells.slice(at, end);
    const alike = views.every((_, column) => some.every((row) => row[column]![0] === cells[at]![column]![0]));
    if (alike && end - at > 1)
      rows.push({
        name: `${group}, all ${end - at}`,
        cells: views.map((_, column) => worstOf(some, column)),
      });
    else for (let nth = at; nth < end; nth++) rows.push({ name: screens[nth]!, cells: cells[nth]! });
    at = end;
  }
  const first = Math.max(...rows.map(({ name }) => name.length));
  const widths = views.map((name) => Math.max(name.length, 4));
  const header = `  ${' '.repeat(first)}  ${views.map((name, column) => name.padEnd(widths[column]!)).join('  ')}`;
  const toned = (cell: string, width: number) => {
    const text = cell.padEnd(width);
    return cell.startsWith('✗')
      ? tones.bad(text)
      : cell.startsWith('?')
        ? tones.doubtful(text)
        : tones.good(text);
  };
  return [
    tones.faint(header.trimEnd()),
    ...rows.map(({ name, cells: row }) =>
      `  ${name.padEnd(first)}  ${row.map((cell, column) => toned(cell, widths[column]!)).join('  ')}`.trimEnd(),
    ),
  ];
}

/** The cell of a column with the most findings. */
function worstOf(rows: readonly (readonly string[])[], column: number): string {
  const count = (cell: string) => Number(cell.slice(2));
  return rows.map((row) => row[column]!).reduce((most, cell) => (count(cell) > count(most) ? cell : most));
}

/** Findings whose reasons end at the same place and in the same words, together; in the order of the first of each. */
function byCause(findings: readonly Finding[]): Map<string, Finding[]> {
  const groups = new Map<string, Finding[]>();
  findings.forEach((finding, nth) => {
    const { reasons, view } = finding;
    const last = reasons.at(-1);
    // A single reason is about the finding itself.
    const cause = reasons.length > 1 && last ? last.text : `${nth}`;
    const key = reasons.length > 1 && last ? `${view} ${last.pointer} ${cause}` : cause;
    const known = groups.get(key);
    if (known) known.push(finding);
    else groups.set(key, [finding]);
  });
  return new Map(
    [...groups.values()].map((group, nth) => [
      group.length > 1 ? group[0]!.reasons.at(-1)!.text : `${nth}`,
      group,
    ]),
  );
}

const order = new Map([...documentChecks, ...checks].map((check, index) => [check.id, index]));

function inOrder(findings: readonly Finding[]): Finding[] {
  return [...findings].sort(
    (a, b) => (a.view ?? '').localeCompare(b.view ?? '', 'en') || order.get(a.check)! - order.get(b.check)!,
  );
}

/** The change that was tried, where one mends a finding. */
function suggested(input: ReportInput, finding: Finding, tones: Tones): string[] {
  const one = suggestionOf(input, finding);
  if (!one) return [];
  const more = one.mendsToo > 0 ? ` (and ${counted(one.mendsToo, 'other finding')})` : '';
  return [
    `    ${tones.good('try')} ${printable(one.say)}${tones.faint(`: mends it${more} on every screen, breaks nothing`)}`,
  ];
}

function describe(input: ReportInput, finding: Finding, tones: Tones): string[] {
  const place = findingPlace(input, finding);
  const mark = finding.outcome === 'failed' ? tones.bad('✗') : tones.doubtful('?');
  if (finding.view === undefined) {
    const said = `${mark} ${tones.strong(finding.widget)} ${sentenceOf(finding)}  ${tones.faint(`[${finding.check}]`)}`;
    return [said, ...suggested(input, finding, tones), `    ${tones.faint(place)}`];
  }
  const { screen, scale } = finding.worst;
  const several = new Set(finding.occurrences.map((one) => one.screen)).size > 1;
  const worst =
    several && finding.outcome === 'failed' ? ` (worst on ${screen}, where 1 u is ${amount(scale)} px)` : '';
  const lines = [
    `${mark} ${tones.strong(`${finding.view}/${finding.widget}`)} ${sentenceOf(finding)}`,
    `    ${occasionOf(finding, input.verdict)}${worst}  ${tones.faint(`[${finding.check}]`)}`,
  ];
  if (finding.outcome === 'failed')
    for (const reason of finding.reasons) lines.push(`    ${tones.faint('because')} ${reason.text}`);
  lines.push(...suggested(input, finding, tones));
  lines.push(`    ${tones.faint(place)}`);
  return lines;
}
