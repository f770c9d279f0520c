import { everyday } from './defects/everyday.ts';
import { ofFocus } from './defects/focus.ts';
import { ofPictures } from './defects/pictures.ts';
import { placed } from './defects/placed.ts';
import { reachable } from './defects/reachable.ts';
import { chosen } from './defects/chosen.ts';
import { missed } from './defects/missed.ts';
import { onScreens } from './defects/screens.ts';
import { readable } from './defects/readable.ts';
import { written } from './defects/written.ts';
import type { Defect } from './sample.ts';

/** Every kind of mistake that is injected into views that are right. */
export const defects: readonly Defect[] = [
  ...placed,
  ...onScreens,
  ...readable,
  ...ofPictures,
  ...reachable,
  ...ofFocus,
  ...missed,
  ...chosen,
  ...written,
  ...everyday,
];
