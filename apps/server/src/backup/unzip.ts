import { once } from 'node:events';
import { closeSync, createReadStream, createWriteStream, mkdirSync, openSync, writeSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { dirname, join } from 'node:path';
import { Unzip, UnzipInflate } from 'fflate';

/** What a backup may unfold to at the most: 4 GB, and so many times its own size. */
const MAX_UNZIPPED_BYTES = 4e9;
const MAX_TIMES = 100;
/** A small file may unfold to this much whatever its size. */
const ALWAYS = 64e6;
/** So much is read at a time, other requests answered in between. */
const AT_A_TIME = 1 << 18;

/** What was sent is no ZIP file, is damaged, or unfolds without end. */
export class BadZip extends Error {}

/** Takes what is sent into a file as it comes, and no more than `most` bytes of it. Gives back how many there were; null: more. */
export async function saveUpload(sent: Readable, file: string, most: number): Promise<number | null> {
  const out = createWriteStream(file);
  let bytes = 0;
  try {
    for await (const chunk of sent as AsyncIterable<Buffer>) {
      if ((bytes += chunk.length) > most) return null;
      if (!out.write(chunk)) await once(out, 'drain');
    }
    return bytes;
  } finally {
    out.end();
    await once(out, 'close');
  }
}

/**
 * Unfolds those files of a ZIP file that are kept into a folder, a piece at a time: never more of it is in memory, nothing is read on
 * once it is too much. Gives back their names. Throws BadZip.
 */
export async function unzipTo(zip: string, into: string, isKept: (name: string) => boolean): Promise<string[]> {
  const open = new Map<string, number>();
  const names: string[] = [];
  let [read, written, begins] = [0, 0, ''];
  const unzip = new Unzip((file) => {
    const { name } = file;
    if (!isKept(name) || names.includes(name)) return;
    names.push(name);
    const path = join(into, name);
    mkdirSync(dirname(path), { recursive: true });
    const handle = openSync(path, 'w');
    open.set(name, handle);
    file.ondata = (error, data, isLast) => {
      // what was thrown here comes back here
      if (error) throw error;
      written += data.length;
      if (written > Math.min(MAX_UNZIPPED_BYTES, ALWAYS + MAX_TIMES * read)) throw new BadZip('it unfolds to too much');
      for (let at = 0; at < data.length;) at += writeSync(handle, data, at);
      if (!isLast) return;
      closeSync(handle);
      open.delete(name);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for await (const chunk of createReadStream(zip, { highWaterMark: AT_A_TIME }) as AsyncIterable<Buffer>) {
      if (!begins) begins = chunk.toString('latin1', 0, 2);
      if (begins !== 'PK') throw new BadZip('it is no ZIP file');
      read += chunk.length;
      unzip.push(chunk);
    }
    unzip.push(new Uint8Array(), true);
  } catch (error) {
    throw error instanceof BadZip ? error : wrong(error);
  } finally {
    for (const handle of open.values()) closeSync(handle);
  }
  if (!begins || open.size) throw new BadZip('it ends too early');
  return names;
}

/** What the disk says is told as it is; what the ZIP says, as that. */
const wrong = (error: unknown): unknown =>
  typeof (error as { errno?: unknown }).errno === 'number' ? error : new BadZip('it is damaged', { cause: error });
