import LineBreaker from 'linebreak';
import type { FontFace, ShapedText } from './face.ts';

/** How a text is set. Lengths are in u. */
export interface TextSetting {
  readonly face: FontFace;
  readonly fontSize: number;
  /** A multiple of the font size. */
  readonly lineHeight: number;
  readonly letterSpacing: number;
  /** Whether lines break to fit the width. */
  readonly wrap: boolean;
}

/** One set line. Lengths are in u. */
export interface TextLine {
  readonly text: string;
  readonly shaped: ShapedText;
  /** Of the ink and the spaces between, without the spaces at the end. */
  readonly width: number;
}

interface Segment {
  readonly text: string;
  /** With the spaces at its end. */
  readonly width: number;
  /** Without them. */
  readonly inkWidth: number;
  readonly required: boolean;
}

/** Sums of rounded advances may exceed the same sum computed in another order by this much, in u. */
const slack = 1e-6;

/**
 * A text that knows how wide and high it is: its lines break by UAX 14, greedily, and are as high as CSS's
 * line-height says. All lengths are in u, and scale with the font size.
 */
export class TextBlock {
  readonly setting: TextSetting;
  readonly text: string;
  readonly #segments: readonly Segment[];
  /** The width of the text when only required breaks are taken. */
  readonly widest: number;
  /** The width below which something would stick out: the widest segment, or all of it without wrapping. */
  readonly least: number;
  #lines: readonly TextLine[] = [];
  #linesFor = NaN;

  constructor(text: string, setting: TextSetting) {
    this.setting = setting;
    this.text = text;
    this.#segments = this.#split();
    this.widest = this.#linesWithin(Infinity).reduce((most, line) => Math.max(most, line.width), 0);
    this.least = setting.wrap
      ? this.#segments.reduce((most, one) => Math.max(most, one.inkWidth), 0)
      : this.widest;
  }

  get lineHeight(): number {
    return this.setting.lineHeight * this.setting.fontSize;
  }

  /** From the top of a line to its baseline: half the leading above the ascent, as in CSS 2 §10.8.1. */
  get baseline(): number {
    const { face, fontSize } = this.setting;
    const unit = fontSize / face.unitsPerEm;
    const content = (face.ascent + face.descent) * unit;
    return (this.lineHeight - content) / 2 + face.ascent * unit;
  }

  /** Characters no font has a glyph for. */
  get missing(): readonly string[] {
    return [...new Set(this.linesAt(Infinity).flatMap((line) => line.shaped.missing))];
  }

  heightAt(width: number): number {
    return this.linesAt(width).length * this.lineHeight;
  }

  /** The lines at a width, in u. */
  linesAt(width: number): readonly TextLine[] {
    const key = this.setting.wrap && width < this.widest - slack ? width : Infinity;
    if (key !== this.#linesFor) {
      this.#lines = this.#linesWithin(key);
      this.#linesFor = key;
    }
    return this.#lines;
  }

  #split(): Segment[] {
    const segments: Segment[] = [];
    const breaker = new LineBreaker(this.text);
    let start = 0;
    for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
      const text = this.text.slice(start, next.position);
      const plain = text.replace(/[\r\n\u2028\u2029\u0085\u000b\u000c]+$/, '');
      segments.push({
        text: plain,
        width: this.#measure(plain),
        inkWidth: this.#measure(plain.trimEnd()),
        required: next.required,
      });
      start = next.position;
    }
    return segments;
  }

  #measure(text: string): number {
    if (text === '') return 0;
    const { face, fontSize, letterSpacing } = this.setting;
    const shaped = face.shape(text);
    return (shaped.advance * fontSize) / face.unitsPerEm + letterSpacing * shaped.glyphs.length;
  }

  #linesWithin(width: number): TextLine[] {
    const lines: TextLine[] = [];
    const segments = this.#segments;
    let from = 0;
    while (from < segments.length) {
      let to = from;
      let filled = 0;
      while (to < segments.length) {
        const segment = segments[to]!;
        if (to > from && filled + segment.inkWidth > width + slack) break;
        filled += segment.width;
        to++;
        if (segment.required) break;
      }
      let line = this.#line(from, to);
      // Kerning across a break opportunity can make a line wider than its segments together.
      while (to - from > 1 && line.width > width + slack) line = this.#line(from, --to);
      lines.push(line);
      from = to;
    }
    if (lines.length === 0) lines.push(this.#line(0, 0));
    return lines;
  }

  #line(from: number, to: number): TextLine {
    let text = '';
    for (let index = from; index < to; index++) text += this.#segments[index]!.text;
    text = text.trimEnd();
    return { text, shaped: this.setting.face.shape(text), width: this.#measure(text) };
  }
}
