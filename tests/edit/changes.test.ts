import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { readDocument } from 'pimbot';
import { instanceChanges, resetInstance } from 'pimbot/tools';
import { pimbotHere, temporaryFolder } from '../support/cli.ts';

const head = `pimbot: 1
components:
  gauge: { params: { label: text }, arrange: column, gap: 4, children: [ { id: bar, height: 12 }, { id: name, kind: text, text: "{label}" } ] }
views:
  dive:
    children:
`;
const styles = {
  flow: [
    '      - { use: gauge, id: hull, set: { bar: { height: 20, width: 9 } }, label: Hull } # kept\n',
    '      - { use: gauge, id: hull, label: Hull } # kept\n',
  ],
  first: [
    '      - { set: { bar: { height: 20 } }, use: gauge, id: hull, label: Hull }\n',
    '      - { use: gauge, id: hull, label: Hull }\n',
  ],
  block: [
    '      - use: gauge\n        id: hull\n        set:\n          bar:\n            height: 20 # more\n        label: Hull # kept\n',
    '      - use: gauge\n        id: hull\n        label: Hull # kept\n',
  ],
  dash: [
    '      - set:\n          bar: { height: 20 }\n        use: gauge\n        id: hull\n        label: Hull\n',
    '      - use: gauge\n        id: hull\n        label: Hull\n',
  ],
} as const;

function read(text: string) {
  const { document, diagnostics } = readDocument(text, { name: 'hud.yaml' });
  if (!document) throw new Error(JSON.stringify(diagnostics.map(({ code, facts }) => ({ code, facts }))));
  return document;
}

describe('changes of instances', () => {
  test('are listed with what the component says', () => {
    expect(instanceChanges(read(head + styles.flow[0]))).toEqual([
      {
        root: 'dive',
        instance: 'hull',
        component: 'gauge',
        widget: 'bar',
        key: 'height',
        from: 12,
        to: 20,
        pointer: '/views/dive/children/0/set/bar/height',
      },
      {
        root: 'dive',
        instance: 'hull',
        component: 'gauge',
        widget: 'bar',
        key: 'width',
        from: undefined,
        to: 9,
        pointer: '/views/dive/children/0/set/bar/width',
      },
    ]);
  });

  test('what an instance says itself in place of its component is listed and reset with the rest', () => {
    const before =
      head +
      '      - { use: gauge, id: hull, label: Hull, gap: 9, anchor: right top, set: { bar: { height: 20 } } }\n';
    const document = read(before);
    const listed = instanceChanges(document).map(({ widget, key, from, to }) => [widget, key, from, to]);
    expect(listed).toEqual([
      [undefined, 'gap', 4, 9],
      ['bar', 'height', 12, 20],
    ]);
    expect(resetInstance(document, 'dive', 'hull')).toBe(
      head + '      - { use: gauge, id: hull, label: Hull, anchor: right top }\n',
    );
  });

  test.each(Object.entries(styles))(
    'are taken out of a %s map, the rest staying as it is',
    (_, [before, after]) => {
      const changed = resetInstance(read(head + before), 'dive', 'hull');
      expect(changed).toBe(head + after);
      expect(instanceChanges(read(changed))).toEqual([]);
      expect(() => resetInstance(read(changed), 'dive', 'hull')).toThrow(
        '"hull" changes nothing of its component',
      );
    },
  );

  test('pimbot changes lists, pimbot edit --reset resets', async () => {
    const folder = temporaryFolder();
    const file = join(folder.path, 'hud.yaml');
    writeFileSync(file, head + styles.flow[0]);
    const listed = await pimbotHere(['changes', 'hud.yaml'], folder.path);
    expect(listed.out).toMatch(/dive\/hull +gauge +bar.height +12 +20 +hud.yaml:7:\d+/);
    expect(listed.out).toContain('2 changes of 1 instance');
    const shown = await pimbotHere(['edit', 'hud.yaml', 'dive/hull', '--reset'], folder.path);
    expect(shown.out).toMatch(
      /^--- hud.yaml[^]*Reset dive\/hull: it follows its component again\.\nNothing was written/,
    );
    expect(readFileSync(file, 'utf8')).toBe(head + styles.flow[0]);
    expect(
      (await pimbotHere(['edit', 'hud.yaml', 'dive/hull', '--reset', '--write'], folder.path)).out,
    ).toMatch(/Reset dive\/hull: it follows its component again\.\n$/);
    expect(readFileSync(file, 'utf8')).toBe(head + styles.flow[1]);
    expect((await pimbotHere(['changes', 'hud.yaml'], folder.path)).out).toBe(
      'Every instance follows its component.\n',
    );
    expect(await pimbotHere(['edit', 'hud.yaml', 'dive/none', '--reset'], folder.path)).toMatchObject({
      code: 2,
      err: 'pimbot: there is no instance "none" in dive\n',
    });
    folder.remove();
  });
});
