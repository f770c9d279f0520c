import type { WidgetSource } from '../document/index.ts';
import { paddingEnd, paddingStart } from '../inside/index.ts';
import { keyPointer, shown, whySize, type Reason } from '../why/index.ts';
import type { Layout } from '../layout/index.ts';
import type { Check } from './check.ts';
import {
  across,
  axisAlong,
  axisOf,
  edgesOver,
  pastCutters,
  rectIn,
  type EdgeName,
  type TextWidget,
} from '../scene/index.ts';
import type { Subject } from './subject/subject.ts';

/** Which way it is cut, or how many characters are dropped. */
type Facts = { readonly axis: 'x' | 'y'; readonly by: 'its box' | 'a clip' } | { readonly dropped: number };

export const cutText = {
  id: 'cut-text',
  title: 'Cut text',
  measures:
    'how far the lines of a text reach over the inside of its widget, or over what cuts it off; of lines that are dropped without an ellipsis, how high they are',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  sentence: ({ facts, other, measured }) => {
    if ('dropped' in facts)
      return `drops ${facts.dropped} characters of its text without an ellipsis, ${measured} px of lines`;
    const way = facts.axis === 'x' ? 'wide' : 'high';
    return facts.by === 'a clip'
      ? `has text ${measured} px past ${facts.axis === 'x' ? 'a side' : 'the top or bottom'} of ${other ?? 'a clip'}, which cuts it off`
      : `has text ${measured} px too ${way} for it`;
  },
  apart: (facts) => ('dropped' in facts ? 'dropped' : facts.axis),
  remedies: ['roomForText', 'roomAround'],
  run(subject, limit, report) {
    for (const widget of subject.texts) {
      const { index, text } = widget;
      const { wide, high, roomX, roomY, over, dropped } = textRoom(subject, widget);
      const { lines } = subject.text(index);
      const scale = subject.drawnScale(index);
      // What is meant at one edge may hide a cut at another.
      const past =
        edgesOver(pastCutters(subject, index, subject.textRect(index)), limit).find(
          ({ edge }) => !isMeant(widget, subject, edge),
        ) ?? noEdge;
      const measured = Math.max(over.x, over.y, past.distance, dropped > 0 ? text.lineHeight * scale : 0);
      if (!(measured > limit)) continue;
      const pointer = keyPointer(widget, 'text');
      if (dropped > 0 && measured === text.lineHeight * scale) {
        const said = `at most ${lines.length} ${lines.length === 1 ? 'line is' : 'lines are'} shown, and ${dropped} of its ${text.text.length} characters stand in the ones after`;
        const reasons = [{ text: said, pointer: keyPointer(widget, 'max-lines') }];
        report({ outcome: 'failed', widget: index, measured, facts: { dropped }, reasons });
        continue;
      }
      if (measured === past.distance) {
        const { axis } = axisOf(past.edge);
        const cutter = subject.cutterOf(index);
        const facts = { axis, by: 'a clip' } as const;
        const reasons = () => whyClipped(subject, index, cutter, axis, past);
        report({ outcome: 'failed', widget: index, other: cutter, measured, facts, reasons });
        continue;
      }
      const axis = measured === over.y ? 'y' : 'x';
      const needs =
        axis === 'x'
          ? `its text needs ${shown(wide)} u and has ${shown(roomX)}${besidePadding(subject, widget, 'x', roomX)}`
          : `its ${lines.length === 1 ? 'line needs' : `${lines.length} lines need`} ${shown(high)} u, and there are ${shown(roomY)}${besidePadding(subject, widget, 'y', roomY)}`;
      const reasons = () => [{ text: needs, pointer }, ...whySize(subject, index, axis)];
      report({ outcome: 'failed', widget: index, measured, facts: { axis, by: 'its box' }, reasons });
    }
  },
} as const satisfies Check<Facts>;

/** How the room of a text comes out of the length of its widget, where padding takes some of it. */
function besidePadding(subject: Subject, widget: TextWidget, axis: 'x' | 'y', room: number): string {
  const { layout } = subject;
  const { index } = widget;
  const length = (axis === 'x' ? layout.widthInU(index) : layout.heightInU(index)) / layout.factor(index);
  return length - room < 0.005 ? '' : `: ${shown(length)} less ${shown(length - room)} of padding`;
}

/** What a text needs and has, in u of its own; by how much that is too little, in px; how many characters are dropped. */
export function textRoom(subject: Subject, widget: TextWidget) {
  const { index, text } = widget;
  const scale = subject.drawnScale(index);
  const { lines, shrink, shortened } = subject.text(index);
  let widest = 0;
  for (const { width } of lines) if (width > widest) widest = width;
  const wide = widest * shrink;
  const high = lines.length * text.lineHeight * shrink;
  const { layout } = subject;
  const roomX = roomIn(layout, widget, 'x', layout.widthInU(index));
  const roomY = roomIn(layout, widget, 'y', layout.heightInU(index));
  // What is typed goes along with the caret.
  const isTyped = widget.kind === 'textbox' && !widget.isPlaceholder;
  const over = { x: isTyped ? 0 : (wide - roomX) * scale, y: (high - roomY) * scale };
  const dropped = shortened && text.setting.ellipsis === 'none' ? droppedFrom(widget, subject) : 0;
  return { wide, high, roomX, roomY, over, dropped };
}

function roomIn(layout: Layout, widget: TextWidget, axis: 'x' | 'y', length: number): number {
  const inner = length - paddingStart(layout, widget, axis) - paddingEnd(layout, widget, axis);
  return inner / layout.factor(widget.index);
}

const noEdge = { edge: 'left', distance: 0 } as const;

/** How many characters of a text stand in lines that are not shown. */
function droppedFrom({ index, text }: TextWidget, subject: Subject): number {
  const last = subject.text(index).lines.at(-1);
  return text.text.slice(last?.end ?? 0).trim().length;
}

/**
 * Whether letters are cut on purpose: a strip that moves behind its window. It says `overflow: clip` for this text
 * alone, which it could not hold: one long line past its side, or lines that are twice as high as it.
 */
function isMeant(widget: TextWidget, subject: Subject, edge: EdgeName): boolean {
  const { axis } = axisOf(edge);
  const over = stripOver(widget, subject, axis);
  return over !== undefined && (axis === 'x' ? over > 0 : over >= 0);
}

/** By how much a text is longer than a strip has to be, in px; undefined of a text that is none, however long it is. */
export function stripOver(
  { index, parent, source }: TextWidget,
  subject: Subject,
  axis: 'x' | 'y',
): number | undefined {
  const around = subject.widgets[parent]!;
  if (!('overflow' in around.source) || around.source.overflow !== 'clip' || around.box.arrange !== 'free')
    return undefined;
  const inner = rectIn(subject.textRect(index), across(subject, index, parent));
  const outer = subject.rect(parent);
  if (axis === 'y') return inner.height - 2 * outer.height;
  return (source as WidgetSource).wrap === false ? inner.width - outer.width : undefined;
}

function whyClipped(
  subject: Subject,
  index: number,
  cutter: number | undefined,
  axis: 'x' | 'y',
  { edge, distance }: { readonly edge: string; readonly distance: number },
): readonly Reason[] {
  if (cutter === undefined) return [];
  const by = subject.widgets[cutter]!;
  const first = {
    text: `${by.id} cuts off ${shown(distance)} px of it at its ${edge} edge`,
    pointer: keyPointer(by, 'overflow', 'scroll'),
  };
  const size = whySize(subject, cutter, axis);
  const inner = whySize(subject, index, axisAlong(across(subject, index, cutter), axis));
  return [
    first,
    ...inner.slice(0, 1).map((one) => ({ ...one, text: `its ${one.text}` })),
    ...size.map((one, nth) => (nth === 0 ? { ...one, text: `${by.id}: ${one.text}` } : one)),
  ];
}
