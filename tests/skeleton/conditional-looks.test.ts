import { describe, expect, test } from '@jest/globals';
import { makeScreen, type WidgetSource } from 'pimbot';
import { Desk, inspect, whyLook } from 'pimbot/tools';
import { fonts, laidOut, rightDocument } from '../support/views.ts';

/* What a condition says of a look is said key by key, as what an instance changes in a component is. */

const upright = (look: object) => ({ screen: { orientation: 'portrait' }, change: { look } });
const wide = { width: 400, height: 300 };
const tall = { width: 300, height: 400 };

describe('a look on some screens', () => {
  const word: WidgetSource = {
    id: 'w',
    kind: 'text',
    text: 'Depth',
    look: { 'color': '#ff0000', 'font-size': 20 },
    when: [upright({ 'font-size': 40 }), upright({ 'letter-spacing': 2 })] as never,
  };

  test('keeps what the condition does not say', () => {
    const lookOn = (size: typeof wide) => {
      const on = laidOut([word], size);
      const { look } = on.widgets[on.indexOf('w')]!;
      return [look.color.r, look.fontSize, look.letterSpacing];
    };
    expect(lookOn(wide)).toEqual([1, 20, 0]);
    expect(lookOn(tall)).toEqual([1, 40, 2]);
  });

  test('each key is told where it is written, in reasons and beside the view', () => {
    const on = laidOut([word], tall);
    const places = Object.fromEntries(
      whyLook(on.tree, on.view.document.origin, on.indexOf('w')).map((one) => [one.key, one.from.pointer]),
    );
    const at = '/views/test/children/0';
    expect(places).toMatchObject({
      'color': `${at}/look/color`,
      'font-size': `${at}/when/0/change/look/font-size`,
      'letter-spacing': `${at}/when/1/change/look/letter-spacing`,
    });
    const rows = inspect(on.view.document, on, 'w').filter(({ key }) => key.startsWith('look/'));
    const row = (key: string) => rows.find((one) => one.key === `look/${key}`)!;
    expect([row('color').value, row('color').from]).toEqual(['#ff0000', undefined]);
    expect([row('font-size').value, row('font-size').from]).toEqual([40, 'condition']);
  });
});

describe('a key of a look is changed where it is said', () => {
  const text = (look: string) => `pimbot: 1
views:
  test:
    children:
      - { id: w, kind: text, text: Depth${look}, when: [{ screen: { orientation: portrait }, change: { look: { font-size: 40 } } }] }
`;
  const changed = (written: string, key: string, value: string | number) => {
    const desk = new Desk(rightDocument(written), { fonts }, { view: 'test', occasion: {} });
    const { text: after } = desk.perform({ do: 'set', widget: 'w', key, value }, makeScreen(tall));
    return after.split('\n')[4]!;
  };

  test.each([
    [
      'in the condition',
      'look/font-size',
      44,
      ', look: { color: red }',
      'look: { color: red }, when',
      'font-size: 44',
    ],
    [
      'beside it',
      'look/color',
      'blue',
      ', look: { color: red }',
      'look: { color: blue }, when',
      'font-size: 40',
    ],
    [
      'where nobody says it',
      'look/color',
      'blue',
      '',
      'look: { color: blue } }',
      '{ look: { font-size: 40 } }',
    ],
    [
      'where nobody says it of a look',
      'look/opacity',
      0.5,
      ', look: { color: red }',
      'look: { color: red, opacity: 0.5 }',
      '{ font-size: 40 }',
    ],
  ])('%s', (_, path, value, look, ...pieces) => {
    const line = changed(text(look), path, value);
    for (const piece of pieces) expect(line).toContain(piece);
  });
});

test('conditions of a component and of its instance each say keys of one look', () => {
  const on = laidOut([{ id: 'i', use: 'plate', when: [upright({ radius: 3 })] } as never], tall, {
    components: {
      plate: {
        look: { background: '#ff0000', opacity: 0.5, radius: 1 },
        when: [upright({ opacity: 0.75 })],
      },
    },
  } as never);
  const { look, origins } = on.widgets[on.indexOf('i')]!;
  expect([look.opacity, look.radius]).toEqual([0.75, expect.anything()]);
  expect(JSON.stringify(look.radius)).toContain('3');
  expect(origins.get('look/background')).toBe('/components/plate/look/background');
  expect(origins.get('look/opacity')).toBe('/components/plate/when/0/change/look/opacity');
});
