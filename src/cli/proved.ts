import { availableParallelism } from 'node:os';
import { readChanged } from '../edit/index.ts';
import type { TriedChange } from '../mend/index.ts';
import { proveOnThreads } from '../node/prove-threads.ts';
import { apartBySupport, desktop, everySize, provedChecks, shareOf, unionArea } from '../proof/index.ts';
import { proofWords, type ProofInput } from '../report/index.ts';
import type { Finding } from '../verdict/index.ts';
import { factors, onlyOn } from '../view/index.ts';
import type { Checked } from './checked.ts';
import { optimiseLater } from './optimise-later.ts';

/** Changes that are proved, at the most: each takes as long as a proof. */
const mostProved = 12;

/** Of changes that mend a finding on the screens of a check: what becomes of it on every size, in words. */
export async function provedSuggestions(
  { loaded, verdict, kept }: Checked,
  suggestions: readonly (TriedChange | undefined)[],
  progress: (done: number, all: number) => void,
): Promise<ReadonlyMap<TriedChange, string>> {
  const { file, document } = loaded;
  const found = new Map<TriedChange, string>();
  const firsts = new Map<TriedChange, Finding>();
  const { supported } = apartBySupport(document, verdict.views, everySize);
  suggestions.forEach((one, nth) => {
    const finding = verdict.findings[nth]!;
    if (finding.view !== undefined && !supported.includes(finding.view)) return;
    if (one && finding.view !== undefined && provedChecks.includes(finding.check) && !firsts.has(one))
      firsts.set(one, finding);
  });
  const all = [...firsts].slice(0, mostProved);
  for (const [nth, [suggestion, finding]] of all.entries()) {
    const [proof] = await proveOnThreads({
      file,
      theme: undefined,
      project: { ...loaded, document: readChanged(document, suggestion.text) },
      options: { ...onlyOn(finding.worst), device: desktop, region: everySize },
      views: [finding.view!],
      // Another one would read the file, which does not say what is tried.
      threads: 1,
      kept,
      progress: (done) => progress(nth + done, all.length),
    });
    const whole = unionArea([proof!.region]);
    const left = proof!.failures
      .filter((one) => one.finding.check === finding.check && one.finding.widget === finding.widget)
      .flatMap(({ parts }) => parts);
    const open = proof!.gaps
      .filter(({ check }) => (check ?? finding.check) === finding.check)
      .map(({ polygon }) => polygon);
    found.set(
      suggestion,
      proofWords(shareOf(unionArea(left), whole), shareOf(unionArea(open), whole), proof!.sizes),
    );
  }
  return found;
}

/** Proofs of the views that were checked, on every size there is, in what they were checked in. */
export async function provedViews(
  { loaded, options, verdict, kept }: Checked,
  call: { readonly theme?: string; readonly threads?: number },
  progress: (done: number, all: number) => void,
): Promise<Pick<ProofInput, 'proofs' | 'unsupported'>> {
  const { file, document } = loaded;
  const lists = Object.fromEntries(
    factors.flatMap(({ list }) => (options[list] ? [[list, options[list]]] : [])),
  );
  const { supported, unsupported } = apartBySupport(document, verdict.views, everySize);
  if (supported.length === 0) return { proofs: [], unsupported };
  optimiseLater();
  const proofs = await proveOnThreads({
    file,
    theme: call.theme,
    project: loaded,
    options: { ...lists, device: desktop, region: everySize },
    views: supported,
    threads: call.threads ?? availableParallelism(),
    kept,
    progress,
  });
  return { proofs, unsupported };
}
