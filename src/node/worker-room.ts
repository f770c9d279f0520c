import type { ResourceLimits } from 'node:worker_threads';

/** Almost all that checking and proving make is gone a layout later: in so much room it is seldom looked through. */
export const workerRoom: ResourceLimits = { maxYoungGenerationSizeMb: 128 };
