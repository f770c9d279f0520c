import type { Command } from 'commander';
import { instanceChanges } from '../../edit/index.ts';
import { counted, printable, wherePointer } from '../../report/index.ts';
import { exitClean, exitUnusable, type Io } from '../io.ts';
import { load } from '../load.ts';
import { table } from '../table.ts';

export function changesCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('changes')
    .description('list where instances differ from their component')
    .argument('<file>', 'a document, YAML or JSON')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot changes hud.yaml
  pimbot edit hud.yaml belt/wax --reset     makes one follow its component again`,
    )
    .action(async (file: string, call: ChangesCall) => done(await changes(file, call, io)));
}

interface ChangesCall {
  readonly json?: boolean;
}

/** `pimbot changes FILE` */
async function changes(file: string, call: ChangesCall, io: Io): Promise<number> {
  const loaded = await load(file, io);
  if (!loaded.document) return exitUnusable;
  const { document } = loaded;
  const found = instanceChanges(document).map((one) => ({
    ...one,
    place: wherePointer(document, file, one.pointer),
  }));
  if (call.json) {
    io.out(`${JSON.stringify(found, null, 2)}\n`);
    return exitClean;
  }
  if (found.length === 0) {
    io.out('Every instance follows its component.\n');
    return exitClean;
  }
  const short = (value: unknown) => (value === undefined ? '–' : JSON.stringify(value));
  const rows = found.map(({ root, instance, component, widget, key, from, to, place }) =>
    [
      `${root}/${instance}`,
      component,
      widget === undefined ? key : `${widget}.${key}`,
      short(from),
      short(to),
      place,
    ].map(printable),
  );
  io.out(table(['instance', 'component', 'what', 'component says', 'instance says', 'where'], rows, io));
  io.out(
    `\n${counted(found.length, 'change')} of ${counted(new Set(found.map((one) => one.root + one.instance)).size, 'instance')}\n`,
  );
  return exitClean;
}
