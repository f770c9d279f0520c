import type { Check } from './check.ts';

export const missingMessage: Check = {
  id: 'missing-message',
  title: 'Texts without a translation',
  measures: 'how many messages of a text have no translation in the locale',
  unit: 'messages',
  limit: 0,
  fails: 'above',
  source: 'a player who chose a language reads another one',
  severity: 'error',
  run(subject, limit, report) {
    const { messages } = subject;
    for (const { index, source, scope, origins, pointer } of subject.widgets) {
      if (!('text' in source) || typeof source.text !== 'string' || !subject.paints(index)) continue;
      const missing = scope.messagesIn(source.text).filter((message) => messages.lacks(message));
      if (missing.length <= limit) continue;
      const at = origins.get('text') ?? `${pointer}/text`;
      const reasons = missing.map((message) => ({ text: `no catalog has "${message}"`, pointer: at }));
      report({ outcome: 'failed', widget: index, measured: missing.length, detail: missing[0]!, reasons });
    }
  },
};
