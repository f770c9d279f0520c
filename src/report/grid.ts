import { findScreen } from '../screen/index.ts';
import type { Verdict } from '../verdict/index.ts';
import type { Tones } from './report.ts';

/** Screens down, views across; each cell holds how many findings concern it. Screens of one class that fare alike share a row with the worst of each. */
export function gridOf(
  { screens, views, findings, unsupported }: Verdict,
  tones: Tones,
  width: number,
): string[] {
  const cells = screens.map((screen) =>
    views.map((view) => {
      if (unsupported.some((one) => one.view === view && one.screens.includes(screen))) return '– 0';
      const here = findings.filter(
        (finding) => finding.view === view && finding.occurrences.some((one) => one.screen === screen),
      );
      const failed = here.filter((finding) => finding.outcome === 'failed');
      const isError = failed.some(({ severity }) => severity === 'error');
      if (failed.length > 0) return `${isError ? '✗' : '!'} ${failed.length}`;
      return here.length > 0 ? `? ${here.length}` : '✓';
    }),
  );
  const rows: { name: string; cells: readonly string[] }[] = [];
  for (let at = 0; at < screens.length;) {
    const group = findScreen(screens[at]!)?.group;
    let end = at + 1;
    while (group !== undefined && end < screens.length && findScreen(screens[end]!)?.group === group) end++;
    const some = cells.slice(at, end);
    const alike = views.every((_, column) => some.every((row) => row[column]![0] === cells[at]![column]![0]));
    if (alike && end - at > 1)
      rows.push({
        name: `${group}, all ${end - at}`,
        cells: views.map((_, column) => worstOf(some, column)),
      });
    else for (let nth = at; nth < end; nth++) rows.push({ name: screens[nth]!, cells: cells[nth]! });
    at = end;
  }
  const first = Math.max(...rows.map(({ name }) => name.length));
  const widths = views.map((name) => Math.max(name.length, 4));
  const lines: string[] = [];
  // Of many views some stand in a table of their own below.
  for (let from = 0; from < views.length;) {
    let to = from;
    let room = width - first - 2;
    while (to < views.length && (to === from || room >= widths[to]! + 2)) room -= widths[to++]! + 2;
    const header = views.slice(from, to).map((name, nth) => name.padEnd(widths[from + nth]!));
    lines.push(tones.faint(`  ${' '.repeat(first)}  ${header.join('  ')}`.trimEnd()));
    for (const { name, cells: row } of rows) {
      const shown = row.slice(from, to).map((cell, nth) => toned(cell, widths[from + nth]!, tones));
      lines.push(`  ${name.padEnd(first)}  ${shown.join('  ')}`.trimEnd());
    }
    from = to;
  }
  return lines;
}

function toned(cell: string, width: number, tones: Tones): string {
  const text = (cell.startsWith('–') ? '–' : cell).padEnd(width);
  if (cell.startsWith('–')) return tones.faint(text);
  if (cell.startsWith('✗')) return tones.bad(text);
  return cell.startsWith('✓') ? tones.good(text) : tones.doubtful(text);
}

/** The cell of a column with the most findings. */
function worstOf(rows: readonly (readonly string[])[], column: number): string {
  const count = (cell: string) => Number(cell.slice(2));
  return rows.map((row) => row[column]!).reduce((most, cell) => (count(cell) > count(most) ? cell : most));
}
