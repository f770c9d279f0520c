import type { Ink } from '../report.ts';
import { counted, printable } from '../wording.ts';
import { changeSentence, told, type Compared } from './compared.ts';

/** The comparison for a person. */
export function compareTerminal({ old, now, comparison, screens }: Compared, ink: Ink): string {
  const { changes, findings, views, layouts, unmatched } = comparison;
  const lines = [ink.strong(`${printable(old)} → ${printable(now)}`), ''];
  for (const name of views.new) lines.push(`${ink.good('+')} the view ${printable(name)} is new`);
  for (const name of views.gone) lines.push(`${ink.bad('−')} the view ${printable(name)} is gone`);
  for (const view of new Set(changes.map((one) => one.view))) {
    lines.push(ink.strong(printable(view)));
    for (const change of changes.filter((one) => one.view === view)) {
      const mark =
        change.kind === 'new' ? ink.good('+') : change.kind === 'gone' ? ink.bad('−') : ink.doubtful('~');
      lines.push(
        `  ${mark} ${printable(change.widget)} ${printable(changeSentence(change, screens.length))}`,
      );
    }
    lines.push('');
  }
  for (const one of findings.new)
    lines.push(`${ink.bad('✗ new')} ${told(one)}  ${ink.faint(`[${one.check}]`)}`);
  for (const one of findings.gone)
    lines.push(`${ink.good('✓ gone')} ${told(one)}  ${ink.faint(`[${one.check}]`)}`);
  if (findings.new.length + findings.gone.length > 0) lines.push('');
  const apart = unmatched > 0 ? `; ${counted(unmatched, 'layout')} only one of them has` : '';
  lines.push(
    `${counted(changes.length, 'change')} of widgets, findings: ${findings.new.length} new, ${findings.gone.length} gone, ${findings.unchanged.length} unchanged ${ink.faint(`(${counted(layouts, 'layout')} compared${apart})`)}`,
  );
  return `${lines.join('\n')}\n`;
}
