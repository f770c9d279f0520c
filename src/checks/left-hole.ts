import type { Rect } from '../layout/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { sharesAxis } from '../scene/index.ts';
import type { Subject } from './subject/subject.ts';
import type { ViewLayout } from '../view/index.ts';

/** What is left of the room of a widget counts as a hole from this share on. */
const leastShare = 0.9;

type Facts = { readonly gone: string; readonly axis: 'x' | 'y' };

export const leftHole = {
  id: 'left-hole',
  title: 'A hole where something was',
  measures: 'the gap between two neighbours whose widget in between is there on the reference and not here',
  unit: 'u',
  limit: 0,
  fails: 'above',
  source: 'a line with a hole in it looks broken; gone: true in a row or column closes it',
  severity: 'warning',
  sentence: ({ facts, other, measured }) =>
    `leaves a hole of ${measured} u to ${other}: ${facts.gone} between them is hidden here`,
  run(subject, _, report) {
    const reference = subject.onReference();
    const here = subject.layout.frame;
    if (reference.tree === subject.tree || reference.layout.frame === here) return;
    for (const { id, index: old, parent, visible } of reference.widgets) {
      if (parent < 0 || !visible) continue;
      const now = subject.indexOf(id);
      if (now !== undefined && subject.widgets[now]!.visible) continue;
      const around = subject.indexOf(reference.widgets[parent]!.id);
      if (around === undefined || !subject.widgets[around]!.visible) continue;
      for (const axis of ['x', 'y'] as const) {
        const gap = holeOf(subject, reference, old, axis);
        if (!gap) continue;
        const { before, after, size } = gap;
        const widget = now === undefined ? undefined : subject.widgets[now]!;
        const pointer = widget ? keyPointer(widget, 'visible') : reference.widgets[old]!.pointer;
        const how = widget ? 'is not visible here and keeps its place' : 'is gone here';
        const reasons = [{ text: `${id} ${how}; it left ${shown(size)} u`, pointer }];
        const facts = { gone: id, axis };
        report({ outcome: 'failed', widget: before, other: after, measured: size, facts, reasons });
        break;
      }
    }
  },
} as const satisfies Check<Facts>;

/** The two that stood around a widget of the reference in a line, where they have kept apart. */
function holeOf(subject: Subject, reference: ViewLayout, old: number, axis: 'x' | 'y') {
  const size = axis === 'x' ? 'width' : 'height';
  const { widgets, layout } = reference;
  const rect = layout.rectInU(old);
  if (!(rect[size] > 0)) return undefined;
  const siblings = widgets.filter(
    ({ index, parent, visible }) =>
      index !== old &&
      visible &&
      parent === widgets[old]!.parent &&
      inLine(layout.rectInU(index), rect, axis),
  );
  let before: { index: number; rect: Rect } | undefined;
  let after: { index: number; rect: Rect } | undefined;
  for (const { index } of siblings) {
    const one = layout.rectInU(index);
    if (one[axis] + one[size] <= rect[axis] + 0.5) {
      if (!before || one[axis] > before.rect[axis]) before = { index, rect: one };
    } else if (one[axis] >= rect[axis] + rect[size] - 0.5) {
      if (!after || one[axis] < after.rect[axis]) after = { index, rect: one };
    }
  }
  if (!before || !after) return undefined;
  // Things far apart are no line.
  const room = Math.max(
    rect[axis] - before.rect[axis] - before.rect[size],
    after.rect[axis] - rect[axis] - rect[size],
  );
  if (room > rect[size]) return undefined;
  const [one, other] = [before, after].map(({ index }) => subject.indexOf(widgets[index]!.id));
  if (one === undefined || other === undefined) return undefined;
  if (!subject.isThere(one) || !subject.isThere(other)) return undefined;
  const [a, b] = [subject.layout.rectInU(one), subject.layout.rectInU(other)];
  const gap = b[axis] - a[axis] - a[size];
  return inLine(a, b, axis) && gap >= leastShare * rect[size] + room / 2
    ? { before: one, after: other, size: gap }
    : undefined;
}

/** Whether two rectangles stand in a line along an axis. */
function inLine(one: Rect, other: Rect, axis: 'x' | 'y'): boolean {
  return sharesAxis(one, other, axis === 'x' ? 'y' : 'x');
}
