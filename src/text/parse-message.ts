import { parse } from '@formatjs/icu-messageformat-parser';
import type { MessagePart } from '../document/index.ts';

/** Stands for the hyphens of a name while it is read; Unicode keeps it free for such uses, so no text has it. */
const hyphen = '\uFDD0';
const nameAtBrace = /\{\s*[\p{L}_][\p{L}\p{N}_-]*(?=\s*[,}])/gu;

/** What is wrong with a message, by the names that the parser has for it; others are told by those. */
const troubles: { readonly [name: string]: string } = {
  EXPECT_ARGUMENT_CLOSING_BRACE: 'this { is not closed',
  EMPTY_ARGUMENT: 'these braces name no value',
  MALFORMED_ARGUMENT: 'after the name of a value comes a comma or }',
  EXPECT_ARGUMENT_TYPE: 'after the comma comes number, date, time, plural, selectordinal or select',
  INVALID_ARGUMENT_TYPE: 'there are number, date, time, plural, selectordinal and select, and not this',
  EXPECT_ARGUMENT_STYLE: 'after the comma comes how it is written, such as percent or ::.00',
  EXPECT_NUMBER_SKELETON: 'after :: comes how a number is written, such as ::percent or ::.00',
  INVALID_NUMBER_SKELETON: 'this is no way to write a number; there are ::percent, ::.00 and others of ICU',
  EXPECT_DATE_TIME_SKELETON: 'after :: comes how a date or time is written, such as ::yMMMd',
  INVALID_DATE_TIME_SKELETON:
    'this is no way to write a date or time; there are ::yMMMd, ::jm and others of ICU',
  UNCLOSED_QUOTE_IN_ARGUMENT_STYLE: "this ' is not closed",
  EXPECT_SELECT_ARGUMENT_OPTIONS: 'here it says what is read for what: one {…} other {…}',
  EXPECT_PLURAL_ARGUMENT_OFFSET_VALUE: 'after offset: comes a whole number',
  INVALID_PLURAL_ARGUMENT_OFFSET_VALUE: 'after offset: comes a whole number',
  EXPECT_PLURAL_ARGUMENT_SELECTOR: 'here comes zero, one, two, few, many, other or a number such as =0',
  INVALID_PLURAL_ARGUMENT_SELECTOR: 'here comes zero, one, two, few, many, other or a number such as =0',
  EXPECT_PLURAL_ARGUMENT_SELECTOR_FRAGMENT: 'here comes what is read, in braces: one {…}',
  EXPECT_SELECT_ARGUMENT_SELECTOR_FRAGMENT: 'here comes what is read, in braces: red {…}',
  DUPLICATE_PLURAL_ARGUMENT_SELECTOR: 'this one is there already',
  DUPLICATE_SELECT_ARGUMENT_SELECTOR: 'this one is there already',
  MISSING_OTHER_CLAUSE: 'a plural or select needs other {…}',
};

/** A message as the parser sees what is wrong with it. */
interface WrongMessage {
  readonly message: string;
  readonly location?: { readonly start: { readonly offset: number } };
}

/**
 * Reads a message of ICU, in which the names of values may hold hyphens as they do everywhere else.
 * @param locale Whose customs decide what a skeleton of a date leaves open. @throws SyntaxError
 */
export function parseMessage(message: string, locale: string): readonly MessagePart[] {
  const readable = message.replace(nameAtBrace, (name) => name.replaceAll('-', hyphen));
  let parts: unknown;
  try {
    parts = parse(readable, { ignoreTag: true, locale: knownLocale(locale) });
  } catch (error) {
    throw new SyntaxError(troubleOf(error as WrongMessage), { cause: error });
  }
  if (readable !== message) restoreHyphens(parts);
  return parts as readonly MessagePart[];
}

function troubleOf({ message, location }: WrongMessage): string {
  const at = location === undefined ? '' : `, at character ${location.start.offset + 1}`;
  return `${troubles[message] ?? message}${at}`;
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
