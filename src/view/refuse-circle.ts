import { circleFrom, type WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { BuildError } from '../skeleton/index.ts';

/**
 * The place of a widget follows from that of its parent and of what it is anchored to. Conditions and values may tie a circle of
 * that which no part of the document says by itself.
 * @throws BuildError
 */
export function refuseCircle(widgets: readonly Widget[], indexes: ReadonlyMap<string, number>): void {
  const done = new Set<number>();
  const before = (index: number): number[] => {
    const { parent, box } = widgets[index]!;
    const targets = [box.target, box.targetEnd].map((id) =>
      id === undefined ? -1 : (indexes.get(id) ?? -1),
    );
    return [parent, ...targets].filter((at) => at >= 0);
  };
  for (const { index, box } of widgets) {
    const circle = box.target === undefined ? undefined : circleFrom(index, before, done);
    if (!circle) continue;
    const all = circle.map((at) => widgets[at]!);
    const { origins, pointer, source } = all.find((one) => one.box.target !== undefined)!;
    const isSaid = 'anchor-to' in (source as WidgetSource);
    const said = origins.get('anchor-to') ?? `${pointer}${isSaid ? '/anchor-to' : ''}`;
    throw new BuildError(`this anchor leads back to itself: ${all.map(({ id }) => id).join(' → ')}`, said);
  }
}
