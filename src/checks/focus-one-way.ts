import { directions, type WidgetSource } from '../document/index.ts';
import { oppositeOf } from '../input/index.ts';
import { keyPointer } from '../why/index.ts';
import type { Check } from './check.ts';
import { focusField, movesFocus } from './subject/focus-map.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly to: string; readonly away: string; readonly back: string; readonly instead: string };

export const focusOneWay = {
  id: 'focus-one-way',
  title: 'A direction that does not lead back',
  measures: 'declared neighbours from which the opposite direction leads somewhere else',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'WCAG 2.2, success criterion 3.2.3: the same control leads to the same place',
  severity: 'warning',
  sentence: ({ facts: { to, away, back, instead } }) =>
    `leads ${away} to ${to}, but ${back} from there leads to ${instead}`,
  remedies: ['forgetNeighbour'],
  run(subject, limit, report) {
    if (!movesFocus(subject)) return;
    const field = focusField(subject);
    for (const widget of field.usable) {
      const found = directions.flatMap((direction) => {
        const to = field.declared(widget, direction);
        if (to === undefined || to === widget) return [];
        const opposite = oppositeOf[direction];
        const instead = field.toward(to, opposite);
        // Where it leads nowhere the focus stays, which misleads nobody.
        if (instead === undefined || instead === widget || instead === to) return [];
        // Sent astray there, which focus-astray says.
        const wish = sourceOf(subject, to)[opposite];
        if (wish !== undefined && field.declared(to, opposite) === undefined) return [];
        // Of several that lead to one, it can lead back to one alone.
        if (field.toward(instead, direction) === to) return [];
        return [{ direction, to, instead }];
      });
      if (found.length <= limit) continue;
      const source = subject.widgets[widget]!;
      const named = found.map(({ direction, to, instead }) => ({
        to: field.idOf(to),
        away: direction.slice('nav-'.length),
        back: oppositeOf[direction].slice('nav-'.length),
        instead: field.idOf(instead),
      }));
      const reasons = found.map(({ direction }, nth) => {
        const { to, instead } = named[nth]!;
        const said = sourceOf(subject, found[nth]!.to)[oppositeOf[direction]];
        return {
          text: `${direction} is ${to}; ${oppositeOf[direction]} of ${to} ${said === undefined ? 'is not set and leads' : 'leads'} to ${instead}`,
          pointer: keyPointer(source, direction),
        };
      });
      report({ outcome: 'failed', widget, measured: found.length, facts: named[0]!, reasons });
    }
  },
} as const satisfies Check<Facts>;

function sourceOf(subject: Subject, index: number): WidgetSource {
  return subject.widgets[index]!.source;
}
