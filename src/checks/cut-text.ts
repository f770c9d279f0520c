import { shown, whySize } from '../why/index.ts';
import type { Check } from './check.ts';
import { overshoot, worstEdge } from '../scene/index.ts';

type Facts = { readonly axis: 'x' | 'y' };

export const cutText = {
  id: 'cut-text',
  title: 'Cut text',
  measures: 'how far the lines of a text reach over the inside of its widget, or over what cuts it off',
  unit: 'px',
  limit: 0.5,
  fails: 'above',
  source: 'rounding to whole pixels moves an edge by half a pixel at the most (docs/layout-model.md, 5.1)',
  severity: 'error',
  sentence: ({ facts, measured }) =>
    `has a text that is ${measured} px too ${facts.axis === 'x' ? 'wide' : 'high'} for it`,
  remedies: ['roomForText'],
  run(subject, limit, report) {
    for (const { index, text, box } of subject.texts) {
      const rect = subject.rect(index);
      const scale = subject.layout.scale(index);
      const { lines, shrink } = subject.text(index);
      const wide = lines.reduce((most, line) => Math.max(most, line.width), 0) * shrink;
      const high = lines.length * text.lineHeight * shrink;
      const roomX = rect.width / (scale || 1) - box.x.paddingStart - box.x.paddingEnd;
      const roomY = rect.height / (scale || 1) - box.y.paddingStart - box.y.paddingEnd;
      const overX = (wide - roomX) * scale;
      const overY = (high - roomY) * scale;
      const clip = subject.cutter(index);
      const clipped = clip ? worstEdge(overshoot(subject.textRect(index), clip)).distance : 0;
      const measured = Math.max(overX, overY, clipped);
      if (!(measured > limit)) continue;
      const axis = measured === overY ? 'y' : 'x';
      const needs =
        axis === 'x'
          ? `its text needs ${shown(wide)} u and has ${shown(roomX)}`
          : `its ${lines.length === 1 ? 'line needs' : `${lines.length} lines need`} ${shown(high)} u, and there are ${shown(roomY)}`;
      const reasons = [
        { text: needs, pointer: `${subject.widgets[index]!.pointer}/text` },
        ...whySize(subject.tree, subject.layout, index, axis),
      ];
      report({ outcome: 'failed', widget: index, measured, facts: { axis }, reasons });
    }
  },
} as const satisfies Check<Facts>;
