import { expect, test } from '@jest/globals';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

const source = documentOf(
  [
    { id: 'depth', kind: 'text', text: '{depth, number} m', live: 'polite' },
    {
      id: 'cast',
      kind: 'button',
      size: 90,
      children: [{ kind: 'image' }, { id: 'words', kind: 'text', text: 'Cast off' }],
    },
    { id: 'icon', kind: 'button', size: 40, label: 'Chart of {place}' },
    { id: 'bare', kind: 'button', size: 40 },
    {
      id: 'music',
      label: 'Music',
      arrange: 'row',
      children: [
        { kind: 'text', text: 'Music' },
        { id: 'loud', kind: 'slider', value: '{loud}' },
      ],
    },
    {
      id: 'pair',
      label: 'Doors',
      children: [
        { id: 'one', kind: 'checkbox', checked: true, size: 20, label: 'Bow' },
        { id: 'two', kind: 'switch', size: 20 },
      ],
    },
    { id: 'who', kind: 'textbox', label: 'Your name', text: '{name}', placeholder: 'Ida', size: [90, 30] },
    {
      id: 'tabs',
      kind: 'tabs',
      label: 'Rooms',
      page: 'dock',
      children: [
        { id: 'dock', kind: 'button', text: 'Dock' },
        { id: 'hold', kind: 'button', text: 'Hold', states: 'disabled' },
      ],
    },
    { id: 'gone', kind: 'button', text: 'Gone', visible: false },
    { id: 'hull', kind: 'meter', value: 0.4, label: 'Hull' },
    { id: 'radar', kind: 'canvas', size: 40, label: 'Sonar' },
    {
      id: 'sure',
      kind: 'dialog',
      visible: '{asks}',
      label: 'Sure?',
      children: [{ id: 'yes', kind: 'button', text: 'Yes' }],
    },
  ],
  { cases: { only: { depth: 1200, place: 'Port', loud: 0.5, name: '', asks: false } } },
);

test('a view as a screen reader is to know it', () => {
  const one = new Player(source, { width: 800, height: 600 });
  const items = one.input.accessible();
  expect(items.map(({ id, role, name, parent }) => [id, role, name, parent])).toEqual([
    ['depth', 'text', '1,200 m', undefined],
    ['cast', 'button', 'Cast off', undefined],
    ['icon', 'button', 'Chart of Port', undefined],
    ['bare', 'button', undefined, undefined],
    ['music.text-1', 'text', 'Music', undefined],
    ['loud', 'slider', 'Music', undefined],
    ['pair', 'group', 'Doors', undefined],
    ['one', 'checkbox', 'Bow', 'pair'],
    ['two', 'switch', undefined, 'pair'],
    ['who', 'textbox', 'Your name', undefined],
    ['tabs', 'tablist', 'Rooms', undefined],
    ['dock', 'tab', 'Dock', 'tabs'],
    ['hold', 'tab', 'Hold', 'tabs'],
    ['hull', 'meter', 'Hull', undefined],
    ['radar', 'img', 'Sonar', undefined],
  ]);
  const item = (id: string) => one.input.accessible().find((other) => other.id === id);
  expect(item('depth')).toMatchObject({ live: 'polite' });
  expect([item('loud')?.value, item('hull')?.value]).toEqual([0.5, 0.4]);
  expect([item('one')?.isChecked, item('two')?.isChecked, item('icon')?.isChecked]).toEqual([
    true,
    false,
    undefined,
  ]);
  expect([item('dock')?.isSelected, item('hold')?.isSelected, item('hold')?.isDisabled]).toEqual([
    true,
    false,
    true,
  ]);
  // A placeholder is nothing somebody has written.
  expect(item('who')?.text).toBe('');
  one.effects.push(...one.input.focus('who'));
  one.keys('I', 'o');
  expect(item('who')?.text).toBe('Io');
});

test('while a dialog is open nothing is behind it', () => {
  const one = new Player(source, { width: 800, height: 600 });
  one.live.set({ asks: true });
  expect(one.input.accessible().map(({ id, name, parent }) => [id, name, parent])).toEqual([
    ['sure', 'Sure?', undefined],
    ['yes', 'Yes', 'sure'],
  ]);
});
