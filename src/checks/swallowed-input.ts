import { controls } from '../dress/index.ts';
import { shown } from '../why/index.ts';
import type { Check } from './check.ts';
import { intersection } from '../scene/index.ts';

export const swallowedInput = {
  id: 'swallowed-input',
  title: 'Input that something unseen swallows',
  measures: 'the share of a control that lies under a widget that is there and not seen',
  unit: '%',
  limit: 5,
  fails: 'above',
  source: 'the topmost widget gets the input, whether a player sees it or not',
  severity: 'error',
  sentence: ({ other, measured }) => `gets no input on ${measured} % of it: ${other} is above it`,
  remedies: ['raise'],
  run(subject, limit, report) {
    const { order, widgets } = subject.tree;
    const pressed = widgets.filter(
      ({ index, kind }) =>
        controls.has(kind) &&
        subject.isThere(index) &&
        subject.takesInput(index) &&
        !subject.isBehindDialog(index),
    );
    if (pressed.length === 0) return;
    const bare = subject.form.once('swallowed-input', () =>
      order.filter((index) => !subject.paintsWithin(index)),
    );
    if (bare.length === 0) return;
    const unseen = bare.filter((index) => subject.takesInput(index));
    const { places } = subject.form;
    const grid = subject.gridOf(unseen, (index) => subject.turnedRect(index));
    for (const { index, pointer } of pressed) {
      const rect = subject.turnedRect(index);
      const area = rect.width * rect.height;
      if (!(area > 0)) continue;
      let worst: { readonly above: number; readonly measured: number } | undefined;
      for (const above of [...grid.meeting(rect)].sort((a, b) => places[a]! - places[b]!)) {
        if (!subject.isAbove(above, index)) continue;
        const shared = intersection(rect, subject.turnedRect(above));
        const measured = (100 * shared.width * shared.height) / area;
        if (measured > Math.max(limit, worst?.measured ?? 0)) worst = { above, measured };
      }
      if (!worst) continue;
      const { above, measured } = worst;
      const text = `${widgets[above]!.id} lies above it, draws nothing, and covers ${shown(measured)} % of it`;
      report({ outcome: 'failed', widget: index, other: above, measured, reasons: [{ text, pointer }] });
    }
  },
} as const satisfies Check;
