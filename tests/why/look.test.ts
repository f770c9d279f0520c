import { describe, expect, test } from '@jest/globals';
import { openView, readDocument, type State } from 'pimbot';
import { whyLook } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { pimbotHere } from '../support/cli.ts';
import { fonts } from '../support/views.ts';

const text = `pimbot: 1
styles:
  base: { color: "#eee", radius: 4, states: { focused: { border: "2 #0f0" } } }
  main: { extends: base, color: "#fff" }
  big: { font-size: 40 }
components:
  tag: { kind: text, style: big, text: Tag, look: { color: "#123" } }
views:
  dock:
    style: big
    children:
      - { id: go, kind: button, style: [main], states: focused, text: Go, look: { radius: 9 } }
      - { id: tinted, kind: text, text: T, tint: "#abc", when: [ { screen: { aspect: "..1.2" }, change: { look: { font-size: 11 } } } ] }
      - { id: tag, use: tag }
`;

function said(id: string, width = 800) {
  const { document } = readDocument(text, { name: 'menu.yaml' });
  const view = openView(document!, 'dock', { resources: { fonts } });
  const on = view.layoutOn({ width, height: 400 });
  const reasons = whyLook(on.tree, document!.origin, on.indexOf(id));
  return Object.fromEntries(
    reasons.map(({ key, from, overrode, inheritedFrom }) => [
      key,
      [
        from.value,
        from.pointer,
        ...overrode.map((one) => one.pointer),
        ...(inheritedFrom ? [`from ${inheritedFrom}`] : []),
      ],
    ]),
  );
}

describe('each value of a look', () => {
  test('has the style, state or widget that says it, and what that overrode', () => {
    expect(said('go')).toEqual({
      'color': ['#fff', '/styles/main/color', '/styles/base/color'],
      'radius': [9, '/views/dock/children/0/look/radius', '/styles/base/radius'],
      'border': ['2 #0f0', '/styles/base/states/focused/border'],
      'font-size': [40, '/styles/big/font-size', 'from dock'],
    });
  });

  test('a tint is where it is written, and a condition where it is', () => {
    expect(said('tinted')).toEqual({
      'color': ['#abc', '/views/dock/children/1/tint'],
      'font-size': [40, '/styles/big/font-size', 'from dock'],
    });
    expect(said('tinted', 400)['font-size']).toEqual([
      11,
      '/views/dock/children/1/when/0/change/look/font-size',
    ]);
  });

  test('of an instance is where its component says it', () => {
    expect(said('tag')).toEqual({
      'color': ['#123', '/components/tag/look/color'],
      'font-size': [40, '/styles/big/font-size'],
    });
  });

  test('is what is drawn, for every widget of the demo in both themes and in any states', async () => {
    let looked = 0;
    for (const theme of [undefined, 'lantern.theme.yaml']) {
      const { document, resources } = await openProject('examples/fathom-post/post.yaml', { theme });
      for (const name of Object.keys(document!.source.views)) {
        const all = {
          'cast-off': ['focused', 'pressed'],
          'sorting': ['hover'],
          'tuning': ['disabled', 'hover'],
        };
        const plain = openView(document!, name, { resources }).layoutOn({ width: 1920, height: 1080 });
        const there = Object.entries(all).filter(([id]) => (plain.find(id) ?? 0) > 0);
        const states = Object.fromEntries(there) as Record<string, State[]>;
        const view = openView(document!, name, { resources, widgetStates: states });
        const on = view.layoutOn({ width: 1920, height: 1080 });
        for (const { index, look, theme: own } of on.widgets) {
          const reasons = whyLook(on.tree, document!.origin, index);
          for (const { key, from, inheritedFrom } of reasons) {
            const sayer = inheritedFrom === undefined ? own : on.widgets[on.indexOf(inheritedFrom)]!.theme;
            expect(look).toMatchObject(sayer.changesOf({ [key]: from.value }));
          }
          looked += reasons.length;
        }
      }
    }
    expect(looked).toBeGreaterThan(1000);
  });

  test('pimbot why --look tells it with files and lines, for people and machines', async () => {
    const call = [
      'why',
      'examples/fathom-post/post.yaml',
      'dock/cast-off',
      '--look',
      '--state',
      'cast-off=focused',
    ];
    const { code, out } = await pimbotHere(call, process.cwd());
    expect(code).toBe(0);
    expect(out).toMatch(/border +4 #2b1700 +state focused of style button-main +\S*brine.theme.yaml:\d+:\d+/);
    expect(out).toMatch(/over 2 \$color.line +style button +\S*brine.theme.yaml:\d+:\d+/);
    const json = JSON.parse((await pimbotHere([...call, '--json'], process.cwd())).out) as {
      look: { key: string; overrode: unknown[] }[];
    };
    expect(json.look.find(({ key }) => key === 'border')!.overrode).toHaveLength(3);
  });
});
