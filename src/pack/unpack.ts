import {
  Origin,
  entryOf,
  type CheckedDocument,
  type CheckedTheme,
  type DocumentSource,
  type MessagePart,
  type Notations,
  type ThemeSource,
  type TokenValues,
} from '../document/index.ts';
import { fallbacks } from '../text/index.ts';
import { PackError, packVersion, type Pack } from './format.ts';
import { hexColor, plainMessage } from './plain.ts';

/**
 * The document of a pack. It has been checked when it was packed, and is not looked through again.
 * @throws PackError for a pack of another version, or for what is no pack.
 */
export function unpack(pack: Pack): CheckedDocument {
  const version = (pack as Partial<Pack> | undefined)?.['pimbot-pack'];
  if (version === undefined)
    throw new PackError('this is no packed document: `pimbot pack` writes them, and the plugin for Vite');
  if (version !== packVersion)
    throw new PackError(
      `this document was packed by another version (format ${version}, this one reads ${packVersion}): pack it again`,
    );
  const origin = new Origin();
  const checked = (theme: ThemeSource): CheckedTheme => ({ theme, origin, tokenFiles: [] });
  return {
    source: pack.document satisfies DocumentSource,
    origin,
    themes: pack.themes.map(checked),
    named: new Map(Object.entries(pack.named).map(([name, theme]) => [name, checked(theme)])),
    themeName: pack.seenIn,
    notations: { ...(pack.notations ?? notationsOf(pack)), tokens: (name) => tokensOf(pack, name) },
  };
}

function tokensOf({ tokens }: Pack, theme: string): TokenValues {
  const values = entryOf(tokens, theme) ?? {};
  return {
    names: () => Object.keys(values),
    resolve: (name) => {
      const value = entryOf(values, name);
      return value === undefined ? { problem: 'unknown', name } : { value };
    },
  };
}

function notationsOf({ colors, messages }: Pack): Omit<Notations, 'tokens'> {
  return {
    color: (text) => {
      const parts = entryOf(colors, text);
      if (!parts) return hexColor(text);
      const [r, g, b, a] = parts;
      return { r, g, b, a };
    },
    message: (text, locale) => {
      let parts: readonly MessagePart[] | undefined = plainMessage(text);
      // As a catalog of a language serves all of its regions.
      for (const one of fallbacks(locale)) parts ??= entryOf(entryOf(messages, one), text);
      if (parts) return parts;
      throw new PackError(`the message "${text.slice(0, 60)}" was not there when the document was packed`);
    },
  };
}
