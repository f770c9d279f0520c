import type { DiagnosticList } from './diagnostics.ts';
import { anchorTargets } from './lengths.ts';
import type { Origin, PlacedSource } from './model.ts';

/** The place of a widget follows from that of its parent and of the widget it is anchored to: no circle in that. */
export function checkTargets(
  placed: readonly PlacedSource[],
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const byId = new Map<string, PlacedSource>();
  for (const one of placed) if (one.widget.id !== undefined) byId.set(one.widget.id, one);
  const done = new Set<PlacedSource>();
  for (const start of placed) {
    if (start.widget['anchor-to'] === undefined || done.has(start)) continue;
    const path: { at: PlacedSource; next: PlacedSource[] }[] = [];
    const enter = (at: PlacedSource) => {
      const target = at.widget['anchor-to'];
      const targets = target === undefined ? [] : anchorTargets(target);
      const next = [at.parent, ...targets.map((name) => byId.get(name))];
      path.push({ at, next: next.filter((one) => one !== undefined) });
    };
    enter(start);
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = top.next.pop();
      if (!next) {
        done.add(top.at);
        path.pop();
        continue;
      }
      if (done.has(next)) continue;
      const seen = path.findIndex(({ at }) => at === next);
      if (seen < 0) {
        enter(next);
        continue;
      }
      const circle = path.slice(seen).map(({ at }) => at);
      const anchored = circle.find((one) => one.widget['anchor-to'] !== undefined) ?? next;
      const chain = [...circle, next].map((one) => one.widget.id ?? one.pointer);
      diagnostics.add(
        'name-chain',
        { what: 'this anchor', chain },
        origin.at(`${anchored.pointer}/anchor-to`),
      );
      circle.forEach((one) => done.add(one));
      break;
    }
  }
}
