import { relative } from 'node:path';
import { openProject } from '../node/project.ts';
import { stampOf, untilChanged } from '../node/watch.ts';
import { UsageError, type Io } from './io.ts';

/** Does something, and again whenever one of the documents or a file that one of them names has changed. It never ends by itself. */
export async function again(files: readonly string[], work: () => Promise<unknown>, io: Io): Promise<never> {
  for (;;) {
    const stamps = new Map<string, string>();
    for (const file of files) {
      stamps.set(file, stampOf(file));
      const named = await openProject(file).then(
        (project) => project.files,
        () => [],
      );
      for (const one of named) stamps.set(one, stampOf(one));
    }
    try {
      await work();
    } catch (error) {
      // A file that is gone for a moment, while an editor saves it, is there again the next time.
      if (!(error instanceof UsageError)) throw error;
      io.err(`${error.message}\n`);
    }
    io.err(io.errTones.faint('Waiting for changes; Ctrl+C ends it.\n'));
    const [changed] = await untilChanged(stamps);
    io.out(`\n${io.tones.strong(relative(process.cwd(), changed!))} changed\n`);
  }
}
