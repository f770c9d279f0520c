import type { Widget } from '../dress/index.ts';
import { bleeds } from '../inside/index.ts';
import type { Rect } from '../layout/index.ts';
import { shown, whyEdge } from '../why/index.ts';
import type { Check } from './check.ts';
import { axisOf, hasArea, intersection, isInside, overshoot, type EdgeName } from '../scene/index.ts';
import { CarriedOver } from './subject/carried.ts';
import { grounds, isGround } from './subject/ground.ts';
import type { Subject } from './subject/subject.ts';
import { isPlacedLater } from './subject/tips.ts';
import { hasBox } from '../scene/index.ts';

type Facts = { readonly edges: readonly EdgeName[] };

export const outsideSafeArea = {
  id: 'outside-safe-area',
  title: 'Outside the safe area',
  measures: 'how far a widget reaches into what a notch, a rounded corner or overscan takes away',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  sentence: ({ facts: { edges }, measured }) =>
    `sticks out ${measured} px past the safe area at the ${edges.join(' ')}${edges.length > 1 ? ' corner' : ''}`,
  apart: ({ edges }) => edges.join(' '),
  remedies: ['noLarger', 'safeArea', 'wholeSurface', 'moveInside', 'otherSide', 'tieToEdge'],
  run(subject, limit, report) {
    const { painted } = subject.form;
    const { corners } = subject.screen;
    if (corners === 0 && !painted.some((index) => subject.seenReach(index, subject.safeRect) > limit)) return;
    const carried = new CarriedOver();
    for (const widget of subject.widgets) {
      const { index, parent } = widget;
      carried.passOn(index, parent);
      if (!subject.paints(index) || mayBleed(subject, widget) || isPlacedLater(subject, index)) continue;
      // What lies outside the screen altogether is the business of another check.
      const rect = intersection(subject.visualRect(index), subject.screenRect);
      if (!hasArea(rect)) continue;
      // Of a ground nothing is lost in a round corner.
      const cut = corners > 0 && !isGround(subject, index) ? pastCorner(subject, index, rect) : undefined;
      if (
        cut &&
        cut.distance > limit &&
        cut.corner.some((edge) => cut.distance > carried.above(parent)[edge]) &&
        isInside(rect, subject.safeRect, cut.distance)
      ) {
        carried.inCorner(index, parent, cut.corner, cut.distance);
        const { axis, end } = axisOf(cut.edge);
        const round = {
          text: `the ${cut.corner.join(' ')} corner of the screen is round, with a radius of ${shown(subject.screen.corners)} px`,
          pointer: widget.pointer,
        };
        const reasons = () => [round, ...whyEdge(subject, index, axis, end)];
        report({
          outcome: 'failed',
          widget: index,
          measured: cut.distance,
          facts: { edges: cut.corner },
          reasons,
        });
        continue;
      }
      if (isInside(rect, subject.safeRect, limit)) continue;
      for (const { edge, distance } of carried.own(index, parent, overshoot(rect, subject.safeRect), limit)) {
        const { axis, end } = axisOf(edge);
        const reasons = () => whyEdge(subject, index, axis, end);
        report({ outcome: 'failed', widget: index, measured: distance, facts: { edges: [edge] }, reasons });
      }
    }
  },
} as const satisfies Check<Facts>;

interface PastCorner {
  readonly distance: number;
  readonly corner: readonly [EdgeName, EdgeName];
  /** The edge the corner reaches past the most. */
  readonly edge: EdgeName;
}

/** How far the corner of a widget reaches past the round corner of the screen; where several do, the worst. */
function pastCorner(subject: Subject, index: number, { x, y, width, height }: Rect): PastCorner | undefined {
  const { width: across, height: down, corners: radius } = subject.screen;
  const { look } = subject.widgets[index]!;
  const drawn = hasBox(look) ? subject.layout.scale(index) : 0;
  let worst: PastCorner | undefined;
  for (const side of ['left', 'right'] as const) {
    for (const end of ['top', 'bottom'] as const) {
      const name = `${end}${side === 'left' ? 'Left' : 'Right'}` as const;
      // The point of a rounded corner that reaches furthest lies a little inside of the box.
      const own = Math.min(look.radius[name] * drawn, width / 2, height / 2) * (1 - Math.SQRT1_2);
      const fromSide = (side === 'left' ? x : across - x - width) + own;
      const fromEnd = (end === 'top' ? y : down - y - height) + own;
      if (fromSide >= radius || fromEnd >= radius) continue;
      const distance = Math.hypot(radius - fromSide, radius - fromEnd) - radius;
      if (distance > (worst?.distance ?? 0))
        worst = { distance, corner: [side, end], edge: fromSide < fromEnd ? side : end };
    }
  }
  return worst;
}

/** Backgrounds that asked for the full surface, or are drawn on to its edges, may reach under a notch; what is read or pressed may not. */
export function mayBleed(subject: Subject, widget: Widget): boolean {
  if (!grounds.has(widget.kind)) return false;
  for (let at = widget; at.index > 0; at = subject.widgets[at.parent]!)
    if (at.box.full || bleeds(at)) return true;
  return false;
}
