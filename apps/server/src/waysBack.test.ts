import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { jest, expect, test } from '@jest/globals';
import { planJob, readJob, seededRandom } from '@temnex/core/planner';
import { buildTrimmerSteps, type SessionDeed } from '@temnex/core/trimmer';
import { CuttingService } from './cutting/cutting.service.ts';
import { DATABASE, type Database } from './database/types.ts';
import { cuttings, stock } from './database/schema.ts';
import { DEMO_PAGE_ID } from './demo/demoPages.ts';
import { DemoService } from './demo/demo.service.ts';
import { StepsService } from './drawer/steps.service.ts';
import { RequestRefusal } from './http/requestRefusal.ts';
import { BackupService } from './backup/backup.service.ts';
import { PapersService } from './papers/papers.service.ts';
import { PlansService, readStoredJob } from './plans/plans.service.ts';
import { RemovedService } from './removed/removed.service.ts';
import { SessionsService } from './sessions/sessions.service.ts';
import { testServer } from './testing.ts';

/** How many walks are gone; `npm run soak` goes a thousand. */
const WALKS = Number(process.env.TEMNEX_WAYS_BACK ?? 2);
/** The first walk, so that a thousand can be gone in parts. */
const FIRST = Number(process.env.TEMNEX_WAYS_BACK_FROM ?? 1);
// a walk takes some seconds on a slow machine
jest.setTimeout(60_000 + WALKS * 20_000);
const LONG = 90;
const WAYS = [
  ...['puts', 'takesOut', 'undoesAStep', 'removesAll', 'bringsBack', 'counts', 'cuts', 'takesACutBack'],
  ...['cutsInASession', 'goesOnWithASession', 'savesABackup', 'restoresIt'],
];

/** What the ledger knows of an item: what lies there, and what of it was taken out and may come back. */
interface Entry {
  there: number;
  taken: { step: string | null; n: number }[];
  /** The cut that left it, while it is not taken back. */
  gone: boolean;
}

/** What is known of the walk so far; a backup that is restored brings it back as it was. */
interface Known {
  ledger: Map<string, Entry>;
  /** Steps at the drawer that were not undone. */
  open: { id: string; put: [string, number][]; out: [string, number][] }[];
  /** Cuts that were not taken back; those that end a session are taken back in it. */
  cuts: { id: string; session: string | null; used: [string, number][]; kept: string[] }[];
}

/*
 * Stock can come back in many ways: a step undone, something brought back, a cut taken back, a session gone on with, a backup restored. A ledger kept beside the server, by
 * hand and without looking at its code, says what must be there: what was taken out once comes back once.
 */
test(`${WALKS} walks over all ways back: stock is what a ledger of its own says`, async () => {
  const server = await testServer();
  const of = <T>(what: new (...args: never[]) => T): T => server.app.get(what);
  const [steps, papers, removed] = [of(StepsService), of(PapersService), of(RemovedService)];
  const [cutting, plans, demo] = [of(CuttingService), of(PlansService), of(DemoService)];
  const [sessions, backups] = [of(SessionsService), of(BackupService)];
  const db = server.app.get<Database>(DATABASE);
  const id = () => randomUUID();
  /** Why something was refused, the last time. */
  let refused = '';
  /** Whether it was done; refused, it changes nothing. */
  const does = (deed: () => void): boolean => {
    try {
      deed();
      return true;
    } catch (error) {
      if (error instanceof RequestRefusal) {
        refused = error.message;
        return false;
      }
      throw error;
    }
  };
  const done: Record<string, number> = {};
  for (let walk = FIRST; walk < FIRST + WALKS; walk++) {
    const random = seededRandom(walk);
    const pick = <T>(all: readonly T[]): T | undefined => all[Math.floor(random() * all.length)];
    demo.put(id(), true);
    let known: Known = { ledger: new Map(), open: [], cuts: [] };
    let saved: { file: Buffer; known: Known } | null = null;
    const gone: string[] = [];
    for (const { id: item, quantity } of db.select().from(stock).all())
      known.ledger.set(item, { there: quantity, taken: [], gone: false });
    /** An order for the page as it is now; null where there is none. */
    const ordered = (): string | null => {
      let asked: ReturnType<PlansService['asked']> | undefined;
      if (!does(() => void (asked = plans.asked(DEMO_PAGE_ID, 'least-paper')))) return null;
      const { job, basis } = asked!;
      const read = readJob(job);
      if (!read.ok) return null;
      const plan = planJob({ ...read.job, nodes: 5 }, { now: () => performance.now() });
      const stored = id();
      return does(() => void plans.store(DEMO_PAGE_ID, { id: stored, basis, plan })) ? stored : null;
    };
    /** A cut is in the books: what it used, and what it left. */
    const wasCut = (cut: string, session: string | null): void => {
      const { ledger, cuts } = known;
      const record = db.select().from(cuttings).all().find((c) => c.id === cut)!; // prettier-ignore
      const used = record.used.map((u): [string, number] => [u.stock, u.count]);
      for (const [item, n] of used) ledger.get(item)!.there -= n;
      for (const kept of record.kept) {
        const row = db.select().from(stock).all().find((s) => s.id === kept)!; // prettier-ignore
        ledger.set(kept, { there: row.quantity, taken: [], gone: false });
      }
      cuts.push({ id: cut, session, used, kept: record.kept });
    };
    const wasTakenBack = (cut: Known['cuts'][number]): void => {
      const { ledger, cuts } = known;
      for (const [item, n] of cut.used) ledger.get(item)!.there += n;
      // its sheet is whole again, so it is not there, and nothing of it comes back
      for (const item of cut.kept) ledger.set(item, { there: 0, taken: [], gone: true });
      cuts.splice(cuts.indexOf(cut), 1);
    };
    /** Something happens in a session; the id of what happened, null where it came to nothing. */
    const happens = (session: string, deed: SessionDeed): string | null => {
      const event = { id: id(), at: new Date().toISOString(), deed };
      const sent = sessions.send(session, { events: [event], since: 0 });
      const idle = sent.events.find((e) => e.event.id === event.id)?.idle ?? null;
      if (sent.refused || idle !== null) refused = sent.refused?.refusal.message ?? String(idle);
      return sent.refused || idle !== null ? null : event.id;
    };
    const ways: Record<string, () => boolean | Promise<boolean>> = {
      puts: () => {
        const [step, item, n] = [id(), id(), 1 + Math.floor(random() * 3)];
        const put = { id: item, paper: 'demo-swell', unit: 'in' as const, width: '4', height: '3', quantity: n };
        if (!does(() => steps.take({ id: step, says: 'put-in', put: [{ ...put, kind: 'scrap' }] }))) return false;
        known.ledger.set(item, { there: n, taken: [], gone: false });
        known.open.push({ id: step, put: [[item, n]], out: [] });
        return true;
      },
      takesOut: () => {
        const step = id();
        const items = [...new Set([pick([...known.ledger.keys()])!, pick([...known.ledger.keys()])!])];
        const out = items.flatMap((item): [string, number][] => {
          const { there } = known.ledger.get(item)!;
          return there ? [[item, random() < 0.5 ? there : 1 + Math.floor(random() * there)]] : [];
        });
        const change = out.map(([item, n]) => ({ stock: item, by: -n }));
        if (!out.length || !does(() => steps.take({ id: step, says: 'taken-out', change }))) return false;
        for (const [item, n] of out) {
          const entry = known.ledger.get(item)!;
          entry.there -= n;
          entry.taken.push({ step, n });
        }
        known.open.push({ id: step, put: [], out });
        return true;
      },
      undoesAStep: () => {
        const step = pick(known.open);
        if (!step || !does(() => void steps.undo(step.id, id()))) return false;
        for (const [item, n] of step.put) known.ledger.get(item)!.there -= n;
        for (const [item] of step.out) {
          const entry = known.ledger.get(item)!;
          for (const taking of entry.taken.filter((t) => t.step === step.id)) {
            entry.there += taking.n;
            taking.n = 0;
          }
        }
        known.open.splice(known.open.indexOf(step), 1);
        return true;
      },
      removesAll: () => {
        const item = pick([...known.ledger.keys()])!;
        const entry = known.ledger.get(item)!;
        if (!entry.there || !does(() => papers.removeStock(item))) return false;
        entry.taken.push({ step: null, n: entry.there });
        entry.there = 0;
        return true;
      },
      bringsBack: () => {
        const item = pick([...known.ledger].filter(([, e]) => !e.there && e.taken.length).map(([key]) => key));
        if (item === undefined || !does(() => removed.stock(item, id()))) return false;
        const entry = known.ledger.get(item)!;
        const last = entry.taken.at(-1)!;
        expect([walk, item, last.n > 0]).toEqual([walk, item, true]);
        entry.there += last.n;
        last.n = 0;
        return true;
      },
      counts: () => {
        const item = pick([...known.ledger.keys()])!;
        const to = Math.floor(random() * 4);
        if (!does(() => void papers.moveStock(item, { id: id(), why: 'corrected', to }))) return false;
        const entry = known.ledger.get(item)!;
        // somebody has it in their hands
        if (to > entry.there) entry.gone = false;
        entry.there = to;
        return true;
      },
      cuts: () => {
        const [stored, cut] = [ordered(), id()];
        if (stored === null || !does(() => void cutting.cut(stored, { id: cut }))) return false;
        wasCut(cut, null);
        return true;
      },
      takesACutBack: () => {
        const cut = pick(known.cuts);
        if (!cut || !does(() => void cutting.undo(cut.id, id()))) return false;
        wasTakenBack(cut);
        return true;
      },
      cutsInASession: () => {
        const [stored, session] = [ordered(), id()];
        if (stored === null || !does(() => void sessions.begin({ id: session, plan: stored }))) return false;
        const record = plans.get(stored);
        const last = buildTrimmerSteps(readStoredJob(record), record.plan).length - 1;
        if (happens(session, { do: 'done', order: 0, step: 0, through: last }) === null) return false;
        const ended = happens(session, { do: 'end', order: 0 });
        if (ended === null) return false;
        wasCut(ended, session);
        return true;
      },
      goesOnWithASession: () => {
        const cut = pick(known.cuts.filter((c) => c.session !== null));
        if (!cut || happens(cut.session!, { do: 'on', order: 0 }) === null) return false;
        wasTakenBack(cut);
        // and is ended again, with nothing more done
        const ended = happens(cut.session!, { do: 'end', order: 0 });
        expect({ walk, gone, why: ended ? '' : refused }).toEqual({ walk, gone, why: '' });
        wasCut(ended!, cut.session);
        return true;
      },
      savesABackup: async () => {
        saved = { file: await backups.backup(), known: structuredClone(known) };
        return true;
      },
      restoresIt: async () => {
        if (!saved) return false;
        const { ticket } = await backups.lookInto(Readable.from([saved.file]));
        backups.restore({ id: id(), ticket, replace: true });
        known = structuredClone(saved.known);
        return true;
      },
    };
    for (let n = 0; n < LONG; n++) {
      const way = pick(Object.keys(ways))!;
      if (!(await ways[way]!())) continue;
      gone.push(way);
      done[way] = (done[way] ?? 0) + 1;
      const there = Object.fromEntries(db.select().from(stock).all().map((s) => [s.id, s.quantity])); // prettier-ignore
      const said = Object.fromEntries([...known.ledger].map(([item, entry]) => [item, entry.there]));
      expect({ walk, gone, there }).toEqual({ walk, gone, there: said });
      for (const [item, entry] of known.ledger) if (entry.gone) expect([walk, gone, item, entry.there]).toEqual([walk, gone, item, 0]); // prettier-ignore
    }
  }
  await server.stop();
  for (const way of WAYS) expect([way, (done[way] ?? 0) > 0]).toEqual([way, true]);
});
