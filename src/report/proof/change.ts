import type { ProofChange } from '../../proof/index.ts';
import type { Tones } from '../report.ts';
import { printable } from '../wording.ts';
import { shareText } from './told.ts';

/** How the sizes on which views hold have grown or shrunk, for a person. */
export function proofChangeTerminal(changes: readonly ProofChange[], tones: Tones): string {
  const lines = changes.map(({ view, before, now, lost, gained, dropped, added }) => {
    const support = [
      ...(dropped > 0 ? [`supports ${shareText(dropped)} of its sizes no more`] : []),
      ...(added > 0 ? [`supports more: ${shareText(added)} of its sizes are new`] : []),
    ].join(', and ');
    if (dropped === 1 || added === 1) return `  ${tones.doubtful('~')} ${printable(view)} ${support}`;
    const of = support === '' ? '' : ' that both support';
    const also = support === '' ? '' : `; it ${support}`;
    const holds = `${printable(view)} holds on ${shareText(1 - now)} of the sizes${of}`;
    if (lost === 0 && gained === 0)
      return `  ${support === '' ? tones.faint('=') : tones.doubtful('~')} ${holds}, as before${also}`;
    const mark = lost > 0 ? tones.bad('✗') : tones.good('✓');
    const said = [
      ...(lost > 0 ? [`no longer on ${shareText(lost)}`] : []),
      ...(gained > 0 ? [`newly on ${shareText(gained)}`] : []),
    ];
    return `  ${mark} ${holds}, before on ${shareText(1 - before)}: ${said.join(', ')}${also}`;
  });
  if (lines.length === 0) lines.push(`  ${tones.faint('–')} no view is proved in both: nothing was compared`);
  return `${[tones.strong('On every size, proved'), ...lines].join('\n')}\n`;
}
