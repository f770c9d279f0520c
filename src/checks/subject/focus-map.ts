import type { Widget } from '../../dress/index.ts';
import { directions, type WidgetSource } from '../../document/index.ts';
import { FocusField, focusGround } from '../../input/index.ts';
import { keyPointer } from '../../why/index.ts';
import type { Subject } from './subject.ts';

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

/** The rules the focus of a running game goes by, on this screen. */
export function focusField(subject: Subject): FocusField {
  return subject.once('focus-field', () => {
    const { tree, layout } = subject;
    return new FocusField(focusGround(tree, layout, (id) => subject.indexOf(id)));
  });
}

/** Controls that can be used now: there, not disabled, and in front of no dialog's veil; in document order. */
export function usableControls(subject: Subject): readonly number[] {
  return focusField(subject).usable;
}

/** Which controls the focus comes to by directions and by a focus-order that is said, and which have no way back. */
export interface FocusWays {
  /** Controls to which no way leads from where the focus is first. */
  readonly unreached: readonly number[];
  /** Controls from which no way leads back there, and that can be reached. */
  readonly trapped: readonly number[];
}

export function focusWays(subject: Subject): FocusWays {
  return subject.once('focus-ways', () => {
    // Where the same controls stand in the same places, in u, the same ways lead.
    const known = subject.form.once('focus-ways', () => new Map<string, FocusWays>());
    const key = placesOf(subject);
    let ways = known.get(key);
    if (!ways) known.set(key, (ways = foundWays(subject)));
    return ways;
  });
}

function placesOf(subject: Subject): string {
  const { layout, widgets } = subject;
  let key = '';
  for (const index of focusField(subject).usable) {
    const { x, y, width, height } = layout.rectInU(index);
    key += `${index} ${x} ${y} ${width} ${height};`;
  }
  // What scrolls hides some of what is in it from outside.
  for (const { index, box } of widgets) {
    if (!box.x.scrolls && !box.y.scrolls) continue;
    const { x, y, width, height } = layout.rectInU(index);
    key += `s${index} ${x} ${y} ${width} ${height};`;
  }
  return key;
}

function foundWays(subject: Subject): FocusWays {
  const field = focusField(subject);
  const onward = new Map(field.usable.map((index) => [index, waysFrom(field, index)]));
  for (const widget of subject.widgets) {
    const order = orderOf(widget)
      .flatMap((id) => subject.indexOf(id) ?? [])
      .filter((index) => onward.has(index));
    order.forEach((index, nth) => {
      const next = order[(nth + 1) % order.length]!;
      if (field.scopeOf(index) !== field.scopeOf(next)) return;
      onward.get(index)!.push(next);
      onward.get(next)!.push(index);
    });
  }
  const back = new Map(field.usable.map((index) => [index, [] as number[]]));
  for (const [from, ways] of onward) for (const to of ways) back.get(to)!.push(from);
  const unreached: number[] = [];
  const trapped: number[] = [];
  for (const scope of new Set(field.usable.map((index) => field.scopeOf(index)))) {
    const first = field.firstIn(scope)!;
    const reached = followed(first, onward);
    const returning = followed(first, back);
    for (const index of field.usable) {
      if (field.scopeOf(index) !== scope) continue;
      if (!reached.has(index)) unreached.push(index);
      else if (!returning.has(index)) trapped.push(index);
    }
  }
  const inOrder = (one: number, other: number) => one - other;
  return { unreached: unreached.sort(inOrder), trapped: trapped.sort(inOrder) };
}

function waysFrom(field: FocusField, index: number): number[] {
  return directions.flatMap((direction) => field.toward(index, direction) ?? []);
}

/** All that ways lead to. */
function followed(start: number, ways: ReadonlyMap<number, readonly number[]>): ReadonlySet<number> {
  const found = new Set<number>();
  const stack = [start];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (found.has(at)) continue;
    found.add(at);
    stack.push(...(ways.get(at) ?? []));
  }
  return found;
}
