import { parse } from '@formatjs/icu-messageformat-parser';
import { isComputed, valueName, type MessagePart } from '../document/index.ts';

/** Stand for the hyphens and dots of a name while it is read; Unicode keeps them free for such uses, so no text has them. */
const hyphen = '\uFDD0';
const dot = '\uFDD2';
/** Stands with a number for what is worked out. */
const workedOut = '\uFDD1';
/** What is worked out in one message, at the most. */
const mostWorkedOut = 20;
const nameAtBrace = new RegExp(String.raw`\{\s*${valueName}(?=\s*[,}])`, 'gu');

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
 * Reads a message of ICU, in which the names of values may hold hyphens and dots as they do everywhere else, and what is worked out may stand
 * where a name does: `{time / 60, number} min`.
 * @param locale Whose customs decide what a skeleton of a date leaves open. @throws SyntaxError
 */
export function parseMessage(message: string, locale: string): readonly MessagePart[] {
  let readable = message.replace(nameAtBrace, (name) => name.replaceAll('-', hyphen).replaceAll('.', dot));
  const expressions: string[] = [];
  for (;;)
    try {
      const parts: unknown = parse(readable, { ignoreTag: true, locale: knownLocale(locale) });
      if (readable !== message) restore(parts, expressions);
      return parts as readonly MessagePart[];
    } catch (error) {
      const wrong = error as WrongMessage;
      const without = withoutExpression(readable, wrong.location?.start.offset, expressions);
      if (without === undefined) throw new SyntaxError(troubleOf(wrong, readable), { cause: error });
      readable = without;
    }
}

/** The same with a sign in the place of what is worked out at a brace, where that is what ICU stumbles over. */
function withoutExpression(text: string, at: number | undefined, expressions: string[]): string | undefined {
  if (at === undefined || text[at] !== '{' || expressions.length >= mostWorkedOut) return undefined;
  const end = endOfArgument(text, at + 1);
  const written = withSigns(text.slice(at + 1, end)).trim();
  if (!isComputed(`{${written}}`)) return undefined;
  // As long as what it stands for, so that what is told of other places is right.
  const sign = `${workedOut}${expressions.length}`.padEnd(end - at - 1);
  expressions.push(written);
  return text.slice(0, at + 1) + sign + text.slice(end);
}

/** Where what stands before the first comma, or the brace that closes it, ends: brackets and quotes hold others. */
function endOfArgument(text: string, from: number): number {
  let depth = 0;
  let isQuoted = false;
  for (let at = from; at < text.length; at++) {
    const letter = text[at]!;
    if (letter === "'") isQuoted = !isQuoted;
    else if (isQuoted) continue;
    else if (letter === '(') depth++;
    else if (letter === ')') depth--;
    else if (letter === '}' || (letter === ',' && depth === 0)) return at;
  }
  return text.length;
}

function restore(parts: unknown, expressions: readonly string[]): void {
  const open = [parts];
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const [key, value] of Object.entries(at as { [key: string]: unknown })) {
      if (typeof value === 'string') (at as { [key: string]: unknown })[key] = restored(value, expressions);
      else if (typeof value === 'object' && value !== null) open.push(value);
    }
}

function restored(text: string, expressions: readonly string[]): string {
  if (text.startsWith(workedOut)) return expressions[Number(text.slice(workedOut.length))]!;
  return withSigns(text);
}

function withSigns(text: string): string {
  return text.replaceAll(hyphen, '-').replaceAll(dot, '.');
}

function troubleOf({ message, location }: WrongMessage, text: string): string {
  const start = location?.start.offset ?? 0;
  const at = location === undefined ? '' : `, at character ${start + 1}`;
  const isIndexed = message === 'MALFORMED_ARGUMENT' && /^\{\s*[\w.-]+\[/.test(text.slice(start));
  return `${isIndexed ? ofEntries : (troubles[message] ?? message)}${at}`;
}

const ofEntries = 'what an entry of a list holds has a name inside its repeat alone: {name} or {item.name}';

function knownLocale(locale: string): Intl.Locale {
  return new Intl.Locale(Intl.NumberFormat.supportedLocalesOf(locale)[0] ?? locale);
}
