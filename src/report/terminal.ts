import type { Finding, Verdict } from '../verdict/index.ts';
import { factors } from '../view/index.ts';
import { byPlace, causesOf, namesOf, reachOf, varies, type Cause } from './causes.ts';
import { gridOf } from './grid.ts';
import type { TriedChange } from '../mend/index.ts';
import { findingPlace, suggestionOf, type Tones, type ReportInput } from './report.ts';
import { amount, counted, occasionOf, printable, sentenceOf } from './wording.ts';
import { wrapped } from './wrap.ts';

/** How much is told, and in how much room. */
export interface TerminalOptions {
  /** Everything of every finding; else, of many causes, one to three lines each. */
  readonly verbose?: boolean;
  /** The verdict and the table alone. */
  readonly summary?: boolean;
  /** Columns; no line is longer, but for a word that is. */
  readonly width?: number;
}

/** Of so many causes at so many places, or fewer, everything is told. */
const fewCauses = 6;
const fewPlaces = 24;
/** Of more causes than so many each is told as shortly as can be: what is wrong, and where it is written. */
const manyCauses = 40;
/** Findings of one cause that are told one by one before the rest is named. */
const mostTold = 3;
/** Columns of a terminal of which nothing is known. */
export const usualWidth = 80;

/** The verdict for a person: a table of screens and views, then what was found by what would have to be changed. */
export function reportTerminal(
  inputs: readonly ReportInput[],
  tones: Tones,
  { verbose = false, summary = false, width = usualWidth }: TerminalOptions = {},
): string {
  return inputs
    .flatMap((input) => [...reportFile(harmless(input), { tones, verbose, summary, width }), ''])
    .join('\n');
}

interface How {
  readonly tones: Tones;
  readonly verbose: boolean;
  readonly summary: boolean;
  readonly width: number;
}

/** The same with every text made printable before colours are put round it. */
function harmless(input: ReportInput): ReportInput {
  const text = JSON.stringify(input.verdict, (_, value: unknown) =>
    typeof value === 'string' ? printable(value) : value,
  );
  return { ...input, file: printable(input.file), verdict: JSON.parse(text) as Verdict };
}

function reportFile(input: ReportInput, how: How): string[] {
  const { verdict, file } = input;
  const { tones, width } = how;
  const failed = causesOf(
    verdict.findings.filter(({ outcome }) => outcome === 'failed'),
    verdict,
    (finding) => lineOf(input, finding),
  );
  const undecided = verdict.findings.filter(({ outcome }) => outcome === 'undecided');
  const concluded = wrapped(conclusion(input, failed, undecided.length, tones), width, '  ');
  const places = failed.reduce((sum, { findings }) => sum + byPlace(findings).length, 0);
  const isLong = how.verbose || (failed.length <= fewCauses && places <= fewPlaces);
  // What matters most comes first; of many lines it is the counts, as a terminal shows their end.
  const first = isLong || how.summary ? concluded : wrapped(countsOf(failed, tones), width, '  ');
  const lines = [tones.strong(file), ...first, '', ...gridOf(verdict, tones, width), ''];
  for (const { view, screens } of verdict.unsupported)
    lines.push(
      ...wrapped(
        tones.faint(
          screens.length === verdict.screens.length
            ? `– ${view} supports none of these screens: nothing of it was looked at`
            : `– ${view} does not support ${counted(screens.length, 'screen')}, and is not looked at on ${screens.length === 1 ? 'it' : 'them'}: ${screens.join(', ')}`,
        ),
        width,
        '',
      ),
      '',
    );
  if (how.summary) return lines;
  const isMany = failed.length > manyCauses;
  for (const cause of failed) {
    if (isLong) lines.push(...inFull(input, cause, how), '');
    else lines.push(...(isMany ? inBrief(input, cause, how) : inShort(input, cause, how)));
  }
  if (!isLong) lines.push('');
  for (const finding of undecided) lines.push(...describe(input, finding, how), '');
  if (input.untried)
    lines.push(
      ...wrapped(
        tones.faint(`No change was tried for ${counted(input.untried, 'finding')}: there are many.`),
        width,
        '',
      ),
    );
  const isFolded = failed.some(({ what, findings }) => findings.length > 1 && (isMany || what === undefined));
  const folded = isFolded ? `+3: three more ${isMany ? 'of the same cause' : 'at the same place'}; ` : '';
  const fixed = failed.filter(({ findings }) => findings.some((one) => suggestionOf(input, one))).length;
  const fixes = isMany && fixed > 0 ? `; --mend all shows the fixes of ${counted(fixed, 'cause')}` : '';
  const hint = tones.faint(`${folded}--verbose tells every finding, with reasons${fixes}.`);
  if (!isLong) lines.push(...wrapped(hint, width, ''));
  if (failed.length > 0) lines.push(...concluded);
  return lines;
}

/** What two findings are sorted by: the line they are told to be on. */
function lineOf(input: ReportInput, finding: Finding): number {
  const [, line] = /:(\d+):\d+$/.exec(findingPlace(input, finding)) ?? [];
  return line === undefined ? 0 : Number(line);
}

function conclusion(
  { verdict }: ReportInput,
  causes: readonly Cause[],
  undecided: number,
  tones: Tones,
): string {
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
  const failed = causes.flatMap(({ findings }) => findings);
  if (failed.length === 0) return `${tones.good('✓ passed')}: every widget of ${what}${open}${accepted}`;
  return `${countsOf(causes, tones)} in ${what}${open}${accepted}`;
}

/** How many errors and warnings there are, and of how many causes. */
function countsOf(causes: readonly Cause[], tones: Tones): string {
  const failed = causes.flatMap(({ findings }) => findings);
  const errors = failed.filter(({ severity }) => severity === 'error').length;
  const warnings = failed.length - errors;
  const counts = [
    ...(errors > 0 ? [tones.bad(`✗ ${counted(errors, 'error')}`)] : []),
    ...(warnings > 0 ? [tones.doubtful(`! ${counted(warnings, 'warning')}`)] : []),
  ].join(', ');
  return `${counts} of ${counted(causes.length, 'cause')}`;
}

function markOf({ outcome, severity }: Finding, tones: Tones): string {
  if (outcome === 'undecided') return tones.doubtful('?');
  return severity === 'error' ? tones.bad('✗') : tones.doubtful('!');
}

function nameOf({ view, widget }: Finding): string {
  return view === undefined ? widget : `${view}/${widget}`;
}

/** The change that was tried, where one mends a finding. @param tried What was said before, of the same cause. */
function suggested(
  input: ReportInput,
  finding: Finding,
  { tones, width }: How,
  tried: Set<string>,
): string[] {
  const one = suggestionOf(input, finding);
  if (!one) return [];
  if (tried.has(one.say))
    return [
      ...wrapped(
        `    ${tones.good('try')} ${printable(one.say)}${tones.faint(', as above')}`,
        width,
        '      ',
      ),
    ];
  tried.add(one.say);
  const more = one.mendsToo > 0 ? ` (and ${counted(one.mendsToo, 'other finding')})` : '';
  const said = `    ${tones.good('try')} ${printable(one.say)}${tones.faint(`: mends it${more} on every screen, breaks nothing, ${one.disturbs}${provedWords(input, one)}`)}`;
  return [...wrapped(said, width, '      ')];
}

/** What is proved of a change, after what is said of it. */
function provedWords({ onEverySize }: ReportInput, suggestion: TriedChange): string {
  const words = onEverySize?.get(suggestion);
  return words === undefined ? '' : `; ${words}`;
}

/** A cause in two or three lines: its worst finding, what else is found of it, where, and what was tried. */
function inShort(input: ReportInput, { what, findings }: Cause, { tones, width }: How): string[] {
  const [first] = findings as [Finding];
  const isSeveral = what !== undefined && findings.length > 1;
  // What is said of the first is said of no widget that something else was found of.
  const same = isSeveral ? findings : findings.filter(({ check }) => check === first.check);
  const widgets = new Set(same.map(({ view, widget }) => `${view}/${widget}`)).size;
  const names = widgets > 1 ? namesOf(same, 3) : '';
  const alike = isSeveral && names !== '' ? `${what}: ${names}` : names && `${widgets} widgets: ${names}`;
  const more = isSeveral ? '' : besideThe(first, findings);
  const tried = findings.find((one) => suggestionOf(input, one));
  const suggestion = tried && suggestionOf(input, tried);
  const isOf = tried && tried !== first && tried.check !== first.check ? ` (${tried.check})` : '';
  const changes = new Set((isSeveral ? findings : []).flatMap((one) => suggestionOf(input, one)?.say ?? []))
    .size;
  // Of a cause that has others too, one change is not said to mend it.
  const tryWords = changes > 1 ? `${changes} changes (--mend all shows them), such as ` : '';
  const detailed = (reach: string) =>
    wrapped(
      `    ${tones.faint(
        [
          ...(isSeveral && names === '' ? [`${findings.length} of one cause: ${what}`] : []),
          ...(alike === '' ? [] : [alike]),
          ...(reach === '' ? [] : [reach]),
          `${shortPlace(input, first)} [${first.check}${more}]`,
        ].join('; '),
      )}`,
      width,
      '    ',
    );
  const whole = detailed(reachOf(same, input.verdict));
  // On which screen it is worst is left out where that spares a line: --verbose tells it.
  const short = whole.length === 1 ? whole : detailed(reachOf(same, input.verdict, 'short'));
  return [
    ...wrapped(headOf(first, tones), width, '    '),
    ...(short.length < whole.length ? short : whole),
    ...(suggestion
      ? wrapped(
          `    ${tones.good('try')} ${tryWords}${printable(suggestion.say)}${tones.faint(isOf + provedWords(input, suggestion))}`,
          width,
          '      ',
        )
      : []),
  ];
}

/** How many findings there are beside one, by their checks: ` +1 +14 small-text`. */
function besideThe(first: Finding, findings: readonly Finding[]): string {
  const counts = new Map<string, number>();
  for (const one of findings) if (one !== first) counts.set(one.check, (counts.get(one.check) ?? 0) + 1);
  return [...counts]
    .map(([check, count]) => ` +${count}${check === first.check ? '' : ` ${check}`}`)
    .join('');
}

/** A cause as one sentence: its worst finding, how many more there are, and where it is written. */
function inBrief(input: ReportInput, { findings }: Cause, { tones, width }: How): string[] {
  const [first] = findings as [Finding];
  const more = findings.length > 1 ? ` +${findings.length - 1}` : '';
  // A line is enough to find it by; every column spared may spare a line here.
  const place = shortPlace(input, first).replace(/:\d+$/, '');
  const where = tones.faint(`${place} [${first.check}${more}]`);
  return [...wrapped(`${headOf(first, tones)} ${where}`, width, '    ')];
}

/** `:35:9` in the file that is named above; the whole place elsewhere. */
function shortPlace(input: ReportInput, finding: Finding): string {
  const place = findingPlace(input, finding);
  return place.startsWith(`${input.file}:`) ? place.slice(input.file.length) : place;
}

/** A cause with every finding of it: of each check the first few places in full and the rest in a line each, widgets of one place by name. */
function inFull(input: ReportInput, { what, findings }: Cause, how: How): string[] {
  const { tones, width, verbose } = how;
  const lines: string[] = [];
  if (findings.length > 1)
    lines.push(
      ...wrapped(
        tones.faint(`${findings.length} findings of one cause${what === undefined ? '' : `: ${what}`}`),
        width,
        '  ',
      ),
    );
  const told = new Map<string, number>();
  const tried = new Set<string>();
  for (const [finding, ...others] of byPlace(findings)) {
    const count = (told.get(finding.check) ?? 0) + 1;
    told.set(finding.check, count);
    if (verbose || count <= mostTold) lines.push(...describe(input, finding, how, tried));
    else lines.push(...wrapped(headOf(finding, tones), width, '    '));
    if (verbose) for (const other of others) lines.push(...describe(input, other, how, tried));
    else if (others.length > 0)
      lines.push(...wrapped(tones.faint(`    and of the same line ${namesOf(others)}`), width, '      '));
  }
  return lines;
}

function headOf(finding: Finding, tones: Tones): string {
  return `${markOf(finding, tones)} ${tones.strong(nameOf(finding))} ${sentenceOf(finding)}`;
}

function describe(input: ReportInput, finding: Finding, how: How, tried = new Set<string>()): string[] {
  const { tones, width } = how;
  const place = tones.faint(findingPlace(input, finding));
  const label = tones.faint(
    `[${finding.check}, ${finding.outcome === 'failed' ? finding.severity : 'undecided'}]`,
  );
  const lines = [...wrapped(headOf(finding, tones), width, '    ')];
  if (finding.view === undefined)
    return [
      ...lines,
      ...suggested(input, finding, how, tried),
      ...wrapped(`    ${label} ${place}`, width, '    '),
    ];
  const { screen, scale } = finding.worst;
  const several = new Set(finding.occurrences.map((one) => one.screen)).size > 1;
  const worst = several && varies(finding) ? ` (worst on ${screen}, where 1 u is ${amount(scale)} px)` : '';
  lines.push(...wrapped(`    ${occasionOf(finding, input.verdict)}${worst}`, width, '    '));
  if (finding.outcome === 'failed')
    for (const reason of finding.reasons)
      lines.push(...wrapped(`    ${tones.faint('because')} ${reason.text}`, width, '      '));
  return [
    ...lines,
    ...suggested(input, finding, how, tried),
    ...wrapped(`    ${label} ${place}`, width, '    '),
  ];
}
