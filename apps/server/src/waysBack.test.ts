import { randomUUID } from 'node:crypto';
import { expect, test } from '@jest/globals';
import { planJob, readJob, seededRandom } from '@temnex/core';
import { CuttingService } from './cutting/cutting.service.ts';
import { DATABASE, type Database } from './database/types.ts';
import { stock } from './database/schema.ts';
import { DEMO_PAGE_ID } from './demo/demoPages.ts';
import { DemoService } from './demo/demo.service.ts';
import { StepsService } from './drawer/steps.service.ts';
import { Refused } from './http/refused.ts';
import { PapersService } from './papers/papers.service.ts';
import { PlansService } from './plans/plans.service.ts';
import { RemovedService } from './removed/removed.service.ts';
import { testServer } from './testing.ts';

/** How many walks are gone; `npm run soak` goes a thousand. */
const WALKS = Number(process.env.TEMNEX_WAYS_BACK ?? 2);
const LONG = 40;

/** What the ledger knows of an item: what lies there, and what of it was taken out and may come back. */
interface Entry {
  there: number;
  taken: { step: string | null; n: number }[];
  /** The cut that left it, while it is not taken back. */
  gone: boolean;
}

/*
 * Stock can come back in many ways: a step undone, something brought back, a cut taken back. A ledger kept beside the server, by
 * hand and without looking at its code, says what must be there: what was taken out once comes back once.
 */
test(`${WALKS} walks over all ways back: stock is what a ledger of its own says`, async () => {
  const server = await testServer();
  const of = <T>(what: new (...args: never[]) => T): T => server.app.get(what);
  const [steps, papers, removed] = [of(StepsService), of(PapersService), of(RemovedService)];
  const [cutting, plans, demo] = [of(CuttingService), of(PlansService), of(DemoService)];
  const db = server.app.get<Database>(DATABASE);
  const id = () => randomUUID();
  /** Whether it was done; refused, it changes nothing. */
  const does = (deed: () => void): boolean => {
    try {
      deed();
      return true;
    } catch (error) {
      if (error instanceof Refused) return false;
      throw error;
    }
  };
  const done: Record<string, number> = {};
  for (let walk = 1; walk <= WALKS; walk++) {
    const random = seededRandom(walk);
    const pick = <T>(all: readonly T[]): T | undefined => all[Math.floor(random() * all.length)];
    demo.put(id(), true);
    const ledger = new Map<string, Entry>();
    for (const { id: item, quantity } of db.select().from(stock).all())
      ledger.set(item, { there: quantity, taken: [], gone: false });
    const open: { id: string; put: [string, number][]; out: [string, number][] }[] = [];
    const cuts: { id: string; used: [string, number][]; kept: string[] }[] = [];
    const ways: Record<string, () => boolean> = {
      puts: () => {
        const [step, item, n] = [id(), id(), 1 + Math.floor(random() * 3)];
        const put = { id: item, paper: 'demo-swell', unit: 'in' as const, width: '4', height: '3', quantity: n };
        if (!does(() => steps.take({ id: step, says: 'put-in', put: [{ ...put, kind: 'scrap' }] }))) return false;
        ledger.set(item, { there: n, taken: [], gone: false });
        open.push({ id: step, put: [[item, n]], out: [] });
        return true;
      },
      takesOut: () => {
        const step = id();
        const items = [...new Set([pick([...ledger.keys()])!, pick([...ledger.keys()])!])];
        const out = items.flatMap((item): [string, number][] => {
          const { there } = ledger.get(item)!;
          return there ? [[item, random() < 0.5 ? there : 1 + Math.floor(random() * there)]] : [];
        });
        const change = out.map(([item, n]) => ({ stock: item, by: -n }));
        if (!out.length || !does(() => steps.take({ id: step, says: 'taken-out', change }))) return false;
        for (const [item, n] of out) {
          const entry = ledger.get(item)!;
          entry.there -= n;
          entry.taken.push({ step, n });
        }
        open.push({ id: step, put: [], out });
        return true;
      },
      undoesAStep: () => {
        const step = pick(open);
        if (!step || !does(() => void steps.undo(step.id, id()))) return false;
        for (const [item, n] of step.put) ledger.get(item)!.there -= n;
        for (const [item] of step.out) {
          const entry = ledger.get(item)!;
          for (const taking of entry.taken.filter((t) => t.step === step.id)) {
            entry.there += taking.n;
            taking.n = 0;
          }
        }
        open.splice(open.indexOf(step), 1);
        return true;
      },
      removesAll: () => {
        const item = pick([...ledger.keys()])!;
        const entry = ledger.get(item)!;
        if (!entry.there || !does(() => papers.removeStock(item))) return false;
        entry.taken.push({ step: null, n: entry.there });
        entry.there = 0;
        return true;
      },
      bringsBack: () => {
        const item = pick([...ledger].filter(([, e]) => !e.there && e.taken.length).map(([key]) => key));
        if (item === undefined || !does(() => removed.stock(item, id()))) return false;
        const entry = ledger.get(item)!;
        const last = entry.taken.at(-1)!;
        expect([walk, item, last.n > 0]).toEqual([walk, item, true]);
        entry.there += last.n;
        last.n = 0;
        return true;
      },
      counts: () => {
        const item = pick([...ledger.keys()])!;
        const to = Math.floor(random() * 4);
        if (!does(() => void papers.moveStock(item, { id: id(), why: 'corrected', to }))) return false;
        const entry = ledger.get(item)!;
        // somebody has it in their hands
        if (to > entry.there) entry.gone = false;
        entry.there = to;
        return true;
      },
      cuts: () => {
        let asked: ReturnType<PlansService['asked']> | undefined;
        if (!does(() => void (asked = plans.asked(DEMO_PAGE_ID, 'least-paper')))) return false;
        const { job, basis } = asked!;
        const read = readJob(job);
        if (!read.ok) return false;
        const plan = planJob({ ...read.job, nodes: 5 }, { now: () => performance.now() });
        const [stored, cut] = [id(), id()];
        let record: ReturnType<CuttingService['cut']> | undefined;
        const made = does(() => {
          plans.store(DEMO_PAGE_ID, { id: stored, basis, plan });
          record = cutting.cut(stored, { id: cut });
        });
        if (!made) return false;
        const used = record!.used.map((u): [string, number] => [u.stock, u.count]);
        for (const [item, n] of used) ledger.get(item)!.there -= n;
        for (const kept of record!.kept) {
          const row = db.select().from(stock).all().find((s) => s.id === kept)!; // prettier-ignore
          ledger.set(kept, { there: row.quantity, taken: [], gone: false });
        }
        cuts.push({ id: record!.id, used, kept: record!.kept });
        return true;
      },
      takesACutBack: () => {
        const cut = pick(cuts);
        if (!cut || !does(() => void cutting.undo(cut.id, id()))) return false;
        for (const [item, n] of cut.used) ledger.get(item)!.there += n;
        // its sheet is whole again, so it is not there, and nothing of it comes back
        for (const item of cut.kept) ledger.set(item, { there: 0, taken: [], gone: true });
        cuts.splice(cuts.indexOf(cut), 1);
        return true;
      },
    };
    const gone: string[] = [];
    for (let n = 0; n < LONG; n++) {
      const way = pick(Object.keys(ways))!;
      if (!ways[way]!()) continue;
      gone.push(way);
      done[way] = (done[way] ?? 0) + 1;
      const there = Object.fromEntries(db.select().from(stock).all().map((s) => [s.id, s.quantity])); // prettier-ignore
      const said = Object.fromEntries([...ledger].map(([item, entry]) => [item, entry.there]));
      expect({ walk, gone, there }).toEqual({ walk, gone, there: said });
      for (const [item, entry] of ledger) if (entry.gone) expect([walk, gone, item, entry.there]).toEqual([walk, gone, item, 0]); // prettier-ignore
    }
  }
  await server.stop();
  for (const way of ['puts', 'takesOut', 'undoesAStep', 'removesAll', 'bringsBack', 'counts', 'cuts', 'takesACutBack'])
    expect([way, (done[way] ?? 0) > 0]).toEqual([way, true]);
});
