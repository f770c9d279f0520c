import { expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

test('what a value disables takes no input, lets go of the focus, and is called so', () => {
  const column = (children: readonly WidgetSource[]): WidgetSource => ({
    id: 'menu',
    arrange: 'column',
    children,
  });
  const one = new Player(
    documentOf(
      [
        column([
          { id: 'send', kind: 'button', size: 40, disabled: '{not crates}' },
          { id: 'back', kind: 'button', size: 40 },
          { id: 'row', repeat: '{crew}', key: 'name', kind: 'button', size: 40, disabled: '{away}' },
        ]),
      ],
      {
        cases: {
          typical: {
            crates: 2,
            crew: [
              { name: 'Ida', away: false },
              { name: 'Mo', away: true },
            ],
          },
        },
      },
    ),
  );
  const isDisabled = (id: string) => one.states(id).includes('disabled');
  expect(['send', 'back', 'row-Ida', 'row-Mo'].map(isDisabled)).toEqual([false, false, false, true]);
  one.click('send').click('row-Mo');
  expect(one.told('press')).toEqual(['press send']);
  one.keys('ArrowUp', 'ArrowUp', 'ArrowUp');
  expect(one.input.focused).toBe('send');
  one.live.set({ crates: 0 });
  one.wait(0);
  expect([isDisabled('send'), one.input.focused]).toEqual([true, 'back']);
  one.click('send').keys('ArrowDown', 'ArrowDown');
  expect([one.told('press'), one.input.focused]).toEqual([[], 'row-Ida']);
  expect(one.input.accessible().find(({ id }) => id === 'send')).toMatchObject({ isDisabled: true });
  one.live.set({ crates: 1, crew: [{ name: 'Mo', away: false }] });
  one.wait(0);
  expect(['send', 'row-Mo'].map(isDisabled)).toEqual([false, false]);
});
