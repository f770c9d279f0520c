import type { ProofChange } from '../../proof/index.ts';
import type { Tones } from '../report.ts';
import { printable } from '../wording.ts';
import { shareText } from './told.ts';

/** How the sizes on which views hold have grown or shrunk, for a person. */
export function proofChangeTerminal(changes: readonly ProofChange[], tones: Tones): string {
  const lines = changes.map(({ view, before, now, lost, gained }) => {
    const holds = `${printable(view)} holds on ${shareText(1 - now)} of the sizes`;
    if (lost === 0 && gained === 0) return `  ${tones.faint('=')} ${holds}, as before`;
    const mark = lost > 0 ? tones.bad('✗') : tones.good('✓');
    const said = [
      ...(lost > 0 ? [`no longer on ${shareText(lost)}`] : []),
      ...(gained > 0 ? [`newly on ${shareText(gained)}`] : []),
    ];
    return `  ${mark} ${holds}, before on ${shareText(1 - before)}: ${said.join(', ')}`;
  });
  if (lines.length === 0)
    lines.push(`  ${tones.faint('–')} no view supports the same sizes in both: nothing was compared`);
  return `${[tones.strong('On every size, proved'), ...lines].join('\n')}\n`;
}
