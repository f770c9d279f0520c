import type { Command } from 'commander';
import { EditError, instanceChanges, resetInstance } from '../../edit/index.ts';
import { writeWhole } from '../../node/files.ts';
import { counted, printable, wherePointer } from '../../report/index.ts';
import { difference } from '../difference.ts';
import { UsageError, exitClean, exitUnusable, type Io } from '../io.ts';
import { load } from '../load.ts';
import { table } from '../table.ts';

export function changesCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('changes')
    .description('list where instances differ from their component')
    .argument('<file>', 'a document, YAML or JSON')
    .option('--reset <instance>', 'VIEW/INSTANCE: show the document without its changes')
    .option('--write', 'write the document with --reset')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot changes hud.yaml
  pimbot changes hud.yaml --reset belt/wax
  pimbot changes hud.yaml --reset belt/wax --write`,
    )
    .action(async (file: string, call: ChangesCall) => done(await changes(file, call, io)));
}

interface ChangesCall {
  readonly reset?: string;
  readonly write?: boolean;
  readonly json?: boolean;
}

/** `pimbot changes FILE` */
async function changes(file: string, call: ChangesCall, io: Io): Promise<number> {
  const loaded = await load(file, io);
  if (!loaded.document) return exitUnusable;
  const { document } = loaded;
  if (call.write && call.reset === undefined)
    throw new UsageError('--write needs --reset: which instance is to follow its component again?');
  if (call.reset !== undefined) {
    const slash = call.reset.indexOf('/');
    if (slash < 0) throw new UsageError(`"${call.reset}" is not VIEW/INSTANCE`);
    try {
      const changed = resetInstance(document, call.reset.slice(0, slash), call.reset.slice(slash + 1));
      io.out(difference(file, document.origin.source!.text, changed, io));
      if (call.write) writeWhole(file, changed);
    } catch (error) {
      if (error instanceof EditError) throw new UsageError(error.message);
      throw error;
    }
    io.out(
      `${printable(call.reset)} follows its component again.${call.write ? '' : ' Nothing was written; --write does it.'}\n`,
    );
    return exitClean;
  }
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
