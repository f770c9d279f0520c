import type { Command } from 'commander';
import {
  EditError,
  changeAnchor,
  movesBetween,
  rearranged,
  referenceScreen,
  suggestAnchor,
  type Move,
} from '../../edit/index.ts';
import type { WidgetSource } from '../../document/index.ts';
import { writeWhole } from '../../node/files.ts';
import { printable } from '../../report/index.ts';
import { screens } from '../../screen/index.ts';
import { openView, type View } from '../../view/index.ts';
import { difference } from '../difference.ts';
import { UsageError, exitClean, exitUnusable, type Io } from '../io.ts';
import { load, widgetNamed } from '../load.ts';

export function anchorCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('anchor')
    .description(
      'suggest the anchor a widget should have, or give it another, keeping its place on the reference',
    )
    .argument('<file>', 'a document, YAML or JSON')
    .argument('<widget>', 'VIEW/WIDGET; the view may be left out where the document holds one')
    .option('--to <anchor>', 'the anchor to give it; the suggested one if left out, or its own with --pivot')
    .option('--pivot <point>', 'the pivot to give it; follows the anchor if left out')
    .option('--write', 'change the document; without it the change is only shown')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
Examples:
  pimbot anchor hud.yaml dive/parcels
  pimbot anchor hud.yaml dive/parcels --to "right top" --write
  pimbot anchor hud.yaml dive/bearing --to "left..right top"
  pimbot anchor hud.yaml dive/parcels --pivot center`,
    )
    .action(async (file: string, path: string, call: AnchorCall) => done(await anchor(file, path, call, io)));
}

interface AnchorCall {
  readonly to?: string;
  readonly pivot?: string;
  readonly write?: boolean;
  readonly json?: boolean;
}

/** `pimbot anchor FILE VIEW/WIDGET` */
async function anchor(file: string, path: string, call: AnchorCall, io: Io): Promise<number> {
  const loaded = await load(file, io);
  if (!loaded.document) return exitUnusable;
  const { document, resources } = loaded;
  const { name, id } = widgetNamed(document, file, path);
  const view = openView(document, name, { resources });
  try {
    const advice = suggestAnchor(view, id);
    const to = call.to ?? (call.pivot === undefined ? advice.anchor : saidAnchor(view, id));
    const changed = changeAnchor(document, view, id, to, call.pivot);
    const moves = movesOf(view, rearranged(document, view, changed), id);
    if (call.json)
      io.out(
        `${JSON.stringify({ view: name, widget: id, suggested: advice, anchor: to, moves: moves.map(({ screen, by }) => ({ screen, by })) }, null, 2)}\n`,
      );
    else {
      if (call.to === undefined && call.pivot === undefined)
        io.out(`${io.tones.strong(to)}: ${printable(advice.why)}\n`);
      io.out(difference(file, document.origin.source!.text, changed, io));
      const most = moves.reduce((worst, move) => (move.by > worst.by ? move : worst));
      const elsewhere = moves.slice(1);
      const still = elsewhere.filter(({ by }) => by < 0.5).length;
      io.out(
        `On the reference it stays where it is. On ${still} of the ${elsewhere.length} screens it is on it moves by less than half a px`,
      );
      io.out(most.by < 0.5 ? '.\n' : `; the most on ${most.screen}, by ${Math.round(most.by)} px.\n`);
      if (!call.write) io.out(io.tones.faint('Nothing was written; --write does it.\n'));
    }
    if (call.write) writeWhole(file, changed);
    return exitClean;
  } catch (error) {
    if (error instanceof EditError) throw new UsageError(error.message);
    throw error;
  }
}

/** The anchor a widget has, as it is written: another pivot alone leaves it as it is. */
function saidAnchor(view: View, id: string): string {
  const on = view.layoutOn(referenceScreen(view));
  const { anchor: said } = on.widgets[on.indexOf(id)]!.source as WidgetSource;
  return Array.isArray(said) ? said.join(' ') : String(said ?? 'start top');
}

/** How far the widget's farthest edge moves on the reference and on each screen it is on, in px. */
function movesOf(before: View, after: View, id: string): Move[] {
  const all = movesBetween(before, after, [referenceScreen(before), ...screens]);
  return all.filter(({ widget }) => widget === id);
}
