import { printable } from '../report/index.ts';
import { makeScreen } from '../screen/index.ts';
import { openView } from '../view/index.ts';
import { exitClean, exitUnusable, type Io } from './io.ts';
import { load, viewNamed } from './load.ts';
import { screenFrom, table, type ScreenOptions } from './screens.ts';

export interface WhereCall extends ScreenOptions {
  readonly view?: string;
  readonly screen?: string;
  readonly case?: string;
  readonly locale?: string;
  readonly hudSize?: number;
  readonly theme?: string;
  readonly json?: boolean;
}

/** `pimbot where FILE` */
export async function where(file: string, call: WhereCall, io: Io): Promise<number> {
  const loaded = await load(file, io, call.theme);
  if (!loaded.document) return exitUnusable;
  const name = viewNamed(loaded.document, file, call.view);
  const view = openView(loaded.document, name, {
    resources: loaded.resources,
    case: call.case,
    locale: call.locale,
    hudSize: call.hudSize,
  });
  const { width, height } = view.reference;
  const screen =
    call.screen === undefined ? screenFrom(`${width}x${height}`, call) : screenFrom(call.screen, call);
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
