import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { drawLayout, openView, screens } from 'pimbot';
import { checkDocument, checks, documentChecks, documentSchema, themeSchema } from 'pimbot/tools';
import { openProject } from 'pimbot/node';

describe('Fathom Post', () => {
  test('every view passes every check on every screen in every case, language and theme, nothing undecided', async () => {
    const { document, resources, diagnostics } = await openProject('examples/fathom-post/post.yaml');
    expect(diagnostics).toEqual([]);
    const { findings, layouts } = checkDocument(document!, { resources, screens });
    expect(findings).toEqual([]);
    expect(layouts).toBe(6 * 46 * 3 * 4 * 2);
  });

  test('a larger HUD breaks it somewhere, so the checks do look', async () => {
    const { document, resources } = await openProject('examples/fathom-post/post.yaml');
    const { findings } = checkDocument(document!, {
      resources,
      screens,
      hudSizes: [2.5],
      views: ['dive'],
      locales: ['en'],
      themes: ['brine'],
    });
    expect(findings.length).toBeGreaterThan(3);
  });

  test('is drawn the same every time', async () => {
    const draw = async () => {
      const { document, resources } = await openProject('examples/fathom-post/post.yaml');
      const { operations } = drawLayout(openView(document!, 'dive', { resources }).layoutOn(screens[0]!));
      return JSON.stringify(
        operations.map((one) => (one.type === 'picture' ? { ...one, picture: one.picture.name } : one)),
      );
    };
    expect(await draw()).toBe(await draw());
  });
});

describe('the broken example', () => {
  test('every mistake is found, and every check finds one', async () => {
    const { document, resources } = await openProject('examples/broken/broken.yaml');
    const { findings } = checkDocument(document!, { resources, screens });
    expect(
      findings.map(({ check, widget, other }) => [check, widget, other].filter(Boolean).join(' ')).sort(),
    ).toEqual(
      expect.arrayContaining([
        'bursts-parent call radio.panel-1',
        'coarse-text build',
        'cut-text depth',
        'low-contrast hint',
        'missing-glyph station',
        'missing-message hint',
        'missing-picture crest',
        'off-screen parcels',
        'outside-safe-area parcels',
        'outside-safe-area pause',
        'overlap parcels bearing',
        'small-text build',
      ]),
    );
    expect(new Set(findings.map(({ check }) => check)).size).toBe(checks.length);
    for (const finding of findings) expect(finding.reasons.length).toBeGreaterThan(0);
  });
});

describe('the badly written example', () => {
  test('every check of what is written finds something, with its place', async () => {
    const { document, resources } = await openProject('examples/broken/written.yaml');
    const { findings } = checkDocument(document!, { resources, screens });
    const written = findings.filter(({ view }) => view === undefined);
    expect([...new Set(written.map(({ check }) => check))].sort()).toEqual(
      documentChecks.map(({ id }) => id).sort(),
    );
    const ours = written.find(({ check }) => check === 'theme-gap')!;
    expect([ours.widget, ours.facts]).toEqual(['night', { what: 'style', name: 'key', has: 'day' }]);
    expect(ours.place).toMatch(/day\.theme\.yaml:5:\d+$/);
  });
});

describe('the shipped schemas', () => {
  test('are those the code checks with', () => {
    expect(JSON.parse(readFileSync('schema/pimbot.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(documentSchema)),
    );
    expect(JSON.parse(readFileSync('schema/pimbot-theme.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(themeSchema)),
    );
  });
});
