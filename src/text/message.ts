import { IntlMessageFormat } from 'intl-messageformat';

/** A value that a text is filled in with. */
export type Value = string | number | boolean;

/** What came of filling in a text. */
export interface FilledText {
  readonly text: string;
  /** Names the text asks for that were not given. */
  readonly lacking: readonly string[];
}

/** What a message is refused with. */
export class MessageError extends Error {
  override readonly name = 'MessageError';
}

/** Fills ICU messages in with values; keeps what it has read. */
export class Messages {
  readonly #read = new Map<string, IntlMessageFormat>();
  readonly #locale: string;

  constructor(locale: string) {
    this.#locale = locale;
  }

  /** @throws MessageError when the text is no ICU message. */
  fill(message: string, values: { readonly [name: string]: Value }): FilledText {
    if (!/[{}']/.test(message)) return { text: message, lacking: [] };
    const format = this.#format(message);
    const lacking = namesIn(format).filter((name) => !Object.hasOwn(values, name));
    const given = Object.fromEntries([
      ...Object.entries(values),
      ...lacking.map((name) => [name, `{${name}}`]),
    ]) as Record<string, Value>;
    try {
      return { text: String(format.format(given)), lacking };
    } catch (error) {
      throw new MessageError(firstLine(error));
    }
  }

  /** The names of the values a text asks for. @throws MessageError when it is no ICU message. */
  names(message: string): string[] {
    return /[{}']/.test(message) ? namesIn(this.#format(message)) : [];
  }

  #format(message: string): IntlMessageFormat {
    let format = this.#read.get(message);
    if (!format) {
      try {
        format = new IntlMessageFormat(message, this.#locale, undefined, { ignoreTag: true });
      } catch (error) {
        throw new MessageError(firstLine(error));
      }
      this.#read.set(message, format);
    }
    return format;
  }
}

function firstLine(error: unknown): string {
  const text = error instanceof Error ? error.message : String(error);
  return text.split('\n')[0]!.replace(/\.$/, '').slice(0, 160);
}

interface MessagePart {
  readonly type: number;
  readonly value?: unknown;
  readonly options?: { readonly [choice: string]: { readonly value: readonly MessagePart[] } };
  readonly children?: readonly MessagePart[];
}

/** Parts of an ICU message that stand for a value: argument, number, date, time, select, plural. */
const firstArgumentPart = 1;
const lastArgumentPart = 6;

function namesIn(format: IntlMessageFormat): string[] {
  const names = new Set<string>();
  const stack: MessagePart[] = [...(format.getAst() as readonly MessagePart[])];
  for (let part = stack.pop(); part; part = stack.pop()) {
    if (part.type >= firstArgumentPart && part.type <= lastArgumentPart) names.add(String(part.value));
    for (const option of Object.values(part.options ?? {})) stack.push(...option.value);
    stack.push(...(part.children ?? []));
  }
  return [...names];
}
