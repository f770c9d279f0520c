import { checkOf } from '../checks/index.ts';
import { isWorse, type Finding, type Occurrence, type Verdict } from '../verdict/index.ts';
import { factors } from '../view/index.ts';

/** A measured value: one decimal, two where it is small. */
export function amount(value: number): string {
  return String(Math.abs(value) < 10 ? Math.round(value * 100) / 100 : Math.round(value * 10) / 10);
}

/**
 * What a finding says of its widget, as the rest of a sentence that starts with the widget.
 * @param on Of which of its occurrences; of the worst if left out.
 */
export function sentenceOf(finding: Finding, on: Occurrence = finding.worst): string {
  const [said, number] = sentenceWithHole(finding, on, hole);
  return said.replaceAll(hole, number);
}

/** Stands in a sentence for its number. */
export const hole = '\u0001';

/** The same with something in place of the measured number, and that number. */
export function sentenceWithHole(
  finding: Finding,
  { measured, limit, locale, facts }: Occurrence,
  hole: string,
): readonly [said: string, number: string] {
  if (finding.outcome === 'undecided' || measured === null)
    return [`is undecided for ${finding.check}: ${finding.missing ?? 'something is missing'}`, ''];
  const { other } = finding;
  const [number, most] = apart(measured, limit);
  const check = checkOf(finding.check);
  // A sentence may ask what the number is, as for one of something.
  const isOne = number === '1';
  const said = check.sentence({ facts, other, locale, measured: isOne ? number : hole, limit: most });
  return [said, number];
}

/** The worst occurrence of a finding on each of its screens. */
export function worstOnScreens({ occurrences, fails }: Finding): ReadonlyMap<string, Occurrence> {
  const found = new Map<string, Occurrence>();
  for (const one of occurrences) {
    const known = found.get(one.screen);
    if (!known || isWorse(fails, one, known)) found.set(one.screen, one);
  }
  return found;
}

/** Two numbers with as few digits as tell them apart: one that fails never reads as its limit. */
function apart(measured: number, limit: number): readonly [string, string] {
  const [one, other] = [amount(measured), amount(limit)];
  if (one !== other || measured === limit) return [one, other];
  for (let digits = 2; digits <= 6; digits++) {
    const finer = String(Number(measured.toFixed(digits)));
    if (finer !== other) return [finer, other];
  }
  return [measured < limit ? `just under ${other}` : `just over ${other}`, other];
}

/** `all 12 screens`, `both screens`. */
export function allScreens(count: number): string {
  return count === 2 ? 'both screens' : `all ${count} screens`;
}

/** The screens of a verdict that a view is looked at on. */
export function supportedScreens(view: string | undefined, verdict: Verdict): readonly string[] {
  const outside = verdict.unsupported.find((one) => one.view === view)?.screens ?? [];
  return verdict.screens.filter((name) => !outside.includes(name));
}

/**
 * `on all 12 screens`, `on desktop and square`, `on 4 of 12 screens: …`, `on 9 of 12 screens, all but …`.
 * @param screens The names of those it was looked for on. @param most How many there are with those its view does not support.
 */
export function whereOf(finding: Finding, screens: readonly string[], most = screens.length): string {
  const names = [...new Set(finding.occurrences.map((one) => one.screen))];
  const others = screens.filter((name) => !names.includes(name));
  const supported = most > screens.length ? ' it supports' : '';
  if (others.length === 0 && names.length > 1) return `on ${allScreens(names.length)}${supported}`;
  if (names.length <= 2) return `on ${names.join(' and ')}`;
  const on = `on ${names.length} of ${screens.length} screens${supported}`;
  return others.length < names.length / 2
    ? `${on}, all but ${others.join(', ')}`
    : `${on}: ${names.join(', ')}`;
}

/** On which screens and in which occasions; empty of what is written, on no screen in particular. */
export function occasionOf(finding: Finding, verdict: Verdict): string {
  if (finding.view === undefined) return '';
  const said = factors.map((factor) => {
    const found = [...new Set(finding.occurrences.map((one) => one[factor.key]))];
    return { isSetting: factor.isSetting, text: factor.where(found, verdict[factor.list]) };
  });
  const told = (settings: boolean) =>
    said.flatMap(({ isSetting, text }) => (isSetting === settings && text !== '' ? [text] : []));
  return [
    whereOf(finding, supportedScreens(finding.view, verdict), verdict.screens.length),
    ...told(false),
    told(true).join(', '),
  ]
    .filter((text) => text !== '')
    .join(' ');
}

/** How many, and the word for it. */
export function counted(count: number, word: string, several = `${word}s`): string {
  return `${grouped(count)} ${count === 1 ? word : several}`;
}

/** Digits in groups of three from five digits on. */
function grouped(count: number): string {
  return count < 10_000 ? String(count) : String(count).replace(/\B(?=(\d{3})+$)/g, ',');
}

/** Printed text without control characters, so that a name in a document cannot steer a terminal. */
export function printable(text: string): string {
  return text.replace(/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]/g, '�');
}
