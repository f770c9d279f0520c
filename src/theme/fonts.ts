import type { CheckedDocument, Origin } from '../document/index.ts';

/** A family of font files and where it is said. */
export interface FontFamily {
  /** Weight, with ` italic` where it is → path of the file, from where it is said. */
  readonly files: { readonly [weight: string]: string };
  readonly origin: Origin;
}

/** The font families of a document and all its themes; where two have one of the same name, that of the theme it is seen in. */
export function fontsOf({ themes, named }: CheckedDocument): { readonly [family: string]: FontFamily } {
  const families: Record<string, FontFamily> = {};
  for (const { theme, origin } of [...themes, ...named.values()])
    for (const [family, files] of Object.entries(theme.fonts ?? {}))
      if (!Object.hasOwn(families, family)) families[family] = { files, origin };
  return families;
}
