import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** So many daily copies are kept. */
const KEPT = 10;
const DAILY = /^temnex-(\d{4}-\d{2}-\d{2})\.sqlite$/;
const ANY = /^temnex-(?:before-restoring-)?(\d{4}-\d{2}-\d{2})[\w-]*\.sqlite$/;

/** Copies of the database in a folder beside it: one a day, the last ten, and one before each restoring, which stay. */
export class BackupCopiesFolder {
  constructor(
    readonly folder: string,
    /** Writes the database as it is into a new file. */
    private readonly copyInto: (file: string) => void,
  ) {}

  list(): { name: string; day: string; bytes: number }[] {
    if (!existsSync(this.folder)) return [];
    return readdirSync(this.folder)
      .flatMap((name) => {
        const day = ANY.exec(name)?.[1];
        return day ? [{ name, day, bytes: statSync(join(this.folder, name)).size }] : [];
      })
      .sort((a, b) => (a.day === b.day ? (a.name < b.name ? 1 : -1) : a.day < b.day ? 1 : -1));
  }

  /** The file of a copy; null where there is none of that name. */
  fileOf(name: string): string | null {
    const file = join(this.folder, name);
    return ANY.test(name) && existsSync(file) ? file : null;
  }

  /** The copy of a day, if there is none yet; and those that are too old go, once it is there. */
  daily(day: string): boolean {
    const name = `temnex-${day}.sqlite`;
    if (existsSync(join(this.folder, name))) return false;
    this.write(name);
    for (const old of this.list().filter((c) => DAILY.test(c.name)).slice(KEPT)) rmSync(join(this.folder, old.name)); // prettier-ignore
    return true;
  }

  /** What there is before something is put in its place. */
  beforeRestoring(now: Date): string {
    const stamp = now.toISOString().slice(0, 19).replace('T', '-').replaceAll(':', '');
    const name = `temnex-before-restoring-${stamp}-${now.getMilliseconds()}.sqlite`;
    this.write(name);
    return name;
  }

  /** Whole or not at all: it has its name once all of it is there. */
  private write(name: string): void {
    mkdirSync(this.folder, { recursive: true });
    const half = join(this.folder, `${name}.half`);
    rmSync(half, { force: true });
    this.copyInto(half);
    renameSync(half, join(this.folder, name));
  }
}
