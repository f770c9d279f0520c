import { describe, expect, test } from '@jest/globals';
import {
  LiveView,
  drawLayout,
  makeScreen,
  readDocument,
  type DrawOperation,
  type State,
  type ViewLayout,
  type WidgetSource,
} from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { documentOf, fonts, laidOut, numbers, opened, told } from '../support/views.ts';

type Box = Extract<DrawOperation, { type: 'box' }>;

const boxesOf = (on: ViewLayout, id: string): Box[] =>
  drawLayout(on, { backdrop: null }).operations.filter(
    (one): one is Box => one.type === 'box' && one.widget === on.indexOf(id),
  );
const rectsOf = (on: ViewLayout, id: string) =>
  boxesOf(on, id).map(({ rect: { x, y, width, height } }) => [x, y, width, height]);

const background = '#204050';
const at = { anchor: 'left top', offset: '0 0' };

describe('a checkbox', () => {
  test('has a mark where it is checked, by a value of the case too', () => {
    const widgets: WidgetSource[] = [
      { id: 'on', kind: 'checkbox', checked: true },
      { id: 'off', kind: 'checkbox', checked: false },
      { id: 'by', kind: 'checkbox', checked: '{captions}' },
      { id: 'state', kind: 'checkbox', states: 'checked' },
    ];
    const on = opened(documentOf(widgets, { cases: { only: { captions: true } } })).layoutOn({
      width: 300,
      height: 200,
    });
    const marked = drawLayout(on).operations.flatMap((one) =>
      one.type === 'path' ? [on.widgets[one.widget]!.id] : [],
    );
    expect(marked).toEqual(['on', 'by', 'state']);
  });

  test('is as large as its letters would be, with its padding', () => {
    const on = laidOut([{ id: 'c', kind: 'checkbox', look: { 'font-size': 30, 'padding': 5 } }]);
    expect(numbers(on, 'c').slice(2)).toEqual([40, 40]);
  });
});

describe('a switch', () => {
  test('of which nothing is said but its colours has an eighth of its height round its handle', () => {
    const bare = { kind: 'switch', size: '64 32', look: { background }, ...at } as const;
    const on = laidOut([
      { id: 'off', ...bare },
      { id: 'on', ...bare, checked: true },
    ]);
    expect(rectsOf(on, 'off')).toEqual([
      [0, 0, 64, 32],
      [4, 4, 24, 24],
    ]);
    expect(rectsOf(on, 'on')[1]).toEqual([36, 4, 24, 24]);
  });

  const look = { background, 'padding': 4, 'font-size': 32, 'radius': 40 };

  test('has its handle where lines start, and where they end when it is on', () => {
    const on = laidOut([
      { id: 'off', kind: 'switch', look, ...at },
      { id: 'on', kind: 'switch', look, checked: true, ...at },
      { id: 'rtl', kind: 'switch', look, checked: true, direction: 'rtl', ...at },
    ]);
    expect(rectsOf(on, 'off')[1]).toEqual([4, 4, 32, 32]);
    expect(rectsOf(on, 'on')[1]).toEqual([36, 4, 32, 32]);
    expect(rectsOf(on, 'rtl')[1]).toEqual([4, 4, 32, 32]);
  });
});

describe('a slider', () => {
  test('of which nothing is said but its colours has a handle as high as itself and a track a third as high, in the middle', () => {
    const on = laidOut([{ id: 's', kind: 'slider', value: 0.5, look: { background }, ...at }]);
    expect(numbers(on, 's').slice(2)).toEqual([160, 24]);
    expect(rectsOf(on, 's')).toEqual([
      [0, 8, 160, 8],
      [0, 8, 80, 8],
      [68, 0, 24, 24],
    ]);
    // Padding beside it alone keeps it so.
    const beside = laidOut([
      { id: 's', kind: 'slider', value: 0, size: '100 30', look: { background, padding: '0 10' }, ...at },
    ]);
    expect(rectsOf(beside, 's')[0]).toEqual([10, 10, 80, 10]);
  });

  const look = { background, 'padding': '8 0', 'color': '#fc6', 'handle-color': '#fff' };
  const slider = (more: Partial<WidgetSource>) =>
    laidOut([{ id: 's', kind: 'slider', look, size: '200 24', ...at, ...more }]);

  test('has a track in its padding, filled up to the handle', () => {
    const [track, filled, handle] = boxesOf(slider({ value: 0.25 }), 's');
    expect(track!.rect).toEqual({ x: 0, y: 8, width: 200, height: 8 });
    expect(filled!.rect).toEqual({ x: 0, y: 8, width: 56, height: 8 });
    expect(handle!.rect).toEqual({ x: 44, y: 0, width: 24, height: 24 });
    expect([filled!.fill, handle!.fill]).toMatchObject([{ color: { b: 0.4 } }, { color: { b: 1 } }]);
  });

  test.each([
    [0, 'ltr', 0],
    [1, 'ltr', 176],
    [0, 'rtl', 176],
    [1, 'rtl', 0],
  ] as const)('of %s, written %s: the handle stands at %s', (value, direction, x) => {
    expect(boxesOf(slider({ value, direction }), 's').at(-1)!.rect.x).toBe(x);
  });
});

describe('a textbox', () => {
  const box = (more: Partial<WidgetSource>, values = {}) =>
    opened(
      documentOf([{ id: 't', kind: 'textbox', width: 200, placeholder: 'Your name', ...more }], {
        cases: { only: values },
      }),
    );
  const screen = { width: 300, height: 200 };

  test('says its placeholder, fainter, while it is empty', () => {
    const seen = (view: ReturnType<typeof box>) => {
      const { text, look } = view.layoutOn(screen).widgets[1]!;
      return [text!.text, look.color.a];
    };
    expect(seen(box({ text: 'Ida' }))).toEqual(['Ida', 1]);
    expect(seen(box({ text: '' }))).toEqual(['Your name', 0.75]);
    expect(seen(box({}))).toEqual(['Your name', 0.75]);
    expect(seen(box({ text: '{name}' }, { name: '' }))).toEqual(['Your name', 0.75]);
  });

  test('follows what a player types', () => {
    const live = new LiveView(box({ text: '{name}' }, { name: '' }), screen);
    const words = () => live.widgets[1]!.text!.text;
    expect(words()).toBe('Your name');
    live.set({ name: 'I' });
    expect([words(), live.widgets[1]!.look.color.a]).toEqual(['I', 1]);
    live.set({ name: '' });
    expect([words(), live.widgets[1]!.look.color.a]).toEqual(['Your name', 0.75]);
  });

  test('has a caret after its text while it has the focus, before its placeholder', () => {
    const caret = (more: Partial<WidgetSource>) => {
      const on = box({ states: 'focused', ...at, ...more }).layoutOn(screen);
      return { x: boxesOf(on, 't')[0]!.rect.x, widest: on.widgets[1]!.text!.widest };
    };
    const typed = caret({ text: 'Ida' });
    // What is typed starts 8 u off the edge, where no padding is said.
    expect(typed.x).toBeCloseTo(typed.widest + 8, 3);
    expect(caret({ text: '' }).x).toBe(8);
    expect(caret({ text: '', padding: 3 }).x).toBe(3);
    expect(caret({ text: '', width: 200 }).x).toBe(8);
    expect(boxesOf(box({ text: 'Ida' }).layoutOn(screen), 't')).toEqual([]);
  });
});

describe('tabs', () => {
  const tabs = (page: string | undefined, children: WidgetSource[]): WidgetSource => ({
    id: 'tabs',
    kind: 'tabs',
    ...(page !== undefined && { page }),
    children,
  });
  const buttons: WidgetSource[] = [
    { id: 'one', kind: 'button', text: 'One' },
    { id: 'two', kind: 'button', text: 'Two', controls: 'second' },
  ];
  const selected = (page: string | undefined, values = {}) => {
    const view = opened(documentOf([tabs(page, buttons)], { cases: { only: values } }));
    return view
      .layoutOn({ width: 300, height: 200 })
      .widgets.filter(({ states }) => states.includes('selected'))
      .map(({ id }) => id);
  };

  test('stand in a row; the first is selected, or the one that is said', () => {
    const on = laidOut([tabs(undefined, buttons)]);
    expect(on.rect('two').x).toBe(on.rect('one').width);
    expect(selected(undefined)).toEqual(['one']);
    expect(selected('one')).toEqual(['one']);
    expect(selected('second')).toEqual(['two']);
    expect(selected('{tab}', { tab: 'second' })).toEqual(['two']);
  });

  test('a page that no tab is for is refused', () => {
    expect(told(readDocument(documentOf([tabs('secnd', buttons)])))[0]).toContain(
      'there is no page "secnd"; did you mean "second"?',
    );
  });
});

describe('a dialog', () => {
  const dialog: WidgetSource = {
    id: 'ask',
    kind: 'dialog',
    size: '200 100',
    look: { background: '#fff', color: '#000', veil: '#000000cc' },
    children: [{ id: 'question', kind: 'text', text: 'Leave?', look: { 'font-size': 32 } }],
  };
  const behind: WidgetSource = {
    id: 'faint',
    kind: 'text',
    text: 'Depth',
    anchor: 'center',
    look: { 'color': '#333', 'font-size': 32 },
  };
  const screen = makeScreen({ width: 800, height: 600, density: 96, distance: 600 });
  const found = (children: WidgetSource[]) => {
    const { document } = readDocument(documentOf(children, {}, { backdrop: '#222' }));
    return checkDocument(document!, { resources: { fonts }, screens: [screen] }).findings.map(
      ({ check, widget }) => `${check} ${widget}`,
    );
  };

  test('stands in the middle, over a veil on the whole screen', () => {
    const on = laidOut([dialog], { width: 800, height: 600 });
    expect(numbers(on, 'ask')).toEqual([300, 250, 200, 100]);
    expect(rectsOf(on, 'ask')).toEqual([
      [0, 0, 800, 600],
      [300, 250, 200, 100],
    ]);
  });

  test('may lie over anything, and what is behind it need not be read', () => {
    expect(found([behind])).toEqual(['low-contrast faint']);
    expect(found([behind, dialog])).toEqual([]);
    expect(found([dialog, { ...behind, anchor: 'left top' }])).toEqual(['low-contrast faint']);
    expect(found([behind, { ...dialog, visible: false }])).toEqual(['low-contrast faint']);
  });

  test('its own words stand on its veil where it has no background', () => {
    const bare = { ...dialog, look: { color: '#fff', veil: '#000000cc' } };
    expect(found([bare])).toEqual([]);
    expect(found([{ ...bare, look: { color: '#fff', veil: '#ffffffee' } }])).toEqual([
      'low-contrast question',
    ]);
  });
});

describe('a tooltip', () => {
  test('is as large as its text and lies over others', () => {
    const tip: WidgetSource = {
      id: 'tip',
      kind: 'tooltip',
      text: 'A hint',
      look: { padding: '4 8', background: '#fff', color: '#000' },
    };
    const on = laidOut([{ id: 'under', size: 100, look: { background } }, tip]);
    const { text } = on.widgets[2]!;
    expect(numbers(on, 'tip').slice(2)).toEqual([text!.widest + 16, 38]);
    const { document } = readDocument(
      documentOf([{ id: 'under', size: 100, look: { background } }, tip], {}, { backdrop: '#000' }),
    );
    const screen = makeScreen({ width: 800, height: 600, density: 96, distance: 600 });
    expect(checkDocument(document!, { resources: { fonts }, screens: [screen] }).findings).toEqual([]);
  });
});

describe('a meter', () => {
  const meter = (more: Partial<WidgetSource>) =>
    laidOut([
      { id: 'm', kind: 'meter', size: '100 10', look: { background, 'trail-color': '#f00' }, ...at, ...more },
    ]);

  test('shows where it was before, under where it is', () => {
    expect(rectsOf(meter({ value: 0.3, trail: 0.8 }), 'm').slice(1)).toEqual([
      [0, 0, 80, 10],
      [0, 0, 30, 10],
    ]);
    expect(rectsOf(meter({ value: 0.8, trail: 0.3 }), 'm')).toHaveLength(2);
    expect(rectsOf(meter({ value: 0.8 }), 'm')).toHaveLength(2);
  });

  test('follows both values', () => {
    const view = opened(
      documentOf([{ id: 'm', kind: 'meter', value: '{now}', trail: '{before}' }], {
        cases: { only: { now: 0.2, before: 0.6 } },
      }),
    );
    const live = new LiveView(view, { width: 300, height: 200 });
    live.set({ before: 0.4 });
    expect([live.widgets[1]!.value, live.widgets[1]!.trail]).toEqual([0.2, 0.4]);
    live.set({ now: 0.3 });
    expect([live.widgets[1]!.value, live.widgets[1]!.trail]).toEqual([0.3, 0.4]);
  });
});

describe('each kind in each of its states', () => {
  const states: readonly State[] = ['hover', 'focused', 'selected', 'checked', 'pressed', 'disabled'];
  const kinds = ['button', 'checkbox', 'switch', 'slider', 'textbox'] as const;

  test.each(kinds.flatMap((kind) => states.map((state) => [kind, state] as const)))(
    '%s, %s',
    (kind, state) => {
      const document = documentOf([{ id: 'w', kind, states: state }], {
        kinds: { [kind]: { background: '#111', states: { [state]: { background: '#abc' } } } },
      });
      const view = opened(document);
      expect(view.layoutOn({ width: 300, height: 200 }).widgets[1]!.look.background).toMatchObject({
        color: { g: 0xbb / 255 },
      });
    },
  );
});
