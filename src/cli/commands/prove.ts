import { mkdirSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { extname, join } from 'node:path';
import { Option, type Command } from 'commander';
import { writeWhole } from '../../node/files.ts';
import { proveOnThreads } from '../../node/prove-threads.ts';
import {
  apartBySupport,
  everySize,
  type Device,
  type HudRange,
  type Region,
  type ViewProof,
} from '../../proof/index.ts';
import { isProved, printable, proofJson, proofMap, proofStrip, proofTerminal } from '../../report/index.ts';
import { occasionsOf } from '../../verdict/index.ts';
import { factors, type Lists, type Occasion, type OccasionKey } from '../../view/index.ts';
import {
  collect,
  collectHudSize,
  parseAspects,
  parseCount,
  parseInsets,
  parsePositive,
  parseSize,
  type ReadInsets,
} from '../arguments.ts';
import { checkDrawingPaths, writeDrawing } from '../drawing.ts';
import { UsageError, exitClean, exitFindings, exitUnusable, type Io } from '../io.ts';
import { eachFile } from '../each-file.ts';
import type { Usable } from '../load.ts';
import { cacheOption, keptFor, type CacheCall } from '../kept.ts';
import { optimiseLater } from '../optimise-later.ts';
import { factorOption } from '../options.ts';
import { proofPage, type Proved } from '../proof-page.ts';
import { screenFrom } from '../screen-option.ts';

export function proveCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('prove')
    .description('prove on which sizes of screens every view holds, and where it does not')
    .argument('<files...>', 'documents, YAML or JSON')
    .option('--view <name>', 'only this view (may be repeated)', collect)
    .addOption(
      new Option('--from <size>', 'the smallest screen')
        .argParser(parseSize)
        .default(everySize.from, '640x360'),
    )
    .addOption(
      new Option('--to <size>', 'the largest screen').argParser(parseSize).default(everySize.to, '7680x4320'),
    )
    .addOption(
      new Option('--aspect <range>', 'only these aspects, such as 4:3..32:9; all if left out').argParser(
        parseAspects,
      ),
    )
    .addOption(
      new Option(
        '--device <screen>',
        'what the screens are like but for their size: density, distance, inputs and safe insets of this one of the catalogue',
      ).default('desktop'),
    )
    .addOption(
      new Option('--safe <insets>', 'safe insets: top,right,bottom,left, in device px or in %').argParser(
        parseInsets,
      ),
    )
    .addOption(new Option('--density <ppi>', 'device pixels per inch').argParser(parsePositive))
    .addOption(factorOption('case'))
    .addOption(factorOption('locale'))
    .addOption(factorOption('theme'))
    .addOption(
      new Option(
        '--hud-size <factor>',
        'a HUD size players choose, or a range of them such as 0.75..1.5, all of which are proved (may be repeated)',
      ).argParser(collectHudSize),
    )
    .addOption(factorOption('textSize'))
    .addOption(factorOption('state'))
    .option(
      '--map <path>',
      'draw the map of each view: an .svg or .png file, or a folder for several (may be repeated)',
      collect,
    )
    .option(
      '--strip <path>',
      'draw the aspects at which each view holds: a file, or a folder for several (may be repeated)',
      collect,
    )
    .option(
      '--report <file>',
      'write a report too: .html (maps that answer the pointer) or .json (may be repeated)',
      collect,
    )
    .addOption(
      new Option(
        '--threads <count>',
        'how many threads work; as many as there are cores if left out',
      ).argParser(parseCount),
    )
    .addOption(cacheOption('prove'))
    .option('--json', 'print JSON, with every polygon')
    .option('--verbose', 'print every failure with all of its reasons')
    .addHelpText(
      'after',
      `
Examples:
  pimbot prove hud.yaml
  pimbot prove hud.yaml --view dive --aspect 4:3..32:9 --map dive.png
  pimbot prove hud.yaml --report out/sizes.html
  pimbot prove hud.yaml --from 1280x720 --hud-size 1 --hud-size 1.5 --locale de
  pimbot prove hud.yaml --hud-size 0.75..1.5
  pimbot prove hud.yaml --device phone-landscape --from 1280x720 --to 3200x1440
  pimbot prove hud.yaml --device television --safe 5%,5%,5%,5% --json

Every size between the two is meant, not some of them. What is proved is listed
at the end; other checks are asked on one size of each part of the range.

Exit codes: 0 every view holds on every size, 1 something fails or is not
proved on some, 2 unusable input.`,
    )
    .action(async (files: string[], call: ProveCall) => done(await prove(files, call, io)));
}

/** What was asked for of what varies. */
type Asked = { readonly [Key in Exclude<OccasionKey, 'theme' | 'hudSize'>]?: readonly Occasion[Key][] };

interface ProveCall extends Asked, CacheCall {
  readonly hudSize?: readonly (number | HudRange)[];
  readonly view?: readonly string[];
  readonly from: Region['from'];
  readonly to: Region['to'];
  readonly aspect?: Region['aspect'];
  readonly device: string;
  readonly safe?: ReadInsets;
  readonly density?: number;
  readonly theme?: string;
  readonly threads?: number;
  readonly map?: readonly string[];
  readonly strip?: readonly string[];
  readonly report?: readonly string[];
  readonly json?: boolean;
  readonly verbose?: boolean;
}

/** `pimbot prove FILE…` */
async function prove(files: readonly string[], call: ProveCall, io: Io): Promise<number> {
  const device = deviceOf(call);
  for (const path of [...(call.map ?? []), ...(call.strip ?? [])])
    if (extname(path) !== '') checkDrawingPaths([path]);
  for (const path of call.report ?? [])
    if (!isPage(path) && !path.toLowerCase().endsWith('.json'))
      throw new UsageError(`"${path}" is no report of a proof: the name of one ends in .html or .json`);
  const { from, to, aspect, view: views } = call;
  const region: Region = { from, to, ...(aspect && { aspect }) };
  const inputs: Proved[] = [];
  const unused = await eachFile(files, call.theme, io, async (loaded, progress) => {
    const { file, document, resources } = loaded;
    progress.say(`proving ${printable(file)}`);
    const { hudRange, ...given } = hudSizesOf(call);
    const lists = { ...listsOf(loaded, call), ...given };
    // Every name is looked at before anything is proved.
    const asked = occasionsOf(document, { resources, views, ...lists }).views;
    const { supported, unsupported } = apartBySupport(document, asked, region);
    if (supported.length === 0)
      throw new UsageError(
        `nothing to prove: ${asked.join(', ')} ${asked.length === 1 ? 'supports' : 'support'} no size of those, or a line of them alone`,
      );
    optimiseLater();
    const proofs = await proveOnThreads({
      file,
      theme: call.theme,
      project: loaded,
      options: { device, region, ...lists, ...(hudRange && { hudRange }) },
      views: supported,
      threads: call.threads ?? availableParallelism(),
      kept: keptFor(file, call),
      progress: (done, all) => progress.tell(done, all, 'view'),
    });
    inputs.push({ file, document, proofs, unsupported, region, device: call.device, loaded });
  });
  for (const path of call.report ?? [])
    writeWhole(path, isPage(path) ? await proofPage(inputs, unused, device) : proofJson(inputs, unused));
  const drawn = [
    ...(await drawAll(inputs, call.map ?? [], proofMap, 'sizes')),
    ...(await drawAll(inputs, call.strip ?? [], proofStrip, 'aspects')),
  ];
  if (call.json) io.out(proofJson(inputs, unused));
  else if (inputs.length > 0) io.out(proofTerminal(inputs, io.tones, { verbose: call.verbose }));
  if (!call.json) for (const path of drawn) io.out(`${path}\n`);
  if (unused.length > 0) return exitUnusable;
  return inputs.every(({ proofs }) => proofs.every(isProved)) ? exitClean : exitFindings;
}

function isPage(path: string): boolean {
  return path.toLowerCase().endsWith('.html');
}

function deviceOf({ device, safe, density }: ProveCall): Device {
  const { safe: own, density: usual, distance, inputs, group } = screenFrom(device, {});
  const { top, right, bottom, left } = own;
  return {
    density: density ?? usual,
    distance,
    inputs,
    group,
    safe: safe ?? { px: [top, right, bottom, left], shares: [0, 0, 0, 0] },
  };
}

function listsOf({ document }: Usable, call: ProveCall): Partial<Lists> {
  const lists: Partial<Lists> = Object.fromEntries(
    factors.flatMap(({ key, list }) =>
      call[key] === undefined || key === 'theme' || key === 'hudSize' ? [] : [[list, call[key]]],
    ),
  );
  return call.theme !== undefined && document.themeName !== undefined
    ? { ...lists, themes: [document.themeName] }
    : lists;
}

/** The HUD sizes that are proved one by one, the ends of a range among them, and the range. @throws UsageError for several ranges. */
function hudSizesOf({ hudSize }: ProveCall): {
  readonly hudSizes?: readonly number[];
  readonly hudRange?: HudRange;
} {
  if (!hudSize) return {};
  const ranges = hudSize.filter((one) => typeof one !== 'number');
  if (ranges.length > 1)
    throw new UsageError('--hud-size takes one range of HUD sizes; name the others one by one');
  const all = hudSize.flatMap((one) => (typeof one === 'number' ? [one] : [one.least, one.most]));
  const [hudRange] = ranges;
  return { hudSizes: [...new Set(all)], ...(hudRange && { hudRange }) };
}

/** Draws every view; gives the paths. @throws UsageError for one file that several drawings would be written to. */
async function drawAll(
  inputs: readonly Proved[],
  paths: readonly string[],
  draw: typeof proofMap,
  name: string,
): Promise<readonly string[]> {
  const all = inputs.flatMap((input) => input.proofs.map((proof) => ({ input, proof })));
  const written: string[] = [];
  for (const path of paths) {
    const isFolder = extname(path) === '';
    if (!isFolder && all.length > 1)
      throw new UsageError(
        `"${path}" is one file, and there are ${all.length} views: give a folder, or one --view`,
      );
    if (isFolder) mkdirSync(path, { recursive: true });
    for (const { input, proof } of all) {
      const to = isFolder ? join(path, `${nameOf(proof)}-${name}.svg`) : path;
      await writeDrawing(to, draw(proof, input.loaded.resources.fonts));
      written.push(to);
    }
  }
  return written;
}

/** Names of views are keys of a document: letters, digits and hyphens. */
function nameOf({ view }: ViewProof): string {
  return view.replace(/[^\w-]/g, '_');
}
