import type { Reason } from '../why/index.ts';
import { gaveWay, whyWidget } from '../why/index.ts';
import { printable, wherePointer } from '../report/index.ts';
import { openView } from '../view/index.ts';
import { exitClean, exitUnusable, type Io } from './io.ts';
import { load, widgetNamed } from './load.ts';
import { screenFrom, type ScreenOptions } from './screens.ts';

export interface WhyCall extends ScreenOptions {
  readonly screen?: string;
  readonly case?: string;
  readonly locale?: string;
  readonly hudSize?: number;
  readonly theme?: string;
  readonly json?: boolean;
}

/** `pimbot why FILE VIEW/WIDGET` */
export async function why(file: string, path: string, call: WhyCall, io: Io): Promise<number> {
  const loaded = await load(file, io, call.theme);
  if (!loaded.document) return exitUnusable;
  const { document, resources } = loaded;
  const { name, id } = widgetNamed(document, file, path);
  const view = openView(document, name, {
    resources,
    case: call.case,
    locale: call.locale,
    hudSize: call.hudSize,
  });
  const { width, height } = view.reference;
  const on = view.layoutOn(screenFrom(call.screen ?? `${width}x${height}`, call));
  const index = on.indexOf(id);
  const yielded = gaveWay(on.tree, on.layout).filter(({ widget }) => widget === index);
  const parts = [
    ...whyWidget(on.tree, on.layout, index),
    ...(yielded.length > 0 ? [{ what: 'gave way', reasons: yielded }] : []),
  ];
  const placeOf = (reason: Reason) => wherePointer(document, file, reason.pointer);
  if (call.json) {
    const reasons = parts.map(({ what, reasons: list }) => ({
      what,
      reasons: list.map((reason) => ({ text: reason.text, place: placeOf(reason), pointer: reason.pointer })),
    }));
    const report = {
      view: name,
      widget: id,
      screen: on.screen.name,
      rect: on.rect(id),
      inU: on.rectInU(id),
      reasons,
    };
    io.out(`${JSON.stringify(report, null, 2)}\n`);
    return exitClean;
  }
  const u = on.rectInU(id);
  const short = (value: number) => String(Math.round(value * 100) / 100 + 0);
  io.out(
    `${io.ink.strong(printable(`${name}/${id}`))} on ${on.screen.name}: ${short(u.x)}, ${short(u.y)}, ${short(u.width)} × ${short(u.height)} u\n`,
  );
  for (const { what, reasons } of parts) {
    reasons.forEach((reason, at) => {
      const label = (at === 0 ? what : '').padEnd(8);
      io.out(
        `  ${io.ink.faint(label)} ${printable(reason.text)}  ${io.ink.faint(printable(placeOf(reason)))}\n`,
      );
    });
  }
  return exitClean;
}
