import { printable } from '../report/index.ts';
import { makeScreen } from '../screen/index.ts';
import { exitClean, exitUnusable, type Io } from './io.ts';
import { opened, type ShownCall } from './opened.ts';
import { load, viewNamed } from './load.ts';
import { table } from './screens.ts';

export interface WhereCall extends ShownCall {
  readonly view?: string;
  readonly theme?: string;
  readonly json?: boolean;
}

/** `pimbot where FILE` */
export async function where(file: string, call: WhereCall, io: Io): Promise<number> {
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
    `${io.ink.strong(printable(name))} on ${screen.name}: 1 u = ${short(frame.scale)} px, surface ${short(frame.width)} × ${short(frame.height)} u\n\n`,
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
