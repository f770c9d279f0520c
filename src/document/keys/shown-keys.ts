import { readPivot } from '../lengths.ts';
import { controlKinds, directions, fits, imageEdges, type Direction } from '../model.ts';
import { choice, flag, lengths, name, numberOrTemplate, places } from '../schema-parts.ts';
import { whenList } from '../schema-screens.ts';
import { plainSides, pictureKinds, readPlainSides, textKinds, type KeyRow } from './key-row.ts';

/** What a widget shows and says: words, pictures, meters, controls. */
export const shownKeys = {
  'text': {
    schema: {
      type: ['string', 'number'],
      title: 'a text',
      description: 'With {name} for a value of the case.',
    },
    kinds: textKinds,
    binds: 'shown',
    touches: 'size',
  },
  'wrap': {
    schema: {
      type: 'boolean',
      title: 'true or false',
      description: 'Whether lines break to fit; true if left out.',
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
      description: 'Where a text that does not fit its width or max-lines is shortened.',
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
      description: 'A text that does not fit is shrunk, down to this size.',
    },
    kinds: textKinds,
    touches: 'size',
  },
  'image': {
    schema: { type: 'string', title: 'the name of a picture', description: 'A name of pictures:.' },
    kinds: pictureKinds,
    touches: 'size',
  },
  'fit': {
    schema: { ...choice(fits), description: 'As object-fit in CSS.' },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'image-position': {
    schema: {
      ...places,
      title: 'a point such as "left top", "center" or "0.5 1"',
      description: 'As object-position in CSS; the middle if left out.',
    },
    read: readPivot,
    expected: 'a point such as "left top", "center" or "0.5 1"',
    kinds: pictureKinds,
    touches: 'paint',
  },
  'tile': {
    schema: {
      ...choice(['repeat', 'round', 'space']),
      description: 'The picture over and over: cut off at the end, resized to fit, or with gaps.',
    },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'slice': {
    schema: {
      ...lengths(4, 'one to four numbers of px of the picture: top right bottom left'),
      description: 'Cuts the picture into nine: corners keep their size, edges and middle fill the rest.',
    },
    read: readPlainSides,
    expected: plainSides,
    kinds: pictureKinds,
    touches: 'paint',
  },
  'slice-edges': {
    schema: { ...choice(imageEdges), description: 'How edges and middle fill; stretch if left out.' },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'slice-center': {
    schema: { ...choice(['fill', 'hollow']), description: 'hollow: the middle is not drawn.' },
    kinds: pictureKinds,
    touches: 'paint',
  },
  'flip': { schema: choice(['x', 'y', 'both']), kinds: pictureKinds, touches: 'paint' },
  'image-rendering': {
    schema: { ...choice(['auto', 'pixelated']), description: 'pixelated: pixels stay sharp.' },
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
    schema: { ...flag, description: 'Of a checkbox or switch.' },
    kinds: ['checkbox', 'switch'],
    touches: 'size',
  },
  'controls': {
    schema: {
      type: 'string',
      title: 'the id of a page or widget',
      description:
        'Of a button among tabs: the page it shows; of a scrollbar: the id of the widget it scrolls; as aria-controls.',
    },
    touches: 'paint',
  },
  'autofocus': {
    schema: {
      ...flag,
      description: 'It gets the focus first in the view, dialog or scope it is in, as in HTML.',
    },
    kinds: controlKinds,
    touches: 'paint',
  },
  'draggable': {
    schema: {
      ...flag,
      description: 'A pointer that drags takes it along, as in HTML; the game says what that does.',
    },
    touches: 'paint',
  },
  'step': {
    schema: {
      type: 'number',
      minimum: 0.001,
      maximum: 1,
      title: 'a number from 0.001 to 1',
      description: 'Its value is a multiple of this, and keys change it by it; 0.05 by keys if left out.',
    },
    kinds: ['slider'],
    touches: 'paint',
  },
  'label': {
    schema: {
      type: 'string',
      title: 'a text',
      description: 'What it is called for those who do not see it (ARIA, aria-label); its text if left out.',
    },
    binds: 'shown',
    touches: 'paint',
  },
  'live': {
    schema: {
      ...choice(['off', 'polite', 'assertive']),
      description: 'Whether a screen reader tells a change of it, and at once, as aria-live in ARIA.',
    },
    touches: 'paint',
  },
  'placeholder': {
    schema: { type: 'string', title: 'a text', description: 'What an empty textbox says.' },
    kinds: ['textbox'],
    binds: 'shown',
    touches: 'size',
  },
  'theme': {
    schema: {
      type: 'string',
      title: 'a name of themes',
      description: 'Another theme for this widget and all that is in it.',
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
    schema: choice(['left', 'right', 'top', 'bottom']),
    kinds: ['meter', 'slider'],
    touches: 'paint',
  },
  'slot': {
    schema: {
      type: 'boolean',
      title: 'true or false',
      description: 'Where the children given to an instance go.',
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
      title: 'a whole number from 0 to 1000, or a value such as "{slots}"',
      description: 'How often it is there, or the list of the case it is there for.',
    },
    binds: 'shown',
    onScreens: false,
    touches: 'structure',
  },
  'key': {
    schema: {
      ...name,
      description: 'Of a repeat over a list: the field its entries are told apart by, for their ids.',
    },
    binds: 'fixed',
    onScreens: false,
    touches: 'structure',
  },
  'when': { schema: whenList('#/$defs/widget'), binds: 'fixed', onScreens: false, touches: 'structure' },
} as const satisfies { readonly [key: string]: KeyRow };

/** Where the focus of a pad or of keys goes, of controls. */
export const neighbourKeys = Object.fromEntries(
  directions.map((key) => [
    key,
    {
      schema: {
        type: 'string',
        title: 'the id of a widget',
        description: `Where the focus goes ${key.slice('nav-'.length)} from here; the nearest control there if left out. As in CSS.`,
      },
      kinds: controlKinds,
      touches: 'structure',
    },
  ]),
) as unknown as { readonly [Key in Direction]: KeyRow };
