import type { Job, JobPiece, JobStock } from '../documents/job.ts';
import type { Held, Plan, PlanNode } from '../documents/plan.ts';
import type { PlanFault } from './faults.ts';
import { NEAR, TICKS, near, type Box } from './near.ts';
import { polygonArea, within } from './outlines.ts';
import { simulateCuts } from './table.ts';

/*
 * The oracle: checks a plan against its job from the documents alone. It shares no code with the search, the
 * bounds or the step scheduler, so that a mistake there cannot hide here.
 */

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
  const { kerf } = job.cutter;
  const cutters = [job.cutter, ...job.cutter.then];
  const reach = Math.max(...cutters.map((c) => c.reach));
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

  const checkHeld = (node: PlanNode, held: Held, box: Box, item: JobStock, where: string): void => {
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
    if (piece.from && !(piece.from.stock === item.id && near(box.x, piece.from.x) && near(box.y, piece.from.y)))
      fault('pinned', where, item.id, piece.from.stock);
    sum.pieceArea += box.width * box.height;
    checkOpening(node, piece, held, item, where);
  };

  const checkOpening = (node: PlanNode, piece: JobPiece, held: Held, item: JobStock, where: string): void => {
    if (!node.opening) return;
    if (!piece.opening) return fault('opening', where);
    const o = piece.opening;
    // corners of the opening about the middle of the piece, mirrored and turned with it
    let [dx, dy] = [o.x + o.width / 2 - piece.width / 2, o.y + o.height / 2 - piece.height / 2];
    if (held.side === 'B') dx = -dx;
    for (let t = 0; t < held.turn; t += 90) [dx, dy] = [-dy, dx];
    const [w, h] = held.turn % 180 ? [o.height, o.width] : [o.width, o.height];
    const box = boxOf(node);
    const is = boxOf(node.opening);
    const want = {
      x: box.x + box.width / 2 + dx - w / 2 + kerf,
      y: box.y + box.height / 2 + dy - h / 2 + kerf,
      width: w - 2 * kerf,
      height: h - 2 * kerf,
    };
    for (const side of ['x', 'y', 'width', 'height'] as const)
      if (!near(is[side], want[side])) fault('opening', `${where}.${side}`, is[side] / per, want[side] / per);
    sum.pieceArea -= w * h;
    sum.kerfArea += w * h - want.width * want.height;
    const counted = inside;
    walk(node.opening, item, `${where}.o`);
    inside = counted;
  };

  const checkWindmill = (parts: readonly PlanNode[], box: Box, where: string): void => {
    if (!job.cutter.stop || parts.length !== 5) return fault('windmill', where);
    const [ll, lr, ur, ul, centre] = parts.map(boxOf) as [Box, Box, Box, Box, Box];
    const [right, top] = [box.x + box.width, box.y + box.height];
    const corners =
      near(ll.x, box.x) &&
      near(ll.y, box.y) &&
      near(lr.x + lr.width, right) &&
      near(lr.y, box.y) &&
      near(ur.x + ur.width, right) &&
      near(ur.y + ur.height, top) &&
      near(ul.x, box.x) &&
      near(ul.y + ul.height, top);
    const filled =
      near(ll.width + kerf + lr.width, box.width) &&
      near(ul.width + kerf + ur.width, box.width) &&
      near(ll.height + kerf + ul.height, box.height) &&
      near(lr.height + kerf + ur.height, box.height);
    const [narrow, wide] = ll.width < ul.width ? [ll.width, ul.width] : [ul.width, ll.width];
    const [low, high] = ll.height < lr.height ? [ll.height, lr.height] : [lr.height, ll.height];
    const middle =
      near(centre.x, box.x + narrow + kerf) &&
      near(centre.x + centre.width, box.x + wide) &&
      near(centre.y, box.y + low + kerf) &&
      near(centre.y + centre.height, box.y + high);
    // one arm of each pair of neighbours passes the other
    const passes = ll.width > ul.width === lr.height > ll.height;
    if (!corners || !filled || !middle || !passes) fault('windmill', where);
    if (Math.max(box.width, box.height) > reach + NEAR) fault('beyond-reach', where);
    sum.cuts += 4;
    sum.kerfArea += box.width * box.height - parts.reduce((all, p) => all + p.width * per * p.height * per, 0);
  };

  let inside = 0;
  const walk = (node: PlanNode, item: JobStock, where: string): void => {
    const box = boxOf(node);
    if (!(box.width > NEAR && box.height > NEAR)) return fault('empty-part', where);
    // of an odd scrap, only what lies wholly in its outline is counted part by part
    const whole = !item.outline || within(item.outline, box);
    if (node.cut === null) {
      if (node.parts?.length) return fault('malformed', where);
      if (node.holds === 'odd') {
        if (whole) fault('malformed', where);
        return;
      }
      if (!whole) fault('outside', where);
      inside += whole && item.outline ? box.width * box.height : 0;
      if (node.holds === 'keep' || node.holds === 'waste') {
        const [shorter, longer] = box.width < box.height ? [box.width, box.height] : [box.height, box.width];
        const keep = shorter >= job.keep.shorter - NEAR && longer >= job.keep.longer - NEAR;
        if (keep !== (node.holds === 'keep')) fault('keep-rule', where, node.holds, keep ? 'keep' : 'waste');
        sum[node.holds === 'keep' ? 'keptArea' : 'wasteArea'] += box.width * box.height;
      } else if (node.holds) checkHeld(node, node.holds, box, item, where);
      else fault('malformed', where);
      return;
    }
    const parts = node.parts ?? [];
    const lost = node.lost === undefined ? 0 : node.lost * per;
    if (node.holds !== undefined || parts.length < (lost ? 1 : 2)) return fault('malformed', where);
    if (node.lost !== undefined && (lost <= 0 || lost > kerf + NEAR)) fault('kerf', where, node.lost, kerf / per);
    if (node.cut === 'windmill') {
      checkWindmill(parts, box, where);
      parts.forEach((part, i) => walk(part, item, `${where}.${i}`));
      return;
    }
    const [from, along, across, other] =
      node.cut === 'x' ? (['x', 'width', 'height', 'y'] as const) : (['y', 'height', 'width', 'x'] as const);
    if (box[across] > reach + NEAR) fault('beyond-reach', where, box[across] / per, reach / per);
    let at = box[from];
    parts.forEach((part, i) => {
      const p = boxOf(part);
      if (!near(p[from], at) || !near(p[other], box[other]) || !near(p[across], box[across]))
        fault('does-not-fill', `${where}.${i}`);
      at += p[along];
      if (i + 1 < parts.length) at += kerf;
    });
    if (!near(at + lost, box[from] + box[along])) fault('does-not-fill', where);
    sum.cuts += parts.length - (lost ? 0 : 1);
    const kerfs = ((parts.length - 1) * kerf + lost) * box[across];
    if (whole) sum.kerfArea += kerfs;
    if (whole && item.outline) inside += kerfs;
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
    const whole = item.outline ? polygonArea(item.outline) : item.width * item.height;
    sum.usedArea += whole;
    if (!item.outline) sum.wasteArea += whole - room.width * room.height;
    inside = 0;
    if (item.kind === 'sheet' || item.kind === 'pad') {
      sum.newSheets += 1;
      sum.newSheetArea += whole;
    } else sum.scraps += 1;
    const before = sum.pieceArea;
    walk(sheet.tree, item, where);
    if (item.outline) sum.wasteArea += whole - inside;
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
  if (plan.bound.settings !== undefined && plan.bound.settings > plan.totals.settings)
    fault('bound', 'bound.settings', plan.bound.settings, plan.totals.settings);
  if (plan.status === 'complete' && plan.bound.newSheetArea > plan.totals.newSheetArea + 1e-6)
    fault('bound', 'bound.newSheetArea', plan.bound.newSheetArea, plan.totals.newSheetArea);
  if (!faults.length) simulateCuts(job, plan, stock, pieces, per, fault);
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
