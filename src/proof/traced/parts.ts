import {
  hollowOf,
  isRing,
  pastHole,
  roomOf,
  sliver,
  type excusesOf,
  type Subject,
} from '../../checks/index.ts';
import { enlarged } from '../../scene/index.ts';
import type { CellScenes } from '../cell-scenes.ts';
import { plus, type Affine } from '../polygon.ts';
import { marginsOf, reachesOver } from './boxes.ts';
import { staysPut } from './products.ts';
import { Where } from './where.ts';

/*
 * What excuses a failing may hold on some sizes of a cell alone: a picture fills a screen up to a width, a text stands inside of a
 * frame. What is told is what fails less what is excused, as convex parts.
 */

/** Parts of a cell, which may overlap: in each, every number is above 0. None at all is nowhere; one without numbers is everywhere. */
export type Parts = readonly (readonly Affine[])[];

export const everywhere: Parts = [[]];

/** Where both are. */
export function both(some: Parts, others: Parts): Parts {
  return some.flatMap((one) => others.map((other) => [...one, ...other]));
}

/** Where something is not excused, and where nobody can say. */
export interface Lacking {
  readonly certain: Parts;
  readonly unsure: Parts;
}

/** Where what may excuse that two widgets overlap does not. */
export function lackingOf(cell: CellScenes, excuse: ReturnType<typeof excusesOf>[number]): Lacking {
  if (excuse.by === 'grounds') return { certain: unfilled(cell, excuse.grounds), unsure: [] };
  const { frame, inside } = excuse;
  const { turner } = cell.form;
  const isAlike = cell.middle.isTurnedWith(inside, frame);
  // What is seen of the one in the frame of the other has more corners than a box.
  if (!isAlike && (turner[frame]! > 0 || turner[inside]! > 0)) return { certain: [], unsure: everywhere };
  const seen = cell.seenBeside(inside, frame);
  // Round corners decide too; how far something is out of them is known where the two are the same drawing on all sizes.
  if (isRing(cell.middle, frame) && staysPut(cell, [cell.border(frame), ...seen])) {
    const past = cell.number((subject) => pastHole(subject, inside, frame));
    return { certain: partsAbove(cell, plus(past, -sliver)), unsure: [] };
  }
  const times = cell.form.scale[frame]!;
  const hollow = cell.box((subject) => enlarged(hollowOf(subject, frame) ?? unknown, times));
  const beside = partsOver(reachesOver(cell, seen, hollow, sliver));
  if (!isRing(cell.middle, frame)) return { certain: beside, unsure: [] };
  const [own] = seen;
  const within = marginsOf(own!, hollow).map((room) => plus(room, sliver));
  return { certain: beside, unsure: seen.length > 1 ? everywhere : [within] };
}

function partsAbove(cell: CellScenes, number: Affine): Parts {
  const { numbers } = new Where(cell).above(number);
  return numbers ? [numbers] : [];
}

/** Where some widgets do not all fill what they are in. */
export function unfilled(cell: CellScenes, widgets: readonly number[]): Parts {
  return widgets.flatMap((widget) =>
    partsOver(
      reachesOver(cell, [cell.box((subject) => roomOf(subject, widget))], cell.border(widget), sliver),
    ),
  );
}

/** Where boxes reach over any of some edges. */
export function partsOver(over: ReturnType<typeof reachesOver>): Parts {
  return over.map(({ where }) => where.numbers!);
}

/** What is no function of the size, as nobody knows it on all of them. */
const unknown: ReturnType<Subject['rect']> = { x: NaN, y: NaN, width: NaN, height: NaN };
