/*
 * `npm test` looks at a part that shows every mechanism, `npm run deep` at everything: PIMBOT_DEEP is what tells them
 * apart. PIMBOT_SEED gives what is made by chance another start, PIMBOT_COUNT another number.
 */

export const isDeep = process.env.PIMBOT_DEEP === '1';

/** How often something is tried. */
export function rounds(few: number, many: number): number {
  if (!isDeep) return few;
  return process.env.PIMBOT_COUNT === undefined ? many : Number(process.env.PIMBOT_COUNT);
}

/** Where chance starts. */
export function seedOf(usual: number): number {
  return process.env.PIMBOT_SEED === undefined ? usual : Number(process.env.PIMBOT_SEED);
}

/** A start that is another one in every run; what fails has to name it, so that PIMBOT_SEED brings it back. */
export function newSeed(): number {
  return seedOf(Math.floor(Math.random() * 1e9));
}
