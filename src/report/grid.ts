import { findScreen } from '../screen/index.ts';
import type { Verdict } from '../verdict/index.ts';
import type { Tones } from './report.ts';
import { wrapped } from './wrap.ts';

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
  const widths = views.map((name) => Math.max(name.length, 4));
  const all = views.map((_, column) => column);
  if (fits(all)) return tableOf(all);
  // Of many views those with findings stand in tables of as many as fit, the others in a line.
  const isClean = (column: number) => cells.every((row) => row[column]!.startsWith('✓'));
  const lines: string[] = [];
  let columns: number[] = [];
  const end = () => {
    if (columns.length > 0) lines.push(...tableOf(columns), '');
    columns = [];
  };
  for (const column of all) {
    if (isClean(column)) continue;
    if (columns.length > 0 && !fits([...columns, column])) end();
    columns.push(column);
  }
  end();
  const clean = all.filter(isClean).map((column) => views[column]!);
  if (clean.length === 0) return lines.slice(0, -1);
  return [...lines, ...wrapped(`  ${tones.good('✓')} on every screen: ${clean.join(', ')}`, width, '    ')];

  function fits(some: readonly number[]): boolean {
    const first = Math.max(...rowsOf(some).map(({ name }) => name.length));
    return some.reduce((sum, column) => sum + widths[column]! + 2, first + 2) <= width;
  }

  /** The rows of some views; of screens on which they fare alike one for their group. */
  function rowsOf(some: readonly number[]): { name: string; cells: readonly string[] }[] {
    const rows: { name: string; cells: readonly string[] }[] = [];
    for (let at = 0; at < screens.length;) {
      const group = findScreen(screens[at]!)?.group;
      let to = at + 1;
      while (group !== undefined && to < screens.length && findScreen(screens[to]!)?.group === group) to++;
      const those = cells.slice(at, to);
      const alike = some.every((column) => those.every((row) => row[column]![0] === cells[at]![column]![0]));
      if (alike && to - at > 1)
        rows.push({ name: `${group}, all ${to - at}`, cells: some.map((column) => worstOf(those, column)) });
      else
        for (let nth = at; nth < to; nth++)
          rows.push({ name: screens[nth]!, cells: some.map((column) => cells[nth]![column]!) });
      at = to;
    }
    return rows;
  }

  function tableOf(some: readonly number[]): string[] {
    const rows = rowsOf(some);
    const first = Math.max(...rows.map(({ name }) => name.length));
    const header = some.map((column) => views[column]!.padEnd(widths[column]!));
    return [
      tones.faint(`  ${' '.repeat(first)}  ${header.join('  ')}`.trimEnd()),
      ...rows.map(({ name, cells: row }) => {
        const shown = row.map((cell, nth) => toned(cell, widths[some[nth]!]!, tones));
        return `  ${name.padEnd(first)}  ${shown.join('  ')}`.trimEnd();
      }),
    ];
  }
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
