import { controls } from '../dress/index.ts';
import type { Check } from './check.ts';

/** A view with a single control may have it disabled for a while. */
const least = 2;

export const allDisabled = {
  id: 'all-disabled',
  title: 'Nothing that can be used',
  measures: 'how many controls a view has, where every one of them is disabled',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'a player who can use nothing cannot go on or back',
  severity: 'warning',
  sentence: ({ measured }) => `has ${measured} controls, all of them disabled`,
  run(subject, _, report) {
    const disabled = subject.form.once('all-disabled', () => {
      const there = subject.widgets.filter(
        ({ index, kind }) => controls.has(kind) && !subject.isBehindDialog(index),
      );
      return there.length >= least && there.every(({ states }) => states.includes('disabled')) ? there : [];
    });
    const shown = disabled.filter(({ index }) => subject.isThere(index));
    if (shown.length < least) return;
    const reasons = shown.slice(0, 3).map(({ id, pointer }) => ({ text: `${id} is disabled`, pointer }));
    report({ outcome: 'failed', widget: 0, measured: shown.length, reasons });
  },
} as const satisfies Check;
