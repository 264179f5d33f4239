import { TICKS_PER_UNIT } from '@temnex/core/length';
import { areaWithin, clipPaper, type Spot } from '@temnex/core/geometry';
import { findPart, type Job, type Plan, type PlanNode, type Step } from '@temnex/core/planner';
import { namePartsOfPlan } from '@temnex/core/cutting';
import { describeOddPaper, describePart, formatSize, describeStep } from '@temnex/words';
import {
  CUT,
  INK,
  KEEP,
  drawCutLine,
  drawHatching,
  drawHatchingIn,
  fitNameIn,
  estimateTextWidth,
  type Drawing,
  type Fill,
  type DrawingMark,
} from './marks.ts';
import { paperFill, drawingUnitsPer, type PictureStyle } from './sheetPicture.ts';

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

export function boxAround(nodes: readonly PlanNode[]): Box {
  const x = Math.min(...nodes.map((n) => n.x));
  const y = Math.min(...nodes.map((n) => n.y));
  return {
    x,
    y,
    width: Math.max(...nodes.map((n) => n.x + n.width)) - x,
    height: Math.max(...nodes.map((n) => n.y + n.height)) - y,
  };
}

/*
 * One frame of the story: the part in hand as large as the frame allows, its edge on the fence (a heavy bar), the
 * setting on a flag, and what comes off slid a little away from what is left:
 *
 *      4 1/4
 *    |<----->                        +---------------+
 *    |+-------+  +------------+      |     rest      |
 *    ||  off  |  |    rest    |      +---------------+
 *    |+-------+  +------------+   ^  +---------------+
 *    fence                        |  |      off      |
 *                           4 1/4 v  +---------------+
 *                                    ================= fence
 */
const GAP = 10;
const BAR = 5;
const FLAG = 20;
const SIDE_FLAG = 40;
/** Units of the drawing to the inch, at the most: half a narrow strip's real size on a screen still tells it from a mat. */
const LARGEST = 48;

/** What a frame leaves for its picture, in units of the drawing. */
export interface Room {
  readonly width: number;
  readonly height: number;
}
type Style = Omit<PictureStyle, 'scale'>;

interface Part {
  readonly box: Box;
  readonly nodes: readonly PlanNode[];
  readonly label: string;
  /** Of an odd scrap: what of it is paper, in the plan's unit. */
  readonly paper?: readonly Spot[] | undefined;
}

type Guided = Exclude<Step, { do: 'open' }>;

/** The two parts that a step makes, in the plan's unit. `rest` is null where the kerf swallows it. */
function partsOf(
  plan: Plan,
  step: Guided,
  job: Job,
  style: Pick<PictureStyle, 'pieceName' | 'voice'>,
): { off: Part; rest: Part | null } {
  const sheet = plan.sheets[step.sheets[0]!]!;
  if (step.do === 'trim') {
    const ticks = TICKS_PER_UNIT[plan.unit];
    const stock = job.stock.find((s) => s.id === sheet.stock)!;
    const whole = { x: 0, y: 0, width: stock.width / ticks, height: stock.height / ticks };
    const s = step.setting;
    const upright = step.edge === 'left' || step.edge === 'right';
    const off = upright ? { ...whole, width: s } : { ...whole, height: s };
    const rest = upright ? { ...whole, width: whole.width - s } : { ...whole, height: whole.height - s };
    return { off: { box: off, nodes: [], label: 'margin' }, rest: { box: rest, nodes: [], label: '' } };
  }
  const odd = describeOddPaper(plan, step.sheets[0]!, job);
  const shortNames = namePartsOfPlan(plan);
  const part = (path: string): Part => {
    const { nodes } = findPart(sheet.tree, path);
    const label =
      shortNames(step.sheets[0]!, path) ??
      ((nodes[0]?.holds === 'odd' && odd?.nameOf(nodes)) || abbreviateName(nodes, style, plan));
    return { box: boxAround(nodes), nodes, label, paper: paperOutlineOf(plan, sheet.stock, job, boxAround(nodes)) };
  };
  if (step.do === 'stop') return { off: part(step.part), rest: null };
  return { off: part(step.off), rest: step.rest === null ? null : part(step.rest) };
}

/** What of a part is paper; undefined where all of it is. */
export function paperOutlineOf(plan: Plan, stock: string, job: Job, box: Box): readonly Spot[] | undefined {
  const { outline } = job.stock.find((s) => s.id === stock)!;
  if (!outline) return undefined;
  const ticks = TICKS_PER_UNIT[plan.unit];
  const inTicks = { x: box.x * ticks, y: box.y * ticks, width: box.width * ticks, height: box.height * ticks };
  const paper = clipPaper(outline, inTicks);
  const area = areaWithin(paper);
  // lines there and back are no paper
  if (area < 1000) return [];
  const all = inTicks.width * inTicks.height - area < inTicks.width + inTicks.height;
  return all ? undefined : paper.map((p) => ({ x: p.x / ticks, y: p.y / ticks }));
}

/** A name short enough for a picture: the piece, or the first of several. */
export function abbreviateName(
  nodes: readonly PlanNode[],
  { pieceName, voice }: Pick<PictureStyle, 'pieceName' | 'voice'>,
  plan: Plan,
): string {
  const only = nodes.length === 1 ? nodes[0]! : null;
  const ticks = TICKS_PER_UNIT[plan.unit];
  if (only?.holds === 'keep') return `keep ${formatSize(only.width * ticks, only.height * ticks, voice)}`;
  if (only && !only.cut) return describePart(nodes, pieceName);
  const names: string[] = [];
  const walk = (node: PlanNode): void => {
    if (node.holds && typeof node.holds === 'object') names.push(pieceName(node.holds.piece));
    node.parts?.forEach(walk);
  };
  nodes.forEach(walk);
  const [first] = names;
  return first ? (names.length > 1 ? `${first} +${names.length - 1}` : first) : 'keep';
}

/** The scale at which paper of this size (the plan's unit) fills the room that bars, flags and gaps leave. */
function scaleIn(room: Room, taken: Room, paper: Room, plan: Pick<Plan, 'unit'>): number {
  const fits = Math.min((room.width - taken.width) / paper.width, (room.height - taken.height) / paper.height);
  return Math.max(1, Math.min(LARGEST, fits / drawingUnitsPer(plan, 1)));
}

/** The frame of one cut, as large as its room allows. */
export function drawStep(plan: Plan, step: Step, job: Job, style: Style, room: Room): Drawing {
  const words = describeStep(step, plan, job, style.voice, style.pieceName);
  const title = `${words.hold}. ${step.do === 'open' ? '' : `Set ${words.setting}. `}${words.off} comes off, ${words.rest} is left.`;
  const whole = step.do === 'open' || step.do === 'stop';
  if (whole) return wholePicture(plan, step, style, title, room);
  const { setting } = words;
  const upright = step.edge === 'left' || step.edge === 'right';
  const { off, rest } = partsOf(plan, step, job, style);
  const between = rest ? GAP : 0;
  const [both, wider, higher] = [off.box, rest?.box ?? { width: 0, height: 0 }].reduce(
    ([sum, width, height], box) => [
      sum + (upright ? box.width : box.height),
      Math.max(width, box.width),
      Math.max(height, box.height),
    ],
    [0, 0, 0],
  );
  const scale = upright
    ? scaleIn(room, { width: BAR + between, height: FLAG }, { width: both, height: higher }, plan)
    : scaleIn(room, { width: SIDE_FLAG, height: BAR + between + 4 }, { width: wider, height: both }, plan);
  const per = drawingUnitsPer(plan, scale);
  const [w, h] = [off.box.width * per, off.box.height * per];
  const [rw, rh] = rest ? [rest.box.width * per, rest.box.height * per] : [0, 0];
  const fill = paperFill({ ...style, scale }, plan.sheets[step.sheets[0]!]!.stock, 'A');
  const trim = step.do === 'trim';
  const size = upright
    ? { width: BAR + w + (rest ? GAP + rw : 0), height: FLAG + h }
    : { width: SIDE_FLAG + Math.max(w, rw), height: h + BAR + (rest ? GAP + rh : 0) + 4 };
  const offAt = upright ? { x: BAR, y: FLAG } : { x: SIDE_FLAG, y: size.height - BAR - h };
  const restAt = upright ? { x: BAR + w + GAP, y: FLAG } : { x: SIDE_FLAG, y: offAt.y - GAP - rh };
  const marks: DrawingMark[] = [];
  if (rest) marks.push(...partMarks(rest, restAt, per, fill, false));
  marks.push(...partMarks(off, offAt, per, fill, trim));
  if (upright) {
    const at = BAR + w + GAP / 2;
    marks.push(
      { kind: 'rect', x: 0, y: FLAG - 4, width: BAR, height: h + 4, fill: INK },
      ...drawCutLine(at, FLAG - 5, at, FLAG + h),
    );
    const middle = w > estimateTextWidth(setting, 14);
    marks.push(
      { kind: 'line', x1: BAR, y1: FLAG - 5, x2: BAR + w, y2: FLAG - 5, stroke: { colour: CUT, width: 1.4 } },
      flagText(middle ? BAR + w / 2 : 0, FLAG - 9, setting, middle ? 'middle' : 'start'),
    );
  } else {
    const at = offAt.y - GAP / 2;
    marks.push(
      { kind: 'rect', x: SIDE_FLAG - 4, y: size.height - BAR, width: w + 4, height: BAR, fill: INK },
      ...drawCutLine(SIDE_FLAG - 5, at, SIDE_FLAG + w, at),
    );
    marks.push(
      {
        kind: 'line',
        x1: SIDE_FLAG - 5,
        y1: offAt.y,
        x2: SIDE_FLAG - 5,
        y2: offAt.y + h,
        stroke: { colour: CUT, width: 1.4 },
      },
      flagText(SIDE_FLAG - 9, Math.min(size.height - 2, offAt.y + h / 2 + 5), setting, 'end'),
    );
  }
  return {
    ...size,
    width: Math.max(size.width, 44),
    marks,
    title,
  };
}

/** A part that stays in one: the piece whose centre is cut out by hand, or a windmill with the stop cut to make. */
function wholePicture(
  plan: Plan,
  step: Extract<Step, { do: 'open' | 'stop' }>,
  style: Style,
  title: string,
  room: Room,
): Drawing {
  const sheet = plan.sheets[step.sheets[0]!]!;
  const { nodes } = findPart(sheet.tree, step.part);
  const node = nodes[0]!;
  const scale = scaleIn(room, { width: 2 * BAR, height: FLAG + BAR }, node, plan);
  const per = drawingUnitsPer(plan, scale);
  const fill = paperFill({ ...style, scale }, sheet.stock, 'A');
  const at = { x: BAR, y: FLAG };
  const [width, height] = [node.width * per, node.height * per];
  const marks: DrawingMark[] = partMarks({ box: node, nodes, label: '' }, at, per, fill, false);
  if (step.do === 'open') {
    const o = node.opening!;
    const hole = { x: at.x + (o.x - node.x) * per, y: at.y + (node.y + node.height - o.y - o.height) * per };
    marks.push(...partMarks({ box: o, nodes: [o], label: abbreviateName([o], style, plan) }, hole, per, fill, false));
    const stroke = { colour: CUT, width: 1.6, dash: [5, 3] };
    marks.push({ kind: 'rect', ...hole, width: o.width * per, height: o.height * per, stroke });
  } else {
    const [s, u] = [step.setting * per, step.until * per];
    const [right, bottom] = [at.x + width, at.y + height];
    // lines start at the lower, left, right and upper edge, in this order
    const lines = [
      [at.x + s, bottom, at.x + s, bottom - u],
      [at.x, bottom - s, at.x + u, bottom - s],
      [right, bottom - s, right - u, bottom - s],
      [at.x + s, at.y, at.x + s, at.y + u],
    ] as const;
    marks.push(...drawCutLine(...lines[step.line - 1]!));
    const fence =
      step.edge === 'left' ? { x: 0, y: FLAG, width: BAR, height } : { x: BAR, y: bottom, width, height: BAR };
    marks.push({ kind: 'rect', ...fence, fill: INK });
  }
  return { width: Math.max(44, width + 2 * BAR), height: height + FLAG + BAR, marks, title };
}

/** The setting, in the colour of "cut here". */
const flagText = (x: number, y: number, text: string, anchor: 'start' | 'middle' | 'end'): DrawingMark => ({
  kind: 'text',
  x,
  y,
  text,
  size: 14,
  weight: 600,
  face: 'figures',
  anchor,
  fill: CUT,
});

function partMarks(
  { box, nodes, label, paper }: Part,
  at: { x: number; y: number },
  per: number,
  fill: Fill,
  discarded: boolean,
): DrawingMark[] {
  const [width, height] = [box.width * per, box.height * per];
  const holds = nodes.length === 1 ? nodes[0]!.holds : undefined;
  const points = paper?.map((p) => [at.x + (p.x - box.x) * per, at.y + (box.y + box.height - p.y) * per] as const);
  const isOdd = holds === 'odd';
  if (points && points.length < 3) return [];
  const marks: DrawingMark[] = [points ? { kind: 'poly', points, fill } : { kind: 'rect', ...at, width, height, fill }];
  if (points && isOdd)
    marks.push(
      { kind: 'poly', points, fill: '#d8d8d8b0' },
      ...drawHatchingIn(points, 5, { colour: '#6f6f6f', width: 0.5 }, 'rise'),
      ...drawHatchingIn(points, 5, { colour: '#6f6f6f', width: 0.5 }, 'fall'),
    );
  if (holds === 'waste' || discarded) {
    const thin = { colour: '#6f6f6f', width: 0.5 };
    marks.push(
      { kind: 'rect', ...at, width, height, fill: '#d8d8d8b0' },
      ...drawHatching(at.x, at.y, width, height, 5, thin, 'rise'),
      ...drawHatching(at.x, at.y, width, height, 5, thin, 'fall'),
    );
  }
  if (holds === 'keep')
    marks.push(
      { kind: 'rect', ...at, width, height, fill: '#ffffff80' },
      ...drawHatching(at.x, at.y, width, height, 12, { colour: KEEP, width: 0.6 }, 'rise'),
    );
  if (points) marks.push({ kind: 'poly', points, stroke: { colour: INK, width: 1 } });
  else
    marks.push({
      kind: 'rect',
      ...at,
      width,
      height,
      stroke: holds === 'keep' ? { colour: KEEP, width: 1.2, dash: [5, 3] } : { colour: INK, width: 1 },
    });
  // later cuts, faintly
  const inner = (node: PlanNode): void => {
    for (const child of node.parts ?? []) {
      const inside = {
        x: at.x + (child.x - box.x) * per,
        y: at.y + (box.y + box.height - child.y - child.height) * per,
        width: child.width * per,
        height: child.height * per,
      };
      if (child.holds !== 'odd')
        marks.push({ kind: 'rect', ...inside, stroke: { colour: INK, width: 0.5, dash: [2, 2] } });
      inner(child);
    }
  };
  nodes.forEach(inner);
  // a size is whole or left out, and hatching says what is waste
  const shorter = holds === 'keep' ? 'keep' : holds === 'waste' || discarded ? '' : null;
  if (Math.min(width, height) >= 10)
    marks.push(...drawName(label, { ...at, width, height }, typeof fill !== 'string', shorter));
  return marks;
}

const NAME = 11;

/**
 * A name in the middle of a part: level or turned, over as many lines as it needs, on a plate where paper is under it.
 * Where it does not fit, `shorter` stands for it, or what fits of it.
 */
export function drawName(
  name: string,
  { x, y, width, height }: Box,
  plate: boolean,
  shorter: string | null,
  size = NAME,
): DrawingMark[] {
  const line = size * 1.14;
  const [level, turned] = [fitNameIn(name, size, width - 6, height - 2), fitNameIn(name, size, height - 6, width - 2)];
  const turn = !level.whole && (turned.whole || height > 1.4 * width);
  const best = turn ? turned : level;
  const along = (turn ? height : width) - 6;
  const lines = best.whole || shorter === null ? best.lines : fitNameIn(shorter, size, along, 2 * size).lines;
  if (!lines.length) return [];
  const [cx, cy] = [x + width / 2, y + height / 2];
  const long = Math.max(...lines.map((line) => estimateTextWidth(line, size))) + 6;
  const high = lines.length * line + 2;
  const under = turn ? { width: high, height: long } : { width: long, height: high };
  const marks: DrawingMark[] = plate
    ? [{ kind: 'rect', x: cx - under.width / 2, y: cy - under.height / 2, ...under, fill: '#fbfbfae8' }]
    : [];
  lines.forEach((text, i) => {
    const off = (i - (lines.length - 1) / 2) * line + size * 0.34;
    const spot = turn ? { x: cx + off, y: cy, turn: 90 } : { x: cx, y: cy + off };
    marks.push({ kind: 'text', ...spot, text, size: size, weight: 600, face: 'text', anchor: 'middle', fill: INK });
  });
  return marks;
}
