import { describe, expect, test } from '@jest/globals';
import { type Screen, type WidgetSource } from 'pimbot';
import { causesOf, checkDocument } from 'pimbot/tools';
import { documentOf, fonts, rightDocument } from '../support/views.ts';

const near = { density: 96, distance: 600, inputs: ['mouse'], group: 'desktop' } as const;
const screens = [
  { ...near, name: 'large', width: 1920, height: 1080 },
  { ...near, name: 'small', width: 640, height: 360 },
] as unknown as readonly Screen[];
const line = (nth: number, more: object = {}): WidgetSource => ({
  id: `line-${nth}`,
  kind: 'text',
  text: 'Depth',
  anchor: 'left top',
  offset: [20, 60 * nth],
  look: { 'font-size': 20, 'color': '#fff' },
  ...more,
});

/** The causes of what is found of a view: what each is, and the widgets and checks it takes in. */
function causes(children: readonly WidgetSource[], on = screens) {
  const source = documentOf(children, { reference: { size: '1920x1080', scaling: 'contain' } });
  const document = rightDocument({ ...source, views: { test: { ...source.views.test, backdrop: '#000' } } });
  const verdict = checkDocument(document, { resources: { fonts }, screens: on });
  return causesOf(verdict.findings, verdict, () => 0).map(({ what, findings }) => ({
    what,
    checks: [...new Set(findings.map(({ check }) => check))].sort(),
    widgets: [...new Set(findings.map(({ widget }) => widget))].sort(),
  }));
}

const lines = (count: number) => Array.from({ length: count }, (_, nth) => line(nth + 1));

describe('what gets too small in a view', () => {
  test('on some screens, in five places or more, is one cause that says where it stands', () => {
    expect(causes(lines(5))).toEqual([
      {
        what: 'test is small on this screen (1 u is 0.33 px)',
        checks: ['coarse-text', 'small-text'],
        widgets: ['line-1', 'line-2', 'line-3', 'line-4', 'line-5'],
      },
    ]);
  });

  test('is told widget by widget where it is in few places, and where it is so on every screen', () => {
    expect(causes(lines(4)).map(({ what, widgets }) => [what, ...widgets])).toEqual(
      lines(4).map(({ id }) => [undefined, id]),
    );
    expect(causes(lines(5), screens.slice(1))).toHaveLength(5);
  });

  test('a widget of which something else is found stays a cause of its own', () => {
    const found = causes([...lines(5), line(6, { width: 40, wrap: false })]);
    expect(found.map(({ widgets }) => widgets.length).sort()).toEqual([1, 5]);
    const [alone] = found.filter(({ what }) => what === undefined);
    expect(alone).toMatchObject({ widgets: ['line-6'] });
    expect(alone!.checks).toContain('cut-text');
  });
});
