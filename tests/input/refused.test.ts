import { expect, test } from '@jest/globals';
import { LiveView, ViewInput, type InputEvent } from 'pimbot';
import { opened } from '../support/views.ts';

const view = () =>
  new LiveView(
    opened({
      pimbot: 1,
      cases: { only: { rows: [1, 2, 3, 4, 5, 6] } },
      views: {
        test: {
          children: [
            {
              id: 'list',
              scroll: 'y',
              arrange: 'column',
              size: [200, 200],
              children: [{ id: 'row', repeat: '{rows}', kind: 'button', size: [180, 80] }],
            },
          ],
        },
      },
    }),
    { width: 800, height: 600 },
  );

const events: readonly InputEvent[] = [
  ...(['move', 'down', 'up', 'out', 'cancel'] as const).map(
    (type) => ({ type, pointer: 1, device: 'mouse', x: 60, y: 90 }) as const,
  ),
  { type: 'wheel', x: 60, y: 60, deltaX: 0, deltaY: 30 },
  { type: 'stick', stick: 'right', x: 0.5, y: 0.9 },
  { type: 'time', ms: 16 },
];

test('an event with a number that is none is refused, and those after it are heard as if it had not been', () => {
  const after: InputEvent[] = [
    { type: 'move', pointer: 1, device: 'mouse', x: 60, y: 20 },
    { type: 'up', pointer: 1, device: 'mouse', x: 60, y: 20 },
    { type: 'time', ms: 400 },
  ];
  const played = (wrong?: InputEvent) => {
    const live = view();
    const input = new ViewInput(live);
    input.hear({ type: 'down', pointer: 1, device: 'mouse', x: 60, y: 60 });
    if (wrong) expect(() => input.hear(wrong)).toThrow(RangeError);
    const effects = after.map((event) => input.hear(event));
    return JSON.stringify([effects, live.widgets.map(({ id }) => [id, live.now.on.rect(id)])]);
  };
  const right = played();
  let tried = 0;
  for (const event of events)
    for (const [key, value] of Object.entries(event))
      for (const wrong of [NaN, Infinity, -Infinity])
        if (typeof value === 'number') {
          tried++;
          expect(played({ ...event, [key]: wrong })).toBe(right);
        }
  expect(tried).toBeGreaterThan(40);
});

test('an event there is not, and a widget the view never has', () => {
  const input = new ViewInput(view());
  expect(() => input.hear({ type: 'pointerdown' } as unknown as InputEvent)).toThrow(
    'there is no input event "pointerdown"',
  );
  const wheel = { type: 'wheel', x: 60, y: 60, dx: 0, dy: 20 } as unknown as InputEvent;
  expect(() => input.hear(wheel)).toThrow('the input event "wheel" needs deltaX, a number');
  expect(() => input.hear({ type: 'time', ms: '20' } as unknown as InputEvent)).toThrow('needs ms, a number');
  for (const call of ['focus', 'enter', 'scrollTo', 'letGo'] as const) {
    expect(() => input[call]('lst')).toThrow('there is no widget "lst"; did you mean "list"?');
    // An entry that may come is none yet.
    expect(input[call]('row-9')).toEqual([]);
  }
  expect(input.focus(undefined)).toEqual([]);
  expect(() => input.listen('lst', () => undefined)).toThrow('there is no widget "lst"');
  for (const widget of ['', 'list', 'row-9'])
    expect(typeof input.listen(widget, () => undefined)).toBe('function');
});

test('a setting there is not', () => {
  const live = view();
  expect(() => {
    live.show({ hudSizes: 2 } as object);
  }).toThrow('there is no setting "hudSizes"; did you mean "hudSize"?');
  expect(() => {
    live.show({ case: 'only' } as object);
  }).toThrow('there is no setting "case"');
  expect(live.occasion).toMatchObject({ hudSize: 1 });
});
