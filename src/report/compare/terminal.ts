import type { Tones } from '../report.ts';
import { counted, printable } from '../wording.ts';
import { changeSentence, countsOf, told, toldAgain, viewSentences, type Compared } from './compared.ts';

/** The comparison for a person. */
export function compareTerminal({ old, now, comparison, screens }: Compared, tones: Tones): string {
  const { changes, findings, views, layouts, unmatched } = comparison;
  const lines = [tones.strong(`${printable(old)} → ${printable(now)}`), ''];
  const marks = { new: tones.good('+'), gone: tones.bad('−'), apart: tones.doubtful('–') };
  for (const { became, sentence } of viewSentences(views))
    lines.push(`${marks[became]} ${printable(sentence)}`);
  for (const view of new Set(changes.map((one) => one.view))) {
    lines.push(tones.strong(printable(view)));
    for (const change of changes.filter((one) => one.view === view)) {
      const mark =
        change.kind === 'new'
          ? tones.good('+')
          : change.kind === 'gone'
            ? tones.bad('−')
            : tones.doubtful('~');
      lines.push(
        `  ${mark} ${printable(change.widget)} ${printable(changeSentence(change, screens.length))}`,
      );
    }
    lines.push('');
  }
  for (const one of findings.new)
    lines.push(`${tones.bad('✗ new')} ${told(one)}  ${tones.faint(`[${one.check}]`)}`);
  for (const one of findings.worse)
    lines.push(`${tones.bad('✗ worse')} ${toldAgain(one)}  ${tones.faint(`[${one.now.check}]`)}`);
  for (const one of findings.better)
    lines.push(`${tones.good('✓ better')} ${toldAgain(one)}  ${tones.faint(`[${one.now.check}]`)}`);
  for (const one of findings.gone)
    lines.push(`${tones.good('✓ gone')} ${told(one)}  ${tones.faint(`[${one.check}]`)}`);
  if (lines.at(-1) !== '') lines.push('');
  const apart = unmatched > 0 ? `; ${counted(unmatched, 'layout')} only one of them has` : '';
  lines.push(
    `${countsOf(comparison, ' of widgets')} ${tones.faint(`(${counted(layouts, 'layout')} compared${apart})`)}`,
  );
  return `${lines.join('\n')}\n`;
}
