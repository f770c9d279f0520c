import LineBreaker from 'linebreak';
import type { FontFace, Glyph, ShapedText } from './face.ts';

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
export class TextLine {
  /** Of the ink and the spaces between, without the spaces at the end. */
  readonly width: number;
  readonly #segments: readonly Segment[];
  readonly #from: number;
  readonly #to: number;
  #shaped: ShapedText | undefined;

  constructor(segments: readonly Segment[], from: number, to: number, width: number) {
    this.#segments = segments;
    this.#from = from;
    this.#to = to;
    this.width = width;
  }

  get text(): string {
    let text = '';
    for (let index = this.#from; index < this.#to; index++) text += this.#segments[index]!.text;
    return text.trimEnd();
  }

  /** Put together when somebody wants to draw it: a layout asks only for the width. */
  get shaped(): ShapedText {
    this.#shaped ??= joined(this.#segments.slice(this.#from, this.#to));
    return this.#shaped;
  }
}

interface Segment {
  readonly shaped: ShapedText;
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

  /** The pieces between break opportunities; each is shaped by itself, so that a changed word costs no more than itself. */
  #split(): Segment[] {
    const segments: Segment[] = [];
    const { face, fontSize, letterSpacing } = this.setting;
    const unit = fontSize / face.unitsPerEm;
    const add = (text: string, required: boolean) => {
      const plain = /[\n\r\v\f\u0085\u2028\u2029]/.test(text)
        ? text.replace(/[\r\n\u2028\u2029\u0085\v\f]+$/, '')
        : text;
      const shaped = face.shape(plain);
      const width = shaped.advance * unit + letterSpacing * shaped.glyphs.length;
      const trimmed = plain.trimEnd();
      let inkWidth = width;
      if (trimmed.length < plain.length) {
        const first = shaped.glyphs.findIndex(({ cluster }) => cluster >= trimmed.length);
        if (first >= 0) inkWidth = shaped.glyphs[first]!.advanced * unit + letterSpacing * first;
      }
      segments.push({ shaped, text: plain, width, inkWidth, required });
    };
    if (this.setting.wrap && /[^0-9A-Za-z.,]/.test(this.text)) {
      const breaker = new LineBreaker(this.text);
      let start = 0;
      for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) {
        add(this.text.slice(start, next.position), next.required);
        start = next.position;
      }
    } else if (this.text !== '') {
      // Letters and digits alone hold no opportunity to break; without wrapping only line ends count.
      const lines = this.text.split(/\r\n|[\n\r\v\f\u0085\u2028\u2029]/);
      lines.forEach((line, index) => add(line, index < lines.length - 1));
    }
    return segments;
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
      const line = this.#line(from, to);
      lines.push(line);
      from = to;
    }
    if (lines.length === 0) lines.push(this.#line(0, 0));
    return lines;
  }

  #line(from: number, to: number): TextLine {
    let width = 0;
    for (let index = from; index < to; index++) {
      const segment = this.#segments[index]!;
      width += index === to - 1 ? segment.inkWidth : segment.width;
    }
    return new TextLine(this.#segments, from, to, width);
  }
}

/** Several shaped pieces one after the other. */
function joined(parts: readonly Segment[]): ShapedText {
  if (parts.length === 1) return parts[0]!.shaped;
  const glyphs: Glyph[] = [];
  const missing = new Set<string>();
  let ink: ShapedText['ink'];
  let start = 0;
  let cluster = 0;
  for (const { shaped, text } of parts) {
    for (const glyph of shaped.glyphs) {
      glyphs.push({
        ...glyph,
        x: glyph.x + start,
        advanced: glyph.advanced + start,
        cluster: glyph.cluster + cluster,
      });
    }
    for (const one of shaped.missing) missing.add(one);
    if (shaped.ink) {
      const { left, right, top, bottom } = shaped.ink;
      ink = {
        left: Math.min(ink?.left ?? Infinity, left + start),
        right: Math.max(ink?.right ?? -Infinity, right + start),
        top: Math.max(ink?.top ?? -Infinity, top),
        bottom: Math.min(ink?.bottom ?? Infinity, bottom),
      };
    }
    start += shaped.advance;
    cluster += text.length;
  }
  return { glyphs, advance: start, missing: [...missing], ink };
}
