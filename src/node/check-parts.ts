import type { BatchResult } from '../verdict/index.ts';
import type { PlanOptions } from './check-messages.ts';
import { FileProblem, readLimited } from './files.ts';

/** What one of several machines found out of its share of a document's batches. */
export interface CheckPart {
  /** As the user named it. */
  readonly file: string;
  readonly theme: string | undefined;
  readonly fingerprint: string;
  readonly options: PlanOptions;
  readonly results: readonly (readonly [nth: number, result: BatchResult])[];
}

/** The most bytes a part may have. */
const mostPartBytes = 512 * 1024 * 1024;

/** The text of a file of parts, one of each document. */
export function writeParts(version: string, parts: readonly CheckPart[]): string {
  return `${JSON.stringify({ 'pimbot-parts': 1, version, parts })}\n`;
}

/**
 * Reads a file that `pimbot check --shard` wrote.
 * @throws FileProblem when it cannot be read or is none.
 */
export function readParts(path: string): { readonly version: string; readonly parts: readonly CheckPart[] } {
  const text = new TextDecoder().decode(readLimited(path, mostPartBytes));
  let read: { 'pimbot-parts'?: unknown; 'version'?: string; 'parts'?: CheckPart[] };
  try {
    read = JSON.parse(text) as typeof read;
  } catch {
    throw new FileProblem('unreadable', 'it is not JSON; was it cut short?');
  }
  if (read?.['pimbot-parts'] !== 1 || !Array.isArray(read.parts))
    throw new FileProblem('unreadable', 'it is no part of a check; `pimbot check --shard` writes them');
  return { version: String(read.version), parts: read.parts };
}
