import type { MessagePart, Notations, Rgba } from '../document/index.ts';
import { hexColor, plainMessage } from './plain.ts';

/** Reads notations and remembers what a game could not read by itself. */
export class RecordedNotations implements Notations {
  /** Texts of colours, and what they are. */
  readonly colors = new Map<string, Rgba>();
  /** Locale → texts of messages, and their parts. */
  readonly messages = new Map<string, Map<string, readonly MessagePart[]>>();
  readonly color: Notations['color'];
  readonly message: Notations['message'];
  readonly tokens: Notations['tokens'];

  constructor(every: Notations) {
    this.tokens = every.tokens;
    this.color = (text) => {
      const color = every.color(text);
      if (color && !isSame(hexColor(text), color)) this.colors.set(text, color);
      return color;
    };
    this.message = (text, locale) => {
      const parts = every.message(text, locale);
      if (plainMessage(text)) return parts;
      let known = this.messages.get(locale);
      if (!known) this.messages.set(locale, (known = new Map<string, readonly MessagePart[]>()));
      known.set(text, parts);
      return parts;
    };
  }
}

function isSame(one: Rgba | undefined, other: Rgba): boolean {
  return one?.r === other.r && one.g === other.g && one.b === other.b && one.a === other.a;
}
