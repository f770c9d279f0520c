import type { Screen } from '../screen/index.ts';
import { Decisions, type SteadyBetween } from './decisions.ts';
import type { Frame, Reference } from './frame.ts';
import type { AxisPlan, Plan } from './plan.ts';
import { recordedSolver } from './solver.generated.ts';
import { markAll } from './solve.ts';

/** What is laid out: a plan, and how its surface is placed. */
export interface Solved {
  readonly reference: Reference;
  readonly hudSize: number;
  /** The plan for a frame; it is solved, and its own history forgotten. */
  readonly planOn: (frame: Frame) => Plan;
}

/** Solves and remembers what was decided, and solves again with the same decisions on other screens. */
export class Playback {
  readonly decisions: Decisions;
  readonly #solver: ReturnType<typeof recordedSolver>;

  /** @param steadyBetween What is known of the lines of a leaf. */
  constructor(steadyBetween: SteadyBetween) {
    this.decisions = new Decisions(steadyBetween);
    this.#solver = recordedSolver(this.decisions);
  }

  /** Solves for a screen, and records every decision. */
  record(what: Solved, screen: Screen): Frame {
    this.decisions.record();
    return this.#solve(what, screen);
  }

  /** Solves for another screen as if every decision were the one recorded. */
  play(what: Solved, screen: Screen): Frame {
    this.decisions.play();
    return this.#solve(what, screen);
  }

  #solve({ reference, hudSize, planOn }: Solved, screen: Screen): Frame {
    const frame = this.#solver.place(reference, screen, hudSize);
    // A screen without area has no scale, and nothing on it a size.
    this.decisions.unit = frame.scale > 0 ? frame.scale : 1;
    const plan = planOn(frame);
    forget(plan);
    this.#solver.solve(plan, frame);
    return frame;
  }
}

/** Takes away all that is left of earlier solves: what is decided then follows from the screen alone. */
function forget(plan: Plan): void {
  for (const axis of [plan.x, plan.y]) forgetAxis(axis);
  plan.safeLeft = plan.safeRight = plan.safeTop = plan.safeBottom = NaN;
  for (const part of plan.parts) part.factor = NaN;
  markAll(plan);
}

function forgetAxis(axis: AxisPlan): void {
  axis.need.fill(NaN);
  axis.least.fill(NaN);
  axis.start.fill(NaN);
  axis.length.fill(NaN);
  for (const n of axis.paddings.keys()) axis.paddingStart[n] = axis.paddingEnd[n] = NaN;
  // The surface itself stands at its own start.
  axis.start[0] = 0;
  axis.carriedMost.fill(Infinity);
  axis.carriedLeast.fill(0);
}
