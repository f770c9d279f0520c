import { whyEdge } from '../why/index.ts';
import { mayLieOver } from './subject/siblings.ts';
import type { Check } from './check.ts';
import type { Rect } from '../layout/index.ts';
import { axisOf, depthsAskew, type EdgeName } from '../scene/index.ts';
import { controls } from '../dress/index.ts';
import { fills, groundsUpTo, mayFill } from './subject/ground.ts';
import { isFrame, isInHollow } from './subject/hollow.ts';
import type { Subject } from './subject/subject.ts';

export const overlap = {
  id: 'overlap',
  title: 'Overlap that nobody asked for',
  measures:
    'the shorter side of the part two widgets share; of two that are turned otherwise, how deep they reach into each other',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  sentence: ({ other, measured }) => `overlaps ${other} by ${measured} px`,
  remedies: ['pivotFollows', 'tieToEdge', 'endBefore', 'moveApart', 'shrinkApart', 'stack'],
  run(subject, limit, report) {
    const told = new Set<string>();
    subject.meetings((one, other) => {
      const shared = subject.sharedBy(one, other);
      const shorter = Math.min(shared.width, shared.height);
      if (!(shorter > limit)) return;
      const measured = Math.min(shorter, ...depthsAskew(subject, one, other));
      if (!(measured > limit)) return;
      const branches = branchesAtOdds(subject, one, other);
      if (!branches) return;
      // One sentence for two branches: their outermost widgets come first in document order.
      const key = `${branches[0]} ${branches[1]}`;
      if (told.has(key)) return;
      told.add(key);
      const nearest = edgeAtFault(subject, one, other);
      const mine = axisOf(nearest);
      const theirs = { axis: mine.axis, end: mine.end === 'start' ? 'end' : 'start' } as const;
      const ends = [theirs.end, mine.end];
      const reasons = () =>
        branches.flatMap((branch, nth) =>
          whyEdge(subject, branch, mine.axis, ends[nth]!)
            .slice(0, mostReasons)
            .map((reason) => ({ ...reason, text: `${subject.widgets[branch]!.id}: ${reason.text}` })),
        );
      report({ outcome: 'failed', widget: one, other, measured, reasons });
    });
  },
} as const satisfies Check;

/**
 * The children of the nearest widget around both that two widgets are in; undefined where the two may overlap wherever they are:
 * one is in the other, or one of them says so.
 */
export function branchesApart(
  subject: Subject,
  one: number,
  other: number,
): readonly [number, number] | undefined {
  const branches = branchesOf(subject, one, other);
  return branches && !mayOverlap(subject, one, other, branches) ? branches : undefined;
}

/** The same of two that nothing excuses here. */
export function branchesAtOdds(
  subject: Subject,
  one: number,
  other: number,
): readonly [number, number] | undefined {
  const branches = branchesApart(subject, one, other);
  const isAtOdds =
    branches && !excusesOf(subject, one, other, branches).some((each) => isExcused(subject, each));
  return isAtOdds ? branches : undefined;
}

/** Why two widgets may overlap where they are: one stands inside of a frame that the other is, or all of some fill what they are in. */
export type Excuse =
  | { readonly by: 'frame'; readonly frame: number; readonly inside: number }
  | { readonly by: 'grounds'; readonly grounds: readonly number[] };

/** What may excuse that two widgets overlap, wherever they are. */
export function excusesOf(
  subject: Subject,
  one: number,
  other: number,
  branches: readonly number[],
): readonly Excuse[] {
  const pairs = [
    [one, other],
    [other, one],
  ] as const;
  return pairs.flatMap(([index, above]): readonly Excuse[] => [
    ...(isFrame(subject, above) ? [{ by: 'frame', frame: above, inside: index } as const] : []),
    ...groundUnder(subject, index, above, branches),
  ]);
}

/** What has to fill what it is in for a widget to be the ground the other stands on, or what dims all that is there and takes no input. */
function groundUnder(
  subject: Subject,
  index: number,
  above: number,
  branches: readonly number[],
): readonly Excuse[] {
  if (!branches.includes(index)) return [];
  const isPressed = controls.has(subject.widgets[above]!.kind) && subject.form.letsThrough[index] === 0;
  const all = isPressed ? groundsUpTo(subject, index) : mayFill(subject, index) ? [index] : undefined;
  return all ? [{ by: 'grounds', grounds: all }] : [];
}

function isExcused(subject: Subject, excuse: Excuse): boolean {
  if (excuse.by === 'grounds') return excuse.grounds.every((one) => fills(subject, one));
  const { frame, inside } = excuse;
  return isInHollow(subject, inside, frame);
}

/** Links of the chain that are told of each of the two. */
const mostReasons = 2;

/**
 * The edge of the other over which the two have come together: one they face each other with on the reference; where they
 * overlap there as well, the one over which they have to be moved least to part them.
 */
function edgeAtFault(subject: Subject, one: number, other: number): EdgeName {
  const into = reachOver(subject.seenBeside(one, other), subject.seenBeside(other, one));
  return facingOnReference(subject, one, other).reduce((least, name) =>
    into[name] < into[least] ? name : least,
  );
}

/** How far a rectangle reaches into another over each edge of it; not above 0 where it does not. */
function reachOver(one: Rect, other: Rect): Record<EdgeName, number> {
  return {
    left: one.x + one.width - other.x,
    right: other.x + other.width - one.x,
    top: one.y + one.height - other.y,
    bottom: other.y + other.height - one.y,
  };
}

const edges = ['left', 'right', 'top', 'bottom'] as const;

/** The edges of the other beyond which a widget stands on the reference; all where it is not there, or beyond none. */
function facingOnReference(subject: Subject, one: number, other: number): readonly EdgeName[] {
  const reference = subject.onReference();
  const [a, b] = [one, other].map((index) => reference.find(subject.widgets[index]!.id));
  if (a === undefined || b === undefined) return edges;
  const into = reachOver(reference.layout.rectInU(a), reference.layout.rectInU(b));
  const facing = edges.filter((name) => into[name] <= 0);
  return facing.length > 0 ? facing : edges;
}

/** The children of the nearest widget around both that the two are in; undefined where one is in the other. */
function branchesOf(subject: Subject, one: number, other: number): [number, number] | undefined {
  if (subject.isWithin(other, one) || subject.isWithin(one, other)) return undefined;
  const above: number[] = [];
  for (let at = one; at >= 0; at = subject.widgets[at]!.parent) above.push(at);
  for (let at = other; at > 0; at = subject.widgets[at]!.parent) {
    const place = above.indexOf(subject.widgets[at]!.parent);
    if (place > 0) return [above[place - 1]!, at];
  }
  return undefined;
}

function mayOverlap(subject: Subject, one: number, other: number, branches: [number, number]): boolean {
  return allows(subject, one, branches[0], other) || allows(subject, other, branches[1], one);
}

/** Whether a widget, or one around it up to its branch, says that it may overlap the other. */
function allows(subject: Subject, index: number, branch: number, other: number): boolean {
  for (let at = index; at >= branch; at = subject.widgets[at]!.parent) {
    const widget = subject.widgets[at]!;
    const { source, kind } = widget;
    // They stand over everything: that is what they are for.
    if (kind === 'dialog' || mayLieOver(widget)) return true;
    const said = 'may-overlap' in source ? source['may-overlap'] : undefined;
    if (said === true) return true;
    if (!Array.isArray(said)) continue;
    for (let theirs = other; theirs > 0; theirs = subject.widgets[theirs]!.parent) {
      if ((said as readonly string[]).includes(subject.widgets[theirs]!.id)) return true;
    }
  }
  return false;
}
