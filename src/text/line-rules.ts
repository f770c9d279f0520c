import { lineClass, wide, type LineClasses } from './line-classes.ts';

/** A character with the marks on it (LB 9), or a mark that stands alone (LB 10). */
interface Units {
  /** The class of each, without `wide`. */
  readonly kinds: readonly number[];
  readonly isWide: readonly boolean[];
  /** Whether it ends with a zero width joiner. */
  readonly joins: readonly boolean[];
  /** The offset of each in UTF-16 units. */
  readonly starts: readonly number[];
}

/** A place in a text where a line may or must end (UAX 14). */
export interface Opportunity {
  /** Offset of the first UTF-16 unit of the next line. */
  readonly position: number;
  readonly required: boolean;
}

const {
  AK,
  AL,
  AP,
  AS,
  B2,
  BA,
  BB,
  BK,
  CB,
  CJ,
  CL,
  CM,
  CP,
  CR,
  DC,
  EB,
  EM,
  EX,
  GL,
  H2,
  H3,
  HH,
  HL,
  HY,
  ID,
  IN,
  IS,
  JL,
  JT,
  JV,
  LF,
  NL,
  NS,
  NU,
  OP,
  Pf,
  Pi,
  PO,
  PR,
  QU,
  RI,
  SP,
  SY,
  VF,
  VI,
  WJ,
  XA,
  XP,
  ZJ,
  ZW,
} = lineClass;

/** A set of classes: a test is one look. */
function setOf(...kinds: readonly number[]): Uint8Array {
  const set = new Uint8Array(wide);
  for (const kind of kinds) set[kind] = 1;
  return set;
}

const ends = setOf(BK, CR, LF, NL);
const takesNoMark = setOf(BK, CR, LF, NL, SP, ZW);
const marks = setOf(CM, ZJ);
const quotes = setOf(QU, Pi, Pf);
const letters = setOf(AL, HL, DC, XA);
const pictures = setOf(ID, EB, EM, XP);
const korean = setOf(JL, JV, JT, H2, H3);
const syllables = setOf(AK, DC, AS);
const closes = setOf(CL, CP, EX, SY);
const nonstarters = setOf(NS, CJ);
const afterSpaceless = setOf(SP, BA, HY, HH);
const beforeOpeningQuote = setOf(BK, CR, LF, NL, OP, QU, Pi, Pf, GL, SP, ZW);
const afterClosingQuote = setOf(SP, GL, WJ, CL, QU, Pi, Pf, CP, EX, IS, SY, BK, CR, LF, NL, ZW);
const beforeWordHyphen = setOf(BK, CR, LF, NL, SP, ZW, CB, GL);
const staysBefore = setOf(BA, HH, HY, NS, CJ);

/** Every opportunity in a text after its start, the end of the text among them: Unicode 17, UAX 14 revision 55. */
export function lineBreaks(text: string, classes: LineClasses): Opportunity[] {
  const found: Opportunity[] = [];
  if (text === '') return found;
  const units = unitsOf(text, classes);
  const { kinds, starts } = units;
  /** How far a number goes on: 1 in it, 2 at a bracket behind it (LB 25). */
  let number = numberAfter(0, kinds[0]!);
  /** The last that is no space. */
  let solid = kinds[0] === SP ? -1 : 0;
  /** Regional indicators in a row up to the one before. */
  let flags = kinds[0] === RI ? 1 : 0;
  for (let at = 1; at < kinds.length; at++) {
    const before = kinds[at - 1]!;
    if (ends[before] && !(before === CR && kinds[at] === LF))
      found.push({ position: starts[at]!, required: true });
    else if (mayBreak(units, at, solid, number, flags))
      found.push({ position: starts[at]!, required: false });
    const kind = kinds[at]!;
    number = numberAfter(number, kind);
    if (kind !== SP) solid = at;
    flags = kind === RI ? flags + 1 : 0;
  }
  found.push({ position: text.length, required: false });
  return found;
}

function unitsOf(text: string, classes: LineClasses): Units {
  const kinds: number[] = [];
  const isWide: boolean[] = [];
  const joins: boolean[] = [];
  const starts: number[] = [];
  for (let at = 0; at < text.length;) {
    const code = text.codePointAt(at)!;
    const value = classes.of(code);
    const kind = value & (wide - 1);
    const last = kinds.length - 1;
    if (marks[kind] && last >= 0 && !takesNoMark[kinds[last]!]) joins[last] = kind === ZJ;
    else {
      // LB 10: as if it were a letter A.
      kinds.push(marks[kind] ? AL : kind);
      isWide.push(!marks[kind] && value >= wide);
      joins.push(kind === ZJ);
      starts.push(at);
    }
    at += code > 0xffff ? 2 : 1;
  }
  return { kinds, isWide, joins, starts };
}

function numberAfter(number: number, kind: number): number {
  if (kind === NU) return 1;
  if (number !== 1) return 0;
  if (kind === SY || kind === IS) return 1;
  return kind === CL || kind === CP ? 2 : 0;
}

/**
 * Whether a line may end before a unit, where none has to: the rules from LB 5 on, the first that applies decides.
 * @param solid The last unit before it that is no space; -1 for none.
 * @param number Whether a number ends before it.
 * @param flags Regional indicators in a row before it.
 */
function mayBreak(
  { kinds, isWide, joins }: Units,
  at: number,
  solid: number,
  number: number,
  flags: number,
): boolean {
  const a = kinds[at - 1]!;
  const b = kinds[at]!;
  const next = kinds[at + 1] ?? -1;
  const former = kinds[at - 2] ?? -1;
  const s = solid < 0 ? -1 : kinds[solid]!;
  // LB 5, 6, 7.
  if (ends[a] || ends[b] || b === SP || b === ZW) return false;
  // LB 8, 8a.
  if (s === ZW) return true;
  if (joins[at - 1]) return false;
  // LB 11, 12, 12a.
  if (a === WJ || b === WJ || a === GL || (b === GL && !afterSpaceless[a])) return false;
  // LB 13, 14.
  if (closes[b] || s === OP) return false;
  // LB 15a, 15b, 15c, 15d.
  if (s === Pi && (solid === 0 || beforeOpeningQuote[kinds[solid - 1]!])) return false;
  if (b === Pf && (next < 0 || afterClosingQuote[next])) return false;
  if (a === SP && b === IS && next === NU) return true;
  if (b === IS) return false;
  // LB 16, 17, 18.
  if ((s === CL || s === CP) && nonstarters[b]) return false;
  if (s === B2 && b === B2) return false;
  if (a === SP) return true;
  // LB 19, 19a.
  if (b === QU || b === Pf || a === QU || a === Pi) return false;
  if (quotes[b] && (!isWide[at - 1] || next < 0 || !isWide[at + 1])) return false;
  if (quotes[a] && (!isWide[at] || former < 0 || !isWide[at - 2])) return false;
  // LB 20, 20a.
  if (a === CB || b === CB) return true;
  if ((a === HY || a === HH) && letters[b] && (former < 0 || beforeWordHyphen[former])) return false;
  // LB 21, 21a, 21b, 22.
  if (staysBefore[b] || a === BB) return false;
  if (former === HL && (a === HY || a === HH) && b !== HL) return false;
  if ((a === SY && b === HL) || b === IN) return false;
  // LB 23, 23a, 24.
  if ((letters[a] && b === NU) || (a === NU && letters[b])) return false;
  const isAffix = a === PR || a === PO;
  if ((a === PR && pictures[b]) || (pictures[a] && b === PO)) return false;
  if ((isAffix && letters[b]) || (letters[a] && (b === PR || b === PO))) return false;
  // LB 25.
  if (number > 0 && (b === PO || b === PR)) return false;
  if (isAffix && b === OP && (next === NU || (next === IS && kinds[at + 2] === NU))) return false;
  if (b === NU && (isAffix || a === HY || a === IS || number === 1)) return false;
  // LB 26, 27.
  if (a === JL && (b === JL || b === JV || b === H2 || b === H3)) return false;
  if ((a === JV || a === H2) && (b === JV || b === JT)) return false;
  if ((a === JT || a === H3) && b === JT) return false;
  if ((korean[a] && b === PO) || (a === PR && korean[b])) return false;
  // LB 28, 28a.
  if (letters[a] && letters[b]) return false;
  if (a === AP && syllables[b]) return false;
  if (syllables[a] && (b === VF || b === VI)) return false;
  if (former >= 0 && syllables[former] && a === VI && (b === AK || b === DC)) return false;
  if (syllables[a] && syllables[b] && next === VF) return false;
  // LB 29, 30, 30a, 30b.
  if (a === IS && letters[b]) return false;
  if ((letters[a] || a === NU) && b === OP && !isWide[at]) return false;
  if (a === CP && !isWide[at - 1] && (letters[b] || b === NU)) return false;
  if (a === RI && b === RI && flags % 2 === 1) return false;
  return !((a === EB || a === XA || a === XP) && b === EM);
}
