import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { parse } from 'yaml';
import { findScreen, formatDiagnostic, openView, readDocument } from 'pimbot';
import type { CheckedDocument, DocumentSource, WidgetSource } from 'pimbot';
import { fonts } from '../support/views.ts';

type Keys = { [key: string]: unknown };

const screen = findScreen('desktop')!;

/** What stays in the document: a name there is a message, or cannot stand there. */
const written = new Set(
  'use set repeat children when id key slot kind accept text label placeholder value trail'.split(' '),
);

function* widgetsIn(children: readonly WidgetSource[] = []): Generator<Keys & WidgetSource> {
  for (const widget of children) {
    yield widget as Keys & WidgetSource;
    yield* widgetsIn(widget.children);
  }
}

function rectsOf(document: CheckedDocument, view: string): string {
  const on = openView(document, view, { resources: { fonts } }).layoutOn(screen);
  return on.widgets.map(({ id }) => `${id} ${JSON.stringify(on.rect(id))}`).join('\n');
}

test('any key of any widget may be a value: a view in which it is what was written there is the same view', () => {
  const source = parse(readFileSync('tests/accuracy/idioms.yaml', 'utf8'), { merge: true }) as DocumentSource;
  const casesWith = (bound: string) =>
    Object.fromEntries(Object.entries(source.cases!).map(([name, values]) => [name, { ...values, bound }]));
  const wrong: string[] = [];
  let tried = 0;
  for (const [view, root] of Object.entries(source.views)) {
    const only = { ...source, views: { [view]: root } };
    const before = rectsOf(readDocument(only).document!, view);
    for (const widget of widgetsIn(root.children))
      for (const [key, value] of Object.entries(widget)) {
        if (written.has(key) || typeof value === 'object' || (value as string).toString().includes('{'))
          continue;
        tried++;
        widget[key] = '{bound}';
        const { document, diagnostics } = readDocument({
          ...only,
          cases: casesWith(value as string),
        });
        widget[key] = value;
        wrong.push(...diagnostics.map((one) => `${view} ${key}: ${formatDiagnostic(one)}`));
        if (document && rectsOf(document, view) !== before) wrong.push(`${view} ${key}: is another view`);
      }
  }
  expect(wrong).toEqual([]);
  expect(tried).toBeGreaterThan(300);
});

const box = { id: 'log', scroll: 'y', arrange: 'column', size: 100, children: [{ kind: 'text', text: 'A' }] };

test.each([
  ['a span that a value may be', [{ anchor: '{v}', inset: 8, size: 20 }]],
  ['an offset of such', [{ anchor: '{v}', offset: [4, 4], size: 20 }]],
  [
    'an anchor that may be between two widgets',
    [{ 'anchor': 'right..left top', 'anchor-to': '{v}', 'height': 9 }],
  ],
  ['a sign of more', [box, { 'size': 9, 'shows-more': 'bottom', 'controls': '{v}' }]],
  ['snapping', [{ 'scroll': '{v}', 'scroll-snap': 'start', 'size': 20, 'arrange': 'row' }]],
  ['a gap of what may scroll', [{ scroll: '{v}', gap: 8, size: 20 }]],
  ['a gap of what may be arranged', [{ arrange: '{v}', gap: 8, size: 20 }]],
  ['a page of what may be pages', [{ arrange: '{v}', page: 'a', size: 20, children: [{ id: 'a' }] }]],
  [
    'a page that a button controls',
    [{ arrange: 'pages', page: 'a', size: 20, children: [{ controls: '{v}' }] }],
  ],
  [
    'a tooltip whose anchor is one',
    [
      { kind: 'button', text: 'A', tooltip: 'tip' },
      { id: 'tip', kind: 'tooltip', text: 'B', visible: '{v}', offset: ['{v}', '{v}'], anchor: '{v}' },
    ],
  ],
])('what a key needs may be a value: %s', (_, children) => {
  const { diagnostics } = readDocument({
    pimbot: 1,
    cases: { one: { v: 'anything' } },
    views: { v: { children: children as WidgetSource[] } },
  });
  expect(diagnostics.map(formatDiagnostic)).toEqual([]);
});
