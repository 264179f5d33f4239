import { type Job, type Plan, type PlanNode, type Step } from '@temnex/core';
import { figure, partAt, partWords, stepWords } from '@temnex/words';
import { TICKS_PER_UNIT } from '@temnex/core';
import { CUT, INK, cutLine, fitText, hatch, KEEP, type Drawing, type Mark } from './marks.ts';
import { paperFill, perUnit, type PictureStyle } from './sheetPicture.ts';

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

function around(nodes: readonly PlanNode[]): Box {
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
 * One frame of the story: the part in hand at the story's one scale, its edge on the fence (a heavy bar), the setting
 * on a flag, and what comes off slid a little away from what is left:
 *
 *    |+--------+  +---------------+
 *    ||  off   |  |     rest      |
 *    |+--------+  +---------------+
 *    fence  4 1/4
 */
const GAP = 10;
const BAR = 5;
const FLAG = 20;

/** The frame of one cut. Its size follows the part in hand, so that a row of frames compares at a glance. */
export function stepPicture(plan: Plan, step: Step, job: Job, style: PictureStyle): Drawing {
  const sheet = plan.sheets[step.sheets[0]!]!;
  const per = perUnit(plan, style.scale);
  const ticks = TICKS_PER_UNIT[plan.unit];
  const words = stepWords(step, plan, style.pieceName, style.voice);
  const setting = figure(step.setting * ticks, style.voice);
  const upright = step.edge === 'left' || step.edge === 'right';
  let off: Box;
  let rest: Box | null;
  let offNodes: PlanNode[] = [];
  let restNodes: PlanNode[] = [];
  if (step.do === 'trim') {
    const stock = job.stock.find((s) => s.id === sheet.stock)!;
    const whole = { x: 0, y: 0, width: stock.width / ticks, height: stock.height / ticks };
    const s = step.setting;
    off = upright ? { ...whole, width: s } : { ...whole, height: s };
    rest = upright ? { ...whole, x: s, width: whole.width - s } : { ...whole, y: s, height: whole.height - s };
  } else {
    offNodes = partAt(sheet.tree, step.off).nodes;
    restNodes = step.rest === null ? [] : partAt(sheet.tree, step.rest).nodes;
    off = around(offNodes);
    rest = restNodes.length ? around(restNodes) : null;
  }
  const marks: Mark[] = [];
  const fill = paperFill(style, sheet.stock, 'A');
  const coloured = typeof fill !== 'string';
  const [w, h] = [off.width * per, off.height * per];
  const restWidth = rest ? (upright ? rest.width * per : w) : 0;
  const restHeight = rest ? (upright ? h : rest.height * per) : 0;
  // the fence lies left of an upright cut and below a level one
  const width = upright ? BAR + w + (rest ? GAP + restWidth : 0) : Math.max(w, restWidth);
  const height = upright ? Math.max(h, restHeight) + FLAG : FLAG + BAR + h + (rest ? GAP + restHeight : 0);
  const offAt = upright ? { x: BAR, y: FLAG } : { x: 0, y: height - BAR - h };
  const restAt = upright ? { x: BAR + w + GAP, y: FLAG } : { x: 0, y: FLAG };

  const part = (
    at: { x: number; y: number },
    pw: number,
    ph: number,
    nodes: readonly PlanNode[],
    label: string,
  ): void => {
    marks.push({ kind: 'rect', ...at, width: pw, height: ph, fill });
    const only = nodes.length === 1 ? nodes[0]! : null;
    if (only?.holds === 'waste' || step.do === 'trim')
      marks.push({
        kind: 'rect',
        ...at,
        width: pw,
        height: ph,
        fill: step.do === 'trim' && at === restAt ? '#ffffff00' : '#d8d8d8b0',
      });
    if (only?.holds === 'waste')
      marks.push(
        ...hatch(at.x, at.y, pw, ph, 5, { colour: '#6f6f6f', width: 0.5 }, 'rise'),
        ...hatch(at.x, at.y, pw, ph, 5, { colour: '#6f6f6f', width: 0.5 }, 'fall'),
      );
    if (only?.holds === 'keep')
      marks.push(
        { kind: 'rect', ...at, width: pw, height: ph, fill: '#ffffff80' },
        ...hatch(at.x, at.y, pw, ph, 12, { colour: KEEP, width: 0.6 }, 'rise'),
      );
    marks.push({
      kind: 'rect',
      ...at,
      width: pw,
      height: ph,
      stroke: only?.holds === 'keep' ? { colour: KEEP, width: 1.2, dash: [5, 3] } : { colour: INK, width: 1 },
    });
    for (const node of nodes) inner(node, at, around(nodes));
    const narrow = pw < 40 && ph > pw;
    const text = fitText(label, 10.5, (narrow ? ph : pw) - 6);
    if (!text || Math.min(pw, ph) < 9) return;
    const [cx, cy] = [at.x + pw / 2, at.y + ph / 2];
    const half = text.length * 2.8 + 3;
    if (coloured)
      marks.push(
        narrow
          ? { kind: 'rect', x: cx - 7, y: cy - half, width: 14, height: half * 2, fill: '#fbfbfae8' }
          : { kind: 'rect', x: cx - half, y: cy - 8, width: half * 2, height: 15, fill: '#fbfbfae8' },
      );
    marks.push({
      kind: 'text',
      x: narrow ? cx + 3.6 : cx,
      y: narrow ? cy : cy + 3.6,
      text,
      size: 10.5,
      weight: 600,
      face: 'text',
      anchor: 'middle',
      fill: INK,
      ...(narrow ? { turn: 90 } : {}),
    });
  };
  /** Later cuts of a part, faintly. */
  const inner = (node: PlanNode, at: { x: number; y: number }, frame: Box): void => {
    for (const child of node.parts ?? []) {
      const box = {
        x: at.x + (child.x - frame.x) * per,
        y: at.y + (frame.y + frame.height - child.y - child.height) * per,
        width: child.width * per,
        height: child.height * per,
      };
      marks.push({ kind: 'rect', ...box, stroke: { colour: '#161616', width: 0.5, dash: [2, 2] } });
      inner(child, at, frame);
    }
  };
  if (rest)
    part(restAt, restWidth, restHeight, restNodes, step.do === 'trim' ? '' : partWords(restNodes, style.pieceName));
  part(offAt, w, h, offNodes, words.off);

  if (upright) {
    marks.push({ kind: 'rect', x: 0, y: FLAG - 4, width: BAR, height: h + 4, fill: INK });
    marks.push(...cutLine(BAR + w + GAP / 2, FLAG - 5, BAR + w + GAP / 2, FLAG + h));
    marks.push(...flag(BAR, w, FLAG - 8, setting));
  } else {
    marks.push({ kind: 'rect', x: 0, y: height - BAR, width: w, height: BAR, fill: INK });
    const y = height - BAR - h - GAP / 2;
    marks.push(...cutLine(0, y, w, y));
    marks.push(...flag(0, w, FLAG - 8, setting));
  }
  return {
    width: Math.max(width, 44),
    height,
    marks,
    title: `${words.hold}. Set ${setting}. ${words.off} comes off, ${words.rest} is left.`,
  };
}

/** The setting, in the colour of "cut here", above the part that comes off. */
function flag(x: number, width: number, y: number, setting: string): Mark[] {
  return [
    { kind: 'line', x1: x, y1: y + 3, x2: x + Math.max(width, 8), y2: y + 3, stroke: { colour: CUT, width: 1.4 } },
    {
      kind: 'text',
      x: width > 34 ? x + width / 2 : x,
      y: y - 1,
      text: setting,
      size: 14,
      weight: 600,
      face: 'figures',
      anchor: width > 34 ? 'middle' : 'start',
      fill: CUT,
    },
  ];
}
