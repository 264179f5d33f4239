import type { Plan } from '../documents/plan.ts';

export type Edge = 'left' | 'bottom' | 'right' | 'top';

/** By how many quarters, counter-clockwise, a part lies turned from upright when this edge of it lies on the fence, which is on the left. */
const QUARTERS: Readonly<Record<Edge, 0 | 1 | 2 | 3>> = { left: 0, top: 1, right: 2, bottom: 3 };
export const turnsToFence = (edge: Edge): 0 | 1 | 2 | 3 => QUARTERS[edge];

/** What of a step says how it comes to hand; of a plan that is written, or on the way there. */
export interface HandStep {
  readonly do: 'cut' | 'trim' | 'open' | 'stop';
  readonly sheets: readonly number[];
  readonly part?: string;
  readonly edge?: Edge;
  readonly off?: string;
  readonly rest?: string | null;
  readonly line?: number;
}

/** How what a step of a plan cuts comes to the fence. */
export interface Hand {
  /** Sheets that are taken out of the drawer for it. */
  readonly fresh: readonly number[];
  /** It lay aside, and is taken up again. */
  readonly picked: boolean;
  /** The edge that lay on the fence when it was last in hand, and the one that is to; by how many quarters it is turned for that. */
  readonly from: Edge;
  readonly to: Edge;
  readonly quarters: 0 | 1 | 2 | 3;
}

/** For each step, in their order, how hands bring to the fence what it cuts. */
export function traceHands(steps: readonly HandStep[]): Hand[] {
  const taken = new Set<number>();
  /** How each part lies, by the edge that was on the fence when it was last in hand. */
  const lies = new Map<string, Edge>();
  /** What the cut before has left in the hands. */
  let hands = new Set<string>();
  return steps.map((step) => {
    const fresh = step.sheets.filter((s) => !taken.has(s));
    for (const s of fresh) {
      taken.add(s);
      lies.set(`${s} r`, 'left');
      hands = new Set([`${s} r`]);
    }
    const key = keyOf(step);
    const picked = !fresh.length && !hands.has(key);
    const from = lies.get(key) ?? 'left';
    const to = step.do === 'open' ? from : step.edge!;
    const left = partsLeft(step);
    for (const s of step.sheets) for (const path of left) if (path !== partOf(step)) lies.set(`${s} ${path}`, to);
    if (step.do !== 'open') for (const s of step.sheets) lies.set(`${s} ${partOf(step)}`, to);
    hands = new Set(left.map((path) => `${step.sheets[0]!} ${path}`));
    return { fresh, picked, from, to, quarters: ((QUARTERS[to] - QUARTERS[from] + 4) % 4) as 0 | 1 | 2 | 3 };
  });
}

/** What an order of cuts asks of hands, beside its settings and cuts. */
export interface Handling {
  readonly settings: number;
  readonly cuts: number;
  /** How often another part is taken up, or what is in hand is turned. */
  readonly takenUp: number;
  /** The most parts that lie on the table at once and are to be cut again, without the one that is next. */
  readonly waiting: number;
}

/** How much handling a plan asks for; stacks are handled as one. */
export function measureHandling({ steps, totals: { settings, cuts } }: Plan): Handling {
  return { settings, cuts, ...measureStepHandling(steps) };
}

/** The same of steps, without what is counted of them already. */
export function measureStepHandling(steps: readonly HandStep[]): Pick<Handling, 'takenUp' | 'waiting'> {
  const takenUp = traceHands(steps).filter(({ picked, quarters }) => picked || quarters > 0).length;
  /** Which step is the last to cut a part. */
  const last = new Map<string, number>();
  steps.forEach((step, i) => last.set(keyOf(step), i));
  const lying = new Set<string>();
  let waiting = 0;
  steps.forEach((step, i) => {
    lying.delete(keyOf(step));
    for (const path of partsLeft(step)) {
      const key = `${step.sheets[0]!} ${path}`;
      if ((last.get(key) ?? -1) > i) lying.add(key);
    }
    const next = steps[i + 1];
    waiting = Math.max(waiting, lying.size - (next && lying.has(keyOf(next)) ? 1 : 0));
  });
  return { takenUp, waiting };
}

const partOf = (step: HandStep): string => (step.do === 'trim' ? 'r' : step.part!);
const keyOf = (step: HandStep): string => `${step.sheets[0]!} ${partOf(step)}`;

/** The parts that there are once a step is done. */
function partsLeft(step: HandStep): string[] {
  if (step.do === 'trim') return ['r'];
  if (step.do === 'open') return [step.off!, step.part!];
  if (step.do === 'cut') return step.rest === null ? [step.off!] : [step.off!, step.rest!];
  return step.line! < 4 ? [step.part!] : [0, 1, 2, 3, 4].map((n) => `${step.part}.${n}`);
}
