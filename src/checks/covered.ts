import type { Widget } from '../dress/index.ts';
import type { Rect } from '../layout/index.ts';
import type { Look } from '../theme/index.ts';
import { shown } from '../why/index.ts';
import { mayLieOver } from './subject/siblings.ts';
import type { Check } from './check.ts';
import { RectGrid, intersection } from '../scene/index.ts';
import { pictureLayer } from './subject/behind.ts';
import { isGround } from './subject/ground.ts';
import type { Subject } from './subject/subject.ts';

export const covered = {
  id: 'covered',
  title: 'Covered by something above',
  measures: 'the share of a text, picture or control that something opaque above it hides',
  unit: '%',
  limit: 5,
  fails: 'above',
  source: 'what is hidden cannot be read, whether it may overlap or not',
  severity: 'error',
  readsColors: true,
  sentence: ({ other, measured }) => `is hidden by ${other}, by ${measured} %`,
  remedies: ['raise'],
  run(subject, limit, report) {
    const { order, widgets } = subject.tree;
    const opaque = subject.form.once('covered', () =>
      order.filter((index) => subject.paints(index) && mayHide(widgets[index]!)),
    );
    if (opaque.length === 0) return;
    const { places } = subject.form;
    const grid = new RectGrid(opaque, (index) => subject.visualRect(index));
    for (const { index, kind, pointer } of widgets) {
      if (kind === 'panel' || kind === 'dialog' || !subject.paints(index) || !subject.isSeen(index)) continue;
      if (kind === 'image' && isGround(subject, index)) continue;
      const rect = subject.visualRect(index);
      const area = rect.width * rect.height;
      if (!(area > 0)) continue;
      const candidates = grid.meeting(rect).filter((above) => places[above]! > places[index]!);
      for (const above of candidates.sort((a, b) => places[a]! - places[b]!)) {
        const over = subject.visualRect(above);
        if (!subject.isAbove(above, index) || mayLieOver.has(widgets[above]!.kind)) continue;
        const shared = intersection(rect, over);
        const most = (100 * shared.width * shared.height) / area;
        if (!(most > limit)) continue;
        const measured = most * opaqueShare(subject, above, shared);
        if (!(measured > limit)) continue;
        const reason = {
          text: `${widgets[above]!.id} is drawn after it and hides ${shown(measured)} % of it`,
          pointer,
        };
        report({ outcome: 'failed', widget: index, other: above, measured, reasons: [reason] });
        break;
      }
    }
  },
} as const satisfies Check;

/** Whether anything of a widget may hide what is behind it. */
function mayHide({ look, picture }: Widget): boolean {
  return look.opacity >= leastOpacity && (isOpaque(look) || picture?.sample !== undefined);
}

/** From this opacity on nothing is read through it. */
const leastOpacity = 0.9;

function isOpaque({ background }: Look): boolean {
  if (!background) return false;
  if (background.type === 'color') return background.color.a > leastOpacity;
  return background.stops.every(({ color }) => color.a > leastOpacity);
}

/** The share of a part of a widget that hides what is behind: all of a plain background, of a picture what its pixels say. */
function opaqueShare(subject: Subject, index: number, part: Rect): number {
  const { look } = subject.widgets[index]!;
  if (subject.form.opacity[index]! < leastOpacity) return 0;
  if (isOpaque(look)) return 1;
  const layer = pictureLayer(subject, index);
  if (!layer) return 0;
  let opaque = 0;
  for (let nth = 0; nth < samplesAcross * samplesAcross; nth++) {
    const x = part.x + (part.width * ((nth % samplesAcross) + 0.5)) / samplesAcross;
    const y = part.y + (part.height * (Math.floor(nth / samplesAcross) + 0.5)) / samplesAcross;
    if (layer(x, y).a > leastOpacity) opaque++;
  }
  return opaque / (samplesAcross * samplesAcross);
}

/** Points looked at on each axis of what a picture hides. */
const samplesAcross = 12;
