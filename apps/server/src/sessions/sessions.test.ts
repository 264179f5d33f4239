import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { measureHandling, planJob, readJob, seededRandom } from '@temnex/core/planner';
import {
  foldSession,
  buildTrimmerSteps,
  type SessionDeed,
  type SessionEvent,
  type TrimmerStep,
} from '@temnex/core/trimmer';
import type { CuttingRecord, PlanRecord, SentEvents, Session, RecordPage } from '@temnex/contract';
import { sql } from 'drizzle-orm';
import { movements, stock } from '../database/schema.ts';
import { DATABASE, type Database } from '../database/types.ts';
import { DEMO_PAGE_ID } from '../demo/demoPages.ts';
import { PlansService, readStoredJob } from '../plans/plans.service.ts';
import { testServer, type TestServer } from '../testing.ts';
import { SessionsService } from './sessions.service.ts';

let server: TestServer;
let n = 0;
const newId = () => `session-test-${++n}`;
const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
const post = (path: string, body: object) => local(request(server.http).post(path).send(body));
const get = (path: string) => local(request(server.http).get(path));
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

/** An order for the demo's first page as it is now, planned in a moment and stored. */
async function ordered(): Promise<PlanRecord> {
  const { job, basis } = server.app.get(PlansService).asked(DEMO_PAGE_ID, 'least-paper');
  const read = readJob(job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob({ ...read.job, nodes: 5 }, { now: () => 0 });
  const { status, body } = await post(`/api/pages/${DEMO_PAGE_ID}/plans`, { id: newId(), basis, plan });
  expect([status, body.message]).toEqual([201, undefined]);
  return body;
}
const stepsOf = (record: PlanRecord): TrimmerStep[] => buildTrimmerSteps(readStoredJob(record), record.plan);
const event = (deed: SessionDeed): SessionEvent => ({ id: newId(), at: new Date().toISOString(), deed });
const done = (step: number, order = 0) => event({ do: 'done', order, step });
const send = async (id: string, events: SessionEvent[], since = 0): Promise<SentEvents> => {
  const { status, body } = await post(`/api/sessions/${id}/events`, { events, since });
  expect([status, body.message]).toEqual([200, undefined]);
  return body;
};
const cuts = async (): Promise<CuttingRecord[]> =>
  ((await get(`/api/pages/${DEMO_PAGE_ID}/cuttings`)).body as CuttingRecord[]).filter((c) => !c.undoneAt);
const begin = async (plan: string): Promise<Session> => (await post('/api/sessions', { id: newId(), plan })).body;
/** Every item has as many as its movements say. */
const sumsHold = () => {
  const db = server.app.get<Database>(DATABASE);
  const items = db.select({ id: stock.id, quantity: stock.quantity }).from(stock).all();
  const sums = db
    .select({ stock: movements.stock, by: sql<number>`sum(${movements.by})` })
    .from(movements)
    .groupBy(movements.stock)
    .all();
  const by = new Map(sums.map((s) => [s.stock, s.by]));
  expect(items.filter((i) => i.quantity !== (by.get(i.id) ?? 0) || i.quantity < 0)).toEqual([]);
};
const quantities = () =>
  JSON.stringify(
    server.app
      .get<Database>(DATABASE)
      .select({ id: stock.id, quantity: stock.quantity })
      .from(stock)
      .all()
      .filter((s) => s.quantity)
      .sort((a, b) => (a.id < b.id ? -1 : 1)),
  );

describe('a session on the server', () => {
  test('is cut step by step from two devices, put down, and taken back as if it had not been', async () => {
    const before = quantities();
    const plan = await ordered();
    const steps = stepsOf(plan);
    const { session } = await begin(plan.id);
    // begun again, from another device, it is the same one
    expect((await begin(plan.id)).session.id).toBe(session.id);
    const [first, other] = [done(0), done(0)];
    const a = await send(session.id, [first, done(1)]);
    expect(a.events.map((e) => e.idle)).toEqual([null, null]);
    const b = await send(session.id, [first, other, done(2)], a.events.at(-1)!.seq);
    expect(b.events.map((e) => e.idle)).toEqual(['already', null]);
    // nothing is in the books until the end
    expect(await cuts()).toEqual([]);
    await send(
      session.id,
      steps.slice(3).map((_, i) => done(i + 3)),
    );
    const end = event({ do: 'end', order: 0 });
    const over = await send(session.id, [event({ do: 'note', text: 'the blade is getting blunt' }), end]);
    expect(over.session.endedAt).not.toBeNull();
    const [cut] = await cuts();
    expect(cut).toMatchObject({ id: end.id, plan: plan.id });
    sumsHold();
    // the record has it: what it took and gave, each piece back to its sheet, the note
    const { entries } = (await get('/api/record')).body as RecordPage;
    const [entry] = entries;
    expect(entry).toMatchObject({ session: session.id, open: false, notes: ['the blade is getting blunt'], wrong: [] });
    const [recorded] = entry!.cuts;
    expect(recorded!.pieces).toHaveLength(cut!.pieces.length);
    const used = new Set(recorded!.used.map((u) => u.stock));
    expect(recorded!.pieces.every((p) => p.stock !== null && used.has(p.stock))).toBe(true);
    expect(recorded!.kept.every((k) => k.from.length > 0 && used.has(k.from[0]!.stock))).toBe(true);
    // and how many settings and cuts its order asked for, and what else of the hands
    expect(entry!.handling).toEqual([measureHandling(plan.plan)]);
    expect(entry!.handling[0]).toMatchObject({ cuts: plan.plan.totals.cuts, settings: plan.plan.totals.settings });
    expect((await get(`/api/record?page=nobody`)).body.entries).toEqual([]);
    expect((await send(session.id, [end])).refused).toBeNull();
    expect(await cuts()).toHaveLength(1);
    await send(session.id, [event({ do: 'on', order: 0 })]);
    // undone, it is not gone from the record
    const after = ((await get('/api/record')).body as RecordPage).entries[0]!;
    expect([after.open, after.cuts[0]!.undoneAt === null, after.handling]).toEqual([true, false, []]);
    expect(await cuts()).toEqual([]);
    expect(quantities()).toBe(before);
    const whole = (await get(`/api/sessions/${session.id}`)).body as Session;
    const { state } = foldSession(plan.id, whole.events.map((e) => e.event), () => steps.length); // prettier-ignore
    expect(state).toMatchObject({ at: steps.length, phase: 'cutting' });
    // emptied for the next: all steps back
    await send(session.id, steps.map((_, i) => event({ do: 'back', order: 0, step: steps.length - 1 - i }))); // prettier-ignore
  });
  test('a cut that went wrong is in the books at once, the rest goes on by a new order, and it can be right after all', async () => {
    const before = quantities();
    const plan = await ordered();
    const steps = stepsOf(plan);
    const { session } = await begin(plan.id);
    const at = steps.findIndex((s, i) => s.do === 'cut' && i > 3);
    await send(session.id, steps.slice(0, at).map((_, i) => done(i))); // prettier-ignore
    const wrong = { how: 'torn' as const, left: [] };
    const tooMuch = event({ do: 'wrong', order: 0, step: at, wrong: { ...wrong, left: [{ width: '40', height: '1' }] }, spoiled: [] }); // prettier-ignore
    expect((await send(session.id, [tooMuch])).refused?.refusal.message).toBe('left: that is more than was in hand.');
    const torn = event({ do: 'wrong', order: 0, step: at, wrong, spoiled: [] });
    await send(session.id, [torn]);
    expect(await cuts()).toHaveLength(1);
    sumsHold();
    const next = await ordered();
    await send(session.id, [event({ do: 'order', order: 1, plan: next.id })]);
    const whole = (await get(`/api/sessions/${session.id}`)).body as Session;
    expect(whole.plans.map((p) => p.id)).toEqual([plan.id, next.id]);
    await send(session.id, [event({ do: 'right', order: 0 })]);
    expect(await cuts()).toEqual([]);
    expect(quantities()).toBe(before);
    // and it goes on where it was
    const after = await send(session.id, [done(at)]);
    expect(after.events.at(-1)!.idle).toBeNull();
  });
  test('put down as a whole, an order is not cut on at the trimmer, and the next session is another one', async () => {
    const plan = await ordered();
    const { session } = await begin(plan.id);
    await send(session.id, [done(0), done(1)]);
    const { body: cut } = await post(`/api/plans/${plan.id}/cut`, { id: newId() });
    expect(((await get(`/api/sessions/${session.id}`)).body as Session).session.endedAt).toBe(cut.cutAt);
    const late = await send(session.id, [done(2)]);
    expect(late.session.endedAt).toBe(cut.cutAt);
    await post(`/api/cuttings/${cut.id}/undo`, { id: newId() });
    expect((await begin((await ordered()).id)).session.id).not.toBe(session.id);
  });
  test('an order of another page, an event of another session and a session that is not there are refused', async () => {
    const plan = await ordered();
    const { session } = await begin(plan.id);
    const mine = event({ do: 'note', text: 'mine' });
    await send(session.id, [mine]);
    expect((await get('/api/sessions/nobody')).status).toBe(404);
    expect((await post('/api/sessions/nobody/events', { events: [mine] })).status).toBe(404);
    expect((await get('/api/sessions/nobody/stream')).status).toBe(404);
    expect((await get(`/api/sessions?page=${DEMO_PAGE_ID}`)).body[0].id).toBe(session.id);
    expect((await get('/api/sessions?page=nobody')).body).toEqual([]);
    const bad = await post(`/api/sessions/${session.id}/events`, { events: [{ ...mine, at: 'noon' }] });
    expect([bad.status, bad.body.field]).toEqual([400, 'events[0].at']);
  });
  test('others are told of what happens, as it happens', async () => {
    const { session } = await begin((await ordered()).id);
    const told: unknown[] = [];
    const watching = server.app.get(SessionsService).told(session.id).subscribe((e) => told.push(e)); // prettier-ignore
    const note = event({ do: 'note', text: 'told' });
    // sent twice at once, and once more later: it has happened once
    await send(session.id, [note, note]);
    await send(session.id, [note]);
    watching.unsubscribe();
    expect(told).toEqual([expect.objectContaining({ event: note, idle: null })]);
  });
});

describe('seeded walks of two devices', () => {
  test('keep every account, whatever they press', async () => {
    for (let seed = 1; seed <= Number(process.env.TEMNEX_SESSIONS ?? 1); seed++) await walk(seed);
  }, 7_200_000);
  async function walk(seed: number): Promise<void> {
    const random = seededRandom(seed);
    const whole = (k: number) => Math.floor(random() * k);
    const before = quantities();
    const first = await ordered();
    const { session } = await begin(first.id);
    const lengths = new Map<string, number>();
    const know = (record: PlanRecord) => {
      if (!lengths.has(record.id)) lengths.set(record.id, stepsOf(record).length);
    };
    know(first);
    const sent: SessionEvent[] = [];
    const state = () => {
      const { events, plans } = server.app.get(SessionsService).one(session.id);
      plans.forEach(know);
      return foldSession(plans[0]!.id, events.map((e) => e.event), (id) => lengths.get(id)!).state; // prettier-ignore
    };
    for (let i = 0; i < 40; i++) {
      const now = state();
      const deeds: SessionDeed[] = [
        ...Array.from({ length: 8 }, () => ({ do: 'done' as const, order: now.order, step: Math.max(0, now.at - whole(2)) })), // prettier-ignore
        { do: 'back', order: now.order, step: Math.max(0, now.at - 1) },
        { do: 'wrong', order: now.order, step: now.at, wrong: { how: 'torn', left: whole(2) ? [{ width: '1', height: '1' }] : [] }, spoiled: [] }, // prettier-ignore
        { do: 'right', order: Math.max(0, now.order - (now.phase === 'waiting' ? 0 : 1)) },
        { do: 'measured', order: now.order, piece: 'base/base', copy: 1, width: '11 15/16', height: '12' },
        { do: 'end', order: now.order },
        { do: 'on', order: now.order },
      ];
      const deed = deeds[whole(deeds.length)]!;
      const one = sent.length && whole(6) === 0 ? sent[whole(sent.length)]! : event(deed);
      sent.push(one);
      // now and then somebody who is quick, so that orders come to their end
      const quick = whole(4) ? 0 : 14;
      const more = Array.from({ length: quick }, (_, k) => done(now.at + k, now.order));
      await send(session.id, [...more, one]);
      if (state().phase === 'waiting' && whole(2)) {
        const next = await ordered();
        know(next);
        await send(session.id, [event({ do: 'order', order: state().order + 1, plan: next.id })]);
      }
      sumsHold();
    }
    // everything taken back, the drawer is as it was
    for (let i = 0; i < 60; i++) {
      const now = state();
      if (now.phase === 'over') await send(session.id, [event({ do: 'on', order: now.order })]);
      else if (now.at > 0 && now.phase === 'cutting')
        await send(session.id, Array.from({ length: now.at }, (_, k) => event({ do: 'back', order: now.order, step: now.at - 1 - k }))); // prettier-ignore
      else if (now.left.length) await send(session.id, [event({ do: 'right', order: now.left.at(-1)!.order })]);
      else break;
    }
    expect({ seed, now: quantities() }).toEqual({ seed, now: before });
    expect(await cuts()).toEqual([]);
    sumsHold();
  }
});

test('thousands of events of a session are taken in without being looked through again for each', async () => {
  const order = await ordered();
  const { session } = await begin(order.id);
  const [first] = await Promise.all([send(session.id, [event({ do: 'note', text: 'begun' })])]);
  const many = (from: number) => Array.from({ length: 200 }, (_, i) => event({ do: 'note', text: `${from + i}` }));
  let since = first!.events.at(-1)!.seq;
  for (let i = 0; i < 10; i++) since = (await send(session.id, many(i * 200), since)).events.at(-1)!.seq;
  const { events } = (await get(`/api/sessions/${session.id}`)).body as Session;
  const { state } = foldSession(order.id, events.map((e) => e.event), () => 1); // prettier-ignore
  expect(state.notes.map(({ text }) => text)).toEqual(['begun', ...Array.from({ length: 2000 }, (_, i) => String(i))]);
  // one that cannot be done takes back itself alone
  const { refused } = await send(session.id, [
    event({ do: 'note', text: 'before' }),
    event({ do: 'wrong', order: 0, step: 0, spoiled: [], wrong: { how: 'paper', stock: 'nobody', left: [] } }),
    event({ do: 'note', text: 'after' }),
  ]);
  expect(refused).not.toBeNull();
  const notes = ((await get(`/api/sessions/${session.id}`)).body as Session).events.slice(-1);
  expect(notes[0]!.event.deed).toMatchObject({ text: 'before' });
});

test('the example, taken out and put in again while it is cut, leaves what is being cut as it is', async () => {
  const order = await ordered();
  const { session } = await begin(order.id);
  await send(session.id, [done(0)]);
  const ways = {
    out: () => local(request(server.http).delete('/api/demo')),
    in: () => post('/api/demo', { id: newId() }),
  };
  for (const [way, go] of Object.entries(ways)) {
    await go();
    const { status, body } = await get(`/api/sessions/${session.id}`);
    expect([way, status, (body as Session).events.length]).toEqual([way, 200, 1]);
    expect((await get(`/api/pages/${DEMO_PAGE_ID}`)).status).toBe(200);
    const items = (await get('/api/drawer')).body.stock.map((s: { id: string }) => s.id);
    expect(items).toEqual(expect.arrayContaining(order.plan.sheets.map((sheet) => sheet.stock)));
  }
  // and it is cut to the end
  const rest = stepsOf(order).slice(1).map((_, i) => done(i + 1)); // prettier-ignore
  const { refused } = await send(session.id, [...rest, event({ do: 'end', order: 0 })]);
  expect(refused).toBeNull();
  expect(await cuts()).toHaveLength(1);
});

test('a session that is gone on with is ended again, whatever was cut or taken back meanwhile', async () => {
  for (const { id } of await cuts()) await post(`/api/cuttings/${id}/undo`, { id: newId() });
  expect(await cuts()).toEqual([]);
  // a sheet is cut as the first order says, the rest at the trimmer
  const first = await ordered();
  const one = (await post(`/api/plans/${first.id}/cut`, { id: newId(), steps: 6 })).body as CuttingRecord;
  expect(one.pieces.length).toBeGreaterThan(0);
  const rest = await ordered();
  const session = newId();
  await post('/api/sessions', { id: session, plan: rest.id });
  const last = stepsOf(rest).length - 1;
  const all = event({ do: 'done', order: 0, step: 0, through: last });
  expect((await send(session, [all, event({ do: 'end', order: 0 })])).refused).toBeNull();
  // what it counted on as cut is taken back; it is gone on with and ended again
  expect((await post(`/api/cuttings/${one.id}/undo`, { id: newId() })).status).toBeLessThan(300);
  expect((await send(session, [event({ do: 'on', order: 0 }), event({ do: 'end', order: 0 })])).refused).toBeNull();
  // what was taken back is cut by another order, that it knows nothing of
  const again = await ordered();
  expect((await post(`/api/plans/${again.id}/cut`, { id: newId() })).status).toBeLessThan(300);
  expect((await send(session, [event({ do: 'on', order: 0 }), event({ do: 'end', order: 0 })])).refused).toBeNull();
  sumsHold();
  // what the session would cut is cut by another while it is gone on with
  expect((await send(session, [event({ do: 'on', order: 0 })])).refused).toBeNull();
  const instead = await ordered();
  expect((await post(`/api/plans/${instead.id}/cut`, { id: newId() })).status).toBeLessThan(300);
  const { refused } = await send(session, [event({ do: 'end', order: 0 })]);
  expect(refused === null || refused.refusal.code).toBe('already-cut');
  for (const { id } of await cuts()) await post(`/api/cuttings/${id}/undo`, { id: newId() });
  sumsHold();
});
