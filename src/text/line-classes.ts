import { kindOfRun, kinds, lengthOfRun } from './line-break-table.ts';

/** The line breaking classes of UAX 14, resolved as LB 1 says; what tells two kinds of one class apart is a class here. */
export const lineClass = {
  AK: 0,
  AL: 1,
  AP: 2,
  AS: 3,
  B2: 4,
  BA: 5,
  BB: 6,
  BK: 7,
  CB: 8,
  /** Small kana and the like, which start no line (LB 1, as NS). */
  CJ: 9,
  CL: 10,
  CM: 11,
  CP: 12,
  CR: 13,
  /** The dotted circle, of class AL. */
  DC: 14,
  EB: 15,
  EM: 16,
  EX: 17,
  GL: 18,
  H2: 19,
  H3: 20,
  HH: 21,
  HL: 22,
  HY: 23,
  ID: 24,
  IN: 25,
  IS: 26,
  JL: 27,
  JT: 28,
  JV: 29,
  LF: 30,
  NL: 31,
  NS: 32,
  NU: 33,
  OP: 34,
  /** Final quotation marks, of class QU. */
  Pf: 35,
  /** Initial quotation marks, of class QU. */
  Pi: 36,
  PO: 37,
  PR: 38,
  QU: 39,
  RI: 40,
  SP: 41,
  SY: 42,
  VF: 43,
  VI: 44,
  WJ: 45,
  /** Pictures that are not assigned yet, of class AL. */
  XA: 49,
  /** Pictures that are not assigned yet, of class ID. */
  XP: 46,
  ZJ: 47,
  ZW: 48,
} as const;

/** Added to a class for a character that Unicode calls wide, fullwidth or halfwidth (UAX 11). */
export const wide = 64;

/** The line breaking class of each character. */
export class LineClasses {
  /** The first code point of each run. */
  readonly #starts: Uint32Array;
  readonly #classes: Uint8Array;

  constructor() {
    const names = kinds.split(' ');
    const letters = new Map<string, number>();
    // A run has the letter of its kind, and letters are handed out in the order in which kinds come up first.
    for (const letter of kindOfRun) if (!letters.has(letter)) letters.set(letter, letters.size);
    const lengths = lengthOfRun.split(' ');
    this.#starts = new Uint32Array(lengths.length);
    this.#classes = new Uint8Array(lengths.length);
    let from = 0;
    for (const [nth, length] of lengths.entries()) {
      const name = names[letters.get(kindOfRun[nth]!)!]!;
      const isWide = name.endsWith('w');
      const base = lineClass[(isWide ? name.slice(0, -1) : name) as keyof typeof lineClass];
      this.#starts[nth] = from;
      this.#classes[nth] = base + (isWide ? wide : 0);
      from += parseInt(length, 36);
    }
  }

  /** The class of a code point, and `wide` where it is so. */
  of(code: number): number {
    let low = 0;
    let high = this.#starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.#starts[middle]! <= code) low = middle;
      else high = middle - 1;
    }
    return this.#classes[low]!;
  }
}
