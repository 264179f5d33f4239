import type { Job, JobPiece, JobStock } from './job.ts';
import type { Held, Plan, PlanNode } from './plan.ts';

/*
 * The oracle: checks a plan against its job from the documents alone. It shares no code with the search, the
 * bounds or the step scheduler, so that a mistake there cannot hide here.
 */

/** A rule that a plan breaks, and where. `said` and `is` are lengths or areas in the job's unit, or names. */
export interface PlanFault {
  readonly code:
    | 'unit' | 'unknown-stock' | 'unknown-piece' | 'no-such-copy' | 'cut-twice' | 'held-back' | 'yields-nothing'
    | 'root-size' | 'empty-part' | 'malformed' | 'does-not-fill' | 'kerf' | 'beyond-reach' | 'too-narrow' | 'keep-rule'
    | 'size' | 'paper' | 'side' | 'direction' | 'count' | 'status' | 'totals' | 'bound'
    | 'step-part' | 'step-setting' | 'step-mark' | 'step-missing'; // prettier-ignore
  readonly where: string;
  readonly said?: number | string;
  readonly is?: number | string;
}

/** Half a tick: numbers in a plan are ticks divided by a constant, so this only absorbs floating point. */
const NEAR = 0.5;
const near = (a: number, b: number): boolean => Math.abs(a - b) <= NEAR;
const TICKS = { in: 24384, mm: 960 } as const;

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Every fault of a plan; none: it holds. */
export function verifyPlan(job: Job, plan: Plan): PlanFault[] {
  const faults: PlanFault[] = [];
  const fault = (code: PlanFault['code'], where: string, said?: number | string, is?: number | string): void => {
    faults.push({ code, where, ...(said === undefined ? {} : { said }), ...(is === undefined ? {} : { is }) });
  };
  if (plan.unit !== job.unit) {
    fault('unit', 'unit', plan.unit, job.unit);
    return faults;
  }
  const per = TICKS[job.unit];
  const boxOf = (n: PlanNode): Box => ({ x: n.x * per, y: n.y * per, width: n.width * per, height: n.height * per });
  const { kerf, reach, narrowest, step: mark } = job.cutter;
  const stock = new Map(job.stock.map((s) => [s.id, s]));
  const pieces = new Map(job.pieces.map((p) => [p.id, p]));
  const made = new Map<string, Set<number>>(job.pieces.map((p) => [p.id, new Set<number>()]));
  const sum = {
    newSheets: 0,
    newSheetArea: 0,
    scraps: 0,
    usedArea: 0,
    pieceArea: 0,
    keptArea: 0,
    wasteArea: 0,
    kerfArea: 0,
    cuts: 0,
  };

  const checkHeld = (held: Held, box: Box, item: JobStock, where: string): void => {
    const piece = pieces.get(held.piece);
    if (!piece) return fault('unknown-piece', where, held.piece);
    const copies = made.get(piece.id)!;
    if (held.copy < 1 || held.copy > piece.quantity) fault('no-such-copy', where, held.copy, piece.quantity);
    if (copies.has(held.copy)) fault('cut-twice', where, held.copy);
    copies.add(held.copy);
    const flat = held.turn === 90 || held.turn === 270;
    const [w, h] = flat ? [piece.height, piece.width] : [piece.width, piece.height];
    if (!near(box.width, w)) fault('size', where, box.width / per, w / per);
    if (!near(box.height, h)) fault('size', where, box.height / per, h / per);
    if (!piece.papers.includes(item.paper.id)) fault('paper', where, item.paper.id, piece.papers.join(', '));
    const face = item.paper.faces.find((f) => f.side === held.side);
    if (!face || (piece.side !== 'any' && piece.side !== held.side)) fault('side', where, held.side, piece.side);
    else if (!patternRuns(piece, item, held, face)) fault('direction', where, held.turn, piece.direction);
    sum.pieceArea += box.width * box.height;
  };

  const walk = (node: PlanNode, item: JobStock, where: string): void => {
    const box = boxOf(node);
    if (!(box.width > NEAR && box.height > NEAR)) return fault('empty-part', where);
    if (node.cut === null) {
      if (node.parts?.length) return fault('malformed', where);
      if (node.holds === 'keep' || node.holds === 'waste') {
        const [shorter, longer] = box.width < box.height ? [box.width, box.height] : [box.height, box.width];
        const keep = shorter >= job.keep.shorter - NEAR && longer >= job.keep.longer - NEAR;
        if (keep !== (node.holds === 'keep')) fault('keep-rule', where, node.holds, keep ? 'keep' : 'waste');
        sum[node.holds === 'keep' ? 'keptArea' : 'wasteArea'] += box.width * box.height;
      } else if (node.holds) checkHeld(node.holds, box, item, where);
      else fault('malformed', where);
      return;
    }
    const parts = node.parts ?? [];
    const lost = node.lost === undefined ? 0 : node.lost * per;
    if (node.holds !== undefined || parts.length < (lost ? 1 : 2)) return fault('malformed', where);
    if (node.lost !== undefined && (lost <= 0 || lost > kerf + NEAR)) fault('kerf', where, node.lost, kerf / per);
    const [from, along, across, other] =
      node.cut === 'x' ? (['x', 'width', 'height', 'y'] as const) : (['y', 'height', 'width', 'x'] as const);
    if (box[across] > reach + NEAR) fault('beyond-reach', where, box[across] / per, reach / per);
    let at = box[from];
    parts.forEach((part, i) => {
      const p = boxOf(part);
      if (!near(p[from], at) || !near(p[other], box[other]) || !near(p[across], box[across]))
        fault('does-not-fill', `${where}.${i}`);
      at += p[along] + (i + 1 < parts.length ? kerf : 0);
    });
    if (!near(at + lost, box[from] + box[along])) fault('does-not-fill', where);
    sum.cuts += parts.length - (lost ? 0 : 1);
    sum.kerfArea += ((parts.length - 1) * kerf + lost) * box[across];
    parts.forEach((part, i) => walk(part, item, `${where}.${i}`));
  };

  const taken = new Set<string>();
  plan.sheets.forEach((sheet, i) => {
    const where = `sheets[${i}]`;
    const item = stock.get(sheet.stock);
    if (!item) return fault('unknown-stock', where, sheet.stock);
    if (sheet.copy < 1 || sheet.copy > item.quantity) fault('no-such-copy', where, sheet.copy, item.quantity);
    const key = JSON.stringify([sheet.stock, sheet.copy]);
    if (taken.has(key)) fault('cut-twice', where, sheet.copy);
    taken.add(key);
    if (item.reserved) fault('held-back', where, sheet.stock);
    const { trim } = item;
    const room: Box = {
      x: trim.left,
      y: trim.bottom,
      width: item.width - trim.left - trim.right,
      height: item.height - trim.top - trim.bottom,
    };
    const root = boxOf(sheet.tree);
    for (const side of ['x', 'y', 'width', 'height'] as const)
      if (!near(root[side], room[side])) fault('root-size', `${where}.${side}`, root[side] / per, room[side] / per);
    const whole = item.width * item.height;
    sum.usedArea += whole;
    sum.wasteArea += whole - room.width * room.height;
    if (item.kind === 'sheet' || item.kind === 'pad') {
      sum.newSheets += 1;
      sum.newSheetArea += whole;
    } else sum.scraps += 1;
    const before = sum.pieceArea;
    walk(sheet.tree, item, where);
    if (sum.pieceArea === before) fault('yields-nothing', where);
  });

  const missing = new Map<string, number>();
  for (const m of plan.missing) missing.set(m.piece, (missing.get(m.piece) ?? 0) + m.quantity);
  for (const [id] of missing) if (!pieces.has(id)) fault('unknown-piece', 'missing', id);
  for (const piece of job.pieces) {
    const count = made.get(piece.id)!.size + (missing.get(piece.id) ?? 0);
    if (count !== piece.quantity) fault('count', piece.id, count, piece.quantity);
  }
  if (plan.status !== (missing.size ? 'short' : 'complete')) fault('status', 'status', plan.status);
  for (const [key, value] of Object.entries(sum) as [keyof typeof sum, number][]) {
    const is = key.endsWith('Area') ? value / per / per : value;
    if (Math.abs(plan.totals[key] - is) > 1e-6 * Math.max(1, is))
      fault('totals', `totals.${key}`, plan.totals[key], is);
  }
  if (plan.status === 'complete' && plan.bound.newSheetArea > plan.totals.newSheetArea + 1e-6)
    fault('bound', 'bound.newSheetArea', plan.bound.newSheetArea, plan.totals.newSheetArea);
  if (!faults.length) replay(job, plan, stock, pieces, per, mark, narrowest, fault);
  return faults;
}

/** Unit vectors, as drawn: the way the pattern runs on the paper as it lies, and the way the piece wants it. */
function patternRuns(
  piece: JobPiece,
  item: JobStock,
  held: Held,
  face: { direction: string; along: 'width' | 'height' },
): boolean {
  if (piece.direction === 'any' || face.direction === 'none') return true;
  const vector = (along: 'width' | 'height', turn: number): [number, number] => {
    let [x, y] = along === 'width' ? [held.side === 'B' ? -1 : 1, 0] : [0, 1];
    for (let t = 0; t < turn; t += 90) [x, y] = [-y, x];
    return [x, y];
  };
  const [px, py] = vector(face.along, item.turned);
  const [wx, wy] = vector(piece.direction, held.turn);
  const dot = px * wx + py * wy;
  return face.direction === 'one-way' ? dot === 1 : dot !== 0;
}

type Report = (code: PlanFault['code'], where: string, said?: number | string, is?: number | string) => void;

/** Carries the steps out: every part must be in hand when it is cut, every setting right, and every cut made once. */
function replay(
  job: Job,
  plan: Plan,
  stock: ReadonlyMap<string, JobStock>,
  pieces: ReadonlyMap<string, JobPiece>,
  per: number,
  mark: number | null,
  narrowest: number,
  fault: Report,
): void {
  const hands = plan.sheets.map(() => new Set(['r']));
  const toTrim = plan.sheets.map((s) => {
    const { trim } = stock.get(s.stock)!;
    return new Map(Object.entries(trim).filter(([, size]) => size > 0));
  });
  const settingsSeen: number[] = [];
  plan.steps.forEach((step, i) => {
    const where = `steps[${i}]`;
    settingsSeen.push(step.setting);
    if (step.sheets.length > job.cutter.stack || new Set(step.sheets).size !== step.sheets.length)
      fault('step-part', where, step.sheets.length, job.cutter.stack);
    for (const at of step.sheets) {
      const sheet = plan.sheets[at];
      if (!sheet) return fault('step-part', where, at);
      if (step.do === 'trim') {
        const size = toTrim[at]!.get(step.edge);
        if (size === undefined || !near(size, step.setting * per))
          fault('step-setting', where, step.setting, (size ?? 0) / per);
        toTrim[at]!.delete(step.edge);
        continue;
      }
      if (toTrim[at]!.size) fault('step-part', where, 'r');
      if (!hands[at]!.delete(step.part)) return fault('step-part', where, step.part);
      const [, path, from] = /^(r(?:\.\d+)*?)(?:\.(\d+)\+)?$/.exec(step.part) ?? [];
      const node = path === undefined ? undefined : nodeAt(sheet.tree, path);
      const first = Number(from ?? 0);
      const parts = node?.parts ?? [];
      const part = parts[first];
      if (!node?.cut || !part || step.off !== `${path}.${first}`) return fault('step-part', where, step.off);
      if (step.edge !== (node.cut === 'x' ? 'left' : 'bottom')) fault('step-part', where, step.edge);
      const size = node.cut === 'x' ? 'width' : 'height';
      if (!near(step.setting * per, part[size] * per)) fault('step-setting', where, step.setting, part[size]);
      if (mark && !onMark(part[size] * per, mark) && !holdsOddPiece(part, pieces, mark))
        fault('step-mark', where, step.setting);
      const after = parts.slice(first + 1);
      const left = after.reduce((all, p) => all + p[size] * per, 0) + Math.max(0, after.length - 1) * job.cutter.kerf;
      if (Math.max(left, part[size] * per) < narrowest - NEAR) fault('too-narrow', where, step.setting);
      const rest = !after.length ? null : `${path}.${first + 1}${after.length > 1 || node.lost ? '+' : ''}`;
      if (step.rest !== rest) fault('step-part', where, step.rest ?? 'nothing', rest ?? 'nothing');
      hands[at]!.add(step.off);
      if (rest) hands[at]!.add(rest);
    }
  });
  plan.sheets.forEach((sheet, i) => {
    for (const leaf of leavesOf(sheet.tree, 'r')) if (!hands[i]!.has(leaf)) fault('step-missing', `sheets[${i}]`, leaf);
  });
  const settings = settingsSeen.filter((s, i) => i === 0 || s !== settingsSeen[i - 1]).length;
  if (settings !== plan.totals.settings) fault('totals', 'totals.settings', plan.totals.settings, settings);
}

const onMark = (length: number, mark: number): boolean => Math.abs(length - Math.round(length / mark) * mark) <= NEAR;

function holdsOddPiece(node: PlanNode, pieces: ReadonlyMap<string, JobPiece>, mark: number): boolean {
  if (node.holds && typeof node.holds === 'object') {
    const piece = pieces.get(node.holds.piece)!;
    return !onMark(piece.width, mark) || !onMark(piece.height, mark);
  }
  return (node.parts ?? []).some((part) => holdsOddPiece(part, pieces, mark));
}

function nodeAt(tree: PlanNode, path: string): PlanNode | undefined {
  let node: PlanNode | undefined = tree;
  for (const index of path.split('.').slice(1)) node = node?.parts?.[Number(index)];
  return node;
}

function leavesOf(node: PlanNode, path: string): string[] {
  return node.cut ? (node.parts ?? []).flatMap((part, i) => leavesOf(part, `${path}.${i}`)) : [path];
}
