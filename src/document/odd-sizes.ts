import type { DiagnosticList } from './diagnostics.ts';
import { readLength, readSize, readSizePair, type Size } from './lengths.ts';
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
