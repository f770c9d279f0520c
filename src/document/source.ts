/** Where something stands in a text: offsets in UTF-16 units, the end not included. */
export interface Range {
  readonly start: number;
  readonly end: number;
}

/** A place as people count it: both from 1; the column counts UTF-16 units. */
export interface Place {
  readonly line: number;
  readonly column: number;
}

/** A text that can say on which line an offset lies. */
export class SourceText {
  readonly #starts: number[] = [0];

  readonly text: string;
  /** The name diagnostics show for it, usually a path. */
  readonly name: string;

  constructor(text: string, name: string) {
    this.text = text;
    this.name = name;
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) this.#starts.push(at + 1);
  }

  /** Line and column of an offset; an offset past the end is at the end. */
  placeOf(offset: number): Place {
    const at = Math.max(0, Math.min(offset, this.text.length));
    let low = 0;
    let high = this.#starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.#starts[middle]! <= at) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: at - this.#starts[low]! + 1 };
  }

  /** The text of a line, counted from 1, without its line end. */
  lineAt(line: number): string {
    const start = this.#starts[line - 1] ?? this.text.length;
    const end = this.#starts[line] ?? this.text.length + 1;
    return this.text.slice(start, end - 1).replace(/\r$/, '');
  }

  /** The line an offset is on with a caret under the range, cut to `width` columns around it. */
  excerpt(range: Range, width = 100): string {
    const { line, column } = this.placeOf(range.start);
    const whole = this.lineAt(line).replace(/\t/g, ' ');
    const from = column > width - 20 ? column - Math.floor(width / 2) : 0;
    const to = from + width < whole.length ? from + width - 1 : whole.length;
    const shown = (from > 0 ? '…' : '') + whole.slice(from, to) + (to < whole.length ? '…' : '');
    const under = column - 1 - from + (from > 0 ? 1 : 0);
    const length = Math.max(1, Math.min(range.end - range.start, whole.length - column + 1, width));
    const margin = String(line);
    return `${margin} | ${shown}\n${' '.repeat(margin.length)} | ${' '.repeat(Math.max(0, under))}${'^'.repeat(length)}`;
  }
}
