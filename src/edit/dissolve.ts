import type { AxisAnchor, CheckedDocument } from '../document/index.ts';
import type { View, ViewLayout } from '../view/index.ts';
import { DocumentText } from './document-text.ts';
import { EditError } from './edit-error.ts';
import { withPlacesKept } from './moves.ts';
import { axes, directionOf, lengthOf } from './place.ts';
import { putLength } from './put-length.ts';
import { asWritten, putPlace } from './put-place.ts';
import { referenceScreen, roomIn, standingOf, type Standing } from './standing.ts';

/**
 * Takes a container out and puts its children into its place, each where it stands on the reference.
 * @returns the changed text. @throws EditError
 */
export function dissolveWidget(document: CheckedDocument, view: View, id: string): string {
  const on = view.layoutOn(referenceScreen(view));
  const container = standingOf(on, id);
  const { widget, source, parent, pointer } = container;
  for (const key of ['use', 'repeat', 'slot', 'when', 'scroll', 'reference', 'rotate', 'skew'] as const) {
    if (source[key] !== undefined)
      throw new EditError(`"${id}" has ${key}, which would be lost for what is in it: take it out first`);
  }
  const inside = on.widgets
    .filter(({ parent: around }) => around === widget.index)
    .map((child) => standingOf(on, child.id));
  const text = new DocumentText(document);
  if (parent.box.arrange === 'free') {
    for (const child of inside)
      if (child.widget.box.target === undefined) release(text, on, container, child);
  } else if (parent.box.arrange !== widget.box.arrange) {
    throw new EditError(
      `"${id}" stands in a ${parent.box.arrange} and is a ${widget.box.arrange} itself: what is in it has no place of its own there`,
    );
  }
  const slash = pointer.lastIndexOf('/');
  text.dissolve(pointer.slice(0, slash), Number(pointer.slice(slash + 1)));
  return withPlacesKept(document, view, text.text, id);
}

/** Writes the place of a child in the room its container had: with the container's anchor, and its own within a span. */
function release(text: DocumentText, on: ViewLayout, container: Standing, child: Standing): void {
  const { widget } = container;
  const { pointer } = child;
  const room = roomIn(on, container.parent, widget.box.full);
  const free = widget.box.arrange === 'free';
  const pivot: { x?: number; y?: number } = {};
  const compose = (axis: 'x' | 'y'): AxisAnchor => {
    const outer = widget.box[axis];
    const inner = child.widget.box[axis];
    const between = outer.anchorEnd - outer.anchorStart;
    if (!outer.span || !free) {
      if (!outer.span && outer.pivot !== (outer.anchorStart + outer.anchorEnd) / 2) pivot[axis] = outer.pivot;
      return { start: outer.anchorStart, end: outer.anchorStart, span: false, logical: false };
    }
    pivot[axis] = inner.pivot;
    const at = (inside: number) => outer.anchorStart + inside * between;
    return { start: at(inner.anchorStart), end: at(inner.anchorEnd), span: inner.span, logical: false };
  };
  // A container that says start or end hands that on; the places within it are composed as they are seen.
  const direction = { ...directionOf(container), rightToLeft: child.widget.box.rightToLeft };
  const anchor = { x: asWritten(compose('x'), direction), y: compose('y') };
  for (const key of ['align-self', 'justify-self', 'column-span', 'row-span']) text.remove(pointer, key);
  putPlace(text, child, room, anchor, pivot);
  if (widget.box.full) text.set(pointer, 'area', 'full');
  for (const axis of axes) {
    const box = child.widget.box[axis];
    const shared = box.mode === 'fixed' ? box.size.share !== 0 : box.mode === 'fill' && !anchor[axis].span;
    const spanned = free && box.mode === 'auto' && box.span && !anchor[axis].span;
    // A text keeps the size of its words unless its container stretched it.
    const flowed = !free && box.mode === 'auto' && (!child.widget.text || stretches(container, child, axis));
    if (shared || spanned || flowed) putLength(text, child, axis, lengthOf(child, axis));
  }
}

/** Whether a row, column or other arrangement gave a child a size it would not have by itself. */
function stretches({ widget }: Standing, child: Standing, axis: 'x' | 'y'): boolean {
  const { arrange } = widget.box;
  const across = arrange === 'row' ? 'y' : arrange === 'column' ? 'x' : undefined;
  if (across !== undefined && across !== axis) return false;
  return (child.widget.box.alignSelf ?? widget.box.align) === 'stretch';
}
