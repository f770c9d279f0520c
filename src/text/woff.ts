import { unzlibSync } from 'fflate';
import { FontError, mostFontBytes } from './sfnt.ts';

const mostTables = 256;

/**
 * The bytes of a font taken out of a WOFF 1.0 file; any other file is given back as it is.
 * @throws FontError when it is cut short, broken, or unpacks to more than {@link mostFontBytes}.
 */
export function unpackWoff(file: Uint8Array): Uint8Array {
  if (file.length < 12) return file;
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength);
  return view.getUint32(0) === 0x774f4646 ? unpackTables(file, view) : file;
}

/** WOFF File Format 1.0, §3 to §5: a directory of tables, each packed with zlib or plain. */
function unpackTables(file: Uint8Array, view: DataView): Uint8Array {
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
