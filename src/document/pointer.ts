/** A value of JSON. */
export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** One step down a JSON Pointer. */
export function pointerTo(parent: string, key: string | number): string {
  return `${parent}/${String(key).replace(/~/g, '~0').replace(/\//g, '~1')}`;
}

/** The keys a JSON Pointer leads through (RFC 6901). */
export function stepsOf(pointer: string): string[] {
  return pointer
    .split('/')
    .slice(1)
    .map((step) => step.replace(/~1/g, '/').replace(/~0/g, '~'));
}
