import { isTemplate } from './model.ts';

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
