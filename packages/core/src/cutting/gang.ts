import {
  formatExactLength,
  lengthOf,
  ticks,
  TICKS_PER_UNIT,
  type LengthText,
  type Mark,
  type Ticks,
  type Unit,
} from '../length/index.ts';
import type { PrintToMake } from '../photos/index.ts';
import type { JobDocument, Plan, PlanNode } from '../planner/index.ts';
import type { Habits } from '../stock/index.ts';
import { habitsForJob } from './pageJob.ts';

/*
 * Small prints put together on photo sheets: a job of the planner like any other, whose pieces are prints and whose paper is photo
 * paper. What it plans is what is printed, so that the cuts fall where two prints meet.
 */

/** A photo sheet that prints are put on. */
export interface PhotoSheet {
  readonly width: LengthText;
  readonly height: LengthText;
  readonly unit: Unit;
  /** What a printer leaves white on every edge; it is trimmed off. */
  readonly margin: LengthText;
}
const PAPER = 'photo-paper';
const STOCK = 'photo-sheet';
/** More sheets than this are not put together at once. */
export const MAX_PHOTO_SHEETS = 60;

/** What the print at a place of the list is called in its job. */
export const gangPieceId = (at: number): string => `print ${at + 1}`;

export function buildGangJob(
  prints: readonly PrintToMake[],
  sheet: PhotoSheet,
  habits: Habits,
  mark: Mark,
): JobDocument {
  const { width, height, unit, margin } = sheet;
  const all = `${margin} ${unit}`;
  const from = (length: LengthText) => formatExactLength(lengthOf(length, unit), mark.unit);
  return {
    format: 'temnex-job',
    version: 2,
    name: 'photo sheets',
    unit: mark.unit,
    ...habitsForJob(habits, mark),
    papers: [{ id: PAPER, name: 'photo paper' }],
    stock: [
      {
        id: STOCK,
        paper: PAPER,
        width: from(width),
        height: from(height),
        quantity: MAX_PHOTO_SHEETS,
        ...(lengthOf(margin, unit) > 0 ? { trim: { left: all, right: all, top: all, bottom: all } } : {}),
      },
    ],
    pieces: prints.map((print, i) => ({
      id: gangPieceId(i),
      papers: [PAPER],
      quantity: print.copies,
      width: formatExactLength(print.width, mark.unit),
      height: formatExactLength(print.height, mark.unit),
    })),
  };
}

/** A print on a sheet, in ticks from the sheet's lower left corner; turned counter-clockwise. */
export interface GangPrint {
  /** As it is called in its job. */
  readonly key: string;
  readonly x: Ticks;
  readonly y: Ticks;
  readonly width: Ticks;
  readonly height: Ticks;
  readonly turn: 0 | 90 | 180 | 270;
}
export interface GangSheet {
  readonly width: Ticks;
  readonly height: Ticks;
  readonly prints: readonly GangPrint[];
}

/** Where every print of a plan lies. */
export function locateGangPrints(plan: Plan, sheet: PhotoSheet): GangSheet[] {
  const per = TICKS_PER_UNIT[plan.unit];
  const t = (n: number) => ticks(Math.round(n * per));
  const in_ = (node: PlanNode): GangPrint[] => [
    ...(typeof node.holds === 'object'
      ? [{ key: node.holds.piece, x: t(node.x), y: t(node.y), width: t(node.width), height: t(node.height), turn: node.holds.turn }] // prettier-ignore
      : []),
    ...(node.parts ?? []).flatMap(in_),
  ];
  const size = { width: lengthOf(sheet.width, sheet.unit), height: lengthOf(sheet.height, sheet.unit) };
  return plan.sheets.map(({ tree }) => ({ ...size, prints: in_(tree) }));
}

/** A line from one point to another, in ticks. */
export interface MarkLine {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}
/** How long a cut mark is: an eighth of an inch. */
const MARK_LONG = TICKS_PER_UNIT.in / 8;

/**
 * Where to cut: a short line at every corner of every print, outwards along both of its edges, but not over another print nor past the
 * sheet. Where prints meet, their shared edge is seen; marks stand at its ends.
 */
export function computeCutMarks({ width, height, prints }: GangSheet): MarkLine[] {
  const seen = new Set<string>();
  const within = (from: number, to: number, low: number, long: number) => Math.min(from, to) < low + long && Math.max(from, to) > low; // prettier-ignore
  const touches = (at: number, low: number, long: number) => at >= low && at <= low + long;
  const over = ({ x1, y1, x2, y2 }: MarkLine) =>
    prints.some((p) =>
      y1 === y2
        ? touches(y1, p.y, p.height) && within(x1, x2, p.x, p.width)
        : touches(x1, p.x, p.width) && within(y1, y2, p.y, p.height),
    );
  const lines = prints.flatMap(({ x, y, width: w, height: h }) =>
    [
      [x, -1, y, -1],
      [x + w, 1, y, -1],
      [x, -1, y + h, 1],
      [x + w, 1, y + h, 1],
    ].flatMap(([cx, dx, cy, dy]): MarkLine[] => [
      { x1: cx!, y1: cy!, x2: Math.min(width, Math.max(0, cx! + dx! * MARK_LONG)), y2: cy! },
      { x1: cx!, y1: cy!, x2: cx!, y2: Math.min(height, Math.max(0, cy! + dy! * MARK_LONG)) },
    ]),
  );
  return lines.filter((l) => {
    const key = [l.x1, l.y1, l.x2, l.y2].join();
    if (seen.has(key) || (l.x1 === l.x2 && l.y1 === l.y2) || over(l)) return false;
    seen.add(key);
    return true;
  });
}
