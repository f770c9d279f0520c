import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { whyScaled } from './subject/drawn-as.ts';
import { minutesOfArc } from './subject/text-size.ts';

export const tinyPart = {
  id: 'tiny-part',
  title: 'A picture or meter too small to make out',
  measures: 'the shorter side of a picture or meter as seen from where the player sits',
  unit: '′',
  limit: 5,
  fails: 'below',
  source: 'an eye tells details of 1′ apart (a visual acuity of 1); five of them make a shape',
  severity: 'warning',
  growsWithScale: true,
  sentence: ({ measured, limit }) => `is too small to see: ${measured} arcmin, minimum ${limit}`,
  remedies: ['largerScale', 'enlarge'],
  run(subject, limit, report) {
    const { screen } = subject;
    const parts = subject.form.once('tiny-part', () =>
      subject.form.painted.filter((index) => {
        const { kind, picture } = subject.widgets[index]!;
        return kind === 'meter' || (kind === 'image' && picture !== undefined);
      }),
    );
    for (const index of parts) {
      if (!subject.isSeen(index)) continue;
      const { width, height } = subject.drawnBorder(index);
      const px = Math.min(width, height);
      const measured = minutesOfArc(px, screen);
      if (!(measured < limit)) continue;
      const text = `on this screen ${shown(px)} px are ${shown((px / screen.density) * 25.4)} mm, seen from ${screen.distance} mm`;
      const reasons = [{ text, pointer: subject.widgets[index]!.pointer }, ...whyScaled(subject, index)];
      report({ outcome: 'failed', widget: index, measured, reasons });
    }
  },
} as const satisfies Check;
