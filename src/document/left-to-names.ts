import { isTemplate } from './templates.ts';

/** Whether a value, or one in a list or map, is left to a name. */
export function isOpen(value: unknown): boolean {
  return (
    isTemplate(value) ||
    (typeof value === 'object' && value !== null && Object.values(value).some((one) => isTemplate(one)))
  );
}

/** Whether a key is left to a name: what needs it, or rules it out, is not known yet. */
export function leaves(source: object, key: string): boolean {
  return isOpen((source as { readonly [key: string]: unknown })[key]);
}

/** The keys whose value stands there; what is left to a parameter is looked at when it is known. */
export function withoutTemplates<Source extends object>(source: Source): Source {
  return Object.fromEntries(
    Object.entries(source).filter(([key, value]) => key === 'look' || !isOpen(value)),
  ) as Source;
}

/** Whether a value looks like one that is left to a name, and can be neither looked up nor worked out. */
export function isBroken(value: unknown): value is string {
  return typeof value === 'string' && /^\{[^{}]+\}$/.test(value) && !isTemplate(value);
}

/** Colours and tokens without quotes, signs that programming languages have, and what stands for them here. */
const signs: readonly (readonly [RegExp, string])[] = [
  [/(?<=[,(]\s*)([$#][\w.-]+)(?=\s*[,)])/g, "'$1'"],
  [/^\{\s*([^!=<>&|]+?)\s*!==?\s*([^!=<>&|]+?)\s*\}$/, '{not $1 = $2}'],
  [/^\{\s*(\S+)\s*([<>]=?)\s*(\S+)\s*([<>]=?)\s*(\S+)\s*\}$/, '{$1 $2 $3 and $3 $4 $5}'],
  [/"([^"']*)"/g, "'$1'"],
  [/^\{\s*([^?:]+?)\s*\?\s*([^?:]+?)\s*:\s*([^?:]+?)\s*\}$/, '{if($1, $2, $3)}'],
  [/===?/g, '='],
  [/\s*&&\s*/g, ' and '],
  [/\s*\|\|\s*/g, ' or '],
  [/!(?!=)\s*/g, 'not '],
  [/([\p{L}\p{N}_)-])\s*([-+])\s*(?=[\p{L}\p{N}_(])/gu, '$1 $2 '],
];

/** What somebody meant by a value that cannot be worked out. */
export function meantBy(value: string): string | undefined {
  // As an alias is written among tokens.
  const token = /^\{([\w-]+(?:\.[\w-]+)+)\}$/.exec(value)?.[1];
  if (token !== undefined) return `$${token}`;
  const other = signs.reduce((text, [sign, ours]) => text.replace(sign, ours), value);
  return other !== value && isTemplate(other) ? other : undefined;
}
