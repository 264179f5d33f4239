import type { z } from 'zod';
import { isSelfCrossing, type Point, type Size } from '../../geometry/index.ts';
import {
  parseLength,
  ticks,
  TICKS_PER_UNIT,
  type LengthProblem,
  type LengthText,
  type Ticks,
} from '../../length/index.ts';
import { readFinish } from './finishing.ts';
import type { Cutter, Job, JobIssue, JobPaper, JobPiece, JobProblem, JobStock, ReadJob } from './job.ts';
import { findBlockFaults } from './blocks.ts';
import { jobSchema, newInVersion2, newInVersion3 } from './jobDocument.ts';

/** A Zod issue as an issue of ours: the length problem it carries, or what was expected. */
export function issueFromZod(issue: z.core.$ZodIssue): JobIssue {
  const path = issue.path.map((p) => (typeof p === 'number' ? p : String(p)));
  if (issue.code === 'custom' && issue.params?.problem) return { path, problem: issue.params.problem as LengthProblem };
  if (issue.code === 'unrecognized_keys') return { path, problem: { code: 'unknown-key', keys: issue.keys } };
  if (issue.code === 'invalid_value')
    return { path, problem: { code: 'wrong-value', expected: issue.values.map(String).join(' or ') } };
  if (issue.code === 'invalid_type' && / received undefined$/.test(issue.message))
    return { path, problem: { code: 'left-out' } };
  if (issue.code === 'invalid_type') return { path, problem: { code: 'wrong-kind', expected: issue.expected } };
  if (issue.code === 'too_big' && issue.inclusive !== false)
    return { path, problem: { code: 'too-much', of: issue.origin, limit: Number(issue.maximum) } };
  if (issue.code === 'too_small' && issue.inclusive !== false)
    return { path, problem: { code: 'too-little', of: issue.origin, limit: Number(issue.minimum) } };
  return { path, problem: { code: 'schema', message: issue.message } };
}

/** Copies that can be planned at once, and kinds of piece times kinds of stock that can be looked at side by side. */
const MAX_PIECES = 30_000;
const MAX_PAIRS = 2_000_000;

/** What cannot be planned in any time worth waiting for is said before it is begun. */
function tooMuch({ pieces, stock }: z.infer<typeof jobSchema>): JobIssue | null {
  const count = pieces.reduce((sum, p) => sum + p.quantity, 0);
  if (count > MAX_PIECES) return { path: ['pieces'], problem: { code: 'too-many-pieces', count, most: MAX_PIECES } };
  if (pieces.length * stock.length <= MAX_PAIRS) return null;
  const most = Math.floor(MAX_PAIRS / pieces.length);
  return {
    path: ['stock'],
    problem: { code: 'too-much-at-once', pieces: pieces.length, stock: stock.length, most },
  };
}

/**
 * Reads a job document: checks it against the schema, turns every length into ticks (rounded once, to the
 * nearest) and resolves references. Never throws; what this version cannot honour is an issue, not ignored.
 */
export function readJob(document: unknown): ReadJob {
  const parsed = jobSchema.safeParse(document);
  if (!parsed.success) return { ok: false, issues: parsed.error.issues.map(issueFromZod) };
  const d = parsed.data;
  const beyond = tooMuch(d);
  if (beyond) return { ok: false, issues: [beyond] };
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
  if (d.version < 3) for (const path of newInVersion3(d)) fail(path, { code: 'needs-version', version: 3 });
  const reach = (outline: readonly Point[], axis: 'x' | 'y', i: number): Ticks => {
    const values = outline.map((p) => p[axis]);
    if (Math.min(...values) !== 0) fail(['stock', i, 'outline'], { code: 'outline-not-at-corner' });
    else if (axis === 'x' && isSelfCrossing(outline)) fail(['stock', i, 'outline'], { code: 'outline-crosses-itself' });
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
    const inside = (key: 'opening' | 'from' | 'join' | 'ends' | 'least', field: string, value: LengthText) =>
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
    const ends = p.ends && {
      along: p.ends.along,
      from: inside('ends', 'from', p.ends.from),
      to: inside('ends', 'to', p.ends.to),
    };
    if (ends && (ends.from >= ends.to || ends.to >= (ends.along === 'width' ? width : height)))
      fail(['pieces', i, 'ends'], { code: 'ends-outside' });
    if (join && (join.from > join.to || join.to >= (join.along === 'width' ? width : height)))
      fail(['pieces', i, 'join'], { code: 'join-outside' });
    const least = p.least && {
      width: inside('least', 'width', p.least.width),
      height: inside('least', 'height', p.least.height),
    };
    if (least && (least.width > width || least.height > height))
      fail(['pieces', i, 'least'], { code: 'least-too-large' });
    const block = p.block && {
      of: p.block.of,
      each: {
        width: length(p.block.each.width, 'pieces', i, 'block', 'each', 'width'),
        height: length(p.block.each.height, 'pieces', i, 'block', 'each', 'height'),
      },
      outline: p.block.outline.map((c, j) => at(c, 'pieces', i, 'block', 'outline', j)),
      places: p.block.places.map(([x, y, degrees], j) => ({
        ...at([x, y], 'pieces', i, 'block', 'places', j),
        degrees,
      })),
    };
    if (block)
      for (const { place, problem } of findBlockFaults(block, { width, height }))
        fail(['pieces', i, 'block', 'places', place], problem);
    if (p.nest && !p.shape) fail(['pieces', i, 'nest'], { code: 'nest-without-shape' });
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
      ends: ends ?? null,
      least: least ?? null,
      finish: (p.finish ?? []).map((f, j) =>
        readFinish(f, (value, ...field) => length(value, 'pieces', i, 'finish', j, ...field)),
      ),
      shape: p.shape?.map((c, j) => at(c, 'pieces', i, 'shape', j)) ?? null,
      nest: p.nest ? { turning: p.nest.turning, apart: length(p.nest.apart, 'pieces', i, 'nest', 'apart') } : null,
      block: block ?? null,
    };
  });
  const wants = new Map<string, Size[]>();
  d.wants?.forEach((want, i) => {
    const size = { width: length(want.width, 'wants', i, 'width'), height: length(want.height, 'wants', i, 'height') };
    for (const paper of want.papers) wants.set(paper, [...(wants.get(paper) ?? []), size]);
  });
  const inch = TICKS_PER_UNIT.in;
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
    order: d.plan.order ?? 'by-setting',
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
    wants,
  };
  return issues.length ? { ok: false, issues } : { ok: true, job };
}
