import type { Rect } from '../layout/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { grown, type EdgeName } from '../scene/index.ts';
import { freeSiblings, isFirm } from './subject/siblings.ts';
import type { Subject } from './subject/subject.ts';

/** In u: a smaller miss is rounding. */
const leastMiss = 0.6;

/** Things further apart than so many times the larger of them are not seen as a line. */
const reach = 2;

interface Miss {
  readonly edge: EdgeName;
  /** In u. */
  readonly by: number;
}

type Facts = { readonly edge: EdgeName };

export const nearlyAligned = {
  id: 'nearly-aligned',
  title: 'Nearly aligned',
  measures:
    'by how little edges of two neighbours that are placed by hand miss each other, but not where that follows from the size of one screen or the length of words alone',
  unit: 'u',
  limit: 4,
  fails: 'below',
  source: 'a miss of a few u is seen as a slip, more as a layout',
  severity: 'warning',
  sentence: ({ facts, other, measured }) => `is ${measured} u off the ${facts.edge} edge of ${other}`,
  remedies: ['ontoLine'],
  run(subject, limit, report) {
    for (const free of freeSiblings(subject)) {
      const siblings = free.filter((index) => subject.isThere(index));
      const grid = subject.gridOf(siblings, (index) => subject.layout.rectInU(index));
      const found: { one: number; other: number; miss: Miss }[] = [];
      for (const index of siblings) {
        const rect = subject.layout.rectInU(index);
        const size = Math.max(rect.width, rect.height);
        // Of two, the larger one looks: things further apart than twice its size are not seen as a line.
        for (const other of grid.meeting(grown(rect, reach * size + 1))) {
          const against = subject.layout.rectInU(other);
          const least = Math.max(against.width, against.height);
          if (least > size || (least === size && other >= index)) continue;
          const counts = (edge: EdgeName) => [index, other].every((at) => isFirm(subject.widgets[at]!, edge));
          const miss = missOf(rect, against, limit, counts);
          if (miss && !isByChance(subject, index, other, miss))
            found.push({ one: Math.max(index, other), other: Math.min(index, other), miss });
        }
      }
      for (const { one, other, miss } of found.sort((a, b) => a.one - b.one || a.other - b.other)) {
        const { id, pointer } = subject.widgets[other]!;
        const text = `its ${miss.edge} edge and that of ${id} are ${shown(miss.by)} u apart`;
        report({
          outcome: 'failed',
          widget: one,
          other,
          measured: miss.by,
          facts: { edge: miss.edge },
          reasons: [{ text, pointer }],
        });
      }
    }
  },
} as const satisfies Check<Facts>;

/**
 * The edge at which two boxes that stand beside or under each other miss by a little; edges that meet say more.
 * @param counts Whether an edge does.
 */
function missOf(
  one: Rect,
  other: Rect,
  limit: number,
  counts: (edge: EdgeName) => boolean,
): Miss | undefined {
  const beside = one.x >= other.x + other.width || other.x >= one.x + one.width;
  const under = one.y >= other.y + other.height || other.y >= one.y + one.height;
  // Things far apart are not seen as a line.
  const apart = beside
    ? Math.max(one.x - other.x - other.width, other.x - one.x - one.width)
    : Math.max(one.y - other.y - other.height, other.y - one.y - one.height);
  if (beside === under || apart > reach * Math.max(one.width, one.height, other.width, other.height))
    return undefined;
  const all = edgesApart(one, other);
  const edges = (beside ? (['top', 'bottom'] as const) : (['left', 'right'] as const)).map(
    (name) => [name, all[name]] as const,
  );
  if (edges.some(([, by]) => Math.abs(by) < leastMiss)) return undefined;
  // Centred on each other, whatever their sizes: that is a line as well.
  if (Math.abs(edges[0]![1] + edges[1]![1]) < leastMiss) return undefined;
  const near = edges
    .filter(([name, by]) => Math.abs(by) < limit && counts(name))
    .sort(([, a], [, b]) => Math.abs(a) - Math.abs(b))[0];
  return near && { edge: near[0], by: Math.abs(near[1]) };
}

/** How far each edge of a box lies behind the same of another. */
function edgesApart(one: Rect, other: Rect): Record<EdgeName, number> {
  return {
    left: one.x - other.x,
    right: one.x + one.width - other.x - other.width,
    top: one.y - other.y,
    bottom: one.y + one.height - other.y - other.height,
  };
}

/** What is written of a widget itself; what is in it may be much. */
const own = (source: object): string => JSON.stringify({ ...source, children: undefined });

/** In u: edges that keep as near as that to each other move together. */
const together = 0.05;

/**
 * Whether two edges come near each other on this screen alone: they move apart with its size, and nobody wrote the widgets
 * otherwise for it. On the reference they were placed by eye.
 */
function isByChance(subject: Subject, one: number, other: number, miss: Miss): boolean {
  const reference = subject.onReference();
  const [first, second] = [one, other].map((index) => {
    const { id, source } = subject.widgets[index]!;
    const there = reference.find(id);
    const isSame = there !== undefined && own(reference.tree.widgets[there]!.source) === own(source);
    return isSame ? reference.layout.rectInU(there) : undefined;
  });
  if (!first || !second) return false;
  return Math.abs(Math.abs(edgesApart(first, second)[miss.edge]) - miss.by) > together;
}
