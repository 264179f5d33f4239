import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { sql, type SQL } from 'drizzle-orm';
import request from 'supertest';
import type { StockItem } from '@temnex/core/stock';
import { planJob, readJob, seededRandom } from '@temnex/core/planner';
import type { DrawerRecord, DrawerStep, Movement, SavedSearch, StepRecord } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { DEMO_PAGE_ID } from '../demo/demoPages.ts';
import { PlansService } from '../plans/plans.service.ts';
import { testServer, type TestServer } from '../testing.ts';

let server: TestServer;
const id = () => randomUUID();
const ask = (method: 'get' | 'post' | 'put' | 'patch' | 'delete', path: string, body?: object) =>
  request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
const drawer = async (query = '') => (await ask('get', `/api/drawer${query}`)).body as DrawerRecord;
const item = async (of: string) => (await drawer()).stock.find((s) => s.id === of);
const step = (what: Omit<DrawerStep, 'id'>) => ask('post', '/api/drawer/steps', { id: id(), ...what });
const undo = (of: string) => ask('post', `/api/drawer/steps/${of}/undo`, { id: id() });
const history = async (of: string) => (await ask('get', `/api/stock/${of}/movements`)).body as Movement[];
beforeAll(async () => void (server = await testServer()));
afterAll(() => server.stop());

const scrap = (more: object = {}) => ({
  id: id(),
  paper: 'demo-swell',
  unit: 'in' as const,
  width: '4',
  height: '3',
  quantity: 1,
  kind: 'scrap' as const,
  ...more,
});
/** Every item's movements add up to what is there and to what pages keep of it. */
function sumsHold(): void {
  const db = server.app.get<Database>(DATABASE);
  const off = (what: SQL) => db.all<{ id: string }>(what);
  expect(
    off(sql`select s.id from stock s left join (select stock, sum("by") as n from movements group by stock) m
      on m.stock = s.id where s.quantity <> coalesce(m.n, 0)`),
  ).toEqual([]);
  const moved = sql`select stock as id, page, sum(held) as n from movements where page is not null
    group by stock, page having n <> 0`;
  const told = sql`select s.id, json_extract(j.value, '$.page') as page, json_extract(j.value, '$.count') as n
    from stock s, json_each(s.reserves) j`;
  expect(off(sql`${moved} except ${told}`)).toEqual([]);
  expect(off(sql`${told} except ${moved}`)).toEqual([]);
  expect(
    off(sql`select id from (select id, sum(n) as kept from (${told}) group by id) natural join
    (select id, quantity from stock) where kept > quantity`),
  ).toEqual([]);
}

test('what was taken out by a step and brought back does not come back once more when the step is undone', async () => {
  const one = scrap({ quantity: 3 });
  await step({ says: 'put-in', put: [one] });
  // taken in two goes of one step
  const change = [-1, -2].map((by) => ({ stock: one.id, by }));
  const { body: out } = await step({ says: 'taken-out', change });
  expect((await ask('post', `/api/stock/${one.id}/restore`, { id: id() })).status).toBeLessThan(300);
  const back = (await item(one.id))!.quantity;
  expect((await undo(out.id)).status).toBeLessThan(300);
  expect([back, (await item(one.id))!.quantity]).toEqual([2, 3]);
  await ask('post', `/api/stock/${one.id}/movements`, { id: id(), why: 'taken', by: 3 });
});

describe('many things at once', () => {
  test('are put in with a paper that is new, and go again as one', async () => {
    const paper = { id: id(), name: 'Sea fog', sides: (await drawer()).papers[0]!.sides, place: 'box 9', price: 250 };
    const before = (await drawer()).stock.length;
    const put = [scrap({ paper: paper.id, place: 'tray 2' }), scrap({ width: '5', quantity: 3 })];
    const { body } = await step({ says: 'put-in', papers: [paper], put });
    expect(body).toMatchObject({ says: 'put-in', count: 2, undoneAt: null });
    const after = await drawer();
    expect(after.papers.find((p) => p.id === paper.id)).toMatchObject({ place: 'box 9', price: 250 });
    expect(after.stock).toHaveLength(before + 2);
    expect(after.stock.find((s) => s.id === put[0]!.id)).toMatchObject({ place: 'tray 2' });
    expect((await undo(body.id)).body).toMatchObject({ id: body.id });
    expect((await drawer()).stock).toHaveLength(before);
    expect((await drawer()).papers.some((p) => p.id === paper.id)).toBe(false);
    expect(await undo(body.id)).toMatchObject({ status: 409, body: { code: 'already-undone' } });
    sumsHold();
  });
  test('all of it or nothing: the one that does not fit is named', async () => {
    const before = await drawer();
    const { status, body } = await step({ says: 'put-in', put: [scrap(), scrap({ paper: 'nobody' })] });
    expect([status, body.field]).toEqual([400, 'put[1].paper']);
    const wide = await step({ says: 'put-in', put: [scrap(), scrap({ width: 'wide' })] });
    expect([wide.status, wide.body.field]).toEqual([400, 'put[1].width']);
    const more = await step({ says: 'taken-out', change: [{ stock: 'demo-stock-1', by: -1 }, { stock: 'nobody' }] });
    expect([more.status, more.body.field]).toEqual([400, 'change[1].stock']);
    const page = await step({
      says: 'kept-for',
      change: [{ stock: 'demo-stock-1', keep: { page: 'nobody', count: 1 } }],
    });
    expect([page.status, page.body.field]).toEqual([400, 'change[0].keep.page']);
    const twice = scrap();
    const same = await step({ says: 'put-in', put: [scrap(), twice, twice] });
    expect([same.status, same.body.field]).toEqual([400, 'put[2].id']);
    const there = await step({ says: 'put-in', put: [scrap({ id: 'demo-stock-1' })] });
    expect([there.status, there.body.field]).toEqual([400, 'put[0].id']);
    expect(await drawer()).toEqual(before);
  });
  test('are moved, held back and taken out, and lie as they lay once that is undone', async () => {
    const ids = ['demo-stock-2', 'demo-stock-5', 'demo-stock-12'];
    const before = await Promise.all(ids.map(item));
    const moved = (await step({ says: 'moved', change: ids.map((stock) => ({ stock, place: 'window sill' })) })).body;
    expect((await item(ids[1]!))!.place).toBe('window sill');
    const held = (await step({ says: 'held-back', change: ids.map((stock) => ({ stock, reserved: true })) })).body;
    const out = (await step({ says: 'taken-out', change: ids.map((stock) => ({ stock, by: -1 })) })).body;
    expect(await item(ids[0]!)).toBeUndefined();
    expect((await history(ids[0]!)).map((m) => m.why)).toEqual(['taken', 'held-back', 'moved', 'added']);
    for (const { id: of } of [out, held, moved]) expect((await undo(of)).status).toBe(200);
    expect(await Promise.all(ids.map(item))).toEqual(before);
    const steps = (await ask('get', '/api/drawer/steps')).body as StepRecord[];
    expect(steps.slice(0, 3).map((s) => [s.says, s.count, s.undoneAt !== null])).toEqual([
      ['taken-out', 3, true],
      ['held-back', 3, true],
      ['moved', 3, true],
    ]);
    expect((await ask('get', '/api/removed')).body.filter((r: { kind: string }) => r.kind === 'stock')).toEqual([]);
    sumsHold();
  });
  test('an undo leaves alone what has changed since, and refuses where it was used', async () => {
    const [a, b] = [scrap(), scrap({ quantity: 2 })];
    const put = (await step({ says: 'put-in', put: [a, b] })).body;
    const moved = (await step({ says: 'moved', change: [a, b].map(({ id: of }) => ({ stock: of, place: 'box 3' })) }))
      .body;
    await step({ says: 'moved', change: [{ stock: a.id, place: 'box 4' }] });
    await undo(moved.id);
    expect([(await item(a.id))!.place, (await item(b.id))!.place]).toEqual(['box 4', undefined]);
    await ask('post', `/api/stock/${b.id}/movements`, { id: id(), why: 'taken', by: 1 });
    const before = await drawer();
    expect(await undo(put.id)).toMatchObject({ status: 409, body: { code: 'stock-changed' } });
    expect(await drawer()).toEqual(before);
    // an item twice in one step is what the first has made of it
    await step({
      says: 'taken-out',
      change: [
        { stock: a.id, by: 2 },
        { stock: a.id, by: -3 },
      ],
    });
    expect(await item(a.id)).toBeUndefined();
    sumsHold();
  });
  test('sent twice it is done once', async () => {
    const what = { id: id(), says: 'put-in', put: [scrap()] };
    const answers = await Promise.all([1, 2, 3].map(() => ask('post', '/api/drawer/steps', what)));
    expect(new Set(answers.map((a) => JSON.stringify(a.body))).size).toBe(1);
    expect((await history(what.put[0]!.id)).length).toBe(1);
  });
});

describe('what has changed', () => {
  test('is all that is sent to somebody who saw the drawer', async () => {
    const seen = await drawer();
    const since = `?book=${seen.book}&since=${seen.seq}`;
    expect(await drawer(since)).toEqual({ ...seen, whole: false, papers: [], stock: [] });
    await step({
      says: 'moved',
      change: [
        { stock: 'demo-stock-1', place: 'desk' },
        { stock: 'demo-stock-16', by: -1 },
      ],
    });
    const change = await drawer(since);
    expect(change.whole).toBe(false);
    expect(change.stock.map((s) => [s.id, s.place])).toEqual([['demo-stock-1', 'desk']]);
    expect(change.gone).toEqual({ papers: [], stock: ['demo-stock-16'] });
    expect(change.papers.map((p) => p.id).sort()).toEqual(['demo-buoy', 'demo-swell']);
    expect(change.seq).toBeGreaterThan(seen.seq);
  });
  test('a paper that goes takes its stock along, and brings it back', async () => {
    const seen = await drawer();
    const own = seen.stock.filter((s) => s.paper === 'demo-gust').map((s) => s.id);
    await ask('delete', '/api/papers/demo-gust');
    const out = await drawer(`?book=${seen.book}&since=${seen.seq}`);
    expect([out.papers, out.gone.papers, out.gone.stock.sort()]).toEqual([[], ['demo-gust'], own.sort()]);
    await ask('post', '/api/papers/demo-gust/restore', { id: id() });
    const back = await drawer(`?book=${out.book}&since=${out.seq}`);
    expect([back.papers.map((p) => p.id), back.stock.map((s) => s.id).sort()]).toEqual([['demo-gust'], own.sort()]);
  });
  test('whoever saw another drawer, or this one later, is sent all of it', async () => {
    const seen = await drawer();
    for (const other of [`?book=another&since=3`, `?book=${seen.book}&since=${seen.seq + 1}`, `?since=2`])
      expect((await drawer(other)).whole).toBe(true);
    await ask('delete', '/api/demo');
    await ask('post', '/api/demo', { id: id() });
    expect((await drawer(`?book=${seen.book}&since=${seen.seq}`)).whole).toBe(true);
    expect((await ask('get', '/api/drawer?since=yesterday')).body).toMatchObject({ field: 'since' });
  });
});

describe('kept for a page', () => {
  const asked = async () => {
    const { job, basis } = server.app.get(PlansService).asked(DEMO_PAGE_ID, 'least-paper');
    const read = readJob(job);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    return { job: read.job, basis, plan: planJob({ ...read.job, nodes: 5 }, { now: () => 0 }) };
  };
  test('others cannot take it; the page itself can, and keeps so much less; taken back, it is kept again', async () => {
    const other = (await ask('get', '/api/pages')).body.find((p: { id: string }) => p.id !== DEMO_PAGE_ID).id as string;
    const { plan, job } = await asked();
    const used = job.stock.find((s) => plan.sheets.some(({ stock: of }) => of === s.id))!;
    const whole = (await item(used.id))!.quantity;
    const keep = (page: string, count: number) =>
      step({ says: 'kept-for', change: [{ stock: used.id, keep: { page, count } }] });
    const forOther = (await keep(other, whole)).body as StepRecord;
    expect((await item(used.id))!.reserves).toEqual([{ page: other, count: whole }]);
    expect((await asked()).job.stock.find((s) => s.id === used.id)).toMatchObject({ reserved: true });
    expect(await keep(DEMO_PAGE_ID, 1)).toMatchObject({ status: 409 });
    await undo(forOther.id);
    await keep(DEMO_PAGE_ID, 1);
    const again = await asked();
    expect(again.job.stock.find((s) => s.id === used.id)).toMatchObject({ reserved: false, quantity: whole });
    const stored = (
      await ask('post', `/api/pages/${DEMO_PAGE_ID}/plans`, { id: id(), basis: again.basis, plan: again.plan })
    ).body;
    const cut = (await ask('post', `/api/plans/${stored.id}/cut`, { id: id() })).body;
    expect((await item(used.id))?.reserves).toBeUndefined();
    sumsHold();
    await ask('post', `/api/cuttings/${cut.id}/undo`, { id: id() });
    expect((await item(used.id))!.reserves).toEqual([{ page: DEMO_PAGE_ID, count: 1 }]);
    const both = await step({ says: 'taken-out', change: [{ stock: used.id, by: -1, keep: { page: DEMO_PAGE_ID, count: whole } }] }); // prettier-ignore
    expect(both.status).toBe(409);
    // never is more kept than there is
    await step({ says: 'taken-out', change: [{ stock: used.id, by: -whole }] });
    sumsHold();
  });
});

test('a search is kept once, renamed and forgotten', async () => {
  const search: SavedSearch = { id: id(), name: 'for mats', line: 'reaches 4 1/2 x 6 1/2' };
  for (let i = 0; i < 2; i++) await ask('post', '/api/searches', search);
  await ask('post', '/api/searches', { ...search, name: 'for large mats' });
  expect((await ask('get', '/api/searches')).body).toEqual([{ ...search, name: 'for large mats' }]);
  expect((await ask('delete', `/api/searches/${search.id}`)).status).toBe(204);
  expect((await ask('delete', `/api/searches/${search.id}`)).status).toBe(404);
  expect((await ask('post', '/api/searches', { ...search, line: ' ' })).body).toMatchObject({ field: 'line' });
});

test('two hundred changes at the same time, from two sides, lose nothing and double nothing', async () => {
  const one = scrap({ quantity: 1000 });
  await step({ says: 'put-in', put: [one] });
  const R = seededRandom(200);
  const by = Array.from({ length: 200 }, () => Math.floor(R() * 9) - 4).map((n) => n || 5);
  const answers = await Promise.all(
    by.flatMap((n) => {
      const what = { id: id(), says: 'taken-out', change: [{ stock: one.id, by: n }] };
      // every one of them is sent by both tabs
      return [ask('post', '/api/drawer/steps', what), ask('post', '/api/drawer/steps', what)];
    }),
  );
  expect(answers.every((a) => a.status === 201)).toBe(true);
  expect((await item(one.id))!.quantity).toBe(1000 + by.reduce((a, b) => a + b, 0));
  expect(await history(one.id)).toHaveLength(201);
});

/** Longer with TEMNEX_OPERATIONS, as the soak runs it. */
const OPERATIONS = Number(process.env.TEMNEX_OPERATIONS ?? 40);
test(
  `the sums hold after every one of ${OPERATIONS} seeded operations`,
  async () => {
    const R = seededRandom(12);
    const upTo = (n: number) => Math.floor(R() * n);
    const taken: string[] = [];
    const pages = ((await ask('get', '/api/pages')).body as { id: string }[]).map((p) => p.id);
    let refused = 0;
    for (let n = 0; n < OPERATIONS; n++) {
      const { stock: there } = await drawer();
      const some = (most: number): StockItem[] => {
        const list = [...there];
        return Array.from({ length: 1 + upTo(most) }, () => list.splice(upTo(list.length), 1)).flat();
      };
      const what = upTo(7);
      const answer =
        what === 0 || there.length < 5
          ? await step({ says: 'put-in', put: [scrap({ quantity: 1 + upTo(5) }), scrap({ width: '7', height: '2' })] })
          : what === 1
            ? await step({
                says: 'taken-out',
                change: some(4).map((s) => ({ stock: s.id, by: -1 - upTo(s.quantity + 1) })),
              })
            : what === 2
              ? await step({ says: 'moved', change: some(4).map((s) => ({ stock: s.id, place: `box ${upTo(3)}` })) })
              : what === 3
                ? await step({
                    says: 'kept-for',
                    change: some(2).map((s) => ({
                      stock: s.id,
                      keep: { page: pages[upTo(pages.length)]!, count: upTo(4) },
                    })),
                  })
                : what === 4
                  ? await ask('post', `/api/stock/${some(1)[0]!.id}/movements`, {
                      id: id(),
                      why: 'corrected',
                      to: upTo(4),
                    })
                  : what === 5
                    ? await step({
                        says: 'held-back',
                        change: some(3).map((s) => ({ stock: s.id, reserved: R() < 0.5 })),
                      })
                    : taken.length
                      ? await undo(taken.splice(upTo(taken.length), 1)[0]!)
                      : null;
      if (answer && answer.status >= 400) {
        refused++;
        expect(['stock-changed', 'already-undone']).toContain(answer.body.code);
      } else if (answer?.body.says && what !== 6) taken.push(answer.body.id);
      sumsHold();
    }
    expect(refused).toBeLessThan(OPERATIONS / 2);
  },
  60_000 + OPERATIONS * 200,
);
