import { InvalidArgumentError } from 'commander';

/* What options on the command line are read with. */

/** Another value of an option that may be repeated. */
export const collect = (value: string, before: readonly string[] | undefined): string[] => [
  ...(before ?? []),
  value,
];

/** Another of some words, of an option that may be repeated. */
export const collectOf =
  <Word extends string>(words: readonly Word[]) =>
  (text: string, before: readonly Word[] | undefined): Word[] => {
    const word = words.find((one) => one === text);
    if (word === undefined) throw new InvalidArgumentError(`Give one of ${words.join(', ')}.`);
    return [...(before ?? []), word];
  };

/** Another positive number of an option that may be repeated. */
export const collectPositive = (text: string, before: readonly number[] | undefined): number[] => [
  ...(before ?? []),
  parsePositive(text),
];

/** `--safe top,right,bottom,left`, in device px. */
export function parseSafe(text: string): [number, number, number, number] {
  const parts = text.split(',').map((part) => (part.trim() === '' ? NaN : Number(part)));
  if (parts.length !== 4 || parts.some((part) => !(part >= 0 && Number.isFinite(part)))) {
    throw new InvalidArgumentError('Give four distances in device px: top,right,bottom,left.');
  }
  return parts as [number, number, number, number];
}

/** A positive number. */
export function parsePositive(text: string): number {
  const value = text.trim() === '' ? NaN : Number(text);
  if (!(value > 0 && Number.isFinite(value))) throw new InvalidArgumentError('Give a number above 0.');
  return value;
}

/** A whole number of at least 1. */
export function parseCount(text: string): number {
  const value = parsePositive(text);
  if (!Number.isInteger(value)) throw new InvalidArgumentError('Give a whole number of at least 1.');
  return value;
}

/** The share of one of several machines. */
export interface Shard {
  readonly nth: number;
  readonly of: number;
}

/** `--shard i/n`: the i-th of n parts. */
export function parseShard(text: string): Shard {
  const [nth, of] = (/^(\d{1,6})\/(\d{1,6})$/.exec(text) ?? []).slice(1).map(Number);
  if (nth === undefined || of === undefined || nth < 1 || nth > of)
    throw new InvalidArgumentError('Give the part and how many there are, such as 2/4.');
  return { nth, of };
}
