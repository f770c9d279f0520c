import { sentenceOf, counted, printable } from '../wording.ts';
import { wherePointer, type Tones } from '../report.ts';
import {
  borderTexts,
  failureText,
  gapTexts,
  holds,
  provedText,
  supportLine,
  verdictText,
  type ProofInput,
} from './told.ts';

/** Reasons of a failure that are told, where nobody asks for all. */
const mostReasons = 4;

/** Failures of a view that are told one by one, where nobody asks for all. */
const mostTold = 12;

/** Proofs for a person. */
export function proofTerminal(
  inputs: readonly ProofInput[],
  tones: Tones,
  { verbose = false }: { readonly verbose?: boolean } = {},
): string {
  const lines: string[] = [];
  for (const input of inputs) {
    const { file, document, proofs } = input;
    for (const proof of proofs) {
      const mark = holds(proof)
        ? tones.good('✓')
        : proof.failures.length > 0
          ? tones.bad('✗')
          : tones.doubtful('?');
      lines.push(`${mark} ${tones.strong(verdictText(proof))}`);
      const shown = verbose ? proof.failures : proof.failures.slice(0, mostTold);
      for (const failure of shown) {
        const { finding } = failure;
        const place = finding.place ?? wherePointer(document, printable(file), finding.pointer);
        lines.push(
          `  ${tones.bad('✗')} ${failureText(failure, proof.region)}  ${tones.faint(`[${finding.check}]`)}`,
        );
        for (const { text, pointer } of verbose ? finding.reasons : finding.reasons.slice(0, mostReasons))
          lines.push(
            `      ${tones.faint(`because ${printable(text)}  ${wherePointer(document, printable(file), pointer)}`)}`,
          );
        for (const { text, pointer } of borderTexts(failure).slice(0, verbose ? undefined : 1))
          lines.push(`      ${tones.faint(`${text}  ${wherePointer(document, printable(file), pointer)}`)}`);
        if (finding.reasons.length === 0) lines.push(`      ${tones.faint(place)}`);
      }
      const more = proof.failures.length - shown.length;
      if (more > 0) lines.push(`  … and ${more} more; --verbose tells them all`);
      const support = supportLine(proof);
      if (support !== undefined)
        lines.push(`  → in ${printable(proof.view)}, this promises what holds, and no more:  ${support}`);
      for (const text of gapTexts(proof)) lines.push(`  ${tones.doubtful('?')} not proved: ${text}`);
      const seen = proof.seen.length;
      if (seen > 0 && verbose)
        for (const finding of proof.seen)
          lines.push(
            `  ${tones.faint(`· seen on ${finding.worst.screen}: ${printable(finding.widget)} ${printable(sentenceOf(finding))} [${finding.check}]`)}`,
          );
      else if (seen > 0)
        lines.push(
          `  ${tones.faint(`· ${counted(seen, 'finding')} of checks that are not proved; --verbose tells them`)}`,
        );
      lines.push('');
    }
  }
  const cells = inputs.flatMap(({ proofs }) => proofs).reduce((sum, one) => sum + one.cells, 0);
  const solves = inputs.flatMap(({ proofs }) => proofs).reduce((sum, one) => sum + one.solves, 0);
  lines.push(provedText());
  lines.push(tones.faint(`${counted(cells, 'cell')}, ${counted(solves, 'layout')}`));
  return `${lines.join('\n')}\n`;
}
