import { PackError, type Pack, type PackedFile } from '../pack/index.ts';

/** A file of a pack did not come: a sentence with its address. */
export class LoadError extends Error {
  override readonly name = 'LoadError';
}

/** A packed document at an address. @throws LoadError @throws PackError */
export async function jsonAt(address: URL, signal: AbortSignal | undefined): Promise<Pack> {
  const bytes = await fetched(address, 'the packed document', signal);
  try {
    return JSON.parse(new TextDecoder().decode(bytes)) as Pack;
  } catch {
    throw new PackError(`${address.href} is no packed document: it is not JSON`);
  }
}

/** The bytes of a packed file. @param what Who asks, for people. @throws LoadError */
export function bytesOf(
  file: PackedFile,
  base: URL,
  what: string,
  signal: AbortSignal | undefined,
): Promise<Uint8Array> {
  if ('url' in file) return fetched(new URL(file.url, base), what, signal);
  return Promise.resolve(Uint8Array.from(atob(file.base64), (letter) => letter.charCodeAt(0)));
}

async function fetched(address: URL, what: string, signal: AbortSignal | undefined): Promise<Uint8Array> {
  let answer: Response;
  try {
    answer = await fetch(address, { signal: signal ?? null });
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new LoadError(`${what} did not come from ${address.href}: ${String(error)}`);
  }
  if (!answer.ok) throw new LoadError(`${what} is not at ${address.href}: the server says ${answer.status}`);
  return new Uint8Array(await answer.arrayBuffer());
}
