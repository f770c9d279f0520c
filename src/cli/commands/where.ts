import type { Command } from 'commander';
import { withShownOptions } from '../options.ts';
import { printable } from '../../report/index.ts';
import { makeScreen } from '../../screen/index.ts';
import { exitClean, exitUnusable, type Io } from '../io.ts';
import { opened, type ShownCall } from '../opened.ts';
import { load, viewNamed } from '../load.ts';
import { table } from '../table.ts';

export function whereCommand(program: Command, io: Io, done: (code: number) => void): void {
  withShownOptions(
    program
      .command('where')
      .description('print where every widget is on a screen, in device px and in u')
      .argument('<file>', 'a document, YAML or JSON')
      .option('--view <name>', 'the view; needed where the document holds several'),
  )
    .option('--json', 'print JSON: {view, screen, widgets: [{id, x, y, width, height}]} in device px')
    .addHelpText(
      'after',
      `
Examples:
  pimbot where hud.yaml --view dive
  pimbot where hud.yaml --view dive --screen ultrawide --json
  pimbot where hud.yaml --view dive --screen 2340x1080 --safe 0,96,48,96 --hud-size 1.25`,
    )
    .action(async (file: string, call: WhereCall) => done(await where(file, call, io)));
}

interface WhereCall extends ShownCall {
  readonly view?: string;
  readonly theme?: string;
  readonly json?: boolean;
}

/** `pimbot where FILE` */
async function where(file: string, call: WhereCall, io: Io): Promise<number> {
  const loaded = await load(file, io, call.theme);
  if (!loaded.document) return exitUnusable;
  const name = viewNamed(loaded.document, file, call.view);
  const { view, screen } = opened(loaded, name, call);
  const on = view.layoutOn(makeScreen(screen));
  const widgets = on.widgets.slice(1);
  if (call.json) {
    const rows = widgets.map(({ id, index }) => ({ id, ...on.layout.rect(index) }));
    io.out(`${JSON.stringify({ view: name, screen: screen.name, widgets: rows }, null, 2)}\n`);
    return exitClean;
  }
  const { frame } = on.layout;
  io.out(
    `${io.tones.strong(printable(name))} on ${screen.name}: 1 u = ${short(frame.scale)} px, surface ${short(frame.width)} × ${short(frame.height)} u\n\n`,
  );
  const rows = widgets.map(({ id, index, kind }) => {
    const px = on.layout.rect(index);
    const u = on.layout.rectInU(index);
    return [id, kind, ...[px.x, px.y, px.width, px.height, u.x, u.y, u.width, u.height].map(short)].map(
      printable,
    );
  });
  const header = ['widget', 'kind', 'x px', 'y px', 'width', 'height', 'x u', 'y u', 'width', 'height'];
  io.out(table(header, rows, io, [2, 3, 4, 5, 6, 7, 8, 9]));
  return exitClean;
}

function short(value: number): string {
  return String(Math.round(value * 100) / 100 + 0);
}
