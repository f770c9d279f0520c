import type { Rect } from '../layout/index.ts';
import { grown } from '../scene/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { freeSiblings } from './subject/siblings.ts';

/** Two that stand nearer than this on the reference belong together: a share of its shorter side, 48 u of 1080. */
const togetherShare = 48 / 1080;
/** A gap has to grow by this share of the surface to be seen as one. */
const leastGrowth = 0.08;

export const tornApart = {
  id: 'torn-apart',
  title: 'Torn apart on a larger screen',
  measures: 'how many times as wide the gap is between two neighbours that stand together on the reference',
  unit: '×',
  limit: 4,
  fails: 'above',
  source: 'what stands together is seen as one thing (the law of proximity, Wertheimer 1923)',
  severity: 'warning',
  sentence: ({ other, measured }) => `is ${measured} times as far from ${other} as on the reference`,
  remedies: ['tieToNeighbour', 'tieToEdge'],
  run(subject, limit, report) {
    const reference = subject.onReference();
    const [then, now] = [reference.layout.frame, subject.layout.frame];
    if (now.width <= then.width && now.height <= then.height) return;
    const together = togetherShare * Math.min(then.width, then.height);
    for (const group of freeSiblings(subject)) {
      const seen = group.flatMap((index) => {
        const widget = subject.widgets[index]!;
        const old = reference.find(widget.id);
        // What a condition places anew, or is tied to another widget, was thought about.
        const isPlaced = ['anchor', 'offset', 'inset'].some((key) => widget.origins.has(key));
        if (old === undefined || isPlaced || widget.box.target !== undefined || !subject.isThere(index))
          return [];
        return [{ index, was: reference.layout.rectInU(old), is: subject.layout.rectInU(index) }];
      });
      const grid = subject.gridOf([...seen.keys()], (nth) => grown(seen[nth]!.was, 1));
      const beside = seen.map(({ was }, nth) =>
        grid
          .meeting(grown(was, together + 1))
          .filter((other) => other < nth)
          .sort((a, b) => a - b),
      );
      for (const axis of ['x', 'y'] as const) {
        const surface = axis === 'x' ? now.width : now.height;
        seen.forEach((one, nth) => {
          for (const at of beside[nth]!) {
            const other = seen[at]!;
            const before = gapOf(one.was, other.was, axis);
            if (before === undefined || before > together) continue;
            const gap = gapOf(one.is, other.is, axis);
            if (gap === undefined || gap - before < leastGrowth * surface) continue;
            const measured = gap / Math.max(before, together / 4);
            if (!(measured > limit)) continue;
            const reasons = [other, one].map(({ index }) => {
              const widget = subject.widgets[index]!;
              const { anchorStart, anchorEnd } = widget.box[axis];
              const anchor =
                anchorStart === anchorEnd
                  ? shown(anchorStart * 100)
                  : `${shown(anchorStart * 100)}..${shown(anchorEnd * 100)}`;
              return {
                text: `${widget.id} is anchored at ${anchor} %; they are ${shown(before)} u apart on the reference and ${shown(gap)} here`,
                pointer: keyPointer(widget, 'anchor'),
              };
            });
            report({ outcome: 'failed', widget: one.index, other: other.index, measured, reasons });
          }
        });
      }
    }
  },
} as const satisfies Check;

/** The gap between two that stand beside each other on an axis; undefined where they do not. */
function gapOf(one: Rect, other: Rect, axis: 'x' | 'y'): number | undefined {
  const [size, across, thickness] =
    axis === 'x' ? (['width', 'y', 'height'] as const) : (['height', 'x', 'width'] as const);
  const shared =
    Math.min(one[across] + one[thickness], other[across] + other[thickness]) -
    Math.max(one[across], other[across]);
  if (shared < Math.min(one[thickness], other[thickness]) / 2) return undefined;
  const gap = Math.max(one[axis] - other[axis] - other[size], other[axis] - one[axis] - one[size]);
  return gap >= 0 ? gap : undefined;
}
