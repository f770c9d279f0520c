import { readPivot } from '../lengths.ts';
import { controlKinds, directions, fits, imageEdges, type Direction } from '../model.ts';
import { isTemplate } from '../templates.ts';
import { choice, flag, lengths, name, numberOrTemplate, places } from '../schema-parts.ts';
import { plainSides, pictureKinds, readPlainSides, textKinds, type KeyRow } from './key-row.ts';

const repeated = 'a whole number from 0 to 1000, or a value such as "{slots}"';

/** What a widget shows and says: words, pictures, meters, controls. */
export const shownKeys = {
  'text': {
    schema: {
      type: ['string', 'number'],
      title: 'a text',
    },
    kinds: textKinds,
    binds: 'shown',
    touches: 'size',
  },
  'wrap': {
    schema: {
      type: 'boolean',
      title: 'true or false',
    },
    kinds: textKinds,
    touches: 'size',
  },
  'max-lines': {
    schema: { type: 'integer', minimum: 1, maximum: 1000, title: 'a whole number from 1 to 1000' },
    kinds: textKinds,
    touches: 'size',
  },
  'ellipsis': {
    schema: {
      ...choice(['none', 'end', 'middle']),
    },
    kinds: textKinds,
    touches: 'size',
  },
  'least-font-size': {
    schema: {
      type: 'number',
      minimum: 1,
      maximum: 2000,
      title: 'a number of u from 1 to 2000',
    },
    kinds: textKinds,
    touches: 'size',
  },
  'image': {
    schema: { type: 'string', title: 'the name of a picture' },
    kinds: pictureKinds,
    touches: 'size',
  },
  'fit': {
    schema: { ...choice(fits) },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'image-position': {
    schema: {
      ...places,
      title: 'a point such as "left top", "center" or "0.5 1"',
    },
    read: readPivot,
    expected: 'a point such as "left top", "center" or "0.5 1"',
    kinds: pictureKinds,
    touches: 'paint',
  },
  'tile': {
    schema: {
      ...choice(['repeat', 'round', 'space']),
    },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'slice': {
    schema: {
      ...lengths(4, 'one to four numbers of px of the picture: top right bottom left'),
    },
    read: readPlainSides,
    expected: plainSides,
    kinds: pictureKinds,
    touches: 'paint',
  },
  'slice-edges': {
    schema: { ...choice(imageEdges) },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'slice-center': {
    schema: { ...choice(['fill', 'hollow']) },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'flip': { schema: choice(['x', 'y', 'both']), kinds: pictureKinds, touches: 'paint' },
  'image-rendering': {
    schema: { ...choice(['auto', 'pixelated']) },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'trail': {
    schema: numberOrTemplate('a number from 0 to 1 or a {value}'),
    kinds: ['meter'],
    binds: 'shown',
    touches: 'paint',
  },
  'checked': {
    schema: { ...flag },
    kinds: ['checkbox', 'switch'],
    touches: 'size',
  },
  'disabled': {
    schema: { ...flag },
    kinds: controlKinds,
    touches: 'size',
  },
  'controls': {
    schema: {
      type: 'string',
      title: 'the id of a page or widget',
    },
    refers: true,
    touches: 'paint',
  },
  'tooltip': {
    schema: { type: 'string', title: 'the id of a tooltip' },
    refers: true,
    touches: 'paint',
  },
  'side': {
    schema: { ...choice(['top', 'right', 'bottom', 'left']) },
    kinds: ['tooltip'],
    touches: 'paint',
  },
  'at': {
    schema: { ...choice(['control', 'pointer']) },
    kinds: ['tooltip'],
    touches: 'paint',
  },
  'shows-more': {
    schema: { ...choice(['top', 'right', 'bottom', 'left']) },
    kinds: ['panel', 'image', 'text'],
    touches: 'paint',
  },
  'hides-after': {
    schema: { type: 'number', minimum: 0, maximum: 60_000, title: 'a number of ms from 0 to 60000' },
    kinds: ['scrollbar'],
    touches: 'paint',
  },
  'autofocus': {
    schema: {
      ...flag,
    },
    kinds: [...controlKinds, 'separator'],
    touches: 'paint',
  },
  'draggable': {
    schema: {
      ...flag,
    },
    touches: 'paint',
  },
  'step': {
    schema: {
      type: 'number',
      minimum: 0.001,
      maximum: 1,
      title: 'a number from 0.001 to 1',
    },
    kinds: ['slider', 'separator'],
    touches: 'paint',
  },
  'label': {
    schema: {
      type: 'string',
      title: 'a text',
    },
    binds: 'shown',
    touches: 'paint',
  },
  'live': {
    schema: {
      ...choice(['off', 'polite', 'assertive']),
    },
    touches: 'paint',
  },
  'placeholder': {
    schema: { type: 'string', title: 'a text' },
    kinds: ['textbox'],
    binds: 'shown',
    touches: 'size',
  },
  'theme': {
    schema: {
      type: 'string',
      title: 'a name of themes',
    },
    touches: 'structure',
  },
  'value': {
    schema: numberOrTemplate('a number from 0 to 1 or a {value}'),
    kinds: ['meter', 'slider', 'separator'],
    binds: 'shown',
    touches: 'place',
  },
  'segments': {
    schema: { type: 'integer', minimum: 1, maximum: 200, title: 'a whole number from 1 to 200' },
    kinds: ['meter'],
    touches: 'paint',
  },
  'fill-from': {
    schema: choice(['left', 'right', 'top', 'bottom', 'clockwise', 'counterclockwise']),
    kinds: ['meter', 'slider'],
    // An upright slider is higher than wide.
    touches: 'size',
  },
  'ring': {
    schema: { type: 'number', minimum: 0.5, maximum: 10_000, title: 'a number of u from 0.5 on' },
    kinds: ['meter'],
    touches: 'paint',
  },
  'slot': {
    schema: {
      type: 'boolean',
      title: 'true or false',
    },
    binds: 'fixed',
    onScreens: false,
    touches: 'structure',
  },
  'repeat': {
    schema: {
      type: ['integer', 'string'],
      minimum: 0,
      maximum: 1000,
      title: repeated,
    },
    read: (value) => (typeof value === 'string' && !isTemplate(value) ? undefined : value),
    expected: repeated,
    binds: 'shown',
    onScreens: false,
    touches: 'structure',
  },
  'key': {
    schema: {
      ...name,
    },
    binds: 'fixed',
    onScreens: false,
    touches: 'structure',
  },
  'when': { schema: { $ref: '#/$defs/when' }, binds: 'fixed', onScreens: false, touches: 'structure' },
} as const satisfies { readonly [key: string]: KeyRow };

/** Where the focus of a pad or of keys goes, of controls. */
export const neighbourKeys = Object.fromEntries(
  directions.map((key) => [
    key,
    {
      schema: {
        type: 'string',
        title: 'the id of a widget',
      },
      kinds: [...controlKinds, 'separator'],
      refers: true,
      touches: 'structure',
    },
  ]),
) as unknown as { readonly [Key in Direction]: KeyRow };
