import { TICKS_PER_UNIT } from '../length/index.ts';
import type { Held, Job, Plan, Step } from '../planner/index.ts';
import { findPart } from '../planner/index.ts';

/** A rectangle of a sheet, in the plan's unit, from the sheet's lower left corner. */
export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A part of a sheet as it lies on the table after some cuts. */
export interface PartOnTable extends Box {
  /** By its place in the plan. */
  readonly sheet: number;
  /** As steps name it; a margin that was trimmed off is `m.` and its edge. */
  readonly path: string;
  /** Cut out of it. */
  readonly hole: Box | null;
  /** So many of a windmill's lines are cut in it. */
  readonly slits: number;
  /** A piece, an offcut that is kept, waste, or something with cuts left. */
  readonly is: Held | 'keep' | 'waste' | 'begun';
}
/** What lies on the table, and how much of each sheet the blade has swallowed, in the plan's square unit. */
export interface PartsOnTable {
  readonly parts: readonly PartOnTable[];
  readonly kerf: ReadonlyMap<number, number>;
}

type Bare = Omit<PartOnTable, 'is' | 'sheet' | 'path'>;

/**
 * Carries out the first `steps` of a plan on rectangles, sheet by sheet: the parts of those sheets that are begun. Together with
 * what the blade has swallowed they are as large as the sheets are, whatever the plan says.
 */
export function layOutPartsAfter(job: Job, plan: Plan, steps: number): PartsOnTable {
  const per = TICKS_PER_UNIT[plan.unit];
  const kerfWidth = job.cutter.kerf / per;
  const hands = new Map<number, Map<string, Bare>>();
  const kerf = new Map<number, number>();
  const begin = (sheet: number): Map<string, Bare> => {
    let own = hands.get(sheet);
    if (!own) {
      const item = job.stock.find((s) => s.id === plan.sheets[sheet]!.stock)!;
      const whole = { x: 0, y: 0, width: item.width / per, height: item.height / per, hole: null, slits: 0 };
      hands.set(sheet, (own = new Map([['r', whole]])));
    }
    return own;
  };
  const swallow = (sheet: number, area: number) => kerf.set(sheet, (kerf.get(sheet) ?? 0) + Math.max(0, area));
  const make = (step: Step, sheet: number): void => {
    const own = begin(sheet);
    const part = step.do === 'trim' ? 'r' : step.part;
    const box = own.get(part)!;
    own.delete(part);
    if (step.do === 'trim') {
      const [off, rest] = trimmed(box, step.edge, step.setting);
      own.set(`m.${step.edge}`, off);
      own.set('r', rest);
    } else if (step.do === 'open') {
      const { nodes } = findPart(plan.sheets[sheet]!.tree, step.off);
      const { x, y, width, height } = nodes[0]!;
      own.set(part, { ...box, hole: { x, y, width, height } });
      own.set(step.off, { x, y, width, height, hole: null, slits: 0 });
    } else if (step.do === 'stop') {
      if (step.line < 4) own.set(part, { ...box, slits: step.line });
      else {
        let area = box.width * box.height;
        findPart(plan.sheets[sheet]!.tree, part).nodes[0]!.parts!.forEach(({ x, y, width, height }, i) => {
          own.set(`${part}.${i}`, { x, y, width, height, hole: null, slits: 0 });
          area -= width * height;
        });
        swallow(sheet, area);
      }
    } else {
      const [off, rest, lost] = cutPartInTwo(box, step.edge, step.setting, kerfWidth);
      own.set(step.off, off);
      if (step.rest !== null) own.set(step.rest, rest);
      swallow(sheet, step.rest === null ? lost + rest.width * rest.height : lost);
    }
  };
  for (const step of plan.steps.slice(0, steps)) for (const sheet of step.sheets) make(step, sheet);
  // used whole, a sheet is touched by no step: it counts once all is done
  if (steps >= plan.steps.length) plan.sheets.forEach((_, sheet) => begin(sheet));
  const ahead = new Set(
    plan.steps.slice(steps).flatMap((s) => s.sheets.map((sheet) => `${sheet} ${s.do === 'trim' ? 'r' : s.part}`)),
  );
  const parts = [...hands].flatMap(([sheet, own]) =>
    [...own].map(([path, bare]): PartOnTable => ({ ...bare, sheet, path, is: whatIs(plan, sheet, path, ahead) })),
  );
  return { parts, kerf };
}

function whatIs(plan: Plan, sheet: number, path: string, ahead: ReadonlySet<string>): PartOnTable['is'] {
  if (path.startsWith('m.')) return 'waste';
  if (ahead.has(`${sheet} ${path}`)) return 'begun';
  const { nodes } = findPart(plan.sheets[sheet]!.tree, path);
  const only = nodes.length === 1 ? nodes[0]! : null;
  if (only?.holds && typeof only.holds === 'object') return only.holds;
  return only?.holds === 'keep' ? 'keep' : 'waste';
}

const bare = (x: number, y: number, width: number, height: number): Bare => ({
  x,
  y,
  width,
  height,
  hole: null,
  slits: 0,
});

/** A margin and what is left of the sheet. */
function trimmed({ x, y, width, height }: Box, edge: 'left' | 'right' | 'top' | 'bottom', by: number): [Bare, Bare] {
  switch (edge) {
    case 'left':
      return [bare(x, y, by, height), bare(x + by, y, width - by, height)];
    case 'right':
      return [bare(x + width - by, y, by, height), bare(x, y, width - by, height)];
    case 'bottom':
      return [bare(x, y, width, by), bare(x, y + by, width, height - by)];
    case 'top':
      return [bare(x, y + height - by, width, by), bare(x, y, width, height - by)];
  }
}

/** What a cut takes off at an edge, what it leaves, and the area that the blade swallows. */
export function cutPartInTwo(
  { x, y, width, height }: Box,
  edge: 'left' | 'bottom',
  setting: number,
  kerf: number,
): [off: Bare, rest: Bare, lost: number] {
  if (edge === 'left') {
    const left = Math.max(0, width - setting - kerf);
    return [bare(x, y, setting, height), bare(x + setting + kerf, y, left, height), (width - setting - left) * height];
  }
  const left = Math.max(0, height - setting - kerf);
  return [bare(x, y, width, setting), bare(x, y + setting + kerf, width, left), (height - setting - left) * width];
}
