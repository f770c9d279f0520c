import type { Widget } from '../../dress/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import type { Subject } from './subject.ts';

/** A message that is read of a widget, and where it is written. */
export interface Said {
  readonly message: string;
  readonly pointer: string;
}

/** What is read of a widget: what is drawn, and what is said of it, drawn or not; with what parameters bring into it. */
export function saidBy(
  subject: Subject,
  { index, source, scope, origins, pointer }: Widget,
): readonly Said[] {
  const keys = subject.paints(index) ? (['text', 'placeholder', 'label'] as const) : (['label'] as const);
  return keys.flatMap((key) => {
    const said = key in source ? (source as WidgetSource)[key] : undefined;
    if (typeof said !== 'string') return [];
    const at = origins.get(key) ?? `${pointer}/${key}`;
    return scope.messagesIn(said).map((message) => ({ message, pointer: at }));
  });
}
