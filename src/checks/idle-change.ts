import { instanceChanges } from '../edit/index.ts';
import type { DocumentCheck } from './check.ts';

export const idleChange: DocumentCheck = {
  id: 'idle-change',
  title: 'A change that changes nothing',
  measures: 'values an instance says again as its component says them',
  unit: 'places',
  limit: 0,
  fails: 'above',
  source: 'it keeps the old value when the component gets a new one',
  severity: 'warning',
  run({ document }, report) {
    for (const { instance, component, widget, key, from, to, pointer } of instanceChanges(document)) {
      if (from === undefined || JSON.stringify(from) !== JSON.stringify(to)) continue;
      const reason = `${component} says the same of ${widget}'s ${key}`;
      report({ about: instance, detail: `${widget}'s ${key}`, reason, pointer });
    }
  },
};
