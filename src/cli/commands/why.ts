import type { Command } from 'commander';
import { withShownOptions } from '../options.ts';
import type { Reason } from '../../why/index.ts';
import type { CheckedDocument } from '../../document/index.ts';
import type { LookPlace } from '../../theme/index.ts';
import { gaveWay, whyLook, whyWidget } from '../../why/index.ts';
import { printable, wherePointer } from '../../report/index.ts';
import type { ViewLayout } from '../../view/index.ts';
import { opened, type ShownCall } from '../opened.ts';
import { fitted } from '../fitted.ts';
import { exitClean, exitUnusable, type Io } from '../io.ts';
import { load, widgetNamed } from '../load.ts';

export function whyCommand(program: Command, io: Io, done: (code: number) => void): void {
  withShownOptions(
    program
      .command('why')
      .description('print why a widget is where it is, back to what was written')
      .argument('<file>', 'a document, YAML or JSON')
      .argument('<widget>', 'VIEW/WIDGET; the view may be left out where the document holds one'),
  )
    .option('--look', 'where each value of its look is from, instead of its place')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot why hud.yaml dive/sonar
  pimbot why menu.yaml dock/cast-off --look --state cast-off=focused
  pimbot why hud.yaml dive/gauges --screen phone-portrait --hud-size 1.2 --json`,
    )
    .action(async (file: string, path: string, call: WhyCall) => done(await why(file, path, call, io)));
}

interface WhyCall extends ShownCall {
  readonly theme?: string;
  readonly json?: boolean;
  readonly look?: boolean;
}

/** `pimbot why FILE VIEW/WIDGET` */
async function why(file: string, path: string, call: WhyCall, io: Io): Promise<number> {
  const loaded = await load(file, io, call.theme);
  if (!loaded.document) return exitUnusable;
  const { document } = loaded;
  const { name, id } = widgetNamed(document, file, path);
  const { view, screen } = opened(loaded, name, call);
  const on = view.layoutOn(screen);
  const index = on.indexOf(id);
  if (call.look) return look(on, index, document, call, io);
  const yielded = gaveWay(on.tree, on.layout).filter(({ widget }) => widget === index);
  const parts = [
    ...whyWidget(on, index),
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
    `${io.tones.strong(printable(`${name}/${id}`))} on ${on.screen.name}: ${short(u.x)}, ${short(u.y)}, ${short(u.width)} × ${short(u.height)} u\n`,
  );
  for (const { what, reasons } of parts) {
    reasons.forEach((reason, at) => {
      const label = (at === 0 ? what : '').padEnd(8);
      const line = `  ${io.tones.faint(label)} ${printable(reason.text)}  ${io.tones.faint(printable(placeOf(reason)))}`;
      io.out(fitted(line, 11, io));
    });
  }
  return exitClean;
}

/** `pimbot why --look`: for each value of a look who says it, where, and what it overrode. */
function look(on: ViewLayout, index: number, { origin }: CheckedDocument, call: WhyCall, io: Io): number {
  const reasons = whyLook(on.tree, origin, index);
  const described = reasons.map(({ key, inheritedFrom, from, overrode }) => ({
    key,
    value: from.value,
    ...saidBy(from),
    ...(inheritedFrom !== undefined && { inheritedFrom }),
    overrode: overrode.map((one) => ({ value: one.value, ...saidBy(one) })),
  }));
  const { id } = on.widgets[index]!;
  if (call.json) {
    io.out(`${JSON.stringify({ view: on.view.name, widget: id, look: described }, null, 2)}\n`);
    return exitClean;
  }
  io.out(`${io.tones.strong(printable(`${on.view.name}/${id}`))}\n`);
  const width = Math.max(0, ...described.map(({ key }) => key.length));
  for (const { key, value, by, place, inheritedFrom, overrode } of described) {
    const via = inheritedFrom === undefined ? '' : `, inherited from ${inheritedFrom}`;
    const line = `  ${io.tones.faint(key.padEnd(width))}  ${printable(`${value}  ${by}${via}`)}  ${io.tones.faint(printable(place))}`;
    io.out(fitted(line, width + 4, io));
    for (const one of overrode)
      io.out(
        fitted(
          io.tones.faint(`  ${''.padEnd(width)}  over ${printable(`${one.value}  ${one.by}  ${one.place}`)}`),
          width + 9,
          io,
        ),
      );
  }
  if (described.length === 0) io.out('  Nothing says anything of its look.\n');
  return exitClean;
}

function saidBy({ style, state, origin, pointer }: LookPlace): { by: string; place: string } {
  const by =
    style === undefined
      ? 'the widget'
      : state === undefined
        ? `style ${style}`
        : `state ${state} of style ${style}`;
  return { by, place: wherePointer({ origin }, origin.source?.name ?? pointer, pointer) };
}
