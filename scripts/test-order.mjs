// The order of the suites: those that wait for a browser, a build or other processes first, so that the last minute is not
// one process at work and one that has nothing left.
import { readFileSync } from 'node:fs';
import Sequencer from '@jest/test-sequencer';

// Its types are those of CommonJS, where the class is one step further in.
/** @type {new () => { sort(tests: { path: string }[]): { path: string }[] }} */
const Base = /** @type {any} */ (Sequencer);

export default class extends Base {
  /** @override @param {{ path: string }[]} tests */
  sort(tests) {
    const isLong = (/** @type {{ path: string }} */ { path }) =>
      /startBrowser|spawnSync|vite/.test(readFileSync(path, 'utf8'));
    const all = super.sort(tests);
    return [...all.filter(isLong), ...all.filter((one) => !isLong(one))];
  }
}
