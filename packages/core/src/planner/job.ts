import { z } from 'zod';
import {
  lengthText,
  parseLength,
  ticks,
  type LengthProblem,
  type LengthText,
  type Ticks,
  type Unit,
} from '../length/index.ts';

/* The job format, version 1: what is asked of the planner. Lengths are text as typed, or numbers in `unit`. */

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

export const jobSchema = z.strictObject({
  format: z.literal('temnex-job'),
  version: z.literal(1),
  name: name.default(''),
  unit: z.enum(['in', 'mm']).default('in'),
  cutter: z
    .strictObject({
      step: size.nullable().default(null),
      reach: size.nullable().default(null),
      narrowest: margin.default(0),
      kerf: margin.default(0),
      stack: z.int().min(1).max(100).default(1),
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
        width: size,
        height: size,
        quantity: z.int().min(1).max(1_000_000).default(1),
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
}
/** A job that has been read: everything in ticks, every reference resolved. */
export interface Job {
  readonly name: string;
  readonly unit: Unit;
  readonly cutter: {
    readonly step: Ticks | null;
    /** Infinity where there is no limit. */
    readonly reach: number;
    readonly narrowest: Ticks;
    readonly kerf: Ticks;
    readonly stack: number;
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
  | { code: 'not-supported'; feature: 'from' };
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
  const stock = d.stock.map((s, i): JobStock => {
    const paper = papers.get(s.paper);
    if (!paper) fail(['stock', i, 'paper'], { code: 'unknown-paper', id: s.paper });
    const edge = (e: 'left' | 'right' | 'top' | 'bottom') => length(s.trim[e], 'stock', i, 'trim', e);
    const item = {
      id: s.id,
      paper: paper ?? { id: s.paper, name: s.paper, faces: [] },
      width: length(s.width, 'stock', i, 'width'),
      height: length(s.height, 'stock', i, 'height'),
      quantity: s.quantity,
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
    if (p.from) fail(['pieces', i, 'from'], { code: 'not-supported', feature: 'from' });
    const piece = {
      id: p.id,
      name: p.name ?? p.id,
      width: length(p.width, 'pieces', i, 'width'),
      height: length(p.height, 'pieces', i, 'height'),
      quantity: p.quantity,
      papers: p.papers,
      side: p.side,
      direction: p.direction,
      priority: p.priority,
    };
    if (p.opening) {
      const o = p.opening;
      const at = (key: 'x' | 'y' | 'width' | 'height') => length(o[key], 'pieces', i, 'opening', key);
      if (at('x') + at('width') > piece.width || at('y') + at('height') > piece.height)
        fail(['pieces', i, 'opening'], { code: 'opening-outside' });
    }
    return piece;
  });
  const inch = 24384;
  const job: Job = {
    name: d.name,
    unit: d.unit,
    cutter: {
      step: d.cutter.step === null ? null : length(d.cutter.step, 'cutter', 'step'),
      reach: optional(d.cutter.reach, Infinity, 'cutter', 'reach'),
      narrowest: length(d.cutter.narrowest, 'cutter', 'narrowest'),
      kerf: length(d.cutter.kerf, 'cutter', 'kerf'),
      stack: d.cutter.stack,
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
