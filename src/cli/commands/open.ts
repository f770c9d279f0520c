import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Command } from 'commander';
import { startWorkbench } from '../../node/workbench.ts';
import { UsageError, exitClean, type Io } from '../io.ts';
import { load, refuse } from '../load.ts';

export function openCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('open')
    .description('open documents in the workbench: every screen at once, in your browser')
    .argument('<files...>', 'documents, YAML or JSON')
    .option('--port <number>', 'the port of 127.0.0.1 to serve on; a free one if left out')
    .option('--stay', 'keep serving when no page is open; otherwise it ends after a while')
    .addHelpText(
      'after',
      `
The page is served to this machine alone and needs no network. It writes to the documents only when you save.

Examples:
  pimbot open hud.yaml
  pimbot open hud.yaml menus.yaml --port 4800`,
    )
    .action(async (files: string[], call: OpenCall) => done(await open(files, call, io)));
}

interface OpenCall {
  readonly port?: string;
  readonly stay?: boolean;
}

/** How long nobody has to look before it ends, in ms. */
const idleAfter = 120_000;

/** `pimbot open FILE …` */
async function open(files: readonly string[], call: OpenCall, io: Io): Promise<number> {
  const port = call.port === undefined ? undefined : Number(call.port);
  if (port !== undefined && !(Number.isInteger(port) && port >= 0 && port <= 65_535))
    throw new UsageError(`"${call.port}" is no port: it is a whole number from 0 to 65535`);
  // What is wrong with a document is told here too; the page shows it as well.
  for (const file of files) await load(file, io);
  const page = fileURLToPath(new URL('../page/', import.meta.url));
  if (!existsSync(page)) throw new UsageError('the page of the workbench is missing from this installation');
  const workbench = await startWorkbench({
    files,
    page,
    port,
    idle: call.stay ? undefined : idleAfter,
  }).catch((error: unknown) => {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'EADDRINUSE')
      throw new UsageError(`port ${port} is in use already; leave --port out for a free one`);
    return refuse(files[0]!, error);
  });
  io.out(`${workbench.url}\n`);
  io.err(
    `Open this address in a browser on this machine. ${call.stay ? 'Ctrl+C ends it.' : 'It ends two minutes after the last page is closed, or with Ctrl+C.'}\n`,
  );
  await workbench.ended;
  return exitClean;
}
