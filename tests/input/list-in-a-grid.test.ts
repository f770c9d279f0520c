import { expect, test } from '@jest/globals';
import { LiveView, ViewInput } from 'pimbot';
import { documentOf, opened } from '../support/views.ts';

/* A list box whose entries stand in a grid: arrows go where entries lie, and what has the focus is chosen. */

/** Presses keys from a control on; each tells what has the focus then, and what is chosen. */
function keysFrom(live: LiveView, start: string) {
  const input = new ViewInput(live);
  input.focus(start);
  return (key: string) => {
    input.hear({ type: 'key-down', key });
    input.hear({ type: 'key-up', key });
    return [input.focused, live.values.get('picked')];
  };
}

function held(arrange: 'grid' | 'wrap' | 'column') {
  const live = new LiveView(
    opened(
      documentOf(
        [
          {
            id: 'hold',
            kind: 'listbox',
            arrange,
            ...(arrange === 'grid' && { columns: 3 }),
            width: 90,
            selection: '{picked}',
            children: [{ id: 'ware', repeat: 8, kind: 'button', size: 30 }],
          },
          { id: 'sell', kind: 'button', size: 30, anchor: 'right top' },
        ],
        { cases: { only: { picked: 'ware-1' } } },
      ),
    ),
    { width: 400, height: 300 },
  );
  return { press: keysFrom(live, 'ware-1') };
}

test.each(['grid', 'wrap'] as const)('in a %s', (arrange) => {
  const { press } = held(arrange);
  expect(press('ArrowRight')).toEqual(['ware-2', 'ware-2']);
  expect(press('ArrowDown')).toEqual(['ware-5', 'ware-5']);
  expect(press('ArrowDown')).toEqual(['ware-8', 'ware-8']);
  expect(press('ArrowLeft')).toEqual(['ware-7', 'ware-7']);
  expect(press('ArrowUp')).toEqual(['ware-4', 'ware-4']);
  expect(press('End')).toEqual(['ware-8', 'ware-8']);
  expect(press('Home')).toEqual(['ware-1', 'ware-1']);
  // Past its edge it is left, and keeps what is chosen.
  press('ArrowRight');
  expect(press('ArrowRight')).toEqual(['ware-3', 'ware-3']);
  expect(press('ArrowRight')).toEqual(['sell', 'ware-3']);
  expect(press('ArrowLeft')).toEqual(['ware-3', 'ware-3']);
});

test('in a column they go along it, up to its ends', () => {
  const { press } = held('column');
  expect(press('ArrowDown')).toEqual(['ware-2', 'ware-2']);
  expect(press('ArrowUp')).toEqual(['ware-1', 'ware-1']);
  expect(press('ArrowUp')).toEqual(['ware-1', 'ware-1']);
  expect(press('ArrowRight')).toEqual(['sell', 'ware-1']);
});

test('where they stand anywhere, what lies that way among them comes before what is beside the list', () => {
  const at = (id: string, x: number, y: number) =>
    ({ id, kind: 'button', size: 30, offset: [x, y] }) as const;
  const live = new LiveView(
    opened(
      documentOf(
        [
          {
            id: 'ports',
            kind: 'listbox',
            arrange: 'free',
            anchor: 'left..right top..bottom',
            selection: '{picked}',
            children: [at('kelp', 20, 100), at('shoal', 120, 40), at('reef', 90, 200)],
          },
          at('zoom', 300, 100),
        ],
        { cases: { only: { picked: 'kelp' } } },
      ),
    ),
    { width: 400, height: 300 },
  );
  const press = keysFrom(live, 'kelp');
  expect(press('ArrowRight')).toEqual(['shoal', 'shoal']);
  expect(press('ArrowDown')).toEqual(['reef', 'reef']);
  expect(press('ArrowLeft')).toEqual(['kelp', 'kelp']);
  press('ArrowRight');
  // Where none of them lies that way it is left.
  expect(press('ArrowRight')).toEqual(['zoom', 'shoal']);
});
