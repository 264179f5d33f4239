import type { Cutter, Job, JobPiece, JobStock } from '../documents/job.ts';
import type { Plan, PlanNode } from '../documents/plan.ts';
import type { Report } from './faults.ts';
import { NEAR, near } from './near.ts';
import { within, type Size } from './outlines.ts';

/** Carries the steps out: every part must be in hand when it is cut, every setting right, and every cut made once. */
export function replay(
  job: Job,
  plan: Plan,
  stock: ReadonlyMap<string, JobStock>,
  pieces: ReadonlyMap<string, JobPiece>,
  per: number,
  fault: Report,
): void {
  const hands = plan.sheets.map(() => new Set(['r']));
  const toTrim = plan.sheets.map((s) => {
    const { trim } = stock.get(s.stock)!;
    return new Map(Object.entries(trim).filter(([, size]) => size > 0));
  });
  const cutters = [job.cutter, ...job.cutter.then];
  const stack = Math.min(...cutters.map((c) => c.stack));
  const settingsSeen: number[] = [];
  const lines = new Map<string, number>();
  plan.steps.forEach((step, i) => {
    const where = `steps[${i}]`;
    if (step.sheets.length > stack || new Set(step.sheets).size !== step.sheets.length)
      fault('step-part', where, step.sheets.length, stack);
    const by = step.do === 'open' ? 0 : (step.by ?? 0);
    const cutter = cutters[by];
    if (!cutter) return fault('step-part', where, by);
    if (step.do !== 'open') {
      settingsSeen.push(step.setting);
      const dial = step.setting - cutter.long / per;
      if (!near((step.dial ?? step.setting) * per, dial * per)) fault('step-setting', where, step.dial, dial);
    }
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
      const [, path, from] = /^(r(?:\.[\do]+)*?)(?:\.(\d+)\+)?$/.exec(step.part) ?? [];
      const node = path === undefined ? undefined : nodeAt(sheet.tree, path);
      if (step.do === 'open') {
        if (!node?.opening || step.off !== `${path}.o`) return fault('step-part', where, step.off);
        hands[at]!.add(`${path}.opened`).add(step.off);
        continue;
      }
      if (step.do === 'stop') {
        const want = node && stopLines(node)[step.line - 1];
        if (!want || (lines.get(`${at} ${path}`) ?? 0) !== step.line - 1) return fault('step-part', where, step.line);
        lines.set(`${at} ${path}`, step.line);
        if (
          step.edge !== want.edge ||
          !near(step.setting * per, want.setting * per) ||
          !near(step.until * per, want.until * per)
        )
          fault('step-setting', where, step.setting, want.setting);
        if (cutter.step && !onMark(step.setting * per, cutter.step) && !holdsOddPiece(node, pieces, cutter.step))
          fault('step-mark', where, step.setting);
        if (step.line < 4) hands[at]!.add(step.part);
        else node.parts!.forEach((_, n) => hands[at]!.add(`${path}.${n}`));
        continue;
      }
      const first = Number(from ?? 0);
      const parts = node?.parts ?? [];
      const part = parts[first];
      if (!node?.cut || node.cut === 'windmill' || !part || step.off !== `${path}.${first}`)
        return fault('step-part', where, step.off);
      if (step.edge !== (node.cut === 'x' ? 'left' : 'bottom')) fault('step-part', where, step.edge);
      const size = node.cut === 'x' ? 'width' : 'height';
      const across = (node.cut === 'x' ? node.height : node.width) * per;
      if (!near(step.setting * per, part[size] * per)) fault('step-setting', where, step.setting, part[size]);
      const mark = cutter.step;
      const end = (part[node.cut] + part[size]) * per;
      const { outline } = stock.get(sheet.stock)!;
      // an odd scrap is squared along drawn lines
      const squared =
        outline &&
        !within(outline, { x: node.x * per, y: node.y * per, width: node.width * per, height: node.height * per });
      if (
        mark &&
        !squared &&
        !onMark(part[size] * per, mark) &&
        !holdsOddPiece(part, pieces, mark) &&
        !besidePin(job, stock.get(sheet.stock)!, node.cut, end)
      )
        fault('step-mark', where, step.setting);
      const after = parts.slice(first + 1);
      const left = after.reduce((all, p) => all + p[size] * per, 0) + Math.max(0, after.length - 1) * job.cutter.kerf;
      const able = (c: Cutter) => across <= c.reach + NEAR && Math.max(left, part[size] * per) >= c.narrowest - NEAR;
      const liked = cutters.findIndex(able);
      if (liked !== by) fault(across > cutter.reach + NEAR ? 'beyond-reach' : 'too-narrow', where, step.setting, liked);
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

/** Along a pinned piece, a cut is where the piece is, on the mark or not. */
const besidePin = (job: Job, item: JobStock, cut: 'x' | 'y', end: number): boolean =>
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

export const onMark = (length: number, mark: number): boolean =>
  Math.abs(length - Math.round(length / mark) * mark) <= NEAR;

export function holdsOddPiece(node: PlanNode, pieces: ReadonlyMap<string, JobPiece>, mark: number): boolean {
  if (node.holds && typeof node.holds === 'object') {
    const piece = pieces.get(node.holds.piece)!;
    return !onMark(piece.width, mark) || !onMark(piece.height, mark);
  }
  return (node.parts ?? []).some((part) => holdsOddPiece(part, pieces, mark));
}

export function nodeAt(tree: PlanNode, path: string): PlanNode | undefined {
  let node: PlanNode | undefined = tree;
  for (const index of path.split('.').slice(1)) node = index === 'o' ? node?.opening : node?.parts?.[Number(index)];
  return node;
}

export function leavesOf(node: PlanNode, path: string): string[] {
  if (node.opening) return [`${path}.opened`, ...leavesOf(node.opening, `${path}.o`)];
  return node.cut ? (node.parts ?? []).flatMap((part, i) => leavesOf(part, `${path}.${i}`)) : [path];
}
