import { nearestName } from '../document/index.ts';
import { findScreen, makeScreen, screens, type Screen } from '../screen/index.ts';
import { UsageError, exitClean, type Io } from './io.ts';

export interface ScreenOptions {
  readonly safe?: readonly [number, number, number, number];
  readonly density?: number;
}

/**
 * A screen of the catalogue, or WIDTHxHEIGHT, with the insets and density that were given beside it.
 * @throws UsageError
 */
export function screenFrom(name: string, { safe, density }: ScreenOptions): Screen {
  const known = findScreen(name);
  const size = /^(\d{1,6})x(\d{1,6})$/.exec(name);
  if (!known && !size) {
    const near = nearestName(
      name,
      screens.map((screen) => screen.name),
    );
    const hint = near === undefined ? '`pimbot screens` lists them' : `did you mean "${near}"?`;
    throw new UsageError(`there is no screen "${name}", and it is not a size such as 1920x1080; ${hint}`);
  }
  const base = known ?? {
    name,
    title: `${size![1]} × ${size![2]}`,
    width: Number(size![1]),
    height: Number(size![2]),
  };
  try {
    return makeScreen({ ...base, ...(safe && { safe }), ...(density !== undefined && { density }) });
  } catch (error) {
    if (error instanceof RangeError) throw new UsageError(error.message);
    throw error;
  }
}

/** `pimbot screens` */
export function listScreens(options: { readonly json?: boolean }, io: Io): number {
  if (options.json) {
    io.out(`${JSON.stringify(screens, null, 2)}\n`);
    return exitClean;
  }
  const rows = screens.map(({ name, width, height, density, safe, distance, inputs, title }) => [
    name,
    `${width}x${height}`,
    `${density} ppi`,
    `${distance / 10} cm`,
    [safe.top, safe.right, safe.bottom, safe.left].every((inset) => inset === 0)
      ? '-'
      : `${safe.top},${safe.right},${safe.bottom},${safe.left}`,
    inputs.join(' '),
    title,
  ]);
  io.out(table(['name', 'pixels', 'density', 'distance', 'safe insets', 'inputs', 'what it is'], rows, io));
  return exitClean;
}

/** Columns of text, each as wide as its longest cell. */
export function table(
  header: readonly string[],
  rows: readonly (readonly string[])[],
  io: Io,
  right: readonly number[] = [],
): string {
  const widths = header.map((title, column) =>
    Math.max(title.length, ...rows.map((row) => row[column]!.length)),
  );
  const line = (cells: readonly string[]) =>
    cells
      .map((cell, column) =>
        right.includes(column) ? cell.padStart(widths[column]!) : cell.padEnd(widths[column]!),
      )
      .join('  ')
      .trimEnd();
  return `${io.ink.faint(line(header))}\n${rows.map((row) => `${line(row)}\n`).join('')}`;
}
