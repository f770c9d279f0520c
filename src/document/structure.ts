import type { DiagnosticList } from './diagnostics.ts';
import { anchorTargets, readAnchor, readInset, readLengthPair, readSize, saidSides } from './lengths.ts';
import {
  entryOf,
  rootsOf,
  states,
  widgetsOf,
  type ParameterType,
  type DocumentSource,
  type Origin,
  type PlacedSource,
  type RootSource,
  type ViewSource,
  type WidgetSource,
  type Kind,
} from './model.ts';
import { isTemplate } from './templates.ts';
import {
  checkFocusOrder,
  checkParameterNames,
  checkPromises,
  checkUses,
  checkWidgetNames,
  entryAround,
  writtenIds,
  type WrittenIds,
} from './references.ts';
import { checkTargets } from './anchor-targets.ts';
import { changesOf } from './changes.ts';
import { isBroken, isOpen, leaves, withoutTemplates, meantBy } from './left-to-names.ts';
import { checkChosen } from './chosen.ts';
import { checkIdleKeys, checkIdleLook, mayArrange } from './idle-keys.ts';
import { checkSizes, checkWeights } from './odd-sizes.ts';
import { pointerTo } from './pointer.ts';
import { checkLocales } from './locales.ts';
import { checkRanges } from './ranges.ts';
import { nearestName } from './suggest.ts';
import { fixedBy, freeKeys, isNamePattern, keyRow, widgetKeyNames } from './widget-keys.ts';
import { show } from './validate.ts';

const everyState: readonly string[] = states;

/** What the schema cannot say: notations, names inside the views, keys that make no sense together. */
export function checkStructure(document: DocumentSource, origin: Origin, diagnostics: DiagnosticList): void {
  checkRanges(document, origin, diagnostics);
  checkLocales(document, origin, diagnostics);
  checkParameterNames(document, origin, diagnostics);
  checkUses(document, origin, diagnostics);
  for (const holding of rootsOf(document)) {
    const { name, pointer, root, component } = holding;
    const holder = withoutTemplates(root);
    if (!component) {
      checkReadable(holder, pointer, origin, diagnostics);
      checkViewValues(root, pointer, origin, diagnostics);
      checkContainer(holder, pointer, origin, diagnostics, (key) => leaves(root, key));
    }
    const placed: PlacedSource[] = [...widgetsOf(root, pointer)];
    const top: PlacedSource[] = component
      ? [{ widget: component, pointer, parent: undefined, arrange: undefined }]
      : [];
    const ids = writtenIds(placed, component ? undefined : name);
    checkIds(placed, holding, origin, diagnostics);
    for (const one of [...top, ...placed]) {
      checkNotations(one, origin, diagnostics);
      checkKind(one, origin, diagnostics);
      checkInstance(one, document, origin, diagnostics);
    }
    checkTargets(placed, origin, diagnostics);
    checkFocusOrder(root, pointer, ids, origin, diagnostics);
    if (!component) {
      checkPromises(root as ViewSource, pointer, ids, origin, diagnostics);
      checkViewChanges(root as ViewSource, pointer, ids, origin, diagnostics);
      checkIdleLook(root as ViewSource, pointer, origin, diagnostics);
    }
    for (const one of [...top, ...placed]) {
      const { widget, pointer: at } = one;
      // The root of a component may be anywhere.
      const isInside = one.parent !== undefined || (component !== undefined && widget !== component);
      checkArea(widget, at, isInside, origin, diagnostics);
      // What an instance is in, and what is in it, its component may arrange.
      const around = one.parent?.widget ?? (widget === component ? undefined : root);
      checkIdleKeys(one, around, component !== undefined, origin, diagnostics);
      checkSizes(one, origin, diagnostics);
      checkNames(widget, at, at, ids, document, origin, diagnostics);
      // What changes on some screens, or in an instance, is checked like what it changes.
      for (const { changed, change, from, inside } of changesOf(one, document)) {
        const names = inside ?? ids;
        const by = inside ? 'instance' : 'condition';
        checkFixed(change, changed.pointer, fixedBy[by], by, { origin, diagnostics });
        checkArea(change, changed.pointer, isInside || inside !== undefined, origin, diagnostics);
        checkNotations(changed, origin, diagnostics);
        checkSizes({ ...changed, widget: change }, origin, diagnostics);
        checkKind(changed, origin, diagnostics, Object.keys(change));
        const { kind, 'shows-more': sign } = changed.widget;
        const named = { kind, ...(sign !== undefined && { 'shows-more': sign }), ...change };
        checkNames(named, changed.pointer, from, names, document, origin, diagnostics);
      }
    }
  }
}

/** Only what lies in the view itself can be placed beyond the safe area; drawn on from there is what stands anywhere. */
function checkArea(
  { area }: WidgetSource,
  at: string,
  isInside: boolean,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  if (area !== undefined && area !== 'bleed' && isInside)
    diagnostics.add('key-needs', { key: 'area', needs: 'a child of the view' }, origin.atKey(`${at}/area`));
}

/** What a view says of itself on some screens is checked like what it says on all. */
function checkViewChanges(
  { arrange, children, when }: ViewSource,
  pointer: string,
  ids: WrittenIds,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  when?.forEach(({ change }, index) => {
    const at = `${pointer}/when/${index}/change`;
    checkFixed(change, at, fixedBy.view, 'condition', { origin, diagnostics });
    const whole = withoutTemplates({ arrange, children, when, ...change });
    checkReadable(whole, at, origin, diagnostics);
    checkViewValues(change, at, origin, diagnostics);
    checkContainer(whole, at, origin, diagnostics, (key) => leaves({ arrange, ...change }, key));
    checkFocusOrder(change, at, ids, origin, diagnostics);
    checkPromises(change, at, ids, origin, diagnostics);
  });
}

/** Names of other widgets, themes and pictures. @param from JSON Pointer of who names them. */
function checkNames(
  widget: WidgetSource,
  at: string,
  from: string,
  ids: WrittenIds,
  document: DocumentSource,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  checkWidgetNames(widget, at, from, ids, origin, diagnostics);
  const { image, theme } = widget;
  if (theme !== undefined && !isTemplate(theme) && entryOf(document.themes, theme) === undefined) {
    const meant = nearestName(theme, Object.keys(document.themes ?? {}));
    diagnostics.add('unknown-name', { what: 'theme', name: theme, meant }, origin.at(`${at}/theme`));
  }
  if (image !== undefined && !isTemplate(image) && !namesPicture(document, image)) {
    const meant = nearestName(image, Object.keys(document.pictures ?? {}));
    diagnostics.add('unknown-name', { what: 'picture', name: image, meant }, origin.at(`${at}/image`));
  }
}

/** Whether a name is that of a picture, or starts with that of an atlas: which regions that has, its file says. */
export function namesPicture(document: DocumentSource, name: string): boolean {
  if (entryOf(document.pictures, name) !== undefined) return true;
  const slash = name.indexOf('/');
  return slash > 0 && entryOf(document.pictures, name.slice(0, slash)) !== undefined;
}

/** Keys of an instance that are neither those of a widget nor parameters; parameters that are missing. */
function checkInstance(
  { widget, pointer }: PlacedSource,
  document: DocumentSource,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  if (widget.use === undefined) {
    if (widget.set !== undefined)
      diagnostics.add('key-needs', { key: 'set', needs: 'use' }, origin.atKey(`${pointer}/set`));
    return;
  }
  const component = entryOf(document.components, widget.use);
  if (!component) {
    const facts = {
      what: 'component',
      name: widget.use,
      meant: nearestName(widget.use, Object.keys(document.components ?? {})),
    };
    diagnostics.add('unknown-name', facts, origin.at(`${pointer}/use`));
    return;
  }
  const params = component.params ?? {};
  for (const [key, value] of Object.entries(widget) as [string, unknown][]) {
    const parameter = entryOf(params, key);
    const at = pointerTo(pointer, key);
    if (parameter !== undefined) {
      const type = typeof parameter === 'object' ? parameter.type : parameter;
      if (!isTemplate(value) && !suits(type, value)) {
        const expected = type === 'map' ? 'a map that a case has, such as "{item}"' : `a ${type}`;
        diagnostics.add('wrong-value', { key, expected, found: show(value) }, origin.at(at));
      }
    } else if (!widgetKeyNames.has(key)) {
      const meant = nearestName(key, [...Object.keys(params), ...widgetKeyNames]);
      diagnostics.add('unknown-key', { key, where: `an instance of ${widget.use}`, meant }, origin.atKey(at));
    }
  }
  for (const [name, parameter] of Object.entries(params)) {
    if (Object.hasOwn(widget, name) || (typeof parameter === 'object' && parameter.default !== undefined))
      continue;
    diagnostics.add(
      'missing-key',
      { key: name, where: `an instance of ${widget.use}` },
      origin.atKey(`${pointer}/use`),
    );
  }
  const inner = [...widgetsOf(component, '')].flatMap((one) =>
    one.widget.id === undefined ? [] : [one.widget.id],
  );
  for (const id of Object.keys(widget.set ?? {})) {
    if (inner.includes(id)) continue;
    const facts = { what: `widget of ${widget.use}`, name: id, meant: nearestName(id, inner) };
    diagnostics.add('unknown-name', facts, origin.atKey(pointerTo(`${pointer}/set`, id)));
  }
}

/** Whether a value is of a parameter's type. */
function suits(type: ParameterType, value: unknown): boolean {
  switch (type) {
    case 'number':
      return typeof value === 'number';
    case 'boolean':
      return typeof value === 'boolean';
    case 'length':
      return readSize(value) !== undefined;
    case 'text':
      return typeof value === 'string' || typeof value === 'number';
    case 'map':
      // A case or an entry has it: ware: "{item}".
      return false;
    default:
      return typeof value === 'string';
  }
}

/** Keys that a change would say for nothing. */
function checkFixed(
  change: object,
  at: string,
  isFixed: (key: string) => boolean,
  by: 'condition' | 'instance',
  { origin, diagnostics }: { readonly origin: Origin; readonly diagnostics: DiagnosticList },
): void {
  for (const key of Object.keys(change))
    if (isFixed(key)) diagnostics.add('key-fixed', { key, by }, origin.atKey(pointerTo(at, key)));
}

/** A view itself is the same with every value of a case; what stands behind it is looked at with the colours there are. */
function checkViewValues(view: object, pointer: string, origin: Origin, diagnostics: DiagnosticList): void {
  for (const [key, value] of Object.entries(view) as [string, unknown][]) {
    if (key !== 'title' && key !== 'backdrop' && (isOpen(value) || isNamePattern(key, value)))
      diagnostics.add('view-bound', { key }, origin.at(pointerTo(pointer, key)));
  }
}

/**
 * No two widgets have one id, but in the entries of different repeats of a view: there, ids start with those of the entries. In a
 * component `set` goes by them.
 */
function checkIds(
  placed: readonly PlacedSource[],
  { name: view, pointer, component }: RootSource,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const taken = new Map<string, string>();
  // A view goes by its name, so no widget in it may.
  const idOfView = component ? undefined : view;
  for (const one of placed) {
    const { id } = one.widget;
    if (id === undefined) continue;
    const scope = `${(component ? undefined : entryAround(one)?.pointer) ?? ''}\n${id}`;
    const first = id === idOfView ? pointer : taken.get(scope);
    if (first === undefined) {
      taken.set(scope, `${one.pointer}/id`);
      continue;
    }
    const range = origin.atKey(first).range;
    const firstLine = range && origin.source ? origin.source.placeOf(range.start).line : 0;
    const facts = {
      id,
      firstLine,
      where: component ? 'component' : 'view',
      isView: id === idOfView,
    } as const;
    diagnostics.add('duplicate-id', facts, origin.at(`${one.pointer}/id`));
  }
}

/** What views and widgets have in common: how they arrange their children. */
function checkContainer(
  holder: Omit<ViewSource, 'use' | 'when'> & { readonly use?: string },
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
  left: (key: string) => boolean,
): void {
  const refuse = (key: string, expected: string) =>
    wrong(key, expected, (holder as Record<string, unknown>)[key], pointer, origin, diagnostics);
  const { arrange = 'free' } = holder;
  for (const key of ['columns', 'rows'] as const) {
    if (holder[key] !== undefined && arrange !== 'grid' && !left('arrange')) {
      diagnostics.add('key-needs', { key, needs: 'arrange: grid' }, origin.atKey(`${pointer}/${key}`));
    }
  }
  checkWeights(holder.columns, pointer, origin, diagnostics);
  const kind = 'kind' in holder ? (holder.kind as Kind) : undefined;
  const isTabs = kind === 'tabs';
  for (const key of ['gap', 'justify', 'align'] as const) {
    if (
      holder[key] !== undefined &&
      !left('arrange') &&
      !left('scroll') &&
      !mayArrange(holder) &&
      !('scroll' in holder)
    )
      diagnostics.add(
        'key-needs',
        { key, needs: 'arrange: row, column, wrap, grid, layers or pages' },
        origin.atKey(`${pointer}/${key}`),
      );
  }
  const said = holder as { readonly [key: string]: unknown };
  for (const [key, needs] of [
    ['scroll-snap', 'scroll'],
    ['shows-more', 'controls'],
  ] as const) {
    if (said[key] !== undefined && said[needs] === undefined && !left(needs) && holder.use === undefined)
      diagnostics.add('key-needs', { key, needs }, origin.atKey(`${pointer}/${key}`));
  }
  if (holder.page !== undefined && arrange !== 'pages' && !isTabs && !left('arrange')) {
    diagnostics.add(
      'key-needs',
      { key: 'page', needs: 'arrange: pages, or kind: tabs' },
      origin.atKey(`${pointer}/page`),
    );
  }
  const cells = arrange === 'grid' || arrange === 'layers' || arrange === 'pages';
  if (holder.justify !== undefined && cells && holder.justify.startsWith('space-')) {
    refuse('justify', `one of start, center, end, stretch in a ${arrange}`);
  }
  if (arrange === 'pages' || isTabs) checkChosen('page', holder, pointer, origin, diagnostics, left);
  checkChosen('selection', holder, pointer, origin, diagnostics, left);
}

/** A value and, of a list or map, what is in it, each with its pointer. */
function partsOf(key: string, value: unknown): readonly (readonly [string, unknown])[] {
  if (typeof value !== 'object' || value === null) return [[pointerTo('', key), value]];
  return Object.entries(value).map(([part, one]) => [pointerTo(pointerTo('', key), part), one]);
}

/** Keys whose notation cannot be read. */
function checkReadable(holder: object, pointer: string, origin: Origin, diagnostics: DiagnosticList): void {
  for (const [key, value] of Object.entries(holder) as [string, unknown][]) {
    const row = keyRow(key);
    if (row && (row.binds ?? 'put in') === 'put in' && key !== 'look') {
      const broken = partsOf(key, value).filter(([, part]) => isBroken(part));
      for (const [at, found] of broken as [string, string][])
        diagnostics.add(
          'not-worked-out',
          { key, found, meant: meantBy(found) },
          origin.at(`${pointer}${at}`),
        );
      if (broken.length > 0) continue;
    }
    if (value === undefined || !row?.read || row.read(value) !== undefined) continue;
    wrong(key, row.expected ?? row.schema.title ?? 'another value', value, pointer, origin, diagnostics);
  }
}

function wrong(
  key: string,
  expected: string,
  value: unknown,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  diagnostics.add('wrong-value', { key, expected, found: show(value) }, origin.at(pointerTo(pointer, key)));
}

function checkNotations(placed: PlacedSource, origin: Origin, diagnostics: DiagnosticList): void {
  const { pointer, arrange } = placed;
  const widget = withoutTemplates(placed.widget);
  const refuse = (key: string, expected: string) =>
    wrong(key, expected, (widget as Record<string, unknown>)[key], pointer, origin, diagnostics);
  if (arrange !== undefined && arrange !== 'free') {
    if (widget.kind === 'dialog' && arrange !== 'layers' && arrange !== 'pages')
      diagnostics.add(
        'dialog-in-flow',
        { arrange },
        { ...origin.at(`${pointer}/kind`), severity: 'warning' },
      );
    for (const key of freeKeys) {
      if (widget[key] !== undefined && widget[key] !== 'bleed') {
        diagnostics.add('anchor-in-flow', { key, arrange }, origin.atKey(`${pointer}/${key}`));
      }
    }
  }
  const left = (key: string) => leaves(placed.widget, key);
  const between = left('anchor-to') || anchorTargets(widget['anchor-to'] ?? '').length > 1;
  const anchor = left('anchor') ? undefined : readAnchor(widget.anchor ?? 'left top', between);
  if (!anchor && readAnchor(widget.anchor, true))
    refuse(
      'anchor',
      'an anchor whose spans run from left to right and from top to bottom; between two widgets they may cross',
    );
  if (anchor && widget.offset !== undefined) {
    const offset = readLengthPair(widget.offset);
    for (const axis of ['x', 'y'] as const) {
      if (offset && anchor[axis].span && (offset[axis].u !== 0 || offset[axis].share !== 0)) {
        const facts = { axis: axis === 'x' ? 'horizontal' : 'vertical' };
        diagnostics.add('offset-on-span', facts, origin.at(`${pointer}/offset`));
      }
    }
  }
  if (anchor && widget.inset !== undefined) {
    const spans = { x: anchor.x.span, y: anchor.y.span };
    if (!spans.x && !spans.y) diagnostics.add('inset-without-span', {}, origin.atKey(`${pointer}/inset`));
    else if (readInset(widget.inset, spans)) checkInset(widget.inset, spans, pointer, origin, diagnostics);
  }
  checkReadable(widget, pointer, origin, diagnostics);
  checkContainer(widget, pointer, origin, diagnostics, left);
  if (typeof widget.states === 'string' && !everyState.includes(widget.states)) {
    const facts = { key: 'states', found: show(widget.states), choices: everyState };
    const meant = nearestName(widget.states, everyState);
    diagnostics.add('not-one-of', { ...facts, meant }, origin.at(`${pointer}/states`));
  }
  const from = widget['fill-from'];
  if (widget.kind === 'slider' && (from === 'clockwise' || from === 'counterclockwise'))
    refuse('fill-from', 'left, right, top or bottom of a slider');
  if (typeof widget.trail === 'string')
    refuse('trail', 'a number from 0 to 1, or one value of the case such as "{before}"');
  if (typeof widget.value === 'string')
    refuse('value', 'a number from 0 to 1, or one value of the case such as "{hull}"');
}

/** A side that is said by itself keeps its distance only on an axis that spans. */
function checkInset(
  inset: unknown,
  spans: { readonly x: boolean; readonly y: boolean },
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const sides = readInset(inset, spans);
  for (const side of saidSides(inset)) {
    const axis = side === 'left' || side === 'right' ? 'x' : 'y';
    if (spans[axis] || !sides || (sides[side].u === 0 && sides[side].share === 0)) continue;
    const span =
      axis === 'x' ? 'a horizontal span, such as left..right' : 'a vertical span, such as top..bottom';
    const needs = `${span}; beside a point, say offset`;
    const at = Array.isArray(inset) || typeof inset !== 'object' ? 'inset' : `inset/${side}`;
    diagnostics.add('key-needs', { key: `inset: ${side}`, needs }, origin.atKey(`${pointer}/${at}`));
  }
}

function checkKind(
  { widget, pointer }: PlacedSource,
  origin: Origin,
  diagnostics: DiagnosticList,
  keys = Object.keys(widget),
): void {
  // What kind an instance is, its component says.
  if (widget.use !== undefined) return;
  const kind = widget.kind ?? 'panel';
  for (const key of keys) {
    const allowed = keyRow(key)?.kinds;
    if (allowed && !allowed.includes(kind)) {
      diagnostics.add(
        'key-not-for-kind',
        { key, kind, kinds: allowed },
        origin.atKey(pointerTo(pointer, key)),
      );
    }
  }
  if (kind === 'button' && keys.includes('text') && (widget.children?.length ?? 0) > 0) {
    diagnostics.add('text-and-children', { kind }, origin.atKey(`${pointer}/text`));
  }
}
