import { parameterTypes, spares } from './model.ts';
import { shared, theme } from './schema-looks.ts';
import { choice, name, names, places } from './schema-parts.ts';
import { promises } from './schema-promises.ts';
import { screenCondition, support } from './schema-conditions.ts';
import { referenceKeys, whenList } from './schema-screens.ts';
import { vary } from './schema-vary.ts';
import { descriptionOf } from './keys/descriptions.ts';
import { placedKeys } from './keys/placed-keys.ts';
import { containerKeys } from './keys/container-keys.ts';
import { described, schemasOf } from './schema-rows.ts';
import { widgetKeys } from './widget-keys.ts';

/*
 * The JSON Schema (2020-12) of documents and of theme files. `npm run build` writes it to schema/.
 * `title` completes the sentence «"width" is …» of an error; `description` is what an editor shows.
 */

const schemaKey = {
  type: 'string',
  title: 'a text',
  description: 'Where the schema is, for editors.',
};

const container = schemasOf(containerKeys);

const scalar = { type: ['string', 'number', 'boolean'], title: 'a text, a number, true or false' };
const locale = {
  type: 'string',
  pattern: '^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$',
  title: 'a locale such as de or pt-BR',
};

const widgetSchemas = schemasOf(widgetKeys);

const widget = {
  if: { type: 'object', properties: { use: true }, required: ['use'] },
  then: {
    type: 'object',
    title: 'an instance',
    properties: {
      use: {
        type: 'string',
        title: 'the name of a component',
        description: 'The component it is an instance of.',
      },
      set: {
        type: 'object',
        title: 'a map of ids and what changes there',
        description: 'What this instance changes of the widgets in its component, by their id.',
        additionalProperties: { $ref: '#/$defs/widget' },
      },
      ...widgetSchemas,
    },
    additionalProperties: scalar,
  },
  else: { type: 'object', title: 'a widget', additionalProperties: false, properties: widgetSchemas },
};

const caseValue = {
  type: ['string', 'number', 'boolean', 'array', 'object'],
  title: 'a text, a number, true, false, a list, or a map of those',
  maxItems: 1000,
  items: {
    type: ['string', 'number', 'boolean', 'object'],
    title: 'a text, a number, true, false, or a map of those',
    additionalProperties: { $ref: '#/$defs/caseValue' },
  },
  additionalProperties: { $ref: '#/$defs/caseValue' },
};

const component = {
  type: 'object',
  title: 'a component',
  additionalProperties: false,
  properties: {
    params: {
      type: 'object',
      title: 'a map of parameters',
      description: 'What an instance may or has to say, by name.',
      propertyNames: name,
      additionalProperties: {
        type: ['string', 'object'],
        title: `a type (${parameterTypes.join(', ')}) or { type, default }`,
        properties: {
          type: { ...choice(parameterTypes), description: 'What may be given.' },
          default: { ...scalar, description: 'What it is where an instance says nothing.' },
        },
        required: ['type'],
        additionalProperties: false,
      },
    },
    ...widgetSchemas,
  },
};

const view = {
  type: 'object',
  title: 'a view',
  additionalProperties: false,
  properties: {
    title: { type: 'string', title: 'a text', description: 'A few words for people: reports show them.' },
    backdrop: {
      ...names,
      title: 'a colour, a picture, or a list of them',
      description: 'What the game may draw behind the view: colours, or names of pictures.',
    },
    style: { ...names, description: 'Styles, by name; later ones win.' },
    look: { $ref: '#/$defs/look', description: descriptionOf('look') },
    when: whenList('#/$defs/view'),
    supports: {
      ...support,
      description: 'The screens it is made for. On others nothing is promised, and nothing is looked at.',
    },
    expect: promises,
    accept: { ...placedKeys.accept.schema, description: descriptionOf('accept') },
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
    '$schema': schemaKey,
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
    $schema: schemaKey,
    pimbot: { const: 1, title: '1', description: 'The version of the format.' },
    reference: {
      type: 'object',
      title: 'a map such as { size: 1920x1080 }',
      description: 'The resolution the views are designed at, and how they scale to others.',
      additionalProperties: false,
      properties: {
        ...described('reference', { properties: referenceKeys }).properties,
        spare: {
          ...choice(spares),
          description: "What happens to space the reference's aspect leaves over.",
        },
        align: {
          ...places,
          type: 'string',
          title: 'a point such as "center" or "left top"',
          description: 'Of spare bars: where the picture stands between them; center if left out.',
        },
      },
    },
    theme: {
      type: 'string',
      title: 'a name of themes, or the path of a theme file',
      description: 'The theme the views have unless another is chosen.',
    },
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
      description: 'Pictures by name: SVG, PNG, JPEG or WebP, or several densities of one.',
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
      description: 'Sample values a view is shown and checked with.',
      propertyNames: name,
      additionalProperties: {
        type: 'object',
        title: 'a map of values',
        additionalProperties: { $ref: '#/$defs/caseValue' },
      },
    },
    vary,
    components: {
      type: 'object',
      title: 'a map of components',
      description: 'Widget trees with parameters, to be used many times.',
      propertyNames: name,
      additionalProperties: { $ref: '#/$defs/component' },
    },
    views: {
      type: 'object',
      title: 'a map of views',
      description: 'The HUDs and menus, by name.',
      propertyNames: name,
      additionalProperties: { $ref: '#/$defs/view' },
      minProperties: 1,
    },
  },
  $defs: { ...shared, screenCondition, caseValue, component, view, when: whenList('#/$defs/widget'), widget },
};
