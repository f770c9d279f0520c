import { tintKey, type Tree, type Widget } from '../dress/index.ts';
import type { LookSource, Origin, WidgetSource } from '../document/index.ts';
import { inheritedKeys, lookPlaces, styleList, stylesOf, type LookPlace } from '../theme/index.ts';
import { keyPointer } from './reason.ts';

/** Where one value of a widget's look is from. */
export interface LookReason {
  readonly key: keyof LookSource;
  /** The id of the widget it is inherited from, if it is. */
  readonly inheritedFrom: string | undefined;
  readonly from: LookPlace;
  /** What says the same key and lost, the nearest first. */
  readonly overrode: readonly LookPlace[];
}

/** For each value of a widget's look that is set: what sets it, where, and what it overrides. */
export function whyLook(tree: Tree, origin: Origin, index: number): LookReason[] {
  const reasons = new Map<keyof LookSource, LookReason>();
  for (let at: Widget | undefined = tree.widgets[index]; at; at = tree.widgets[at.parent]) {
    const source = at.source as WidgetSource;
    const { tint } = source;
    const tinted = tintKey(at.kind);
    const look = tint === undefined ? source.look : { ...source.look, [tinted]: tint };
    const pointer = keyPointer(at, 'look');
    const places = lookPlaces(
      at.theme,
      at.index === 0 ? styleList(source.style) : stylesOf(at.kind, source.style),
      at.states,
      { look, origin, pointer },
    );
    for (const [key, all] of places) {
      if (reasons.has(key) || (at.index !== index && !(key in inheritedKeys))) continue;
      const [from, ...overrode] = [...all].reverse();
      const isTint = key === tinted && tint !== undefined && from!.style === undefined;
      const kept = from!.style === undefined ? at.origins.get(`look/${key}`) : undefined;
      const place = isTint
        ? { ...from!, pointer: keyPointer(at, 'tint') }
        : kept
          ? { ...from!, pointer: kept }
          : from!;
      reasons.set(key, { key, inheritedFrom: at.index === index ? undefined : at.id, from: place, overrode });
    }
  }
  return [...reasons.values()];
}
