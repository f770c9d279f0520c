import { createHash } from 'node:crypto';

/** Bytes of a digest. */
export const digestBytes = 32;

/** SHA-256 (FIPS 180-4): two texts that have the same digest are the same. */
export function digestOf(what: string | Buffer): Buffer {
  return createHash('sha256').update(what).digest();
}
