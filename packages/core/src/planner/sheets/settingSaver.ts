import type { Job, Rectangle } from '../documents/job.ts';
import { usableRectangleOf } from '../blanks/frames.ts';
import { waysByKind, type Way } from '../blanks/turning.ts';
import { findBestSchedule } from '../order/steps.ts';
import { flattenRuns } from './flat.ts';
import type { Solution } from './score.ts';
import { visitHeldPieces, isNewPaper } from './standing.ts';
import { kindsOnSheet } from './strips.ts';
import { canCutTree, makeOffcutTree, type CutSheet, type Tree } from './tree.ts';

/*
 * A setting less. One setting of a plan is to be done without: the pieces of the sheets that need it are taken off, with those of a few
 * others by chance, and are cut again from offcuts of the other sheets or from what is in the drawer, at settings that there are already.
 * Ruin and recreate (G. Schrimpf and others, 2000), but what is ruined is what stands in the way.
 */

/** Orders of cuts tried to see which sheet needs which setting. */
const TRIES = 12;
/** How likely one more sheet is cut again, and how likely no new setting may come in. */
const ANOTHER = 0.4;
const STRICT = 0.3;
/** What a cut costs at a setting that there is, at a new one, and at the one that is to be done without. */
const [AT_A_SETTING, AT_A_NEW_ONE, AT_THE_UNWANTED] = [1, 2.5, 4];
/** A paper that is liked less is taken only where there is no other. */
const LIKED_LESS = 100;

/** A room of a sheet while it is cut again. */
interface Room extends Rectangle {
  readonly sheet: Sheet;
  /** What was made of it: cuts, or what it holds; null while it is an offcut. */
  made: Tree | { readonly cut: 'x' | 'y'; readonly parts: readonly (Room | Tree)[] } | null;
}
interface Sheet {
  readonly stock: number;
  readonly root: Room;
}
/** Where a piece may come from, and how it lies there. */
interface Spot {
  readonly cost: number;
  readonly room: Room;
  readonly way: Way;
  readonly width: number;
  readonly height: number;
}
/** What is kept of a solution: sheets that stay as they are, and those of which offcuts may be used; and what there is besides. */
interface Rest {
  readonly settled: readonly CutSheet[];
  readonly sheets: Set<Sheet>;
  /** All rooms, those of which something was made included. */
  readonly rooms: Room[];
  /** [stock] how many of it may be taken. */
  readonly left: number[];
}

/** Changes solutions so that one of their settings may not be needed. Draws on chance; the same numbers give the same changes. */
export class SettingSaver {
  private readonly job: Job;
  private readonly random: () => number;
  private readonly waysOf = waysByKind();
  private readonly uses = new WeakMap<Solution, ReadonlyMap<number, ReadonlySet<number>>>();

  constructor(job: Job, random: () => number) {
    this.job = job;
    this.random = random;
  }

  /**
   * The same pieces from as much new paper or less, perhaps with a setting less. Null where they did not find a place; with a kerf; and
   * where all that is cut has a place that nothing may be moved on.
   */
  change(solution: Solution): Solution | null {
    const { job, random } = this;
    if (job.cutter.kerf) return null;
    const { sheets, missing } = solution;
    const isFree = sheets.map((sheet) => kindsOnSheet(job, sheet) !== null);
    const uses = this.usesOf(solution);
    const unwanted = [...uses]
      .filter(([, needing]) => [...needing].every((i) => isFree[i]))
      .sort(([, a], [, b]) => a.size - b.size);
    if (!unwanted.length) return null;
    // what few sheets need is the easiest to do without
    const [setting, needing] = unwanted[Math.floor(random() ** 2 * unwanted.length)]!;
    const again = new Set(needing);
    while (random() < ANOTHER) {
      const one = Math.floor(random() * sheets.length);
      if (isFree[one]) again.add(one);
    }
    const pieces: number[] = [];
    for (const i of again) visitHeldPieces(sheets[i]!.tree, ({ holds }) => pieces.push(holds.piece));
    const rest = this.restOf(solution, again, isFree);
    const placed = this.place(pieces, rest, this.costOfCut(setting, new Set(uses.keys())));
    if (!placed) return null;
    const made = [...rest.sheets].map(({ stock, root }): CutSheet => ({ stock, tree: treeOf(root, job.keep) }));
    const changed = flattenRuns({ sheets: [...rest.settled, ...made], missing }, job);
    return changed.sheets.every(({ tree }) => canCutTree(tree, job)) ? changed : null;
  }

  /** Which sheets need which setting. */
  private usesOf(solution: Solution): ReadonlyMap<number, ReadonlySet<number>> {
    const known = this.uses.get(solution);
    if (known) return known;
    const uses = new Map<number, Set<number>>();
    for (const { setting, sheets } of findBestSchedule(solution.sheets, this.job, TRIES).steps)
      if (setting !== null) uses.set(setting, new Set([...(uses.get(setting) ?? []), ...sheets]));
    this.uses.set(solution, uses);
    return uses;
  }

  private restOf({ sheets }: Solution, again: ReadonlySet<number>, isFree: readonly boolean[]): Rest {
    const { stock } = this.job;
    // of new paper no more is opened than was
    const left = stock.map((item) =>
      item.reserved || item.outline || item.uncut.length || isNewPaper(item) ? 0 : item.quantity,
    );
    const settled: CutSheet[] = [];
    const rest: Rest = { settled, sheets: new Set(), rooms: [], left };
    sheets.forEach((sheet, i) => {
      const isNew = isNewPaper(stock[sheet.stock]!);
      if (again.has(i)) left[sheet.stock]! += isNew ? 1 : 0;
      else {
        left[sheet.stock]! -= isNew ? 0 : 1;
        if (isFree[i]) rest.sheets.add(sheetOf(sheet, rest.rooms));
        else settled.push(sheet);
      }
    });
    return rest;
  }

  /** What it costs to take a size off a length: nought where it is as long. */
  private costOfCut(unwanted: number, settings: ReadonlySet<number>): (length: number, size: number) => number {
    const isStrict = this.random() < STRICT;
    return (length, size) => {
      const either = [size, length - size].filter((setting) => setting !== unwanted);
      if (size === length) return 0;
      if (either.some((setting) => settings.has(setting))) return AT_A_SETTING;
      if (isStrict) return Infinity;
      return either.length === 2 ? AT_A_NEW_ONE : AT_THE_UNWANTED;
    };
  }

  /** Finds each piece a place, large ones first as a rule; false where one has none. */
  private place(pieces: readonly number[], rest: Rest, costOfCut: (length: number, size: number) => number): boolean {
    const { job, random } = this;
    const [luck, fit] = [random() * 2, random()];
    const largest = Math.max(...job.stock.map(({ width, height }) => width * height));
    const inOrder = pieces
      .map((k) => ({ k, weight: job.pieces[k]!.width * job.pieces[k]!.height * (1 - 0.6 * random()) }))
      .sort((a, b) => b.weight - a.weight);
    for (const { k } of inOrder) {
      const piece = job.pieces[k]!;
      let best: Spot | null = null;
      for (const room of [...rest.rooms.filter(({ made }) => !made), ...this.unopened(rest)]) {
        const item = job.stock[room.sheet.stock]!;
        const rank = piece.papers.indexOf(item.paper.id);
        if (rank < 0) continue;
        const { upright, flat } = this.waysOf(piece, item);
        for (const [way, width, height] of [
          [upright, piece.width, piece.height],
          [flat, piece.height, piece.width],
        ] as const) {
          if (!way || width > room.width || height > room.height) continue;
          const cuts = costOfCut(room.width, width) + costOfCut(room.height, height);
          const loose = (room.width * room.height - width * height) / largest;
          const cost = rank * LIKED_LESS + cuts + luck * random() + fit * loose;
          if (cost < (best?.cost ?? Infinity)) best = { cost, room, way, width, height };
        }
      }
      if (!best) return false;
      const { sheet } = best.room;
      if (!rest.sheets.has(sheet)) {
        rest.sheets.add(sheet);
        rest.left[sheet.stock]!--;
      }
      this.cutFrom(best, k, rest.rooms);
    }
    return true;
  }

  /** One whole item of each kind that may still be taken. */
  private unopened({ left }: Rest): Room[] {
    return this.job.stock.flatMap((item, stock) =>
      left[stock]! > 0
        ? [sheetOf({ stock, tree: makeOffcutTree(usableRectangleOf(item), this.job.keep) }, []).root]
        : [],
    );
  }

  /** Cuts a piece from the lower left corner of its room; what is left of the room is room for others. */
  private cutFrom({ room, way, width, height }: Spot, piece: number, rooms: Room[]): void {
    const { sheet, x, y } = room;
    const held: Tree = { x, y, width, height, cut: null, parts: [], lost: 0, holds: { piece, ...way } };
    const cutOff = (of: Room, cut: 'x' | 'y', off: Room | Tree): void => {
      const other =
        cut === 'x'
          ? { x: x + width, y, width: of.width - width, height: of.height }
          : { x, y: y + height, width: of.width, height: of.height - height };
      const rest: Room = { ...other, sheet, made: null };
      rooms.push(rest);
      of.made = { cut, parts: [off, rest] };
    };
    const cuts = [...(width < room.width ? ['x' as const] : []), ...(height < room.height ? ['y' as const] : [])];
    const [first, second] = this.random() < 0.5 ? cuts : cuts.reverse();
    if (!first) room.made = held;
    else if (!second) cutOff(room, first, held);
    else {
      const strip = first === 'x' ? { width, height: room.height } : { width: room.width, height };
      const inner: Room = { x, y, ...strip, sheet, made: null };
      cutOff(room, first, inner);
      cutOff(inner, second, held);
    }
  }
}

/** A sheet as rooms; its offcuts are put among `rooms`. */
function sheetOf({ stock, tree }: CutSheet, rooms: Room[]): Sheet {
  const sheet = { stock } as { stock: number; root: Room };
  const roomOf = (node: Tree): Room => {
    const { x, y, width, height, cut, parts, holds } = node;
    const room: Room = { x, y, width, height, sheet, made: null };
    if (cut === 'x' || cut === 'y') room.made = { cut, parts: parts.map(roomOf) };
    else if (holds === 'keep' || holds === 'waste') rooms.push(room);
    else room.made = node;
    return room;
  };
  sheet.root = roomOf(tree);
  return sheet;
}

function treeOf(room: Room | Tree, keep: Job['keep']): Tree {
  if (!('made' in room)) return room;
  const { made, x, y, width, height } = room;
  if (!made) return makeOffcutTree(room, keep);
  if ('holds' in made) return made;
  return {
    x,
    y,
    width,
    height,
    cut: made.cut,
    parts: made.parts.map((part) => treeOf(part, keep)),
    lost: 0,
    holds: null,
  };
}
