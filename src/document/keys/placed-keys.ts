import { readAspect, readLength, readPivot, readSize, readSizePair, readHitArea } from '../lengths.ts';
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
import { referenceKeys } from '../schema-screens.ts';
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
    schema: { ...name, description: 'Unique in the view.' },
    binds: 'fixed',
    onScreens: false,
    touches: 'structure',
  },
  'kind': {
    schema: { ...choice(kinds), description: 'panel if left out.' },
    onScreens: false,
    touches: 'structure',
  },
  'style': {
    schema: { ...names, description: 'One or more named styles; later ones win.' },
    touches: 'size',
  },
  'look': {
    schema: { $ref: '#/$defs/look', description: 'Changes of the look of this widget alone.' },
    touches: 'size',
  },
  'states': {
    schema: {
      type: ['string', 'array'],
      items: choice(states),
      maxItems: 6,
      title: `a state or a list of them: ${states.join(', ')}`,
      description: 'The states it is in.',
    },
    touches: 'size',
  },
  'tint': {
    schema: { type: 'string', title: 'a colour', description: "Short for the look's color." },
    touches: 'paint',
  },
  'anchor': {
    schema: {
      ...places,
      title: 'an anchor such as "right bottom", "left..right top" or "25% center"',
      description: 'The place in the parent this widget is tied to; a..b stretches it between two places.',
    },
    touches: 'place',
  },
  'pivot': {
    schema: {
      ...places,
      title: 'a point such as "right bottom", "center" or "0.5 1"',
      description: 'The point of the widget that is put at the anchor; follows the anchor if left out.',
    },
    read: readPivot,
    expected: 'a point such as "right bottom", "center" or "0.5 1"',
    touches: 'place',
  },
  'offset': {
    schema: {
      ...lengths(2, 'one or two lengths such as -24 or "-24 12"'),
      description: 'From anchor to pivot.',
    },
    touches: 'place',
  },
  'inset': {
    schema: {
      ...lengths(4, `the distances kept from a span: start and end, or ${oneToFour}`, true),
      description: 'Distance from each end of an anchor that is a span.',
    },
    touches: 'place',
  },
  'area': {
    schema: {
      ...choice(['safe', 'full']),
      description: 'full: a child of the view that may reach under notches and into overscan.',
    },
    touches: 'structure',
  },
  'size': {
    schema: { ...sizes, description: 'Width and height.' },
    read: readSizePair,
    expected: 'one or two sizes',
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
      description: "In a grid or layers, instead of the parent's justify.",
    },
    touches: 'place',
  },
  'aspect': {
    schema: {
      type: ['number', 'string'],
      title: 'a ratio such as 1.5 or "16/9"',
      description: 'Width divided by height.',
    },
    read: readAspect,
    expected: 'a ratio from 0.0001 to 10000 such as 1.5 or "16/9"',
    touches: 'size',
  },
  'anchor-to': {
    schema: {
      type: 'string',
      title: 'the id of a widget',
      description: 'Anchored to that widget, not to the parent.',
    },
    touches: 'structure',
  },
  'z': {
    schema: {
      type: 'integer',
      minimum: -10000,
      maximum: 10000,
      title: 'a whole number',
      description: 'Drawing order among siblings.',
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
      title: 'a reference',
      additionalProperties: false,
      minProperties: 1,
      properties: referenceKeys,
      description: 'Another scaling for this widget and all that is in it: pixel art in a smooth view.',
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
      description: 'true: not there at all, takes no room.',
    },
    touches: 'structure',
  },
  'scroll': {
    schema: { ...choice(['x', 'y', 'both']), description: 'A viewport over larger content.' },
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
  'align-self': {
    schema: { ...choice(alignments), description: "Instead of the parent's align." },
    touches: 'place',
  },
  'overflow': {
    schema: {
      ...choice(['visible', 'clip']),
      description:
        'Said: children may reach out of this widget (and are cut off with clip). Unsaid: they should not.',
    },
    kinds: containerKinds,
    touches: 'paint',
  },
  'may-overlap': {
    schema: {
      type: ['boolean', 'array'],
      items: { type: 'string' },
      title: 'true or a list of ids',
      description: 'Widgets this one is meant to overlap; true for any.',
    },
    touches: 'structure',
  },
  'accept': {
    schema: {
      type: 'object',
      title: 'a map of checks and reasons',
      additionalProperties: { type: 'string', pattern: '\\S', title: 'a reason' },
      minProperties: 1,
      description:
        'Findings of this widget and what is in it that are meant, by check, each with the reason why.',
    },
    touches: 'structure',
  },
  'visible': {
    schema: {
      ...flag,
      description: 'false: keeps its place, is not drawn.',
    },
    touches: 'paint',
  },
  'pointer-events': {
    schema: {
      ...choice(['auto', 'none']),
      description:
        'none: it and what is in it take no input; what lies under it does. auto again for something in it.',
    },
    touches: 'paint',
  },
  'hit-area': {
    schema: {
      type: 'string',
      title: 'box, ellipse, picture, or picture with a threshold such as "picture 0.2"',
      description:
        'Where it takes input: in its box (if left out), the ellipse in it, or where its picture is more opaque than the threshold, 0.5 if left out.',
    },
    read: readHitArea,
    expected: 'box, ellipse, picture, or picture with a threshold such as "picture 0.2"',
    touches: 'paint',
  },
} as const satisfies { readonly [key: string]: KeyRow };
