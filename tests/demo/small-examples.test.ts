import { describe, expect, test } from '@jest/globals';
import { openView, screens } from 'pimbot';
import { openProject } from 'pimbot/node';
import { checkDocument } from 'pimbot/tools';

/* The two small examples beside the demo: pixel art at whole scales, and two players on one screen. */

async function example(path: string) {
  const { document, resources, diagnostics } = await openProject(path);
  expect(diagnostics).toEqual([]);
  const { findings } = checkDocument(document!, { resources, screens });
  return { document: document!, resources, findings: findings.map(({ check, widget }) => [check, widget]) };
}

describe('examples/reef', () => {
  test('passes every check on the screens it supports', async () => {
    const { findings } = await example('examples/reef/reef.yaml');
    expect(findings).toEqual([]);
  });

  test('one u is a whole number of px on every screen', async () => {
    const { document, resources } = await example('examples/reef/reef.yaml');
    const view = openView(document, 'reef', { resources });
    const scales = screens.map((screen) => view.layoutOn(screen).layout.scale(0));
    expect(scales.filter((scale) => !Number.isInteger(scale))).toEqual([]);
    expect(Math.max(...scales)).toBeGreaterThan(Math.min(...scales));
  });
});

describe('examples/tandem', () => {
  test('passes every check on every screen, in both themes', async () => {
    const { findings } = await example('examples/tandem/tandem.yaml');
    expect(findings).toEqual([]);
  });

  test('gives both players the same room: beside each other, or one above the other', async () => {
    const { document, resources } = await example('examples/tandem/tandem.yaml');
    const view = openView(document, 'tandem', { resources });
    for (const screen of screens) {
      const on = view.layoutOn(screen);
      const [one, other] = [on.rect('seat-Ida'), on.rect('seat-Oduya')];
      expect(Math.abs(one.width - other.width)).toBeLessThanOrEqual(1);
      expect(Math.abs(one.height - other.height)).toBeLessThanOrEqual(1);
      const isWide = screen.width / screen.height > 1.4;
      expect(isWide ? other.x >= one.x + one.width : other.y >= one.y + one.height).toBe(true);
    }
  });
});
