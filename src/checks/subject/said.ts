import type { Widget } from '../../dress/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import type { Subject } from './subject.ts';

/** A message that is read of a widget, and where it is written. */
export interface Said {
  readonly message: string;
  readonly pointer: string;
}

/** The keys of what is read of a widget: what is drawn, and what is said of it, drawn or not. */
export function keysSaidBy(
  subject: Subject,
  { index, source }: Widget,
): readonly ('text' | 'placeholder' | 'label')[] {
  const keys = subject.paints(index) ? (['text', 'placeholder', 'label'] as const) : (['label'] as const);
  return keys.filter((key) => typeof (source as WidgetSource)[key] === 'string');
}

/** What is read of a widget, with what parameters bring into it. */
export function saidBy(subject: Subject, widget: Widget): readonly Said[] {
  const { source, scope, origins, pointer } = widget;
  return keysSaidBy(subject, widget).flatMap((key) => {
    const at = origins.get(key) ?? `${pointer}/${key}`;
    const said = (source as WidgetSource)[key] as string;
    return scope.messagesIn(said).map((message) => ({ message, pointer: at }));
  });
}
