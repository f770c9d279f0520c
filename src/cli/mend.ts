import { checks, documentChecks } from '../checks/index.ts';
import { readChanged } from '../edit/index.ts';
import { mend } from '../mend/index.ts';
import { writeWhole } from '../node/files.ts';
import { counted, printable } from '../report/index.ts';
import { checkDocument, type Finding, type Verdict } from '../verdict/index.ts';
import { difference } from './difference.ts';
import { UsageError, type Io } from './io.ts';
import { Progress } from './progress.ts';
import type { Checked } from './checked.ts';

/**
 * Mends the findings that were asked for, shows what changed, and writes the document unless it is only shown.
 * @param wanted `all`, names of checks, or VIEW/WIDGET. @throws UsageError for something that is none of them.
 * @returns what is found in the document after it.
 */
export function mendFile(checked: Checked, wanted: readonly string[], write: boolean, io: Io): Checked {
  const { loaded, options, verdict } = checked;
  const { document, resources } = loaded;
  const isWanted = wish(wanted, verdict);
  const all = verdict.findings.filter((one) => one.outcome === 'failed' && isWanted(one)).length;
  const progress = new Progress(io.progress);
  let done = 0;
  progress.say('trying changes');
  const { text, mended, isWhole } = mend(document, verdict, { ...options, resources }, isWanted, () =>
    progress.tell(Math.min(done++, all), all, 'finding'),
  );
  progress.clear();
  const before = document.origin.source?.text ?? '';
  io.out(`${difference(loaded.file, before, text, io)}`);
  for (const { finding, suggestion } of mended) {
    const name = finding.view === undefined ? finding.widget : `${finding.view}/${finding.widget}`;
    io.out(
      `${io.tones.good('✓')} ${printable(name)} ${io.tones.faint(`[${finding.check}]`)} ${printable(suggestion.say)}\n`,
    );
  }
  const after: Checked = mended.length === 0 ? checked : checkedAgain(checked, text);
  // A change may mend others with it, so that what is left is counted and not what was tried.
  const left = after.verdict.findings.filter((one) => one.outcome === 'failed' && isWanted(one)).length;
  const kept = left > 0 ? `, ${left} of those asked for left as they are` : '';
  const hint = write || mended.length === 0 ? '' : ' Nothing was written; --write applies it.';
  const rest = isWhole ? '' : ' Not every change was tried: there are many findings.';
  io.out(`${counted(all - left, 'finding')} mended${kept}.${rest}${hint}\n\n`);
  if (write && mended.length > 0) writeWhole(loaded.file, text);
  return after;
}

/** The same with the text a document has after a change, checked as before. */
function checkedAgain({ loaded, options, kept }: Checked, text: string): Checked {
  const document = readChanged(loaded.document, text);
  const { resources } = loaded;
  return {
    // No file says what it says now: a thread that reads the file has read something else.
    loaded: { ...loaded, document, fingerprint: '' },
    options,
    verdict: checkDocument(document, { ...options, resources }),
    kept,
  };
}

function wish(wanted: readonly string[], { views }: Verdict): (finding: Finding) => boolean {
  const ids = new Set<string>([...checks, ...documentChecks].map(({ id }) => id));
  for (const one of wanted) {
    if (one === 'all' || ids.has(one) || views.includes(one.slice(0, one.indexOf('/')))) continue;
    throw new UsageError(`"${one}" is nothing to mend: say all, the name of a check, or VIEW/WIDGET`);
  }
  return ({ check, view, widget }) =>
    wanted.some((one) => one === 'all' || one === check || one === `${view}/${widget}`);
}
