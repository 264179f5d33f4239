import type { Job } from '../documents/job.ts';
import { seededRandom } from '../../chance/index.ts';
import { measureStepHandling } from './hands.ts';
import { orderSheetParts, collectRuns, type FreedPart, type Group, type Place, type Run } from './runs.ts';
import { canCut, canStopCut, countCuts, isSettingOnMark, type CutSheet, type Tree } from '../sheets/tree.ts';
import { orderTrims } from '../sheets/trims.ts';

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

/** What a new setting is chosen by: cuts of it still locked in larger parts, cuts of it that can be made now, and chance. */
interface Taste {
  readonly locked: number;
  readonly free: number;
  readonly luck: number;
  /** Where in the numbers of chance it begins. */
  readonly from: number;
  /** Settings in the order in which they are to be set, as far as there are cuts of them. */
  readonly sequence?: readonly number[];
  /** Whether of each run the part is left last whose setting is needed nowhere then: it falls out by itself. */
  readonly spares?: boolean;
}
/** More than any number of cuts. */
const LATE = 1e6;
const PLAIN: Taste = { locked: 1, free: 0, luck: 0, from: 0 };
/** Numbers of chance, drawn once: a choice takes one for each of many cuts. */
const CHANCE = Float64Array.from({ length: 4096 }, seededRandom(1));
const chance = (n: number): number => CHANCE[n % CHANCE.length]!;
/** Cuts put in order, over all tries; and for an order that is only shown on the way to a better one. */
const MAX_CUTS = 3000;
export const MAX_CUTS_SHOWN = 600;
/** Of so few cuts, so many orders are compared also where plans are. */
const FEW_CUTS = 30;
const TRIES_OF_FEW = 12;
/** Parts in hand at a time: of a large order sheets are taken up as others are done, or choosing would take for ever. */
const IN_HAND = 250;
const IN_HAND_OF_MANY = 20;

/** One cut of a run, on all sheets of its group; or a centre that is cut out. */
type Move = { readonly run: Run; readonly nth: number; readonly by: number } | { readonly opens: Place; group: number };
interface Order {
  readonly moves: readonly Move[];
  /** [run id] its parts as they come off, the one that is left last */
  readonly parts: readonly (readonly number[])[];
  readonly settings: number;
}

export interface Schedule {
  /** The sheets, the parts of their runs in the order in which they come off. */
  readonly sheets: readonly CutSheet[];
  readonly steps: CutStep[];
  readonly settings: number;
}

/**
 * The best of so many schedules, for a plan that is written out: the fewest settings, of these the one for which least is turned or
 * taken up, then the one with the fewest parts waiting. The same plan gives the same one.
 */
export function findBestSchedule(sheets: readonly CutSheet[], job: Job, tries: number, most = MAX_CUTS): Schedule {
  const { groups, runs } = collectRuns(sheets, job);
  const known = new Map<Order, ReturnType<typeof measureStepHandling>>();
  const handling = (order: Order) => {
    const found = known.get(order) ?? measureStepHandling(stepsOf(groups, order, job));
    known.set(order, found);
    return found;
  };
  const isEasier = (a: Order, b: Order): boolean => {
    const [x, y] = [handling(a), handling(b)];
    return (x.takenUp - y.takenUp || x.waiting - y.waiting) < 0;
  };
  const best = bestOrder(groups, runs, job, tries, most, isEasier);
  return {
    sheets: orderSheetParts(sheets, groups, best.parts, job.cutter.kerf),
    steps: stepsOf(groups, best, job),
    settings: best.settings,
  };
}

/** The order with the fewest settings of so many; of those with as few the easiest, where it is asked which that is. */
function bestOrder(
  groups: readonly Group[],
  runs: readonly Run[],
  job: Job,
  tries: number,
  most: number,
  isEasier: ((a: Order, b: Order) => boolean) | null = null,
): Order {
  const numbers = numberSettings(runs);
  let best = orderOf(groups, runs, job, numbers, PLAIN)!;
  const tryOne = (taste: Taste) => {
    const found = orderOf(groups, runs, job, numbers, taste, best.settings + (isEasier ? 1 : 0));
    if (found && (found.settings < best.settings || isEasier!(found, best))) best = found;
  };
  const sequence = sequenceOf(groups);
  if (sequence) tryOne({ ...PLAIN, sequence });
  const least = isEasier ? -Infinity : boundSettings(runs, numbers);
  if (tries && best.settings > least && best.moves.length < most && numbers.spared.some((n) => n !== null))
    tryOne({ ...PLAIN, spares: true });
  for (let i = 0; best.settings > least && i < Math.min(tries, most / (best.moves.length || 1) - 1); i++) {
    const from = i * 101;
    const [locked, free, luck] = [chance(from), chance(from + 1), chance(from + 2)];
    tryOne({ locked: 0.3 + locked, free: free * 0.8, luck: luck * 2, from: from + 3 });
  }
  return best;
}

/** The settings of all runs, each with a number: what is counted of each is kept in an array. */
interface Numbers {
  readonly settings: number;
  /** [run id][part] the number of the setting that takes it off */
  readonly of: readonly (readonly number[])[];
  /** [run id] the number of the size that is best left last, null where it does not matter */
  readonly spared: ReadonlyArray<number | null>;
}
export function numberSettings(runs: readonly Run[]): Numbers {
  const known = new Map<number, number>();
  const numberOf = (size: number): number => {
    const number = known.get(size) ?? known.size;
    known.set(size, number);
    return number;
  };
  const of = runs.map(({ sizes }) => sizes.map(numberOf));
  return { settings: known.size, of, spared: sparedOf(runs, of) };
}

/**
 * Which size is left last of each run, so that the most settings are needed nowhere: one that is the last of every run in which it
 * is, once in each. Those that are in the fewest runs first.
 */
function sparedOf(runs: readonly Run[], of: readonly (readonly number[])[]): (number | null)[] {
  const needed = new Set<number>();
  const where = new Map<number, number[]>();
  for (const { id, node, loose } of runs) {
    const sizes = of[id]!;
    const parts = sizes.slice(0, node.parts.length);
    parts.forEach((size, i) => {
      const isFree = loose === parts.length || i === parts.length - 1;
      const mayBeLast =
        node.cut !== 'windmill' && !node.lost && isFree && parts.indexOf(size) === parts.lastIndexOf(size);
      if (mayBeLast) where.set(size, [...(where.get(size) ?? []), id]);
      else needed.add(size);
    });
    if (node.cut === 'windmill') sizes.forEach((size) => needed.add(size));
  }
  const spared = runs.map((): number | null => null);
  const candidates = [...where].filter(([size]) => !needed.has(size)).sort(([, a], [, b]) => a.length - b.length);
  for (const [size, ids] of candidates)
    if (ids.every((id) => spared[id] === null)) for (const id of ids) spared[id] = size;
  return spared;
}

/**
 * No order of these cuts has fewer settings: of a run all sizes are set but that of the part that is left last, and runs that have no
 * size in common have no setting in common.
 */
export function boundSettings(runs: readonly Run[], { settings, of }: Numbers): number {
  const counted = new Uint8Array(settings);
  let least = 0;
  const count = (number: number) => {
    least += counted[number] ? 0 : 1;
    counted[number] = 1;
  };
  const open: number[][] = [];
  for (const { id, node, cuts, loose } of runs) {
    const sizes = of[id]!;
    if (!loose || node.cut === 'windmill') for (let i = 0; i < cuts; i++) count(sizes[i]!);
    else {
      const parts = sizes.slice(0, node.parts.length).sort((a, b) => a - b);
      // one of them is left last, and falls out by itself
      if (node.lost) parts.forEach(count);
      else parts.forEach((size, i) => void (size === parts[i + 1] && count(size)));
      if (!node.lost) open.push(parts);
    }
  }
  for (const parts of open) {
    if (parts.some((size) => counted[size])) continue;
    least += parts.length - 1;
    for (const size of parts) counted[size] = 1;
  }
  return least;
}

/** The settings that were chosen for the sheets, in an order in which each sheet has its own; null where one has none. */
function sequenceOf(groups: readonly Group[]): readonly number[] | null {
  let all: readonly number[] = [];
  for (const { sheet } of groups) {
    if (!sheet.tree.cut) continue;
    if (!sheet.sequence) return null;
    all = commonSequence(all, sheet.sequence);
  }
  return all.length ? all : null;
}

/** The shortest sequence that has both in it, each in its order. */
function commonSequence(a: readonly number[], b: readonly number[]): number[] {
  // [i][j] how long the one for a from i on and b from j on is
  const long = Array.from({ length: a.length + 1 }, () => new Array<number>(b.length + 1).fill(0));
  for (let i = a.length; i >= 0; i--)
    for (let j = b.length; j >= 0; j--)
      if (i === a.length || j === b.length) long[i]![j] = a.length - i + b.length - j;
      else long[i]![j] = 1 + (a[i] === b[j] ? long[i + 1]![j + 1]! : Math.min(long[i + 1]![j]!, long[i]![j + 1]!));
  const found: number[] = [];
  let [i, j] = [0, 0];
  while (i < a.length || j < b.length) {
    const both = i < a.length && a[i] === b[j];
    const first = both || j === b.length || (i < a.length && long[i + 1]![j]! <= long[i]![j + 1]!);
    found.push(first ? a[i]! : b[j]!);
    if (first) i++;
    if (both || !first) j++;
  }
  return found;
}

const cutsWithin = (tree: Tree): number => tree.parts.reduce((sum, part) => sum + cutsWithin(part), countCuts(tree));

/** How many settings the sheets take, by the greedy rule, and of a few cuts by some tries more; of a great many, at the most. */
export function countSettings(sheets: readonly CutSheet[], job: Job, tries = TRIES_OF_FEW): number {
  const cuts = sheets.reduce((sum, { tree }) => sum + cutsWithin(tree), 0);
  // of a great many, orders are not compared: none takes more settings than cuts
  if (cuts > MAX_CUTS) return cuts;
  const { groups, runs } = collectRuns(sheets, job);
  return bestOrder(groups, runs, job, tries, cuts > FEW_CUTS ? 0 : MAX_CUTS).settings;
}

/** The trims of a group's sheets, in order. Sheets that cannot be trimmed are in no plan. */
const trimsOfGroup = (job: Job, { sheet }: Group) => orderTrims(job, job.stock[sheet.stock]!) ?? [];

/**
 * Orders the cuts of all sheets: each part exists before it is cut, equal settings come together where they
 * can, and a setting waits for as many of its cuts as other settings can free. A greedy rule. Null where that does not come to
 * fewer settings than so many.
 */
function orderOf(
  groups: readonly Group[],
  runs: readonly Run[],
  job: Job,
  numbers: Numbers,
  taste: Taste,
  fewerThan = Infinity,
): Order | null {
  const moves: Move[] = [];
  const left = runs.map((run) => run.sizes.map((_, i) => i).slice(0, run.node.parts.length));
  const parts = runs.map((): number[] => []);
  // [number of a setting] cuts of it that are still locked in larger parts
  const locked = new Int32Array(numbers.settings);
  const each = (run: Run, by: number) => {
    const of = numbers.of[run.id]!;
    for (let i = 0; i < run.cuts; i++) locked[of[i]!]! += by;
  };
  for (const run of runs) each(run, 1);
  const hands: Run[] = [];
  let settings = 0;
  let setting = -1;
  let by = 0;
  let group = 0;
  const sequence = taste.sequence ?? [];
  let nth = 0;
  let drawn = taste.from;
  /** The next cut of the setting that a sequence is at, of what came to hand last; else of the settings after it. */
  const inSequence = (): [Run, number] | null => {
    for (; nth < sequence.length; nth++)
      for (let at = hands.length - 1; at >= 0; at--) {
        const run = hands[at]!;
        const part = left[run.id]!.find((i) => i < run.loose && run.sizes[i] === sequence[nth]);
        if (part !== undefined) return [run, part];
      }
    return null;
  };
  const take = (freed: readonly FreedPart[], g: number): void => {
    for (const f of freed) {
      if ('run' in f) {
        hands.push(f.run);
        each(f.run, -1);
      } else {
        moves.push({ opens: f.opens, group: g });
        take(f.inside, g);
      }
    }
  };
  const set = (to: number) => {
    if (to !== setting) settings++;
    setting = to;
  };
  const bySheet = job.order === 'sheet-by-sheet';
  const trim = (g: Group) => trimsOfGroup(job, g).forEach((one) => set(one.setting));
  if (!bySheet) groups.forEach(trim);
  let taken = 0;
  const inHand = bySheet ? 1 : runs.length > MAX_CUTS / 2 ? IN_HAND_OF_MANY : IN_HAND;
  const takeUp = () => {
    while (hands.length < inHand && taken < groups.length) {
      if (bySheet) trim(groups[taken]!);
      take(groups[taken]!.freed, taken++);
    }
  };
  takeUp();
  // [number of a setting] cuts of it that can be made now
  const free = new Int32Array(numbers.settings);
  const several = job.cutter.then.length > 0;
  for (;;) {
    // one sheet is finished before the next is taken
    if (!hands.length) takeUp();
    if (!hands.length) break;
    if (taste.free) {
      free.fill(0);
      for (const run of hands) {
        const of = numbers.of[run.id]!;
        eachNext(run, left[run.id]!, setting, (i) => free[of[i]!]!++);
      }
    }
    const chosen = inSequence();
    let [best, part]: [Run | null, number] = chosen ?? [null, 0];
    let [other, otherCutter, weight, elsewhere, area] = [0, 0, 0, 0, 0];
    for (const run of chosen ? [] : hands) {
      const of = numbers.of[run.id]!;
      eachNext(run, left[run.id]!, setting, (i) => {
        const wanted = run.sizes[i]!;
        const o = wanted === setting ? 0 : 1;
        if (best && o > other) return;
        const c = several && cutterFor(job, run, left[run.id]!, i) !== by ? 1 : 0;
        const number = of[i]!;
        const luck = taste.luck ? taste.luck * chance(drawn++) : 0;
        const late = taste.spares && numbers.spared[run.id] === number ? LATE : 0;
        const w = o ? locked[number]! * taste.locked - free[number]! * taste.free + luck + late : 0;
        const e = run.group === group ? 0 : 1;
        const a = -run.node.width * run.node.height;
        if (best && (o - other || c - otherCutter || w - weight || e - elsewhere || a - area) >= 0) return;
        [best, part, other, otherCutter, weight, elsewhere, area] = [run, i, o, c, w, e, a];
      });
    }
    const run = best! as Run;
    const cut = parts[run.id]!.length;
    set(run.sizes[part]!);
    if (settings >= fewerThan) return null;
    by = cutterFor(job, run, left[run.id]!, part);
    group = run.group;
    moves.push({ run, nth: cut, by });
    parts[run.id]!.push(part);
    left[run.id]!.splice(left[run.id]!.indexOf(part), 1);
    const done = cut + 1 === run.cuts;
    if (done) {
      hands.splice(hands.indexOf(run), 1);
      if (!bySheet) takeUp();
    }
    if (run.node.cut === 'windmill') {
      if (done) run.within.forEach((freed) => take(freed, group));
      continue;
    }
    take(run.within[part]!, group);
    if (done && !run.node.lost) {
      const [last] = left[run.id]!;
      parts[run.id]!.push(last!);
      take(run.within[last!]!, group);
    }
  }
  return settings < fewerThan ? { moves, parts, settings } : null;
}

/** The parts of a run that may come off next; an offcut is what is left, but where the setting happens to be its size. */
function eachNext(run: Run, left: readonly number[], setting: number, visit: (part: number) => void): void {
  let any = false;
  for (const i of left) {
    const { holds } = run.node.parts[i]!;
    if (i >= run.loose || (run.sizes[i] !== setting && (holds === 'keep' || holds === 'waste'))) continue;
    visit(i);
    any = true;
  }
  if (!any) visit(left[0]!);
}

/** The cutter, most liked first, that can take a part off what is in hand. */
function cutterFor(job: Job, { node, sizes }: Run, left: readonly number[], part: number): number {
  if (!job.cutter.then.length) return 0;
  const cutters = [job.cutter, ...job.cutter.then];
  // at its own marks, where that can be
  const among = (freed: Tree, can: (c: (typeof cutters)[number]) => boolean) => {
    const serving = cutters.findIndex(
      (c) => can(c) && (c === job.cutter || isSettingOnMark(c, sizes[part]!, freed, job.pieces)),
    );
    return Math.max(0, serving < 0 ? cutters.findIndex(can) : serving);
  };
  if (node.cut === 'windmill') return among(node, (c) => canStopCut(c, node, part, job.cutter.kerf));
  const others = left.filter((i) => i !== part);
  const rest = others.reduce((sum, i) => sum + sizes[i]!, 0) + Math.max(0, others.length - 1) * job.cutter.kerf;
  return among(node.parts[part]!, (c) => canCut(c, node.cut === 'x' ? node.height : node.width, sizes[part]!, rest));
}

/** The moves as steps, for sheets whose parts lie in the order in which they come off; stacks go through a cut one after the other. */
function stepsOf(groups: readonly Group[], { moves, parts }: Order, job: Job): CutStep[] {
  const steps: CutStep[] = [];
  const paths = new Map<Place, string>();
  const pathOf = (place: Place): string => {
    const known = paths.get(place);
    if (known !== undefined) return known;
    const part = place.of ? `${pathOf(place.of.at)}.${partsOf(place.of).indexOf(place.part)}` : 'r';
    const path = part + '.o'.repeat(place.openings);
    paths.set(place, path);
    return path;
  };
  const partsOf = (run: Run) => (run.node.cut === 'windmill' ? [0, 1, 2, 3, 4] : parts[run.id]!);
  const plain = { by: 0, line: 0, until: 0 };
  const trimmed = new Set<Group>();
  const trim = (group: Group): void => {
    if (trimmed.has(group)) return;
    trimmed.add(group);
    for (const { edge, setting, by } of trimsOfGroup(job, group))
      for (const sheets of group.stacks)
        steps.push({ do: 'trim', sheets, edge, setting, part: 'r', off: '', rest: 'r', ...plain, by });
  };
  if (job.order !== 'sheet-by-sheet') groups.forEach(trim);
  for (const move of moves) {
    trim(groups['opens' in move ? move.group : move.run.group]!);
    if ('opens' in move) {
      const off = pathOf(move.opens);
      const step = {
        do: 'open',
        edge: 'left',
        setting: null,
        part: off.slice(0, -2),
        off,
        rest: null,
        ...plain,
      } as const;
      for (const sheet of groups[move.group]!.stacks.flat()) steps.push({ ...step, sheets: [sheet] });
      continue;
    }
    const { run, nth, by } = move;
    const path = pathOf(run.at);
    const { node } = run;
    let step: Omit<CutStep, 'sheets'>;
    if (node.cut === 'windmill') {
      const line = linesOfWindmill(node, job.cutter.kerf)[nth]!;
      step = { do: 'stop', ...line, part: path, off: nth === 3 ? `${path}.0` : '', rest: null, by, line: nth + 1 };
    } else {
      const more = nth + 1 < node.parts.length - 1 || node.lost > 0;
      step = {
        do: 'cut',
        edge: node.cut === 'x' ? 'left' : 'bottom',
        setting: run.sizes[parts[run.id]![nth]!]!,
        part: nth === 0 ? path : `${path}.${nth}+`,
        off: `${path}.${nth}`,
        rest: nth === node.parts.length - 1 ? null : `${path}.${nth + 1}${more ? '+' : ''}`,
        by,
        line: 0,
        until: 0,
      };
    }
    for (const sheets of groups[run.group]!.stacks) steps.push({ ...step, sheets });
  }
  // those that are only trimmed
  groups.forEach(trim);
  return steps;
}

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
