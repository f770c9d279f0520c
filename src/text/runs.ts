import type { Rgba } from '../theme/index.ts';
import { pieceOf, type FontChain, type Piece, type Span } from './chain.ts';

/** How a stretch of a text differs from the text around it. */
export interface RunSetting {
  readonly chain: FontChain;
  /** Its font size as a multiple of the text's. */
  readonly scale: number;
  /** The text's own where it is left out. */
  readonly color: Rgba | undefined;
  /** The picture that stands for the stretch, which is then one {@link iconLetter}. */
  readonly icon?: { readonly name: string; readonly aspect: number };
}

/** A stretch of a text that is set in another way, as offsets in UTF-16 units. */
export interface TextRun {
  readonly from: number;
  readonly to: number;
  readonly setting: RunSetting;
}

/** Stands in a text for a picture: OBJECT REPLACEMENT CHARACTER, class CB of UAX 14 and ON of UAX 9. */
export const iconLetter = '\uFFFC';

/** A piece of a text with some of it set in another way. */
export function pieceWithRuns(
  text: string,
  from: number,
  to: number,
  chain: FontChain,
  runs: readonly TextRun[],
  levels: Uint8Array | undefined,
): Piece {
  const spans: Span[] = [];
  const add = (start: number, end: number, setting: RunSetting | undefined) => {
    if (start >= end) return;
    if (setting?.icon) {
      spans.push(iconSpan(setting, levels?.[start] ?? 0));
      return;
    }
    const part = (setting?.chain ?? chain).piece(text.slice(start, end), levels?.subarray(start, end));
    for (const span of part.spans)
      spans.push(setting ? { ...span, scale: setting.scale, color: setting.color } : span);
  };
  let at = from;
  for (const run of runs) {
    if (run.to <= at || run.from >= to) continue;
    add(at, run.from, undefined);
    add(Math.max(at, run.from), Math.min(to, run.to), run.setting);
    at = Math.min(to, run.to);
  }
  add(at, to, undefined);
  return pieceOf(text.slice(from, to), spans);
}

/** A picture as something that stands in a line: no glyph, as high as its font size. */
function iconSpan({ chain, scale, color, icon }: RunSetting, level: number): Span {
  const face = chain.primary;
  const advance = icon!.aspect * face.unitsPerEm;
  return {
    text: iconLetter,
    face,
    shaped: { glyphs: [], advance, missing: [] },
    level,
    scale,
    color,
    icon: icon!.name,
  };
}

/** The runs of a part of a text, offsets counted from `from`, moved by `by`. */
export function runsWithin(runs: readonly TextRun[], from: number, to: number, by = 0): TextRun[] {
  return runs.flatMap((run) => {
    const start = Math.max(run.from, from);
    const end = Math.min(run.to, to);
    return start < end ? [{ ...run, from: start - from + by, to: end - from + by }] : [];
  });
}
