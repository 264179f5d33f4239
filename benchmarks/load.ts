import { randomUUID } from 'node:crypto';
import type { Drawer, Habits, Paper } from '@temnex/core/stock';
import { derivePage, type Page } from '@temnex/core/page';
import { planJob, readJob, seededRandom } from '@temnex/core/planner';
import { buildBasis, buildPageJob } from '@temnex/core/cutting';
import { ADDRESS } from './served.ts';

/*
 * What a server with a year of data does under load: a hundred mixed requests a second, and a class of thirty devices, each with a
 * session at the trimmer. Requests go out at their time, whether the ones before were answered or not, and are timed from then.
 */

const PER_SECOND = 100;
const SECONDS = 20;
/** A server that was just started runs code that it has never run: what it answers then is told apart. */
const FIRST_SECONDS = 10;
const DEVICES = 30;
const PRESSED_EVERY = 5_000;
const LESSON_MS = Number(process.env.TEMNEX_LESSON_SECONDS ?? 300) * 1000;

const json = async <T>(method: string, path: string, body?: object): Promise<T> => {
  const answer = await fetch(`${ADDRESS}${path}`, {
    method,
    ...(body ? { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {}),
  });
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${text.slice(0, 200)}`);
  return JSON.parse(text) as T;
};
const later = (ms: number) => new Promise((done) => setTimeout(done, Math.max(0, ms)));

const sorted = (times: readonly number[]) => [...times].sort((a, b) => a - b);
const shareOf = (times: readonly number[], share: number) =>
  sorted(times)[Math.min(times.length - 1, Math.floor(times.length * share))]!;
const told = (what: string, times: readonly number[], bars = ''): string =>
  `${what}: p50 ${shareOf(times, 0.5).toFixed(0)} ms, p99 ${shareOf(times, 0.99).toFixed(0)} ms, ${Math.max(...times).toFixed(0)} ms at most, of ${times.length}${bars}`;

interface Summary {
  readonly id: string;
  readonly name: string;
  readonly stage: string;
}
interface PageRecord {
  readonly id: string;
  readonly version: number;
  readonly document: Page;
}
type DrawerAnswer = Omit<Drawer, 'papers'> & {
  readonly papers: readonly (Paper & { readonly revision: number })[];
  readonly book: string;
  readonly seq: number;
};

/** A hundred mixed requests a second. */
export async function* mixed(): AsyncGenerator<string> {
  const R = seededRandom(28);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(R() * list.length)]!;
  const pages = await json<Summary[]>('GET', '/api/pages');
  const drawer = await json<DrawerAnswer>('GET', '/api/drawer');
  const open = pages.filter((p) => p.stage === 'papers').slice(0, 20);
  const saved = await Promise.all(open.map(({ id }) => json<PageRecord>('GET', `/api/pages/${id}`)));
  const versions = new Map(saved.map((page) => [page.id, page.version]));
  let { seq } = drawer;
  /** By what is asked: how often of a hundred, and how. A page is saved by one at a time, as its editor does. */
  const kinds: readonly (readonly [what: string, often: number, ask: () => Promise<unknown>])[] = [
    ['GET /api/pages', 8, () => json('GET', '/api/pages')],
    ['GET /api/pages/{id}', 18, () => json('GET', `/api/pages/${pick(pages).id}`)],
    ['GET /api/pages/{id}/plan', 10, () => json('GET', `/api/pages/${pick(pages).id}/plan`)],
    ['GET /api/pages/{id}/cuttings', 10, () => json('GET', `/api/pages/${pick(pages).id}/cuttings`)],
    [
      'GET /api/drawer, what changed',
      12,
      async () => {
        const found = await json<DrawerAnswer>('GET', `/api/drawer?book=${drawer.book}&since=${seq}`);
        seq = Math.max(seq, found.seq);
      },
    ],
    ['GET /api/habits', 10, () => json('GET', '/api/habits')],
    ['GET /api/record', 5, () => json('GET', `/api/record?after=${40 * Math.floor(R() * 5)}`)],
    ['GET /api/wanting', 3, () => json('GET', '/api/wanting')],
    ['GET /api/photos', 4, () => json('GET', '/api/photos')],
    ['GET /api/sessions', 4, () => json('GET', '/api/sessions')],
    [
      'POST /api/drawer/steps',
      6,
      () =>
        json('POST', '/api/drawer/steps', {
          id: randomUUID(),
          says: 'moved',
          change: [{ stock: pick(drawer.stock).id, place: `box ${Math.floor(R() * 90)}` }],
        }),
    ],
    [
      'PUT /api/pages/{id}',
      10,
      async () => {
        const page = saved.find(({ id }) => versions.has(id));
        if (!page) return;
        const version = versions.get(page.id)!;
        versions.delete(page.id);
        const document = { ...page.document, name: `Kite day ${Math.floor(R() * 1000)}` };
        const record = await json<PageRecord>('PUT', `/api/pages/${page.id}`, { version, document });
        versions.set(page.id, record.version);
      },
    ],
  ];
  const deck = kinds.flatMap(([what, often, ask]) => Array.from({ length: often }, () => ({ what, ask })));
  const askFor = async (seconds: number): Promise<Map<string, number[]>> => {
    const times = new Map<string, number[]>();
    const start = performance.now() + 100;
    const all: Promise<void>[] = [];
    for (let i = 0; i < PER_SECOND * seconds; i++) {
      const at = start + (i * 1000) / PER_SECOND;
      await later(at - performance.now());
      const { what, ask } = pick(deck);
      all.push(ask().then(() => void times.set(what, [...(times.get(what) ?? []), performance.now() - at])));
    }
    await Promise.all(all);
    return times;
  };
  const first = await askFor(FIRST_SECONDS);
  yield told(
    `${PER_SECOND} mixed requests a second, the first ${FIRST_SECONDS} s after the start`,
    [...first.values()].flat(),
  );
  const times = await askFor(SECONDS);
  yield told(`${PER_SECOND} mixed requests a second for ${SECONDS} s after that`, [...times.values()].flat(), ' (bar p99 100, none above 250)'); // prettier-ignore
  for (const [what, list] of [...times].sort(([, a], [, b]) => shareOf(b, 0.99) - shareOf(a, 0.99)))
    yield `  ${told(what, list)}`;
}

/** A session of its own for a page: an order planned in a hurry, kept, and begun; and how many steps it has. */
async function sessionFor(page: Summary): Promise<{ id: string; steps: number } | null> {
  const [{ document, version }, drawer, { habits, version: habitsVersion }] = await Promise.all([
    json<PageRecord>('GET', `/api/pages/${page.id}`),
    json<DrawerAnswer>('GET', '/api/drawer'),
    json<{ version: number; habits: Habits }>('GET', '/api/habits'),
  ]);
  const derived = derivePage(document);
  const { name, copies, spares, first } = document;
  const wanted = buildPageJob(name, derived, drawer, habits, [], { copies, spares, first });
  const read = wanted.ok ? readJob(wanted.job) : null;
  if (!read?.ok) return null;
  const plan = planJob({ ...read.job, nodes: 3 }, { now: () => 0 });
  const basis = buildBasis(version, derived.pieces, drawer.papers, habitsVersion, []);
  const kept = await json<{ id: string }>('POST', `/api/pages/${page.id}/plans`, { id: randomUUID(), basis, plan });
  const { session } = await json<{ session: { id: string } }>('POST', '/api/sessions', { id: randomUUID(), plan: kept.id }); // prettier-ignore
  return { id: session.id, steps: plan.steps.length };
}

/** Thirty devices, each at a session of its own, each told what happens in it, and pressing every five seconds. */
export async function* lesson(): AsyncGenerator<string> {
  const pages = (await json<Summary[]>('GET', '/api/pages')).filter((p) => p.stage === 'papers');
  const sessions: { id: string; steps: number }[] = [];
  for (const page of pages) {
    if (sessions.length === DEVICES) break;
    const session = await sessionFor(page);
    if (session && session.steps > 1) sessions.push(session);
  }
  const answered: number[] = [];
  const heard: number[] = [];
  const over = new AbortController();
  const pressedAt = new Map<string, number>();
  const listening = sessions.map(async ({ id }) => {
    const stream = await fetch(`${ADDRESS}/api/sessions/${id}/stream`, { signal: over.signal });
    const reader = stream.body!.pipeThrough(new TextDecoderStream()).getReader();
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      for (const [, event] of value.matchAll(/"id":"([0-9a-f-]{36})"/g)) {
        const at = pressedAt.get(event!);
        if (at !== undefined && pressedAt.delete(event!)) heard.push(performance.now() - at);
      }
    }
  });
  const start = performance.now();
  const sent = sessions.map(() => 0);
  await Promise.all(
    sessions.map(async ({ id, steps }, device) => {
      let step = 0;
      let since = 0;
      let way: 'done' | 'back' = 'done';
      for (let n = 0; n * PRESSED_EVERY < LESSON_MS; n++) {
        const at = start + n * PRESSED_EVERY + (device * PRESSED_EVERY) / DEVICES;
        await later(at - performance.now());
        if (way === 'done' && step === steps) way = 'back';
        if (way === 'back' && step === 0) way = 'done';
        const deed = { do: way, order: 0, step: way === 'done' ? step : step - 1 };
        step += way === 'done' ? 1 : -1;
        const event = { id: randomUUID(), at: new Date().toISOString(), device: `table ${device + 1}`, deed };
        pressedAt.set(event.id, performance.now());
        const { events } = await json<{ events: { seq: number }[] }>('POST', `/api/sessions/${id}/events`, {
          events: [event],
          since,
        });
        since = Math.max(since, ...events.map((e) => e.seq));
        answered.push(performance.now() - at);
        sent[device]!++;
      }
    }),
  );
  await later(500);
  over.abort();
  await Promise.allSettled(listening);
  let lost = 0;
  for (const [device, { id }] of sessions.entries()) {
    const { events } = await json<{ events: { idle: string | null }[] }>('GET', `/api/sessions/${id}`);
    lost += sent[device]! - events.filter((e) => e.idle === null).length;
  }
  const minutes = (LESSON_MS / 60_000).toFixed(1);
  yield told(`a class of ${sessions.length}, pressing every ${PRESSED_EVERY / 1000} s for ${minutes} min: a press answered`, answered, ' (bar p99 100)'); // prettier-ignore
  if (heard.length) yield told('  and told to who watches', heard);
  yield `  ${lost} of ${answered.length} presses lost (bar 0)`;
}
