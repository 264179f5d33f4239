/*
 * A JPEG without what it hides, its pixels untouched: only what a picture is decoded by stays, and nothing after its end, where cameras
 * put second pictures, films and maps. (ITU-T T.81, annex B.)
 */

const SOI = 0xd8;
const EOI = 0xd9;
const SOS = 0xda;
const COM = 0xfe;
const APP0 = 0xe0;
const APP2 = 0xe2;
const APP14 = 0xee;
const APP15 = 0xef;
const PROFILE = Buffer.from('ICC_PROFILE\0', 'latin1');

/** Whether a segment is kept: tables, frames and scans, the file's own head, its colours. */
function isKept(marker: number, content: Buffer): boolean {
  if (marker === COM) return false;
  if (marker < APP0 || marker > APP15) return true;
  if (marker === APP2) return content.subarray(0, PROFILE.length).equals(PROFILE);
  return marker === APP0 || marker === APP14;
}

/** Where the coded data of a scan ends: at the next marker that is no restart. */
function endOfScan(data: Buffer, from: number): number {
  for (let at = from; at + 1 < data.length; at++) {
    if (data[at] !== 0xff) continue;
    const next = data[at + 1]!;
    if (next !== 0x00 && !(next >= 0xd0 && next <= 0xd7) && next !== 0xff) return at;
  }
  return data.length;
}

/** The same picture with nothing hidden in it; null where it is not put together as JPEGs are. */
export function stripJpeg(data: Buffer): Buffer | null {
  if (data[0] !== 0xff || data[1] !== SOI) return null;
  const kept: Buffer[] = [data.subarray(0, 2)];
  for (let at = 2; at + 1 < data.length;) {
    if (data[at] !== 0xff) return null;
    const marker = data[at + 1]!;
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === EOI) return Buffer.concat([...kept, data.subarray(at, at + 2)]);
    if (at + 4 > data.length) return null;
    const end = at + 2 + data.readUInt16BE(at + 2);
    if (end < at + 4 || end > data.length) return null;
    if (isKept(marker, data.subarray(at + 4, end))) kept.push(data.subarray(at, end));
    at = end;
    if (marker === SOS) {
      at = endOfScan(data, end);
      kept.push(data.subarray(end, at));
    }
  }
  return null;
}
