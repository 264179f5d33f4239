import { closeSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { UnusableDatabase } from './database.ts';

/** Who uses a folder, as it is written down there. */
interface Holder {
  readonly pid: number;
  /** Where it answers; null while it starts. */
  readonly address: string | null;
}
const NAME = 'temnex.lock';
/** So long another server is given to start, in milliseconds. */
const STARTING = 5000;
const ASKED_EVERY = 200;
const later = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

export interface FolderLock {
  /** Says where this server answers. */
  setAddress(address: string): void;
  leave(): void;
}

/**
 * A folder of data for one server: throws UnusableDatabase, with its address, where another one answers for it. One that was killed
 * leaves its note behind, which nobody answers for: it is written over.
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, NAME);
  const note = (address: string | null) => `${JSON.stringify({ pid: process.pid, address } satisfies Holder)}\n`;
  const until = Date.now() + STARTING;
  while (!isMine(file, note(null))) {
    // a note that cannot be read may just be being written
    const holder = holderOf(file) ?? (await later(ASKED_EVERY).then(() => holderOf(file)));
    if (holder && holder.pid !== process.pid && isAlive(holder.pid)) {
      if (holder.address !== null && (await answers(holder.address)))
        throw new UnusableDatabase(
          `Temnex is running with this folder already, at ${holder.address}: use that one, or set TEMNEX_DATA to another folder.`,
        );
      // it may be on its way up
      if (holder.address === null && Date.now() < until) {
        await later(ASKED_EVERY);
        continue;
      }
    }
    rmSync(file, { force: true });
  }
  return {
    setAddress: (address) => writeFileSync(file, note(address)),
    leave: () => rmSync(file, { force: true }),
  };
}

/** Whether the note could be made, of which there is one. */
function isMine(file: string, note: string): boolean {
  try {
    const handle = openSync(file, 'wx');
    writeSync(handle, note);
    closeSync(handle);
    return true;
  } catch (error) {
    if ((error as { code?: string }).code === 'EEXIST') return false;
    throw error;
  }
}

function holderOf(file: string): Holder | null {
  try {
    const { pid, address } = JSON.parse(readFileSync(file, 'utf8')) as Partial<Holder>;
    return typeof pid === 'number' ? { pid, address: typeof address === 'string' ? address : null } : null;
  } catch {
    return null;
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // somebody else's
    return (error as { code?: string }).code === 'EPERM';
  }
}

/** Whether a server is there; one that takes the call and is too busy to answer at once is. */
const answers = (address: string): Promise<boolean> =>
  fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2000) }).then(
    ({ ok }) => ok,
    (error: Error) => error.name === 'TimeoutError',
  );
