import type { Cutter, Job, JobPiece, JobStock } from '../documents/job.ts';
import type { Plan, PlanNode, Step } from '../documents/plan.ts';
import type { Report } from './faults.ts';
import { NEAR, near, type Box } from './near.ts';
import { within, type Corner, type Size } from './outlines.ts';

/*
 * A table, a fence and a pair of hands: carries the steps of a plan out on paper that knows nothing of the plan's tree. Each
 * part in hand is a rectangle of its sheet; a step may be made only if somebody could make it:
 *
 *      fence
 *        |  off  |k|   rest        dial > 0, the line within reach, one side wide enough to hold,
 *        |       |k|               nothing that stays whole in the kerf k,
 *        |<-set->|k|               the setting on the mark of the cutter that makes the cut
 *
 * and what lies on the table in the end must be what the plan says.
 */

/** No fence is set nearer to a blade than this: 1/64 in. */
const THINNEST = 381;

type Axis = 'x' | 'y';
const along = (axis: Axis) => (axis === 'x' ? ('width' as const) : ('height' as const));
const other = (axis: Axis): Axis => (axis === 'x' ? 'y' : 'x');
const AXIS_OF = { left: 'x', right: 'x', bottom: 'y', top: 'y' } as const;

/** One sheet on the table: what is in hand of it, by name, and which of its edges are still to be trimmed. */
interface Lying {
  readonly item: JobStock;
  readonly tree: PlanNode;
  readonly hands: Map<string, Box>;
  readonly toTrim: Map<string, number>;
  /** By path of a windmill: how many of its four lines are cut. */
  readonly lines: Map<string, number>;
}

export function simulateCuts(
  job: Job,
  plan: Plan,
  stock: ReadonlyMap<string, JobStock>,
  pieces: ReadonlyMap<string, JobPiece>,
  per: number,
  fault: Report,
): void {
  const cutters = [job.cutter, ...job.cutter.then];
  const { kerf } = job.cutter;
  const stack = Math.min(...cutters.map((c) => c.stack));
  const table = plan.sheets.map(({ stock: id, tree }): Lying => {
    const item = stock.get(id)!;
    const whole = { x: 0, y: 0, width: item.width, height: item.height };
    const toTrim = new Map(Object.entries(item.trim).filter(([, size]) => size > 0));
    return { item, tree, hands: new Map([['r', whole]]), toTrim, lines: new Map() };
  });

  /** A cut that begins at `from` and goes to `to`; the kerf lies beyond `at`, or before it where the rest is kept. */
  const sparesLines = (item: JobStock, axis: Axis, at: number, kerfTo: number, from: number, to: number): boolean =>
    item.uncut.every(([p, q]) => !crosses(p, q, axis, Math.min(at, kerfTo), Math.max(at, kerfTo), from, to));

  const able = (c: Cutter, length: number, setting: number, rest: number): boolean =>
    length <= c.reach + NEAR && Math.max(setting, rest) >= c.narrowest - NEAR && setting - c.long > NEAR;

  /** Whether the cutter that a step names can make the cut. */
  const checkCutter = (step: Exclude<Step, { do: 'open' }>, length: number, rest: number, where: string): void => {
    const setting = step.setting * per;
    const by = step.by ?? 0;
    const cutter = cutters[by]!;
    if (able(cutter, length, setting, rest)) return;
    if (setting - cutter.long <= NEAR) fault('dial', where, step.setting - cutter.long / per, 0);
    else if (length > cutter.reach + NEAR) fault('beyond-reach', where, length / per, cutter.reach / per);
    else fault('too-narrow', where, step.setting, cutter.narrowest / per);
  };

  const trim = (step: Extract<Step, { do: 'trim' }>, sheet: Lying, where: string): void => {
    const setting = step.setting * per;
    const size = sheet.toTrim.get(step.edge);
    const box = sheet.hands.get('r');
    if (size === undefined || !near(size, setting) || !box)
      return fault('step-setting', where, step.setting, (size ?? 0) / per);
    sheet.toTrim.delete(step.edge);
    const axis = AXIS_OF[step.edge];
    const across = other(axis);
    const length = box[along(across)];
    checkCutter(step, length, box[along(axis)] - setting, where);
    const low = step.edge === 'left' || step.edge === 'bottom';
    const at = low ? box[axis] + setting : box[axis] + box[along(axis)] - setting;
    const beyond = low ? at - kerf : at + kerf;
    if (!sparesLines(sheet.item, axis, at, beyond, box[across], box[across] + length))
      fault('cut-through', where, at / per);
    sheet.hands.set('r', {
      ...box,
      [axis]: low ? at : box[axis],
      [along(axis)]: box[along(axis)] - setting,
    });
  };

  const cut = (step: Extract<Step, { do: 'cut' }>, sheet: Lying, where: string): void => {
    const [, path, from] = PART.exec(step.part) ?? [];
    const node = path === undefined ? undefined : nodeAt(sheet.tree, path);
    const first = Number(from ?? 0);
    const part = node?.parts?.[first];
    const box = sheet.hands.get(step.part)!;
    sheet.hands.delete(step.part);
    if (!node?.cut || node.cut === 'windmill' || !part || step.off !== `${path}.${first}`)
      return fault('step-part', where, step.off);
    const axis = node.cut;
    const size = along(axis);
    if (step.edge !== (axis === 'x' ? 'left' : 'bottom')) fault('step-part', where, step.edge);
    const setting = step.setting * per;
    if (!near(setting, part[size] * per)) fault('step-setting', where, step.setting, part[size]);
    if (setting < Math.min(THINNEST, smallestOf(part, pieces)) - NEAR) fault('sliver', where, step.setting);
    const after = node.parts!.length - first - 1;
    // beyond the kerf of the last cut nothing need be left
    const left = Math.max(0, box[size] - setting - kerf);
    const across = other(axis);
    const at = box[axis] + setting;
    checkCutter(step, box[along(across)], left, where);
    if (!sparesLines(sheet.item, axis, at, at + kerf, box[across], box[across] + box[along(across)]))
      fault('cut-through', where, at / per);
    const mark = cutters[step.by ?? 0]!.step;
    const boxOfNode = toTicks(node, per);
    // an odd scrap is squared along drawn lines
    const squared = sheet.item.outline && !within(sheet.item.outline, boxOfNode);
    const free = squared || holdsOddPiece(part, pieces, mark ?? 1) || besidePin(job, sheet.item, axis, at);
    if (mark && !free && !onMark(setting, mark)) fault('step-mark', where, step.setting);
    const rest = after === 0 ? null : `${path}.${first + 1}${after > 1 || node.lost ? '+' : ''}`;
    if (step.rest !== rest) fault('step-part', where, step.rest ?? 'nothing', rest ?? 'nothing');
    sheet.hands.set(step.off, { ...box, [size]: setting });
    if (rest) sheet.hands.set(rest, { ...box, [axis]: at + kerf, [size]: left });
  };

  const open = (step: Extract<Step, { do: 'open' }>, sheet: Lying, where: string): void => {
    const node = nodeAt(sheet.tree, step.part);
    const box = sheet.hands.get(step.part)!;
    sheet.hands.delete(step.part);
    if (!node?.opening || step.off !== `${step.part}.o`) return fault('step-part', where, step.off);
    const centre = toTicks(node.opening, per);
    for (const axis of ['x', 'y'] as const) {
      const across = other(axis);
      const [from, to] = [centre[across] - kerf, centre[across] + centre[along(across)] + kerf];
      const end = centre[axis] + centre[along(axis)];
      for (const [at, kerfTo] of [
        [centre[axis], centre[axis] - kerf],
        [end, end + kerf],
      ] as const)
        if (!sparesLines(sheet.item, axis, at, kerfTo, from, to)) fault('cut-through', where, at / per);
    }
    sheet.hands.set(`${step.part}.opened`, box).set(step.off, centre);
  };

  const stop = (step: Extract<Step, { do: 'stop' }>, sheet: Lying, where: string): void => {
    const box = sheet.hands.get(step.part)!;
    sheet.hands.delete(step.part);
    const node = nodeAt(sheet.tree, step.part);
    const want = node && stopLines(node)[step.line - 1];
    if (!want || (sheet.lines.get(step.part) ?? 0) !== step.line - 1) return fault('step-part', where, step.line);
    sheet.lines.set(step.part, step.line);
    const [setting, until] = [step.setting * per, step.until * per];
    if (step.edge !== want.edge || !near(setting, want.setting * per) || !near(until, want.until * per))
      fault('step-setting', where, step.setting, want.setting);
    const axis = AXIS_OF[step.edge];
    const across = other(axis);
    checkCutter(step, Math.max(box.width, box.height), box[along(axis)] - setting - kerf, where);
    const at = box[axis] + setting;
    // the first two begin at the lower left, the others at the far ends
    const [low, high] = [box[across], box[across] + box[along(across)]];
    const [from, to] = step.line <= 2 ? [low, low + until] : [high - until, high];
    if (!sparesLines(sheet.item, axis, at, at + kerf, from, to)) fault('cut-through', where, at / per);
    const mark = cutters[step.by ?? 0]!.step;
    if (mark && !onMark(setting, mark) && !holdsOddPiece(node, pieces, mark)) fault('step-mark', where, step.setting);
    if (step.line < 4) sheet.hands.set(step.part, box);
    else node.parts!.forEach((part, n) => sheet.hands.set(`${step.part}.${n}`, toTicks(part, per)));
  };

  plan.steps.forEach((step, i) => {
    const where = `steps[${i}]`;
    if (step.sheets.length > stack || new Set(step.sheets).size !== step.sheets.length)
      fault('step-part', where, step.sheets.length, stack);
    if (step.do !== 'open') {
      const cutter = cutters[step.by ?? 0];
      if (!cutter) return fault('step-part', where, step.by);
      const dial = step.setting - cutter.long / per;
      if (!near((step.dial ?? step.setting) * per, dial * per)) fault('step-setting', where, step.dial, dial);
    }
    let under: Box | null = null;
    for (const at of step.sheets) {
      const sheet = table[at];
      if (!sheet) return fault('step-part', where, at);
      if (step.do === 'trim') {
        trim(step, sheet, where);
        continue;
      }
      const part = sheet.hands.get(step.part);
      if (sheet.toTrim.size || !part) return fault('step-part', where, step.part);
      // what lies on what under the blade is alike
      if (under && !(near(under.width, part.width) && near(under.height, part.height)))
        fault('step-part', where, step.part);
      under = part;
      if (step.do === 'open') open(step, sheet, where);
      else if (step.do === 'stop') stop(step, sheet, where);
      else cut(step, sheet, where);
    }
  });
  table.forEach(({ tree, hands }, i) => {
    for (const [leaf, node] of leavesOf(tree, 'r')) {
      const lies = hands.get(leaf);
      const said = toTicks(node, per);
      if (!lies) fault('step-missing', `sheets[${i}]`, leaf);
      else if ((['x', 'y', 'width', 'height'] as const).some((side) => !near(lies[side], said[side])))
        fault('step-missing', `sheets[${i}].${leaf}`, `${node.width} x ${node.height}`);
    }
  });
  const settings = plan.steps.flatMap((s) => (s.do === 'open' ? [] : [s.setting]));
  const count = settings.filter((s, i) => i === 0 || s !== settings[i - 1]).length;
  if (count !== plan.totals.settings) fault('totals', 'totals.settings', plan.totals.settings, count);
}

const PART = /^(r(?:\.[\do]+)*?)(?:\.(\d+)\+)?$/;

const toTicks = (n: PlanNode, per: number): Box => ({
  x: n.x * per,
  y: n.y * per,
  width: n.width * per,
  height: n.height * per,
});

/**
 * Whether a line that must stay whole is cut through, or eaten by the kerf: whether it comes into the band from `low` to `high`
 * (a line alone, where the kerf is 0) between `from` and `to`, touching its borders allowed.
 */
function crosses(p: Corner, q: Corner, axis: Axis, low: number, high: number, from: number, to: number): boolean {
  const across = other(axis);
  const [a, b] = p[axis] <= q[axis] ? [p, q] : [q, p];
  // nothing of it lies beyond the border of the band on one side
  if (b[axis] <= low + NEAR || a[axis] >= high - NEAR) return false;
  const meets = (at: number) => a[across] + ((at - a[axis]) / (b[axis] - a[axis])) * (b[across] - a[across]);
  const level = b[axis] - a[axis] <= NEAR;
  const [s, t] = level
    ? [a[across], b[across]]
    : [meets(Math.max(a[axis], low)), meets(Math.min(b[axis], Math.max(high, low)))];
  return Math.max(s, t) > from + NEAR && Math.min(s, t) < to - NEAR;
}

/** The narrowest side of any piece in a part: what somebody asks for may be as narrow as they like. */
function smallestOf(node: PlanNode, pieces: ReadonlyMap<string, JobPiece>): number {
  if (node.holds && typeof node.holds === 'object') {
    const piece = pieces.get(node.holds.piece)!;
    return Math.min(piece.width, piece.height);
  }
  return Math.min(Infinity, ...(node.parts ?? []).map((part) => smallestOf(part, pieces)));
}

/** Along a pinned piece, a cut is where the piece is, on the mark or not. */
const besidePin = (job: Job, item: JobStock, cut: Axis, end: number): boolean =>
  job.pieces.some((p) => {
    if (p.from?.stock !== item.id) return false;
    const at = p.from[cut];
    return [at - job.cutter.kerf, at + p.width, at + p.height].some((edge) => near(edge, end));
  });

/** What a windmill's four cuts must be: lower left upright and level, then the two that free the other arms. */
function stopLines(node: PlanNode): { edge: string; setting: number; until: number }[] {
  if (node.cut !== 'windmill') return [];
  const [ll, lr, ur, ul] = node.parts!.map((p) => ({ w: p.width, h: p.height })) as [Size, Size, Size, Size];
  return [
    { edge: 'left', setting: ll.w, until: Math.max(ll.h, lr.h) },
    { edge: 'bottom', setting: ll.h, until: Math.max(ll.w, ul.w) },
    { edge: 'bottom', setting: lr.h, until: Math.max(lr.w, ur.w) },
    { edge: 'left', setting: ul.w, until: Math.max(ul.h, ur.h) },
  ];
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
  for (const index of path.split('.').slice(1)) node = index === 'o' ? node?.opening : node?.parts?.[Number(index)];
  return node;
}

/** What lies on the table in the end, by name. */
function leavesOf(node: PlanNode, path: string): [string, PlanNode][] {
  if (node.opening) return [[`${path}.opened`, node], ...leavesOf(node.opening, `${path}.o`)];
  return node.cut ? (node.parts ?? []).flatMap((part, i) => leavesOf(part, `${path}.${i}`)) : [[path, node]];
}
