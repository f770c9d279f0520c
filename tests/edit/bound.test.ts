import { describe, expect, test } from '@jest/globals';
import { openView, readDocument } from 'pimbot';
import { perform, type Act } from 'pimbot/tools';
import { fonts } from '../support/views.ts';

const text = `pimbot: 1
cases: { one: { w: 40, h: 50, öl: 7 } }
views:
  v:
    children:
      - { id: a, anchor: left top, offset: ["{w}", 4], size: 30 }
      - { id: b, offset: ["10% - 4", "{h}"], width: "{h}", height: 20 }
      - id: c
        offset:
          - 10 # first
          # and second
          - 20
        size: 30
      - id: e
        anchor: left..right top
        inset:
          left: 3
          right: 4

        height: 30
      - { id: f, offset: ["{öl}", "{h / 2}"], size: 30 }
      - { id: g, size: 30, rotate: "{w}" }
      - id: d
        kind: text
        text: |
          Two # lines
          of words
        look:
          padding:
            - 4
`;

/** The lines that an act writes, or why it is not made. */
function after(act: Act): string {
  const { document } = readDocument(text);
  const view = openView(document!, 'v', { resources: { fonts } });
  const before = text.split('\n');
  try {
    const lines = perform(document!, view, act).text.split('\n');
    return lines.filter((line) => !before.includes(line)).join('\n');
  } catch (error) {
    expect((error as Error).name).toBe('EditError');
    return (error as Error).message;
  }
}

describe('what a change writes over', () => {
  const follows = (what: string, value: string) =>
    `the ${what} follows a value, ${value}, and would follow it no more: change the value, or write the key by hand`;

  test.each<[string, Act, string]>([
    ['an angle too', { do: 'rotate', widget: 'g', degrees: 30 }, follows('rotate of "g"', '{w}')],
    [
      'what follows a value stays, where it need not move',
      { do: 'move', widgets: ['a'], x: 0, y: 3 },
      '      - { id: a, anchor: left top, offset: ["{w}", 7], size: 30 }',
    ],
    [
      'also beside what moves',
      { do: 'move', widgets: ['b'], x: 5, y: 0 },
      '      - { id: b, offset: ["10% + 1", "{h}"], width: "{h}", height: 20 }',
    ],
    ['and is not made a number', { do: 'move', widgets: ['a'], x: 5, y: 3 }, follows('offset of "a"', '{w}')],
    [
      'whatever the value is called',
      { do: 'move', widgets: ['f'], x: 5, y: 0 },
      follows('offset of "f"', '{öl}'),
    ],
    ['or worked out', { do: 'move', widgets: ['f'], x: 0, y: 5 }, follows('offset of "f"', '{h / 2}')],
    [
      'nor by another size',
      { do: 'resize', widget: 'b', edges: { right: 9 } },
      follows('width of "b"', '{h}'),
    ],
    ['nor by another anchor', { do: 'anchor', widget: 'a', to: 'center' }, follows('offset of "a"', '{w}')],
    ['nor as a share', { do: 'lengths', widget: 'a', into: 'shares' }, follows('offset of "a"', '{w}')],
    ['nor in a container', { do: 'wrap', widgets: ['a'], id: 'z' }, follows('offset of "a"', '["{w}",4]')],
    [
      'but by whoever says so',
      { do: 'set', widget: 'a', key: 'offset', value: [1, 2] },
      '      - { id: a, anchor: left top, offset: [1, 2], size: 30 }',
    ],
    [
      'entries on lines of their own become one line, with their comments',
      { do: 'move', widgets: ['c'], x: 5, y: 3 },
      '        offset: [15, 23] # first # and second',
    ],
    ['so do keys', { do: 'set', widget: 'e', key: 'inset', value: 9 }, '        inset: 9'],
    [
      'and a text of several lines',
      { do: 'set', widget: 'd', key: 'text', value: 'One' },
      '        text: One',
    ],
    [
      'and the last thing there is',
      { do: 'set', widget: 'd', key: 'look/padding', value: 9 },
      '          padding: 9',
    ],
  ])('%s', (_, act, expected) => {
    expect(after(act)).toBe(expected);
  });
});
