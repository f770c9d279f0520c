import type { MessagePart } from '../document/index.ts';

/** A value that a text is filled in with. */
export type Value = string | number | boolean;

/** The formats that a number, date or time of a message may name (ICU's, as options of Intl). */
const named: { readonly [type: number]: { readonly [style: string]: object } } = {
  2: {
    integer: { maximumFractionDigits: 0 },
    currency: { style: 'currency' },
    percent: { style: 'percent' },
  },
  3: {
    short: { month: 'numeric', day: 'numeric', year: '2-digit' },
    medium: { month: 'short', day: 'numeric', year: 'numeric' },
    long: { month: 'long', day: 'numeric', year: 'numeric' },
    full: { weekday: 'long', month: 'long', day: 'numeric', year: 'numeric' },
  },
  4: {
    short: { hour: 'numeric', minute: 'numeric' },
    medium: { hour: 'numeric', minute: 'numeric', second: 'numeric' },
    long: { hour: 'numeric', minute: 'numeric', second: 'numeric', timeZoneName: 'short' },
    full: { hour: 'numeric', minute: 'numeric', second: 'numeric', timeZoneName: 'short' },
  },
};

/** How a number, date or time of a message is written, as options of Intl. */
export function optionsOf(type: number, style: MessagePart['style']): object | undefined {
  return typeof style === 'object' && style
    ? style.parsedOptions
    : named[type]![style ?? (type === 4 ? 'medium' : '')];
}

/** The formats of one locale; making one costs more than using it a hundred times. */
export class Formats {
  readonly #locale: string;
  readonly #kept = new Map<string, Intl.NumberFormat | Intl.DateTimeFormat | Intl.PluralRules>();

  constructor(locale: string) {
    this.#locale = locale;
  }

  number(value: number, options?: object): string {
    const { scale = 1 } = (options ?? {}) as { scale?: number };
    return this.#get('number', options, Intl.NumberFormat).format(value * scale);
  }

  date(value: number, options: object | undefined): string {
    return this.#get('date', options, Intl.DateTimeFormat).format(value);
  }

  plural(value: number, type: 'cardinal' | 'ordinal'): string {
    return this.#get('plural', { type }, Intl.PluralRules).select(value);
  }

  #get<T extends Intl.NumberFormat | Intl.DateTimeFormat | Intl.PluralRules>(
    kind: string,
    options: object | undefined,
    Format: new (locale: string, options?: object) => T,
  ): T {
    const key = kind + (options ? JSON.stringify(options) : '');
    let format = this.#kept.get(key);
    if (!format) this.#kept.set(key, (format = new Format(this.#locale, options)));
    return format as T;
  }
}

/** What is counted with; not a number of what is none, though JavaScript would take an empty text for 0 and `true` for 1. */
function numberIn(value: Value): number {
  return typeof value === 'boolean' || (typeof value === 'string' && value.trim() === '')
    ? NaN
    : Number(value);
}

/**
 * A message of ICU with its values put in; what is no number where one is needed is shown as it is.
 * @param plural What `#` stands for.
 * @param misfit Told of the latter.
 * @throws Error for a choice there is not.
 */
export function formatMessage(
  parts: readonly MessagePart[],
  formats: Formats,
  valueOf: (name: string) => Value,
  plural?: Value,
  misfit?: (name: string) => void,
): string {
  let text = '';
  for (const { type, value = '', style, options, offset = 0, pluralType = 'cardinal' } of parts) {
    if (type === 0) text += value;
    else if (type === 7) text += typeof plural === 'number' ? formats.number(plural) : String(plural ?? '');
    else {
      const given = valueOf(value);
      const counts = type === 1 || type === 5 ? NaN : numberIn(given);
      if (misfit && type !== 1 && type !== 5 && Number.isNaN(counts)) misfit(value);
      if (type === 1 || (type <= 4 && Number.isNaN(counts))) text += String(given);
      else if (type <= 4) {
        const format = optionsOf(type, style);
        text += type === 2 ? formats.number(counts, format) : formats.date(counts, format);
      } else {
        const number = counts - offset;
        const counted = Number.isNaN(number) ? given : number;
        const choices = new Map(Object.entries(options ?? {}));
        const chosen =
          (type === 5
            ? choices.get(String(given))
            : (choices.get(`=${given}`) ?? choices.get(formats.plural(number, pluralType)))) ??
          choices.get('other');
        if (!chosen) throw new Error(`"${value}" is ${given}, for which the message has no words`);
        text += formatMessage(chosen.value, formats, valueOf, type === 6 ? counted : undefined, misfit);
      }
    }
  }
  return text;
}
