import type { Widget } from '../dress/index.ts';
import type { WidgetSource } from '../document/index.ts';
import { keyPointer, shown } from '../why/index.ts';
import { hexOf, styleList } from '../theme/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

/** Sizes further apart than this share are two ranks of text on purpose. */
const meantShare = 0.25;
/** In u: a smaller difference is rounding. */
const leastMiss = 0.5;

export const oddTextSize = {
  id: 'odd-text-size',
  title: 'One role in two text sizes',
  measures: 'by how little the font sizes of two siblings of one kind and style differ',
  unit: 'u',
  limit: 8,
  fails: 'below',
  source: 'a difference of a few u among entries of one list is seen as a slip, more as a rank',
  severity: 'warning',
  sentence: ({ other, measured }) => `differs from the font size of ${other} by ${measured} u`,
  run(subject, limit, report) {
    const odd = subject.form.once('odd-text-size', () => oddOnes(subject, limit));
    for (const { one, other, by } of odd) {
      if (!subject.isThere(one.index) || !subject.isThere(other.index)) continue;
      const text = `its font size is ${shown(one.look.fontSize)} u, that of ${other.id} ${shown(other.look.fontSize)}`;
      report({
        outcome: 'failed',
        widget: one.index,
        other: other.index,
        measured: by,
        reasons: [{ text, pointer: keyPointer(one, 'look', 'style') }],
      });
    }
  },
} as const satisfies Check;

interface Odd {
  readonly one: Widget;
  readonly other: Widget;
  readonly by: number;
}

/** Of siblings that have a role in common, those whose size is not that of most. */
function oddOnes(subject: Subject, limit: number): readonly Odd[] {
  const groups = new Map<string, Widget[]>();
  for (const widget of subject.texts) {
    const role = roleOf(widget);
    if (role === undefined) continue;
    // What differs in its colour or weight as well is another rank.
    const { font, fontWeight, italic, color } = widget.look;
    const key = [widget.parent, widget.kind, role, font, fontWeight, italic, hexOf(color)].join(' ');
    const group = groups.get(key);
    if (group) group.push(widget);
    else groups.set(key, [widget]);
  }
  return [...groups.values()].flatMap((group) => {
    const count = new Map<number, number>();
    for (const { look } of group) count.set(look.fontSize, (count.get(look.fontSize) ?? 0) + 1);
    if (count.size < 2) return [];
    const [most] = [...count].reduce((a, b) => (b[1] > a[1] ? b : a));
    const other = group.find(({ look }) => look.fontSize === most)!;
    return group.flatMap((one) => {
      const by = Math.abs(one.look.fontSize - most);
      const isSlip = by >= leastMiss && by < limit && by <= meantShare * most;
      return isSlip ? [{ one, other, by }] : [];
    });
  });
}

/**
 * What a text is for, as far as it is written: the first of its styles, or what that extends; of controls their kind.
 * Undefined where nothing says so.
 */
function roleOf({ source, kind, theme }: Widget): string | undefined {
  const [first] = styleList((source as WidgetSource).style);
  if (first !== undefined) return theme.chain(first)[0]?.name ?? first;
  return kind === 'button' || kind === 'textbox' ? '' : undefined;
}
