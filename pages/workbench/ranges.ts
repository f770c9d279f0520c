import type { DocumentSource } from 'pimbot';

type Cases = NonNullable<DocumentSource['cases']>;
type CaseValue = Cases[string][string];

/** Between what a number may be set by hand. */
export interface ValueRange {
  readonly min: number;
  readonly max: number;
  readonly step: number;
}

/** The range of every number of some cases, by its name with dots; those of all entries of a list are one. */
export function rangesOf(cases: Cases = {}): { readonly [name: string]: ValueRange } {
  const numbers = new Map<string, number[]>();
  const note = (name: string, value: CaseValue): void => {
    if (typeof value === 'number') {
      const known = numbers.get(name);
      if (known) known.push(value);
      else numbers.set(name, [value]);
    } else if (Array.isArray(value)) for (const entry of value as readonly CaseValue[]) note(name, entry);
    else if (typeof value === 'object')
      for (const [part, one] of Object.entries(value)) note(`${name}.${part}`, one);
  };
  for (const values of Object.values(cases))
    for (const [name, value] of Object.entries(values)) note(name, value);
  return Object.fromEntries([...numbers].map(([name, some]) => [name, rangeOf(some)]));
}

/** A share stays one; what counts may be twice as much as any case says. */
function rangeOf(some: readonly number[]): ValueRange {
  const most = Math.max(...some);
  const min = Math.min(0, 2 * Math.min(...some));
  const isShare = most <= 1 && min === 0;
  const step = isShare || some.some((one) => !Number.isInteger(one)) ? 0.01 : 1;
  return { min, max: isShare ? 1 : Math.max(10, 2 * most), step };
}
