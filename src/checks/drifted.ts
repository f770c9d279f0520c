import { keyPointer, shown } from '../why/index.ts';
import type { Check } from './check.ts';
import type { EdgeName } from '../scene/index.ts';

/** A widget keeps to an edge of the reference that it stands this near to, as a share of the surface … */
const nearShare = 0.06;
/** … and this many times nearer than to the other edge. */
const nearerTimes = 4;

type Facts = { readonly edge: EdgeName };

export const drifted = {
  id: 'drifted',
  title: 'Drifted from its edge',
  measures:
    'how much further a widget stands from the edge it keeps to on the reference, as a share of the surface',
  unit: '%',
  limit: 8,
  fails: 'above',
  source:
    'what stands at an edge of the reference and is not anchored there is in the middle of a wider screen',
  severity: 'error',
  sentence: ({ facts, measured }) => `drifts away from the ${facts.edge} edge by ${measured} % of the screen`,
  // From a corner it drifts two ways, and each is mended for itself.
  apart: ({ edge }) => edge,
  remedies: ['tieToEdge'],
  run(subject, limit, report) {
    const reference = subject.onReference();
    const [then, now] = [reference.layout.frame, subject.layout.frame];
    if (then.width === now.width && then.height === now.height) return;
    if (subject.widgets[0]!.box.arrange !== 'free') return;
    const standing = subject.form.once('drifted', () =>
      subject.widgets.filter(({ parent, box }) => parent === 0 && box.target === undefined),
    );
    for (const widget of standing) {
      if (!subject.isThere(widget.index)) continue;
      const old = reference.find(widget.id);
      // Where a condition places it anew, the author has thought about it.
      if (old === undefined || ['anchor', 'offset', 'inset'].some((key) => widget.origins.has(key))) continue;
      const [was, is] = [reference.layout.rectInU(old), subject.layout.rectInU(widget.index)];
      for (const axis of ['x', 'y'] as const) {
        const { span, anchorStart } = widget.box[axis];
        // A stage that is capped and centred leaves the edges on purpose.
        if (span || (widget.box[axis].max !== undefined && anchorStart === 0.5)) continue;
        const size = axis === 'x' ? 'width' : 'height';
        const edges = axis === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
        const gaps = (rect: typeof was, frame: typeof then) => [
          rect[axis] - frame.safe[edges[0]],
          frame[size] - frame.safe[edges[1]] - rect[axis] - rect[size],
        ];
        const [old0, old1] = gaps(was, then) as [number, number];
        const end = old0 <= old1 ? 0 : 1;
        const [near, far] = end === 0 ? [old0, old1] : [old1, old0];
        if (near < 0 || near > nearShare * then[size] || far < nearerTimes * near || anchorStart === end)
          continue;
        const gap = gaps(is, now)[end]!;
        const measured = ((gap - near) / now[size]) * 100;
        if (!(measured > limit)) continue;
        const reasons = [
          {
            text: `on the reference it is ${shown(near)} u from the ${edges[end]} edge, here ${shown(gap)} u; it is anchored at ${shown(anchorStart * 100)} %`,
            pointer: keyPointer(widget, 'anchor'),
          },
        ];
        report({ outcome: 'failed', widget: widget.index, measured, facts: { edge: edges[end] }, reasons });
      }
    }
  },
} as const satisfies Check<Facts>;
