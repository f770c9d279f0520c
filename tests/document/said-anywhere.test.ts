import { expect, test } from '@jest/globals';
import {
  LiveView,
  ViewInput,
  drawLayout,
  readDocument,
  screens,
  type DocumentSource,
  type WidgetSource,
} from 'pimbot';
import { checkDocument, sentenceOf, widgetKeys } from 'pimbot/tools';
import { fonts, opened } from '../support/views.ts';

/* A key says the same wherever it may be said: in a condition, in a component, in a change of an instance, by a value. */

/** A value of each key that changes something of {@link plain}. */
const samples: { readonly [Key in keyof WidgetSource]?: WidgetSource[Key] } = {
  'anchor': 'right bottom',
  'pivot': '0.2 0.2',
  'offset': [-30, -20],
  'inset': '10 20',
  'size': '60 70',
  'width': 90,
  'height': 80,
  'min-width': 300,
  'max-width': 10,
  'min-height': 300,
  'max-height': 10,
  'aspect': '3/2',
  'margin': 9,
  'padding': 11,
  'gap': 13,
  'arrange': 'column',
  'align': 'end',
  'justify': 'end',
  'reverse': true,
  'direction': 'rtl',
  'columns': 2,
  'rows': 2,
  'page': 'two',
  'scroll': 'y',
  'scroll-offset': [0, 30],
  'reference': { size: '480x270' },
  'anchor-to': 'other',
  'rotate': 20,
  'skew': 10,
  'overflow': 'clip',
  'visible': false,
  'gone': true,
  'style': 'plate',
  'look': { background: '#ff0000', opacity: 0.5, scale: 0.8 },
  'states': 'hover',
  'text': 'Deeper',
  'wrap': false,
  'max-lines': 1,
  'placeholder': 'Say',
  'value': 0.3,
  'trail': 0.9,
  'segments': 4,
  'fill-from': 'clockwise',
  'ring': 6,
  'checked': true,
  'label': 'Rise',
  'accept': { 'small-target': 'Meant.' },
};

function plain(key: string): WidgetSource {
  const kind = widgetKeys[key as keyof typeof widgetKeys].kinds?.[0] ?? 'panel';
  const needs: { [key: string]: WidgetSource } = {
    'columns': { arrange: 'grid' },
    'rows': { arrange: 'grid' },
    'page': { arrange: 'pages' },
    'scroll-offset': { scroll: 'y' },
    'inset': { anchor: 'left..right top..bottom' },
    'label': { kind: 'button' },
    'accept': { kind: 'button' },
    'states': { style: 'plate' },
    'ring': { 'fill-from': 'clockwise' },
  };
  const row = ['gap', 'align', 'justify', 'reverse'].includes(key) ? { arrange: 'row' as const } : {};
  const more = { ...row, ...needs[key] };
  const children = ['one', 'two'].map(
    (id) => ({ id, kind: 'button', size: [30, id === 'one' ? 40 : 200] }) as const,
  );
  return {
    kind,
    anchor: 'left top',
    ...(key !== 'inset' && { size: '120 50' }),
    ...more,
    ...((more.kind ?? kind) === 'panel' && { children }),
    ...(['text', 'button'].includes(kind) && { text: 'Some words that are long enough to wrap' }),
    ...(['meter', 'slider'].includes(kind) && { value: 0.5 }),
  };
}

type Form = 'not at all' | 'at once' | 'in a condition' | 'in a component' | 'in an instance' | 'by a value';

function documentOf(form: Form, key: string): DocumentSource {
  const value = samples[key as keyof WidgetSource] as never;
  const base = { ...plain(key), id: 'w' };
  const said = form === 'not at all' ? base : { ...base, [key]: form === 'by a value' ? '{said}' : value };
  const other = { id: 'other', kind: 'text', text: 'Rise', anchor: 'center' } as const;
  const make = (one: WidgetSource) => ({ id: 'in', size: '100%', children: [one, other] });
  const head = {
    pimbot: 1 as const,
    cases: { only: (form === 'by a value' ? { said: value } : {}) as { readonly [name: string]: never } },
    styles: { plate: { background: '#00ff00', states: { hover: { background: '#ff00ff' } } } },
  };
  if (form === 'in a condition') {
    const when = [{ screen: { aspect: '0..' }, change: { [key]: value } }];
    return { ...head, views: { test: { backdrop: '#000', children: [make({ ...base, when })] } } };
  }
  if (form === 'not at all' || form === 'at once' || form === 'by a value')
    return { ...head, views: { test: { backdrop: '#000', children: [make(said)] } } };
  const inner = form === 'in a component' ? said : base;
  const set = form === 'in an instance' ? { set: { w: { [key]: value } } } : {};
  return {
    ...head,
    components: { pair: { children: [inner, other] } },
    views: {
      test: { backdrop: '#000', children: [{ id: 'in', use: 'pair', size: '100%', ...set }] },
    },
  };
}

/** All that comes of a document: boxes, drawing, what screen readers are told, what is found. */
function comesOf(form: Form, key: string) {
  const source = documentOf(form, key);
  const screen = { width: 1280, height: 720 };
  const view = opened(source);
  const on = view.layoutOn(screen);
  const input = new ViewInput(new LiveView(view, screen));
  const { document } = readDocument(source);
  const checked = screens.filter(({ name }) => name === 'desktop' || name === 'phone-portrait');
  const { findings } = checkDocument(document!, { resources: { fonts }, screens: checked });
  const all = {
    boxes: on.widgets.map(({ index }) => on.layout.rectInU(index)),
    drawn: drawLayout(on).operations.map(({ type, ...one }) => [
      type,
      'rect' in one ? one.rect : [],
      'fill' in one ? one.fill : [],
      'steps' in one ? one.steps : [],
    ]),
    read: input.accessible(),
    found: findings.map((one) => [one.check, one.widget, one.other, sentenceOf(one), one.occurrences.length]),
  };
  return JSON.parse(JSON.stringify(all).replace(/\bin\.(?=\w)/g, '')) as typeof all;
}

const every = Object.keys(widgetKeys).filter((key) => key in samples);

test.each(every)('%s', (key) => {
  const at = comesOf('at once', key);
  expect(at).not.toEqual(comesOf('not at all', key));
  const { onScreens, binds = 'put in' } = widgetKeys[key as keyof typeof widgetKeys];
  const forms: Form[] = ['in a component', 'in an instance'];
  if (onScreens !== false) forms.push('in a condition');
  if (binds === 'put in' && typeof samples[key as keyof WidgetSource] !== 'object') forms.push('by a value');
  for (const form of forms) expect([form, comesOf(form, key)]).toEqual([form, at]);
});
