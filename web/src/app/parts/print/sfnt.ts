import { unzlibSync } from 'fflate';

const HEADER = 12;
const ENTRY = 16;
const WOFF_HEADER = 44;
const WOFF_ENTRY = 20;

/** A font out of the container that browsers get, as documents embed it. */
export function sfntOf(woff: Uint8Array): Uint8Array {
  const from = new DataView(woff.buffer, woff.byteOffset, woff.byteLength);
  const n = from.getUint16(12);
  const tables = Array.from({ length: n }, (_, i) => {
    const at = WOFF_HEADER + i * WOFF_ENTRY;
    const [offset, packed, length] = [from.getUint32(at + 4), from.getUint32(at + 8), from.getUint32(at + 12)];
    const own = woff.subarray(offset, offset + packed);
    const bytes = packed < length ? unzlibSync(own) : own;
    if (bytes.length !== length) throw new RangeError(`a table of ${length} bytes has ${bytes.length}`);
    return { tag: from.getUint32(at), checksum: from.getUint32(at + 16), bytes };
  });
  const padded = (length: number) => (length + 3) & ~3;
  const size = tables.reduce((sum, t) => sum + padded(t.bytes.length), HEADER + n * ENTRY);
  const out = new Uint8Array(size);
  const to = new DataView(out.buffer);
  const power = Math.floor(Math.log2(n));
  to.setUint32(0, from.getUint32(4));
  to.setUint16(4, n);
  to.setUint16(6, 2 ** power * ENTRY);
  to.setUint16(8, power);
  to.setUint16(10, n * ENTRY - 2 ** power * ENTRY);
  let at = HEADER + n * ENTRY;
  tables.forEach((t, i) => {
    const entry = HEADER + i * ENTRY;
    to.setUint32(entry, t.tag);
    to.setUint32(entry + 4, t.checksum);
    to.setUint32(entry + 8, at);
    to.setUint32(entry + 12, t.bytes.length);
    out.set(t.bytes, at);
    at += padded(t.bytes.length);
  });
  return out;
}
