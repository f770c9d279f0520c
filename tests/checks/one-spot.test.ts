import { describe, expect, test } from '@jest/globals';
import { findScreen, readDocument } from 'pimbot';
import { checkDocument, type Finding } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

/** Plates that lie on one spot. */
function plates(count: number, more: object = {}) {
  const children = Array.from({ length: count }, (_, nth) => ({
    id: `plate-${nth}`,
    size: [120, 60],
    offset: [100, 100],
    look: { background: '#123456' },
    ...more,
  }));
  return { pimbot: 1, reference: { size: '1920x1080' }, views: { hold: { children } } };
}

function overlapsOf(count: number, more?: object): readonly Finding[] {
  const { document, diagnostics } = readDocument(JSON.stringify(plates(count, more)), { name: 'hold.yaml' });
  expect(diagnostics).toEqual([]);
  const screens = [findScreen('television')!];
  return checkDocument(document!, { resources: { fonts }, screens }).findings.filter(
    ({ check }) => check === 'overlap',
  );
}

describe('what lies in one place', () => {
  test('is told pair by pair', () => {
    const found = overlapsOf(150);
    expect(found).toHaveLength((150 * 149) / 2);
    expect(new Set(found.map(({ outcome }) => outcome))).toEqual(new Set(['failed']));
  });

  test('by the thousand is told up to a bound, and that this is not all', () => {
    const found = overlapsOf(2000);
    const undecided = found.filter(({ outcome }) => outcome === 'undecided');
    expect(undecided.map(({ view, widget, missing }) => [view, widget, missing])).toEqual([
      ['hold', 'hold', 'so much lies in one place that not all of it was compared'],
    ]);
    expect(found.length).toBeGreaterThan(15_000);
    expect(found.length).toBeLessThanOrEqual(20_001);
  });

  test('is said to be undecided where nothing was found in as much as was compared', () => {
    expect(overlapsOf(900, { 'may-overlap': true })).toEqual([]);
    expect(overlapsOf(5000, { 'may-overlap': true }).map(({ outcome }) => outcome)).toEqual(['undecided']);
  });
});
