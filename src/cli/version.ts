import { readFileSync } from 'node:fs';

/** The version of the package. */
export function version(): string {
  const file = new URL('../../package.json', import.meta.url);
  return (JSON.parse(readFileSync(file, 'utf8')) as { version: string }).version;
}
