import type { Rect } from '../layout/index.ts';
import { keyPointer } from '../why/index.ts';
import { sharesAxis } from '../scene/index.ts';
import type { Check } from './check.ts';
import { movesFocus, orderOf } from './subject/focus-map.ts';
import type { Subject } from './subject/subject.ts';

/** A step longer than this share of the screen's diagonal goes across the view … */
const acrossShare = 0.4;
/** … where something nearer by this factor is left for later. */
const nearerTimes = 3;

type Facts = { readonly how: 'over' | 'across' | 'backwards'; readonly from: string; readonly to: string };

export const focusJumps = {
  id: 'focus-jumps',
  title: 'A focus order that jumps',
  measures:
    'steps of a focus-order that pass over a control, cross the view, or run against the way one reads',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 2.4.3: the order of the focus keeps what is shown in its meaning',
  severity: 'warning',
  sentence: ({ facts: { how, from, to } }) =>
    how === 'backwards'
      ? `moves the focus against the reading direction, from ${from} to ${to}`
      : `moves the focus from ${from} to ${to}, ${how === 'over' ? 'past what comes later' : 'across the view'}`,
  run(subject, limit, report) {
    if (!movesFocus(subject)) return;
    const ordered = subject.form.once('focus-jumps', () =>
      subject.widgets.filter((widget) => orderOf(widget).length > 2),
    );
    for (const widget of ordered) {
      const order = orderOf(widget)
        .flatMap((id) => subject.indexOf(id) ?? [])
        .filter((index) => subject.isThere(index));
      if (order.length < 3) continue;
      const wrong = jumpsIn(subject, order);
      if (wrong.length <= limit) continue;
      const pointer = keyPointer(widget, 'focus-order');
      const name = (index: number) => subject.widgets[index]!.id;
      const reasons = wrong.slice(0, 3).map(({ from, to, over, how }) => ({
        text:
          how === 'backwards'
            ? `${name(to)} comes before ${name(from)} when one reads`
            : `the step from ${name(from)} to ${name(to)} leaves ${name(over)}, which is nearer, for later`,
        pointer,
      }));
      const [{ how, from, to }] = wrong as [Jump];
      const facts = { how, from: name(from), to: name(to) };
      report({ outcome: 'failed', widget: widget.index, measured: wrong.length, facts, reasons });
    }
  },
} as const satisfies Check<Facts>;

interface Jump {
  readonly how: Facts['how'];
  readonly from: number;
  readonly to: number;
  readonly over: number;
}

function jumpsIn(subject: Subject, order: readonly number[]): readonly Jump[] {
  const rects = order.map((index) => subject.rect(index));
  const found: Jump[] = [];
  let backwards = 0;
  const { rightToLeft } = subject.widgets[0]!.box;
  const across = acrossShare * Math.hypot(subject.screen.width, subject.screen.height);
  for (let at = 1; at < order.length; at++) {
    const [one, two] = [rects[at - 1]!, rects[at]!];
    if (isBefore(two, one, rightToLeft)) backwards++;
    const step = distance(one, two);
    for (let later = at + 1; later < order.length; later++) {
      const other = rects[later]!;
      const passes = passesOver(one, two, other);
      const isFar =
        step > across &&
        distance(one, other) * nearerTimes < step &&
        !sharesLine(other, two) &&
        !sharesLine(one, two);
      if (!passes && !isFar) continue;
      found.push({
        how: passes ? 'over' : 'across',
        from: order[at - 1]!,
        to: order[at]!,
        over: order[later]!,
      });
      break;
    }
  }
  if (found.length === 0 && backwards === order.length - 1)
    found.push({ how: 'backwards', from: order[0]!, to: order[1]!, over: order[1]! });
  return found;
}

/** Whether a rectangle comes before another where one reads: above it, or beside it and nearer to the start. */
function isBefore(one: Rect, other: Rect, rightToLeft: boolean): boolean {
  if (one.y + one.height <= other.y + 0.5) return true;
  if (other.y + other.height <= one.y + 0.5) return false;
  return rightToLeft ? one.x >= other.x + other.width - 0.5 : one.x + one.width <= other.x + 0.5;
}

/** Whether the straight way from one to another in a row or column leads over a third. */
function passesOver(one: Rect, two: Rect, other: Rect): boolean {
  const inRow = sharesAxis(one, two, 'y') && sharesAxis(one, other, 'y') && sharesAxis(two, other, 'y');
  const inColumn = sharesAxis(one, two, 'x') && sharesAxis(one, other, 'x') && sharesAxis(two, other, 'x');
  const between = (a: number, b: number, c: number) => c > Math.min(a, b) && c < Math.max(a, b);
  return (
    (inRow && between(middle(one).x, middle(two).x, middle(other).x)) ||
    (inColumn && between(middle(one).y, middle(two).y, middle(other).y))
  );
}

function sharesLine(one: Rect, other: Rect): boolean {
  return sharesAxis(one, other, 'x') || sharesAxis(one, other, 'y');
}

function middle({ x, y, width, height }: Rect): { readonly x: number; readonly y: number } {
  return { x: x + width / 2, y: y + height / 2 };
}

function distance(one: Rect, other: Rect): number {
  const [a, b] = [middle(one), middle(other)];
  return Math.hypot(a.x - b.x, a.y - b.y);
}
