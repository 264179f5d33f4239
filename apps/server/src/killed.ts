import 'reflect-metadata';
import { writeSync } from 'node:fs';
import request from 'supertest';
import { planJob, readJob } from '@temnex/core/planner';
import { foldSession, buildTrimmerSteps, type SessionDeed } from '@temnex/core/trimmer';
import type { CuttingRecord, PageRecord, PlanRecord, SentEvents, Session } from '@temnex/contract';
import { createApplication } from './application.ts';
import { PlansService, readStoredJob } from './plans/plans.service.ts';
import { SessionsService } from './sessions/sessions.service.ts';
import { demoPapers } from './demo/demoDrawer.ts';
import { DEMO_PAGE_ID } from './demo/demoPages.ts';

/*
 * Saves, cuts, takes back and counts, all at once over and over, and says what was answered, until it is killed. Started by
 * kill.test.ts.
 */
const { app } = await createApplication({ databaseFile: process.argv[2]!, demo: true, quiet: true });
await app.init();
const http = app.getHttpServer();
const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
const OTHER_PAGE = 'demo-two-days';
const say = (what: string, ...more: (string | number)[]) => writeSync(1, `${[what, ...more].join(' ')}\n`);
let n = 0;
const id = () => `${process.pid}-${Date.now()}-${++n}`;
const send = async <T>(method: 'post' | 'put', path: string, body: object): Promise<T | null> => {
  const { status, body: answer } = await local(request(http)[method](path).send(body));
  return status < 300 ? (answer as T) : null;
};

async function saving(): Promise<void> {
  const { body } = (await local(request(http).get('/api/pages/the-only-page'))) as unknown as { body: PageRecord };
  let { version } = body;
  for (;;) {
    const document = { ...body.document, name: `saved as ${version + 1}` };
    const saved = await send<PageRecord>('put', '/api/pages/the-only-page', { version, document });
    if (saved) say('saved', (version = saved.version));
  }
}

async function cutting(): Promise<void> {
  // a kill may have come between a cut and its taking back
  const { body: before } = await local(request(http).get(`/api/pages/${DEMO_PAGE_ID}/cuttings`));
  for (const cut of before as CuttingRecord[])
    if (!cut.undoneAt) await send('post', `/api/cuttings/${cut.id}/undo`, { id: id() });
  const asked = () => app.get(PlansService).asked(DEMO_PAGE_ID, 'least-paper');
  const read = readJob(asked().job);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  const plan = planJob({ ...read.job, nodes: 5 }, { now: () => performance.now() });
  for (;;) {
    // once it is taken back, everything is as it was, and so is the plan
    const { basis } = asked();
    const stored = await send<PlanRecord>('post', `/api/pages/${DEMO_PAGE_ID}/plans`, { id: id(), basis, plan });
    const cut = stored && (await send<CuttingRecord>('post', `/api/plans/${stored.id}/cut`, { id: id() }));
    if (!cut) continue;
    say('cut', cut.id);
    if (await send<CuttingRecord>('post', `/api/cuttings/${cut.id}/undo`, { id: id() })) say('undone', cut.id);
  }
}

async function counting(): Promise<void> {
  // of a paper that no page wishes for, so that orders stay what they are
  const { sides } = demoPapers()[0]!;
  await send('post', '/api/papers', { id: 'tally-paper', name: 'Tally', sides });
  const size = { unit: 'in', width: '5', height: '3', quantity: 1, kind: 'scrap' };
  await send('post', '/api/stock', { id: 'tally-stock', paper: 'tally-paper', ...size });
  for (;;) {
    const movement = { id: id(), why: 'added', by: 1 };
    if (await send('post', '/api/stock/tally-stock/movements', movement)) say('counted', movement.id);
  }
}

/** Puts three in at once, moves them, takes them out again and undoes it: each step is whole or was never taken. */
async function drawerSteps(): Promise<void> {
  const { sides } = demoPapers()[0]!;
  await send('post', '/api/papers', { id: 'steps-paper', name: 'Steps', sides });
  for (;;) {
    const put = [1, 2, 3].map((i) => ({
      id: id(),
      paper: 'steps-paper',
      unit: 'in',
      width: String(i + 1),
      height: '3',
      quantity: i,
      kind: 'scrap',
    }));
    const step = { id: id(), says: 'put-in', put };
    if (await send('post', '/api/drawer/steps', step)) say('stepped', step.id);
    const change = put.map((item) => ({ stock: item.id, place: 'box 1', by: -1 }));
    const out = { id: id(), says: 'taken-out', change };
    if (!(await send('post', '/api/drawer/steps', out))) continue;
    say('stepped', out.id);
    if (await send('post', `/api/drawer/steps/${out.id}/undo`, { id: id() })) say('unstepped', out.id);
  }
}
/** Cuts another page step by step at the trimmer: on and back, one torn and right after all, put down and taken back. */
async function atTheTrimmer(): Promise<void> {
  const open = (): Session | null => {
    const [latest] = app.get(SessionsService).list(OTHER_PAGE);
    return latest ? app.get(SessionsService).one(latest.id) : null;
  };
  while (!open()) {
    const { job, basis } = app.get(PlansService).asked(OTHER_PAGE, 'least-paper');
    const read = readJob(job);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const plan = planJob({ ...read.job, nodes: 5 }, { now: () => performance.now() });
    const stored = await send<PlanRecord>('post', `/api/pages/${OTHER_PAGE}/plans`, { id: id(), basis, plan });
    if (stored) await send('post', '/api/sessions', { id: id(), plan: stored.id });
  }
  const lengths = new Map<string, number>();
  for (let turn = 0; ; turn++) {
    const { session, events, plans: orders } = open()!;
    for (const order of orders)
      if (!lengths.has(order.id)) lengths.set(order.id, buildTrimmerSteps(readStoredJob(order), order.plan).length);
    const stepsOf = (plan: string) => lengths.get(plan)!;
    const { state } = foldSession(orders[0]!.id, events.map((e) => e.event), stepsOf); // prettier-ignore
    const { order, at, phase } = state;
    const deed: SessionDeed =
      phase === 'over'
        ? { do: 'on', order }
        : phase === 'waiting'
          ? { do: 'right', order }
          : turn % 9 === 8 && at > 0
            ? { do: 'back', order, step: at - 1 }
            : turn % 13 === 12
              ? { do: 'wrong', order, step: at, spoiled: [] }
              : at < stepsOf(state.plans[order]!)
                ? { do: 'done', order, step: at }
                : { do: 'end', order };
    const event = { id: id(), at: new Date().toISOString(), deed };
    const sent = await send<SentEvents>('post', `/api/sessions/${session.id}/events`, { events: [event] });
    if (sent && !sent.refused) say('pressed', event.id);
  }
}
await Promise.all([cutting(), saving(), counting(), drawerSteps(), atTheTrimmer()]);
