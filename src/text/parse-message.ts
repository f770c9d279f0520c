import { parse } from '@formatjs/icu-messageformat-parser';
import type { MessagePart } from '../document/index.ts';

/** Reads a message of ICU. @param locale Whose customs decide what a skeleton of a date leaves open. @throws SyntaxError */
export function parseMessage(message: string, locale: string): readonly MessagePart[] {
  const parts: unknown = parse(message, { ignoreTag: true, locale: knownLocale(locale) });
  return parts as readonly MessagePart[];
}

function knownLocale(locale: string): Intl.Locale {
  return new Intl.Locale(Intl.NumberFormat.supportedLocalesOf(locale)[0] ?? locale);
}
