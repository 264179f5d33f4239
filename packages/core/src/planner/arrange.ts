import type { Job } from './job.ts';
import { alongOf, cutterHolds, hasWindmill, laidInto, type CutSheet, type Tree } from './tree.ts';

/*
 * The last part of a run needs no cut: what is left is that part. So the part whose size is the rarest setting of all goes
 * last, which spares its setting; the pieces and offcuts stay the same.
 */

/** The same sheets with the parts of their runs in an order that takes fewer settings. */
export function arranged(sheets: readonly CutSheet[], job: Job): readonly CutSheet[] {
  const { step, kerf } = job.cutter;
  const often = new Map<number, number>();
  const count = (node: Tree): void => {
    const { cut } = node;
    if (cut === 'x' || cut === 'y')
      for (const part of node.parts) often.set(alongOf(part, cut), (often.get(alongOf(part, cut)) ?? 0) + 1);
    node.parts.forEach(count);
  };
  for (const { tree } of sheets) count(tree);
  const onMark = (length: number) => !step || length % step === 0;
  const reorder = (node: Tree): Tree => {
    const parts = node.parts.map(reorder);
    const whole = { ...node, parts };
    const { cut } = node;
    const last = parts.at(-1);
    if ((cut !== 'x' && cut !== 'y') || node.lost || last!.holds === 'keep' || last!.holds === 'waste') return whole;
    if (!parts.every((p) => onMark(alongOf(p, cut)))) return whole;
    const rarity = (p: Tree) => often.get(alongOf(p, cut))!;
    const rarest = parts.reduce((a, b) => (rarity(b) < rarity(a) ? b : a));
    if (rarity(rarest) >= rarity(last!)) return whole;
    const moved = { ...whole, parts: [...parts.filter((p) => p !== rarest), rarest] };
    return cutterHolds(moved, job.cutter) ? moved : whole;
  };
  return sheets.map((sheet) => {
    const item = job.stock[sheet.stock]!;
    if (item.outline || item.uncut.length || job.pieces.some((p) => p.from?.stock === item.id)) return sheet;
    if (hasWindmill(sheet.tree) || hasOpening(sheet.tree)) return sheet;
    return { stock: sheet.stock, tree: laidInto(reorder(sheet.tree), sheet.tree, 0, kerf) };
  });
}

const hasOpening = (node: Tree): boolean => node.opening !== undefined || node.parts.some(hasOpening);
