import type { Page } from '../page.ts';
import { alarm } from './alarm.ts';
import { archive } from './archive.ts';
import { bridge } from './bridge.ts';
import { card } from './card.ts';
import { letter } from './letter.ts';
import { lockers } from './lockers.ts';
import { rack } from './rack.ts';
import { radio } from './radio.ts';
import { tuning } from './tuning.ts';
import { valves } from './valves.ts';

/** One page for each view of answers.yaml, by its name. */
export const pages: { readonly [view: string]: Page } = {
  card,
  bridge,
  letter,
  rack,
  radio,
  valves,
  lockers,
  tuning,
  alarm,
  archive,
};
