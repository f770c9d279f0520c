import type { Widget } from '../../dress/index.ts';
import { directions, type Direction, type WidgetSource } from '../../document/index.ts';
import { keyPointer } from '../../why/index.ts';
import type { Subject } from './subject.ts';
import { usableControls } from './usable.ts';

/** One place a document sends the focus to. */
export interface FocusWish {
  /** Index of the widget that says it. */
  readonly widget: number;
  /** The id it names. */
  readonly to: string;
  /** Its index; undefined where it is not there on this screen. */
  readonly target: number | undefined;
  readonly pointer: string;
}

/** Everything a document says about where the focus goes. */
export function focusWishes(subject: Subject): readonly FocusWish[] {
  return subject.form.once('focus-wishes', () =>
    subject.widgets.flatMap((widget) => {
      const wish = (to: string, pointer: string): FocusWish => ({
        widget: widget.index,
        to,
        target: subject.indexOf(to),
        pointer,
      });
      return [
        ...directions.flatMap((key) => {
          const to = (widget.source as WidgetSource)[key];
          return to === undefined ? [] : [wish(to, keyPointer(widget, key))];
        }),
        ...orderOf(widget).map((to, nth) => wish(to, `${keyPointer(widget, 'focus-order')}/${nth}`)),
      ];
    }),
  );
}

/** The order in which what is in a widget takes the focus, where one is said. */
export function orderOf({ source }: Widget): readonly string[] {
  return source['focus-order'] ?? [];
}

/** Whether the focus can be moved without pointing. */
export function movesFocus({ screen }: Subject): boolean {
  return screen.inputs.includes('pad') || screen.inputs.includes('keys');
}

/**
 * Controls to which no way leads, in a view that says where the focus goes. Where a direction is said, it leads there and
 * nowhere else; where it is not, to anything that lies in that direction.
 */
export function unreached(subject: Subject): readonly number[] {
  if (focusWishes(subject).length === 0) return [];
  const usable = usableControls(subject);
  const ways = new Map(usable.map((index) => [index, [] as number[]]));
  for (const index of usable) {
    const { source } = subject.widgets[index]!;
    for (const direction of directions) {
      const to = (source as WidgetSource)[direction];
      if (to !== undefined) ways.get(index)!.push(subject.indexOf(to) ?? -1);
      else
        for (const other of usable) if (lies(subject, other, index, direction)) ways.get(index)!.push(other);
    }
  }
  for (const widget of subject.widgets) {
    const order = orderOf(widget).flatMap((id) => subject.indexOf(id) ?? []);
    order.forEach((index, nth) => {
      const next = order[(nth + 1) % order.length]!;
      ways.get(index)?.push(next);
      ways.get(next)?.push(index);
    });
  }
  const listed = subject.widgets.flatMap(orderOf).flatMap((id) => subject.indexOf(id) ?? []);
  const start = listed.find((index) => ways.has(index)) ?? usable[0];
  const reached = new Set<number>();
  const stack = start === undefined ? [] : [start];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (reached.has(at) || !ways.has(at)) continue;
    reached.add(at);
    stack.push(...ways.get(at)!);
  }
  return usable.filter((index) => !reached.has(index));
}

/** Whether a control lies in a direction of another. */
function lies(subject: Subject, other: number, from: number, direction: Direction): boolean {
  const [a, b] = [subject.rect(from), subject.rect(other)];
  if (direction === 'nav-right') return b.x >= a.x + a.width;
  if (direction === 'nav-left') return b.x + b.width <= a.x;
  if (direction === 'nav-down') return b.y >= a.y + a.height;
  return b.y + b.height <= a.y;
}
