import { describe, expect, test } from '@jest/globals';
import type { WidgetSource } from 'pimbot';
import { Player } from '../support/player.ts';
import { documentOf } from '../support/views.ts';

const source = documentOf(
  [
    {
      id: 'menu',
      arrange: 'column',
      gap: 10,
      children: [
        { id: 'go', kind: 'button', size: 40 },
        { id: 'loud', kind: 'slider', value: '{loud}', width: 200, height: 30, padding: 10, step: 0.1 },
        { id: 'on', kind: 'checkbox', checked: '{captions}', size: 30 },
        { id: 'quiet', kind: 'switch', checked: '{quiet}', size: [60, 30] },
        { id: 'name', kind: 'textbox', text: '{name}', placeholder: 'Who?', size: [200, 40] },
      ],
    },
    {
      id: 'tabs',
      kind: 'tabs',
      page: '{page}',
      arrange: 'row',
      offset: '300 0',
      children: [
        { id: 'map', kind: 'button', size: 40 },
        { id: 'log', kind: 'button', size: 40 },
        { id: 'bag', kind: 'button', size: 40 },
      ],
    },
    {
      id: 'how',
      kind: 'radiogroup',
      label: 'How deep',
      selection: '{deep}',
      offset: '500 0',
      children: [
        { id: 'low', kind: 'button', size: 30 },
        { id: 'mid', kind: 'button', size: 30 },
        { id: 'far', kind: 'button', size: 30 },
      ],
    },
    {
      id: 'mail',
      kind: 'listbox',
      selection: '{letter}',
      offset: '600 0',
      size: [90, 60],
      scroll: 'y',
      children: [{ id: 'note', repeat: '{notes}', key: 'item', kind: 'button', size: [90, 30] }],
    },
    {
      id: 'slots',
      arrange: 'row',
      offset: '300 100',
      children: [
        { id: 'slot', repeat: '{items}', key: 'id', kind: 'checkbox', checked: '{packed}', size: 40 },
      ],
    },
    {
      id: 'sure',
      kind: 'dialog',
      visible: '{asks}',
      arrange: 'row',
      children: [
        { id: 'yes', kind: 'button', size: 40 },
        { id: 'no', kind: 'button', size: 40 },
      ],
    },
    {
      id: 'split',
      arrange: 'row',
      offset: '0 300',
      size: [210, 40],
      children: [
        { id: 'left', height: 40 },
        { id: 'bar', kind: 'separator', value: '{share}', size: [10, 40] },
        { id: 'right', height: 40 },
      ],
    },
  ],
  {
    cases: {
      only: {
        loud: 0.5,
        captions: false,
        quiet: true,
        name: '',
        page: 'map',
        deep: 'mid',
        letter: 'note-b',
        notes: ['a', 'b', 'c', 'd'],
        items: [
          { id: 'wax', packed: false },
          { id: 'lamp', packed: true },
        ],
        asks: false,
        share: 0.5,
      },
    },
  },
);

const player = () => new Player(source, { width: 800, height: 600 });

/** The tables of the ARIA Authoring Practices, one control each. */
describe('by keys', () => {
  test('a button: Enter clicks at once, Space when it is let go', () => {
    const one = player().keys('Tab');
    expect(one.input.focused).toBe('go');
    one.told();
    one.keys('Enter', ' ');
    expect(one.told()).toEqual(['press go', 'click go', 'release go', 'press go', 'release go', 'click go']);
    one.hear({ type: 'key-down', key: ' ' });
    expect(one.states('go')).toEqual(['focused', 'pressed']);
    // Whoever goes elsewhere before it is let go has thought better of it.
    one.keys('Tab').told();
    one.hear({ type: 'key-up', key: ' ' });
    expect(one.told()).toEqual(['release go']);
  });

  test('a slider: arrows by a step, page keys by several, Home and End to the ends, no further', () => {
    const one = player().keys('Tab', 'Tab');
    expect(one.input.focused).toBe('loud');
    const value = () => one.live.values.get('loud');
    const after = (...keys: string[]) => {
      one.keys(...keys);
      return value();
    };
    expect(after('ArrowRight')).toBe(0.6);
    expect(after('ArrowLeft', 'ArrowLeft')).toBe(0.4);
    expect(after('PageUp')).toBe(0.8);
    expect(after('PageDown', 'PageDown')).toBe(0);
    expect(after('End')).toBe(1);
    one.told();
    expect(after('ArrowRight')).toBe(1);
    expect(one.told('change')).toEqual([]);
    expect(after('Home')).toBe(0);
    expect(one.told('change')).toEqual(['change loud value 0']);
    one.keys('ArrowUp');
    expect(one.input.focused).toBe('go');
  });

  test('a checkbox and a switch: Space turns them over', () => {
    const one = player().keys('Tab', 'Tab', 'Tab', ' ');
    expect([one.input.focused, one.live.values.get('captions')]).toEqual(['on', true]);
    expect(one.states('on')).toContain('checked');
    one.keys('Tab', ' ', 'Enter', 'Enter');
    expect([one.input.focused, one.live.values.get('quiet')]).toEqual(['quiet', false]);
  });

  test('tabs: one stop; arrows, Home and End show another, round the end', () => {
    const one = player();
    one.effects.push(...one.input.focus('map'));
    const after = (...keys: string[]) => [one.keys(...keys).input.focused, one.live.values.get('page')];
    expect(after('ArrowRight')).toEqual(['log', 'log']);
    expect(after('End')).toEqual(['bag', 'bag']);
    expect(after('ArrowRight')).toEqual(['map', 'map']);
    expect(after('ArrowLeft')).toEqual(['bag', 'bag']);
    expect(after('Home', 'ArrowRight')).toEqual(['log', 'log']);
    expect(after('Tab')).toEqual(['mid', 'log']);
    expect(after('Shift+Tab')).toEqual(['log', 'log']);
    expect(after('Shift+Tab')).toEqual(['name', 'log']);
  });

  test('a radio group: one stop, at the one that is chosen; arrows of both axes choose, round the end', () => {
    const one = player();
    one.effects.push(...one.input.focus('bag'));
    const after = (...keys: string[]) => [one.keys(...keys).input.focused, one.live.values.get('deep')];
    expect(one.states('mid')).toContain('selected');
    expect(after('Shift+Tab', 'Tab')).toEqual(['mid', 'mid']);
    expect(after('ArrowDown')).toEqual(['far', 'far']);
    expect(after('ArrowRight')).toEqual(['low', 'low']);
    expect(after('ArrowUp')).toEqual(['far', 'far']);
    expect([one.states('far'), one.states('mid')]).toEqual([['selected', 'focused'], []]);
    one.click('low');
    expect(one.live.values.get('deep')).toBe('low');
  });

  test('a list box: arrows choose up to its ends, Home and End, and what is chosen is scrolled into view', () => {
    const one = player();
    one.effects.push(...one.input.focus('note-b'));
    const after = (...keys: string[]) => [one.keys(...keys).input.focused, one.live.values.get('letter')];
    expect(one.states('note-b')).toContain('selected');
    expect(after('ArrowDown', 'ArrowDown')).toEqual(['note-d', 'note-d']);
    expect(after('ArrowDown')).toEqual(['note-d', 'note-d']);
    one.wait(1000);
    expect(one.live.scrolled('mail').y).toBe(60);
    expect(after('Home')).toEqual(['note-a', 'note-a']);
    expect(after('ArrowUp')).toEqual(['note-a', 'note-a']);
    expect(after('Tab')[0]).toBe('slot-wax');
    // An entry that comes before it does not change what is chosen.
    one.live.set({ notes: ['z', 'a', 'b'] });
    expect([one.states('note-a'), one.states('note-z')]).toEqual([['selected'], []]);
  });

  test('a dialog: it has the focus, keeps it, and Escape closes it', () => {
    const one = player().keys('Tab', 'Tab');
    one.live.set({ asks: true });
    one.wait(16);
    expect(one.input.focused).toBe('yes');
    expect(one.keys('Tab').input.focused).toBe('no');
    expect(one.keys('Tab').input.focused).toBe('yes');
    expect(one.keys('ArrowLeft').input.focused).toBe('yes');
    one.told();
    one.keys('Escape');
    expect([one.live.values.get('asks'), one.input.focused]).toEqual([false, 'loud']);
    expect(one.told('back', 'change', 'focus')).toEqual([
      'back sure',
      'change sure visible false',
      'focus loud',
    ]);
  });

  test('an entry of a repeat changes its entry in the list', () => {
    const one = player().click('slot-wax');
    expect(one.live.values.get('items')).toEqual([
      { id: 'wax', packed: true },
      { id: 'lamp', packed: true },
    ]);
    expect(one.effects.find(({ type }) => type === 'change')).toMatchObject({
      control: 'slot-wax',
      to: { name: 'items', index: 0, field: 'packed' },
    });
  });
});

describe('a textbox', () => {
  const typing = () => {
    const one = player();
    one.effects.push(...one.input.focus('name'));
    return one;
  };
  const text = (one: Player) => one.live.values.get('name');
  const caret = (one: Player) => one.live.widgets[one.live.indexOf('name')]!.caret;

  test('takes letters, deletes by letter and word, and moves and selects with Shift', () => {
    const one = typing().keys('I', 'd', 'a', ' ', 'W', 'o', 'l', 'f');
    expect([text(one), caret(one)]).toEqual(['Ida Wolf', { at: 8, from: 8 }]);
    one.keys('Backspace', 'ArrowLeft', 'Delete');
    expect([text(one), caret(one)]).toEqual(['Ida Wo', { at: 6, from: 6 }]);
    one.keys('Control+ArrowLeft');
    expect(caret(one)).toEqual({ at: 4, from: 4 });
    one.keys('Home', 'Shift+ArrowRight', 'Shift+ArrowRight');
    expect(caret(one)).toEqual({ at: 2, from: 0 });
    one.keys('A');
    expect([text(one), caret(one)]).toEqual(['Aa Wo', { at: 1, from: 1 }]);
    one.keys('Control+a', 'Delete');
    expect([text(one), caret(one)]).toEqual(['', { at: 0, from: 0 }]);
  });

  test('counts what a reader takes for one letter as one', () => {
    const one = typing();
    one.hear({ type: 'text', text: 'e\u0301👩‍🚀x' });
    one.keys('ArrowLeft', 'Backspace');
    expect(text(one)).toBe('e\u0301x');
    one.keys('Backspace');
    expect(text(one)).toBe('x');
  });

  test('copies and cuts what is selected, and what is pasted has one line', () => {
    const one = typing();
    one.hear({ type: 'text', text: 'two\nlines' });
    expect(text(one)).toBe('two lines');
    one.keys('Control+a', 'Control+c');
    expect(one.effects.find(({ type }) => type === 'copy')).toEqual({ type: 'copy', text: 'two lines' });
    one.keys('Control+x');
    expect(text(one)).toBe('');
  });

  test('follows a game that changes what it says, and submits by Enter', () => {
    const one = typing().keys('I', 'd', 'a');
    one.live.set({ name: 'I' });
    one.keys('b');
    expect(text(one)).toBe('Ib');
    one.told();
    one.keys('Enter');
    expect(one.told()).toEqual(['submit name']);
  });

  test('a pointer puts the caret between two letters and selects; pressing elsewhere ends it', () => {
    const one = typing().keys('W', 'W', 'W', 'W');
    const { y } = one.middle('name');
    const box = one.live.read('name', { x: 0, y: 0, width: 0, height: 0 });
    one.down(box.x + 1, y);
    expect(caret(one)).toEqual({ at: 0, from: 0 });
    one.move(box.x + 199, y).up(box.x + 199, y);
    expect(caret(one)).toEqual({ at: 4, from: 0 });
    one.down(700, 500).up(700, 500);
    expect([one.input.focused, caret(one), one.states('name')]).toEqual([undefined, undefined, []]);
  });

  test('shows that it has the focus whatever device gave it; a button only after keys and pads', () => {
    const one = player().click('name');
    expect(one.states('name')).toContain('focused');
    one.click('go');
    expect([one.input.focused, one.states('go')]).toEqual(['go', ['hover']]);
    one.keys('ArrowDown');
    expect([one.input.focused, one.states('loud'), one.states('go')]).toEqual(['loud', ['focused'], []]);
  });
});

describe('a divider with a name', () => {
  const parted = (more: WidgetSource, bar: WidgetSource = {}) =>
    new Player(
      documentOf(
        [
          {
            id: 'panes',
            arrange: 'row',
            size: 210,
            ...more,
            children: [
              { id: 'one' },
              { id: 'bar', kind: 'separator', label: 'Width', value: '{share}', size: 10, step: 0.1, ...bar },
              { id: 'other' },
            ],
          },
        ],
        { cases: { only: { share: 0.5 } } },
      ),
    ).keys('Tab');
  const share = ({ live }: Player) => live.values.get('share');

  test('goes by the keys of the ARIA window splitter, along its row or column', () => {
    const one = parted({});
    expect(one.input.focused).toBe('bar');
    expect(share(one.keys('ArrowRight'))).toBe(0.6);
    expect(share(one.keys('ArrowLeft', 'ArrowLeft'))).toBe(0.4);
    expect(share(one.keys('ArrowUp', 'ArrowDown'))).toBe(0.4);
    expect(share(one.keys('Home'))).toBe(0);
    expect(share(one.keys('End'))).toBe(1);
    expect(one.input.accessible()).toMatchObject([{ id: 'bar', role: 'separator', name: 'Width', value: 1 }]);
    const column = parted({ arrange: 'column' });
    expect(share(column.keys('ArrowDown', 'ArrowRight'))).toBe(0.6);
  });

  test('goes the way of the key, whichever way its row runs', () => {
    for (const more of [
      {},
      { reverse: true },
      { direction: 'rtl' },
      { direction: 'rtl', reverse: true },
    ] as const) {
      const one = parted(more);
      const { x } = one.middle('bar');
      one.keys('ArrowRight');
      expect([more, one.middle('bar').x > x]).toEqual([more, true]);
    }
  });

  test('one without a name takes no focus, and one that is disabled neither', () => {
    const nameless = new Player(
      documentOf([
        { arrange: 'row', size: 210, children: [{}, { kind: 'separator', value: 0.5, size: 10 }, {}] },
      ]),
    ).keys('Tab');
    expect(nameless.input.focused).toBeUndefined();
    expect(parted({}, { states: 'disabled' }).input.focused).toBeUndefined();
  });
});

describe('by a pointer', () => {
  test('a slider goes to where it is pressed and follows, a divider moves', () => {
    const one = player();
    const { y } = one.middle('loud');
    one.down(15, y);
    expect(one.live.values.get('loud')).toBe(0);
    one.move(100, y);
    expect(one.live.values.get('loud')).toBe(0.5);
    one.move(999, y).up(999, y);
    expect(one.live.values.get('loud')).toBe(1);
    const bar = one.middle('bar');
    one
      .down(bar.x, bar.y)
      .move(bar.x - 50, bar.y)
      .up(bar.x - 50, bar.y);
    expect(one.live.values.get('share')).toBe(0.25);
    expect(one.middle('bar').x).toBeCloseTo(bar.x - 50, 6);
  });

  test('where the game sets values itself, a change is told and nothing else', () => {
    const one = new Player(source, { width: 800, height: 600 }, { sets: false });
    one.click('on');
    expect(one.told('change')).toEqual(['change on checked true']);
    expect(one.live.values.get('captions')).toBe(false);
  });
});

describe('by a pad', () => {
  test('directions move, repeat while they are held, the lower button presses, the right one goes back', () => {
    const one = player().pad(13);
    expect([one.input.focused, one.input.device, one.states('go')]).toEqual(['go', 'pad', ['focused']]);
    one.hear({ type: 'pad-down', button: 13 });
    expect(one.input.focused).toBe('loud');
    one.wait(399);
    expect(one.input.focused).toBe('loud');
    one.wait(1);
    expect(one.input.focused).toBe('on');
    one.wait(90).wait(90);
    expect(one.input.focused).toBe('name');
    one.hear({ type: 'pad-up', button: 13 }).wait(1000);
    expect(one.input.focused).toBe('name');
    one.effects.push(...one.input.focus('on'));
    one.pad(0);
    expect(one.live.values.get('captions')).toBe(true);
    one.told();
    one.pad(1);
    expect(one.told('back')).toEqual(['back']);
  });

  test('a stick moves once past its dead zone, stays in its direction, and repeats', () => {
    const one = player().keys('Tab').keys('ArrowDown', 'ArrowDown');
    const stick = (x: number, y: number) => one.hear({ type: 'stick', stick: 'left', x, y }).input.focused;
    expect(stick(0, 0.3)).toBe('on');
    expect(stick(0.1, 0.9)).toBe('quiet');
    expect(stick(0.5, 0.6)).toBe('quiet');
    expect(stick(0, 0.4)).toBe('quiet');
    expect(stick(0, 0.2)).toBe('quiet');
    expect(stick(0, -0.8)).toBe('on');
    expect(one.wait(400).input.focused).toBe('loud');
    expect(stick(0, 0)).toBe('loud');
  });

  test('the upper shoulders turn tabs wherever the focus is', () => {
    const one = player().pad(13, 5);
    expect([one.input.focused, one.live.values.get('page')]).toEqual(['go', 'log']);
    one.pad(4, 4);
    expect(one.live.values.get('page')).toBe('bag');
  });
});

test('the device used last is told and may be a value; a mouse that is only jogged is not used', () => {
  const hints = documentOf(
    [{ id: 'hint', kind: 'text', text: '{device, select, pad {A} touch {tap} other {Enter}}' }],
    {
      cases: { only: { device: 'keys' } },
    },
  );
  const one = new Player(hints, { width: 200, height: 100 }, { deviceValue: 'device' });
  const hint = () => one.live.widgets[one.live.indexOf('hint')]!.text!.text;
  one.move(50, 50).pad(0);
  expect(hint()).toBe('A');
  one.move(52, 50);
  expect(one.input.device).toBe('pad');
  one.move(80, 50);
  expect([one.input.device, hint()]).toEqual(['mouse', 'Enter']);
  one.swipe([10, 10]);
  expect(hint()).toBe('tap');
  expect(one.told('device')).toEqual(['device mouse', 'device pad', 'device mouse', 'device touch']);
});

test('a value that something else bound to it cannot have is refused, and nothing has changed', () => {
  const one = new Player(
    documentOf(
      [
        { id: 'loud', kind: 'slider', value: '{loud}', size: [200, 30] },
        { id: 'grid', arrange: 'grid', columns: '{loud}', offset: '0 60', children: [{ size: 10 }] },
      ],
      { cases: { only: { loud: 1 } } },
    ),
  );
  one.down(100, 15);
  expect(one.told('change', 'refused')).toEqual(['change loud value 0.5', 'refused loud']);
  expect(one.live.values.get('loud')).toBe(1);
});

test('a value for the device that no case has is refused at once', () => {
  const make = () => new Player(documentOf([]), { width: 9, height: 9 }, { deviceValue: 'devise' });
  expect(make).toThrow('there is no value "devise"');
});
