import type { CheckId } from '../checks/index.ts';
import type { Finding, Verdict } from '../verdict/index.ts';

/** A measured value: one decimal, two where it is small. */
export function amount(value: number): string {
  return String(Math.abs(value) < 10 ? Math.round(value * 100) / 100 : Math.round(value * 10) / 10);
}

const sentences: { readonly [Id in CheckId]: (finding: Finding, measured: string, limit: string) => string } =
  {
    'off-screen': ({ detail }, measured) => `reaches ${measured} px over the ${detail} edge of the screen`,
    'outside-safe-area': ({ detail }, measured) =>
      `reaches ${measured} px into the unsafe ${detail} of the screen`,
    'overlap': ({ other }, measured) => `overlaps ${other} by ${measured} px`,
    'bursts-parent': ({ other, detail }, measured) =>
      `reaches ${measured} px over the ${detail} edge of ${other}, which it is in`,
    'cut-text': ({ detail }, measured) => `has a text that is ${measured} px too ${detail} for it`,
    'small-text': (_, measured, limit) =>
      `has capitals seen under ${measured}′ of arc; ${limit}′ is the least`,
    'coarse-text': (_, measured, limit) => `has capitals of ${measured} px; ${limit} px is the least`,
    'missing-message': ({ detail, worst }) => `has no translation into ${worst.locale} of "${detail}"`,
    'theme-gap': ({ detail }) => `lacks ${detail}`,
    'unused-style': () => `is a style nothing uses`,
    'unused-component': () => `is a component nothing uses`,
    'unused-token': () => `is a token nothing uses`,
    'idle-acceptance': ({ detail }) => `accepts ${detail}`,
    'broken-promise': ({ detail }) => `breaks a promise: ${detail}`,
    'gave-way': (_, measured) =>
      `did not get ${measured === '1' ? 'something' : `${measured} things`} asked for it`,
    'pivot-at-odds': (_, measured) => `stands ${measured} px beside what it is anchored to`,
    'drifted': ({ detail }, measured) => `has drifted from the ${detail} edge by ${measured} % of the screen`,
    'nearly-aligned': ({ other, detail }, measured) =>
      `misses the ${detail} edge of ${other} by ${measured} u`,
    'cut-off': (_, measured) => `is cut off by ${measured} % of itself, and cannot be scrolled to`,
    'covered': ({ other }, measured) => `is hidden by ${other}, by ${measured} %`,
    'shrunk-text': (_, measured) => `has a text that is shrunk as far as it may be, to ${measured} %`,
    'long-lines': (_, measured, limit) => `has lines of ${measured} characters; ${limit} are the most`,
    'faint-part': ({ detail }, measured, limit) =>
      `has a ${detail} of contrast ${measured}:1; ${limit}:1 is the least`,
    'states-alike': ({ detail }, measured, limit) =>
      `looks ${detail === 'focused' ? 'with the focus as without' : `${detail} as it does otherwise`}: contrast ${measured}:1; ${limit}:1 is the least`,
    'stretched-picture': (_, measured) => `shows its picture stretched by ${measured} %`,
    'blown-up-picture': (_, measured, limit) =>
      `shows a picture blown up ${measured} times; ${limit} is the most`,
    'uneven-pixels': ({ detail }) => `shows pixel art at ${detail} px a pixel, which is not whole`,
    'slices-cross': (_, measured) =>
      `is too small for its nine slices: their corners shrink to ${measured} %`,
    'small-target': (_, measured, limit) => `is a target of ${measured} CSS px; ${limit} is the least`,
    'swallowed-input': ({ other }, measured) => `gets no input on ${measured} % of it: ${other} lies above`,
    'nearly-same-size': ({ other, detail }, measured) => `misses the ${detail} of ${other} by ${measured} u`,
    'uneven-gaps': ({ other }, measured) =>
      `stands in a line whose gaps differ by ${measured} u, the one before ${other} among them`,
    'colors-alike': ({ other, detail }, measured, limit) =>
      `${other === undefined ? 'has words of colours' : `is told from ${other} by a colour`} that ${detail} sees ${measured} ΔE apart; ${limit} is the least`,
    'crowded-targets': ({ other }, measured, limit) =>
      `stands ${measured} CSS px from ${other}, which is pressed too; ${limit} is the least`,
    'torn-apart': ({ other }, measured) =>
      `stands beside ${other} on the reference, and ${measured} times as far from it here`,
    'tiny-part': (_, measured, limit) => `is seen under ${measured}′ of arc; ${limit}′ is the least`,
    'focus-astray': ({ detail }) => `sends the focus to ${detail}, which cannot take it`,
    'focus-unreached': () => `cannot be reached with a pad or keys`,
    'drifted-instance': ({ detail }, measured, limit) =>
      `changes ${measured} values of its component ${detail}; ${limit} are the most`,
    'idle-change': ({ detail }) => `says ${detail} again as its component says it`,
    'missing-picture': ({ detail }) => `shows the picture "${detail}", whose file could not be used`,
    'missing-glyph': ({ detail }, measured) =>
      `has ${measured} ${measured === '1' ? 'character' : 'characters'} that no font draws: ${detail}`,
    'low-contrast': (_, measured, limit) => `has text of contrast ${measured}:1; ${limit}:1 is the least`,
  };

/** What a finding says of its widget, as the rest of a sentence that starts with the widget. */
export function sentenceOf(finding: Finding): string {
  const { worst } = finding;
  if (finding.outcome === 'undecided' || worst.measured === null) {
    return `is undecided for ${finding.check}: ${finding.missing ?? 'something is missing'}`;
  }
  return sentences[finding.check](finding, amount(worst.measured), amount(worst.limit));
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
