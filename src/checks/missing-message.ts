import type { Check } from './check.ts';
import { saidBy } from './subject/said.ts';

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
    const lacking = subject.form.once('missing-message', () =>
      subject.widgets.flatMap((widget) => {
        const missing = saidBy(subject, widget).filter(({ message }) => messages.lacks(message));
        return missing.length > 0 ? [{ index: widget.index, missing }] : [];
      }),
    );
    for (const { index, missing } of lacking)
      if (missing.length > limit)
        report({
          outcome: 'failed',
          widget: index,
          measured: missing.length,
          facts: { message: missing[0]!.message },
          reasons: missing.map(({ message, pointer }) => ({ text: `no catalog has "${message}"`, pointer })),
        });
  },
} as const satisfies Check<Facts>;
