import { deflateSync, strToU8 } from 'fflate';
import type { Finding } from '../verdict/index.ts';
import { escapeXml, toBase64 } from '../paint/index.ts';
import { page } from './page/page.ts';
import { pageScript } from './page/script.ts';
import { byPlace, causesOf } from './causes.ts';
import { findingPlace, suggestionOf, type ReportInput } from './report.ts';
import type { Shot } from './shots.ts';
import { unusedHtml, type UnusedFile } from './unused.ts';
import { counted, hole, occasionOf, sentenceOf, sentenceWithHole, worstOnScreens } from './wording.ts';

/** A shot drawn small, as a `data:` address of a picture. */
export interface DrawnShot extends Omit<Shot, 'list'> {
  readonly picture: string;
}

/** What the page is made of: the verdict of a file and its shots. */
export interface SheetInput extends ReportInput {
  readonly shots: readonly DrawnShot[];
}

/** One page that stands by itself: every view on every screen, its findings drawn in place, with filters. */
export function reportHtml(inputs: readonly SheetInput[], unused: readonly UnusedFile[] = []): string {
  let first = 0;
  const findings: object[] = [];
  const shots: object[] = [];
  for (const input of inputs) {
    const numbers = numbersOf(input, findings.length);
    findings.push(...input.verdict.findings.map((finding) => findingOf(input, finding, numbers)));
    const many = inputs.length > 1;
    for (const shot of input.shots) {
      const title = titleOf(input, shot.view, many);
      // Numbers alone, in ten thousandths: there may be a hundred thousand of them.
      const marks = shot.marks.flatMap(({ finding, ...box }) => [
        finding + first,
        ...[box.x, box.y, box.width, box.height].map((part) => Math.round(part * 10_000)),
      ]);
      shots.push({ ...shot, marks, title, file: input.file });
    }
    first = findings.length;
  }
  const names = (of: (input: SheetInput) => readonly string[]) => [...new Set(inputs.flatMap(of))];
  const data = {
    screens: names(({ verdict }) => verdict.screens),
    views: names(({ verdict }) => verdict.views),
    locales: names(({ verdict }) => verdict.locales),
    themes: names(({ verdict }) => verdict.themes.flatMap((name) => name ?? [])),
    cases: names(({ verdict }) => verdict.cases.flatMap((name) => name ?? [])),
    findings,
    shots,
    unsupported: inputs.flatMap((input) =>
      input.verdict.unsupported.map(({ view, screens }) => ({
        title: titleOf(input, view, inputs.length > 1),
        view,
        screens,
      })),
    ),
  };
  const summary = summaryOf(inputs, unused);
  return page({
    title: summary.text,
    // Two thousand findings on forty screens say much the same over and over: a tenth of it is left.
    body: bodyOf(
      summary,
      unusedHtml(unused),
      toBase64(deflateSync(strToU8(JSON.stringify(data)), { level: 9 })),
    ),
    script: pageScript,
  });
}

/** A view as the page names it. */
function titleOf({ file }: SheetInput, view: string, many: boolean): string {
  return many ? `${view} (${file})` : view;
}

/** The number of a finding in the list and on the drawings, and which others one change would concern too. */
interface Numbered {
  readonly number: number;
  readonly cause: number;
  /** What would have to be changed, where that is not the widget. */
  readonly what: string | undefined;
  /** The number of the first finding of the same check that is written at the same place. */
  readonly first: number;
}

/** Numbers by cause, so that what belongs together has numbers that follow each other; undecided ones come last. */
function numbersOf({ verdict, document }: ReportInput, from: number): ReadonlyMap<Finding, Numbered> {
  const lineOf = ({ pointer }: Finding) => document.origin.at(pointer).range?.start ?? 0;
  const failed = verdict.findings.filter(({ outcome }) => outcome === 'failed');
  const groups = causesOf(failed, verdict, lineOf);
  const open = verdict.findings
    .filter(({ outcome }) => outcome !== 'failed')
    .map((one) => ({ what: undefined, findings: [one] }));
  const numbers = new Map<Finding, Numbered>();
  let number = from;
  [...groups, ...open].forEach(({ what, findings }, at) => {
    const firsts = new Map(
      byPlace(findings).flatMap(([first, ...others]) => others.map((one) => [one, first])),
    );
    for (const finding of findings) {
      const known = firsts.get(finding);
      const first = (known && numbers.get(known)?.number) ?? number + 1;
      numbers.set(finding, { number: ++number, cause: from + at, what, first });
    }
  });
  return numbers;
}

function findingOf(input: ReportInput, finding: Finding, numbers: ReadonlyMap<Finding, Numbered>): object {
  const { view, widget, occurrences } = finding;
  return {
    ...numbers.get(finding),
    file: input.file,
    view,
    check: finding.check,
    severity: finding.severity,
    outcome: finding.outcome,
    name: widget,
    sentence: sentenceOf(finding),
    worst: finding.worst.screen,
    ...sentencesOf(finding),
    where: occasionOf(finding, input.verdict),
    why: finding.outcome === 'failed' ? finding.reasons.map(({ text }) => text) : [],
    say: suggestionOf(input, finding)?.say,
    place: findingPlace(input, finding),
    locales: [...new Set(occurrences.map(({ locale }) => locale))],
    themes: [...new Set(occurrences.map(({ theme }) => theme))],
    cases: [...new Set(occurrences.map((one) => one.case))],
  };
}

/** What a finding says on each of its screens: the sentences with a hole, and for each screen its number, of another sentence than the first with its place. */
function sentencesOf(finding: Finding): { readonly says: readonly string[]; readonly on: object } {
  const says: string[] = [];
  const on: Record<string, string | readonly [number, string]> = {};
  for (const [screen, worst] of worstOnScreens(finding)) {
    const [said, number] = sentenceWithHole(finding, worst, hole);
    const known = says.indexOf(said);
    const nth = known < 0 ? says.push(said) - 1 : known;
    on[screen] = nth === 0 ? number : [nth, number];
  }
  return { says, on };
}

function summaryOf(
  inputs: readonly SheetInput[],
  unused: readonly UnusedFile[],
): {
  readonly text: string;
  readonly passed: boolean;
  readonly of: string;
} {
  const all = inputs.flatMap(({ verdict }) => verdict.findings);
  const failed = all.filter(({ outcome }) => outcome === 'failed').length;
  const open = all.length - failed;
  const layouts = inputs.reduce((sum, { verdict }) => sum + verdict.layouts, 0);
  const undecided = open > 0 ? `, ${open} undecided` : '';
  const isWhole = unused.length === 0;
  const lost = isWhole ? '' : `, ${counted(unused.length, 'file')} not used`;
  const text =
    failed > 0 || !isWhole ? `✗ ${counted(failed, 'finding')}${undecided}${lost}` : `✓ passed${undecided}`;
  return {
    text,
    passed: failed === 0 && isWhole,
    of: `${[...inputs, ...unused].map(({ file }) => file).join(', ')}, ${counted(layouts, 'layout')}`,
  };
}

function bodyOf(summary: ReturnType<typeof summaryOf>, lost: string, data: string): string {
  const select = (id: string, title: string) => `<label>${title} <select id="${id}"></select></label>`;
  return `<header>
<h1><span class="${summary.passed ? 'good' : 'bad'}">${escapeXml(summary.text)}</span> <small>${escapeXml(summary.of)}</small></h1>
<form aria-label="Filters" autocomplete="off">
<label><span class="sr">Search</span> <input type="search" id="search" placeholder="Search"></label>
${select('severity', 'Severity')}
${select('check', 'Check')}
${select('view', 'View')}
${select('screen', 'Screen')}
${select('case', 'Case')}
${select('locale', 'Locale')}
${select('theme', 'Theme')}
<label><input type="checkbox" id="only"> only with findings</label>
</form>
</header>
<main>
${lost}<section id="list" aria-label="Findings"></section>
<div id="sheet"></div>
</main>
<dialog id="dialog" aria-labelledby="large-title">
<header>
<div><h2 id="large-title"></h2><span id="large-with" class="none"></span></div>
<form method="dialog" class="keys">
<button type="button" id="before" aria-label="the one before">←</button>
<button type="button" id="after" aria-label="the next one">→</button>
<button>Close</button>
</form>
</header>
<div id="large"></div>
</dialog>
<script type="application/octet-stream" id="data">${data}</script>`;
}
