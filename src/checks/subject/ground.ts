import type { Kind } from '../../document/index.ts';
import { covers } from './beds.ts';
import type { Subject } from './subject.ts';

/**
 * Whether a widget is the ground of what it is in: a panel, picture or canvas with nothing in it, drawn before everything else
 * there but other grounds, that fills its parent here and on the reference: a background, a vignette, a veil.
 */
export function isGround(subject: Subject, index: number): boolean {
  const { form, widgets } = subject;
  if (!fillsBare(subject, index)) return false;
  const { parent } = widgets[index]!;
  for (let at = parent + 1; at < form.end[parent]!; at = form.end[at]!)
    if (form.places[at]! < form.places[index]! && subject.paintsWithin(at) && !fillsBare(subject, at))
      return false;
  return true;
}

/** Kinds that may lie under others: a background, a picture, what the game draws. */
export const grounds: ReadonlySet<Kind> = new Set(['panel', 'image', 'canvas']);

/** Whether one of them with nothing in it fills its parent here and on the reference, whatever lies under it. */
export function fillsBare(subject: Subject, index: number): boolean {
  const { kind, parent, text, id } = subject.widgets[index]!;
  if (parent < 0 || text || !grounds.has(kind)) return false;
  if (subject.form.end[index] !== index + 1) return false;
  if (!covers(subject.rect(index), parent === 0 ? subject.safeRect : subject.rect(parent))) return false;
  const reference = subject.onReference();
  const old = reference.find(id);
  if (old === undefined) return true;
  const { layout, tree } = reference;
  return covers(layout.rect(old), layout.rect(tree.widgets[old]!.parent));
}
