import { readColumns, readGap, readTrack } from '../lengths.ts';
import { alignments, arrangements, focusScopes, justifications, type ContainerSource } from '../model.ts';
import { choice, flag, lengths, oneToFour } from '../schema-parts.ts';
import { plainSides, containerKinds, readPlainSides, type KeyRow } from './key-row.ts';

/** What views have too. */
export const containerKeys = {
  'arrange': {
    schema: {
      ...choice(arrangements),
      description: 'How the children are placed: free means by their anchors.',
    },
    kinds: containerKinds,
    touches: 'structure',
  },
  'padding': { schema: lengths(4, oneToFour), read: readPlainSides, expected: plainSides, touches: 'size' },
  'reverse': {
    schema: {
      type: 'boolean',
      title: 'true or false',
      description: 'Children follow each other from the far end.',
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
      description:
        'Of a grid: 3, "120 content fill 2", "auto 120" (as many as fit) or "auto 120.." (sharing the room).',
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
      description: "The height of a grid's rows.",
    },
    read: readTrack,
    expected: 'a number of u, content or fill',
    kinds: containerKinds,
    touches: 'size',
  },
  'page': {
    schema: { type: 'string', title: 'the id of a child', description: 'Of pages: the child that is shown.' },
    kinds: ['panel', 'tabs'],
    touches: 'structure',
  },
  'selection': {
    schema: {
      type: 'string',
      title: 'the id of a child',
      description: 'Of a radio group or list box: the child that is chosen.',
    },
    kinds: ['radiogroup', 'listbox'],
    touches: 'structure',
  },
  'direction': {
    schema: { ...choice(['ltr', 'rtl']), description: 'The writing direction: what start and end mean.' },
    touches: 'structure',
  },
  'gap': {
    schema: {
      type: ['number', 'string', 'array'],
      items: { type: 'number' },
      minItems: 1,
      maxItems: 2,
      title: 'one or two numbers of u',
      description: 'Between children; two numbers: between rows, then between columns, as in CSS.',
    },
    read: readGap,
    expected: 'one or two numbers of u',
    kinds: containerKinds,
    touches: 'size',
  },
  'align': {
    schema: { ...choice(alignments), description: 'Across a row or column, as align-items in CSS.' },
    kinds: containerKinds,
    touches: 'place',
  },
  'justify': {
    schema: { ...choice(justifications), description: 'Along a row or column, as justify-content in CSS.' },
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
      description: 'The controls in it, in the order the focus visits them.',
    },
    kinds: containerKinds,
    touches: 'structure',
  },
  'focus-scope': {
    schema: {
      ...choice(focusScopes),
      description:
        'closed: moving the focus does not leave it, as in a dialog. open: the focus looks in it first, and comes back to where it was.',
    },
    kinds: containerKinds,
    touches: 'paint',
  },
  'focus-wrap': {
    schema: { ...flag, description: 'Past its end the focus goes on at its other end.' },
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
