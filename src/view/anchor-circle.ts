import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { BuildError } from '../skeleton/index.ts';

/**
 * The place of a widget follows from that of its parent and of what it is anchored to. Conditions and values may tie a circle of
 * that which no part of the document says by itself.
 * @throws BuildError
 */
export function refuseCircle(widgets: readonly Widget[], indexes: ReadonlyMap<string, number>): void {
  /** 1: on the way from the start to where we are; 2: looked at. */
  const seen = new Uint8Array(widgets.length);
  for (const start of widgets) {
    if (start.box.target === undefined) continue;
    const stack = [start.index];
    for (let at = stack.at(-1); at !== undefined; at = stack.at(-1)) {
      if (seen[at] !== 0) {
        seen[at] = 2;
        stack.pop();
        continue;
      }
      seen[at] = 1;
      const { parent, box } = widgets[at]!;
      const next = [box.target, box.targetEnd].map((id) => (id === undefined ? -1 : (indexes.get(id) ?? -1)));
      for (const before of [parent, ...next]) {
        if (before < 0 || seen[before] === 2) continue;
        if (seen[before] === 0) stack.push(before);
        else throw circleOf(widgets, stack, seen, before);
      }
    }
  }
}

function circleOf(
  widgets: readonly Widget[],
  stack: readonly number[],
  seen: Uint8Array,
  from: number,
): BuildError {
  const way = stack.filter((at) => seen[at] === 1);
  const circle = way.slice(way.indexOf(from)).map((at) => widgets[at]!);
  const anchored = circle.find(({ box }) => box.target !== undefined)!;
  const chain = [...circle, widgets[from]!].map(({ id }) => id).join(' → ');
  const isSaid = 'anchor-to' in (anchored.source as WidgetSource);
  const said = anchored.origins.get('anchor-to') ?? `${anchored.pointer}${isSaid ? '/anchor-to' : ''}`;
  return new BuildError(`this anchor leads back to itself: ${chain}`, said);
}
