import { controls, type Widget } from '../dress/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly by: string };

export const unpressable = {
  id: 'unpressable',
  title: 'A control that takes no press',
  measures:
    'controls that are shown as usable and take no input: pointer-events: none, of them or of what they are in',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'a player presses it, and nothing happens',
  severity: 'error',
  sentence: ({ facts }) => `can be pressed by no pointer: ${facts.by} takes no input`,
  run(subject, _, report) {
    if (!subject.screen.inputs.some((input) => input === 'mouse' || input === 'touch')) return;
    const deaf = subject.form.once('unpressable', () =>
      subject.widgets.flatMap((widget) => {
        const by = deafBy(subject, widget);
        return by ? [{ index: widget.index, by }] : [];
      }),
    );
    for (const { index, by } of deaf) {
      if (!subject.isThere(index) || subject.isBehindDialog(index)) continue;
      const text = `${by.id} says pointer-events: none`;
      const reasons = [{ text, pointer: keyPointer(by, 'pointer-events') }];
      report({ outcome: 'failed', widget: index, measured: 1, facts: { by: by.id }, reasons });
    }
  },
} as const satisfies Check<Facts>;

/** The widget that keeps input from a control: undefined where nothing does, or where the game does it for a while. */
function deafBy(subject: Subject, widget: Widget): Widget | undefined {
  const { kind, index, states } = widget;
  if (!controls.has(kind) || subject.form.letsThrough[index] === 0 || states.includes('disabled'))
    return undefined;
  for (let at: Widget | undefined = widget; at; at = subject.widgets[at.parent])
    if ('pointer-events' in at.source && at.source['pointer-events'] !== undefined)
      return at.bound.has('pointer-events') ? undefined : at;
  return undefined;
}
