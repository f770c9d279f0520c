import { isControl } from '../dress/index.ts';
import type { Check } from './check.ts';
import { focusField, focusWishes, movesFocus } from './subject/focus-map.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly to: string };

export const focusAstray = {
  id: 'focus-astray',
  title: 'A focus that is sent astray',
  measures:
    'places the focus is sent to that cannot take it: not there, no control, behind an open dialog, or outside of a closed scope',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source:
    'WCAG 2.2, success criteria 2.1.2 and 2.4.3; the ARIA Authoring Practices keep the focus inside a modal dialog',
  severity: 'error',
  sentence: ({ facts }) => `sends the focus to ${facts.to}, which cannot take it`,
  remedies: ['forgetNeighbour'],
  run(subject, limit, report) {
    if (!movesFocus(subject)) return;
    const found = new Map<number, { to: string; text: string; pointer: string }[]>();
    for (const { widget, to, target, pointer } of focusWishes(subject)) {
      if (!subject.widgets[widget]!.visible || subject.isBehindDialog(widget)) continue;
      const text = troubleWith(subject, widget, to, target);
      if (text === undefined) continue;
      found.set(widget, [...(found.get(widget) ?? []), { to, text, pointer }]);
    }
    for (const [widget, reasons] of found) {
      if (reasons.length <= limit) continue;
      report({ outcome: 'failed', widget, measured: reasons.length, facts: { to: reasons[0]!.to }, reasons });
    }
  },
} as const satisfies Check<Facts>;

/** Why a widget cannot take the focus now; undefined where it can, or where it is only disabled for now. */
function troubleWith(
  subject: Subject,
  from: number,
  to: string,
  target: number | undefined,
): string | undefined {
  if (target === undefined) return `${to} is not there on this screen`;
  if (!isControl(subject.widgets[target]!))
    return `${to} is a ${subject.widgets[target]!.kind}, which takes no focus`;
  if (!subject.isThere(target)) return `${to} is hidden`;
  if (subject.isBehindDialog(target)) return `${to} is behind the dialog that is open`;
  const field = focusField(subject);
  const isOrder = !isControl(subject.widgets[from]!);
  if (isOrder || field.scopeOf(from) === field.scopeOf(target)) return undefined;
  const scope = field.scopeOf(from);
  return scope === 0
    ? `${to} is in the closed scope ${field.idOf(field.scopeOf(target))}, which moving the focus does not enter`
    : `${to} is outside of the closed scope ${field.idOf(scope)}, which the focus does not leave`;
}
