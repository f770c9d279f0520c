// Where tests run: Node's environment of Jest, with the code under test outside of it. A suite has a scope of its own; what
// it tests has no state of its own, so it is loaded, and made fast by the engine, once for all suites of a process.
import { TestEnvironment } from 'jest-environment-node';

// Not those that the engine itself throws, which are of the scope whose code went wrong.
const kinds = [Error, RangeError, Map, Set, Float64Array, Float32Array, Int32Array, Uint32Array];

export default class extends TestEnvironment {
  /** @override */
  async setup() {
    await super.setup();
    /** @param {string} url */
    this.global.loadShared = (url) => import(url);
    // One process: a test that goes to a folder takes the code with it, whoever keeps in mind where that was.
    Object.assign(this.global.process, {
      cwd: () => process.cwd(),
      chdir: (/** @type {string} */ folder) => process.chdir(folder),
    });
    // What it throws and hands out is of the same kinds as what a test names.
    for (const kind of kinds) Object.assign(this.global, { [kind.name]: kind });
  }
}
