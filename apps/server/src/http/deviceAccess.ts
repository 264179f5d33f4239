import { createHash, randomBytes, randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import { networkInterfaces } from 'node:os';
import type { Response } from 'express';
import { and, desc, eq, isNull } from 'drizzle-orm';
import { devices } from '../database/schema.ts';
import type { Database } from '../database/types.ts';

/** A code is good for so long, once. */
const CODE_LASTS = 5 * 60_000;
/** After so many wrong codes a device is locked out for a while, and after so many from anywhere the code is worth nothing. */
const MAX_WRONG = 5;
const MAX_WRONG_OF_ALL = 12;
const LOCKED_FOR = 10 * 60_000;
/** Each wrong code makes the next answer wait longer, in milliseconds. */
const SLOWER = 400;
/** When a device was last seen is written down this often at the most. */
const SEEN_EVERY = 60_000;
export const COOKIE = 'temnex_device';

export type Admission =
  | { readonly ok: true; readonly token: string }
  | { readonly ok: false; readonly why: 'wrong' | 'locked' | 'no-code'; readonly wait: number };

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** The addresses of this machine on its networks, those that a phone in the room can reach. */
export const listOwnAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((list) => list ?? [])
    .filter((a) => a.family === 'IPv4' && !a.internal)
    .map((a) => a.address);

interface Wrong {
  readonly count: number;
  readonly until: number;
}

/** Lets other devices in by a code that is shown on the screen of this one, and shows them the door again. */
export class DeviceAccess {
  private code: { readonly text: string; readonly until: number } | null = null;
  private wrongOfAll = 0;
  private readonly wrong = new Map<string, Wrong>();
  /** Answers that go on, by device: a device that is shown the door hears nothing more. */
  private readonly open = new Map<string, Set<Response>>();

  constructor(
    private readonly db: Database,
    readonly addresses: readonly string[],
    private readonly now: () => number = Date.now,
  ) {}

  /** A new code; the one before is worth nothing any more. */
  newCode(): { readonly code: string; readonly until: number } {
    const text = String(randomInt(1_000_000)).padStart(6, '0');
    this.code = { text, until: this.now() + CODE_LASTS };
    this.wrongOfAll = 0;
    return { code: text, until: this.code.until };
  }

  /** Whether a code lets a device in, which then is known by a token. `from` is its address. */
  admit(code: string, name: string, from: string): Admission {
    const before = this.wrong.get(from);
    if (before && before.count >= MAX_WRONG) {
      if (before.until > this.now()) return { ok: false, why: 'locked', wait: 0 };
      this.wrong.delete(from);
    }
    if (!this.code || this.code.until < this.now()) return { ok: false, why: 'no-code', wait: this.isWrong(from) };
    const given = Buffer.from(code.replace(/\D/g, '').padEnd(6).slice(0, 6));
    if (!timingSafeEqual(given, Buffer.from(this.code.text))) {
      const wait = this.isWrong(from);
      if (++this.wrongOfAll >= MAX_WRONG_OF_ALL) this.code = null;
      return { ok: false, why: this.wrong.get(from)!.count >= MAX_WRONG ? 'locked' : 'wrong', wait };
    }
    this.code = null;
    this.wrong.delete(from);
    const token = randomBytes(32).toString('base64url');
    const at = new Date(this.now()).toISOString();
    this.db
      .insert(devices)
      .values({ id: randomUUID(), name, token: hashOf(token), admittedAt: at, seenAt: at, outAt: null })
      .run();
    return { ok: true, token };
  }

  /** How long the answer to it waits. */
  private isWrong(from: string): number {
    const count = (this.wrong.get(from)?.count ?? 0) + 1;
    this.wrong.set(from, { count, until: this.now() + LOCKED_FOR });
    return SLOWER * 2 ** (count - 1);
  }

  /** The device that a token belongs to, while it is let in. */
  deviceOf(token: string): { readonly id: string; readonly name: string } | null {
    const row = this.db
      .select()
      .from(devices)
      .where(and(eq(devices.token, hashOf(token)), isNull(devices.outAt)))
      .get();
    if (!row) return null;
    if (this.now() - Date.parse(row.seenAt) > SEEN_EVERY)
      this.db
        .update(devices)
        .set({ seenAt: new Date(this.now()).toISOString() })
        .where(eq(devices.id, row.id))
        .run();
    return { id: row.id, name: row.name };
  }

  /** An answer to a device that may go on for long. */
  answering(device: string, response: Response): void {
    const own = this.open.get(device) ?? new Set();
    this.open.set(device, own.add(response));
    response.once('close', () => own.delete(response));
  }

  list(): { id: string; name: string; admittedAt: string; seenAt: string }[] {
    return this.db
      .select({ id: devices.id, name: devices.name, admittedAt: devices.admittedAt, seenAt: devices.seenAt })
      .from(devices)
      .where(isNull(devices.outAt))
      .orderBy(desc(devices.seenAt))
      .all();
  }

  /** Shows a device the door: nothing is answered to it any more, and what was being answered ends. */
  showOut(id: string): boolean {
    const { changes } = this.db
      .update(devices)
      .set({ outAt: new Date(this.now()).toISOString() })
      .where(and(eq(devices.id, id), isNull(devices.outAt)))
      .run();
    for (const response of this.open.get(id) ?? []) response.destroy();
    this.open.delete(id);
    return changes > 0;
  }
}
