import { Acceptances, Subjects, type Subject } from '../checks/index.ts';
import type { Tree } from '../dress/index.ts';
import type { Screen } from '../screen/index.ts';
import { readCondition } from '../skeleton/index.ts';
import type { Finding } from '../verdict/index.ts';
import type { Form, Occasion, View } from '../view/index.ts';
import { CellScenes } from './cell-scenes.ts';
import { explore, type Cell, type ExploreOptions } from './cells.ts';
import { deepest } from './deepest.ts';
import {
  areaOf,
  contains,
  sidesOf,
  thickness,
  thinnest,
  within,
  type Point,
  type Polygon,
} from './polygon.ts';
import { regionOf, screensOf, withEdges, type BoundedRegion, type Device } from './region.ts';
import {
  Looks,
  provedList,
  tellAll,
  unprovedInColors,
  type Found,
  type Gap,
  type ProvedFinding,
} from './told.ts';
import { undecided } from './traced/boxes.ts';
import { traced } from './traced/index.ts';

/** On which sizes of screens a view holds. */
export interface Proof {
  readonly view: string;
  readonly occasion: Occasion;
  readonly region: Polygon;
  readonly findings: readonly ProvedFinding[];
  readonly gaps: readonly Gap[];
  /** What checks that are not proved found on single sizes: where else it is found is not known. */
  readonly seen: readonly Finding[];
  /** The sizes on which they were asked: the middles of those cells, and the corners of the region. */
  readonly asked: readonly Point[];
  /** Cells in each of which the layout decides everything alike, and layouts that were solved. */
  readonly cells: number;
  readonly solves: number;
  /** Every form the view has in the region, and a screen on which it has it. */
  readonly forms: readonly { readonly form: Form; readonly screen: Screen }[];
}

export interface ProveLimits extends ExploreOptions {
  /**
   * Parts of what fails, of one view on one occasion, at the most; 100,000 if left out. A view that fails in so many places on so many
   * sizes has no use for a map of all of them: what is left is not proved.
   */
  readonly mostParts?: number;
  /** Whether checks that are not proved are left out. */
  readonly onlyProved?: boolean;
}

/**
 * Proves on which sizes of screens a view holds (docs/proof.md).
 * @throws RangeError for a region without area.
 */
export function proveView(
  plain: View,
  device: Device,
  region: BoundedRegion,
  { mostParts = 100_000, onlyProved = false, ...options }: ProveLimits = {},
): Proof {
  const corners = regionOf(region);
  const inRegion = sidesOf(corners);
  /** What of a polygon is in the region; all of one that is on its edge alone. */
  const clipped = (polygon: Polygon): Polygon => {
    const inside = within(polygon, inRegion);
    return inside.length < 3 || thickness(inside) < thinnest ? polygon : inside;
  };
  const screenAt = screensOf(device);
  // The recording solver wants plans of its own.
  const recorded = plain.withOwnPlans();
  const subjects = new Subjects(plain);
  const shown = new Map<Form, Screen>();
  const found = new Map<string, Found>();
  const gaps: Gap[] = [];
  const whole = areaOf(corners);
  const acceptances = new Acceptances();
  let [parts, cells] = [0, 0];
  const looks = new Looks(subjects, screenAt, acceptances);
  const asked: Point[] = [];
  const ask = (subject: Subject, point: Point): void => {
    if (onlyProved) return;
    looks.note(subject, point);
    asked.push(point);
  };
  // What follows from the scale is worst on the smallest sizes, or on the largest.
  if (!onlyProved) for (const corner of corners) ask(subjects.on(screenAt(corner)), corner);
  const oneCell = (cell: Cell): boolean => {
    const scenes = new CellScenes(cell, recorded, subjects, screenAt);
    const { middle } = scenes;
    const { screen } = middle;
    const own = plain.formOn(plain.frameOn(screen));
    const { failing: said, unfinished } = looks.on(middle, provedList);
    const { widgets } = cell.form.tree;
    const nth = cells++;
    for (const one of traced) {
      const { check } = one;
      if (unfinished.has(check)) {
        gaps.push({ polygon: cell.polygon, reason: 'crowded', check });
        continue;
      }
      const fails = new Set<number>();
      const unsure: Polygon[] = [];
      const claims: (() => void)[] = [];
      one.trace(scenes, ({ widget, other, at: pointer, apart, branches, where, by, isUnsure }) => {
        const cutting = where && undecided(scenes, where);
        if (!cutting) return;
        const failing = within(cell.polygon, cutting);
        if (failing.length < 3 || thickness(failing) < thinnest) return;
        const polygon = clipped(failing);
        if (acceptances.take(check, widgets[widget]!, widgets)) return;
        if (other !== undefined && acceptances.take(check, widgets[other]!, widgets)) return;
        if (isUnsure) {
          unsure.push(polygon);
          return;
        }
        if (contains(failing, cell.inside)) fails.add(widget);
        claims.push(() => {
          const ids = [widgets[widget]!.id, other === undefined ? undefined : widgets[other]!.id] as const;
          const key = [check, ...ids, pointer, apart].join('\n');
          let known = found.get(key);
          if (!known)
            found.set(
              key,
              (known = {
                check,
                widget: ids[0],
                other: ids[1],
                pointer,
                apart,
                with: branches
                  ? [branches.map((at) => widgets[at]!.id).join(' ')]
                  : aroundOf(widgets, widget),
                parts: [],
                most: -Infinity,
              }),
            );
          const worst = deepest(polygon, by ?? where, known.most);
          known.most = Math.max(known.most, worst.depth);
          known.parts.push({ cell: nth, polygon, ...worst });
          parts++;
        });
      });
      if (scenes.takeCurved()) {
        gaps.push({ polygon: cell.polygon, reason: 'curved', check });
        continue;
      }
      gaps.push(...unsure.map((polygon): Gap => ({ polygon, reason: 'curved', check })));
      const isOpen = unsure.some((polygon) => contains(polygon, cell.inside));
      // The check itself is asked in the middle: where it says something else than the polygons do, nothing is claimed.
      if (!isOpen && said.has(check) !== fails.size > 0)
        gaps.push({ polygon: cell.polygon, reason: 'odd', check });
      else for (const claim of claims) claim();
    }
    // What is not proved is only looked for: in small cells there is hardly anything else than beside them.
    if (!shown.has(own) || areaOf(cell.polygon) > whole / 1000) ask(middle, cell.inside);
    if (!shown.has(own)) shown.set(own, screen);
    return parts < mostParts;
  };
  const promised = plain.document.source.views[plain.name]!.expect ?? [];
  const conditions = promised.flatMap(({ on }) => (on ? [readCondition(on)] : []));
  const explored = explore(recorded, screenAt, regionOf(withEdges(region)), oneCell, {
    ...options,
    conditions,
  });
  return {
    view: plain.name,
    occasion: plain.occasion,
    region: corners,
    findings: tellAll([...found.values()], looks, gaps),
    gaps: [...explored.unproved.map((one): Gap => ({ ...one, check: undefined })), ...gaps].map((gap) => ({
      ...gap,
      polygon: clipped(gap.polygon),
    })),
    seen: looks.others,
    asked,
    cells: explored.cells,
    solves: explored.solves,
    forms: [...shown].map(([form, screen]) => ({ form, screen })),
  };
}

/** The id of a widget, and of those around it from the innermost. */
function aroundOf(widgets: Tree['widgets'], widget: number): [string, ...string[]] {
  const ids: [string, ...string[]] = [widgets[widget]!.id];
  for (let at = widgets[widget]!.parent; at >= 0; at = widgets[at]!.parent) ids.push(widgets[at]!.id);
  return ids;
}

/** The proof of a view that differs in colours alone from one that is proved: what follows from colours is asked of it itself. */
export function provedInColors(view: View, device: Device, proof: Proof): Proof {
  const subjects = new Subjects(view);
  const screenAt = screensOf(device);
  const looks = new Looks(subjects, screenAt, new Acceptances());
  for (const point of proof.asked) looks.note(subjects.on(screenAt(point)), point, unprovedInColors);
  const ids = unprovedInColors.map(({ id }) => id);
  const { occasion } = view;
  const others = proof.seen
    .filter(({ check }) => !ids.includes(check))
    .map((one): Finding => {
      const worst = { ...one.worst, ...occasion };
      return { ...one, worst, occurrences: [worst] };
    });
  return { ...proof, occasion, seen: [...others, ...looks.others] };
}
