import { circleFrom } from './circles.ts';
import type { DiagnosticList } from './diagnostics.ts';
import { anchorTargets } from './lengths.ts';
import type { Origin, PlacedSource } from './model.ts';
import { seenFrom, writtenIds } from './references.ts';

/** The place of a widget follows from that of its parent and of the widget it is anchored to: no circle in that. */
export function checkTargets(
  placed: readonly PlacedSource[],
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const { widgets } = writtenIds(placed);
  const done = new Set<PlacedSource>();
  const before = ({ parent, widget, pointer }: PlacedSource): PlacedSource[] => {
    const target = widget['anchor-to'];
    const targets = target === undefined ? [] : anchorTargets(target);
    return [parent, ...targets.map((name) => seenFrom(pointer, widgets.get(name)))].filter(
      (one) => one !== undefined,
    );
  };
  for (const start of placed) {
    if (start.widget['anchor-to'] === undefined) continue;
    const circle = circleFrom(start, before, done);
    if (!circle) continue;
    const anchored = circle.find((one) => one.widget['anchor-to'] !== undefined)!;
    const chain = circle.map((one) => one.widget.id ?? one.pointer);
    diagnostics.add('name-chain', { what: 'this anchor', chain }, origin.at(`${anchored.pointer}/anchor-to`));
  }
}
