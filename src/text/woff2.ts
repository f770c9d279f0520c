import { FontError, mostFontBytes } from './sfnt.ts';
import { unpackWoff } from './woff.ts';

/** Whether a font file is packed as WOFF 2. */
export function isWoff2(file: Uint8Array): boolean {
  return file.length >= 4 && file[0] === 0x77 && file[1] === 0x4f && file[2] === 0x46 && file[3] === 0x32;
}

/**
 * The bytes of a font taken out of a WOFF or WOFF 2 file; any other file is given back as it is.
 * @throws FontError when it is cut short, broken, or would unpack to more than {@link mostFontBytes}.
 */
export async function unpackFont(file: Uint8Array): Promise<Uint8Array> {
  if (!isWoff2(file)) return unpackWoff(file);
  if (file.length < 48) throw new FontError('the WOFF 2 file is cut short');
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  // WOFF File Format 2.0, §4.1: the length of the file, and what it is said to unpack to.
  if (view.getUint32(8) !== file.length) throw new FontError('the WOFF 2 file is not as long as it says');
  if (view.getUint32(16) > mostFontBytes) throw new FontError('the font would unpack to more than is read');
  // The unpacker is larger than most programs that need no WOFF 2.
  const { default: decompress } = await import('woff2-encoder/decompress');
  let unpacked: Uint8Array;
  try {
    unpacked = await decompress(file);
  } catch {
    throw new FontError('the WOFF 2 file cannot be unpacked');
  }
  if (unpacked.length > mostFontBytes) throw new FontError('the font unpacks to more than is read');
  return unpacked;
}
