import { instanceChanges } from '../edit/index.ts';
import type { DocumentCheck } from './check.ts';

/** Changes that are what an instance is for: its words, pictures and values. */
const meant: ReadonlySet<string> = new Set([
  'text',
  'image',
  'value',
  'trail',
  'checked',
  'disabled',
  'placeholder',
  'controls',
  'page',
]);

type Facts = { readonly component: string };

export const driftedInstance = {
  id: 'drifted-instance',
  title: 'An instance that has drifted from its component',
  measures: 'values an instance has in place of those of its component, words and pictures aside',
  unit: 'places',
  limit: 4,
  fails: 'above',
  source:
    'an instance that differs in most things follows no change of its component: it is a component of its own',
  severity: 'warning',
  sentence: ({ facts, measured, limit }) =>
    `changes ${measured} values of its component ${facts.component}, maximum ${limit}`,
  run({ document }, report, limit) {
    const changes = new Map<string, { name: string; component: string; pointer: string; keys: string[] }>();
    for (const { root, instance, component, widget, key, to, from, pointer } of instanceChanges(document)) {
      const told = `${root}/${instance}`;
      const one = changes.get(told) ?? {
        name: instance,
        component,
        pointer: pointer.replace(/\/set\/.*$/, ''),
        keys: [],
      };
      changes.set(told, one);
      if (meant.has(key) || JSON.stringify(to) === JSON.stringify(from)) continue;
      // A look of three keys is three changes.
      const parts = key === 'look' && typeof to === 'object' && to !== null ? Object.keys(to) : [key];
      one.keys.push(...parts.map((part) => (widget === undefined ? `its ${part}` : `${widget}'s ${part}`)));
    }
    for (const { name, component, pointer, keys } of changes.values()) {
      if (keys.length <= limit) continue;
      const reason = `it changes ${keys.slice(0, 8).join(', ')}${keys.length > 8 ? ' …' : ''}`;
      report({ about: name, facts: { component }, reason, pointer, measured: keys.length });
    }
  },
} as const satisfies DocumentCheck<Facts>;
