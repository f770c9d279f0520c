import { checksOnGlass, type HudProof } from '../../proof/index.ts';
import type { Finding } from '../../verdict/index.ts';
import { namesOf } from '../causes.ts';
import { usualWidth, type TerminalOptions } from '../terminal.ts';
import { wrapped } from '../wrap.ts';
import { counted, printable } from '../wording.ts';
import { wherePointer, type Tones } from '../report.ts';
import {
  borderTexts,
  failureText,
  gapTexts,
  hudFailureText,
  hudHolds,
  hudText,
  holds,
  linesOf,
  provedText,
  seenTexts,
  supportLine,
  unsupportedText,
  verdictText,
  whenOf,
  type ProofInput,
} from './told.ts';

/** Reasons of a failure that are told, where nobody asks for all. */
const mostReasons = 4;

/** Failures of a view that are told one by one, where nobody asks for all. */
const mostTold = 12;

const alone = <One>(failure: One): readonly [One, ...One[]] => [failure];

function othersText(others: readonly { readonly finding: Finding }[]): string {
  return `and of the same line ${printable(namesOf(others.map(({ finding }) => finding)))}`;
}

/** Proofs for a person. */
export function proofTerminal(
  inputs: readonly ProofInput[],
  tones: Tones,
  { verbose = false, width = usualWidth }: Omit<TerminalOptions, 'summary'> = {},
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
      const shown = verbose ? proof.failures.map(alone) : linesOf(proof.failures).slice(0, mostTold);
      for (const [failure, ...others] of shown) {
        const { finding } = failure;
        const place = finding.place ?? wherePointer(document, printable(file), finding.pointer);
        lines.push(
          `  ${tones.bad('✗')} ${failureText(failure, proof.region, whenOf(failure, proof.occasions))} ${tones.faint(`[${finding.check}]`)}`,
        );
        for (const { text, pointer } of verbose ? finding.reasons : finding.reasons.slice(0, mostReasons))
          lines.push(
            `      ${tones.faint(`because ${printable(text)} ${wherePointer(document, printable(file), pointer)}`)}`,
          );
        for (const { text, pointer } of borderTexts(failure).slice(0, verbose ? undefined : 1))
          lines.push(`      ${tones.faint(`${text} ${wherePointer(document, printable(file), pointer)}`)}`);
        if (finding.reasons.length === 0) lines.push(`      ${tones.faint(place)}`);
        if (others.length > 0) lines.push(`      ${tones.faint(othersText(others))}`);
      }
      const more = proof.failures.length - shown.flat().length;
      if (more > 0) lines.push(`  … and ${more} more; --verbose tells them all`);
      const support = supportLine(proof);
      if (support !== undefined)
        lines.push(
          `  → in ${printable(proof.view)}, this promises what holds, and no more:`,
          `${whole}${support}`,
        );
      if (proof.hudSizes) lines.push(...hudLines(proof.hudSizes, input, tones, verbose));
      for (const text of gapTexts(proof)) lines.push(`  ${tones.doubtful('?')} not proved: ${text}`);
      const seen = proof.seen.length;
      if (seen > 0 && verbose)
        for (const { finding, text } of seenTexts(proof)) {
          const place = finding.place ?? wherePointer(document, printable(file), finding.pointer);
          lines.push(`  ${tones.faint(`· ${text} [${finding.check}] ${place}`)}`);
        }
      else if (seen > 0)
        lines.push(
          `  ${tones.faint(`· ${counted(seen, 'finding')} of checks that are not proved; --verbose tells them`)}`,
        );
      lines.push('');
    }
  }
  for (const { unsupported, region } of inputs)
    for (const view of unsupported) lines.push(tones.faint(`– ${unsupportedText(view, region)}`), '');
  const cells = inputs.flatMap(({ proofs }) => proofs).reduce((sum, one) => sum + one.cells, 0);
  const solves = inputs.flatMap(({ proofs }) => proofs).reduce((sum, one) => sum + one.solves, 0);
  lines.push(provedText());
  lines.push(tones.faint(`${counted(cells, 'cell')}, ${counted(solves, 'layout')}`));
  return `${lines.flatMap((line) => inWidth(line, width)).join('\n')}\n`;
}

/** What stands before a line that is to be copied, and stays whole. */
const whole = ' '.repeat(6);

/** A line in as many as it takes, those after the first a step further in. */
function inWidth(line: string, width: number): readonly string[] {
  const start = line.length - line.trimStart().length;
  return line.startsWith(`${whole}supports:`) ? [line] : wrapped(line, width, ' '.repeat(start + 2));
}

/** At which HUD sizes a view holds, and what fails at the others. */
function hudLines(
  hud: HudProof,
  { document, file }: ProofInput,
  tones: Tones,
  verbose: boolean,
): readonly string[] {
  const isOpen = hud.refused !== undefined || hud.failures.length === 0;
  const mark = hudHolds(hud) ? tones.good('✓') : isOpen ? tones.doubtful('?') : tones.bad('✗');
  const lines = [`  ${mark} ${hudText(hud)}`];
  const shown = verbose ? hud.failures.map(alone) : linesOf(hud.failures).slice(0, mostTold);
  for (const [failure, ...others] of shown) {
    const { check, reasons } = failure.finding;
    lines.push(`    ${tones.bad('✗')} ${hudFailureText(failure, hud)} ${tones.faint(`[${check}]`)}`);
    for (const { text, pointer } of verbose ? reasons : reasons.slice(0, mostReasons))
      lines.push(
        `        ${tones.faint(`because ${printable(text)} ${wherePointer(document, printable(file), pointer)}`)}`,
      );
    if (others.length > 0) lines.push(`        ${tones.faint(othersText(others))}`);
  }
  const more = hud.failures.length - shown.flat().length;
  if (more > 0) lines.push(`    … and ${more} more; --verbose tells them all`);
  if (hud.gaps.length > 0) {
    const what = [...new Set(hud.gaps.map(({ check }) => check ?? 'the layout'))].join(', ');
    lines.push(`    ${tones.doubtful('?')} not proved at some of them: ${what}`);
  }
  if (hud.refused !== undefined) return lines;
  const glass = `${checksOnGlass.join(', ')} and promises in px, mm or deg`;
  lines.push(`    ${tones.faint(`· ${glass} are proved at the two ends alone`)}`);
  return lines;
}
