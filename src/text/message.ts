import { templateNames, type MessagePart, type Notations } from '../document/index.ts';
import type { Catalog } from './catalog.ts';
import { Formats, formatMessage, type Value } from './format-message.ts';
import type { Pseudo } from './pseudo.ts';

/** What a message is refused with. */
export class MessageError extends Error {
  override readonly name = 'MessageError';
}

interface ReadMessage {
  readonly parts: readonly MessagePart[];
  readonly names: readonly string[];
  /** Texts and names in turn, where the message is nothing else: such a one needs no formatter. */
  readonly plain: readonly { readonly text: string; readonly name: string | undefined }[] | undefined;
}

/** Where the messages of a locale are looked up, the nearest locale first. */
export interface Translations {
  readonly catalogs: readonly Catalog[];
  /** Whether a message that no catalog has is missing: it is not of the language the document is written in. */
  readonly needed: boolean;
  readonly pseudo: Pseudo | undefined;
}

const untranslated: Translations = { catalogs: [], needed: false, pseudo: undefined };

/** Translates ICU messages and fills them in with values; keeps what it has read. */
export class Messages {
  readonly #read = new Map<string, ReadMessage>();
  readonly #locale: string;
  readonly #formats: Formats;
  readonly #parse: Notations['message'];
  readonly #translations: Translations;

  constructor(locale: string, parse: Notations['message'], translations: Translations = untranslated) {
    this.#locale = locale;
    this.#formats = new Formats(locale);
    this.#parse = parse;
    this.#translations = translations;
  }

  /** The translation of a text; the text itself where there is none. */
  translate(text: string): string {
    for (const catalog of this.#translations.catalogs) {
      const translation = catalog.get(text);
      if (translation !== undefined) return translation;
    }
    return text;
  }

  /** Whether a message with words of its own has no translation in a locale that needs one. */
  lacks(message: string): boolean {
    if (!this.#translations.needed) return false;
    if (!/\p{L}/u.test(message.replace(/\{[^{}]*\}/g, ''))) return false;
    return !this.#translations.catalogs.some((catalog) => catalog.has(message));
  }

  /** A filled-in text as the locale shows it: changed in a pseudo-locale. */
  finish(text: string): string {
    return this.#translations.pseudo?.(text) ?? text;
  }

  /**
   * Names that are not given are shown as they are written.
   * @param misfit Told of each name that a number is needed for, and something else given.
   * @throws MessageError when the text is no ICU message.
   */
  fill(
    source: string,
    valueOf: (name: string) => Value | undefined,
    misfit?: (name: string, given: Value) => void,
  ): string {
    const message = this.translate(source);
    const known = this.#read.get(message);
    if (!known && !/[{}']/.test(message)) return message;
    const { parts, plain } = known ?? this.#message(message);
    if (plain) {
      let text = '';
      for (const part of plain)
        text += part.name === undefined ? part.text : String(valueOf(part.name) ?? `{${part.name}}`);
      return text;
    }
    try {
      const told =
        misfit &&
        ((name: string) => {
          const given = valueOf(name);
          if (given !== undefined) misfit(name, given);
        });
      return formatMessage(parts, this.#formats, (name) => valueOf(name) ?? `{${name}}`, undefined, told);
    } catch (error) {
      throw new MessageError(firstLine(error));
    }
  }

  /** The names of the values a text asks for. @throws MessageError when it is no ICU message. */
  names(message: string): readonly string[] {
    return /[{}']/.test(message) ? this.#message(message).names : [];
  }

  #message(message: string): ReadMessage {
    let read = this.#read.get(message);
    if (!read) {
      try {
        const parts = this.#parse(message, this.#locale);
        read = { parts, names: namesIn(parts), plain: plainParts(parts) };
      } catch (error) {
        throw new MessageError(firstLine(error));
      }
      this.#read.set(message, read);
    }
    return read;
  }
}

function plainParts(parts: readonly MessagePart[]): ReadMessage['plain'] {
  if (parts.some(({ type }) => type > firstArgumentPart)) return undefined;
  return parts.map(({ type, value = '' }) => ({
    text: value,
    name: type === firstArgumentPart ? value : undefined,
  }));
}

function firstLine(error: unknown): string {
  const text = error instanceof Error ? error.message : String(error);
  return text.split('\n')[0]!.replace(/\.$/, '').slice(0, 160);
}

/** Parts of an ICU message that stand for a value: argument, number, date, time, select, plural. */
const firstArgumentPart = 1;
const lastArgumentPart = 6;

function namesIn(parts: readonly MessagePart[]): string[] {
  const names = new Set<string>();
  const stack = [...parts];
  for (let part = stack.pop(); part; part = stack.pop()) {
    if (part.type >= firstArgumentPart && part.type <= lastArgumentPart)
      for (const name of templateNames(`{${part.value ?? ''}}`)) names.add(name);
    for (const option of Object.values(part.options ?? {})) stack.push(...option.value);
  }
  return [...names];
}
