import { describe, expect, test } from '@jest/globals';
import { makeScreen, readDocument } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import type { WidgetSource } from 'pimbot';
import { documentOf, fonts } from '../support/views.ts';

const plate = { background: '#204050' };

/** Check and widget of each finding on a screen of 1000 × 800. */
function found(children: readonly WidgetSource[]): string[] {
  const { document, diagnostics } = readDocument(documentOf(children, {}, { backdrop: '#000' }));
  if (!document) throw new Error(JSON.stringify(diagnostics[0]));
  const screens = [makeScreen({ width: 1000, height: 800 })];
  return checkDocument(document, { resources: { fonts }, screens }).findings.map(
    ({ check, widget }) => `${check} ${widget}`,
  );
}

describe('checks see what is drawn', () => {
  test('a turned widget is as wide as it is seen', () => {
    const bar: WidgetSource = { id: 'bar', look: plate, anchor: 'left top', offset: 10, size: '20 300' };
    expect(found([bar])).toEqual([]);
    expect(found([{ ...bar, pivot: 'center', offset: '20 160', rotate: 90 }])).toEqual(['off-screen bar']);
    expect(found([{ ...bar, size: '300 20', offset: '400 300', rotate: 45 }])).toEqual([]);
  });

  test('what is in a list that is turned is cut off where that is turned to', () => {
    const ware: WidgetSource = { id: 'ware', look: plate, anchor: 'right top', size: '60 20' };
    const list: WidgetSource = {
      id: 'list',
      anchor: 'left top',
      pivot: 'left top',
      offset: '500 600',
      size: '300 20',
      overflow: 'clip',
      rotate: 90,
      children: [ware],
    };
    const other: WidgetSource = { id: 'other', look: plate, offset: '740 600', size: '60 20' };
    // It stands at the end of the list, which is below the screen, and no more where the list would be if it were not turned.
    expect(found([list, other])).toEqual(['off-screen ware']);
    expect(found([{ ...list, rotate: 0 }, other])).toEqual(['overlap ware']);
  });

  test.each([0, 90, 30, -8])(
    'what is turned together lies beside each other as if it were not: by %d',
    (rotate) => {
      const ware = (id: string, more: object): WidgetSource => ({
        id,
        kind: 'button',
        text: id,
        look: { ...plate, color: '#ffffff' },
        ...more,
      });
      const panel = (more: WidgetSource): WidgetSource => ({
        id: 'panel',
        anchor: 'left top',
        pivot: 'center',
        offset: '500 400',
        size: '300 200',
        rotate,
        ...more,
      });
      const told = (more: WidgetSource) =>
        found([panel(more)]).filter((one) => /^(?:overlap|covered|dimmed-text|hidden-more)/.test(one));
      const row = ['Wax', 'Tar', 'Oil'].map((id) => ware(id, { height: 40, width: 'fill' }));
      expect(told({ arrange: 'column', gap: 6, children: row })).toEqual([]);
      const frame: WidgetSource = {
        id: 'frame',
        anchor: 'center',
        size: '280 180',
        look: { border: '4 #ffffff' },
      };
      expect(told({ children: [frame, ware('in', { anchor: 'center', size: '264 164' })] })).toEqual([]);
      expect(told({ children: [frame, ware('in', { anchor: 'center', size: '264 178' })] })).toEqual([
        'overlap frame',
      ]);
      const over = ware('over', { anchor: 'left top', size: '100 60' });
      expect(told({ children: [ware('under', { anchor: 'left top', size: '100 80' }), over] })).toEqual([
        'overlap under',
        'covered under',
      ]);
      const list = {
        scroll: 'y',
        arrange: 'column',
        gap: 6,
        children: [...row, ...row.map((one) => ({ ...one, id: `${one.id}2` }))],
      };
      expect(told(list as WidgetSource)).toEqual([]);
    },
  );

  test('a turned widget overlaps what it is turned onto', () => {
    const other: WidgetSource = { id: 'other', look: plate, offset: '300 100', size: 50 };
    const arm: WidgetSource = {
      id: 'arm',
      look: plate,
      anchor: 'left top',
      pivot: 'left top',
      offset: '310 300',
      size: '300 20',
    };
    expect(found([other, arm])).toEqual([]);
    expect(found([other, { ...arm, rotate: -90 }])).toEqual(['overlap other']);
  });

  test('what is scrolled out of sight is neither cut nor in the way', () => {
    const text = (name: string): WidgetSource => ({
      id: name,
      kind: 'text',
      text: 'A letter with a red seal',
    });
    expect(
      found([
        {
          id: 'list',
          size: '400 70',
          scroll: 'y',
          arrange: 'column',
          children: [text('a'), text('b'), text('c'), text('d')],
        },
        { id: 'under', look: plate, offset: '0 75', size: '400 60' },
      ]),
    ).toEqual([]);
  });

  test('but a list beside the screen is off it', () => {
    expect(
      found([{ id: 'list', offset: '900 0', size: '400 70', look: plate, scroll: 'y', children: [] }]),
    ).toEqual(['off-screen list']);
  });

  test('a page that is not shown is not looked at', () => {
    const wide: WidgetSource = {
      id: 'two',
      look: plate,
      size: '90 50',
      children: [{ look: plate, anchor: 'left top', offset: 80, size: 50 }],
    };
    expect(
      found([{ arrange: 'pages', page: 'one', children: [{ id: 'one', look: plate, size: '90 50' }, wide] }]),
    ).toEqual([]);
    expect(
      found([{ arrange: 'pages', page: 'two', children: [{ id: 'one', look: plate, size: '90 50' }, wide] }]),
    ).toEqual(['bursts-parent two.panel-1', 'bursts-parent two.panel-1']);
  });

  test('a widget anchored to another may stand on its corner only where that is asked for', () => {
    const dialog: WidgetSource = { id: 'dialog', look: plate, anchor: 'center', size: 300 };
    const close: WidgetSource = {
      'id': 'close',
      'anchor-to': 'dialog',
      'anchor': 'right top',
      'pivot': 'center',
      'look': plate,
      'size': 30,
    };
    expect(found([dialog, close])).toEqual(['overlap dialog']);
    expect(found([dialog, { ...close, 'may-overlap': ['dialog'] }])).toEqual([]);
  });
});
