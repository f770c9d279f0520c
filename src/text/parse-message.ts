import { parse } from '@formatjs/icu-messageformat-parser';
import type { MessagePart } from '../document/index.ts';

/** Stands for the hyphens of a name while it is read; Unicode keeps it free for such uses, so no text has it. */
const hyphen = '\uFDD0';
const nameAtBrace = /\{\s*[\p{L}_][\p{L}\p{N}_-]*(?=\s*[,}])/gu;

/**
 * Reads a message of ICU, in which the names of values may hold hyphens as they do everywhere else.
 * @param locale Whose customs decide what a skeleton of a date leaves open. @throws SyntaxError
 */
export function parseMessage(message: string, locale: string): readonly MessagePart[] {
  const readable = message.replace(nameAtBrace, (name) => name.replaceAll('-', hyphen));
  const parts: unknown = parse(readable, { ignoreTag: true, locale: knownLocale(locale) });
  if (readable !== message) restoreHyphens(parts);
  return parts as readonly MessagePart[];
}

function restoreHyphens(parts: unknown): void {
  const open = [parts];
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const [key, value] of Object.entries(at as { [key: string]: unknown })) {
      if (typeof value === 'string') (at as { [key: string]: unknown })[key] = value.replaceAll(hyphen, '-');
      else if (typeof value === 'object' && value !== null) open.push(value);
    }
}

function knownLocale(locale: string): Intl.Locale {
  return new Intl.Locale(Intl.NumberFormat.supportedLocalesOf(locale)[0] ?? locale);
}
