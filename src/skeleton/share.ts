import type { Scope } from './scope.ts';

/** Whether what is said as a number or a name is a number now. */
export function isShare(value: number | string, scope: Scope): boolean {
  const said = typeof value === 'string' ? scope.evaluate(value) : value;
  return typeof said !== 'object' && said !== '' && Number.isFinite(Number(said));
}

/** A value said as a number or a name, held between 0 and 1. */
export function shareOf(value: number | string | undefined, scope: Scope): number {
  const number = Number(typeof value === 'string' ? scope.evaluate(value) : (value ?? 0));
  return Math.min(1, Math.max(0, Number.isFinite(number) ? number : 0));
}
