import { describe, expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

describe('made of others', () => {
  test('dialogs over each other: each has the focus while it is on top, and gives it back to the one below', () => {
    const ask = (id: string, offset: string): WidgetSource => ({
      id,
      kind: 'dialog',
      visible: `{${id}-asks}`,
      offset,
      children: [
        { id: `${id}-yes`, kind: 'button', size: 40 },
        { id: `${id}-more`, kind: 'button', size: 40, offset: '50 0' },
      ],
    });
    const one = new Player(
      documentOf([{ id: 'go', kind: 'button', size: 40 }, ask('first', '0 0'), ask('second', '0 60')], {
        cases: { only: { 'first-asks': false, 'second-asks': false } },
      }),
    ).keys('Tab');
    one.live.set({ 'first-asks': true });
    one.wait(16).keys('Tab');
    expect(one.input.focused).toBe('first-more');
    one.live.set({ 'second-asks': true });
    one.wait(16);
    expect(one.input.focused).toBe('second-yes');
    expect(one.keys('ArrowUp', 'Tab', 'Tab').input.focused).toBe('second-yes');
    // What is behind hears nothing.
    one.click('first-more');
    expect(one.told('click')).toEqual([]);
    one.keys('Escape');
    expect([one.input.focused, one.live.values.get('first-asks')]).toEqual(['first-more', true]);
    one.keys('Escape');
    expect([one.input.focused, one.live.values.get('first-asks')]).toEqual(['go', false]);
  });

  test('a drop-down is a button and a list box in a closed scope', () => {
    const one = new Player(
      documentOf(
        [
          { id: 'pick', kind: 'button', text: '{depth}', size: [90, 30] },
          {
            'id': 'options',
            'kind': 'listbox',
            'visible': '{open}',
            'focus-scope': 'closed',
            'selection': '{depth}',
            'offset': '0 40',
            'children': ['low', 'mid', 'far'].map((id) => ({ id, kind: 'button', size: [90, 30] })),
          },
          { id: 'next', kind: 'button', offset: '0 200', size: 30 },
        ],
        { cases: { only: { depth: 'mid', open: false } } },
      ),
    );
    const { live, input } = one;
    const shut = () => {
      input.back();
      live.set({ open: false });
    };
    input.listen('pick', ({ type }) => {
      if (type !== 'click') return;
      live.set({ open: true });
      input.enter('options');
    });
    input.listen('options', ({ type }) => {
      if (type === 'click' || type === 'back') shut();
    });
    one.keys('Tab', 'Enter');
    expect([input.focused, live.values.get('open')]).toEqual(['mid', true]);
    expect(one.keys('ArrowDown').input.focused).toBe('far');
    expect(one.keys('Tab').input.focused).toBe('far');
    one.keys('Enter');
    expect([input.focused, live.values.get('depth'), live.values.get('open')]).toEqual([
      'pick',
      'far',
      false,
    ]);
    one.keys('Enter', 'Escape').wait(16);
    expect([input.focused, live.values.get('open')]).toEqual(['pick', false]);
    one.click('pick').click('low');
    expect([input.focused, live.values.get('depth'), live.values.get('open')]).toEqual([
      'pick',
      'low',
      false,
    ]);
  });
});
