import type { WidgetSource } from '../document/index.ts';
import type { Reason } from '../why/index.ts';
import type { Check } from './check.ts';
import type { Subject } from './subject/subject.ts';

type Facts = { readonly message: string };

export const missingMessage = {
  id: 'missing-message',
  title: 'Texts without a translation',
  measures: 'how many messages of a text have no translation in the locale',
  unit: 'messages',
  limit: 0,
  fails: 'above',
  source: 'a player who chose a language reads another one',
  severity: 'error',
  sentence: ({ facts, locale }) => `has no ${locale} translation of "${facts.message}"`,
  cause: ({ locales }) => `the catalogs of ${locales.join(', ')} lack messages`,
  run(subject, limit, report) {
    const { messages } = subject;
    const texted = subject.form.once('missing-message', () =>
      subject.widgets.filter(({ index, source, scope }) =>
        readKeys(subject, index).some((key) => {
          const said = key in source ? (source as WidgetSource)[key] : undefined;
          return typeof said === 'string' && scope.messagesIn(said).some((one) => messages.lacks(one));
        }),
      ),
    );
    for (const { index, source, scope, origins, pointer } of texted) {
      const missing: string[] = [];
      const reasons: Reason[] = [];
      for (const key of readKeys(subject, index)) {
        const said = key in source ? (source as WidgetSource)[key] : undefined;
        if (typeof said !== 'string') continue;
        for (const message of scope.messagesIn(said).filter((one) => messages.lacks(one))) {
          missing.push(message);
          const at = origins.get(key) ?? `${pointer}/${key}`;
          reasons.push({ text: `no catalog has "${message}"`, pointer: at });
        }
      }
      if (missing.length <= limit) continue;
      report({
        outcome: 'failed',
        widget: index,
        measured: missing.length,
        facts: { message: missing[0]! },
        reasons,
      });
    }
  },
} as const satisfies Check<Facts>;

/** What is read of a widget: what is drawn, and what is said of it, drawn or not. */
export function readKeys(subject: Subject, index: number): readonly ('text' | 'placeholder' | 'label')[] {
  return subject.paints(index) ? ['text', 'placeholder', 'label'] : ['label'];
}
