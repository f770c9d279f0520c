import { Option, type Command } from 'commander';
import {
  EditError,
  alignWords,
  movesBetween,
  perform,
  referenceScreen,
  resetInstance,
  suggestAnchor,
  type Act,
  type AlignTo,
  type Move,
} from '../../edit/index.ts';
import type { CheckedDocument, WidgetSource } from '../../document/index.ts';
import { writeWhole } from '../../node/files.ts';
import { printable } from '../../report/index.ts';
import { screens } from '../../screen/index.ts';
import { openView, type View } from '../../view/index.ts';
import { parseSetting } from '../arguments.ts';
import { difference } from '../difference.ts';
import { UsageError, exitClean, exitUnusable, type Io } from '../io.ts';
import { load, widgetNamed } from '../load.ts';

export function editCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('edit')
    .description('change widgets: anchor, move, wrap, set a key; shows the diff, --write applies it')
    .argument('<file>', 'a document, YAML or JSON')
    .argument(
      '<widgets...>',
      'VIEW/WIDGET, one or several of a view; the view may be left out where the document holds one',
    )
    .option('--anchor [anchor]', 'anchor it there and keep its place; where it fits best if left out')
    .option('--pivot <point>', 'with --anchor or alone: the pivot; follows the anchor if left out')
    .option('--move <x,y>', 'move by so many u')
    .option('--grow <x,y>', 'make it wider and higher by so many u, to the right and down')
    .option('--rotate <degrees>', 'turn it, clockwise')
    .option('--set <key=value>', 'give a key a value, as YAML; one of its look by look/KEY')
    .option('--unset <key>', 'take a key out')
    .option('--here', 'with --set and --unset: in this instance of a component alone')
    .addOption(
      new Option(
        '--lengths <unit>',
        'write offset, insets, size, padding and gap as shares, or in u',
      ).choices(['shares', 'u']),
    )
    .addOption(
      new Option('--align <edge>', 'align several with each other, one with its parent').choices([
        ...alignWords,
      ]),
    )
    .addOption(new Option('--space <axis>', 'make the gaps between three or more equal').choices(['x', 'y']))
    .option('--order <place>', 'put it at this place among its siblings, from 1')
    .option('--into <widget>', 'move it into another container and keep its place')
    .addOption(
      new Option('--wrap <arrangement>', 'put it into a container of its own').choices([
        'free',
        'row',
        'column',
      ]),
    )
    .option('--id <id>', 'the id of the container of --wrap')
    .option('--dissolve', 'take the container out and leave what is in it where it is')
    .option('--duplicate', 'put a copy after it')
    .option('--remove', 'take it out of the document')
    .option('--reset', 'make an instance follow its component again')
    .option('--write', 'change the document; without it the change is only shown')
    .option('--json', 'print JSON')
    .addHelpText(
      'after',
      `
One change at a time. Comments, notation and the order of keys stay.

Examples:
  pimbot edit hud.yaml dive/parcels --anchor                  where it fits best
  pimbot edit hud.yaml dive/parcels --anchor "right top" --write
  pimbot edit hud.yaml dive/parcels --move 12,-4
  pimbot edit hud.yaml dive/parcels --set "text={count} parcels"
  pimbot edit hud.yaml dive/hull dive/air dive/battery --wrap column --id gauges
  pimbot edit hud.yaml dive/hull dive/air --align left
  pimbot edit hud.yaml belt/wax --reset`,
    )
    .action(async (file: string, widgets: string[], call: EditCall) =>
      done(await edit(file, widgets, call, io)),
    );
}

interface EditCall {
  readonly anchor?: string | true;
  readonly pivot?: string;
  readonly move?: string;
  readonly grow?: string;
  readonly rotate?: string;
  readonly set?: string;
  readonly unset?: string;
  readonly here?: boolean;
  readonly lengths?: 'shares' | 'u';
  readonly align?: AlignTo;
  readonly space?: 'x' | 'y';
  readonly order?: string;
  readonly into?: string;
  readonly wrap?: 'free' | 'row' | 'column';
  readonly id?: string;
  readonly dissolve?: boolean;
  readonly duplicate?: boolean;
  readonly remove?: boolean;
  readonly reset?: boolean;
  readonly write?: boolean;
  readonly json?: boolean;
}

/** What a change is told with, and the text after it. */
interface Changed {
  readonly text: string;
  readonly said: string;
  readonly why?: string | undefined;
  readonly moves: readonly Move[];
  readonly alsoMoved: readonly { readonly widget: string; readonly by: number }[];
}

/** `pimbot edit FILE VIEW/WIDGET …` */
async function edit(file: string, paths: readonly string[], call: EditCall, io: Io): Promise<number> {
  const loaded = await load(file, io);
  if (!loaded.document) return exitUnusable;
  const { document, resources } = loaded;
  const named = paths.map((path) => widgetNamed(document, file, path));
  const { name } = named[0]!;
  const other = named.find((one) => one.name !== name);
  if (other)
    throw new UsageError(`"${other.name}" is another view than "${name}": change one view at a time`);
  const ids = named.map(({ id }) => id);
  try {
    const changed = call.reset
      ? reset(document, name, ids, call)
      : changeOf(openView(document, name, { resources }), ids, call);
    if (call.write) writeWhole(file, changed.text);
    if (call.json) tellJson(name, ids, changed, io);
    else tell(file, document, ids, changed, call, io);
    return exitClean;
  } catch (error) {
    if (error instanceof EditError) throw new UsageError(error.message);
    throw error;
  }
}

function reset(document: CheckedDocument, name: string, ids: readonly string[], call: EditCall): Changed {
  onlyOne(call);
  const id = one(ids, '--reset');
  const text = resetInstance(document, name, id);
  return { text, said: `reset ${name}/${id}: it follows its component again`, moves: [], alsoMoved: [] };
}

function changeOf(view: View, ids: readonly string[], call: EditCall): Changed {
  const isAnchor = call.anchor !== undefined || call.pivot !== undefined;
  const id = isAnchor ? one(ids, call.anchor === undefined ? '--pivot' : '--anchor') : '';
  const advice = call.anchor === true ? suggestAnchor(view, id) : undefined;
  const act = actOf(view, ids, call, advice?.anchor);
  const done = perform(view.document, view, act);
  const all = movesBetween(view, done.view, [referenceScreen(view), ...screens]);
  return {
    text: done.text,
    said: done.said,
    why: advice && `${advice.anchor}: ${advice.why}`,
    moves: all.filter(({ widget }) => ids.includes(widget)),
    alsoMoved: done.alsoMoved,
  };
}

/** The one change that was asked for. @throws UsageError for none or several. */
function actOf(view: View, ids: readonly string[], call: EditCall, advised: string | undefined): Act {
  onlyOne(call);
  if (call.here && call.set === undefined && call.unset === undefined)
    throw new UsageError('--here goes with --set or --unset');
  if (call.id !== undefined && call.wrap === undefined) throw new UsageError('--id goes with --wrap');
  const reach = call.here ? ('here' as const) : undefined;
  if (call.anchor !== undefined || call.pivot !== undefined) {
    const widget = ids[0]!;
    const to = typeof call.anchor === 'string' ? call.anchor : (advised ?? saidAnchor(view, widget));
    return { do: 'anchor', widget, to, pivot: call.pivot };
  }
  if (call.move !== undefined) return { do: 'move', widgets: ids, ...pairOf(call.move, '--move') };
  if (call.grow !== undefined) {
    const { x, y } = pairOf(call.grow, '--grow');
    return { do: 'resize', widget: one(ids, '--grow'), edges: { right: x, bottom: y } };
  }
  if (call.rotate !== undefined)
    return { do: 'rotate', widget: one(ids, '--rotate'), degrees: numberOf(call.rotate, '--rotate') };
  if (call.set !== undefined)
    return { do: 'set', widget: one(ids, '--set'), ...parseSetting(call.set), reach };
  if (call.unset !== undefined) return { do: 'set', widget: one(ids, '--unset'), key: call.unset, reach };
  if (call.lengths !== undefined) return { do: 'lengths', widget: one(ids, '--lengths'), into: call.lengths };
  if (call.align !== undefined) return { do: 'align', widgets: ids, to: call.align };
  if (call.space !== undefined) return { do: 'space', widgets: ids, along: call.space };
  if (call.order !== undefined) {
    const place = numberOf(call.order, '--order');
    if (!Number.isInteger(place) || place < 1) throw new UsageError('--order is a place from 1');
    return { do: 'order', widget: one(ids, '--order'), to: place - 1 };
  }
  if (call.into !== undefined) return { do: 'into', widget: one(ids, '--into'), parent: call.into };
  if (call.wrap !== undefined) {
    if (call.id === undefined) throw new UsageError('say with --id what the container is to be called');
    return { do: 'wrap', widgets: ids, id: call.id, arrange: call.wrap };
  }
  if (call.dissolve) return { do: 'dissolve', widget: one(ids, '--dissolve') };
  if (call.duplicate) return { do: 'duplicate', widgets: ids };
  if (call.remove) return { do: 'remove', widgets: ids };
  throw new UsageError('say what to change, such as --anchor, --move 12,-4 or --set "text=Dock"');
}

const changes = [
  'move',
  'grow',
  'rotate',
  'set',
  'unset',
  'lengths',
  'align',
  'space',
  'order',
  'into',
  'wrap',
  'dissolve',
  'duplicate',
  'remove',
  'reset',
] as const satisfies readonly (keyof EditCall)[];

function onlyOne(call: EditCall): void {
  const said = [
    ...changes.filter((key) => call[key] !== undefined),
    ...(call.anchor !== undefined || call.pivot !== undefined ? ['anchor'] : []),
  ];
  if (said.length > 1)
    throw new UsageError(
      `one change at a time: ${said.map((key) => `--${key}`).join(' and ')} are ${said.length}`,
    );
}

function one(ids: readonly string[], option: string): string {
  if (ids.length > 1) throw new UsageError(`${option} changes one widget at a time`);
  return ids[0]!;
}

function numberOf(text: string, option: string): number {
  const value = Number(text);
  if (text.trim() === '' || !Number.isFinite(value))
    throw new UsageError(`"${text}" is no number for ${option}`);
  return value;
}

function pairOf(text: string, option: string): { readonly x: number; readonly y: number } {
  const parts = text.split(',');
  if (parts.length !== 2) throw new UsageError(`"${text}" is not X,Y for ${option}, such as 12,-4`);
  return { x: numberOf(parts[0]!, option), y: numberOf(parts[1]!, option) };
}

/** The anchor a widget has, as it is written: another pivot alone leaves it as it is. */
function saidAnchor(view: View, id: string): string {
  const on = view.layoutOn(referenceScreen(view));
  const { anchor: said } = on.widgets[on.indexOf(id)]!.source as WidgetSource;
  return Array.isArray(said) ? said.join(' ') : String(said ?? 'start top');
}

function tellJson(
  view: string,
  widgets: readonly string[],
  { said, why, moves, alsoMoved }: Changed,
  io: Io,
): void {
  const told = {
    view,
    widgets,
    change: said,
    ...(why !== undefined && { why }),
    moves: moves.map(({ screen, widget, by }) => ({ screen, widget, by })),
    alsoMoved,
  };
  io.out(`${JSON.stringify(told, null, 2)}\n`);
}

function tell(
  file: string,
  document: CheckedDocument,
  ids: readonly string[],
  { text, said, why, moves, alsoMoved }: Changed,
  call: EditCall,
  io: Io,
): void {
  if (why !== undefined) io.out(`${io.tones.strong(printable(why))}\n`);
  io.out(difference(file, document.origin.source!.text, text, io));
  io.out(`${printable(said[0]!.toUpperCase() + said.slice(1))}.\n`);
  if (ids.length === 1 && moves.length > 0) {
    const [reference, ...elsewhere] = moves;
    const still = elsewhere.filter(({ by }) => by < 0.5).length;
    const most = moves.reduce((worst, move) => (move.by > worst.by ? move : worst));
    const here = Math.round(reference!.by);
    const first = reference!.by < 0.5 ? 'Unmoved on the reference' : `Moves ${here} px on the reference`;
    const rest = still > 0 ? `, unmoved on ${still} of ${elsewhere.length} screens` : '';
    const worst = most.by < 0.5 ? '' : `; moves most on ${most.screen}: ${Math.round(most.by)} px`;
    io.out(`${first}${rest}${worst}.\n`);
  }
  for (const { widget, by } of alsoMoved.slice(0, 5))
    io.out(
      io.tones.doubtful(
        `Also moves ${printable(widget)} by ${Math.round(by * 10) / 10} px on the reference.\n`,
      ),
    );
  if (alsoMoved.length > 5) io.out(`… and ${alsoMoved.length - 5} more.\n`);
  if (!call.write) io.out(io.tones.faint('Nothing was written; --write applies it.\n'));
}
