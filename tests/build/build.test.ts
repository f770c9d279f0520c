import { describe, expect, test } from '@jest/globals';
import { BuildError, readDocument } from 'pimbot';
import type { DocumentSource, WidgetSource } from 'pimbot';
import { documentOf, numbers, opened, told } from '../support/views.ts';

const cells = (count: number, size: WidgetSource = { size: 40 }): WidgetSource[] =>
  Array.from({ length: count }, (_, index) => ({ id: `c${index}`, ...size }));

describe('conditions', () => {
  const source = documentOf([
    {
      id: 'pair',
      arrange: 'row',
      children: cells(2),
      when: [
        { screen: { orientation: 'portrait' }, change: { arrange: 'column', gap: 5 } },
        { screen: { width: '..300', input: 'touch' }, change: { gap: 7 } },
      ],
    },
    { id: 'extra', size: 10, when: [{ screen: { height: '..200' }, change: { gone: true } }] },
  ]);

  test('change keys on the screens they hold on, later ones winning, and can be asked', () => {
    const view = opened(source);
    const wide = view.layoutOn({ width: 800, height: 400 });
    expect([numbers(wide, 'c1'), wide.tree.applied]).toEqual([[40, 0, 40, 40], []]);
    const upright = view.layoutOn({ width: 300, height: 600, inputs: ['touch'] });
    expect(numbers(upright, 'c1')).toEqual([0, 47, 40, 40]);
    expect(upright.tree.applied).toEqual(['/views/test/children/0/when/0', '/views/test/children/0/when/1']);
    const low = view.layoutOn({ width: 800, height: 200 });
    expect(low.widgets.map(({ id }) => id)).not.toContain('extra');
  });

  test('what cannot change is refused', () => {
    const found = told(
      readDocument(
        documentOf([{ when: [{ screen: { aspect: '1..' }, change: { id: 'b', width: 'wide' } }] }]),
      ),
    );
    expect(found.join('\n')).toContain('"width" is a length such as');
    expect(
      told(readDocument(documentOf([{ when: [{ screen: { aspect: '1..' }, change: { id: 'b' } }] }]))).join(
        '\n',
      ),
    ).toContain('"id" cannot change from screen to screen');
  });
});

describe('components', () => {
  const components: DocumentSource['components'] = {
    gauge: {
      params: {
        label: 'text',
        value: 'number',
        tint: { type: 'color', default: '#ffffff' },
        high: { type: 'length', default: 12 },
      },
      arrange: 'column',
      gap: 6,
      children: [
        { id: 'label', kind: 'text', text: '{label}!' },
        { id: 'bar', kind: 'meter', value: '{value}', height: '{high}', tint: '{tint}', width: 'fill' },
        { slot: true },
      ],
    },
    pair: {
      params: { first: 'text' },
      arrange: 'row',
      children: [
        { id: 'left', use: 'gauge', label: '{first}', value: 0.5 },
        { id: 'right', use: 'gauge', label: 'Air', value: '{air}' },
      ],
    },
  };
  const build = (
    children: WidgetSource[],
    cases: DocumentSource['cases'] = { a: { hull: 0.86, air: 0.3, names: ['Kelp', 'Reef'] } },
  ) => documentOf(children, { components, cases });

  test('parameters, values, children passed in, and changes of one instance', () => {
    const on = opened(
      build([
        {
          use: 'gauge',
          id: 'hull',
          label: 'Hull',
          value: '{hull}',
          width: 200,
          children: [{ id: 'extra', size: 9 }],
          set: { bar: { height: 30 } },
        },
      ]),
    ).layoutOn({ width: 900, height: 400 });
    expect(on.widgets.map(({ id }) => id)).toEqual(['test', 'hull', 'hull.label', 'hull.bar', 'extra']);
    expect(on.widgets[2]!.text!.text).toBe('Hull!');
    expect(on.widgets[3]!.value).toBe(0.86);
    expect(numbers(on, 'hull.bar')).toEqual([0, 36, 200, 30]);
    expect(numbers(on, 'extra')).toEqual([0, 72, 9, 9]);
  });

  test('components in components hand their parameters on', () => {
    const on = opened(build([{ use: 'pair', id: 'p', first: 'Depth {hull}' } as WidgetSource])).layoutOn({
      width: 900,
      height: 400,
    });
    expect(on.widgets.map(({ id }) => id)).toEqual([
      'test',
      'p',
      'p.left',
      'p.left.label',
      'p.left.bar',
      'p.right',
      'p.right.label',
      'p.right.bar',
    ]);
    expect(on.widgets[3]!.text!.text).toBe('Depth 0.86!');
    expect([on.widgets[4]!.value, on.widgets[7]!.value]).toEqual([0.5, 0.3]);
  });

  test('repeats by number and over data', () => {
    const on = opened(
      build([
        {
          arrange: 'row',
          children: [
            { id: 'slot', repeat: 3, size: 10 },
            { id: 'name', repeat: '{names}', kind: 'text', text: '{index} {item}' },
          ],
        },
      ]),
    ).layoutOn({ width: 900, height: 400 });
    expect(on.widgets.slice(2).map(({ id, text }) => [id, text?.text])).toEqual([
      ['slot-1', undefined],
      ['slot-2', undefined],
      ['slot-3', undefined],
      ['name-1', '1 Kelp'],
      ['name-2', '2 Reef'],
    ]);
  });

  test.each<[string, WidgetSource, string]>([
    ['an unknown component', { use: 'gage' }, 'there is no component "gage"; did you mean "gauge"?'],
    [
      'a parameter that is missing',
      { use: 'gauge', label: 'Hull' },
      'an instance of gauge needs the key "value"',
    ],
    [
      'one of another type',
      { use: 'gauge', label: 'Hull', value: 'high' },
      '"value" is a number, not "high"',
    ],
    [
      'one it does not have',
      { use: 'gauge', label: 'Hull', value: 1, tnt: '#fff' } as WidgetSource,
      'an instance of gauge has no key "tnt"; did you mean "tint"?',
    ],
    [
      'a change of nothing',
      { use: 'gauge', label: 'Hull', value: 1, set: { br: {} } },
      'there is no widget of gauge "br"; did you mean "bar"?',
    ],
  ])('%s is refused', (_, widget, sentence) => {
    expect(told(readDocument(build([widget]))).join('\n')).toContain(sentence);
  });

  test('recursion is refused with the chain', () => {
    const found = told(
      readDocument(
        documentOf([], { components: { a: { children: [{ use: 'b' }] }, b: { children: [{ use: 'a' }] } } }),
      ),
    );
    expect(found[0]).toContain('this component leads back to itself: a → b → a');
  });

  test('a length that a parameter turns out not to be is told in a sentence', () => {
    const source = build([{ use: 'gauge', label: 'Hull', value: 1, high: '{names}' } as WidgetSource]);
    expect(() => opened(source).layoutOn({ width: 9, height: 9 })).toThrow(BuildError);
  });
});
