import type { Job } from './job.ts';
import { seededRandom } from './random.ts';
import { alongOf, canCut, cutsOf, type CutSheet, type Tree } from './tree.ts';

/** A cut to make, in ticks. Paths name parts by their way down the tree: `r`, `r.0`, `r.0.1+`, `r.0.o` for what an opening gives. */
export interface CutStep {
  readonly do: 'cut' | 'trim' | 'open' | 'stop';
  /** Indices into the list of sheets. */
  readonly sheets: readonly number[];
  readonly edge: 'left' | 'right' | 'top' | 'bottom';
  /** Null where an opening is cut by hand. */
  readonly setting: number | null;
  readonly part: string;
  readonly off: string;
  readonly rest: string | null;
  /** Which cutter: 0 the first, 1 what is taken up next. */
  readonly by: number;
  /** A stop cut: which of the four, and how far from the edge it starts at it goes. */
  readonly line: number;
  readonly until: number;
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

/** Two sheets of the same shape are cut alike. */
const shapeOf = (t: Tree): string =>
  t.cut
    ? `${t.cut}(${t.parts.map(shapeOf).join()})`
    : `${t.width}*${t.height}${typeof t.holds === 'object' && t.holds && 'piece' in t.holds ? `p${t.holds.piece}${t.holds.side}${t.holds.turn}` : String(t.holds)}${t.opening ? `[${shapeOf(t.opening)}]` : ''}`;

/** The four stop cuts of a windmill: the edge on the fence, the setting from it, and how far the cut goes in. */
function linesOfWindmill(node: Tree, kerf: number): { edge: 'left' | 'bottom'; setting: number; until: number }[] {
  const [lowerLeft, lowerRight, , upperLeft] = node.parts as [Tree, Tree, Tree, Tree, Tree];
  const turned = lowerLeft.width < upperLeft.width;
  const [W, H] = [node.width, node.height];
  // each line runs on until it meets the next: which one that is depends on which way the mill turns
  return [
    { edge: 'left', setting: lowerLeft.width, until: turned ? lowerLeft.height : lowerRight.height },
    { edge: 'bottom', setting: lowerLeft.height, until: turned ? upperLeft.width : lowerLeft.width },
    {
      edge: 'bottom',
      setting: lowerRight.height,
      until: turned ? W - lowerLeft.width - kerf : W - upperLeft.width - kerf,
    },
    {
      edge: 'left',
      setting: upperLeft.width,
      until: turned ? H - lowerRight.height - kerf : H - lowerLeft.height - kerf,
    },
  ];
}

/** The cutter, most liked first, that can take part `next` off what is in hand. */
function cutterFor(job: Job, node: Tree, next: number): number {
  if (!job.cutter.then.length) return 0;
  const cutters = [job.cutter, ...job.cutter.then];
  if (node.cut === 'windmill')
    return Math.max(
      0,
      cutters.findIndex((c) => Math.max(node.width, node.height) <= c.reach),
    );
  const cut = node.cut!;
  const sizes = node.parts.slice(next).map((p) => alongOf(p, cut));
  const rest = sizes.slice(1).reduce((sum, size) => sum + size, 0) + Math.max(0, sizes.length - 2) * job.cutter.kerf;
  const across = cut === 'x' ? node.height : node.width;
  return Math.max(
    0,
    cutters.findIndex((c) => canCut(c, across, sizes[0]!, rest)),
  );
}

export interface Schedule {
  readonly steps: CutStep[];
  readonly settings: number;
}
/** What a new setting is chosen by: cuts of it still locked in larger parts, cuts of it that can be made now, and chance. */
interface Taste {
  readonly locked: number;
  readonly free: number;
  readonly luck: number;
  readonly random: () => number;
}
const PLAIN: Taste = { locked: 1, free: 0, luck: 0, random: () => 0 };
const MOST_CUTS = 150;

/** The best of so many schedules, for a plan that is written out: the fewest settings. The same plan gives the same one. */
export function bestSchedule(sheets: readonly CutSheet[], job: Job, tries: number): Schedule {
  let best = schedule(sheets, job);
  if (best.steps.length > MOST_CUTS) return best;
  const random = seededRandom(1);
  for (let i = 0; i < tries; i++) {
    const taste = { locked: 0.3 + random(), free: random() * 0.8, luck: random() * 2, random };
    const other = schedule(sheets, job, taste);
    if (other.settings < best.settings) best = other;
  }
  return best;
}

/**
 * Orders the cuts of all sheets: each part exists before it is cut, equal settings come together where they
 * can, and a setting waits for as many of its cuts as other settings can free. A greedy rule. Sheets cut alike go
 * through each cut one stack after the other.
 */
export function schedule(sheets: readonly CutSheet[], job: Job, taste = PLAIN): Schedule {
  const { kerf } = job.cutter;
  const batches = batchesOf(sheets, Math.min(...[job.cutter, ...job.cutter.then].map((c) => c.stack)));
  const steps: CutStep[] = [];
  const hands: Hand[] = [];
  const locked = new Map<number, number>();
  const count = (node: Tree): void => {
    for (let i = 0; i < cutsOf(node); i++) bump(locked, settingOf(node, i), 1);
    if (node.opening) count(node.opening);
    for (const part of node.parts) count(part);
  };
  const plain = { by: 0, line: 0, until: 0 };
  const take = (group: number, path: string, node: Tree): void => {
    if (node.opening) {
      const step = {
        do: 'open',
        edge: 'left',
        setting: null,
        part: path,
        off: `${path}.o`,
        rest: null,
        ...plain,
      } as const;
      for (const stack of batches[group]!) for (const sheet of stack) steps.push({ ...step, sheets: [sheet] });
      take(group, `${path}.o`, node.opening);
    }
    if (!node.cut) return;
    hands.push({ group, path, node, next: 0 });
    for (let i = 0; i < cutsOf(node); i++) bump(locked, settingOf(node, i), -1);
  };
  batches.forEach((batch) => count(sheets[batch[0]![0]!]!.tree));
  batches.forEach((batch, g) => {
    const sheet = sheets[batch[0]![0]!]!;
    const trim = job.stock[sheet.stock]!.trim;
    for (const edge of ['left', 'right', 'bottom', 'top'] as const) {
      if (trim[edge] > 0)
        for (const stack of batch)
          steps.push({ do: 'trim', sheets: stack, edge, setting: trim[edge], part: 'r', off: '', rest: 'r', ...plain });
    }
    take(g, 'r', sheet.tree);
  });
  let setting = steps.findLast((s) => s.setting !== null)?.setting ?? -1;
  let group = 0;
  let by = 0;
  while (hands.length) {
    let best = hands[0]!;
    let bestRank: readonly number[] = [];
    const free = new Map<number, number>();
    if (taste.free) for (const hand of hands) bump(free, settingOf(hand.node, hand.next), 1);
    for (const hand of hands) {
      const wanted = settingOf(hand.node, hand.next);
      const rank = [
        wanted === setting ? 0 : 1,
        cutterFor(job, hand.node, hand.next) === by ? 0 : 1,
        wanted === setting
          ? 0
          : (locked.get(wanted) ?? 0) * taste.locked -
            (free.get(wanted) ?? 0) * taste.free +
            taste.luck * taste.random(),
        hand.group === group ? 0 : 1,
        -hand.node.width * hand.node.height,
      ];
      if (!bestRank.length || before(rank, bestRank)) [best, bestRank] = [hand, rank];
    }
    const { node, path, next } = best;
    setting = settingOf(node, next);
    by = cutterFor(job, node, next);
    group = best.group;
    best.next++;
    const done = best.next >= cutsOf(node);
    if (done) hands.splice(hands.indexOf(best), 1);
    if (node.cut === 'windmill') {
      const line = linesOfWindmill(node, kerf)[next]!;
      const step = {
        do: 'stop',
        ...line,
        part: path,
        off: done ? `${path}.0` : '',
        rest: null,
        by,
        line: next + 1,
      } as const;
      for (const stack of batches[group]!) steps.push({ ...step, sheets: stack });
      if (done) node.parts.forEach((part, i) => take(group, `${path}.${i}`, part));
      continue;
    }
    const last = next === node.parts.length - 1;
    const rest = last ? null : `${path}.${next + 1}${next + 1 < node.parts.length - 1 || node.lost ? '+' : ''}`;
    const edge = node.cut === 'x' ? 'left' : 'bottom';
    const part = next === 0 ? path : `${path}.${next}+`;
    const step = { do: 'cut', edge, setting, part, off: `${path}.${next}`, rest, by, line: 0, until: 0 } as const;
    for (const stack of batches[group]!) steps.push({ ...step, sheets: stack });
    take(group, `${path}.${next}`, node.parts[next]!);
    if (done && !node.lost) take(group, `${path}.${best.next}`, node.parts[best.next]!);
  }
  return { steps, settings: settingsOf(steps.map((s) => s.setting)) };
}

/** How often a setting differs from the one before, the first counted; what is cut by hand has none. */
export const settingsOf = (settings: readonly (number | null)[]): number =>
  settings.filter((s) => s !== null).filter((s, i, all) => i === 0 || all[i - 1] !== s).length;

const settingOf = (node: Tree, next: number): number =>
  node.cut === 'windmill'
    ? [node.parts[0]!.width, node.parts[0]!.height, node.parts[1]!.height, node.parts[3]!.width][next]!
    : alongOf(node.parts[next]!, node.cut!);
const bump = (map: Map<number, number>, key: number, by: number): void => void map.set(key, (map.get(key) ?? 0) + by);
function before(a: readonly number[], b: readonly number[]): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! < b[i]!;
  return false;
}
