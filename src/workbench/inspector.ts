import {
  descriptionOf,
  directions,
  keyRow,
  lookSchema,
  stepsOf,
  widgetKeys,
  type CheckedDocument,
  type Json,
  type Schema,
  type WidgetSource,
} from '../document/index.ts';
import type { Widget } from '../dress/index.ts';
import { changedBy, instanceOf, placesOf, pointerOfKey, valueAt } from '../edit/index.ts';
import type { Theme } from '../theme/index.ts';
import type { ViewLayout } from '../view/index.ts';
import { colorTokens } from './tokens-in.ts';
import { writtenNames } from './language/names.ts';
import { offerOf } from './language/offered.ts';

/** A token that is a colour: as it is written in a look, and what it comes to in a theme, as CSS says it. */
export interface ColorChoice {
  readonly name: string;
  readonly value: string | undefined;
}

/** How a value is entered. */
export type Field =
  | { readonly type: 'choice'; readonly choices: readonly string[] }
  | { readonly type: 'switch' }
  | { readonly type: 'number'; readonly least: number | undefined; readonly most: number | undefined }
  | { readonly type: 'color'; readonly choices: readonly ColorChoice[] }
  /** Written as in the document, as YAML. */
  | { readonly type: 'text'; readonly choices: readonly string[] };

/** One key of a widget: what it is, what it says and who says it. */
export interface InspectorRow {
  readonly key: string;
  readonly group: 'place' | 'size' | 'inside' | 'look' | 'content' | 'input' | 'more';
  readonly description: string;
  /** What a value of it is: `a length in u`. */
  readonly title: string | undefined;
  readonly field: Field;
  /** Undefined where nobody says it. */
  readonly value: Json | undefined;
  /** Who says it, where that is not the widget itself. */
  readonly from: 'component' | 'condition' | 'instance' | undefined;
  /** How many places show what is changed where it is written. */
  readonly places: number;
  /** Whether it can be changed for this instance alone. */
  readonly here: boolean;
  readonly pointer: string;
  readonly line: number | undefined;
}

const groups: { readonly [key: string]: InspectorRow['group'] } = {
  'anchor': 'place',
  'pivot': 'place',
  'offset': 'place',
  'inset': 'place',
  'anchor-to': 'place',
  'area': 'place',
  'z': 'place',
  'rotate': 'place',
  'skew': 'place',
  'margin': 'place',
  'align-self': 'place',
  'justify-self': 'place',
  'column-span': 'place',
  'row-span': 'place',
  'size': 'size',
  'width': 'size',
  'height': 'size',
  'min-width': 'size',
  'max-width': 'size',
  'min-height': 'size',
  'max-height': 'size',
  'aspect': 'size',
  'arrange': 'inside',
  'gap': 'inside',
  'padding': 'inside',
  'align': 'inside',
  'justify': 'inside',
  'columns': 'inside',
  'rows': 'inside',
  'reverse': 'inside',
  'overflow': 'inside',
  'scroll': 'inside',
  'direction': 'inside',
  'style': 'look',
  'look': 'look',
  'tint': 'look',
  'visible': 'look',
  'states': 'look',
  'id': 'content',
  'kind': 'content',
  'text': 'content',
  'image': 'content',
  'value': 'content',
  'label': 'content',
  'placeholder': 'content',
  'fit': 'content',
};
const order: readonly InspectorRow['group'][] = [
  'content',
  'place',
  'size',
  'inside',
  'look',
  'input',
  'more',
];

/** Keys that hold widgets or lists of their own, which a tree and the text are for. */
const elsewhere: ReadonlySet<string> = new Set([
  'children',
  'when',
  'accept',
  'repeat',
  'set',
  'use',
  'slot',
  'key',
]);

/** Every key a widget can have, in groups: first those that say something. @throws NoSuchName */
export function inspect(document: CheckedDocument, on: ViewLayout, id: string): InspectorRow[] {
  const widget = on.widgets[on.indexOf(id)]!;
  const source = widget.source as WidgetSource & { readonly [key: string]: Json | undefined };
  const canBeHere = widget.pointer.startsWith('/views/') || instanceOf(on.widgets, widget) !== undefined;
  const rows = Object.keys(widgetKeys).flatMap((key): InspectorRow[] => {
    const row = keyRow(key);
    if (!row || elsewhere.has(key) || (widget.index === 0 && !(key in source))) return [];
    if (row.kinds && !row.kinds.includes(widget.kind)) return [];
    const value = source[key];
    const pointer = pointerOfKey(widget, key);
    const written = value === undefined ? undefined : (valueAt(document, pointer) ?? value);
    const { range, source: text } = document.origin.at(pointer);
    return [
      {
        key,
        group:
          groups[key] ??
          ((directions as readonly string[]).includes(key) || /focus|pointer|hit/.test(key)
            ? 'input'
            : 'more'),
        description: descriptionOf(key),
        title: row.schema.title,
        field: fieldOf(document, widget.theme, key),
        value: written,
        from: value === undefined ? undefined : fromOf(widget.pointer, pointer),
        places: placesOf(document, pointer),
        here: canBeHere,
        pointer,
        line: value !== undefined && text && range ? text.placeOf(range.start).line : undefined,
      },
    ];
  });
  const look = rows.find(({ key }) => key === 'look');
  if (look) rows.push(...lookRows(document, widget, look));
  const rank = (row: InspectorRow) => order.indexOf(row.group);
  return rows.sort(
    (a, b) => rank(a) - rank(b) || Number(b.value !== undefined) - Number(a.value !== undefined),
  );
}

/** Every key of a look, by `look/background`: what the widget's own says, and a field to change it. */
function lookRows(document: CheckedDocument, widget: Widget, look: InspectorRow): InspectorRow[] {
  const { theme } = widget;
  const said = (widget.source as WidgetSource).look ?? {};
  const schemas: { readonly [name: string]: Schema } = lookSchema;
  return Object.entries(schemas).flatMap(([name, schema]): InspectorRow[] => {
    // A map of looks of its own: written as text.
    if (name === 'states') return [];
    // A condition says some keys of it, and leaves the others where they are.
    const pointer = pointerOfKey(widget, `look/${name}`);
    const shown = (said as { readonly [key: string]: Json })[name];
    const value = shown === undefined ? undefined : (valueAt(document, pointer) ?? shown);
    const { range, source } = document.origin.at(pointer);
    return [
      {
        ...look,
        key: `look/${name}`,
        description: schema.description ?? '',
        title: schema.title,
        field: fieldOfSchema(document, theme, schema),
        value,
        from: value === undefined ? undefined : fromOf(widget.pointer, pointer),
        pointer,
        line: value !== undefined && source && range ? source.placeOf(range.start).line : undefined,
      },
    ];
  });
}

function fromOf(widget: string, pointer: string): InspectorRow['from'] {
  const steps = stepsOf(pointer);
  if (changedBy(pointer) !== undefined) return 'condition';
  if (steps.includes('set')) return 'instance';
  return pointer.startsWith('/components/') && !pointer.startsWith(`${widget}/`) ? 'component' : undefined;
}

/** How the value of a key is entered, as its schema has it. */
export function fieldOf(document: CheckedDocument, theme: Theme, key: string): Field {
  const schema = keyRow(key)?.schema;
  return schema ? fieldOfSchema(document, theme, schema) : { type: 'text', choices: [] };
}

function fieldOfSchema(document: CheckedDocument, theme: Theme, schema: Schema): Field {
  const choices = schema.enum?.map(String);
  if (choices) return { type: 'choice', choices };
  const types = [schema.type ?? []].flat();
  if (types.includes('boolean') && types.length === 1) return { type: 'switch' };
  if ((types.includes('number') || types.includes('integer')) && types.length === 1)
    return { type: 'number', least: schema.minimum, most: schema.maximum };
  const { words = [], names = [], isColor } = offerOf(schema.title);
  if (isColor) return { type: 'color', choices: colorChoices(document, theme) };
  const written: { readonly [name: string]: readonly string[] } = { ...writtenNames(document) };
  return { type: 'text', choices: [...words, ...names.flatMap((one) => written[one] ?? [])] };
}

/** All tokens that are colours, with what they come to in a theme. */
function colorChoices(document: CheckedDocument, theme: Theme): ColorChoice[] {
  return colorTokens(document).map((name) => {
    const answer = theme.tokens.resolve(name.slice(1));
    return { name, value: 'value' in answer ? String(answer.value) : undefined };
  });
}
