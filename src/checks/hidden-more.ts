import type { WidgetSource } from '../document/index.ts';
import { placeText } from '../inside/index.ts';
import { across, rectIn } from '../scene/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';
import { cssPixels } from './subject/text-size.ts';

type Side = 'left' | 'top' | 'right' | 'bottom';
type Facts = { readonly side: Side };

export const hiddenMore = {
  id: 'hidden-more',
  title: 'More that nothing tells of',
  measures:
    'how much of what is in a panel lies past an edge it scrolls to, where no scrollbar, sign or button of the panel and nothing that the edge cuts in two shows that there is more',
  unit: 'CSS px',
  limit: 16,
  fails: 'above',
  source: 'what nobody knows of nobody scrolls to; of less than a line of text nothing is missed',
  severity: 'warning',
  sentence: ({ facts: { side }, measured }) =>
    `has ${measured} CSS px more past its ${side} edge, and nothing shows that`,
  apart: ({ side }) => side,
  run(subject, limit, report) {
    const scrolling = subject.form.once('hidden-more', () =>
      subject.widgets.filter(({ source }) => (source as WidgetSource).scroll !== undefined),
    );
    for (const { index, id, pointer } of scrolling) {
      const spans =
        subject.isThere(index) && subject.hasArea(index) ? subject.layout.scroll(index) : undefined;
      if (!spans) continue;
      for (const axis of ['x', 'y'] as const) {
        const { at, range } = spans[axis];
        const scale = cssPixels(subject.drawnScale(index), subject.screen);
        const sides = axis === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
        for (const [side, more] of [
          [sides[0], at * scale],
          [sides[1], (range - at) * scale],
        ] as const) {
          if (!(more > limit) || hasSign(subject, id, axis, side) || cutsInTwo(subject, index, axis, side))
            continue;
          const text = `${shown(more)} CSS px can be scrolled to, and what is seen ends there as if that were all`;
          report({
            outcome: 'failed',
            widget: index,
            measured: more,
            facts: { side },
            reasons: [{ text, pointer }],
          });
        }
      }
    }
  },
} as const satisfies Check<Facts>;

/** Whether a scrollbar along an axis, a sign at a side, or a button that turns it belongs to a panel and is drawn. */
function hasSign(subject: Subject, id: string, axis: 'x' | 'y', side: Side): boolean {
  return subject.widgets.some((one) => {
    const { controls, 'shows-more': towards } = one.source as WidgetSource;
    if (controls !== id || !subject.isThere(one.index)) return false;
    if (one.kind !== 'scrollbar') return towards === undefined || towards === side;
    const { width, height } = subject.rect(one.index);
    return (width > height ? 'x' : 'y') === axis;
  });
}

/** So much of what an edge cuts in two has to be seen, in CSS px, and as much has to be beyond. */
const leastSeen = 4;

/** Whether an edge of a panel cuts something in two that is drawn in it and would fit, or letters stand where it has its padding. */
function cutsInTwo(subject: Subject, index: number, axis: 'x' | 'y', side: Side): boolean {
  const size = axis === 'x' ? 'width' : 'height';
  const outer = subject.rect(index);
  const isStart = side === 'left' || side === 'top';
  const edge = isStart ? outer[axis] : outer[axis] + outer[size];
  const least = leastSeen / cssPixels(1, subject.screen);
  const isCut = (from: number, to: number, at: number) => from <= at - least && to >= at + least;
  for (let at = index + 1; at < subject.form.end[index]!; at++) {
    if (!subject.isThere(at) || !subject.paints(at)) continue;
    const rect = rectIn(subject.uprightRect(at), across(subject, at, index));
    const [from, to] = [rect[axis], rect[axis] + rect[size]];
    // A ground that is larger than what is seen of it looks the same wherever it is cut.
    if (rect[size] < outer[size] && isCut(from, to, edge)) return true;
    if (
      axis === 'y' &&
      isCut(from, to, edge) &&
      hasLineAt(subject, at, edge, paddingAt(subject, index, isStart))
    )
      return true;
  }
  return false;
}

/** Whether a line of a text stands on an edge, or nearer to it than half of the room that is kept there. */
function hasLineAt(subject: Subject, index: number, edge: number, padding: number): boolean {
  const widget = subject.widgets[index]!;
  if (!widget.text) return false;
  const { lines, unit } = placeText(widget, subject.layout);
  const { scale, originY } = subject.layout.frame;
  const size = widget.text.setting.fontSize * unit * scale;
  return lines.some(({ baseline }) => {
    const base = originY + baseline * scale;
    return base - capital * size < edge + padding / 2 && base > edge - padding / 2;
  });
}

/** How high capitals are, as a share of the font size: about that in most faces. */
const capital = 0.7;

/** What a panel keeps free at its start or end, in px. */
function paddingAt({ layout, widgets }: Subject, index: number, isStart: boolean): number {
  const { paddingStart, paddingEnd } = widgets[index]!.box.y;
  return (isStart ? paddingStart : paddingEnd).u * layout.scale(index);
}
