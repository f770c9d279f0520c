import type { Widget } from '../dress/index.ts';
import {
  colorDifference,
  deficiencies,
  differenceWith,
  hexOf,
  type Deficiency,
  type Rgba,
} from '../theme/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

/** Two colours this far apart are meant to be told apart (CIEDE2000). */
const meantApart = 20;

/** A set of more colours than this tells nothing by them. */
const mostColors = 64;
/** Widgets of one colour that others are compared with. */
const mostCompared = 8;

type Facts = { readonly deficiency: Deficiency };

export const colorsAlike = {
  id: 'colors-alike',
  title: 'Colours that some players cannot tell apart',
  measures:
    'how far apart two parts that differ by their colour alone are seen with a colour-vision deficiency (CIEDE2000)',
  unit: 'ΔE',
  limit: 10,
  fails: 'below',
  source:
    'WCAG 2.2, success criterion 1.4.1; protanopia, deuteranopia and tritanopia as in Machado, Oliveira and Fernandes (2009): one man in twelve sees less colour than others',
  severity: 'warning',
  readsColors: true,
  sentence: ({ facts, other, measured, limit }) =>
    `${other === undefined ? 'has words told apart' : `is told from ${other}`} by colour only, too little for ${facts.deficiency}: ${measured} ΔE, minimum ${limit}`,
  run(subject, limit, report) {
    const close = subject.form.once('colors-alike', () => closePairs(subject, limit));
    for (const { one, other, measured, deficiency, text } of close) {
      if (!subject.isSeen(one) || (other !== one && !subject.isSeen(other))) continue;
      const reasons = [{ text, pointer: subject.widgets[one]!.pointer }];
      const whom = other === one ? {} : { other };
      report({ outcome: 'failed', widget: one, ...whom, measured, facts: { deficiency }, reasons });
    }
  },
} as const satisfies Check<Facts>;

/** Two things a player has to tell apart by colour. */
interface Pair {
  readonly one: number;
  readonly other: number;
  readonly measured: number;
  readonly deficiency: Deficiency;
  readonly text: string;
}

function closePairs(subject: Subject, limit: number): readonly Pair[] {
  const found: Pair[] = [];
  const compare = (one: number, other: number, a: Rgba, b: Rgba, what: string) => {
    const apart = colorDifference(a, b);
    if (apart < meantApart) return;
    let worst: { deficiency: Deficiency; measured: number } | undefined;
    for (const deficiency of deficiencies) {
      const measured = differenceWith(deficiency, a, b);
      if (measured < (worst?.measured ?? limit)) worst = { deficiency, measured };
    }
    if (!worst) return;
    const text = `${what} ${hexOf(a)} and ${hexOf(b)} are ${shown(apart)} apart for most, and ${shown(worst.measured)} with ${worst.deficiency}`;
    found.push({ one, other, ...worst, text });
  };
  const siblings = new Map<string, Map<string, { color: Rgba; indexes: number[] }>>();
  for (const widget of subject.widgets) {
    const signal = signalOf(subject, widget);
    if (!signal) continue;
    const key = `${widget.parent} ${signal.group}`;
    const group = siblings.get(key) ?? new Map<string, { color: Rgba; indexes: number[] }>();
    siblings.set(key, group);
    const own = hexOf(signal.color);
    // Each is told from one of every other colour: more of the same colour say nothing new.
    if (group.size <= mostColors)
      for (const [hex, { color, indexes }] of group) {
        if (hex === own || colorDifference(color, signal.color) < meantApart) continue;
        const other = indexes.find((index) => !areLabelled(subject, index, widget.index));
        if (other !== undefined) compare(other, widget.index, color, signal.color, 'the colours');
      }
    const same = group.get(own);
    if (!same) group.set(own, { color: signal.color, indexes: [widget.index] });
    else if (same.indexes.length < mostCompared) same.indexes.push(widget.index);
  }
  for (const { index, text } of subject.texts) {
    const colors = text.runs.flatMap(({ setting }) =>
      setting.color && !setting.icon ? [setting.color] : [],
    );
    colors.forEach((color, nth) => {
      for (const before of colors.slice(0, nth)) compare(index, index, before, color, 'the words in');
    });
  }
  return found;
}

/** The colour by which a widget says something that nothing else of it says, and what else it is like. */
function signalOf(subject: Subject, widget: Widget): { color: Rgba; group: string } | undefined {
  const { index, kind, look, picture, box, source } = widget;
  if (!subject.paints(index)) return undefined;
  if (kind === 'meter' && widget.value > 0) return { color: look.color, group: 'meter' };
  if (kind === 'image' && picture && look.imageTint)
    return { color: look.imageTint, group: `image ${picture.name}` };
  // A lamp: a small plain panel with nothing in it, as large as its neighbours.
  const isBare = subject.form.end[index] === index + 1 && !picture && widget.text === undefined;
  if (kind !== 'panel' || !isBare || look.background?.type !== 'color' || look.background.color.a < 0.5)
    return undefined;
  const { x, y } = box;
  if (x.mode !== 'fixed' || y.mode !== 'fixed') return undefined;
  const size = `${x.size.u} ${y.size.u}`;
  return Math.max(x.size.u, y.size.u) > largestLamp || 'use' in source
    ? undefined
    : { color: look.background.color, group: `lamp ${size}` };
}

/** Whether each of two siblings has words or a picture of its own beside it, so that its colour is not all that tells it. */
function areLabelled(subject: Subject, one: number, other: number): boolean {
  const [first, second] = [labelsOf(subject, one), labelsOf(subject, other)];
  return (['before', 'after'] as const).some(
    (side) => first[side] !== undefined && second[side] !== undefined && first[side] !== second[side],
  );
}

/** The words, or the name of the picture, of the siblings just before and after a widget. */
function labelsOf(
  { form, widgets }: Subject,
  index: number,
): { readonly before: string | undefined; readonly after: string | undefined } {
  const { parent } = widgets[index]!;
  const previous = form.before[index]!;
  const next = form.end[index]!;
  return {
    before: previous > parent ? labelOf(widgets[previous]!) : undefined,
    after: next < form.end[parent]! ? labelOf(widgets[next]!) : undefined,
  };
}

function labelOf({ text, kind, picture }: Widget): string | undefined {
  if (text && text.text.trim() !== '') return text.text;
  return kind === 'image' ? picture?.name : undefined;
}

/** In u: larger panels are plates, not lamps. */
const largestLamp = 96;
