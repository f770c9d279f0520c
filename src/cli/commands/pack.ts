import { createHash } from 'node:crypto';
import { basename, dirname, extname, join } from 'node:path';
import { Option, type Command } from 'commander';
import { writeWhole } from '../../node/files.ts';
import { packProject, type FontCut, type PackedProject } from '../../node/pack.ts';
import { declarationOf, type Pack, type PackedFile } from '../../pack/index.ts';
import { counted, printable } from '../../report/index.ts';
import { UsageError, exitClean, exitUnusable, type Io } from '../io.ts';
import { printDiagnostics, refuse } from '../load.ts';

export function packCommand(program: Command, io: Io, done: (code: number) => void): void {
  program
    .command('pack')
    .description(
      'write one file that a game loads: the document with its themes, fonts, pictures and catalogs',
    )
    .argument('<file>', 'a document, YAML or JSON')
    .requiredOption('--out <file>', 'the file to write: .json, or .js for one that is imported')
    .option('--types <file>', 'write a .d.ts too: ids, values, cases, themes and locales for TypeScript')
    .option('--characters <text>', 'more characters that fonts keep, for what players and servers write')
    .option('--whole-fonts', 'keep every character of the fonts')
    .addOption(
      new Option('--files <where>', 'where fonts and pictures go: inside the file, or beside it')
        .choices(['inside', 'beside'])
        .default('inside'),
    )
    .option('--json', 'print what was packed as JSON')
    .addHelpText(
      'after',
      `
Fonts keep the characters of texts, catalogs and cases in both cases of letters, those of numbers and dates, and all of ASCII.

Examples:
  pimbot pack hud.yaml --out public/hud.json
  pimbot pack hud.yaml --out src/hud.pack.js --types src/hud.pack.d.ts
  pimbot pack hud.yaml --out public/hud.json --files beside --characters "äöüß€"`,
    )
    .action(async (file: string, call: PackCall) => done(await packFile(file, call, io)));
}

interface PackCall {
  readonly out: string;
  readonly types?: string;
  readonly characters?: string;
  readonly wholeFonts?: boolean;
  readonly files: 'inside' | 'beside';
  readonly json?: boolean;
}

/** `pimbot pack FILE` */
async function packFile(file: string, call: PackCall, io: Io): Promise<number> {
  const ending = extname(call.out).toLowerCase();
  if (ending !== '.json' && ending !== '.js')
    throw new UsageError(`"${call.out}" is no name for a packed document: one ends in .json or .js`);
  if (call.types !== undefined && !call.types.endsWith('.d.ts'))
    throw new UsageError(`"${call.types}" is no name for a declaration: one ends in .d.ts`);
  const beside = new Map<string, Uint8Array>();
  const fileOf = (name: string, bytes: Uint8Array): PackedFile => {
    // What is in a file is in its name: a browser may keep it for ever.
    const hash = createHash('sha256').update(bytes).digest('hex').slice(0, 8);
    const { length } = extname(name);
    const url = `${name.slice(0, -length)}-${hash}${name.slice(-length)}`;
    beside.set(url, bytes);
    return { url };
  };
  const packed = await packProject(file, {
    ...(call.characters !== undefined && { characters: call.characters }),
    ...(call.wholeFonts && { wholeFonts: true }),
    ...(call.files === 'beside' && { fileOf }),
  }).catch((error: unknown) => refuse(file, error));
  printDiagnostics(packed.diagnostics, io);
  if (!packed.pack) return exitUnusable;
  const text = textOf(packed.pack, ending);
  for (const [name, bytes] of beside) writeWhole(join(dirname(call.out), name), bytes);
  writeWhole(call.out, text);
  if (call.types !== undefined) writeWhole(call.types, declarationOf(packed.names!, basename(file)));
  const files = [call.out, ...(call.types === undefined ? [] : [call.types]), ...beside.keys()];
  if (call.json) io.out(`${JSON.stringify(summaryOf(packed, files, text), null, 2)}\n`);
  else tell(packed, files, text, call, io);
  return exitClean;
}

/** The pack as the text of a file. A script asks for it as JSON, which engines read faster than an object written out. */
function textOf(pack: Pack, ending: string): string {
  const json = JSON.stringify(pack);
  if (ending === '.json') return `${json}\n`;
  return `export default JSON.parse(${JSON.stringify(json)});\n`;
}

function summaryOf({ fonts, missing, pack }: PackedProject, files: readonly string[], text: string) {
  return {
    files,
    bytes: text.length,
    fonts,
    missing,
    pictures: Object.keys(pack!.pictures).length,
    views: Object.keys(pack!.document.views),
  };
}

function tell(packed: PackedProject, files: readonly string[], text: string, call: PackCall, io: Io): void {
  const { names, fonts, missing, pack } = packed;
  io.out(
    `${printable(call.out)}: ${counted(names!.views.size, 'view')}, ${counted(Object.keys(pack!.pictures).length, 'picture')}, ${kilobytes(text.length)}\n`,
  );
  for (const font of fonts)
    io.out(`  ${printable(nameOf(font))}: ${kilobytes(font.bytes)} of ${kilobytes(font.wholeBytes)}\n`);
  for (const one of files.slice(1)) io.out(`  ${printable(one)}\n`);
  if (missing.length > 0)
    io.err(
      `${io.errTones.bad('No font has')} ${printable(missing.join(' '))}: these characters are drawn as boxes\n`,
    );
}

function nameOf({ family, weight, italic }: FontCut): string {
  return `${family} ${weight}${italic ? ' italic' : ''}`;
}

function kilobytes(bytes: number): string {
  return `${Math.max(1, Math.round(bytes / 1000))} kB`;
}
