import { controls } from '../../dress/index.ts';
import { intersection } from '../../scene/index.ts';
import { usableControls } from './focus-map.ts';
import type { Subject } from './subject.ts';

/** A control that can be pressed, and how large what is left of it is, in device px. */
export interface TargetSize {
  readonly index: number;
  readonly width: number;
  readonly height: number;
}

/** Every control that can be pressed, as large as it can be hit: what a clip leaves of it. Those that are cut off wholly are left out. */
export function* targetSizes(subject: Subject): Generator<TargetSize> {
  for (const index of usableControls(subject)) {
    // A divider is as thin as it looks; a drag takes hold of it from beside, too.
    if (!controls.has(subject.widgets[index]!.kind)) continue;
    const clip = subject.cutter(index);
    const whole = subject.rect(index);
    const { width, height } = clip ? intersection(whole, clip) : whole;
    const times = subject.form.scale[index]!;
    if (Math.min(width, height) > rounding) yield { index, width: width * times, height: height * times };
  }
}

/** In px: what the last digits of two edges that are the same leave between them. */
const rounding = 1e-6;
