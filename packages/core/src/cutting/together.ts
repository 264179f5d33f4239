import { TICKS_PER_UNIT, parseLength } from '../length/index.ts';
import {
  AIMS,
  planJobNested,
  type Aim,
  type Job,
  type JobDocument,
  type JobStock,
  type Plan,
  type PlanNode,
  type PlanWatch,
} from '../planner/index.ts';
import { collectLeftovers } from './blanksJob.ts';

/*
 * Several pages cut in one session: one job of all their pieces, each named with the bag that its page has. What it saves is told against
 * the pages one after the other, where each takes what the ones before it left, offcuts too.
 */

/** The bag of the nth page, from 0: a number, as sheets have letters. */
export const bagOf = (at: number): string => String(at + 1);

/** How a piece of a page is called among those of all, and which page and piece that is. */
const togetherId = (at: number, piece: string): string => `${bagOf(at)}:${piece}`;
export function parseTogetherId(id: string): { readonly bag: string; readonly piece: string } {
  const at = id.indexOf(':');
  return { bag: id.slice(0, at), piece: id.slice(at + 1) };
}

/** So long the pages of a session are planned. */
const SECONDS = 1.6;
export type MergedJob =
  | { readonly ok: true; readonly job: JobDocument }
  /** Pages, by their place, that are in another unit than the first. */
  | { readonly ok: false; readonly problem: { readonly code: 'other-unit'; readonly at: readonly number[] } };

/** The jobs of several pages as one; the finest mark of them holds for all. */
export function mergeJobs(name: string, jobs: readonly JobDocument[]): MergedJob {
  const [first, ...others] = jobs as readonly [JobDocument, ...JobDocument[]];
  const off = jobs.flatMap((job, i) => (job.unit === first.unit ? [] : [i]));
  if (off.length) return { ok: false, problem: { code: 'other-unit', at: off } };
  const once = <T extends { readonly id: string }>(lists: readonly (readonly T[])[]): T[] => [
    ...new Map(lists.flat().map((one) => [one.id, one])).values(),
  ];
  const step = (job: JobDocument) => {
    const read = parseLength(job.cutter?.step ?? 0, job.unit ?? 'in');
    return read.ok ? read.value.ticks : Infinity;
  };
  const finest = others.reduce((a, b) => (step(b) < step(a) ? b : a), first);
  return {
    ok: true,
    job: {
      ...first,
      name,
      version: jobs.some((job) => job.version === 3) ? 3 : 2,
      cutter: { ...finest.cutter },
      plan: { ...first.plan, seconds: SECONDS },
      papers: once(jobs.map((job) => job.papers)),
      stock: once(jobs.map((job) => job.stock)),
      pieces: jobs.flatMap((job, i) =>
        job.pieces.map((piece) => ({
          ...piece,
          id: togetherId(i, piece.id),
          name: `#${bagOf(i)} ${piece.name ?? piece.id}`,
        })),
      ),
    },
  };
}

/** What it would take to cut the pages one after the other. */
export interface OneByOneTotals {
  readonly missing: number;
  /** Of what is missing, in square units. */
  readonly missingArea: number;
  readonly newSheets: number;
  readonly newSheetArea: number;
  readonly cuts: number;
  readonly settings: number;
  /** The sheets of all of them, as an order for the job of all: what is planned together begins there. */
  readonly plan: Plan | null;
}

/** Steps of the search for each page by itself: pages are small. */
const STEPS = 10;

/**
 * Plans the pages of a job one after the other, by the bags of their pieces; each takes from what is left, and from what the ones before
 * it put back.
 */
export function planOneByOne(
  document: JobDocument,
  job: Job,
  { now, cancelled }: Pick<PlanWatch, 'now' | 'cancelled'>,
): OneByOneTotals {
  // nothing of it is told: an order of one page is none of all
  const watch = { now, ...(cancelled ? { cancelled } : {}) };
  const taken = new Map<string, number>();
  // offcuts that lie there now, each with the node of a sheet that it is
  let offcuts: { item: JobStock; node: PlanNode }[] = [];
  const sheets: Plan['sheets'] = [];
  let model: Plan | null = null;
  let made = 0;
  const sum = { missing: 0, missingArea: 0, newSheets: 0, newSheetArea: 0, cuts: 0, settings: 0 };
  const ticks = (n: number) => Math.round(n * TICKS_PER_UNIT[job.unit]) as JobStock['width'];
  const areas = new Map(job.pieces.map((p) => [p.id, (p.width * p.height) / TICKS_PER_UNIT[job.unit] ** 2]));
  for (const bag of new Set(job.pieces.map((p) => parseTogetherId(p.id).bag))) {
    const pieces = job.pieces.filter((p) => parseTogetherId(p.id).bag === bag);
    const wanted = new Set(pieces.flatMap((p) => p.papers));
    const left = job.stock.flatMap((s): JobStock[] => {
      const quantity = s.quantity - (taken.get(s.id) ?? 0);
      return quantity > 0 && wanted.has(s.paper.id) ? [{ ...s, quantity }] : [];
    });
    const own = offcuts.filter(({ item }) => wanted.has(item.paper.id));
    const page: Job = { ...job, pieces, stock: [...left, ...own.map(({ item }) => item)], nodes: STEPS };
    const plan = planJobNested(pageDocument(document, page), page, watch);
    model ??= plan;
    for (const { piece, quantity } of plan.missing) {
      sum.missing += quantity;
      sum.missingArea += quantity * (areas.get(piece) ?? 0);
    }
    for (const key of ['newSheets', 'newSheetArea', 'cuts', 'settings'] as const) sum[key] += plan.totals[key];
    const kinds = new Map(page.stock.map((s) => [s.id, s]));
    for (const { stock, tree } of plan.sheets) {
      const from = own.find(({ item }) => item.id === stock);
      const into = from?.node ?? null;
      const laid = into ? moved(tree, { x: into.x - tree.x, y: into.y - tree.y }) : moved(tree, { x: 0, y: 0 });
      if (into) {
        offcuts = offcuts.filter((one) => one !== from);
        delete into.holds;
        Object.assign(into, laid);
      } else {
        taken.set(stock, (taken.get(stock) ?? 0) + 1);
        sheets.push({ stock, copy: taken.get(stock)!, tree: laid });
      }
      const kind = kinds.get(stock)!;
      for (const node of keptIn(into ?? laid)) {
        if (offcuts.some((one) => one.node === node)) continue;
        const item: JobStock = {
          ...kind,
          id: `offcut ${++made}`,
          kind: 'scrap',
          quantity: 1,
          outline: null,
          uncut: [],
          width: ticks(node.width),
          height: ticks(node.height),
          trim: NO_TRIM,
        };
        offcuts.push({ node, item });
      }
    }
  }
  return { ...sum, plan: model && { ...(model as Plan), sheets, steps: [], missing: [] } };
}
const NO_TRIM = { left: 0, right: 0, top: 0, bottom: 0 } as JobStock['trim'];

/** The document of a page by itself; only what may be cut in blocks is read from it again. */
function pageDocument(document: JobDocument, page: Job): JobDocument {
  if (!page.pieces.some((p) => p.nest)) return document;
  const [pieces, stock] = [new Set(page.pieces.map((p) => p.id)), new Map(page.stock.map((s) => [s.id, s.quantity]))];
  return {
    ...document,
    pieces: document.pieces.filter((p) => pieces.has(p.id)),
    stock: document.stock.filter((s) => stock.has(s.id)).map((s) => ({ ...s, quantity: stock.get(s.id)! })),
  };
}

/** A tree of its own, moved to where it lies. */
function moved(node: PlanNode, by: { readonly x: number; readonly y: number }): PlanNode {
  const { parts, opening, ...rest } = node;
  return {
    ...rest,
    x: node.x + by.x,
    y: node.y + by.y,
    ...(parts ? { parts: parts.map((part) => moved(part, by)) } : {}),
    ...(opening ? { opening: moved(opening, by) } : {}),
  };
}

/** What a tree keeps, its openings too. */
function keptIn(node: PlanNode): PlanNode[] {
  if (node.holds === 'keep') return [node];
  return [...(node.parts ?? []), ...(node.opening ? [node.opening] : [])].flatMap(keptIn);
}

/** Of the time there is, what a first order may take before anything is compared, and what is for the last one. */
const SHARE = { first: 0.05, last: 0.4 } as const;

/**
 * Plans the pages of a job together, and one by one to be compared. A first order is told at once; then what the pages one
 * by one come to is where the search for all begins, so that it is not worse.
 */
export function planTogether(
  document: JobDocument,
  job: Job,
  watch: PlanWatch,
): { readonly plan: Plan; readonly alone: OneByOneTotals } {
  const within = (share: number): Job => ({ ...job, seconds: job.seconds * share });
  const first = planJobNested(document, within(SHARE.first), watch);
  watch.better?.(() => first);
  const alone = planOneByOne(document, job, watch);
  const then = planJobNested(document, within(SHARE.last), { ...watch, earlier: watch.earlier ?? alone.plan });
  return { plan: worseThan(then, first, job) ? first : then, alone };
}

/**
 * Plans the pages of a job together for each aim. What was found for one counts for all: each aim has the best by it of all of
 * these and of an earlier one, and what is proved of the paper for one is proved for all.
 */
export function planTogetherAims(document: JobDocument, job: Job, watch: PlanWatch): Plan[] {
  const made = AIMS.map((aim) => planTogether(document, { ...job, aim }, watch).plan);
  const all = watch.earlier ? [...made, watch.earlier] : made;
  const most = all.reduce((a, b) => (b.bound.newSheetArea > a.bound.newSheetArea ? b : a)).bound;
  return AIMS.map((aim): Plan => {
    const plan = all.reduce((best, one) => (worseThan(best, one, { ...job, aim }) ? one : best));
    const { settings } = plan.bound;
    const { settings: _, ...bound } = most;
    const proved = plan.status === 'complete' && plan.totals.newSheetArea <= bound.newSheetArea + 1e-9;
    return { ...plan, aim, bound: { ...bound, proved, ...(settings === undefined ? {} : { settings }) } };
  });
}

/** Of what a plan leaves out, in square units. */
export const missingAreaOfPlan = (job: Job, plan: Pick<Plan, 'missing'>): number => {
  const areas = new Map(job.pieces.map((p) => [p.id, p.width * p.height]));
  const sum = plan.missing.reduce((n, m) => n + m.quantity * (areas.get(m.piece) ?? 0), 0);
  return sum / TICKS_PER_UNIT[job.unit] ** 2;
};

/** Whether a plan leaves out more, or takes more new paper, or else is worse by its aim, than another for the same aim. */
function worseThan(a: Plan, b: Plan, job: Job): boolean {
  const figures = (p: Plan) => {
    const { newSheetArea, wasteArea, settings, cuts } = p.totals;
    const [largest] = collectLeftovers(p);
    const byAim: Readonly<Record<Aim, readonly number[]>> = {
      'least-paper': [],
      'easiest-cuts': [settings, cuts],
      'largest-offcuts': [largest ? -largest.sides[0] * largest.sides[1] : 0],
    };
    return [missingAreaOfPlan(job, p), newSheetArea, ...byAim[job.aim], wasteArea];
  };
  const [x, y] = [figures(a), figures(b)];
  const at = x.findIndex((n, i) => Math.abs(n - y[i]!) > 1e-9);
  return at >= 0 && x[at]! > y[at]!;
}
