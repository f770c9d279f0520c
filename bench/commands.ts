import { spawnSync } from 'node:child_process';
import { readDocument, screens } from 'pimbot';
import { SharedChecks, checkDocument, suggestFor } from 'pimbot/tools';
import { openProject } from 'pimbot/node';
import { median } from './browser.ts';

/** A measurement of a whole command or call beside another: milliseconds. */
export interface Compared {
  readonly name: string;
  readonly ours: number;
  readonly theirs: number;
}

function timed(args: readonly string[]): number {
  const start = performance.now();
  const { status } = spawnSync(process.execPath, ['bin/pimbot.js', ...args], { stdio: 'ignore' });
  if (status !== 0 && status !== 1) throw new Error(`pimbot ${args.join(' ')} ended with ${status}`);
  return performance.now() - start;
}

/** The command on the demo as it is called: when all is known from the time before, and when nothing is. */
export function checkCommand(rounds: number): Compared {
  const file = 'examples/fathom-post/post.yaml';
  timed(['check', file]);
  const [again, cold] = [[] as number[], [] as number[]];
  for (let round = 0; round < rounds; round++) {
    again.push(timed(['check', file]));
    cold.push(timed(['check', file, '--no-cache']));
  }
  return {
    name: 'pimbot check on the demo again (other: nothing kept), whole process',
    ours: median(again),
    theirs: median(cold),
  };
}

/** Changes for the file of classic mistakes, tried; beside checking it. */
export async function suggestions(rounds: number): Promise<Compared> {
  const { document, resources } = await openProject('examples/broken/broken.yaml');
  if (!document) throw new Error('the example cannot be read');
  const options = { resources, screens };
  const [tried, checked] = [[] as number[], [] as number[]];
  for (let round = -1; round < rounds; round++) {
    let start = performance.now();
    const verdict = checkDocument(document, options);
    if (round >= 0) checked.push(performance.now() - start);
    start = performance.now();
    const shared = new SharedChecks(document, resources);
    for (const finding of verdict.findings) suggestFor(document, finding, verdict, options, shared);
    if (round >= 0) tried.push(performance.now() - start);
  }
  return {
    name: 'changes tried for the file of classic mistakes, warm (other: checking it)',
    ours: median(tried),
    theirs: median(checked),
  };
}

/** Reading a document of 75 lines for the first time in a process; beside doing so again. */
export function reading(): Compared {
  const rows = Array.from(
    { length: 65 },
    (_, nth) =>
      `      - { id: w${nth}, kind: text, anchor: left top, offset: 10 ${nth * 20}, text: "{depth, number} m" }`,
  );
  const whole = `pimbot: 1\ncases: { one: { depth: 412 } }\nviews:\n  v:\n    children:\n${rows.join('\n')}\n`;
  const time = () => {
    const start = performance.now();
    if (!readDocument(whole).document) throw new Error('the document cannot be read');
    return performance.now() - start;
  };
  const first = time();
  return {
    name: 'a document of 70 lines read for the first time (other: again)',
    ours: first,
    theirs: median([time(), time(), time()]),
  };
}
