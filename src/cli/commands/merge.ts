import type { Command } from 'commander';
import { withReportOptions } from '../options.ts';
import { Results, planOf } from '../../verdict/index.ts';
import { readParts, type CheckPart } from '../../node/check-parts.ts';
import { FileProblem } from '../../node/files.ts';
import { counted } from '../../report/index.ts';
import { UsageError, exitUnusable, type Io } from '../io.ts';
import { KeptResults } from '../../node/kept-results.ts';
import { load } from '../load.ts';
import type { Checked } from '../checked.ts';
import { version } from '../version.ts';
import { checkReportPaths, tellVerdicts, type ReportCall } from '../reports.ts';

export function mergeCommand(program: Command, io: Io, done: (code: number) => void): void {
  withReportOptions(
    program
      .command('merge')
      .description('put the parts of `pimbot check --shard` together')
      .argument('<parts...>', 'the parts, in any order'),
  )
    .addHelpText(
      'after',
      `
Examples:
  pimbot merge parts/1.json parts/2.json parts/3.json parts/4.json
  pimbot merge parts/*.json --report out/report.html --json

Exit codes: 0 clean, 1 findings, 2 unusable input or a part that is missing.`,
    )
    .action(async (parts: string[], call: ReportCall) => done(await merge(parts, call, io)));
}

/** `pimbot merge PART…`: the reports of all parts together, as one run on one machine would have written them. */
async function merge(paths: readonly string[], call: ReportCall, io: Io): Promise<number> {
  checkReportPaths(call);
  const parts = paths.map((path) => ({ path, parts: partsIn(path) }));
  const [first] = parts;
  const checked: Checked[] = [];
  for (const [nth, { file, theme }] of first!.parts.entries()) {
    const loaded = await load(file, io, theme);
    if (!loaded.document) return exitUnusable;
    const mine = parts.map(({ path, parts: all }) => ({
      path,
      part: sameAs(first!.parts[nth]!, all[nth], path),
    }));
    const { options } = mine[0]!.part;
    if (loaded.fingerprint !== mine[0]!.part.fingerprint)
      throw new UsageError(`"${file}" or a file it names has changed since it was checked`);
    const results = new Results(
      loaded.document,
      planOf(loaded.document, { ...options, resources: loaded.resources }),
    );
    for (const { path, part } of mine) {
      for (const [at, result] of part.results) {
        try {
          results.add(at, result);
        } catch (error) {
          if (error instanceof RangeError) throw new UsageError(`"${path}" repeats what another part has`);
          throw error;
        }
      }
    }
    const { length: lacking } = results.missing;
    if (lacking > 0)
      throw new UsageError(
        `a part is missing: ${counted(lacking, 'batch', 'batches')} of "${file}" were not checked`,
      );
    checked.push({ loaded, options, verdict: results.verdict(), kept: KeptResults.none });
  }
  return tellVerdicts(checked, [], call, io);
}

function partsIn(path: string): readonly CheckPart[] {
  try {
    const { version: made, parts } = readParts(path);
    if (made !== version())
      throw new UsageError(`"${path}" was made by Pimbot ${made}, and this is ${version()}`);
    return parts;
  } catch (error) {
    if (!(error instanceof FileProblem)) throw error;
    throw new UsageError(
      error.problem === 'missing'
        ? `there is no file "${path}"`
        : `"${path}" cannot be used: ${error.message}`,
    );
  }
}

/** A part of the same check of the same files. @throws UsageError */
function sameAs(first: CheckPart, part: CheckPart | undefined, path: string): CheckPart {
  const what = ({ file, theme, fingerprint, options }: CheckPart) =>
    JSON.stringify({ file, theme, fingerprint, options });
  if (part && what(part) === what(first)) return part;
  throw new UsageError(`"${path}" is of another check: other files, options or bytes than in the first part`);
}
