/* A view in; matchers of Jest out, for the tests of a team of its own. */
import type { pimbotMatchers as matchers } from './matchers.ts';

export { pimbotMatchers } from './matchers.ts';
export type { MatcherAnswer, MatcherOptions } from './matchers.ts';

/**
 * The matchers as they are called. Jest's global types know them; who imports `expect` from `@jest/globals` says
 * `declare module 'expect' { interface Matchers<R> extends PimbotMatchers {} }` once.
 */
export type PimbotMatchers = {
  readonly [Name in keyof typeof matchers]: (typeof matchers)[Name] extends (
    received: unknown,
    ...rest: infer Rest
  ) => unknown
    ? (...rest: Rest) => void
    : never;
};

/* eslint-disable @typescript-eslint/no-namespace, @typescript-eslint/no-empty-object-type, @typescript-eslint/no-unused-vars --
   the name and the parameters are those of Jest's own types, so that the two are one. */
declare global {
  namespace jest {
    interface Matchers<R, T = {}> extends PimbotMatchers {}
  }
}
