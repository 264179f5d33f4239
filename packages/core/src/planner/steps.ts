import type { Job } from './job.ts';
import { alongOf, type CutSheet, type Tree } from './tree.ts';

/** A cut to make, in ticks. Paths name parts by their way down the tree: `r`, `r.0`, `r.0.1+`. */
export interface CutStep {
  readonly do: 'cut' | 'trim';
  /** Indices into the list of sheets. */
  readonly sheets: readonly number[];
  readonly edge: 'left' | 'right' | 'top' | 'bottom';
  readonly setting: number;
  readonly part: string;
  readonly off: string;
  readonly rest: string | null;
}

/** A part in hand that has cuts left: the next one takes part `next` off. */
interface Hand {
  readonly group: number;
  readonly path: string;
  readonly node: Tree;
  next: number;
}

/** Sheets that are cut alike, in stacks of as many as may lie under the blade together. */
type Batch = readonly (readonly number[])[];

function batchesOf(sheets: readonly CutSheet[], stack: number): Batch[] {
  const alike = new Map<string, number[][]>();
  sheets.forEach((sheet, i) => {
    const key = `${sheet.stock} ${shapeOf(sheet.tree)}`;
    const stacks = alike.get(key);
    if (!stacks) alike.set(key, [[i]]);
    else if (stacks.at(-1)!.length < stack) stacks.at(-1)!.push(i);
    else stacks.push([i]);
  });
  return [...alike.values()];
}

const shapeOf = (t: Tree): string =>
  t.cut
    ? `${t.cut}(${t.parts.map(shapeOf).join()})`
    : `${t.width}*${t.height}${typeof t.holds === 'object' && t.holds ? `p${t.holds.piece}${t.holds.side}${t.holds.turn}` : t.holds}`;

/**
 * Orders the cuts of all sheets: each part exists before it is cut, equal settings come together where they
 * can, and a setting waits for as many of its cuts as other settings can free. A greedy rule. Sheets cut alike go
 * through each cut one stack after the other.
 */
export function schedule(sheets: readonly CutSheet[], job: Job): { steps: CutStep[]; settings: number } {
  const batches = batchesOf(sheets, job.cutter.stack);
  const steps: CutStep[] = [];
  const hands: Hand[] = [];
  const locked = new Map<number, number>();
  const count = (node: Tree, by: number, withSelf: boolean): void => {
    if (node.cut && withSelf)
      for (let i = 0; i < cutsOf(node); i++) bump(locked, alongOf(node.parts[i]!, node.cut), by);
    for (const part of node.parts) count(part, by, true);
  };
  const take = (group: number, path: string, node: Tree): void => {
    if (!node.cut) return;
    hands.push({ group, path, node, next: 0 });
    for (let i = 0; i < cutsOf(node); i++) bump(locked, alongOf(node.parts[i]!, node.cut), -1);
  };
  batches.forEach((batch, g) => {
    const sheet = sheets[batch[0]![0]!]!;
    const trim = job.stock[sheet.stock]!.trim;
    for (const edge of ['left', 'right', 'bottom', 'top'] as const) {
      if (trim[edge] > 0)
        for (const stack of batch)
          steps.push({ do: 'trim', sheets: stack, edge, setting: trim[edge], part: 'r', off: '', rest: 'r' });
    }
    count(sheet.tree, 1, true);
    take(g, 'r', sheet.tree);
  });
  let setting = steps.at(-1)?.setting ?? -1;
  let group = 0;
  while (hands.length) {
    let best = hands[0]!;
    let bestRank: readonly number[] = [];
    for (const hand of hands) {
      const wanted = nextSetting(hand);
      const rank = [
        wanted === setting ? 0 : 1,
        wanted === setting ? 0 : (locked.get(wanted) ?? 0),
        hand.group === group ? 0 : 1,
        -hand.node.width * hand.node.height,
      ];
      if (!bestRank.length || before(rank, bestRank)) [best, bestRank] = [hand, rank];
    }
    const { node, path, next } = best;
    const cut = node.cut!;
    const last = next === node.parts.length - 1;
    setting = nextSetting(best);
    group = best.group;
    const rest = last ? null : `${path}.${next + 1}${next + 1 < node.parts.length - 1 || node.lost ? '+' : ''}`;
    const part = next === 0 ? path : `${path}.${next}+`;
    const step = {
      do: 'cut',
      edge: cut === 'x' ? 'left' : 'bottom',
      setting,
      part,
      off: `${path}.${next}`,
      rest,
    } as const;
    for (const stack of batches[group]!) steps.push({ ...step, sheets: stack });
    take(group, `${path}.${next}`, node.parts[next]!);
    best.next++;
    if (best.next >= cutsOf(node)) {
      hands.splice(hands.indexOf(best), 1);
      if (!node.lost) take(group, `${path}.${best.next}`, node.parts[best.next]!);
    }
  }
  let settings = 0;
  steps.forEach((step, i) => (settings += i === 0 || steps[i - 1]!.setting !== step.setting ? 1 : 0));
  return { steps, settings };
}

const cutsOf = (node: Tree): number => node.parts.length - (node.lost ? 0 : 1);
const nextSetting = (hand: Hand): number => alongOf(hand.node.parts[hand.next]!, hand.node.cut!);
const bump = (map: Map<number, number>, key: number, by: number): void => void map.set(key, (map.get(key) ?? 0) + by);
function before(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}
