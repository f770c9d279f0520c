import type { Rgba } from '../theme/index.ts';
import type { TextEngine } from './engine.ts';
import type { FontFace, ShapedText, Shaping } from './face.ts';

/** A stretch of a text with one face and one direction. */
export interface Span {
  readonly text: string;
  readonly face: FontFace;
  readonly shaped: ShapedText;
  /** The embedding level of UAX 9: odd from right to left. */
  readonly level: number;
  /** Its font size as a multiple of the text's; 1 where it is left out. */
  readonly scale?: number;
  /** The text's own where it is left out. */
  readonly color?: Rgba | undefined;
  /** The name of the picture that stands here in place of glyphs. */
  readonly icon?: string;
}

/** A piece of a text between two places where a line may end. Lengths are in em. */
export interface Piece {
  readonly text: string;
  /** As they are read. */
  readonly spans: readonly Span[];
  readonly advance: number;
  readonly glyphs: number;
  /** Without the spaces at its end. */
  readonly trimmedAdvance: number;
  readonly trimmedGlyphs: number;
}

/** Pieces kept by one chain; when there are more, all are shaped anew. */
const mostPieces = 20_000;

/** Faces in the order in which they are asked for a character: the first that has it draws it. */
export class FontChain {
  /** Gives a line its height and baseline. */
  readonly primary: FontFace;
  readonly engine: TextEngine;
  /** In the order in which they are asked; the last is the fallback. */
  readonly faces: readonly FontFace[];
  readonly #shaping: Shaping;
  readonly #pieces = new Map<string, Piece>();

  constructor(faces: readonly [FontFace, ...FontFace[]], shaping: Shaping, engine: TextEngine) {
    this.engine = engine;
    this.primary = faces[0];
    this.faces = faces;
    this.#shaping = shaping;
  }

  /**
   * A piece of text, shaped; kept, as most of what a game shows is shown again.
   * @param levels The embedding level of each UTF-16 unit; all 0 if left out.
   */
  piece(text: string, levels?: Uint8Array): Piece {
    const key = levels ? `${text}\u0000${levels.join(',')}` : text;
    let piece = this.#pieces.get(key);
    if (!piece) {
      if (this.#pieces.size >= mostPieces) this.#pieces.clear();
      piece = pieceOf(text, this.#spans(text, levels));
      this.#pieces.set(key, piece);
    }
    return piece;
  }

  /** The face that draws a character by itself. */
  faceFor(codePoint: number): FontFace {
    return this.#faceFor(codePoint, this.primary, false);
  }

  #spans(text: string, levels: Uint8Array | undefined): Span[] {
    const spans: Span[] = [];
    const add = (from: number, to: number, face: FontFace) => {
      if (to === from) return;
      const part = text.slice(from, to);
      const level = levels?.[from] ?? 0;
      spans.push({ text: part, face, level, shaped: face.shape(part, level % 2 === 1, this.#shaping) });
    };
    let from = 0;
    let current = this.primary;
    for (let at = 0; at < text.length;) {
      const codePoint = text.codePointAt(at)!;
      const face = this.#faceFor(codePoint, current, at > from);
      if (face !== current || (levels && at > from && levels[at] !== levels[at - 1])) {
        add(from, at, current);
        from = at;
        current = face;
      }
      at += codePoint > 0xffff ? 2 : 1;
    }
    add(from, text.length, current);
    return spans;
  }

  #faceFor(codePoint: number, current: FontFace, follows: boolean): FontFace {
    // Marks and joiners stay with what they are put on.
    if (follows && codePoint >= 0x300 && /^[\p{M}\u200c\u200d\ufe0f]$/u.test(String.fromCodePoint(codePoint)))
      return current;
    for (const face of this.faces) if (face.has(codePoint)) return face;
    return this.primary;
  }
}

/** A piece of its spans, with its lengths. */
export function pieceOf(text: string, spans: readonly Span[]): Piece {
  let advance = 0;
  let glyphs = 0;
  for (const { face, shaped, scale = 1 } of spans) {
    advance += (shaped.advance / face.unitsPerEm) * scale;
    glyphs += shaped.glyphs.length;
  }
  const inked = text.trimEnd().length;
  if (inked === text.length)
    return { text, spans, advance, glyphs, trimmedAdvance: advance, trimmedGlyphs: glyphs };
  const trimmed = withoutEnd(spans, text.length - inked);
  return { text, spans, advance, glyphs, ...trimmed.lengths };
}

/** Spans without so many UTF-16 units at their end, and how long they then are. */
export function withoutEnd(
  spans: readonly Span[],
  units: number,
): { spans: Span[]; lengths: { trimmedAdvance: number; trimmedGlyphs: number } } {
  const kept = [...spans];
  let left = units;
  while (left > 0 && kept.length > 0) {
    const last = kept.pop()!;
    if (last.text.length <= left) {
      left -= last.text.length;
      continue;
    }
    const length = last.text.length - left;
    left = 0;
    kept.push({ ...last, text: last.text.slice(0, length), shaped: upTo(last.shaped, length) });
  }
  let trimmedAdvance = 0;
  let trimmedGlyphs = 0;
  for (const { face, shaped, scale = 1 } of kept) {
    trimmedAdvance += (shaped.advance / face.unitsPerEm) * scale;
    trimmedGlyphs += shaped.glyphs.length;
  }
  return { spans: kept, lengths: { trimmedAdvance, trimmedGlyphs } };
}

/** A shaped text without the glyphs of its last UTF-16 units; from right to left those are its first glyphs. */
function upTo({ glyphs, missing }: ShapedText, length: number): ShapedText {
  const kept: ShapedText['glyphs'][number][] = [];
  let advance = 0;
  let before = 0;
  for (const glyph of glyphs) {
    if (glyph.cluster < length) {
      kept.push({ ...glyph, x: glyph.x - before + advance });
      advance += glyph.advance;
    }
    before += glyph.advance;
  }
  return { glyphs: kept, advance, missing };
}
