import type { Aim } from '../documents/job.ts';
import type { CutSheet } from './tree.ts';

/** What a solution amounts to, in square ticks. */
export interface Solution {
  readonly sheets: readonly CutSheet[];
  /** [k] copies missing */
  readonly missing: readonly number[];
}

/** What a solution amounts to, as far as it matters for what is better. Areas in square ticks. */
export interface Standing {
  /** By urgency, the most urgent first: area of the copies missing. */
  readonly missing: readonly number[];
  readonly newArea: number;
  readonly disliked: number;
  readonly waste: number;
  readonly fromScraps: number;
  readonly items: number;
  readonly largestKept: number;
  /** Null while nobody has counted them: then two standings that agree up to here count as equal. */
  readonly settings: number | null;
  readonly cuts: number;
  /** How useful the offcuts are that are kept; null while the search has not asked. */
  readonly useful: number | null;
  /** Of each sheet the area of the largest piece wanted some other time that they serve; null while the search has not asked. */
  readonly wanted: number | null;
}

/**
 * The order of what is better, as a list of figures of which the first that differs decides; smaller is better.
 * This is the only place that says it:
 *   1. less missing, the most urgent first, by area
 *   2. less area of new paper
 *   3. better liked papers
 *   4. by aim: least-paper      waste, pieces from scraps, items touched, largest offcut, settings, cuts
 *              easiest-cuts     settings, cuts, then as least-paper
 *              largest-offcuts  largest offcut, then as least-paper
 *   5. the offcuts that serve more of what is wanted some other time, then the more useful ones
 * Once the paper is settled, waste up to `alike` is waste that nobody sees: of solutions that waste no more, the easier to cut.
 */
export function computeScore(aim: Aim, s: Standing, alike?: number): readonly (number | null)[] {
  const plain = [s.waste, -s.fromScraps, s.items, -s.largestKept];
  const effort = [s.settings, s.cuts];
  const least = alike === undefined ? [...plain, ...effort] : [Math.max(s.waste, alike), ...effort, ...plain];
  const byAim =
    aim === 'easiest-cuts' ? [...effort, ...plain] : aim === 'largest-offcuts' ? [-s.largestKept, ...least] : least;
  const offcuts = [s.wanted, s.useful].map((figure) => (figure === null ? null : -figure));
  return [...s.missing, s.newArea, s.disliked, ...byAim, ...offcuts];
}

/** Whether score `a` is better than (below 0), as good as (0) or worse than `b`, as far as both are known. */
export function compareScores(a: readonly (number | null)[], b: readonly (number | null)[]): number {
  for (let i = 0; i < a.length; i++) {
    const [x, y] = [a[i], b[i]];
    if (x == null || y == null) return 0;
    if (x !== y) return x - y;
  }
  return 0;
}
