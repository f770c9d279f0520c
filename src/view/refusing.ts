import {
  namesPicture,
  nearestName,
  states,
  type CheckedDocument,
  type LookSource,
} from '../document/index.ts';
import { statesOf } from '../dress/index.ts';
import type { Refuses } from '../skeleton/index.ts';
import { defaultFont, familyNames, fontsOf, styleList, type Theme } from '../theme/index.ts';

/**
 * What holds values that are put in for names against what there is in a document: styles, themes, pictures, fonts, states, and what
 * a look can be. A style or token that one of the themes has is there: what another one lacks is told by a check.
 */
export function refusing(document: CheckedDocument, themes: ReadonlyMap<string, Theme>): Refuses {
  const all = [...themes.values()];
  const { source, named } = document;
  const inLook = (key: string, value: unknown): string | undefined => {
    let expected: string | undefined;
    for (const theme of all) {
      expected = theme.expected(key as keyof LookSource, value);
      if (expected === undefined) return undefined;
    }
    return expected;
  };
  /** By key: what it names, the names it holds, and those there are. */
  const names: { readonly [key: string]: (value: unknown) => string | undefined } = {
    image: (value) =>
      namesPicture(source, value as string)
        ? undefined
        : lacking('picture', [value as string], Object.keys(source.pictures ?? {})),
    font: (value) =>
      lacking('font', familyNames(value as string), [defaultFont, ...Object.keys(fontsOf(document))]),
    style: (value) =>
      lacking(
        'style',
        styleList(value as string),
        all.flatMap((theme) => theme.styleNames()),
      ),
    theme: (value) => lacking('theme', [value as string], [...named.keys()]),
    states: (value) => lacking('state', statesOf(value as never), states),
    tint: (value) => inLook('color', value),
  };
  return (key, value, part) =>
    part === undefined ? names[key]?.(value) : (inLook(part, value) ?? names[part]?.(value));
}

/** What a name is to be, where one of some is none of those there are; undefined where all are. */
function lacking(what: string, names: readonly string[], there: readonly string[]): string | undefined {
  const lacks = names.find((name) => !there.includes(name));
  if (lacks === undefined) return undefined;
  const meant = nearestName(lacks, there);
  return `the name of a ${what} there is${meant === undefined ? '' : `, such as "${meant}"`}`;
}
