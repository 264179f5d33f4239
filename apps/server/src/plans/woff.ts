import { inflateSync } from 'node:zlib';

const HEADER = 44;
const ENTRY = 20;

/**
 * A font as it was before it was packed: its tables unpacked, once. What reads fonts would unpack a table anew for each letter.
 * (WOFF File Format 1.0, W3C, 2012.)
 */
export function unpackWoff(woff: Buffer): Buffer {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('this is no packed font');
  const count = woff.readUInt16BE(12);
  const directory = Buffer.alloc(12 + 16 * count);
  woff.copy(directory, 0, 4, 8);
  const log = Math.floor(Math.log2(count));
  directory.writeUInt16BE(count, 4);
  directory.writeUInt16BE(16 << log, 6);
  directory.writeUInt16BE(log, 8);
  directory.writeUInt16BE(16 * count - (16 << log), 10);
  const tables: Buffer[] = [];
  let offset = directory.length;
  for (let i = 0; i < count; i++) {
    const entry = HEADER + ENTRY * i;
    const [start, packed, length] = [4, 8, 12].map((at) => woff.readUInt32BE(entry + at)) as [number, number, number];
    const stored = woff.subarray(start, start + packed);
    const table = packed < length ? inflateSync(stored) : stored;
    const at = 12 + 16 * i;
    woff.copy(directory, at, entry, entry + 4);
    woff.copy(directory, at + 4, entry + 16, entry + 20);
    directory.writeUInt32BE(offset, at + 8);
    directory.writeUInt32BE(length, at + 12);
    const padded = Buffer.alloc(Math.ceil(length / 4) * 4);
    table.copy(padded);
    tables.push(padded);
    offset += padded.length;
  }
  return Buffer.concat([directory, ...tables]);
}
