import { inflateRawSync } from 'node:zlib';
import type { Finding } from 'pimbot/tools';

/** A fact of a finding by its name. */
export function fact({ facts }: Pick<Finding, 'facts'>, name: string): unknown {
  return (facts as { readonly [key: string]: unknown } | undefined)?.[name];
}

/** What the page of a report holds, as JSON: it is packed there (deflate, base64). */
export function pageData(html: string): string {
  const [, packed] = /<script type="application\/octet-stream" id="data">(.*?)<\/script>/s.exec(html)!;
  return inflateRawSync(Buffer.from(packed!, 'base64')).toString();
}
