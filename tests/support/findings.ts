import type { Finding } from 'pimbot/tools';

/** A fact of a finding by its name. */
export function fact({ facts }: Pick<Finding, 'facts'>, name: string): unknown {
  return (facts as { readonly [key: string]: unknown } | undefined)?.[name];
}
