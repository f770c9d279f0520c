import { checkOf, checks, documentChecks } from '../checks/index.ts';
import { factors } from '../view/index.ts';
import type { Finding, Verdict } from '../verdict/index.ts';
import { allScreens, supportedScreens } from './wording.ts';

/** Findings that one change of the document would concern: of one widget as it is written, or of one missing thing. */
export interface Cause {
  /** What would have to be changed, where that is not the widget itself. */
  readonly what: string | undefined;
  /** Errors first, then as the checks are listed, worst instances first. */
  readonly findings: readonly Finding[];
}

/** So many places of a view that get too small, and nothing else is found of, have their scale for a cause. */
const manyPlaces = 5;

const listed = new Map([...documentChecks, ...checks].map(({ id }, index) => [id, index]));

/**
 * Findings by what would have to be changed, in the order of the document; of one view those with an error first. Nothing is
 * left out: every finding is in exactly one cause.
 * @param lineOf Where a finding is written, as a number to go by.
 */
export function causesOf(
  findings: readonly Finding[],
  { views, screens }: Pick<Verdict, 'views' | 'screens'>,
  lineOf: (finding: Finding) => number,
): readonly Cause[] {
  const groups = new Map<string, Group>();
  // What concerns two widgets goes with the one of them that has more to be said of it.
  const alone = new Set(findings.flatMap(({ view, widget, other }) => (other ? [] : [`${view}\n${widget}`])));
  const pointers = new Map(findings.map(({ view, widget, pointer }) => [`${view}\n${widget}`, pointer]));
  for (const finding of findings) {
    const { view, widget, other, pointer } = finding;
    const what = whatOf(finding);
    const goesWithOther = other && !alone.has(`${view}\n${widget}`) && alone.has(`${view}\n${other}`);
    const at = goesWithOther ? (pointers.get(`${view}\n${other}`) ?? pointer) : pointer;
    // What stands in a component is one place, whatever view shows it.
    const key = what ?? (at.startsWith('/components/') ? at : `${view}\n${at}`);
    const known = groups.get(key);
    if (known) known.findings.push(finding);
    else groups.set(key, { what, findings: [finding] });
  }
  const place = ({ view }: Finding) => (view === undefined ? -1 : views.indexOf(view));
  const isError = (one: Finding) => (one.severity === 'error' && one.outcome === 'failed' ? 0 : 1);
  const made = smallTogether([...groups.values()], screens.length).map((group) => ({
    ...group,
    findings: [...group.findings].sort(
      (a, b) => isError(a) - isError(b) || listed.get(a.check)! - listed.get(b.check)! || worseFirst(a, b),
    ),
  }));
  return made.sort((a, b) => {
    const [one, other] = [a.findings[0]!, b.findings[0]!];
    return place(one) - place(other) || isError(one) - isError(other) || lineOf(one) - lineOf(other);
  });
}

interface Group {
  readonly what: string | undefined;
  readonly findings: Finding[];
}

/**
 * Puts together what gets too small in a view on some screens and is right on others: there it is the scale that would have to
 * be changed, or what is shown on such screens, and not each widget.
 */
function smallTogether(groups: readonly Group[], screenCount: number): readonly Group[] {
  const small = new Map<string, Group[]>();
  for (const group of groups) {
    const views = new Set(group.findings.map(({ view }) => view));
    const [view] = views;
    if (view === undefined || views.size > 1 || !group.findings.every(isOfScale)) continue;
    const known = small.get(view);
    if (known) known.push(group);
    else small.set(view, [group]);
  }
  const gone = new Set<Group>();
  const made: Group[] = [];
  for (const [view, some] of small) {
    const findings = some.flatMap((group) => group.findings);
    const on = new Set(findings.flatMap(({ occurrences }) => occurrences.map(({ screen }) => screen)));
    if (some.length < manyPlaces || on.size === screenCount) continue;
    const scales = findings.flatMap(({ occurrences }) => occurrences.map(({ scale }) => scale));
    const [least, most] = [Math.min(...scales), Math.max(...scales)].map((one) => one.toPrecision(2));
    const px = least === most ? `${least}` : `${least} to ${most}`;
    const place = on.size === 1 ? 'this screen' : 'these screens';
    made.push({ what: `${view} is small on ${place} (1 u is ${px} px)`, findings });
    for (const group of some) gone.add(group);
  }
  return [...groups.filter((group) => !gone.has(group)), ...made];
}

function isOfScale({ check, outcome }: Finding): boolean {
  const { growsWithScale } = checkOf(check);
  return outcome === 'failed' && growsWithScale === true;
}

/** What a check says would have to be changed for a finding; undefined where that is the widget. */
function whatOf(finding: Finding): string | undefined {
  if (finding.outcome !== 'failed') return undefined;
  const check = checkOf(finding.check);
  const locales = [...new Set(finding.occurrences.map(({ locale }) => locale))];
  return check.cause?.({ facts: finding.facts, locales });
}

function worseFirst(a: Finding, b: Finding): number {
  const [one, other] = [a.worst.measured, b.worst.measured];
  if (one === null || other === null || a.check !== b.check) return 0;
  return a.fails === 'above' ? other - one : one - other;
}

/**
 * Findings of one check of widgets that are written at one place, such as the entries of a repeat: the first of each, with the
 * others. What is found of one widget and several others, or more than once, stays apart. Nothing is left out.
 */
export function byPlace<One extends Pick<Finding, 'check' | 'view' | 'pointer' | 'widget' | 'other'>>(
  findings: readonly One[],
): readonly (readonly [One, ...One[]])[] {
  const places = new Map<string, [One, ...One[]]>();
  const seen = new Map<string, number>();
  for (const one of findings) {
    const place = `${one.check}\n${one.view}\n${one.pointer}\n${one.other ?? ''}`;
    const of = `${place}\n${one.widget}`;
    const nth = seen.get(of) ?? 0;
    seen.set(of, nth + 1);
    const key = `${place}\n${nth}`;
    const known = places.get(key);
    if (known) known.push(one);
    else places.set(key, [one]);
  }
  return [...places.values()];
}

/** The names of widgets, the first few of them. */
export function namesOf(findings: readonly Finding[], most = 4): string {
  const names = [...new Set(findings.map(({ widget }) => widget))];
  const rest = names.length - most;
  return rest > 0 ? `${names.slice(0, most).join(', ')} and ${rest} more` : names.join(', ');
}

/** In how much of what varies findings are: screens, and what else is not everywhere. */
export function reachOf(
  findings: readonly Finding[],
  verdict: Verdict,
  worst: 'with the worst' | 'short' = 'with the worst',
): string {
  const occurrences = findings.flatMap((one) => one.occurrences);
  const screens = [...new Set(occurrences.map(({ screen }) => screen))];
  if (screens.length === 0) return '';
  const views = new Set(findings.map(({ view }) => view));
  const all = views.size === 1 ? supportedScreens(findings[0]!.view, verdict) : verdict.screens;
  const supported = all.length < verdict.screens.length ? ' it supports' : '';
  const on =
    screens.length === 1
      ? screens[0]!
      : screens.length === all.length
        ? `${allScreens(screens.length)}${supported}`
        : `${screens.length} of ${all.length} screens${supported}`;
  const said = factors.flatMap((factor) => {
    const found = [...new Set(occurrences.map((one) => one[factor.key]))];
    const text = factor.where(found, verdict[factor.list]);
    return text === '' ? [] : [text];
  });
  const [first] = findings as [Finding];
  const isTold = worst === 'with the worst' && screens.length > 1 && varies(first);
  const most = isTold ? [`worst on ${first.worst.screen}`] : [];
  return [on, ...said, ...most].join(', ');
}

/** Whether a finding is worse on some of its screens than on others: by more than a hundredth. */
export function varies({ outcome, occurrences, worst }: Finding): boolean {
  if (outcome !== 'failed') return false;
  return occurrences.some(
    ({ measured }) => Math.abs((measured ?? 0) - worst.measured!) > 0.01 * Math.abs(worst.measured!),
  );
}
