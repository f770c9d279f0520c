import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { makeScreen, readDocument, screens, type WidgetSource } from 'pimbot';
import { checkDocument } from 'pimbot/tools';
import { seedOf } from '../support/deep.ts';
import { Player } from '../support/player.ts';
import { documentOf, fonts, opened } from '../support/views.ts';

const tip = (more: WidgetSource = {}): WidgetSource => ({
  id: 'tip',
  kind: 'tooltip',
  anchor: 'left top',
  offset: ['{tip-x}', '{tip-y}'],
  visible: '{tells}',
  size: [120, 40],
  margin: 8,
  ...more,
});
const cases = { only: { 'tells': false, 'tip-x': 0, 'tip-y': 0 } };
const key = (more: WidgetSource): WidgetSource => ({
  id: 'dive',
  kind: 'button',
  size: [60, 40],
  tooltip: 'tip',
  ...more,
});

const rectOf = (one: Player, id: string) => one.live.read(id, { x: 0, y: 0, width: 0, height: 0 });
const rest = (one: Player) => one.wait(1).wait(500);
const pointed = (one: Player, id: string) => one.move(one.middle(id).x, one.middle(id).y);

const seen = ({ live }: Player) => live.widgets[live.indexOf('tip')]!.visible;

describe('a tooltip that a control names', () => {
  test('comes to who rests on it, beside the control, and goes with the pointer', () => {
    const one = new Player(documentOf([key({ anchor: 'center' }), tip()], { cases }), {
      width: 1920,
      height: 1080,
    });
    expect(seen(one)).toBe(false);
    pointed(one, 'dive').wait(1).wait(499);
    expect(seen(one)).toBe(false);
    one.wait(1);
    expect(seen(one)).toBe(true);
    const [button, shown] = [rectOf(one, 'dive'), rectOf(one, 'tip')];
    expect(shown).toMatchObject({ x: button.x - 30, y: button.y - 48, width: 120 });
    one.move(10, 10).wait(16);
    expect(seen(one)).toBe(false);
  });

  test('follows what it says, and where its control goes, while it is shown', () => {
    const grown = { ...cases.only, wide: 120, at: 0 };
    const one = new Player(
      documentOf([key({ anchor: 'center', offset: ['{at}', 0] }), tip({ size: ['{wide}', 40] })], {
        cases: { only: grown },
      }),
      { width: 1920, height: 1080 },
    );
    rest(pointed(one, 'dive'));
    one.live.set({ wide: 300, at: 20 });
    one.wait(16);
    const middle = (id: string) => rectOf(one, id).x + rectOf(one, id).width / 2;
    expect(middle('tip')).toBeCloseTo(middle('dive'), 2);
  });

  test('stands at the pointer, clear of it, where it says so', () => {
    const one = new Player(
      documentOf([key({ anchor: 'center', size: [600, 400] }), tip({ at: 'pointer', side: 'bottom' })], {
        cases,
      }),
    );
    const { x, y } = rectOf(one, 'dive');
    rest(one.move(x + 250, y + 50));
    const shown = rectOf(one, 'tip');
    expect(shown.y).toBeGreaterThan(y + 50 + 8);
    expect(shown.x + shown.width / 2).toBeCloseTo(x + 250.5, 1);
  });

  test('is shown to a finger that stays, above what it hides, and goes with it', () => {
    const one = new Player(documentOf([key({ anchor: 'center' }), tip()], { cases }), {
      width: 1920,
      height: 1080,
      density: 160,
    });
    const { x, y } = rectOf(one, 'dive');
    const finger = { pointer: 1, device: 'touch', x: x + 30, y: y + 20 } as const;
    one.hear({ type: 'down', ...finger }).wait(600);
    expect(seen(one)).toBe(true);
    // A finger hides 8 mm around where it presses.
    expect(rectOf(one, 'tip').y + rectOf(one, 'tip').height).toBeLessThan(y + 20 - (8 * 160) / 25.4);
    one.hear({ type: 'up', ...finger });
    expect(seen(one)).toBe(false);
    // What was held to be read is not clicked.
    expect(one.told('click')).toEqual([]);
    one
      .hear({ type: 'down', ...finger })
      .wait(100)
      .hear({ type: 'up', ...finger });
    expect([one.told('click').length, seen(one)]).toEqual([1, false]);
  });

  test('is that of all controls in a container, of the nearest one that names one, and of keys as of pointers', () => {
    const named: WidgetSource = {
      id: 'row',
      arrange: 'row',
      gap: 10,
      anchor: 'center',
      tooltip: 'tip',
      children: [
        { id: 'a', kind: 'button', size: 60 },
        { id: 'b', kind: 'button', size: 60, tooltip: 'other' },
      ],
    };
    const other = tip({ id: 'other', visible: '{tells-other}' });
    const one = new Player(
      documentOf([named, tip(), other], { cases: { only: { ...cases.only, 'tells-other': false } } }),
    );
    rest(one.keys('Tab'));
    expect([one.live.values.get('tells'), one.live.values.get('tells-other')]).toEqual([true, false]);
    rest(one.keys('ArrowRight'));
    expect([one.live.values.get('tells'), one.live.values.get('tells-other')]).toEqual([false, true]);
  });

  test('describes the one control that names it to screen readers; of one that is shared only the game knows', () => {
    const told = (more: readonly WidgetSource[]) =>
      new Player(documentOf([key({}), tip({ text: 'Goes down' }), ...more], { cases })).input
        .accessible()
        .map(({ id, description }) => [id, description]);
    expect(told([])).toEqual([['dive', 'Goes down']]);
    expect(told([{ id: 'rise', kind: 'button', size: 40, tooltip: 'tip' }])).toEqual([
      ['dive', undefined],
      ['rise', undefined],
    ]);
  });

  test('one that a game cannot show is refused where it is named', () => {
    const refused = (more: WidgetSource) => () =>
      opened(documentOf([key({}), { ...tip(), ...more }], { cases }));
    expect(refused({ visible: true })).toThrow('"tooltip" does something only with a widget of kind tooltip');
    expect(refused({ kind: 'panel' })).toThrow('kind tooltip');
    expect(refused({ offset: [0, 0] })).toThrow('kind tooltip');
    expect(refused({ id: 'hint' })).toThrow('there is no widget "tip"');
  });

  test('is not reported as never shown, though no case shows it', () => {
    const words = { text: 'Goes down' };
    const { document } = readDocument(documentOf([key({ anchor: 'center' }), tip(words)], { cases }));
    const { findings } = checkDocument(document!, { resources: { fonts }, screens });
    expect(findings.filter(({ widget }) => widget === 'tip').map(({ check }) => check)).toEqual([]);
  });

  test('wherever it is, the check finds it without room exactly where it has none in a game', () => {
    const number = (least: number, most: number) => fc.integer({ min: least, max: most });
    let cramped = 0;
    fc.assert(
      fc.property(
        // Half of them leave little room beside them.
        fc.oneof(
          fc.record({
            left: number(0, 900),
            top: number(0, 500),
            width: number(200, 900),
            height: number(150, 500),
          }),
          fc.record({
            left: number(0, 120),
            top: number(0, 80),
            width: number(800, 960),
            height: number(400, 540),
          }),
        ),
        fc.record({ width: number(60, 500), height: number(40, 400) }),
        fc.constantFrom('top' as const, 'bottom' as const, 'left' as const, 'right' as const),
        number(0, 60),
        ({ left, top, width, height }, size, side, notch) => {
          const screen = {
            width: 960,
            height: 540,
            safe: { top: 0, right: 0, bottom: 0, left: notch },
            name: 'window',
          };
          const document = documentOf(
            [
              key({
                anchor: 'left top',
                offset: [left, top],
                size: [Math.min(width, 960 - notch - left), Math.min(height, 540 - top)].map((u) =>
                  Math.max(20, u),
                ),
                area: 'full',
              }),
              tip({ size: [size.width, size.height], side, area: 'full' }),
            ],
            { cases, reference: { size: '960x540' } },
          );
          const one = new Player(document, screen);
          rest(one.keys('Tab'));
          const [control, shown] = [rectOf(one, 'dive'), rectOf(one, 'tip')];
          const clear =
            shown.x + shown.width + 7.99 <= control.x ||
            shown.x >= control.x + control.width + 7.99 ||
            shown.y + shown.height + 7.99 <= control.y ||
            shown.y >= control.y + control.height + 7.99;
          const isInside =
            shown.x >= notch + 7.99 &&
            shown.y >= 7.99 &&
            shown.x + shown.width <= 952.01 &&
            shown.y + shown.height <= 532.01;
          const { findings } = checkDocument(readDocument(document).document!, {
            resources: { fonts },
            screens: [makeScreen(screen)],
          });
          const isFound = findings.some(({ check }) => check === 'cramped-tooltip');
          if (isFound) cramped++;
          expect(!isFound).toBe(clear && isInside);
        },
      ),
      { numRuns: 150, seed: seedOf(18) },
    );
    expect(cramped).toBeGreaterThan(5);
    expect(cramped).toBeLessThan(145);
  });
});
