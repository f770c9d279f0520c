import type { Kind } from '../../document/index.ts';
import type { Rect } from '../../layout/index.ts';
import { covers } from './beds.ts';
import type { Subject } from './subject.ts';

/**
 * Whether a widget is the ground of what it is in: a panel, picture or canvas with nothing in it, drawn before everything else
 * there but other grounds, that fills its parent here and on the reference: a background, a vignette, a veil.
 */
export function isGround(subject: Subject, index: number): boolean {
  return groundsUpTo(subject, index)?.every((one) => fills(subject, one)) ?? false;
}

/** What has to fill its parent for a widget to be a ground: itself, and what is drawn there before it; undefined of what never is one. */
export function groundsUpTo(subject: Subject, index: number): readonly number[] | undefined {
  const known = subject.form.once('grounds', () => new Map<number, readonly number[] | undefined>());
  if (!known.has(index)) known.set(index, groundsFor(subject, index));
  return known.get(index);
}

function groundsFor(subject: Subject, index: number): readonly number[] | undefined {
  if (!mayFill(subject, index)) return undefined;
  const { form, widgets } = subject;
  const { parent } = widgets[index]!;
  const all = [index];
  for (let at = parent + 1; at < form.end[parent]!; at = form.end[at]!)
    if (form.places[at]! < form.places[index]! && subject.paintsWithin(at)) all.push(at);
  return all.every((one) => mayFill(subject, one)) ? all : undefined;
}

/** Kinds that may lie under others: a background, a picture, what the game draws. */
export const grounds: ReadonlySet<Kind> = new Set(['panel', 'image', 'canvas']);

/** Whether one of them with nothing in it fills its parent here and on the reference, whatever lies under it. */
export function fillsBare(subject: Subject, index: number): boolean {
  return mayFill(subject, index) && fills(subject, index);
}

/** The same on the reference alone. */
export function mayFill(subject: Subject, index: number): boolean {
  const { kind, parent, text, id } = subject.widgets[index]!;
  if (parent < 0 || text || !grounds.has(kind)) return false;
  if (subject.form.end[index] !== index + 1) return false;
  const reference = subject.onReference();
  const old = reference.find(id);
  if (old === undefined) return true;
  const { layout, tree } = reference;
  return covers(layout.rect(old), layout.rect(tree.widgets[old]!.parent));
}

/** Whether one that may fills its parent here. */
export function fills(subject: Subject, index: number): boolean {
  return covers(subject.rect(index), roomOf(subject, index));
}

/** What a ground fills, in device px: its parent, or what is left of the screen. */
export function roomOf(subject: Subject, index: number): Rect {
  const { parent } = subject.widgets[index]!;
  return parent === 0 ? subject.safeRect : subject.rect(parent);
}
