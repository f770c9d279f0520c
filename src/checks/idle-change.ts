import { instanceChanges } from '../edit/index.ts';
import { pointerTo, rootsOf, widgetsOf, type CheckedDocument } from '../document/index.ts';
import type { DocumentCheck } from './check.ts';

type Facts = {
  readonly widget: string;
  readonly key: string;
  /** What says it again: an instance of a component, or a condition. */
  readonly by: 'instance' | 'condition';
};

export const idleChange = {
  id: 'idle-change',
  title: 'A change that changes nothing',
  measures: 'values an instance says again as its component says them, or a condition as its widget does',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'it keeps the old value when the one it repeats gets a new one',
  severity: 'warning',
  sentence: ({ facts: { widget, key, by } }) =>
    by === 'instance'
      ? `repeats ${key} of ${widget} as its component sets it`
      : `changes ${key} under a condition to what it is without`,
  remedies: ['takeOut'],
  run({ document }, report) {
    for (const { instance, component, widget: inner, key, from, to, pointer } of instanceChanges(document)) {
      const widget = inner ?? instance;
      if (from === undefined || JSON.stringify(from) !== JSON.stringify(to)) continue;
      const reason = `${component} says the same of ${widget}'s ${key}`;
      report({ about: instance, facts: { widget, key, by: 'instance' }, reason, pointer });
    }
    for (const { widget, key, pointer } of idleConditions(document)) {
      const reason = `${widget} says the same of ${key} itself, and no condition before changes it`;
      report({ about: widget, facts: { widget, key, by: 'condition' }, reason, pointer });
    }
  },
} as const satisfies DocumentCheck<Facts>;

/** Changes of conditions that say of a widget what it says itself. */
function* idleConditions({
  source,
}: CheckedDocument): Generator<{ readonly widget: string; readonly key: string; readonly pointer: string }> {
  for (const { root, pointer: start } of rootsOf(source)) {
    for (const { widget, pointer } of widgetsOf(root, start)) {
      const changed = new Set<string>();
      for (const [nth, { change }] of (widget.when ?? []).entries()) {
        for (const [key, to] of Object.entries(change)) {
          const own = (widget as Record<string, unknown>)[key];
          const isIdle = own !== undefined && !changed.has(key) && JSON.stringify(own) === JSON.stringify(to);
          changed.add(key);
          if (!isIdle) continue;
          const when = pointerTo(pointer, 'when');
          const entry = pointerTo(when, nth);
          // What says nothing else goes with it.
          const whole = widget.when!.length === 1 ? when : entry;
          const at = Object.keys(change).length === 1 ? whole : pointerTo(pointerTo(entry, 'change'), key);
          yield { widget: widget.id ?? pointer, key, pointer: at };
        }
      }
    }
  }
}
