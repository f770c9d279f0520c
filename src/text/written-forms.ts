import type { MessagePart } from '../document/index.ts';
import { Formats, optionsOf } from './format-message.ts';

/** All digits, a sign, and what short forms of a language say of thousands, millions and so on. */
const numbers = [0, 0.5, -1, -9876543.21, 1234567890, ...Array.from({ length: 15 }, (_, at) => 10 ** at)];

/** Every month and every day of the week, in the morning and in the evening. */
const times = Array.from({ length: 12 * 7 }, (_, nth) =>
  Date.UTC(2026, nth % 12, 1 + Math.floor(nth / 12), nth % 2 === 0 ? 9 : 21, 48, 37),
);

/**
 * What the numbers and dates of a message may be written with while a game runs, whatever they come to: digits, separators and signs
 * of the language, names of months, days and time zones.
 */
export function* formsOf(parts: readonly MessagePart[], locale: string): Generator<string> {
  const formats = new Formats(locale);
  const left = [...parts];
  for (let part = left.pop(); part; part = left.pop()) {
    const { type, style } = part;
    for (const { value } of Object.values(part.options ?? {})) left.push(...value);
    // A number, or the # of a plural.
    if (type === 2 || type === 7)
      for (const one of numbers) yield formats.number(one, type === 2 ? optionsOf(type, style) : undefined);
    if (type !== 3 && type !== 4) continue;
    const options = optionsOf(type, style);
    for (const time of times) yield formats.date(time, options);
    if (options && 'timeZoneName' in options)
      for (const timeZone of Intl.supportedValuesOf('timeZone'))
        for (const time of [times[0]!, times[6]!]) yield formats.date(time, { ...options, timeZone });
  }
}
