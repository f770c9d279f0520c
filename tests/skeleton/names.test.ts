import { describe, expect, test } from '@jest/globals';
import { LiveView, readDocument, type WidgetSource } from 'pimbot';
import { documentOf, laidOut, opened, told } from '../support/views.ts';

const row = (more: WidgetSource = {}): WidgetSource => ({
  id: 'row',
  repeat: '{rows}',
  key: 'id',
  arrange: 'row',
  children: [
    { 'id': 'take', 'kind': 'button', 'size': 20, 'nav-right': 'drop', 'nav-left': 'close' },
    { id: 'drop', kind: 'button', size: 20, ...more },
  ],
});
const cases = { only: { rows: [{ id: 'wax' }, { id: 'lamp' }] } };
const close: WidgetSource = { id: 'close', kind: 'button', size: 20 };

describe('ids in the entries of a repeat', () => {
  test('start with that of the entry, and so do the names of each other; other names stay', () => {
    const on = laidOut([row(), close], undefined, { cases });
    expect(on.widgets.map(({ id }) => id)).toEqual([
      'test',
      'row-wax',
      'row-wax.take',
      'row-wax.drop',
      'row-lamp',
      'row-lamp.take',
      'row-lamp.drop',
      'close',
    ]);
    const { source } = on.widgets[on.indexOf('row-lamp.take')]!;
    expect(source).toMatchObject({ 'nav-right': 'row-lamp.drop', 'nav-left': 'close' });
  });

  test('in components, too', () => {
    const components = { bag: { children: [row(), close] } };
    const on = laidOut([{ id: 'bag', use: 'bag' }], undefined, { cases, components });
    expect(on.find('bag.row-wax.drop')).toBeDefined();
    const { source } = on.widgets[on.indexOf('bag.row-lamp.take')]!;
    expect(source).toMatchObject({ 'nav-right': 'bag.row-lamp.drop', 'nav-left': 'bag.close' });
  });

  test('tell one entry from another: a state of one is not that of the others', () => {
    const live = new LiveView(opened(documentOf([row(), close], { cases })), { width: 200, height: 200 });
    live.setStates('row-wax.take', ['hover']);
    const states = (id: string) => live.widgets[live.indexOf(id)]!.states;
    expect([states('row-wax.take'), states('row-lamp.take')]).toEqual([['hover'], []]);
  });

  test('are what others name them by: another name is refused, with the one that is meant', () => {
    const wrong = told(readDocument(documentOf([row(), { ...close, 'nav-left': 'drop' }], { cases })));
    expect(wrong.join('\n')).toContain('there is no widget "drop"; did you mean "row-1.drop"?');
    const promise = { widget: 'take', visible: true } as const;
    const promised = told(readDocument(documentOf([row(), close], { cases }, { expect: [promise] })));
    expect(promised.join('\n')).toContain('did you mean "row-1.take"?');
    const right = documentOf(
      [row({ 'nav-down': 'row-lamp.drop' }), { ...close, 'nav-left': 'row-wax.take' }],
      { cases },
    );
    expect(told(readDocument(right))).toEqual([]);
    const unknown = told(readDocument(documentOf([row(), { ...close, 'nav-left': 'rows-wax' }], { cases })));
    expect(unknown.join('\n')).toContain('there is no widget "rows-wax"');
  });
});
