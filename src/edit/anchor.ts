import { readAnchor, readPivot, type CheckedDocument } from '../document/index.ts';
import type { View } from '../view/index.ts';
import { DocumentText } from './document-text.ts';
import { boundKept } from './bound.ts';
import { EditError } from './edit-error.ts';
import type { Editing } from './editing.ts';
import { adviceFor, axes, asBefore, directionOf, marginsOf, placeKeys, saysSize, lengthOf } from './place.ts';
import { putLength } from './put-length.ts';
import { anchoredStanding, referenceScreen } from './standing.ts';

/** The anchor a widget should have from where it stands, and why. */
export interface AnchorAdvice {
  readonly anchor: string;
  readonly why: string;
}

/** Suggests the anchor a widget should have from where it stands on the reference. @throws EditError */
export function suggestAnchor(view: View, id: string): AnchorAdvice {
  const standing = anchoredStanding(view.layoutOn(referenceScreen(view)), id);
  const { x, y } = adviceFor(standing.own, standing.room, directionOf(standing));
  return { anchor: `${x.word} ${y.word}`, why: `${x.why}; ${y.why}` };
}

/**
 * Gives a widget another anchor (and pivot, which follows it if left out) and keeps its place on the reference; offsets
 * or insets become what they have to be. Comments and formatting of the document stay.
 * @returns the changed text. @throws EditError
 */
export function changeAnchor(
  document: CheckedDocument,
  view: View,
  id: string,
  anchorText: string,
  pivotText?: string,
): string {
  const text = new DocumentText(document);
  putAnchor(text, view, id, anchorText, pivotText);
  return text.text;
}

/** The same in whatever holds the document. @throws EditError */
export function putAnchor(
  text: Editing,
  view: View,
  id: string,
  anchorText: string,
  pivotText?: string,
): void {
  const anchor = readAnchor(anchorText);
  const pivot = pivotText === undefined ? undefined : readPivot(pivotText);
  if (!anchor)
    throw new EditError(`"${anchorText}" is no anchor such as "right bottom" or "left..right top"`);
  if (pivotText !== undefined && !pivot)
    throw new EditError(`"${pivotText}" is no point such as "center" or "0.5 1"`);
  const standing = anchoredStanding(view.layoutOn(referenceScreen(view)), id);
  const { own, room, source, pointer, widget } = standing;
  text.set(pointer, 'anchor', anchorText);
  if (pivotText !== undefined) text.set(pointer, 'pivot', pivotText);
  else if (source.pivot !== undefined) text.remove(pointer, 'pivot');
  for (const [key, value] of placeKeys(
    own,
    room,
    anchor,
    pivot ?? {},
    marginsOf(widget),
    widget.box.rightToLeft,
  )) {
    const kept = boundKept(text, widget, key, value);
    if (kept !== undefined)
      text.set(pointer, key, asBefore((source as { [one: string]: unknown })[key], kept));
    else text.remove(pointer, key);
  }
  for (const axis of axes) {
    if (anchor[axis].span && saysSize(standing, axis)) putLength(text, standing, axis, 'fill');
    // A size that followed from a span has to be said once the span is gone.
    if (!anchor[axis].span && widget.box[axis].span && widget.box[axis].mode !== 'fixed')
      putLength(text, standing, axis, lengthOf(standing, axis));
  }
}
