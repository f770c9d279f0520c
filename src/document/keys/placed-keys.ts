import { idNotation } from '../ids.ts';
import {
  readAnchor,
  readAspect,
  readHitArea,
  readInset,
  readLength,
  readLengthPair,
  readPivot,
  readSize,
  readSizePair,
} from '../lengths.ts';
import { alignments, kinds, states } from '../model.ts';
import {
  choice,
  flag,
  length,
  lengths,
  name,
  names,
  oneToFour,
  places,
  size,
  sizes,
} from '../schema-parts.ts';
import {
  plainSides,
  containerKinds,
  readPlainPair,
  readPlainSides,
  scrollingKinds,
  type KeyRow,
} from './key-row.ts';

/** What a widget is, where it stands and how large it is. */
export const placedKeys = {
  'id': {
    schema: { ...name, pattern: idNotation },
    binds: 'fixed',
    onScreens: false,
    touches: 'structure',
  },
  'kind': {
    schema: { ...choice(kinds) },
    onScreens: false,
    touches: 'structure',
  },
  'style': {
    schema: { ...names },
    touches: 'size',
  },
  'look': {
    schema: { $ref: '#/$defs/look' },
    touches: 'size',
  },
  'states': {
    schema: {
      type: ['string', 'array'],
      items: choice(states),
      maxItems: 6,
      title: `a state or a list of them: ${states.join(', ')}`,
    },
    touches: 'size',
  },
  'tint': {
    schema: { type: 'string', title: 'a colour' },
    touches: 'paint',
  },
  'anchor': {
    schema: {
      ...places,
      title: 'an anchor such as "right bottom", "left..right top" or "25% center"',
    },
    // Which spans may cross follows from what it is anchored to.
    read: (value) => readAnchor(value, true),
    touches: 'place',
  },
  'pivot': {
    schema: {
      ...places,
      title: 'a point such as "right bottom", "center" or "0.5 1"',
    },
    read: readPivot,
    touches: 'place',
  },
  'offset': {
    schema: {
      ...lengths(2, 'one or two lengths such as -24 or "-24 12"'),
    },
    read: readLengthPair,
    touches: 'place',
  },
  'inset': {
    schema: {
      ...lengths(4, `the distances kept from a span: start and end, or ${oneToFour}`, true),
    },
    read: (value) => readInset(value, { x: true, y: true }),
    touches: 'place',
  },
  'area': {
    schema: {
      ...choice(['safe', 'full', 'bleed']),
    },
    touches: 'structure',
  },
  'size': {
    schema: { ...sizes },
    read: readSizePair,
    expected: 'one or two sizes, such as "fill 64"',
    touches: 'size',
  },
  'width': { schema: size, read: readSize, expected: 'a length, content or fill', touches: 'size' },
  'height': { schema: size, read: readSize, expected: 'a length, content or fill', touches: 'size' },
  'min-width': { schema: length, read: readLength, expected: 'a length', touches: 'size' },
  'max-width': { schema: length, read: readLength, expected: 'a length', touches: 'size' },
  'min-height': { schema: length, read: readLength, expected: 'a length', touches: 'size' },
  'max-height': { schema: length, read: readLength, expected: 'a length', touches: 'size' },
  'margin': { schema: lengths(4, oneToFour), read: readPlainSides, expected: plainSides, touches: 'size' },
  'justify-self': {
    schema: {
      ...choice(alignments),
    },
    touches: 'place',
  },
  'aspect': {
    schema: {
      type: ['number', 'string'],
      title: 'a ratio such as 1.5 or "16/9"',
    },
    read: readAspect,
    expected: 'a ratio from 0.0001 to 10000 such as 1.5 or "16/9"',
    touches: 'size',
  },
  'anchor-to': {
    schema: {
      type: 'string',
      title: 'the id of a widget, or of two such as "map..radio"',
    },
    refers: true,
    touches: 'structure',
  },
  'z': {
    schema: {
      type: 'integer',
      minimum: -10000,
      maximum: 10000,
      title: 'a whole number',
    },
    touches: 'paint',
  },
  'rotate': {
    schema: { type: 'number', minimum: -3600, maximum: 3600, title: 'a number of degrees' },
    touches: 'paint',
  },
  'skew': {
    schema: {
      type: ['number', 'string', 'array'],
      items: { type: 'number' },
      minItems: 1,
      maxItems: 2,
      title: 'one or two numbers of degrees',
    },
    read: readPlainPair,
    expected: 'one or two numbers',
    touches: 'paint',
  },
  'reference': {
    schema: {
      type: 'object',
      title: 'a map such as { size: 640x360 }',
      minProperties: 1,
    },
    touches: 'structure',
  },
  'column-span': {
    schema: { type: 'integer', minimum: 1, maximum: 100, title: 'a whole number from 1 to 100' },
    touches: 'size',
  },
  'row-span': {
    schema: { type: 'integer', minimum: 1, maximum: 100, title: 'a whole number from 1 to 100' },
    touches: 'size',
  },
  'gone': {
    schema: {
      ...flag,
    },
    touches: 'structure',
  },
  'scroll': {
    schema: { ...choice(['x', 'y', 'both']) },
    kinds: scrollingKinds,
    touches: 'place',
  },
  'scroll-offset': {
    schema: lengths(2, 'one or two numbers of u'),
    read: readPlainPair,
    expected: 'one or two numbers',
    kinds: scrollingKinds,
    touches: 'place',
  },
  'scroll-snap': {
    schema: { ...choice(['start', 'center', 'end']) },
    kinds: scrollingKinds,
    touches: 'paint',
  },
  'align-self': {
    schema: { ...choice(alignments) },
    touches: 'place',
  },
  'overflow': {
    schema: {
      ...choice(['visible', 'clip']),
    },
    kinds: containerKinds,
    touches: 'paint',
  },
  'may-overlap': {
    schema: {
      type: ['boolean', 'array'],
      items: { type: 'string' },
      title: 'true or a list of ids',
    },
    refers: true,
    touches: 'structure',
  },
  'accept': {
    schema: {
      type: 'object',
      title: 'a map of checks and reasons',
      additionalProperties: { type: 'string', pattern: '\\S', title: 'a reason' },
      minProperties: 1,
    },
    touches: 'structure',
  },
  'visible': {
    schema: {
      ...flag,
    },
    touches: 'paint',
  },
  'pointer-events': {
    schema: {
      ...choice(['auto', 'none']),
    },
    touches: 'paint',
  },
  'hit-area': {
    schema: {
      type: 'string',
      title: 'box, ellipse, picture, or picture with a threshold such as "picture 0.2"',
    },
    read: readHitArea,
    expected: 'box, ellipse, picture, or picture with a threshold such as "picture 0.2"',
    touches: 'paint',
  },
} as const satisfies { readonly [key: string]: KeyRow };
