import { TICKS_PER_UNIT } from '@temnex/core/length';
import {
  findPart,
  turnsToFence,
  type FenceEdge,
  type Job,
  type Plan,
  type PlanNode,
  type Step,
} from '@temnex/core/planner';
import { partInHandFor, namePartsOfPlan } from '@temnex/core/cutting';
import type { TrimmerStep } from '@temnex/core/trimmer';
import { describeOddPaper } from '@temnex/words';
import {
  CUT,
  INK,
  KEEP,
  drawCutLine,
  drawHatching,
  drawHatchingIn,
  estimateTextWidth,
  type Drawing,
  type DrawingMark,
} from './marks.ts';
import { paperFill, drawingUnitsPer, type PictureStyle } from './sheetPicture.ts';
import { boxAround, drawName, paperOutlineOf, abbreviateName, type Box, type Room } from './stepPicture.ts';

/*
 * What lies on the trimmer, as it lies there: the fence on the left, the blade's line at the setting, the ruler below, the paper
 * turned so that the edge which the cut asks for is on the fence.
 *
 *     ▐┌───────┆────────────┐
 *     ▐│  off  ┆    rest    │
 *     ▐└───────┆────────────┘
 *      └┴┴┴1┴┴┴▲┴2┴┴┴3┴┴┴4┴┴┴   ruler, with the setting on it
 */

export interface TrimmerDrawing extends Drawing {
  /** What comes off, over the bed: it may slide away. */
  readonly off: readonly DrawingMark[];
  /** The line of the blade, over all. */
  readonly front: readonly DrawingMark[];
}

const FENCE = 14;
const RULER = 46;
const ABOVE = 12;
/** Units of the drawing to the inch, at the most: a narrow strip is not blown up without end. */
const LARGEST = 150;
const QUIET = '#494949';
const BED = '#f4f4f2';

type Style = Omit<PictureStyle, 'scale'>;
type Quarters = 0 | 1 | 2 | 3;

/** Puts rectangles and points of a part, y up, where they lie once it is turned: y down, from its upper left corner. */
function turned(part: Box, quarters: Quarters, per: number) {
  const { width: w, height: h } = part;
  const size = quarters % 2 ? { width: h * per, height: w * per } : { width: w * per, height: h * per };
  const point = (x: number, y: number): readonly [number, number] => {
    const [u, v] = [x - part.x, y - part.y];
    const [tu, tv] = [[u, v], [h - v, u], [w - u, h - v], [v, w - u]][quarters] as [number, number]; // prettier-ignore
    return [tu * per, size.height - tv * per];
  };
  const box = (b: Box): Box => {
    const [x1, y1] = point(b.x, b.y);
    const [x2, y2] = point(b.x + b.width, b.y + b.height);
    return { x: Math.min(x1, x2), y: Math.min(y1, y2), width: Math.abs(x1 - x2), height: Math.abs(y1 - y2) };
  };
  return { size, point, box };
}

const wholeSheet = (plan: Plan, job: Job, sheet: number): Box => {
  const item = job.stock.find((s) => s.id === plan.sheets[sheet]!.stock)!;
  const per = TICKS_PER_UNIT[plan.unit];
  return { x: 0, y: 0, width: item.width / per, height: item.height / per };
};

/**
 * The picture of a step that is a cut, a turn or paper taken up; null for what is done by hand, which has a picture of its own. `turned`:
 * by how many quarters, counter-clockwise, what is in hand is turned for the cut; `times`: how often that cut is made.
 */
export function drawTrimmerStep(
  plan: Plan,
  step: TrimmerStep,
  job: Job,
  style: Style,
  room: Room,
  { turned, times }: { readonly turned: Quarters; readonly times: number } = { turned: 0, times: 1 },
): TrimmerDrawing | null {
  switch (step.do) {
    case 'take':
      return lyingPicture(plan, job, style, room, { sheets: step.sheets, part: 'r', edge: 'left', from: null });
    case 'whole':
      return lyingPicture(plan, job, style, room, { sheets: [step.sheet], part: 'r', edge: 'left', from: null });
    case 'turn':
      return lyingPicture(plan, job, style, room, { sheets: step.sheets, part: step.part, edge: step.to, from: step });
    case 'cut':
      return step.step.do === 'open' ? null : cutPicture(plan, step.index, step.step, job, style, room, turned, times);
    default:
      return null;
  }
}

function scaleFor(plan: Plan, room: Room, lying: { width: number; height: number }): number {
  const fits = Math.min((room.width - FENCE - 18) / lying.width, (room.height - RULER - ABOVE) / lying.height);
  return Math.max(1, Math.min(drawingUnitsPer(plan, LARGEST), fits));
}

interface Lies {
  readonly sheets: readonly number[];
  readonly part: string;
  readonly edge: FenceEdge;
  readonly from: Extract<TrimmerStep, { do: 'turn' }> | null;
}

/** Paper as it lies before a cut: several sheets a little apart, an arrow where it was turned. */
function lyingPicture(
  plan: Plan,
  job: Job,
  style: Style,
  room: Room,
  { sheets, part, edge, from }: Lies,
): TrimmerDrawing {
  const [sheet = 0] = sheets;
  const box = from ? partInHandFor(job, plan, from.index)! : wholeSheet(plan, job, sheet);
  const quarters = turnsToFence(edge);
  const lying = quarters % 2 ? { width: box.height, height: box.width } : box;
  const per = scaleFor(plan, room, lying);
  const t = turned(box, quarters, per);
  const at = { x: FENCE, y: ABOVE };
  // taken out of the drawer, it is not on the trimmer yet
  const marks: DrawingMark[] = from ? bed(plan, t.size, per, null) : [];
  // those below, seen at the edge
  for (let i = Math.min(3, sheets.length - 1); i > 0; i--)
    marks.push({
      kind: 'rect',
      x: at.x + i * 4,
      y: at.y - i * 4,
      ...t.size,
      fill: '#ffffff',
      stroke: { colour: INK, width: 0.8 },
    });
  marks.push(...partMarks(plan, job, style, { sheet, part, box, quarters, per, at, label: labelOf(plan, style, sheet, part) })); // prettier-ignore
  if (from) marks.push(...turnArrow(at.x + t.size.width / 2, at.y + t.size.height / 2, from.quarters, Math.min(t.size.width, t.size.height, 170) * 0.32)); // prettier-ignore
  return { ...sizeOf(t.size), marks, off: [], front: [], title: '' };
}

const sizeOf = (size: { width: number; height: number }) => ({
  width: FENCE + size.width + 18,
  height: ABOVE + size.height + RULER,
});

function labelOf(plan: Plan, style: Style, sheet: number, part: string): string {
  const { nodes } = findPart(plan.sheets[sheet]!.tree, part);
  return namePartsOfPlan(plan)(sheet, part) ?? abbreviateName(nodes, style, plan);
}

function cutPicture(
  plan: Plan,
  index: number,
  step: Exclude<Step, { do: 'open' }>,
  job: Job,
  style: Style,
  room: Room,
  by: Quarters,
  times: number,
): TrimmerDrawing {
  const [sheet] = step.sheets;
  const path = step.do === 'trim' ? 'r' : step.part;
  const box = partInHandFor(job, plan, index)!;
  const quarters = turnsToFence(step.edge);
  const lying = quarters % 2 ? { width: box.height, height: box.width } : box;
  const per = scaleFor(plan, room, lying);
  const t = turned(box, quarters, per);
  const at = { x: FENCE, y: ABOVE };
  const blade = at.x + step.setting * per;
  const marks: DrawingMark[] = bed(plan, t.size, per, step.setting, step.dial);
  const off: DrawingMark[] = [];
  const front: DrawingMark[] = [];
  const shared = { sheet: sheet!, quarters, per };
  if (step.do === 'stop') {
    marks.push(...partMarks(plan, job, style, { ...shared, part: path, box, at, label: '' }));
    const until = step.until * per;
    const fromTop = step.line === 2 || step.line === 4;
    const [y1, y2] = fromTop ? [at.y, at.y + until] : [at.y + t.size.height, at.y + t.size.height - until];
    front.push(...drawCutLine(blade, y1, blade, y2, 2.6));
    front.push({ kind: 'line', x1: blade - 12, y1: y2, x2: blade + 12, y2, stroke: { colour: CUT, width: 2.6 } });
    return { ...sizeOf(t.size), marks, off, front, title: '' };
  }
  if (step.do === 'trim') {
    const fill = fillOf(plan, style, sheet!, per, quarters, 'A');
    marks.push({ kind: 'rect', ...at, ...t.size, fill, stroke: { colour: INK, width: 1 } });
    const margin = { x: at.x, y: at.y, width: step.setting * per, height: t.size.height };
    off.push({ kind: 'rect', ...margin, fill: '#d8d8d8d0', stroke: { colour: INK, width: 1 } }, ...wasteHatch(margin));
  } else {
    const node = findPart(plan.sheets[sheet!]!.tree, step.off).nodes;
    const offBox = boxAround(node);
    off.push(
      ...partMarks(plan, job, style, {
        ...shared,
        part: step.off,
        box: offBox,
        label: labelOf(plan, style, sheet!, step.off),
        at: cornerOf(t.box(offBox), at),
      }),
    );
    if (step.rest !== null) {
      const restBox = boxAround(findPart(plan.sheets[sheet!]!.tree, step.rest).nodes);
      marks.push(
        ...partMarks(plan, job, style, {
          ...shared,
          part: step.rest,
          box: restBox,
          label: times > 1 ? '' : labelOf(plan, style, sheet!, step.rest),
          at: cornerOf(t.box(restBox), at),
        }),
      );
    }
  }
  front.push(...drawCutLine(blade, 0, blade, at.y + t.size.height + 10, 2.6));
  if (by) front.push(...turnedArrow(at, t.size, by));
  return { ...sizeOf(t.size), marks, off, front, title: '' };
}

/** The upper left corner of a part of what lies at `at`. */
const cornerOf = (part: Box, at: { readonly x: number; readonly y: number }) => ({
  x: at.x + part.x,
  y: at.y + part.y,
});

/** The bed of the trimmer: the fence, and the ruler with the setting on it. `setting` in the plan's unit. */
function bed(
  plan: Plan,
  size: { width: number; height: number },
  per: number,
  setting: number | null,
  dial?: number,
): DrawingMark[] {
  const foot = ABOVE + size.height;
  const inch = plan.unit === 'in';
  const marks: DrawingMark[] = [
    { kind: 'rect', x: FENCE, y: 0, width: size.width + 18, height: foot + 8, fill: BED },
    { kind: 'rect', x: 0, y: 0, width: FENCE, height: foot + RULER, fill: INK },
    { kind: 'line', x1: FENCE, y1: foot + 8, x2: FENCE + size.width + 18, y2: foot + 8, stroke: { colour: INK, width: 1.2 } }, // prettier-ignore
  ];
  // the finest marks that can still be told apart
  const fine = inch ? [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1] : [1, 5, 10];
  const step = fine.find((f) => f * per >= 4) ?? fine.at(-1)!;
  const numbered = inch ? 1 : 10;
  const everyNth = Math.max(1, Math.ceil(24 / (numbered * per)));
  const end = (size.width + 12) / per;
  const heightOf = (n: number): number => {
    const of = (unit: number) => Math.abs(n / unit - Math.round(n / unit)) < 1e-6;
    return inch ? (of(1) ? 14 : of(1 / 2) ? 10 : of(1 / 4) ? 7 : 4.5) : of(10) ? 14 : of(5) ? 9 : 5;
  };
  for (let i = 1; i * step <= end; i++) {
    const n = i * step;
    const x = FENCE + n * per;
    marks.push({ kind: 'line', x1: x, y1: foot + 8, x2: x, y2: foot + 8 + heightOf(n), stroke: { colour: INK, width: 0.9 } }); // prettier-ignore
    const whole = Math.round(n / numbered);
    // a number under the flag of the setting would be read with it
    const clear = setting === null || Math.abs(x - FENCE - (dial ?? setting) * per) > 18;
    if (clear && Math.abs(n / numbered - whole) < 1e-6 && whole % everyNth === 0)
      marks.push({
        kind: 'text',
        x,
        y: foot + 36,
        text: String(whole * (inch ? 1 : 10)),
        size: 14,
        weight: 600,
        face: 'figures',
        anchor: 'middle',
        fill: QUIET,
      });
  }
  if (setting !== null) {
    const x = FENCE + (dial ?? setting) * per;
    const [top, low] = [foot + 9, foot + 26];
    marks.push(
      { kind: 'poly', points: [[x, top], [x + 9, low], [x - 9, low]], fill: CUT }, // prettier-ignore
      { kind: 'rect', x: x - 9, y: low, width: 18, height: 16, fill: CUT },
    );
  }
  return marks;
}

interface Placed {
  readonly sheet: number;
  readonly part: string;
  readonly box: Box;
  readonly quarters: Quarters;
  readonly per: number;
  readonly at: { readonly x: number; readonly y: number };
  readonly label: string;
}

const fillOf = (plan: Plan, style: Style, sheet: number, per: number, quarters: Quarters, side: 'A' | 'B') => {
  const scale = plan.unit === 'in' ? per : per * 25.4;
  const fill = paperFill({ ...style, scale }, plan.sheets[sheet]!.stock, side);
  return typeof fill === 'string' ? fill : { ...fill, turn: (fill.turn + 90 * quarters) % 360 };
};

const wasteHatch = (b: Box): DrawingMark[] => {
  const thin = { colour: '#6f6f6f', width: 0.8 };
  return [
    ...drawHatching(b.x, b.y, b.width, b.height, 9, thin, 'rise'),
    ...drawHatching(b.x, b.y, b.width, b.height, 9, thin, 'fall'),
  ];
};

/** A part as it lies, with its paper, what becomes of it, the cuts still to come and its name. */
function partMarks(
  plan: Plan,
  job: Job,
  style: Style,
  { sheet, part, box, quarters, per, at, label }: Placed,
): DrawingMark[] {
  const t = turned(box, quarters, per);
  const lying = { ...at, ...t.size };
  const { nodes } = findPart(plan.sheets[sheet]!.tree, part);
  const only = nodes.length === 1 ? nodes[0]! : null;
  const fill = fillOf(plan, style, sheet, per, quarters, 'A');
  const paper = paperOutlineOf(plan, plan.sheets[sheet]!.stock, job, box);
  const points = paper?.map((p) => {
    const [x, y] = t.point(p.x, p.y);
    return [at.x + x, at.y + y] as const;
  });
  if (points && points.length < 3) return [];
  const shape = points ? ({ kind: 'poly', points } as const) : ({ kind: 'rect', ...lying } as const);
  const marks: DrawingMark[] = [{ ...shape, fill }];
  const waste = only?.holds === 'waste' || only?.holds === 'odd';
  const keep = only?.holds === 'keep';
  const thin = { colour: '#6f6f6f', width: 0.8 };
  if (waste)
    marks.push(
      { ...shape, fill: '#d8d8d8c0' },
      ...(points ? drawHatchingIn(points, 9, thin, 'rise') : wasteHatch(lying)),
    );
  if (keep)
    marks.push(
      { ...shape, fill: '#ffffff80' },
      ...(points
        ? drawHatchingIn(points, 18, { colour: KEEP, width: 1 }, 'rise')
        : drawHatching(lying.x, lying.y, lying.width, lying.height, 18, { colour: KEEP, width: 1 }, 'rise')),
    );
  const later = (node: PlanNode): void => {
    for (const child of node.parts ?? []) {
      const inside = t.box(child);
      if (child.holds !== 'odd')
        marks.push({
          kind: 'rect',
          x: at.x + inside.x,
          y: at.y + inside.y,
          width: inside.width,
          height: inside.height,
          stroke: { colour: INK, width: 0.7, dash: [3, 3] },
        });
      later(child);
    }
  };
  // what is left of a strip, where it is cut apart later
  if (nodes.length > 1) later({ ...nodes[0]!, parts: [...nodes] });
  else nodes.forEach(later);
  marks.push({ ...shape, stroke: keep ? { colour: KEEP, width: 2, dash: [8, 5] } : { colour: INK, width: 1.4 } });
  const said = waste ? 'waste' : describeOddPaper(plan, sheet, job) && only?.holds === 'odd' ? '' : label;
  if (said && Math.min(lying.width, lying.height) >= 16)
    marks.push(...drawName(said, lying, typeof fill !== 'string', keep ? 'keep' : null, nameSize(lying, said)));
  return marks;
}

/** As large as the part allows, within reason: it is read from a metre away. */
const nameSize = ({ width, height }: { width: number; height: number }, name: string): number => {
  const long = Math.max(width, height) - 12;
  const fits = (long / Math.max(1, estimateTextWidth(name, 1))) * 0.95;
  return Math.max(11, Math.min(26, fits, Math.min(width, height) / 1.6));
};

/** That what lies here was turned: an arrow near its upper right corner, out of the way of its name. */
function turnedArrow(
  at: { x: number; y: number },
  size: { width: number; height: number },
  by: 1 | 2 | 3,
): DrawingMark[] {
  const radius = Math.max(14, Math.min(40, Math.min(size.width, size.height) * 0.2));
  const [x, y] = [
    at.x + Math.max(size.width - radius - 24, size.width / 2),
    at.y + Math.min(radius + 24, size.height / 2),
  ];
  return turnArrow(x, y, by, radius);
}

/** An arrow round a middle, so many quarters counter-clockwise; three are one clockwise. */
function turnArrow(cx: number, cy: number, quarters: 1 | 2 | 3, radius: number): DrawingMark[] {
  const degrees = quarters === 3 ? -90 : quarters * 90;
  const from = quarters === 3 ? 135 : 45;
  const n = 14;
  const point = (i: number) => {
    const angle = ((from + (degrees * i) / n) * Math.PI) / 180;
    return [cx + radius * Math.cos(angle), cy - radius * Math.sin(angle)] as const;
  };
  const lines: DrawingMark[] = [];
  for (const [colour, width] of [
    ['#ffffff', 12],
    [CUT, 6],
  ] as const)
    // prettier-ignore
    for (let i = 0; i < n; i++) {
      const [[x1, y1], [x2, y2]] = [point(i), point(i + 1)];
      lines.push({ kind: 'line', x1, y1, x2, y2, stroke: { colour, width } });
    }
  const [tx, ty] = point(n);
  const along = ((from + degrees) * Math.PI) / 180 + (degrees > 0 ? Math.PI / 2 : -Math.PI / 2);
  const small = Math.min(1, radius / 30);
  const head = (angle: number, size: number) =>
    [tx + small * size * Math.cos(angle), ty - small * size * Math.sin(angle)] as const;
  lines.push({
    kind: 'poly',
    points: [head(along, 22), head(along + 2.1, 15), head(along - 2.1, 15)],
    fill: CUT,
    stroke: { colour: '#ffffff', width: 2 },
  });
  return lines;
}
