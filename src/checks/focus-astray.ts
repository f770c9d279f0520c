import { controls } from '../dress/index.ts';
import type { Check } from './check.ts';
import { focusWishes, movesFocus } from './subject/focus-map.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly to: string };

export const focusAstray = {
  id: 'focus-astray',
  title: 'A focus that is sent astray',
  measures:
    'places the focus is sent to that cannot take it: not there, no control, or behind an open dialog',
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
      const text = troubleWith(subject, to, target);
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
function troubleWith(subject: Subject, to: string, target: number | undefined): string | undefined {
  if (target === undefined) return `${to} is not there on this screen`;
  if (!controls.has(subject.widgets[target]!.kind))
    return `${to} is a ${subject.widgets[target]!.kind}, which takes no focus`;
  if (!subject.isThere(target)) return `${to} is hidden`;
  return subject.isBehindDialog(target) ? `${to} is behind the dialog that is open` : undefined;
}
