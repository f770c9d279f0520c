import {
  choice,
  flag,
  length,
  lengths,
  name,
  names,
  numberOrTemplate,
  oneToFour,
  places,
  shared,
  size,
  sizes,
  theme,
} from './schema-parts.ts';
import { focusOrder, neighbours } from './schema-focus.ts';
import { promises } from './schema-promises.ts';
import { referenceKeys, screenCondition } from './schema-screens.ts';
import { vary } from './schema-vary.ts';
import {
  alignments,
  arrangements,
  fits,
  imageEdges,
  justifications,
  kinds,
  parameterTypes,
  spares,
  states,
} from './model.ts';

/*
 * The JSON Schema (2020-12) of documents and of theme files. `npm run build` writes it to schema/.
 * `title` completes the sentence «"width" is …» of an error; `description` is what an editor shows.
 */

const container = {
  arrange: {
    ...choice(arrangements),
    description: 'How the children are placed: free means by their anchors.',
  },
  padding: lengths(4, oneToFour),
  reverse: {
    type: 'boolean',
    title: 'true or false',
    description: 'Children follow each other from the far end.',
  },
  columns: {
    type: ['integer', 'string', 'array'],
    items: { type: ['number', 'string'] },
    minItems: 1,
    maxItems: 100,
    title: 'a number of columns, their sizes, or "auto 120"',
    description:
      'Of a grid: 3, "120 content fill 2", "auto 120" (as many as fit) or "auto 120.." (sharing the room).',
  },
  rows: {
    type: ['number', 'string'],
    title: 'a number of u, content or fill',
    description: "The height of a grid's rows.",
  },
  page: { type: 'string', title: 'the id of a child', description: 'Of pages: the child that is shown.' },
  direction: { ...choice(['ltr', 'rtl']), description: 'The writing direction: what start and end mean.' },
  gap: {
    type: ['number', 'string', 'array'],
    items: { type: 'number' },
    minItems: 1,
    maxItems: 2,
    title: 'one or two numbers of u',
    description: 'Between children; two numbers: between rows, then between columns, as in CSS.',
  },
  align: { ...choice(alignments), description: 'Across a row or column, as align-items in CSS.' },
  justify: { ...choice(justifications), description: 'Along a row or column, as justify-content in CSS.' },
  ...focusOrder,
  children: { type: 'array', items: { $ref: '#/$defs/widget' }, title: 'a list of widgets' },
};

const scalar = { type: ['string', 'number', 'boolean'], title: 'a text, a number, true or false' };
const locale = {
  type: 'string',
  pattern: '^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$',
  title: 'a locale such as de or pt-BR',
};

const whenList = (change: string) => ({
  type: 'array',
  title: 'a list of conditions and changes',
  description: 'Keys that change on some screens.',
  items: {
    type: 'object',
    title: 'a condition',
    additionalProperties: false,
    required: ['screen', 'change'],
    properties: { screen: { $ref: '#/$defs/screenCondition' }, change: { $ref: change } },
  },
});

const widgetKeys = {
  'id': { ...name, description: 'Unique in the view.' },
  'kind': { ...choice(kinds), description: 'panel if left out.' },
  'style': { ...names, description: 'One or more named styles; later ones win.' },
  'look': { $ref: '#/$defs/look', description: 'Changes of the look of this widget alone.' },
  'states': {
    type: ['string', 'array'],
    items: choice(states),
    maxItems: 6,
    title: `a state or a list of them: ${states.join(', ')}`,
    description: 'The states it is in.',
  },
  'tint': { type: 'string', title: 'a colour', description: "Short for the look's color." },
  'anchor': {
    ...places,
    title: 'an anchor such as "right bottom", "left..right top" or "25% center"',
    description: 'The place in the parent this widget is tied to; a..b stretches it between two places.',
  },
  'pivot': {
    ...places,
    title: 'a point such as "right bottom", "center" or "0.5 1"',
    description: 'The point of the widget that is put at the anchor; follows the anchor if left out.',
  },
  'offset': {
    ...lengths(2, 'one or two lengths such as -24 or "-24 12"'),
    description: 'From anchor to pivot.',
  },
  'inset': {
    ...lengths(4, `the distances kept from a span: start and end, or ${oneToFour}`, true),
    description: 'Distance from each end of an anchor that is a span.',
  },
  'area': {
    ...choice(['safe', 'full']),
    description: 'full: a child of the view that may reach under notches and into overscan.',
  },
  'size': { ...sizes, description: 'Width and height.' },
  'width': size,
  'height': size,
  'min-width': length,
  'max-width': length,
  'min-height': length,
  'max-height': length,
  'margin': lengths(4, oneToFour),
  'justify-self': {
    ...choice(alignments),
    description: "In a grid or layers, instead of the parent's justify.",
  },
  'aspect': {
    type: ['number', 'string'],
    title: 'a ratio such as 1.5 or "16/9"',
    description: 'Width divided by height.',
  },
  'anchor-to': {
    type: 'string',
    title: 'the id of a widget',
    description: 'Anchored to that widget, not to the parent.',
  },
  'z': {
    type: 'integer',
    minimum: -10000,
    maximum: 10000,
    title: 'a whole number',
    description: 'Drawing order among siblings.',
  },
  'rotate': { type: 'number', minimum: -3600, maximum: 3600, title: 'a number of degrees' },
  'skew': {
    type: ['number', 'string', 'array'],
    items: { type: 'number' },
    minItems: 1,
    maxItems: 2,
    title: 'one or two numbers of degrees',
  },
  'reference': {
    type: 'object',
    title: 'a reference',
    additionalProperties: false,
    minProperties: 1,
    properties: referenceKeys,
    description: 'Another scaling for this widget and all that is in it: pixel art in a smooth view.',
  },
  'column-span': { type: 'integer', minimum: 1, maximum: 100, title: 'a whole number from 1 to 100' },
  'row-span': { type: 'integer', minimum: 1, maximum: 100, title: 'a whole number from 1 to 100' },
  'gone': {
    ...flag,
    description: 'true: not there at all, takes no room.',
  },
  'scroll': { ...choice(['x', 'y', 'both']), description: 'A viewport over larger content.' },
  'scroll-offset': lengths(2, 'one or two numbers of u'),
  'align-self': { ...choice(alignments), description: "Instead of the parent's align." },
  ...container,
  'overflow': {
    ...choice(['visible', 'clip']),
    description:
      'Said: children may reach out of this widget (and are cut off with clip). Unsaid: they should not.',
  },
  'may-overlap': {
    type: ['boolean', 'array'],
    items: { type: 'string' },
    title: 'true or a list of ids',
    description: 'Widgets this one is meant to overlap; true for any.',
  },
  'accept': {
    type: 'object',
    title: 'a map of checks and reasons',
    additionalProperties: { type: 'string', pattern: '\\S', title: 'a reason' },
    minProperties: 1,
    description: 'Findings of this widget that are meant, by check, each with the reason why.',
  },
  'visible': {
    ...flag,
    description: 'false: keeps its place, is not drawn.',
  },
  'text': {
    type: ['string', 'number'],
    title: 'a text',
    description: 'With {name} for a value of the case.',
  },
  'wrap': {
    type: 'boolean',
    title: 'true or false',
    description: 'Whether lines break to fit; true if left out.',
  },
  'max-lines': { type: 'integer', minimum: 1, maximum: 1000, title: 'a whole number from 1 to 1000' },
  'ellipsis': {
    ...choice(['none', 'end', 'middle']),
    description: 'Where a text that does not fit its width or max-lines is shortened.',
  },
  'least-font-size': {
    type: 'number',
    minimum: 1,
    maximum: 2000,
    title: 'a number of u from 1 to 2000',
    description: 'A text that does not fit is shrunk, down to this size.',
  },
  'image': { type: 'string', title: 'the name of a picture', description: 'A name of pictures:.' },
  'fit': { ...choice(fits), description: 'As object-fit in CSS.' },
  'image-position': {
    ...places,
    title: 'a point such as "left top", "center" or "0.5 1"',
    description: 'As object-position in CSS; the middle if left out.',
  },
  'tile': {
    ...choice(['repeat', 'round', 'space']),
    description: 'The picture over and over: cut off at the end, resized to fit, or with gaps.',
  },
  'slice': {
    ...lengths(4, 'one to four numbers of px of the picture: top right bottom left'),
    description: 'Cuts the picture into nine: corners keep their size, edges and middle fill the rest.',
  },
  'slice-edges': { ...choice(imageEdges), description: 'How edges and middle fill; stretch if left out.' },
  'slice-center': { ...choice(['fill', 'hollow']), description: 'hollow: the middle is not drawn.' },
  'flip': choice(['x', 'y', 'both']),
  'image-rendering': { ...choice(['auto', 'pixelated']), description: 'pixelated: pixels stay sharp.' },
  'trail': numberOrTemplate('a number from 0 to 1 or a {value}'),
  'checked': { ...flag, description: 'Of a checkbox or switch.' },
  'controls': {
    type: 'string',
    title: 'the id of a page',
    description: 'Of a button among tabs: the page it shows, as aria-controls.',
  },
  'placeholder': { type: 'string', title: 'a text', description: 'What an empty textbox says.' },
  'theme': {
    type: 'string',
    title: 'a name of themes',
    description: 'Another theme for this widget and all that is in it.',
  },
  'value': numberOrTemplate('a number from 0 to 1 or a {value}'),
  'segments': { type: 'integer', minimum: 1, maximum: 200, title: 'a whole number from 1 to 200' },
  'fill-from': choice(['left', 'right', 'top', 'bottom']),
  'slot': {
    type: 'boolean',
    title: 'true or false',
    description: 'Where the children given to an instance go.',
  },
  'repeat': {
    type: ['integer', 'string'],
    minimum: 0,
    maximum: 1000,
    title: 'a whole number from 0 to 1000, or a value such as "{slots}"',
    description: 'How often it is there, or the list of the case it is there for.',
  },
  ...neighbours,
  'when': whenList('#/$defs/widget'),
};

/** The keys of a widget; any other key of an instance is a parameter. */
export const widgetKeyNames: ReadonlySet<string> = new Set([...Object.keys(widgetKeys), 'use', 'set']);

const widget = {
  if: { type: 'object', properties: { use: true }, required: ['use'] },
  then: {
    type: 'object',
    title: 'an instance',
    properties: {
      use: { type: 'string', title: 'the name of a component' },
      set: {
        type: 'object',
        title: 'a map of ids and what changes there',
        additionalProperties: { $ref: '#/$defs/widget' },
      },
      ...widgetKeys,
    },
    additionalProperties: scalar,
  },
  else: { type: 'object', title: 'a widget', additionalProperties: false, properties: widgetKeys },
};

const component = {
  type: 'object',
  title: 'a component',
  additionalProperties: false,
  properties: {
    params: {
      type: 'object',
      title: 'a map of parameters',
      propertyNames: name,
      additionalProperties: {
        type: ['string', 'object'],
        title: 'a type (text, number, color, length, boolean, name) or { type, default }',
        properties: { type: choice(parameterTypes), default: scalar },
        required: ['type'],
        additionalProperties: false,
      },
    },
    ...widgetKeys,
  },
};

const view = {
  type: 'object',
  title: 'a view',
  additionalProperties: false,
  properties: {
    title: { type: 'string', title: 'a text' },
    backdrop: {
      ...names,
      title: 'a colour, a picture, or a list of them',
      description: 'What the game may draw behind the view: colours, or names of pictures.',
    },
    style: names,
    look: { $ref: '#/$defs/look' },
    when: whenList('#/$defs/view'),
    expect: promises,
    ...container,
  },
};

export const themeSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'a theme',
  description: 'A theme file of Pimbot: tokens, styles and fonts.',
  type: 'object',
  additionalProperties: false,
  required: ['pimbot-theme'],
  properties: {
    '$schema': { type: 'string', title: 'a text' },
    'pimbot-theme': { const: 1, title: '1', description: 'The version of the format.' },
    ...theme,
  },
  $defs: shared,
};

export const documentSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'a document',
  description: 'A document of Pimbot: views made of widgets, and what they are shown with.',
  type: 'object',
  additionalProperties: false,
  required: ['pimbot', 'views'],
  properties: {
    $schema: { type: 'string', title: 'a text' },
    pimbot: { const: 1, title: '1', description: 'The version of the format.' },
    reference: {
      type: 'object',
      title: 'a reference',
      additionalProperties: false,
      properties: {
        ...referenceKeys,
        spare: {
          ...choice(spares),
          description: "What happens to space the reference's aspect leaves over.",
        },
        align: { ...places, type: 'string', title: 'a point such as "center" or "left top"' },
      },
    },
    theme: { type: 'string', title: 'a name of themes, or the path of a theme file' },
    themes: {
      type: 'object',
      title: 'a map of themes',
      propertyNames: name,
      additionalProperties: { type: 'string', title: 'the path of a theme file' },
      description: 'Themes the views can be seen in, side by side.',
    },
    ...theme,
    language: { ...locale, description: 'The language the texts are written in; en if left out.' },
    catalogs: {
      type: 'object',
      title: 'a map of locales and files',
      propertyNames: locale,
      additionalProperties: { type: 'string', title: 'the path of a catalog, JSON or PO' },
      description: 'Translations: the source text is the key.',
    },
    pictures: {
      type: 'object',
      title: 'a map of picture files',
      additionalProperties: {
        type: ['string', 'object'],
        title: 'the path of a picture or atlas, or a map of densities and paths',
        propertyNames: {
          type: 'string',
          pattern: '^\\d{1,2}(\\.\\d{1,3})?$',
          title: 'a density such as 1, 1.5 or 2',
        },
        additionalProperties: { type: 'string', title: 'the path of a picture' },
        minProperties: 1,
      },
    },
    cases: {
      type: 'object',
      title: 'a map of cases',
      propertyNames: name,
      additionalProperties: {
        type: 'object',
        title: 'a map of values',
        additionalProperties: {
          type: ['string', 'number', 'boolean', 'array'],
          title: 'a text, a number, true, false, or a list',
          maxItems: 1000,
          items: {
            type: ['string', 'number', 'boolean', 'object'],
            title: 'a text, a number, true, false, or a map of those',
            additionalProperties: scalar,
          },
        },
      },
    },
    vary,
    components: {
      type: 'object',
      title: 'a map of components',
      propertyNames: name,
      additionalProperties: { $ref: '#/$defs/component' },
    },
    views: {
      type: 'object',
      title: 'a map of views',
      propertyNames: name,
      additionalProperties: { $ref: '#/$defs/view' },
      minProperties: 1,
    },
  },
  $defs: { ...shared, screenCondition, component, view, widget },
};
