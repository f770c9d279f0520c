/* eslint-disable @typescript-eslint/no-empty-object-type */
/* As much of Jest's global types as a project has that writes tests in TypeScript. */
declare namespace jest {
  interface Matchers<R, T = {}> {
    readonly not: Matchers<R, T>;
  }
}
declare const expect: {
  (received: unknown): jest.Matchers<void>;
  extend(matchers: object): void;
};
declare function test(title: string, run: () => void): void;
