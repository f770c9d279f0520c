import type { DiagnosticList } from './diagnostics.ts';
import { readColumns, readLength, readSize, readSizePair, type Size } from './lengths.ts';
import type { Origin, PlacedSource, WidgetSource } from './model.ts';

/* Sizes as they are written: those that can only come to nothing, and those of which one takes another's effect away. */

const sides = ['width', 'height'] as const;

/** Reports sizes below 0, limits that cross, and an aspect beside two sizes. What a value gives is held between limits, and no mistake. */
export function checkSizes(
  { widget, pointer }: PlacedSource,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const warn = (key: string) => ({ ...origin.atKey(`${pointer}/${key}`), severity: 'warning' }) as const;
  for (const key of [
    'width',
    'height',
    'min-width',
    'min-height',
    'max-width',
    'max-height',
    'size',
  ] as const) {
    const found: unknown = widget[key];
    const read = key === 'size' ? readSizePair(found) : readSize(found);
    if (!read || !('mode' in read ? [read] : [read.x, read.y]).some(isNegative)) continue;
    const expected = 'a length of 0 or more';
    diagnostics.add(
      'wrong-value',
      { key, expected, found: JSON.stringify(found) },
      origin.at(`${pointer}/${key}`),
    );
  }
  for (const side of sides) {
    const [least, most] = [plain(widget[`min-${side}`]), plain(widget[`max-${side}`])];
    // As in CSS the minimum wins: the maximum does nothing.
    if (least !== undefined && most !== undefined && least > most)
      diagnostics.add('limits-crossed', { key: side, least, most }, warn(`max-${side}`));
  }
  if (widget.aspect !== undefined && sides.every((side) => isSaid(widget, side)))
    diagnostics.add(
      'key-needs',
      { key: 'aspect', needs: 'a width or a height that is left out' },
      warn('aspect'),
    );
}

function isNegative(size: Size): boolean {
  if (size.mode !== 'fixed') return false;
  const { u, share } = size.length;
  return u <= 0 && share <= 0 && (u < 0 || share < 0);
}

/** A length of u alone. */
function plain(value: unknown): number | undefined {
  const length = readLength(value);
  return length?.share === 0 ? length.u : undefined;
}

/** Whether a side is said as a length: what is filled or left to the content follows the aspect. */
function isSaid(widget: WidgetSource, side: 'width' | 'height'): boolean {
  const own = readSize(widget[side]) ?? readSizePair(widget.size)?.[side === 'width' ? 'x' : 'y'];
  return own?.mode === 'fixed';
}

/**
 * Warns of a weight that only seems to be one: in `"220 fill 110"` the 110 is the weight of the one column that fills, and not a column
 * of 110 u after it.
 */
export function checkWeights(
  columns: unknown,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const read = typeof columns === 'string' ? readColumns(columns) : undefined;
  if (!read || !('tracks' in read)) return;
  const weights = read.tracks.flatMap((track) => (track.mode === 'fill' ? [track.weight] : []));
  const isOdd = (weight: number) =>
    weight !== 1 && (weights.length === 1 || weight >= oddWeight * Math.min(...weights));
  const found = weights.find(isOdd);
  if (found === undefined) return;
  const apart = read.tracks.flatMap((track) => {
    if (track.mode === 'fill') return isOdd(track.weight) ? ['fill', track.weight] : [written(track.weight)];
    return [track.mode === 'content' ? 'content' : track.length.u];
  });
  diagnostics.add(
    'weight-alone',
    { weight: found, columns: apart.length, apart: `[${apart.join(', ')}]` },
    { ...origin.at(`${pointer}/columns`), severity: 'warning' },
  );
}

/** How many times the least weight one is that was hardly meant as a weight. */
const oddWeight = 16;

const written = (weight: number): string => (weight === 1 ? 'fill' : `fill ${weight}`);
