import type { Tree, Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Look } from '../theme/index.ts';
import { shown } from '../why/index.ts';
import { mayLieOver } from './subject/siblings.ts';
import type { Check } from './check.ts';
import { trackOfRing } from '../inside/index.ts';
import {
  FormScene,
  across,
  areApart,
  areaOf,
  hasBox,
  holdsPoint,
  leftWithin,
  pointIn,
  rectIn,
  enlarged,
  unionOf,
} from '../scene/index.ts';
import { mostSeenThrough, pictureLayer } from './subject/behind.ts';
import { isGround } from './subject/ground.ts';
import { pastShare } from './subject/past-share.ts';
import { holeOf } from './subject/round-meter.ts';
import type { Subject } from './subject/subject.ts';

/** A smaller share that is hidden nobody notices, in %. */
export const leastHidden = 5;

export const covered = {
  id: 'covered',
  title: 'Covered by something above',
  measures: 'the share of a text, picture or control that something opaque above it hides',
  unit: '%',
  limit: leastHidden,
  fails: 'above',
  source: 'what is hidden cannot be read, whether it may overlap or not',
  severity: 'error',
  readsColors: true,
  sentence: ({ other, measured }) => `is ${measured} % hidden by ${other}`,
  remedies: ['raise'],
  run(subject, limit, report) {
    const { widgets } = subject.tree;
    const opaque = hidingOf(subject);
    if (opaque.length === 0) return;
    const { places } = subject.form;
    const least = pastShare(limit);
    const grid = subject.gridOf(opaque, (index) => subject.visualRect(index));
    for (const { index, pointer } of widgets) {
      if (!isLostWhenCovered(subject, index) || !subject.isSeen(index) || isGround(subject, index)) continue;
      const seen = subject.visualRect(index);
      if (!(seen.width * seen.height > 0)) continue;
      const candidates = grid.meeting(seen).filter((above) => places[above]! > places[index]!);
      let worst: { readonly above: number; readonly measured: number } | undefined;
      for (const above of candidates.sort((a, b) => places[a]! - places[b]!)) {
        if (!mayCover(subject, above, index)) continue;
        if (!isAskewTo(subject, index, above)) {
          const rect = subject.seenBeside(index, above);
          const shared = subject.sharedBy(index, above);
          const most = (100 * shared.width * shared.height) / (rect.width * rect.height);
          if (!(most > Math.max(least, worst?.measured ?? 0))) continue;
        } else if (areApart(subject, index, above, 0)) continue;
        const measured = hiddenBy(subject, index, above);
        if (measured > Math.max(least, worst?.measured ?? 0)) worst = { above, measured };
      }
      if (!worst) continue;
      const { above, measured } = worst;
      const text = `${widgets[above]!.id} is drawn after it and hides ${shown(measured)} % of it`;
      report({ outcome: 'failed', widget: index, other: above, measured, reasons: [{ text, pointer }] });
    }
  },
} as const satisfies Check;

/** Widgets that may hide what is behind them, in drawing order. */
export function hidingOf(subject: Subject): readonly number[] {
  const { order, widgets } = subject.tree;
  return subject.form.once('covered', () =>
    order.filter((index) => subject.paints(index) && mayHide(widgets[index]!)),
  );
}

/**
 * Whether something of a widget is lost where it is covered, if it is seen and is no ground: of a picture behind everything, and of
 * the game itself, nothing is.
 */
function isLostWhenCovered(subject: Subject, index: number): boolean {
  const { kind } = subject.widgets[index]!;
  return kind !== 'panel' && kind !== 'dialog' && subject.paints(index) && !subject.isBehindDialog(index);
}

function mayCover(subject: Subject, above: number, index: number): boolean {
  if (!subject.isAbove(above, index)) return false;
  // What is in a pop-up lies over whatever that lies over.
  for (let at = above; at > 0 && !subject.isWithin(index, at); at = subject.widgets[at]!.parent)
    if (mayLieOver(subject.widgets[at]!)) return false;
  return true;
}

/** How much of a widget another one hides, in %. */
export function hiddenBy(subject: Subject, index: number, above: number): number {
  if (isAskewTo(subject, index, above)) return hiddenAskew(subject, index, above);
  const rect = subject.seenBeside(index, above);
  const shared = subject.sharedBy(index, above);
  const share = (100 * shared.width * shared.height) / (rect.width * rect.height);
  return share * opaqueShare(subject, above, enlarged(shared, 1 / subject.form.scale[index]!));
}

/** Whether one of two is turned otherwise than the other. */
export function isAskewTo({ form }: Subject, index: number, above: number): boolean {
  return form.turner[index] !== form.turner[above];
}

/** The same of two that are turned otherwise: what of the one, in its own frame, lies within the other in that of the other. */
function hiddenAskew(subject: Subject, index: number, above: number): number {
  const seenFrom = (at: number) => subject.clippers(at).map((by) => ({ index: by, rect: subject.rect(by) }));
  const drawn = (at: number) => ({ index: at, rect: subject.uprightRect(at) });
  const { rect } = drawn(index);
  const seen = leftWithin(subject, index, rect, seenFrom(index));
  const around = [...seenFrom(index), drawn(above), ...seenFrom(above)];
  const hidden = leftWithin(subject, index, rect, around);
  if (hidden.length === 0) return 0;
  const share = (100 * areaOf(hidden)) / areaOf(seen);
  const part = rectIn(
    unionOf(hidden.map(({ x, y }) => ({ x, y, width: 0, height: 0 }))),
    across(subject, index, above),
  );
  const held = [drawn(index), ...around].map((one) => ({ ...one, to: across(subject, above, one.index) }));
  return (
    share *
    opaqueShare(subject, above, part, (x, y) =>
      held.every(({ rect: box, to }) => holdsPoint(box, ...pointIn(to, x, y))),
    )
  );
}

/** What would cover a widget where the two meet, and whether all of it hides what is behind. */
interface Covering {
  readonly above: number;
  readonly isOpaque: boolean;
}

/** What would cover a widget that is no ground, wherever it stands; nothing of one of which nothing is lost. */
export function coveringOf(subject: Subject, index: number): readonly Covering[] {
  if (!isLostWhenCovered(subject, index)) return [];
  const { places, opacity } = subject.form;
  // Who lies above whom is the same on every screen.
  const known = subject.form.once('covering', () => new Map<number, readonly Covering[]>());
  let found = known.get(index);
  if (!found) {
    found = hidingOf(subject).flatMap((above) =>
      places[above]! > places[index]! && opacity[above]! >= mostSeenThrough && mayCover(subject, above, index)
        ? [
            {
              above,
              isOpaque: isOpaque(subject.widgets[above]!.look) && !trackOfRing(subject.widgets[above]!),
            },
          ]
        : [],
    );
    known.set(index, found);
  }
  return found;
}

/** For each widget, whether it draws anything and a box, how much shows through it, and whether it hides what is behind. */
export function hidingIn(tree: Tree): readonly string[] {
  const { paints, opacity } = new FormScene(tree);
  return tree.widgets.map((widget, at) => {
    const { look } = widget;
    const isRing = trackOfRing(widget) !== undefined;
    return [paints[at], opacity[at], hasBox(look), mayHide(widget), isOpaque(look), isRing].join(' ');
  });
}

/** Whether anything of a widget may hide what is behind it. */
function mayHide({ look, picture }: Widget): boolean {
  return look.opacity >= mostSeenThrough && (isOpaque(look) || picture?.sample !== undefined);
}

function isOpaque({ background }: Look): boolean {
  if (!background) return false;
  if (background.type === 'color') return background.color.a > mostSeenThrough;
  return background.stops.every(({ color }) => color.a > mostSeenThrough);
}

/**
 * The share of a part of a widget that hides what is behind: all of a plain background, of a picture what its pixels say.
 *
 * @param isPart Whether a place of the rectangle is of the part; every one if left out.
 */
function opaqueShare(
  subject: Subject,
  index: number,
  part: Rect,
  isPart: (x: number, y: number) => boolean = () => true,
): number {
  const { look } = subject.widgets[index]!;
  if (subject.form.opacity[index]! < mostSeenThrough) return 0;
  const isHole = holeOf(subject, index);
  if (isOpaque(look) && !isHole) return 1;
  const layer = pictureLayer(subject, index);
  if (!layer && !isHole) return 0;
  const hides = (x: number, y: number) => (isHole ? !isHole(x, y) : layer!(x, y).a > mostSeenThrough);
  let [opaque, all] = [0, 0];
  for (let nth = 0; nth < samplesAcross * samplesAcross; nth++) {
    const x = part.x + (part.width * ((nth % samplesAcross) + 0.5)) / samplesAcross;
    const y = part.y + (part.height * (Math.floor(nth / samplesAcross) + 0.5)) / samplesAcross;
    if (!isPart(x, y)) continue;
    all++;
    if (hides(x, y)) opaque++;
  }
  return all === 0 ? 0 : opaque / all;
}

/** Points looked at on each axis of what a picture hides. */
const samplesAcross = 12;
