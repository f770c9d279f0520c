import type { WidgetSource } from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { scrollbarBoxes } from '../inside/index.ts';
import { contrastOf, contrastRatio, hexOf, luminance, type Rgba } from '../theme/index.ts';
import { colorOf, groundOf, tinted, type Ground } from './subject/behind.ts';
import { seenOf } from './subject/seen-of.ts';
import { groundRange, standsOff } from './subject/ground-range.ts';
import type { Check } from './check.ts';
import { hasArea, hasBox } from '../scene/index.ts';
import { fillsBare } from './subject/ground.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly part: string };

export const faintPart = {
  id: 'faint-part',
  title: 'A part that cannot be told from what is behind it',
  measures:
    "the contrast of a meter's or control's filled part or mark with what it stands on; of a separator, and of the pixel of a picture that stands off most: 1.2:1 is enough",
  unit: ':1',
  limit: 3,
  fails: 'below',
  source: 'WCAG 2.2, success criterion 1.4.11',
  severity: 'error',
  readsColors: true,
  sentence: ({ facts, measured, limit }) =>
    `has a faint ${facts.part}: contrast ${measured}:1, minimum ${limit}:1`,
  remedies: ['themesColor', 'ownStateColor', 'strongerColor'],
  run(subject, limit, report) {
    const parted = subject.form.once('faint-part', () =>
      subject.form.painted.flatMap((index) => {
        const part = partOf(subject.widgets[index]!);
        return part && !subject.widgets[index]!.states.includes('disabled') ? [{ index, part }] : [];
      }),
    );
    for (const { index, part } of parted) {
      const { pointer } = subject.widgets[index]!;
      if (!subject.isSeen(index) || isIdleScrollbar(subject, index)) continue;
      const area = seenOf(subject, index, subject.rect(index));
      if (!hasArea(area)) continue;
      const opacity = subject.form.opacity[index]!;
      if (part.stands === 'with its own' && opacity === 1) {
        const range = groundRange(subject, index, area);
        if (range && standsOff(part.color, range, limit)) continue;
      }
      let measured = Infinity;
      let reason = '';
      for (const { color, backdrop, over } of groundOf(subject, index, area, report, { own: part.stands })) {
        const seen = over(part.color);
        // Of a box that is told by its edge, its inside in another colour tells where it is just as well.
        const inside = part.inside ? over(part.inside) : color;
        const ratio = Math.max(contrastRatio(seen, color), contrastRatio(inside, color));
        if (ratio >= measured) continue;
        measured = ratio;
        const on = backdrop === undefined ? '' : `, over the backdrop ${backdrop}`;
        reason = `the ${part.name} ${hexOf(seen)} stands on ${hexOf(color)}${on}`;
      }
      const least = part.least ?? limit;
      if (measured >= least) continue;
      const reasons = [{ text: reason, pointer }];
      report({
        outcome: 'failed',
        widget: index,
        measured,
        limit: least,
        facts: { part: part.name },
        reasons,
      });
    }
    for (const index of picturesAlone(subject)) {
      if (!subject.isSeen(index)) continue;
      const area = seenOf(subject, index, subject.rect(index));
      if (!hasArea(area) || fillsBare(subject, index)) continue;
      let worst: { readonly ratio: number; readonly color: Rgba } | undefined;
      for (const ground of groundOf(subject, index, area, report, { own: 'without its own' })) {
        const ratio = mostContrast(subject, index, ground);
        const { color } = ground;
        if (ratio < (worst?.ratio ?? leastSeen)) worst = { ratio, color };
      }
      if (!worst) continue;
      const { pointer, picture } = subject.widgets[index]!;
      const text = `no pixel of "${picture!.name}" stands off from ${hexOf(worst.color)} behind it`;
      report({
        outcome: 'failed',
        widget: index,
        measured: worst.ratio,
        limit: leastSeen,
        facts: { part: 'picture' },
        reasons: [{ text, pointer }],
      });
    }
  },
} as const satisfies Check<Facts>;

/** What a picture has to stand off with somewhere, and a line all over: less is not seen at all. */
const leastSeen = 1.2;

/** Widgets that are a picture whose pixels are known, on nothing of their own. */
function picturesAlone(subject: Subject): readonly number[] {
  return subject.form.once('pictures-alone', () =>
    subject.form.painted.filter((index) => {
      const { kind, picture, look } = subject.widgets[index]!;
      return kind === 'image' && picture?.sample !== undefined && !hasBox(look);
    }),
  );
}

/** The contrast of the pixel of a picture that stands off most from a colour; enough of it ends the search. */
function mostContrast(subject: Subject, index: number, { color, over }: Ground): number {
  const { picture, look } = subject.widgets[index]!;
  const { data } = picture!.sample!;
  const own = luminance(color);
  const contrastAt = (at: number) =>
    contrastOf(luminance(over(tinted(colorOf(data, at), look.imageTint))), own);
  // What stood off from one ground mostly does from the next.
  const ended = subject.form.once('pixels-that-stood-off', () => new Map<number, number>());
  const last = ended.get(index);
  if (last !== undefined) {
    const ratio = contrastAt(last);
    if (ratio >= leastSeen) return ratio;
  }
  const told = new Set<number>();
  let most = 1;
  for (let at = 0; at < data.length && most < leastSeen; at += 4) {
    const key = ((data[at]! * 256 + data[at + 1]!) * 256 + data[at + 2]!) * 256 + data[at + 3]!;
    if (told.has(key)) continue;
    told.add(key);
    most = Math.max(most, contrastAt(at));
    if (most >= leastSeen) ended.set(index, at);
  }
  return most;
}

/** What a widget says something with, beside words. */
interface Part {
  readonly name: string;
  readonly color: Rgba;
  /** What it is told from: the widget's own background, or, of an edge round that, what is behind it. */
  readonly stands: 'with its own' | 'without its own';
  /** The colour inside an edge. */
  readonly inside?: Rgba;
  /** The least contrast, where it need only be seen. */
  readonly least?: number;
}

/** Whether there is nothing to scroll, and so no scrollbar. */
function isIdleScrollbar(subject: Subject, index: number): boolean {
  const widget = subject.widgets[index]!;
  if (widget.kind !== 'scrollbar') return false;
  const { controls } = widget.source as WidgetSource;
  const target = controls === undefined ? undefined : subject.indexOf(controls);
  return scrollbarBoxes(widget, subject.layout, subject.rect(index), target) === undefined;
}

/** Undefined where there is nothing now. */
function partOf({ kind, look, value, states }: Widget): Part | undefined {
  if (kind === 'meter' && value > 0)
    return { name: 'filled part', color: look.color, stands: 'with its own' };
  if (kind === 'separator' && look.background?.type === 'color')
    return { name: 'line', color: look.background.color, stands: 'without its own', least: leastSeen };
  if (kind === 'slider' || kind === 'switch' || kind === 'scrollbar')
    return { name: 'handle', color: look.handleColor ?? look.color, stands: 'with its own' };
  if (kind === 'checkbox' && states.includes('checked'))
    return { name: 'mark', color: look.color, stands: 'with its own' };
  if ((kind !== 'checkbox' && kind !== 'textbox') || !look.borderColor || look.borderWidth === 0)
    return undefined;
  const inside = look.background?.type === 'color' ? look.background.color : undefined;
  return { name: 'border', color: look.borderColor, stands: 'without its own', ...(inside && { inside }) };
}
