import type { CheckedDocument } from '../document/index.ts';
import type { View } from '../view/index.ts';
import { EditError, exactNumber, referenceScreen, splicesFor, standing } from './anchor.ts';
import { spliced } from './splice.ts';

/**
 * Turns the offset, insets and said sizes of a widget into shares of its parent, or back into u, and keeps its place on
 * the reference: as shares they grow with the parent, in u they do not.
 * @returns the changed text. @throws EditError
 */
export function changeLengths(
  document: CheckedDocument,
  view: View,
  id: string,
  into: 'shares' | 'u',
): string {
  const text = document.origin.source?.text;
  if (text === undefined) throw new EditError('the document was not read from a text');
  const on = view.layoutOn(referenceScreen(view));
  const { own, room, ownUnit, source, pointer } = standing(on, id);
  const { box } = on.widgets[on.indexOf(id)]!;
  const written = (u: number, whole: number): string => {
    if (into === 'u' || u === 0) return exactNumber(u);
    if (whole === 0) throw new EditError(`"${id}" stands in a parent without size: nothing is a share of it`);
    return `${exactNumber((u / whole) * 100)}%`;
  };
  const keys = new Map<string, string>();
  if (source.offset !== undefined) {
    const x = box.x.offset.u + box.x.offset.share * room.width;
    const y = box.y.offset.u + box.y.offset.share * room.height;
    keys.set('offset', `["${written(x, room.width)}", "${written(y, room.height)}"]`);
  }
  if (source.inset !== undefined) {
    const sides: string[] = [];
    const add = (name: string, { u, share }: { u: number; share: number }, whole: number) =>
      sides.push(`${name}: "${written(u + share * whole, whole)}"`);
    if (box.x.span) {
      add('left', box.x.insetStart, room.width);
      add('right', box.x.insetEnd, room.width);
    }
    if (box.y.span) {
      add('top', box.y.insetStart, room.height);
      add('bottom', box.y.insetEnd, room.height);
    }
    keys.set('inset', `{ ${sides.join(', ')} }`);
  }
  const width =
    box.x.mode === 'fixed'
      ? `"${written(into === 'u' ? own.width / ownUnit : own.width, room.width)}"`
      : undefined;
  const height =
    box.y.mode === 'fixed'
      ? `"${written(into === 'u' ? own.height / ownUnit : own.height, room.height)}"`
      : undefined;
  if (width !== undefined && (source.width !== undefined || source.size !== undefined))
    keys.set('width', width);
  if (height !== undefined && (source.height !== undefined || source.size !== undefined))
    keys.set('height', height);
  if (keys.size === 0) throw new EditError(`"${id}" says no offset, inset or size`);
  return spliced(text, splicesFor(document, pointer, keys));
}
