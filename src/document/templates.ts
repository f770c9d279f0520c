import { namesOfExpression, readExpression } from './expression.ts';
import { isValueName } from './value-names.ts';

/** Whether a value is left to a parameter or value: `"{name}"` or what is worked out of names, and nothing else. */
export function isTemplate(value: unknown): value is string {
  return isName(value) || isComputed(value);
}

function isName(value: unknown): boolean {
  return (
    typeof value === 'string' &&
    value.startsWith('{') &&
    value.endsWith('}') &&
    isValueName(value.slice(1, -1))
  );
}

/** Whether a value is worked out: `"{health / maximum}"`, `"{not docked}"`. */
export function isComputed(value: unknown): value is string {
  return (
    typeof value === 'string' &&
    /^\{[^{}]*(?:[-+*/(<>=]|\b(?:not|and|or)\s)[^{}]*\}$/.test(value) &&
    !isName(value) &&
    readExpression(value.slice(1, -1)) !== undefined
  );
}

/** The names a template asks for. */
export function templateNames(template: string): readonly string[] {
  const inner = template.slice(1, -1);
  return isName(template) ? [inner] : namesOfExpression(readExpression(inner) ?? []);
}
