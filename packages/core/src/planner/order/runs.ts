import type { Job } from '../documents/job.ts';
import { alongOf, countCuts, type CutSheet, type Tree, windmillSettings } from '../sheets/tree.ts';

/*
 * What there is to cut, for the order of cuts: every node that is cut, once for all sheets that are cut alike. The parts of
 * most runs may change places: the pieces and offcuts stay the same, and so they come off in whatever order suits the
 * setting; the last one needs no cut.
 */

/** Where something lies: part `part` of a run (the root of its sheet without one), or in so many openings there. */
export interface Place {
  readonly of: Run | null;
  readonly part: number;
  readonly openings: number;
}
/** A node that is cut. Lengths in ticks. */
export interface Run {
  readonly id: number;
  readonly group: number;
  readonly at: Place;
  readonly node: Tree;
  /** [part] the setting that takes it off; of a windmill, [line] */
  readonly sizes: readonly number[];
  readonly cuts: number;
  /** The parts before this one may come off in any order. */
  readonly loose: number;
  /** [part] what comes to hand with it */
  readonly within: readonly FreedPart[][];
}
/** What comes to hand with a part: a run to cut, or a centre to cut out by hand. */
export type FreedPart = { readonly run: Run } | { readonly opens: Place; readonly inside: readonly FreedPart[] };

/** Sheets that are cut alike, in stacks of as many as may lie under the blade together. */
export interface Group {
  readonly stacks: readonly (readonly number[])[];
  readonly sheet: CutSheet;
  readonly freed: readonly FreedPart[];
}

/** The runs of all sheets, numbered, and the groups that they belong to. */
export function collectRuns(sheets: readonly CutSheet[], job: Job): { groups: Group[]; runs: Run[] } {
  const stack = Math.min(...[job.cutter, ...job.cutter.then].map((c) => c.stack));
  const alike = new Map<string, number[][]>();
  sheets.forEach((sheet, i) => {
    const key = `${sheet.stock} ${sheet.settled ? 'settled ' : ''}${shapeOf(sheet.tree)}`;
    const stacks = alike.get(key);
    if (!stacks) alike.set(key, [[i]]);
    else if (stacks.at(-1)!.length < stack) stacks.at(-1)!.push(i);
    else stacks.push([i]);
  });
  const runs: Run[] = [];
  const pinned = new Set(job.pieces.map((p) => p.from?.stock));
  // sheet by sheet, of sheets that are cut alike each stack is finished by itself
  const bySheet = job.order === 'sheet-by-sheet';
  const apart = [...alike.values()].flatMap((stacks) => (bySheet ? stacks.map((one) => [one]) : [stacks]));
  const groups = apart.map((stacks, group): Group => {
    const sheet = sheets[stacks[0]![0]!]!;
    const item = job.stock[sheet.stock]!;
    const fixed = sheet.settled || item.outline !== null || item.uncut.length > 0 || pinned.has(item.id);
    const freed = (node: Tree, at: Place): FreedPart[] => {
      const found: FreedPart[] = [];
      if (node.opening) {
        const opens = { ...at, openings: at.openings + 1 };
        found.push({ opens, inside: freed(node.opening, opens) });
      }
      if (!node.cut) return found;
      const within: FreedPart[][] = [];
      const loose = fixed ? 0 : looseParts(node, job);
      const run: Run = {
        id: runs.length,
        group,
        at,
        node,
        within,
        loose,
        cuts: countCuts(node),
        sizes: node.cut === 'windmill' ? windmillSettings(node) : node.parts.map((p) => alongOf(p, node.cut as 'x')),
      };
      runs.push(run);
      node.parts.forEach((part, i) => within.push(freed(part, { of: run, part: i, openings: 0 })));
      found.push({ run });
      return found;
    };
    return { stacks, sheet, freed: freed(sheet.tree, { of: null, part: 0, openings: 0 }) };
  });
  return { groups, runs };
}

/** Two sheets of the same shape are cut alike. */
const shapeOf = (t: Tree): string =>
  t.cut
    ? `${t.cut}(${t.parts.map(shapeOf).join()})`
    : `${t.width}*${t.height}${typeof t.holds === 'object' && t.holds && 'piece' in t.holds ? `p${t.holds.piece}${t.holds.side}${t.holds.turn}` : String(t.holds)}${t.opening ? `[${shapeOf(t.opening)}]` : ''}`;

/** How many of the first parts of a node may come off in any order: all that are on the mark, and can be held. */
function looseParts(node: Tree, job: Job): number {
  const { cut, parts } = node;
  if (cut !== 'x' && cut !== 'y') return 0;
  const { step, narrowest } = job.cutter;
  const onMark = (p: Tree) => !step || alongOf(p, cut) % step === 0;
  const last = parts.at(-1)!;
  const loose = parts.slice(0, onMark(last) ? undefined : -1);
  if (!loose.every(onMark)) return 0;
  // whichever comes off, its setting is more than what the cutter adds
  const longest = Math.max(...[job.cutter, ...job.cutter.then].map((c) => c.long));
  if (parts.some((p) => alongOf(p, cut) <= longest)) return 0;
  // of the last two parts one is wide enough to hold, whichever they are
  return parts.filter((p) => alongOf(p, cut) < narrowest).length > 1 ? 0 : loose.length;
}

/** The sheets with the parts of each run in the order in which they come off: [run id] the parts. */
export function orderSheetParts(
  sheets: readonly CutSheet[],
  groups: readonly Group[],
  orders: readonly (readonly number[])[],
  kerf: number,
): readonly CutSheet[] {
  const out = [...sheets];
  const relaid = (node: Tree, freed: readonly FreedPart[], dx: number, dy: number): Tree => {
    const { cut } = node;
    const [x, y] = [node.x + dx, node.y + dy];
    const hole = freed.find((f) => 'opens' in f);
    const opening = node.opening && { opening: relaid(node.opening, hole!.inside, dx, dy) };
    if (!cut) return { ...node, x, y, ...opening };
    const { run } = freed.find((f) => 'run' in f)!;
    if (cut === 'windmill')
      return { ...node, x, y, parts: node.parts.map((part, i) => relaid(part, run.within[i]!, dx, dy)) };
    let at = cut === 'x' ? x : y;
    const parts = orders[run.id]!.map((i) => {
      const part = node.parts[i]!;
      const moved = cut === 'x' ? [at - part.x, dy] : [dx, at - part.y];
      at += alongOf(part, cut) + kerf;
      return relaid(part, run.within[i]!, moved[0]!, moved[1]!);
    });
    return { ...node, x, y, parts };
  };
  for (const { stacks, freed } of groups)
    for (const sheet of stacks.flat()) out[sheet] = { ...out[sheet]!, tree: relaid(out[sheet]!.tree, freed, 0, 0) };
  return out;
}
