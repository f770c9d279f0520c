import { parse } from 'yaml';
import type { Json } from '../document/index.ts';
import { UsageError } from './io.ts';
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

/** `--from 640x360`: a size in device px. */
export function parseSize(text: string): { readonly width: number; readonly height: number } {
  const [width, height] = (/^([1-9]\d{0,4}) ?[xX×] ?([1-9]\d{0,4})$/.exec(text) ?? []).slice(1).map(Number);
  if (width === undefined || height === undefined)
    throw new InvalidArgumentError('Give a width and a height in px, such as 1280x720.');
  return { width, height };
}

/** `--aspect 4:3..32:9`; either side may be left out. */
export function parseAspects(text: string): { readonly least: number; readonly most: number } {
  const one = String.raw`(\d+(?:\.\d+)?)(?::(\d+(?:\.\d+)?))?`;
  const match = new RegExp(`^(?:${one})?\\.\\.(?:${one})?$`).exec(text.replaceAll(' ', ''));
  const read = (width: string | undefined, height: string | undefined, without: number) =>
    width === undefined ? without : Number(width) / Number(height ?? 1);
  const least = match ? read(match[1], match[2], 0) : NaN;
  const most = match ? read(match[3], match[4], Infinity) : NaN;
  if (!(least >= 0 && most > least))
    throw new InvalidArgumentError('Give a range of aspects, such as 4:3..32:9.');
  return { least, most };
}

/** Insets of four sides, each in px or as a share of the width or height. */
export interface ReadInsets {
  readonly px: [number, number, number, number];
  readonly shares: [number, number, number, number];
}

/** `--safe 48,0,24,0` in device px, or with `%` of the height (top, bottom) and of the width (right, left). */
export function parseInsets(text: string): ReadInsets {
  const read: ReadInsets = { px: [0, 0, 0, 0], shares: [0, 0, 0, 0] };
  const parts = text.split(',').map((part) => /^(\d+(?:\.\d+)?)(%?)$/.exec(part.trim()));
  if (parts.length !== 4 || parts.includes(null))
    throw new InvalidArgumentError('Give four distances: top,right,bottom,left, in device px or in %.');
  parts.forEach((part, nth) => {
    const [, number, percent] = part!;
    if (percent === '%') read.shares[nth] = Number(number) / 100;
    else read.px[nth] = Number(number);
  });
  if (read.shares[0] + read.shares[2] >= 1 || read.shares[1] + read.shares[3] >= 1)
    throw new InvalidArgumentError('These insets leave nothing of a screen.');
  return read;
}

/** A positive number. */
export function parsePositive(text: string): number {
  const value = text.trim() === '' ? NaN : Number(text);
  if (!(value > 0 && Number.isFinite(value))) throw new InvalidArgumentError('Give a number above 0.');
  return value;
}

/** A HUD size, or a range of them. */
type HudSizes = number | { readonly least: number; readonly most: number };

/** HUD sizes that are given one after the other, and ranges such as `0.75..1.5`. */
export function collectHudSize(text: string, before: readonly HudSizes[] = []): readonly HudSizes[] {
  const ends = text.split('..').map((end) => (end.trim() === '' ? NaN : Number(end)));
  const [least, most = least] = ends as [number, number?];
  const isSize = (size: number) => size >= 0.1 && size <= 10;
  if (ends.length > 2 || !isSize(least) || !isSize(most))
    throw new InvalidArgumentError('Give a HUD size from 0.1 to 10, or a range such as 0.75..1.5.');
  if (ends.length === 2 && !(most > least))
    throw new InvalidArgumentError('A range of HUD sizes ends above where it begins, such as 0.75..1.5.');
  return [...before, ends.length === 2 ? { least, most } : least];
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

/** `key=value`: the value as YAML reads it. @throws UsageError */
export function parseSetting(text: string): { readonly key: string; readonly value: Json } {
  const [, key, written] = /^([\w-]+(?:\/[\w-]+)?)=(.*)$/s.exec(text) ?? [];
  if (key === undefined || written === undefined)
    throw new UsageError(`"${text}" is not KEY=VALUE, such as "offset=12 -4"`);
  // A colour is no comment.
  if (/(^|\s)#/.test(written)) return { key, value: written };
  try {
    return { key, value: (parse(written) as Json) ?? '' };
  } catch {
    // What is no YAML is a text: "{depth, number} m" is one.
    return { key, value: written };
  }
}
