import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { DEFAULT_RULES } from '@temnex/core/stock';
import { seededRandom } from '@temnex/core/planner';
import { ROUTES, drawerSchema, habitsRecordSchema, pageRecordSchema, pageSummarySchema } from '@temnex/contract';
import { z } from 'zod';
import { demoPapers, demoStock } from './demo/demoDrawer.ts';
import { DEMO_PAGE_ID, demoPage } from './demo/demoPages.ts';

/*
 * Asks every route for things it should not be asked for: bodies that were right once, with something in them changed, missing,
 * turned into something else, very large or very deep; ids of nothing; headers of another world. Nothing may end in a 500, and
 * whatever was taken must leave lists that can be read.
 */

export interface FuzzResult {
  readonly asked: number;
  readonly taken: number;
  /** What went wrong, each with its request. */
  readonly faults: readonly string[];
}

const NONSENSE: readonly unknown[] = [
  null, true, -1, 0, 1e9, 1e308, 0.1, '', ' ', '0', '-1', '1e5', '150', '150 in', '9999999', '1/0', '4 1/3', '½', '⅙', '\u0000', '\u200b', '\ud800',
  'x'.repeat(5000), '../..', '__proto__', '<svg onload=1>', [], {}, [[]], { x: 1 }, [null], '名前', '2026-02-30',
]; // prettier-ignore

export async function fuzz(app: NestExpressApplication, from: number, count: number): Promise<FuzzResult> {
  const http = app.getHttpServer();
  const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
  const faults: string[] = [];
  let taken = 0;
  const ids = [
    DEMO_PAGE_ID,
    ...demoPapers().map((p) => p.id),
    ...demoStock().map((s) => s.id),
    'nobody',
    '%00',
    '%F0%9F',
    'a'.repeat(300),
  ];
  const plan = (await local(request(http).get(`/api/pages/${DEMO_PAGE_ID}`))).body as object;
  const bodies = goodBodies(plan);
  for (let seed = from; seed < from + count; seed++) {
    const R = seededRandom(seed * 48611 + 17);
    const upTo = (n: number) => Math.floor(R() * n);
    const pick = <T>(list: readonly T[]): T => list[upTo(list.length)]!;
    const route = pick(ROUTES);
    const path = route.path.replaceAll('{id}', () => pick(ids));
    const query =
      route.query && R() < 0.5
        ? `?${pick(Object.keys(route.query.shape))}=${encodeURIComponent(String(pick(NONSENSE)).replace(/[\ud800-\udfff]/g, '?'))}`
        : '';
    const asked = local(request(http)[route.method](path + query));
    let body: unknown;
    let whole = true;
    if (route.body) {
      body = structuredClone(
        pick(
          R() < 0.8 ? (bodies[`${route.method} ${route.path}`] ?? [{ id: 'request-0' }]) : Object.values(bodies).flat(),
        ),
      );
      if (body && typeof body === 'object' && 'id' in body && R() < 0.9) body = { ...body, id: `fuzz-${seed}-request` };
      for (let n = upTo(4); n > 0; n--) {
        body = spoilt(body, R, pick);
        whole = false;
      }
      if (R() < 0.05)
        asked.set(
          'content-type',
          pick(['text/plain', 'application/json; charset=kite', 'application/x-www-form-urlencoded']),
        );
      else asked.set('content-type', 'application/json');
      if (R() < 0.03) asked.set('content-encoding', pick(['gzip', 'kite', 'br']));
    }
    const text = route.body ? (R() < 0.03 ? '{"a":'.repeat(2000) : JSON.stringify(body)) : undefined;
    const answer = await (text === undefined ? asked : asked.send(text)).catch((error: unknown) => ({
      status: 599,
      text: String(error),
      body: {},
    }));
    const said = `${seed} ${route.method} ${path} ${whole ? '' : (text ?? '').slice(0, 160)} → ${answer.status}`;
    if (answer.status >= 500 && answer.status !== 507) faults.push(`${said} ${answer.text?.slice(0, 200)}`);
    if (answer.status < 300) {
      taken++;
      if (route.method !== 'get') faults.push(...(await unreadable(http, said)));
    }
    if (answer.status >= 400 && answer.status < 500 && !(answer.body as { message?: unknown })?.message)
      faults.push(`${said}: no sentence`);
  }
  return { asked: count, taken, faults };
}

/** What is shown afterwards can be shown. */
async function unreadable(http: Parameters<typeof request>[0], said: string): Promise<string[]> {
  const get = (path: string) => request(http).get(path).set('Host', '127.0.0.1:4310');
  const faults: string[] = [];
  const holds = (what: string, schema: z.ZodType, body: unknown) => {
    const read = schema.safeParse(body);
    if (!read.success) faults.push(`${said}: then ${what} cannot be read (${read.error.issues[0]?.path.join('.')})`);
  };
  const drawer = (await get('/api/drawer')).body as { unreadable?: unknown[] };
  holds('the drawer', drawerSchema, drawer);
  if (drawer.unreadable?.length) faults.push(`${said}: then something in the drawer cannot be read`);
  holds('the habits', habitsRecordSchema, (await get('/api/habits')).body);
  const pages = (await get('/api/pages')).body as { id: string; unreadable: boolean }[];
  holds('the list of pages', z.array(pageSummarySchema), pages);
  const [latest] = pages;
  if (latest) holds('the latest page', pageRecordSchema, (await get(`/api/pages/${latest.id}`)).body);
  return faults;
}

function goodBodies(page: object): Record<string, unknown[]> {
  const [paper] = demoPapers();
  const stock = demoStock().map(({ origin: _origin, ...item }) => item);
  const document = demoPage();
  const id = 'request-0';
  const { habits } = {
    habits: {
      unit: 'in',
      cutter: { reach: '12 1/4 in', narrowest: '1/4 in', kerf: 0, stack: 1, long: 0, stop: false, knife: false },
      centres: null,
      keep: { shorter: '1 in', longer: '3 in' },
      aim: 'least-paper',
    },
  };
  return {
    'post /api/pages': [{ id, document }],
    'put /api/pages/{id}': [
      { version: 1, document },
      { ...page, createdAt: undefined },
    ],
    'post /api/papers': [{ id, name: paper!.name, sides: paper!.sides }],
    'put /api/papers/{id}': [{ name: paper!.name, sides: paper!.sides }],
    'post /api/stock': stock.map((item) => ({ ...item, id })),
    'patch /api/stock/{id}': [
      {},
      { reserved: true },
      { width: '5', height: '4' },
      { trim: { left: '1/2', right: 0, top: 0, bottom: 0 } },
      {
        uncut: [
          [
            [1, 1],
            [2, 2],
          ],
        ],
      },
      {
        outline: [
          [0, 0],
          [5, 0],
          [0, 4],
        ],
      },
    ],
    'post /api/stock/{id}/movements': [
      { id, why: 'added', by: 1 },
      { id, why: 'taken', by: 1 },
      { id, why: 'corrected', to: 4 },
    ],
    'post /api/drawer/steps': [
      { id, says: 'put-in', put: stock.slice(0, 3).map((item, i) => ({ ...item, id: `request-of-${i}` })) },
      { id, says: 'moved', change: stock.map((item) => ({ stock: item.id, place: 'box 3' })) },
      { id, says: 'taken-out', change: [{ stock: stock[0]!.id, by: -1, reserved: true }] },
      { id, says: 'kept-for', change: [{ stock: stock[1]!.id, keep: { page: DEMO_PAGE_ID, count: 1 } }] },
    ],
    'post /api/together': [
      {
        id,
        pages: [DEMO_PAGE_ID, 'demo-tideline'],
        basis: { pageVersion: 1, papers: {}, habits: 0, cuts: [] },
        plan: EMPTY_PLAN,
      },
    ],
    'post /api/challenges': [
      { id, name: 'narrow', line: 'narrower than 5', pieces: 60, from: '2026-05-01', to: '2026-05-06', rest: '' },
    ],
    'post /api/searches': [{ id, name: 'wide', line: 'reaches 9 x 9' }],
    'put /api/habits': [habits],
    'put /api/rules': [DEFAULT_RULES, { ...DEFAULT_RULES, sheetFrom: { shorter: '8', longer: '8' }, branding: true }],
    'post /api/pages/{id}/plans': [
      { id, basis: { pageVersion: 1, papers: {}, habits: 0, cuts: [] }, plan: EMPTY_PLAN },
      {
        id,
        basis: { pageVersion: 1, papers: {}, habits: 0, cuts: [] },
        plan: { ...EMPTY_PLAN, sheets: [{ stock: 's', copy: 1, tree: deep(1000) }] },
      },
    ],
    'post /api/plans/{id}/cut': [{ id }, { id, done: 3 }],
  };
}
const EMPTY_PLAN = {
  format: 'temnex-plan',
  version: 2,
  job: '',
  unit: 'in',
  aim: 'least-paper',
  status: 'complete',
  sheets: [],
  steps: [],
  missing: [],
  totals: {
    newSheets: 0,
    newSheetArea: 0,
    scraps: 0,
    usedArea: 0,
    pieceArea: 0,
    keptArea: 0,
    wasteArea: 0,
    kerfArea: 0,
    cuts: 0,
    settings: 0,
  },
  bound: { newSheetArea: 0, newSheets: 0, proved: false, how: 'area' },
};
const deep = (levels: number): object => {
  let node: object = { x: 0, y: 0, width: 1, height: 1, cut: null, holds: 'waste' };
  for (let i = 0; i < levels; i++)
    node = { x: 0, y: 0, width: 1, height: 1, cut: 'x', parts: [node, node].slice(0, 1) };
  return node;
};

/** One place in a body, somewhere, changed to what it should not be. */
function spoilt(body: unknown, R: () => number, pick: <T>(list: readonly T[]) => T): unknown {
  if (typeof body !== 'object' || body === null || R() < 0.15) return pick(NONSENSE);
  const keys = Object.keys(body);
  if (!keys.length) return pick(NONSENSE);
  const key = pick(keys);
  const copy = (Array.isArray(body) ? [...(body as unknown[])] : { ...body }) as Record<string, unknown>;
  const roll = R();
  if (roll < 0.1) delete copy[key];
  else if (roll < 0.15) copy[`${key}!`] = copy[key];
  else copy[key] = roll < 0.3 ? pick(NONSENSE) : spoilt(copy[key], R, pick);
  return copy;
}
