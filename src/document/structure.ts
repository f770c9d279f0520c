import type { DiagnosticList } from './diagnostics.ts';
import {
  readAnchor,
  readAspect,
  readColumns,
  readGap,
  readInset,
  readLength,
  readLengthPair,
  readLimits,
  readPivot,
  readSides,
  readSize,
  readSizePair,
  readTrack,
  type Length,
} from './lengths.ts';
import {
  kinds,
  own,
  widgetsOf,
  type DocumentSource,
  type Kind,
  type Origin,
  type PlacedSource,
  type ViewSource,
  type WidgetSource,
} from './model.ts';
import { pointerTo } from './parse.ts';
import { nearestName } from './suggest.ts';
import { show } from './validate.ts';

const everyKind: readonly Kind[] = kinds;

/** Keys that only some kinds of widget have. */
const kindsOfKey: Readonly<Record<string, readonly Kind[]>> = {
  'text': ['text', 'button'],
  'wrap': ['text', 'button'],
  'image': ['image', 'panel', 'button'],
  'fit': ['image', 'panel', 'button'],
  'value': ['meter', 'separator'],
  'segments': ['meter'],
  'fill-from': ['meter'],
  'children': ['panel', 'button'],
  'arrange': ['panel', 'button'],
  'reverse': ['panel', 'button'],
  'columns': ['panel', 'button'],
  'rows': ['panel', 'button'],
  'page': ['panel'],
  'scroll': ['panel'],
  'scroll-offset': ['panel'],
  'gap': ['panel', 'button'],
  'align': ['panel', 'button'],
  'justify': ['panel', 'button'],
  'overflow': ['panel', 'button'],
};

/** What the schema cannot say: notations, names inside the views, keys that make no sense together. */
export function checkStructure(document: DocumentSource, origin: Origin, diagnostics: DiagnosticList): void {
  const limits = document.reference?.limits;
  if (limits !== undefined) {
    const read = readLimits(limits);
    if (read && read.least > read.most) {
      const facts = { key: 'limits', least: read.least, most: read.most };
      diagnostics.add('limits-crossed', facts, origin.at('/reference/limits'));
    }
  }
  for (const [name, view] of Object.entries(document.views)) {
    const pointer = pointerTo('/views', name);
    checkContainer(view, pointer, origin, diagnostics);
    // The view itself goes by its name, so no widget in it may.
    const ids = new Map<string, string>([[name, pointer]]);
    for (const placed of widgetsOf(view, pointer)) {
      checkId(placed, ids, origin, diagnostics);
      checkNotations(placed, origin, diagnostics);
      checkKind(placed, origin, diagnostics);
    }
    checkTargets([...widgetsOf(view, pointer)], origin, diagnostics);
    for (const { widget, pointer: at } of widgetsOf(view, pointer)) {
      if (Array.isArray(widget['may-overlap'])) {
        (widget['may-overlap'] as readonly string[]).forEach((id, index) => {
          if (ids.has(id)) return;
          const facts = { what: 'widget', name: id, meant: nearestName(id, ids.keys()) };
          diagnostics.add('unknown-name', facts, origin.at(`${at}/may-overlap/${index}`));
        });
      }
      if (widget['anchor-to'] !== undefined && !ids.has(widget['anchor-to'])) {
        const facts = {
          what: 'widget',
          name: widget['anchor-to'],
          meant: nearestName(widget['anchor-to'], ids.keys()),
        };
        diagnostics.add('unknown-name', facts, origin.at(`${at}/anchor-to`));
      }
      if (widget.image !== undefined && own(document.pictures, widget.image) === undefined) {
        const meant = nearestName(widget.image, Object.keys(document.pictures ?? {}));
        diagnostics.add(
          'unknown-name',
          { what: 'picture', name: widget.image, meant },
          origin.at(`${at}/image`),
        );
      }
    }
  }
}

/** The place of a widget follows from that of its parent and of the widget it is anchored to: no circle in that. */
function checkTargets(placed: readonly PlacedSource[], origin: Origin, diagnostics: DiagnosticList): void {
  const byId = new Map<string, PlacedSource>();
  for (const one of placed) if (one.widget.id !== undefined) byId.set(one.widget.id, one);
  const done = new Set<PlacedSource>();
  for (const start of placed) {
    if (start.widget['anchor-to'] === undefined || done.has(start)) continue;
    const path: { at: PlacedSource; next: PlacedSource[] }[] = [];
    const enter = (at: PlacedSource) => {
      const target = at.widget['anchor-to'];
      const next = [at.parent, target === undefined ? undefined : byId.get(target)];
      path.push({ at, next: next.filter((one) => one !== undefined) });
    };
    enter(start);
    while (path.length > 0) {
      const top = path.at(-1)!;
      const next = top.next.pop();
      if (!next) {
        done.add(top.at);
        path.pop();
        continue;
      }
      if (done.has(next)) continue;
      const seen = path.findIndex(({ at }) => at === next);
      if (seen < 0) {
        enter(next);
        continue;
      }
      const circle = path.slice(seen).map(({ at }) => at);
      const anchored = circle.find((one) => one.widget['anchor-to'] !== undefined) ?? next;
      const chain = [...circle, next].map((one) => one.widget.id ?? one.pointer);
      diagnostics.add(
        'name-chain',
        { what: 'this anchor', chain },
        origin.at(`${anchored.pointer}/anchor-to`),
      );
      circle.forEach((one) => done.add(one));
      break;
    }
  }
}

function checkId(
  placed: PlacedSource,
  ids: Map<string, string>,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const { widget, pointer } = placed;
  if (widget.id === undefined) return;
  const first = ids.get(widget.id);
  if (first === undefined) {
    ids.set(widget.id, `${pointer}/id`);
    return;
  }
  const range = origin.atKey(first).range;
  const firstLine = range && origin.source ? origin.source.placeOf(range.start).line : 0;
  diagnostics.add('duplicate-id', { id: widget.id, firstLine }, origin.at(`${pointer}/id`));
}

/** What views and widgets have in common: how they arrange their children. */
function checkContainer(
  holder: ViewSource | WidgetSource,
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  const refuse = (key: string, expected: string) =>
    wrong(key, expected, (holder as Record<string, unknown>)[key], pointer, origin, diagnostics);
  const { arrange = 'free' } = holder;
  if (holder.padding !== undefined && !isPlainSides(holder.padding)) refuse('padding', oneToFour);
  if (holder.gap !== undefined && !readGap(holder.gap)) refuse('gap', 'one or two numbers of u');
  if (holder.columns !== undefined && !readColumns(holder.columns)) {
    refuse('columns', 'a number of columns, their sizes such as "120 content fill 2", or "auto 120"');
  }
  if (holder.rows !== undefined && !readTrack(holder.rows)) refuse('rows', 'a number of u, content or fill');
  for (const key of ['columns', 'rows'] as const) {
    if (holder[key] !== undefined && arrange !== 'grid') {
      diagnostics.add('key-needs', { key, needs: 'arrange: grid' }, origin.atKey(`${pointer}/${key}`));
    }
  }
  if (holder.page !== undefined && arrange !== 'pages') {
    diagnostics.add('key-needs', { key: 'page', needs: 'arrange: pages' }, origin.atKey(`${pointer}/page`));
  }
  const cells = arrange === 'grid' || arrange === 'layers' || arrange === 'pages';
  if (holder.justify !== undefined && cells && holder.justify.startsWith('space-')) {
    refuse('justify', `one of start, center, end, stretch in a ${arrange}`);
  }
  if (arrange === 'pages') {
    const ids = (holder.children ?? []).flatMap(({ id }) => (id === undefined ? [] : [id]));
    if (holder.page !== undefined && !ids.includes(holder.page)) {
      const facts = { what: 'page', name: holder.page, meant: nearestName(holder.page, ids) };
      diagnostics.add('unknown-name', facts, origin.at(`${pointer}/page`));
    }
  }
}

const oneToFour = 'one to four numbers of u in the order of CSS: top right bottom left';

function isPlainSides(value: unknown): boolean {
  const sides = readSides(value);
  return sides !== undefined && Object.values(sides).every((side: Length) => side.share === 0);
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
  const { widget, pointer, arrange } = placed;
  const refuse = (key: string, expected: string) =>
    wrong(key, expected, (widget as Record<string, unknown>)[key], pointer, origin, diagnostics);
  if (arrange !== 'free') {
    for (const key of ['anchor', 'offset', 'inset', 'area', 'anchor-to'] as const) {
      if (widget[key] !== undefined) {
        diagnostics.add('anchor-in-flow', { key, arrange }, origin.atKey(`${pointer}/${key}`));
      }
    }
  }
  const anchor = readAnchor(widget.anchor ?? 'left top');
  if (!anchor) refuse('anchor', 'an anchor such as "right bottom", "left..right top" or "25% center"');
  if (widget.pivot !== undefined && !readPivot(widget.pivot)) {
    refuse('pivot', 'a point such as "right bottom", "center" or "0.5 1"');
  }
  if (anchor && widget.offset !== undefined) {
    const offset = readLengthPair(widget.offset);
    if (!offset) refuse('offset', 'one or two lengths such as -24 or "-24 12"');
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
    else if (!readInset(widget.inset, spans)) refuse('inset', 'the distances kept from the ends of a span');
  }
  for (const key of ['width', 'height'] as const) {
    if (widget[key] !== undefined && !readSize(widget[key])) refuse(key, 'a length, content or fill');
  }
  if (widget.size !== undefined && !readSizePair(widget.size)) refuse('size', 'one or two sizes');
  for (const key of ['min-width', 'max-width', 'min-height', 'max-height'] as const) {
    if (widget[key] !== undefined && !readLength(widget[key])) refuse(key, 'a length');
  }
  if (widget.margin !== undefined && !isPlainSides(widget.margin)) refuse('margin', oneToFour);
  checkContainer(widget, pointer, origin, diagnostics);
  if (widget.aspect !== undefined && readAspect(widget.aspect) === undefined) {
    refuse('aspect', 'a ratio from 0.0001 to 10000 such as 1.5 or "16/9"');
  }
  for (const key of ['scroll-offset', 'skew'] as const) {
    const pair = widget[key] === undefined ? undefined : readLengthPair(widget[key]);
    if (widget[key] !== undefined && (!pair || pair.x.share !== 0 || pair.y.share !== 0)) {
      refuse(key, 'one or two numbers');
    }
  }
  if (
    widget.value !== undefined &&
    typeof widget.value === 'string' &&
    !/^\{[\p{L}_][\p{L}\p{N}_-]*\}$/u.test(widget.value)
  ) {
    refuse('value', 'a number from 0 to 1, or one value of the case such as "{hull}"');
  }
}

function checkKind(placed: PlacedSource, origin: Origin, diagnostics: DiagnosticList): void {
  const { widget, pointer } = placed;
  const kind = widget.kind ?? 'panel';
  for (const key of Object.keys(widget)) {
    const allowed = own(kindsOfKey, key) ?? everyKind;
    if (!allowed.includes(kind)) {
      diagnostics.add(
        'key-not-for-kind',
        { key, kind, kinds: allowed },
        origin.atKey(pointerTo(pointer, key)),
      );
    }
  }
  if (kind === 'button' && widget.text !== undefined && (widget.children?.length ?? 0) > 0) {
    diagnostics.add('text-and-children', { kind }, origin.atKey(`${pointer}/text`));
  }
}
