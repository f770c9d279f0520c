import { instanceChanges } from '../edit/index.ts';
import type { DocumentCheck } from './check.ts';

type Facts = { readonly widget: string; readonly key: string };

export const idleChange = {
  id: 'idle-change',
  title: 'A change that changes nothing',
  measures: 'values an instance says again as its component says them',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'it keeps the old value when the component gets a new one',
  severity: 'warning',
  sentence: ({ facts }) => `repeats ${facts.key} of ${facts.widget} as its component sets it`,
  remedies: ['takeOut'],
  run({ document }, report) {
    for (const { instance, component, widget: inner, key, from, to, pointer } of instanceChanges(document)) {
      const widget = inner ?? instance;
      if (from === undefined || JSON.stringify(from) !== JSON.stringify(to)) continue;
      const reason = `${component} says the same of ${widget}'s ${key}`;
      report({ about: instance, facts: { widget, key }, reason, pointer });
    }
  },
} as const satisfies DocumentCheck<Facts>;
