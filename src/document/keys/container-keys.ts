import { readColumns, readGap, readSides, readTrack } from '../lengths.ts';
import { alignments, arrangements, focusScopes, justifications, type ContainerSource } from '../model.ts';
import { choice, flag, lengths, oneToFour } from '../schema-parts.ts';
import { containerKinds, type KeyRow } from './key-row.ts';

const oneOrTwoGaps = 'one or two lengths in the order of CSS: between rows, then between columns';

/** What views have too. */
export const containerKeys = {
  'arrange': {
    schema: {
      ...choice(arrangements),
    },
    kinds: containerKinds,
    touches: 'structure',
  },
  'padding': { schema: lengths(4, oneToFour), read: readSides, expected: oneToFour, touches: 'size' },
  'reverse': {
    schema: {
      type: 'boolean',
      title: 'true or false',
    },
    kinds: containerKinds,
    touches: 'place',
  },
  'columns': {
    schema: {
      type: ['integer', 'string', 'array'],
      items: { type: ['number', 'string'] },
      minItems: 1,
      maxItems: 100,
      title: 'a number of columns, their sizes, or "auto 120"',
    },
    read: readColumns,
    expected: 'a number of columns, their sizes such as "120 content fill 2", or "auto 120"',
    kinds: containerKinds,
    touches: 'size',
  },
  'rows': {
    schema: {
      type: ['number', 'string'],
      title: 'a number of u, content or fill',
    },
    read: readTrack,
    expected: 'the height of each row: a number of u, content or fill',
    kinds: containerKinds,
    touches: 'size',
  },
  'page': {
    schema: { type: 'string', title: 'the id of a child' },
    kinds: ['panel', 'tabs'],
    refers: true,
    touches: 'structure',
  },
  'selection': {
    schema: {
      type: 'string',
      title: 'the id of a child',
    },
    kinds: ['radiogroup', 'listbox'],
    refers: true,
    touches: 'structure',
  },
  'direction': {
    schema: { ...choice(['ltr', 'rtl']) },
    touches: 'structure',
  },
  'gap': {
    schema: lengths(2, oneOrTwoGaps),
    read: readGap,
    expected: oneOrTwoGaps,
    kinds: containerKinds,
    touches: 'size',
  },
  'align': {
    schema: { ...choice(alignments) },
    kinds: containerKinds,
    touches: 'place',
  },
  'justify': {
    schema: { ...choice(justifications) },
    kinds: containerKinds,
    touches: 'place',
  },
  'focus-order': {
    schema: {
      type: 'array',
      items: { type: 'string', title: 'the id of a widget' },
      minItems: 1,
      maxItems: 1000,
      title: 'a list of ids',
    },
    kinds: containerKinds,
    refers: true,
    touches: 'structure',
  },
  'focus-scope': {
    schema: {
      ...choice(focusScopes),
    },
    kinds: containerKinds,
    touches: 'paint',
  },
  'focus-wrap': {
    schema: { ...flag },
    kinds: containerKinds,
    touches: 'paint',
  },
  'children': {
    schema: { type: 'array', items: { $ref: '#/$defs/widget' }, title: 'a list of widgets' },
    kinds: containerKinds,
    binds: 'fixed',
    onScreens: false,
    touches: 'structure',
  },
} as const satisfies { readonly [Key in keyof ContainerSource]-?: KeyRow };
