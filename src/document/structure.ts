import type { DiagnosticList } from './diagnostics.ts';
import {
  readAnchor,
  readInset,
  readLength,
  readLengthPair,
  readLimits,
  readPivot,
  readSides,
  readSize,
  readSizePair,
  type Length,
} from './lengths.ts';
import { own, widgetsOf, type DocumentSource, type Kind, type Origin, type PlacedSource } from './model.ts';
import { pointerTo } from './parse.ts';
import { nearestName } from './suggest.ts';
import { show } from './validate.ts';

const everyKind: readonly Kind[] = ['panel', 'text', 'image', 'button', 'meter'];

/** Keys that only some kinds of widget have. */
const kindsOfKey: Readonly<Record<string, readonly Kind[]>> = {
  'text': ['text', 'button'],
  'wrap': ['text', 'button'],
  'image': ['image', 'panel', 'button'],
  'fit': ['image', 'panel', 'button'],
  'value': ['meter'],
  'segments': ['meter'],
  'fill-from': ['meter'],
  'children': ['panel', 'button'],
  'arrange': ['panel', 'button'],
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
    checkPadding(view, pointer, origin, diagnostics);
    // The view itself goes by its name, so no widget in it may.
    const ids = new Map<string, string>([[name, pointer]]);
    for (const placed of widgetsOf(view, pointer)) {
      checkId(placed, ids, origin, diagnostics);
      checkNotations(placed, origin, diagnostics);
      checkKind(placed, origin, diagnostics);
    }
    for (const { widget, pointer: at } of widgetsOf(view, pointer)) {
      if (Array.isArray(widget['may-overlap'])) {
        (widget['may-overlap'] as readonly string[]).forEach((id, index) => {
          if (ids.has(id)) return;
          const facts = { what: 'widget', name: id, meant: nearestName(id, ids.keys()) };
          diagnostics.add('unknown-name', facts, origin.at(`${at}/may-overlap/${index}`));
        });
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

function checkPadding(
  holder: { readonly padding?: unknown },
  pointer: string,
  origin: Origin,
  diagnostics: DiagnosticList,
): void {
  if (holder.padding === undefined || isPlainSides(holder.padding)) return;
  wrong('padding', oneToFour, holder.padding, pointer, origin, diagnostics);
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
    for (const key of ['anchor', 'pivot', 'offset', 'inset', 'area'] as const) {
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
  for (const key of ['margin', 'padding'] as const) {
    if (widget[key] !== undefined && !isPlainSides(widget[key])) refuse(key, oneToFour);
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
