import { z } from 'zod';
import { crossesItself, type Finish, type Point } from '../geometry/index.ts';
import {
  lengthText,
  parseLength,
  ticks,
  type LengthProblem,
  type LengthText,
  type Ticks,
  type Unit,
} from '../length/index.ts';
import { finishSchema, readFinish, shapeSchema } from './finishing.ts';

/*
 * The job format, versions 1 and 2: what is asked of the planner. Lengths are text as typed, or numbers in `unit`. What
 * version 2 adds is marked; a version 1 document that uses it is refused.
 */

const size = lengthText();
const margin = lengthText({ allow: 'zero' });
const name = z.string().max(200);
const id = z.string().min(1).max(100);

export const faceSchema = z.strictObject({
  side: z.enum(['A', 'B']),
  name: name.optional(),
  direction: z.enum(['none', 'two-way', 'one-way']).default('none'),
  along: z.enum(['width', 'height']).default('height'),
});

const point = z.tuple([margin, margin]);
const cutterKeys = {
  step: size.nullable().default(null),
  reach: size.nullable().default(null),
  narrowest: margin.default(0),
  stack: z.int().min(1).max(100).default(1),
  /** Version 2: how much longer than its setting it cuts. */
  long: lengthText({ allow: 'negative' }).optional(),
  /** Version 2: what the person calls it. */
  name: name.optional(),
};

export const jobSchema = z.strictObject({
  format: z.literal('temnex-job'),
  version: z.literal([1, 2]),
  name: name.default(''),
  unit: z.enum(['in', 'mm']).default('in'),
  cutter: z
    .strictObject({
      ...cutterKeys,
      kerf: margin.default(0),
      /** Version 2: a cut may stop short of the far edge. */
      stop: z.boolean().optional(),
      /** Version 2: what is taken up where this one cannot, most liked first. */
      then: z.array(z.strictObject(cutterKeys)).max(5).optional(),
    })
    .prefault({}),
  plan: z
    .strictObject({
      aim: z.enum(['least-paper', 'easiest-cuts', 'largest-offcuts']).default('least-paper'),
      seconds: z.number().min(0).max(600).default(1),
      nodes: z.int().min(0).nullable().default(null),
      seed: z.int().default(1),
      keep: z.strictObject({ shorter: margin.optional(), longer: margin.optional() }).prefault({}),
    })
    .prefault({}),
  papers: z
    .array(z.strictObject({ id, name: name.optional(), sides: z.array(faceSchema).min(1).max(2).optional() }))
    .max(5000),
  stock: z
    .array(
      z.strictObject({
        id,
        paper: id,
        /** Version 2: may be left out where there is an outline. */
        width: size.optional(),
        height: size.optional(),
        quantity: z.int().min(1).max(1_000_000).default(1),
        /** Version 2: the corners of an odd scrap, in order round it. */
        outline: z.array(point).min(3).max(200).optional(),
        /** Version 2: lines on the paper that no cut may cross. */
        uncut: z
          .array(z.tuple([point, point]))
          .max(50)
          .optional(),
        kind: z.enum(['sheet', 'pad', 'scrap', 'strip']).default('sheet'),
        trim: z
          .strictObject({
            left: margin.default(0),
            right: margin.default(0),
            top: margin.default(0),
            bottom: margin.default(0),
          })
          .prefault({}),
        turned: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]).default(0),
        reserved: z.boolean().default(false),
      }),
    )
    .max(50_000),
  pieces: z
    .array(
      z.strictObject({
        id,
        name: name.optional(),
        width: size,
        height: size,
        quantity: z.int().min(1).max(1_000_000).default(1),
        papers: z.array(id).min(1),
        side: z.enum(['A', 'B', 'any']).default('any'),
        direction: z.enum(['width', 'height', 'any']).default('any'),
        priority: z.number().default(1),
        opening: z.strictObject({ x: margin, y: margin, width: size, height: size }).nullable().optional(),
        from: z.strictObject({ stock: id, x: margin, y: margin }).nullable().optional(),
        /** Version 2: where the piece may be made of two, the join being hidden: between these places along an edge. */
        join: z
          .strictObject({ along: z.enum(['width', 'height']), from: margin, to: margin, overlap: margin })
          .optional(),
        /** Version 2: how small it may be made where less of it is tucked under. */
        least: z.strictObject({ width: size, height: size }).optional(),
        /** Version 2: what is done to it by hand once it is cut, in order. */
        finish: z.array(finishSchema).max(200).optional(),
        /** Version 2: what it looks like then. */
        shape: shapeSchema.optional(),
      }),
    )
    .min(1)
    .max(10_000),
});
export type JobDocument = z.input<typeof jobSchema>;

export type Side = 'A' | 'B';
export type Turn = 0 | 90 | 180 | 270;
export type Aim = z.infer<typeof jobSchema>['plan']['aim'];
export type StockKind = 'sheet' | 'pad' | 'scrap' | 'strip';
export interface Face {
  readonly side: Side;
  readonly direction: 'none' | 'two-way' | 'one-way';
  readonly along: 'width' | 'height';
}
export interface JobPaper {
  readonly id: string;
  readonly name: string;
  readonly faces: readonly Face[];
}
export interface JobStock {
  readonly id: string;
  readonly paper: JobPaper;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly quantity: number;
  readonly kind: StockKind;
  readonly trim: Readonly<Record<'left' | 'right' | 'top' | 'bottom', Ticks>>;
  readonly turned: Turn;
  readonly reserved: boolean;
  /** Corners of an odd scrap, in order round it; null where it is a rectangle. */
  readonly outline: readonly Point[] | null;
  readonly uncut: readonly (readonly [Point, Point])[];
}
export interface Rectangle {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface Cutter {
  readonly name: string;
  readonly step: Ticks | null;
  /** Infinity where there is no limit. */
  readonly reach: number;
  readonly narrowest: Ticks;
  readonly stack: number;
  /** How much longer than its setting it cuts; below 0: shorter. */
  readonly long: number;
}
export interface JobPiece {
  readonly id: string;
  readonly name: string;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly quantity: number;
  /** Ids of acceptable papers, best first. */
  readonly papers: readonly string[];
  readonly side: Side | 'any';
  readonly direction: 'width' | 'height' | 'any';
  readonly priority: number;
  /** The hidden centre that may be cut out and used. */
  readonly opening: Rectangle | null;
  /** Where it must be cut from: a stock id, and its lower left corner there. */
  readonly from: { readonly stock: string; readonly x: Ticks; readonly y: Ticks } | null;
  readonly join: {
    readonly along: 'width' | 'height';
    readonly from: Ticks;
    readonly to: Ticks;
    readonly overlap: Ticks;
  } | null;
  readonly least: { readonly width: Ticks; readonly height: Ticks } | null;
  /** What is done to it by hand once it is cut, in order. */
  readonly finish: readonly Finish[];
  /** What it looks like then, by its corners; null: as it was cut. */
  readonly shape: readonly Point[] | null;
}
/** A job that has been read: everything in ticks, every reference resolved. */
export interface Job {
  readonly name: string;
  readonly unit: Unit;
  readonly version: 1 | 2;
  readonly cutter: Cutter & {
    readonly kerf: Ticks;
    /** Whether a cut may stop short of the far edge. */
    readonly stop: boolean;
    /** What is taken up where this one cannot, most liked first. */
    readonly then: readonly Cutter[];
  };
  readonly aim: Aim;
  readonly seconds: number;
  readonly nodes: number | null;
  readonly seed: number;
  readonly keep: { readonly shorter: Ticks; readonly longer: Ticks };
  readonly papers: readonly JobPaper[];
  readonly stock: readonly JobStock[];
  readonly pieces: readonly JobPiece[];
}

export type JobProblem =
  | LengthProblem
  | { code: 'schema'; message: string }
  | { code: 'unknown-key'; keys: readonly string[] }
  | { code: 'wrong-value'; expected: string }
  | { code: 'used-twice'; id: string }
  | { code: 'unknown-paper'; id: string }
  | { code: 'side-twice'; side: Side }
  | { code: 'trim-too-wide' }
  | { code: 'opening-outside' }
  | { code: 'unknown-stock'; id: string }
  | { code: 'needs-version'; version: 2 }
  | { code: 'outline-not-at-corner' }
  | { code: 'outline-crosses-itself' }
  | { code: 'outline-size' }
  | { code: 'join-outside' }
  | { code: 'least-too-large' }
  | { code: 'missing' };
/** Where in the document, and what. */
export interface JobIssue {
  readonly path: readonly (string | number)[];
  readonly problem: JobProblem;
}
export type ReadJob = { ok: true; job: Job } | { ok: false; issues: readonly JobIssue[] };

/** A Zod issue as an issue of ours: the length problem it carries, or what was expected. */
export function issueOf(issue: z.core.$ZodIssue): JobIssue {
  const path = issue.path.map((p) => (typeof p === 'number' ? p : String(p)));
  if (issue.code === 'custom' && issue.params?.problem) return { path, problem: issue.params.problem as LengthProblem };
  if (issue.code === 'unrecognized_keys') return { path, problem: { code: 'unknown-key', keys: issue.keys } };
  if (issue.code === 'invalid_value')
    return { path, problem: { code: 'wrong-value', expected: issue.values.map(String).join(' or ') } };
  return { path, problem: { code: 'schema', message: issue.message } };
}

/**
 * Reads a job document: checks it against the schema, turns every length into ticks (rounded once, to the
 * nearest) and resolves references. Never throws; what this version cannot honour is an issue, not ignored.
 */
export function readJob(document: unknown): ReadJob {
  const parsed = jobSchema.safeParse(document);
  if (!parsed.success) return { ok: false, issues: parsed.error.issues.map(issueOf) };
  const d = parsed.data;
  const issues: JobIssue[] = [];
  const fail = (path: (string | number)[], problem: JobProblem) => void issues.push({ path, problem });
  const length = (value: LengthText, ...path: (string | number)[]): Ticks => {
    const read = parseLength(value, d.unit, { allow: 'zero' });
    if (read.ok) return read.value.ticks;
    fail(path, read.problem);
    return ticks(0);
  };
  const optional = (value: LengthText | null | undefined, otherwise: number, ...path: (string | number)[]) =>
    value == null ? otherwise : length(value, ...path);
  const signed = (value: LengthText, ...path: (string | number)[]): number => {
    const read = parseLength(value, d.unit, { allow: 'negative' });
    if (!read.ok) fail(path, read.problem);
    return read.ok ? read.value.ticks : 0;
  };
  const unique = (list: readonly { id: string }[], field: string) => {
    const seen = new Set<string>();
    list.forEach((entry, i) => {
      if (seen.has(entry.id)) fail([field, i, 'id'], { code: 'used-twice', id: entry.id });
      seen.add(entry.id);
    });
  };
  unique(d.papers, 'papers');
  unique(d.stock, 'stock');
  unique(d.pieces, 'pieces');

  if (d.version === 1) for (const path of newInVersion2(d)) fail(path, { code: 'needs-version', version: 2 });
  const reach = (outline: readonly Point[], axis: 'x' | 'y', i: number): Ticks => {
    const values = outline.map((p) => p[axis]);
    if (Math.min(...values) !== 0) fail(['stock', i, 'outline'], { code: 'outline-not-at-corner' });
    else if (axis === 'x' && crossesItself(outline)) fail(['stock', i, 'outline'], { code: 'outline-crosses-itself' });
    return ticks(Math.max(...values));
  };

  const papers = new Map<string, JobPaper>();
  d.papers.forEach((p, i) => {
    const faces = p.sides ?? [{ side: 'A' as const, direction: 'none' as const, along: 'height' as const }];
    if (faces.length === 2 && faces[0]!.side === faces[1]!.side)
      fail(['papers', i, 'sides'], { code: 'side-twice', side: faces[0]!.side });
    papers.set(p.id, {
      id: p.id,
      name: p.name ?? p.id,
      faces: faces.map(({ side, direction, along }) => ({ side, direction, along })),
    });
  });
  const at = (p: readonly [LengthText, LengthText], ...path: (string | number)[]): Point => ({
    x: length(p[0], ...path, 0),
    y: length(p[1], ...path, 1),
  });
  const stock = d.stock.map((s, i): JobStock => {
    const outline = s.outline?.map((p, j) => at(p, 'stock', i, 'outline', j)) ?? null;
    const extent = outline && { width: reach(outline, 'x', i), height: reach(outline, 'y', i) };
    const along = (key: 'width' | 'height'): Ticks => {
      const given = s[key];
      if (given === undefined && !extent) fail(['stock', i, key], { code: 'missing' });
      if (given === undefined) return extent?.[key] ?? ticks(0);
      const is = length(given, 'stock', i, key);
      if (extent && is !== extent[key]) fail(['stock', i, key], { code: 'outline-size' });
      return is;
    };
    const paper = papers.get(s.paper);
    if (!paper) fail(['stock', i, 'paper'], { code: 'unknown-paper', id: s.paper });
    const edge = (e: 'left' | 'right' | 'top' | 'bottom') => length(s.trim[e], 'stock', i, 'trim', e);
    const item = {
      id: s.id,
      paper: paper ?? { id: s.paper, name: s.paper, faces: [] },
      width: along('width'),
      height: along('height'),
      quantity: s.quantity,
      outline,
      uncut: (s.uncut ?? []).map(
        ([a, b], j) => [at(a, 'stock', i, 'uncut', j, 0), at(b, 'stock', i, 'uncut', j, 1)] as const,
      ),
      kind: s.kind,
      trim: { left: edge('left'), right: edge('right'), top: edge('top'), bottom: edge('bottom') },
      turned: s.turned,
      reserved: s.reserved,
    };
    const t = item.trim;
    if (t.left + t.right >= item.width || t.top + t.bottom >= item.height)
      fail(['stock', i, 'trim'], { code: 'trim-too-wide' });
    return item;
  });
  const pieces = d.pieces.map((p, i): JobPiece => {
    p.papers.forEach((paper, j) => {
      if (!papers.has(paper)) fail(['pieces', i, 'papers', j], { code: 'unknown-paper', id: paper });
    });
    if (p.from && !d.stock.some((s) => s.id === p.from!.stock))
      fail(['pieces', i, 'from', 'stock'], { code: 'unknown-stock', id: p.from.stock });
    const inside = (key: 'opening' | 'from' | 'join' | 'least', field: string, value: LengthText) =>
      length(value, 'pieces', i, key, field);
    const width = length(p.width, 'pieces', i, 'width');
    const height = length(p.height, 'pieces', i, 'height');
    const opening = p.opening && {
      x: inside('opening', 'x', p.opening.x),
      y: inside('opening', 'y', p.opening.y),
      width: inside('opening', 'width', p.opening.width),
      height: inside('opening', 'height', p.opening.height),
    };
    if (opening && (opening.x + opening.width > width || opening.y + opening.height > height))
      fail(['pieces', i, 'opening'], { code: 'opening-outside' });
    const join = p.join && {
      along: p.join.along,
      from: inside('join', 'from', p.join.from),
      to: inside('join', 'to', p.join.to),
      overlap: inside('join', 'overlap', p.join.overlap),
    };
    if (join && (join.from > join.to || join.to >= (join.along === 'width' ? width : height)))
      fail(['pieces', i, 'join'], { code: 'join-outside' });
    const least = p.least && {
      width: inside('least', 'width', p.least.width),
      height: inside('least', 'height', p.least.height),
    };
    if (least && (least.width > width || least.height > height))
      fail(['pieces', i, 'least'], { code: 'least-too-large' });
    return {
      id: p.id,
      name: p.name ?? p.id,
      width,
      height,
      quantity: p.quantity,
      papers: p.papers,
      side: p.side,
      direction: p.direction,
      priority: p.priority,
      opening: opening ?? null,
      from: p.from ? { stock: p.from.stock, x: inside('from', 'x', p.from.x), y: inside('from', 'y', p.from.y) } : null,
      join: join ?? null,
      least: least ?? null,
      finish: (p.finish ?? []).map((f, j) =>
        readFinish(f, (value, ...field) => length(value, 'pieces', i, 'finish', j, ...field)),
      ),
      shape: p.shape?.map((c, j) => at(c, 'pieces', i, 'shape', j)) ?? null,
    };
  });
  const inch = 24384;
  const cutterOf = (c: (typeof d.cutter.then & object)[number], ...path: (string | number)[]): Cutter => ({
    name: c.name ?? '',
    step: c.step === null ? null : length(c.step, ...path, 'step'),
    reach: optional(c.reach, Infinity, ...path, 'reach'),
    narrowest: length(c.narrowest, ...path, 'narrowest'),
    stack: c.stack,
    long: c.long === undefined ? 0 : signed(c.long, ...path, 'long'),
  });
  const job: Job = {
    name: d.name,
    unit: d.unit,
    version: d.version,
    cutter: {
      ...cutterOf(d.cutter, 'cutter'),
      kerf: length(d.cutter.kerf, 'cutter', 'kerf'),
      stop: d.cutter.stop ?? false,
      then: (d.cutter.then ?? []).map((c, i) => cutterOf(c, 'cutter', 'then', i)),
    },
    aim: d.plan.aim,
    seconds: d.plan.seconds,
    nodes: d.plan.nodes,
    seed: d.plan.seed,
    keep: {
      shorter: ticks(optional(d.plan.keep.shorter, inch, 'plan', 'keep', 'shorter')),
      longer: ticks(optional(d.plan.keep.longer, 3 * inch, 'plan', 'keep', 'longer')),
    },
    papers: [...papers.values()],
    stock,
    pieces,
  };
  return issues.length ? { ok: false, issues } : { ok: true, job };
}

/** Where a document uses what only version 2 has. */
function newInVersion2(d: z.output<typeof jobSchema>): (string | number)[][] {
  const found: (string | number)[][] = [];
  const look = (entry: object, keys: readonly string[], ...path: (string | number)[]) => {
    for (const key of keys) if ((entry as Record<string, unknown>)[key] !== undefined) found.push([...path, key]);
  };
  look(d.cutter, ['long', 'name', 'stop', 'then'], 'cutter');
  d.stock.forEach((s, i) => look(s, ['outline', 'uncut'], 'stock', i));
  d.pieces.forEach((p, i) => look(p, ['join', 'least', 'finish', 'shape'], 'pieces', i));
  return found;
}
