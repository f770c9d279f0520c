/** What a font file is refused with: a sentence for people. */
export class FontError extends Error {
  override readonly name = 'FontError';
}

/** The most bytes a font may have, packed or unpacked. */
export const mostFontBytes = 64 * 1024 * 1024;

/**
 * Refuses what is no TrueType or OpenType font.
 * @throws FontError when the file is none, is too short, or larger than {@link mostFontBytes}.
 */
export function checkFont(file: Uint8Array): void {
  if (file.length > mostFontBytes)
    throw new FontError(`a font of ${file.length} bytes is larger than is read`);
  if (file.length < 12) throw new FontError('the file is too short for a font');
  switch (new DataView(file.buffer, file.byteOffset, file.byteLength).getUint32(0)) {
    case 0x00010000: // TrueType
    case 0x4f54544f: // 'OTTO'
    case 0x74727565: // 'true'
      return;
    case 0x774f4646: // 'wOFF'
    case 0x774f4632: // 'wOF2'
      throw new FontError('a WOFF file has to be unpacked first, with unpackFont');
    default:
      throw new FontError('the file is not a TrueType, OpenType or WOFF font');
  }
}
