import type { Job } from '../documents/job.ts';
import { findFewestSettings } from './fewestSettings.ts';
import { findJointSettings } from './jointSettings.ts';
import type { KindOnSheet } from './selections.ts';
import { cutInStrips, kindsOnSheet } from './strips.ts';
import { canCutTree, type CutSheet } from './tree.ts';

/*
 * The sheets of a plan cut anew from the same pieces, where that is easier: with settings that are few for all of them together, in
 * strips as hands do it, and each with the fewest settings.
 */

/** Of more sheets than that, none is cut by itself in another way. */
export const MAX_SHEETS_EASED = 12;
/** Cuts tried for all sheets: with the fewest settings of each, and of all together. */
const MAX_EASED = 120_000;

/** How a sheet is cut instead. */
type Recut = Pick<CutSheet, 'tree' | 'sequence'>;

export interface EasierCuts {
  /** Several ways to cut them all; null where a sheet stays as it is. */
  readonly ways: readonly (readonly (Recut | null)[])[];
  /** No way to cut these pieces from these sheets has fewer settings; null where nothing is known. */
  readonly fewest: number | null;
}

/** `keeps`: what was settled before stays as it is. */
export function findEasierCuts(job: Job, sheets: readonly CutSheet[], keeps: boolean, over: () => boolean): EasierCuts {
  const kinds = sheets.map((sheet) => (keeps && sheet.settled ? null : kindsOnSheet(job, sheet)));
  const cut = sheets.flatMap(({ tree }, i) => (tree.cut !== null ? [i] : []));
  const together = cut.length > 1 ? cutTogether(job, sheets, kinds, cut, over) : null;
  const eachWay = sheets.length > MAX_SHEETS_EASED ? null : cutEach(job, sheets, kinds, over);
  const [only] = cut;
  const fewest = cut.length === 1 ? (eachWay?.proved[only!] ?? null) : (together?.bound ?? null);
  return {
    ways: [...(together ? [together.trees] : []), ...(eachWay?.ways ?? [])],
    // with another cutter there might be other ways
    fewest: job.cutter.then.length || job.cutter.stop ? null : fewest,
  };
}

type Kinds = readonly (readonly KindOnSheet[] | null)[];

function cutTogether(
  job: Job,
  sheets: readonly CutSheet[],
  kinds: Kinds,
  cut: readonly number[],
  over: () => boolean,
): { bound: number; trees: (Recut | null)[] } | null {
  const which = cut.filter((i) => kinds[i]);
  const each = which.map((i) => ({ room: sheets[i]!.tree, kinds: kinds[i]! }));
  const joint = findJointSettings(each, job, MAX_EASED, over);
  if (!joint) return null;
  const trees = sheets.map((_, i) => {
    const tree = joint.trees[which.indexOf(i)];
    return tree && canCutTree(tree, job) ? { tree } : null;
  });
  return { bound: joint.bound, trees };
}

function cutEach(
  job: Job,
  sheets: readonly CutSheet[],
  kinds: Kinds,
  over: () => boolean,
): { ways: (readonly (Recut | null)[])[]; proved: (number | null)[] } {
  const strips = sheets.map((sheet, i) => (kinds[i] ? cutInStrips(job, sheet, kinds[i]) : null));
  const found = sheets.map(({ tree }, i) =>
    kinds[i] && !over() ? findFewestSettings(tree, kinds[i], job, MAX_EASED / sheets.length, over) : null,
  );
  const few = found.map((way) =>
    way && canCutTree(way.tree, job) ? { tree: way.tree, sequence: way.sequence } : null,
  );
  // the settings that were chosen, and with them left to the order of cuts, which may share them with other sheets
  const free = (sheet: Recut | null) => sheet && { tree: sheet.tree };
  return {
    ways: [strips.map(free), strips, few.map(free), few],
    proved: found.map((way) => (way?.proved ? way.settings : null)),
  };
}
