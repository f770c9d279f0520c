import { unzlibSync } from 'fflate';

/** What a font file is refused with: a sentence for people. */
export class FontError extends Error {
  override readonly name = 'FontError';
}

/** The most bytes a font may have, packed or unpacked. */
export const mostFontBytes = 64 * 1024 * 1024;

const mostTables = 256;

/**
 * The bytes of a TrueType or OpenType font, taken out of a WOFF 1.0 file where it is one.
 * @throws FontError when the file is neither, is cut short, or unpacks to more than {@link mostFontBytes}.
 */
export function sfntOf(file: Uint8Array): Uint8Array {
  if (file.length > mostFontBytes)
    throw new FontError(`a font of ${file.length} bytes is larger than is read`);
  if (file.length < 12) throw new FontError('the file is too short for a font');
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  switch (view.getUint32(0)) {
    case 0x00010000: // TrueType
    case 0x4f54544f: // 'OTTO'
    case 0x74727565: // 'true'
      return file;
    case 0x774f4646: // 'wOFF'
      return unpackWoff(file, view);
    case 0x774f4632: // 'wOF2'
      throw new FontError('a WOFF 2 file has to be unpacked first, with unpackWoff2');
    default:
      throw new FontError('the file is not a TrueType, OpenType or WOFF font');
  }
}

/** WOFF File Format 1.0, §3 to §5: a directory of tables, each packed with zlib or plain. */
function unpackWoff(file: Uint8Array, view: DataView): Uint8Array {
  if (file.length < 44) throw new FontError('the WOFF file is cut short');
  const count = view.getUint16(12);
  if (count === 0 || count > mostTables || 44 + count * 20 > file.length) {
    throw new FontError('the WOFF file has a broken table directory');
  }
  const tables: { tag: number; sum: number; data: Uint8Array }[] = [];
  let total = 12 + count * 16;
  for (let index = 0; index < count; index++) {
    const at = 44 + index * 20;
    const offset = view.getUint32(at + 4);
    const packed = view.getUint32(at + 8);
    const length = view.getUint32(at + 12);
    total += (length + 3) & ~3;
    if (offset + packed > file.length || packed > length || total > mostFontBytes) {
      throw new FontError('the WOFF file has a table that lies outside it');
    }
    const part = file.subarray(offset, offset + packed);
    const data = packed === length ? part : inflate(part, length);
    tables.push({ tag: view.getUint32(at), sum: view.getUint32(at + 16), data });
  }
  return writeSfnt(view.getUint32(4), tables, total);
}

function inflate(part: Uint8Array, length: number): Uint8Array {
  let data: Uint8Array;
  try {
    data = unzlibSync(part, { out: new Uint8Array(length) });
  } catch {
    throw new FontError('the WOFF file has a table that cannot be unpacked');
  }
  if (data.length !== length) throw new FontError('the WOFF file has a table of another length than it says');
  return data;
}

function writeSfnt(
  flavor: number,
  tables: { tag: number; sum: number; data: Uint8Array }[],
  total: number,
): Uint8Array {
  const out = new Uint8Array(total);
  const view = new DataView(out.buffer);
  const power = 2 ** Math.floor(Math.log2(tables.length));
  view.setUint32(0, flavor);
  view.setUint16(4, tables.length);
  view.setUint16(6, power * 16);
  view.setUint16(8, Math.log2(power));
  view.setUint16(10, (tables.length - power) * 16);
  let offset = 12 + tables.length * 16;
  tables.forEach(({ tag, sum, data }, index) => {
    const at = 12 + index * 16;
    view.setUint32(at, tag);
    view.setUint32(at + 4, sum);
    view.setUint32(at + 8, offset);
    view.setUint32(at + 12, data.length);
    out.set(data, offset);
    offset += (data.length + 3) & ~3;
  });
  return out;
}
