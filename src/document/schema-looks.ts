import { kinds, states } from './model.ts';
import { choice, lengths, name, names, numberOrTemplate, oneToFour, orTemplate } from './schema-parts.ts';

/* What the schemas of documents and of themes say of looks and themes. */

export const lookSchema = {
  'background': {
    type: 'string',
    description: 'A CSS colour, $token, linear-gradient(…) or radial-gradient(…).',
    title: 'a colour or a gradient',
  },
  'color': {
    type: 'string',
    description: "Colour of the text, or of a meter's filled part.",
    title: 'a colour',
  },
  'border': {
    type: 'string',
    description: 'Width in u and a colour: "2 $color.line".',
    title: 'a width and a colour',
  },
  'radius': {
    ...numberOrTemplate('one to four numbers of u'),
    minimum: 0,
    description: 'Radius of the corners in u: all, or from the left top clockwise.',
  },
  'shadow': {
    type: 'string',
    title: 'lengths and a colour such as "0 8 24 #00000080", or none',
    description: 'As box-shadow in CSS, in u: x y blur spread colour.',
  },
  'image': {
    type: 'string',
    title: 'the name of a picture',
    description: "A name of pictures:, shown in place of the widget's own.",
  },
  'slice': {
    type: ['number', 'string'],
    title: 'one to four numbers of px of the picture: top right bottom left',
    description: 'Cuts that picture into nine: corners keep their size, edges and middle fill the rest.',
  },
  'image-tint': {
    type: 'string',
    title: 'a colour',
    description: "What a picture's colours are multiplied by.",
  },
  'trail-color': {
    type: 'string',
    title: 'a colour',
    description: 'Of the part of a meter between trail and value.',
  },
  'handle-color': { type: 'string', title: 'a colour', description: 'Of the handle of a slider or switch.' },
  'veil': {
    type: 'string',
    title: 'a colour',
    description: 'What a dialog lays over all that is behind it.',
  },
  'opacity': {
    ...numberOrTemplate('a number from 0 to 1'),
    minimum: 0,
    maximum: 1,
    description: 'Of it and all that is in it together; 1 is opaque.',
  },
  'scale': {
    ...numberOrTemplate('a number from 0.01 to 10'),
    minimum: 0.01,
    maximum: 10,
    description:
      'How many times as large it and all in it are drawn, about the pivot; the layout stays as it is.',
  },
  'font': {
    type: 'string',
    description: 'Font families of fonts:, with commas between; each draws what those before it lack.',
    title: 'the name of a font family, or several with commas between',
  },
  'font-size': {
    ...numberOrTemplate('a number of u from 1 to 2000'),
    minimum: 1,
    maximum: 2000,
    description: 'Of its text, in u; 24 if nothing says another.',
  },
  'font-weight': {
    ...numberOrTemplate('a number from 1 to 1000'),
    minimum: 1,
    maximum: 1000,
    description: 'As in CSS: 400 is regular, 700 is bold.',
  },
  'line-height': {
    ...numberOrTemplate('a number from 0.5 to 5'),
    minimum: 0.5,
    maximum: 5,
    description: 'As a multiple of the font size.',
  },
  'letter-spacing': {
    ...numberOrTemplate('a number of u'),
    minimum: -100,
    maximum: 1000,
    description: 'Added between letters, in u.',
  },
  'text-align': {
    ...orTemplate(choice(['start', 'center', 'end'])),
    description: 'Where the lines of a text stand from side to side.',
  },
  'transition': {
    type: 'string',
    title: 'a key, a time and an easing, or none',
    description:
      'What takes time to change, come or go in a running game, as in CSS: "background 120ms ease-out, visible 200ms".',
  },
  'text-transform': {
    ...orTemplate(choice(['none', 'uppercase'])),
    description: 'uppercase: capitals, by the rules of the language.',
  },
  'text-outline': {
    type: 'string',
    title: 'a width and a colour, or none',
    description: 'Drawn round the letters: "2 #04202a".',
  },
  'text-shadow': {
    type: 'string',
    title: 'lengths and a colour such as "0 2 4 #000000c0", or none',
    description: 'As text-shadow in CSS, in u: x y blur colour.',
  },
  'align-content': {
    ...orTemplate(choice(['start', 'center', 'end'])),
    description: 'Where the lines of a text stand from top to bottom.',
  },
  'font-style': {
    ...orTemplate(choice(['normal', 'italic'])),
    description: 'Which face of the font family.',
  },
  'font-variant-numeric': {
    ...orTemplate(choice(['normal', 'tabular-nums'])),
    description: 'tabular-nums: digits of one width.',
  },
  'padding': {
    ...lengths(4, oneToFour),
    description: "Room between its edges and what is in it, where the widget's own padding is not said.",
  },
};

export const theme = {
  'token-files': {
    ...names,
    title: 'a path or a list of paths',
    description: 'Files in the Design Tokens format; tokens: goes before them.',
  },
  'kinds': {
    type: 'object',
    title: 'a map of kinds and styles',
    additionalProperties: false,
    properties: Object.fromEntries(kinds.map((kind) => [kind, { $ref: '#/$defs/style' }])),
    description: 'What every widget of a kind starts from.',
  },
  'tokens': {
    $ref: '#/$defs/tokens',
    description: 'Named values, in groups, as in the Design Tokens format.',
  },
  'styles': {
    type: 'object',
    title: 'a map of styles',
    propertyNames: name,
    additionalProperties: { $ref: '#/$defs/style' },
    description: 'Looks with a name, for widgets to share.',
  },
  'fonts': {
    type: 'object',
    title: 'a map of font families',
    additionalProperties: {
      type: 'object',
      title: 'a map of weights to font files',
      propertyNames: {
        type: 'string',
        pattern: '^[1-9]\\d{0,2}( italic)?$',
        title: 'a weight from 1 to 999, or one with italic such as "400 italic"',
      },
      additionalProperties: { type: 'string', title: 'the path of a font file' },
      minProperties: 1,
    },
    description: 'Font files by family and weight: TTF, OTF, WOFF or WOFF2.',
  },
};

export const shared = {
  look: {
    type: 'object',
    title: 'a map such as { color: "#ffffff" }',
    additionalProperties: false,
    properties: lookSchema,
  },
  style: {
    type: 'object',
    title: 'a style',
    additionalProperties: false,
    properties: {
      extends: {
        type: 'string',
        title: 'the name of a style',
        description: 'The style it starts from.',
      },
      states: {
        type: 'object',
        title: 'a map of states and looks',
        additionalProperties: false,
        properties: Object.fromEntries(states.map((state) => [state, { $ref: '#/$defs/look' }])),
        description:
          'What changes in a state; of several, the later in this order wins: ' + states.join(', '),
      },
      ...lookSchema,
    },
  },
  tokens: {
    type: ['object', 'string', 'number', 'boolean', 'array'],
    title: 'a token or a group of tokens',
    additionalProperties: { $ref: '#/$defs/tokens' },
  },
};
