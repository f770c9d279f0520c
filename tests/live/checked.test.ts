import { expect, test } from '@jest/globals';
import { LiveView } from 'pimbot';
import { pimbotMatchers } from 'pimbot/jest';
import { documentOf, opened } from '../support/views.ts';

const source = documentOf(
  [
    { id: 'name', kind: 'text', text: '{who}', width: 120, wrap: false, offset: ['{x}', 20] },
    { id: 'go', kind: 'button', style: 'key', text: 'Go', anchor: 'right bottom', offset: -40 },
  ].map((one) => one as never),
  {
    cases: { typical: { who: 'Ada', x: 20 } },
    styles: { key: { background: '#000000', states: { selected: { color: '#000000' } } } },
  },
  { backdrop: '#102030' },
);

/** What is found of a live view now, as `toPassOnScreens` tells it. */
function found(live: LiveView, check: string): string {
  const told = pimbotMatchers.toPassOnScreens(live, { checks: [check as never] });
  return told.pass ? '' : told.message();
}

test('what is found of a view is found of a live one, in the middle of a game', () => {
  const live = new LiveView(opened(source), { width: 800, height: 600 });
  expect(found(live, 'cut-text')).toBe('');
  live.set({ who: 'Ada Finch of the night post' });
  expect(found(live, 'cut-text')).toContain('name ');
  live.set({ who: 'Ada', x: 760 });
  expect(found(live, 'cut-text')).toBe('');
  expect(found(live, 'off-screen')).toContain('past the right edge of the screen');
  live.set({ x: 20 });
  expect(found(live, 'off-screen')).toBe('');
  // Of a window that is smaller, and of a state a button is in.
  live.resize({ width: 40, height: 600 });
  expect(found(live, 'off-screen')).toContain('name sticks out ');
  live.resize({ width: 800, height: 600 });
  live.setStates('go', ['selected']);
  expect(found(live, 'low-contrast')).toContain('go ');
  live.setStates('go', []);
  expect(found(live, 'low-contrast')).toBe('');
  // What is looked at stays as it was.
  const view = live.toView();
  live.set({ x: 760 });
  expect(
    pimbotMatchers.toPassOnScreens(view, { screens: [{ width: 800, height: 600 }], checks: ['off-screen'] })
      .pass,
  ).toBe(true);
  expect(pimbotMatchers.toKeepWithin(live, 'name', 'screen').pass).toBe(false);
});
