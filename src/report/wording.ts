import { checkOf } from '../checks/index.ts';
import type { Finding, Verdict } from '../verdict/index.ts';

/** A measured value: one decimal, two where it is small. */
export function amount(value: number): string {
  return String(Math.abs(value) < 10 ? Math.round(value * 100) / 100 : Math.round(value * 10) / 10);
}

/** What a finding says of its widget, as the rest of a sentence that starts with the widget. */
export function sentenceOf(finding: Finding): string {
  const { worst } = finding;
  if (finding.outcome === 'undecided' || worst.measured === null) {
    return `is undecided for ${finding.check}: ${finding.missing ?? 'something is missing'}`;
  }
  const { other, facts } = finding;
  const { locale } = worst;
  const said = { facts, other, locale, measured: amount(worst.measured), limit: amount(worst.limit) };
  return checkOf(finding.check).sentence(said);
}

/** `on all 12 screens`, `on desktop and square`, `on 7 of 12 screens: …`. */
export function whereOf(finding: Finding, screenCount: number): string {
  const names = [...new Set(finding.occurrences.map((one) => one.screen))];
  if (names.length === screenCount && screenCount > 1) return `on all ${screenCount} screens`;
  if (names.length <= 2) return `on ${names.join(' and ')}`;
  return `on ${names.length} of ${screenCount} screens: ${names.join(', ')}`;
}

/** `in the case worst`; empty where the document has no cases or all of them are concerned. */
function casesOf(finding: Finding, caseCount: number): string {
  const names = [...new Set(finding.occurrences.map((one) => one.case))].filter((name) => name !== undefined);
  if (names.length === 0 || names.length === caseCount) return '';
  return ` in the case${names.length > 1 ? 's' : ''} ${names.join(', ')}`;
}

/** `in the locale de`; empty where all are concerned. */
function localesIn(finding: Finding, localeCount: number): string {
  const names = [...new Set(finding.occurrences.map((one) => one.locale))];
  if (names.length === localeCount) return '';
  return ` in the locale${names.length > 1 ? 's' : ''} ${names.join(', ')}`;
}

/** `in the theme lantern`; empty where all are concerned. */
function themesIn(finding: Finding, themeCount: number): string {
  const names = [...new Set(finding.occurrences.map((one) => one.theme))].filter(
    (name) => name !== undefined,
  );
  if (names.length === 0 || names.length === themeCount) return '';
  return ` in the theme${names.length > 1 ? 's' : ''} ${names.join(', ')}`;
}

/** ` at HUD size 1.25 and text size 1.5, with every control focused`; empty where all are concerned. */
function settingsOf({ occurrences }: Finding, { hudSizes, textSizes, states }: Verdict): string {
  const said: string[] = [];
  for (const [what, key, all] of [
    ['HUD', 'hudSize', hudSizes],
    ['text', 'textSize', textSizes],
  ] as const) {
    const sizes = [...new Set(occurrences.map((one) => one[key]))];
    if (sizes.length < all.length || (all.length === 1 && all[0] !== 1))
      said.push(`at ${what} size${sizes.length > 1 ? 's' : ''} ${sizes.join(', ')}`);
  }
  const inStates = [...new Set(occurrences.map((one) => one.state))];
  if (inStates.length < states.length)
    said.push(`with every control ${inStates.map((state) => state ?? 'as it is').join(', ')}`);
  return said.length === 0 ? '' : ` ${said.join(', ')}`;
}

/** On which screens and in which occasions; empty of what is written, on no screen in particular. */
export function occasionOf(finding: Finding, verdict: Verdict): string {
  if (finding.view === undefined) return '';
  const { screens, cases, locales, themes } = verdict;
  return [
    whereOf(finding, screens.length),
    casesOf(finding, cases.length),
    localesIn(finding, locales.length),
    themesIn(finding, themes.length),
    settingsOf(finding, verdict),
  ].join('');
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
