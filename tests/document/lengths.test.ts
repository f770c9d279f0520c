import { describe, expect, test } from '@jest/globals';
import { readDocument, type WidgetSource } from 'pimbot';
import { documentOf, told } from '../support/views.ts';

describe('notations that are refused', () => {
  test.each<[string, Record<string, unknown>, string]>([
    [
      'a word for a length',
      { width: 'wide' },
      '"width" is a length such as 24 or "50% - 24", or content, or fill, not "wide"',
    ],
    ['a length without space round its sign after u', { width: '24-10' }, '"width" is'],
    ['an endless number', { width: 1e308 }, '"width" is a length, content or fill'],
    ['an anchor with two vertical words', { anchor: 'top bottom' }, '"anchor" is an anchor'],
    ['an anchor that ends before it starts', { anchor: 'right..left top' }, '"anchor" is an anchor'],
    ['three anchors', { anchor: 'left top top' }, '"anchor" is an anchor'],
    ['a pivot that is a span', { pivot: 'left..right' }, '"pivot" is a point'],
    [
      'an offset on a span',
      { anchor: 'left..right top', offset: 5 },
      'an offset does nothing on the horizontal axis',
    ],
    ['an inset without a span', { anchor: 'left top', inset: 5 }, 'an inset needs an anchor that is a span'],
    ['five sides', { margin: [1, 2, 3, 4, 5] }, '"margin" is one to four lengths'],
    ['a padding in shares', { padding: ['5%', '2% + 4'] }, ''],
    ['a repeat by a word', { repeat: 'many' }, '"repeat" is a whole number from 0 to 1000, or a value'],
    ['a repeat by a message', { repeat: '{n, plural, one {x}}' }, '"repeat" is a whole number from 0'],
    ['a margin in shares', { margin: '5%' }, '"margin" is one to four numbers of u'],
    [
      'a gap that is a text',
      { arrange: 'row', gap: 'wide' },
      '"gap" is one or two lengths in the order of CSS: between rows, then between columns, not "wide"',
    ],
    [
      'a value that is no single name',
      { kind: 'meter', value: '{a} of {b}' },
      '"value" is a number from 0 to 1, or one value',
    ],
    ['an anchor in a row', {}, ''],
  ])('%s', (_, widget, sentence) => {
    const found = told(readDocument(documentOf([{ id: 'it', ...widget }])));
    if (sentence === '') expect(found).toEqual([]);
    else expect(found.join('\n')).toContain(sentence);
  });

  test('an anchor does nothing in a row, and that is said', () => {
    const found = told(readDocument(documentOf([{ arrange: 'row', children: [{ anchor: 'right' }] }])));
    expect(found).toEqual([
      '/views/test/children/0/children/0/anchor: error: "anchor" does nothing here: the parent arranges its children in a row',
    ]);
  });

  test('a dialog that would stand in line is told of, one that lies over others is not', () => {
    const arranged = (arrange: NonNullable<WidgetSource['arrange']>) => [
      { arrange, children: [{ kind: 'dialog' as const }] },
    ];
    for (const arrange of ['row', 'column', 'wrap', 'grid'] as const)
      expect(told(readDocument(documentOf(arranged(arrange))))).toEqual([
        `/views/test/children/0/children/0/kind: warning: a dialog takes its place in the ${arrange} here, as its neighbours do: put it into a parent that arranges nothing`,
      ]);
    expect(told(readDocument(documentOf(arranged('free'))))).toEqual([]);
    expect(told(readDocument(documentOf(arranged('layers'))))).toEqual([]);
  });
});
