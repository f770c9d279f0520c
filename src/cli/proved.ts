import { readChanged } from '../edit/index.ts';
import type { Suggestion } from '../mend/index.ts';
import {
  apartBySupport,
  desktop,
  everySize,
  proveDocument,
  provedChecks,
  unionArea,
} from '../proof/index.ts';
import { proofWords, type ProofInput } from '../report/index.ts';
import type { Finding } from '../verdict/index.ts';
import { factors, onlyOn } from '../view/index.ts';
import type { Checked } from './checked.ts';

/** Changes that are proved, at the most: each takes as long as a proof. */
const mostProved = 12;

/** Of changes that mend a finding on the screens of a check: what becomes of it on every size, in words. */
export function provedSuggestions(
  { loaded: { document, resources }, verdict }: Checked,
  suggestions: readonly (Suggestion | undefined)[],
  progress: (done: number, all: number) => void,
): ReadonlyMap<Suggestion, string> {
  const found = new Map<Suggestion, string>();
  const firsts = new Map<Suggestion, Finding>();
  const { supported } = apartBySupport(document, verdict.views, everySize);
  suggestions.forEach((one, nth) => {
    const finding = verdict.findings[nth]!;
    if (finding.view !== undefined && !supported.includes(finding.view)) return;
    if (one && finding.view !== undefined && provedChecks.includes(finding.check) && !firsts.has(one))
      firsts.set(one, finding);
  });
  const all = [...firsts].slice(0, mostProved);
  all.forEach(([suggestion, finding], nth) => {
    progress(nth, all.length);
    const changed = readChanged(document, suggestion.text);
    const [proof] = proveDocument(changed, {
      resources,
      views: [finding.view!],
      ...onlyOn(finding.worst),
      device: desktop,
      region: everySize,
    });
    const whole = unionArea([proof!.region]);
    const left = proof!.failures
      .filter((one) => one.finding.check === finding.check && one.finding.widget === finding.widget)
      .flatMap(({ parts }) => parts);
    const open = proof!.gaps
      .filter(({ check }) => (check ?? finding.check) === finding.check)
      .map(({ polygon }) => polygon);
    found.set(suggestion, proofWords(unionArea(left) / whole, unionArea(open) / whole, proof!.sizes));
  });
  return found;
}

/** Proofs of the views that were checked, on every size there is, in what they were checked in. */
export function provedViews(
  { loaded: { document, resources }, options, verdict }: Checked,
  progress: (done: number, all: number) => void,
): Pick<ProofInput, 'proofs' | 'unsupported'> {
  const lists = Object.fromEntries(
    factors.flatMap(({ list }) => (options[list] ? [[list, options[list]]] : [])),
  );
  const { supported, unsupported } = apartBySupport(document, verdict.views, everySize);
  const asked = { resources, ...lists, views: supported, device: desktop, region: everySize, progress };
  return { proofs: supported.length === 0 ? [] : proveDocument(document, asked), unsupported };
}
