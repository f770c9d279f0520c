import type { Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { freeSiblings, isFirm } from './subject/siblings.ts';
import type { Subject } from './subject/subject.ts';

/** In u: a smaller difference is rounding. */
const leastMiss = 0.6;

/** In u: a smaller difference is no group, however narrow the gaps are. */
const sureMiss = 4;
/** A gap that is wider than the other by this share of it sets a group apart. */
const meantShare = 0.75;

type Facts = { readonly axis: 'x' | 'y' };

export const unevenGaps = {
  id: 'uneven-gaps',
  title: 'Gaps that are nearly even',
  measures:
    'by how little the gaps before and after a widget in a line placed by hand differ, but not those that begin where words end',
  unit: 'u',
  limit: 12.5,
  fails: 'below',
  source: 'a difference of a few u is seen as a slip, more as a group',
  severity: 'warning',
  sentence: ({ other, measured }) =>
    `is in a line with uneven gaps: they differ by ${measured} u, before ${other} among others`,
  remedies: ['evenGap'],
  run(subject, limit, report) {
    for (const axis of ['x', 'y'] as const) {
      for (const group of subject.form.once(`uneven-gaps ${axis}`, () => anchoredAlike(subject, axis))) {
        const there = group
          .filter((index) => subject.isThere(index))
          .map((index) => ({ widget: subject.widgets[index]!, rect: subject.layout.rectInU(index) }));
        for (const line of linesOf(there, axis)) {
          for (let at = 2; at < line.length; at++) {
            const [a, b, c] = [line[at - 2]!, line[at - 1]!, line[at]!];
            // Where words end, a gap begins by chance.
            if (axis === 'x' && !areFirm(a.widget, b.widget, c.widget)) continue;
            const size = axis === 'x' ? 'width' : 'height';
            const before = b.rect[axis] - a.rect[axis] - a.rect[size];
            const after = c.rect[axis] - b.rect[axis] - b.rect[size];
            const by = Math.abs(after - before);
            if (before < 0 || after < 0 || by < leastMiss || by >= limit) continue;
            if (by >= sureMiss && by >= meantShare * Math.min(before, after)) continue;
            // Gaps far wider than what stands between them are no rhythm.
            if (Math.max(before, after) > Math.min(a.rect[size], b.rect[size], c.rect[size])) continue;
            const text = `it stands ${shown(before)} u from ${a.widget.id} and ${shown(after)} from ${c.widget.id}`;
            const reasons = [{ text, pointer: keyPointer(b.widget, 'offset', 'anchor') }];
            report({
              outcome: 'failed',
              widget: b.widget.index,
              other: c.widget.index,
              measured: by,
              facts: { axis },
              reasons,
            });
          }
        }
      }
    }
  },
} as const satisfies Check<Facts>;

/** Whether the gaps between three in a line are the same whatever is said. */
function areFirm(first: Widget, second: Widget, third: Widget): boolean {
  return isFirm(first, 'right') && isFirm(second, 'left') && isFirm(second, 'right') && isFirm(third, 'left');
}

interface Standing {
  readonly widget: Widget;
  readonly rect: Rect;
}

/** Three and more siblings that are anchored at one place of an axis. */
function anchoredAlike(subject: Subject, axis: 'x' | 'y'): readonly (readonly number[])[] {
  return freeSiblings(subject).flatMap((group) => {
    const alike = new Map<number, number[]>();
    for (const index of group) {
      const { box } = subject.widgets[index]!;
      if (box[axis].span || box.target !== undefined) continue;
      const { anchorStart } = box[axis];
      const same = alike.get(anchorStart);
      if (same) same.push(index);
      else alike.set(anchorStart, [index]);
    }
    return [...alike.values()].filter(({ length }) => length > 2);
  });
}

/** Widgets that stand in a line along an axis, in their order. */
function linesOf(there: readonly Standing[], axis: 'x' | 'y'): Standing[][] {
  const across = axis === 'x' ? 'y' : 'x';
  const thickness = axis === 'x' ? 'height' : 'width';
  const lines = new Map<string, Standing[]>();
  for (const one of there) {
    const key = `${one.rect[across].toFixed(1)} ${one.rect[thickness].toFixed(1)}`;
    const line = lines.get(key);
    if (line) line.push(one);
    else lines.set(key, [one]);
  }
  return [...lines.values()]
    .filter(({ length }) => length > 2)
    .map((line) => line.sort((a, b) => a.rect[axis] - b.rect[axis]));
}
