import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import request from 'supertest';
import { lengthOf } from '@temnex/core/length';
import { planJob, readJob, type Plan } from '@temnex/core/planner';
import { planTogether } from '@temnex/core/cutting';
import type { CuttingRecord, DrawerRecord, PageSummary, PlanRecord, Together } from '@temnex/contract';
import { demoPages } from '../demo/demoPages.ts';
import { PlansService } from './plans.service.ts';
import { testServer, type TestServer } from '../testing.ts';

let server: TestServer;
const id = () => randomUUID();
const ask = (method: 'get' | 'post' | 'put', path: string, body?: object) =>
  request(server.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
beforeAll(async () => void (server = await testServer()));
afterAll(() => server.stop());

const PAGES = demoPages()
  .slice(0, 3)
  .map((p) => p.id);
const asked = async (pages: readonly string[]) =>
  (await ask('get', `/api/together?pages=${pages.join()}`)).body as Together;
const planned = ({ job }: Together): Plan => {
  const read = readJob(job!);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return planTogether(job!, { ...read.job, nodes: 3 }, { now: () => 0 }).plan;
};
const drawer = async () => {
  const { stock } = (await ask('get', '/api/drawer')).body as DrawerRecord;
  return stock.map((s) => `${s.id} ${s.quantity}`).sort();
};
const cuttings = async (page: string) => (await ask('get', `/api/pages/${page}/cuttings`)).body as CuttingRecord[];

test('three pages are planned as one, kept, cut for each of them, and taken back as one', async () => {
  const together = await asked(PAGES);
  expect(together.pages.map((p) => p.bag)).toEqual(['1', '2', '3']);
  expect([together.problems, together.stored]).toEqual([[], null]);
  const plan = planned(together);
  expect(plan.status).toBe('complete');
  const what = { id: id(), pages: PAGES, basis: together.basis, plan };
  const kept = (await ask('post', '/api/together', what)).body as PlanRecord;
  expect(kept.together).toEqual(PAGES);
  expect((await asked(PAGES)).stored?.id).toBe(kept.id);
  // it is no order of any page by itself
  expect((await ask('get', `/api/pages/${PAGES[0]}/plan`)).body.plan).toBeNull();
  expect((await ask('get', `/api/plans/${kept.id}/print.pdf`)).status).toBe(200);

  const before = await drawer();
  const cut = (await ask('post', `/api/plans/${kept.id}/cut`, { id: id() })).body as CuttingRecord;
  const each = await Promise.all(PAGES.map(cuttings));
  expect(each.map((list) => list.length)).toEqual([1, 1, 1]);
  const pieces = each.flat().map((c) => c.pieces);
  expect(pieces.flat()).toHaveLength(
    together.job!.pieces.reduce((n: number, p: { quantity?: number }) => n + (p.quantity ?? 1), 0),
  );
  // each page has its own pieces, called as it calls them
  for (const list of pieces) for (const p of list) expect(p.piece).not.toContain(':');
  const stages = (await ask('get', '/api/pages')).body as PageSummary[];
  expect(PAGES.map((page) => stages.find((p) => p.id === page)!.stage)).toEqual(['cut', 'cut', 'cut']);
  expect(await drawer()).not.toEqual(before);
  expect((await asked(PAGES)).problems.map((p) => p.code)).toEqual(Array(3).fill('nothing-to-cut'));
  // pressed twice, or an order that is done
  expect(await ask('post', `/api/plans/${kept.id}/cut`, { id: id() })).toMatchObject({ status: 409 });

  // from whichever page it is taken back, it is for all
  await ask('post', `/api/cuttings/${each[1]![0]!.id}/undo`, { id: id() });
  expect((await Promise.all(PAGES.map(cuttings))).flat().every((c) => c.undoneAt)).toBe(true);
  expect(await drawer()).toEqual(before);
  expect(await ask('post', `/api/cuttings/${cut.id}/undo`, { id: id() })).toMatchObject({ status: 409 });
});

test('an order that was made from another state, or of something else, is refused', async () => {
  const together = await asked(PAGES);
  const plan = planned(together);
  const page = (await ask('get', `/api/pages/${PAGES[1]}`)).body;
  await ask('put', `/api/pages/${PAGES[1]}`, { version: page.version, document: { ...page.document, name: 'Other' } });
  const store = (more: object) =>
    ask('post', '/api/together', { id: id(), pages: PAGES, basis: together.basis, plan, ...more });
  expect((await store({})).body.code).toBe('out-of-date');
  const now = await asked(PAGES);
  expect((await store({ basis: now.basis, pages: PAGES.slice(0, 2) })).body.code).toBe('out-of-date');
  const moved = { ...plan, sheets: plan.sheets.slice(1) };
  expect((await store({ basis: now.basis, plan: moved })).body.code).toBe('plan-refused');
  expect((await store({ basis: now.basis })).status).toBe(201);
});

test('a page that is being cut is not cut with others as well: that is said at the start', async () => {
  const all = await asked(PAGES);
  const kept = (await ask('post', '/api/together', { id: id(), pages: PAGES, basis: all.basis, plan: planned(all) })).body; // prettier-ignore
  const { session } = (await ask('post', '/api/sessions', { id: id(), plan: kept.id })).body;
  const { basis, job } = server.app.get(PlansService).asked(PAGES[0]!, 'least-paper');
  const read = readJob(job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob({ ...read.job, nodes: 3 }, { now: () => 0 });
  const alone = (await ask('post', `/api/pages/${PAGES[0]}/plans`, { id: id(), basis, plan })).body;
  const begin = () => ask('post', '/api/sessions', { id: id(), plan: alone.id });
  // with nothing done in the other it may still be
  const events = [{ id: id(), at: new Date().toISOString(), deed: { do: 'done', order: 0, step: 0 } }];
  await ask('post', `/api/sessions/${session.id}/events`, { events, since: 0 });
  const refused = await begin();
  expect([refused.status, refused.body.code]).toEqual([409, 'in-use']);
  const back = [{ id: id(), at: new Date().toISOString(), deed: { do: 'back', order: 0, step: 0 } }];
  await ask('post', `/api/sessions/${session.id}/events`, { events: back, since: 0 });
  expect((await begin()).status).toBe(201);
});

test('what stands in the way is told with its page', async () => {
  const empty = (await ask('post', '/api/pages', { id: id(), document: { ...demoPages()[0]!.document, items: [] } }))
    .body;
  expect((await asked([PAGES[0]!, empty.id])).problems).toEqual([
    { page: empty.id, code: 'nothing-to-cut', parts: [] },
  ]);
  expect((await ask('get', `/api/together?pages=${PAGES[0]},nobody`)).status).toBe(404);
  expect((await ask('get', `/api/together?pages=${PAGES[0]}`)).body).toMatchObject({ field: 'pages' });
});

test('a job knows what other pages want, and of paper that none of them wants what was often cut', async () => {
  const own = await testServer();
  const at = (method: 'get' | 'post' | 'delete', path: string, body?: object) =>
    request(own.http)[method](path).set('Host', '127.0.0.1:4310').send(body);
  const wants = () => {
    const read = readJob(own.app.get(PlansService).asked(PAGES[0]!, 'least-paper').job);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    return new Map([...read.job.wants].map(([paper, sizes]) => [paper, sizes.map((s) => [s.width, s.height].join())]));
  };
  // all but two of them are taken out
  for (const { id: page } of demoPages())
    if (!PAGES.slice(0, 2).includes(page)) await at('delete', `/api/pages/${page}`);
  const before = wants();
  expect(before.size).toBeGreaterThan(0);
  // the same page twice, and both are cut
  const twin = (await at('post', '/api/pages', { id: id(), document: demoPages()[1]!.document })).body.id as string;
  const pages = [PAGES[1]!, twin];
  const together = (await at('get', `/api/together?pages=${pages.join()}`)).body as Together;
  expect(together.problems).toEqual([]);
  const stored = (await at('post', '/api/together', { id: id(), pages, basis: together.basis, plan: planned(together) })).body; // prettier-ignore
  const cut = (await at('post', `/api/plans/${stored.id}/cut`, { id: id() })).body as CuttingRecord;
  const after = wants();
  const fresh = [...after].filter(([paper]) => !before.has(paper));
  expect(fresh.length).toBeGreaterThan(0);
  const sizes = new Set(together.job!.pieces.map((p) => [lengthOf(p.width), lengthOf(p.height)].sort().join()));
  const isCut = (said: string) => sizes.has(said.split(',').map(Number).sort().join());
  for (const [, said] of fresh) expect([said.length > 0, said.every(isCut)]).toEqual([true, true]);
  // taken back, it was not cut
  await at('post', `/api/cuttings/${cut.id}/undo`, { id: id() });
  expect([...wants().keys()].filter((paper) => fresh.some(([one]) => one === paper && !before.has(one)))).toEqual([]);
  await own.stop();
});
