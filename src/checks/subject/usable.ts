import { controls } from '../../dress/index.ts';
import type { Subject } from './subject.ts';

/** Controls that can be used now: there, not disabled, and in front of no dialog's veil; in document order. */
export function usableControls(subject: Subject): readonly number[] {
  const some = subject.form.once('usable', () =>
    subject.widgets.flatMap(({ index, kind, states }) =>
      controls.has(kind) && !states.includes('disabled') && !subject.isBehindDialog(index) ? [index] : [],
    ),
  );
  return some.filter((index) => subject.isThere(index));
}
