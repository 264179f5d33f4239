import type { Budget } from './budget.ts';
import { compileJob, type CompiledJob } from './blanks/compile.ts';
import type { FramedSheets } from './blanks/frames.ts';
import { planOpenings } from './blanks/nest.ts';
import { listWindmillFrames } from './blanks/windmill.ts';
import type { Job } from './documents/job.ts';
import type { RecutCache } from './sheets/recut.ts';
import { compareScores, type Solution } from './sheets/score.ts';
import { visitHeldPieces } from './sheets/standing.ts';

/** One way to go about a job: what is settled before the search, and what is done with what it finds. */
export interface Approach {
  readonly c: CompiledJob;
  readonly finish: (solution: Solution) => Solution | null;
  /** It asks for another tool: taken only where that saves pieces or new paper. */
  readonly resort: boolean;
  /** Sheets of it that have been cut exactly. */
  readonly recuts: RecutCache;
}
const approachOf = (c: CompiledJob, finish: Approach['finish'] = (s) => s, resort = false): Approach => ({
  c,
  finish,
  resort,
  recuts: new Map(),
});

/** A score, by which approaches and plans are compared. */
export type ApproachScore = readonly (number | null)[];

/** The job with its most liked cutter, the framed sheets cut in the way that does best at once. */
export function buildPlainApproach(
  whole: Job,
  { sheets, unplaced }: FramedSheets,
  atOnce: (approach: Approach) => ApproachScore,
  budget: Budget,
): Approach {
  const job = withFirstCutter(whole);
  const frames = sheets.map((ways) => ways[0]!);
  const asFramed = () => approachOf(compileJob(job, { frames: [...frames], unplaced }));
  let best = asFramed();
  if (!sheets.length || sheets.length > 24) return best;
  // looking for the best frames leaves most of the time for the search
  const looking = budget.share(0.15);
  let figure = atOnce(best);
  sheets.forEach((ways, i) => {
    let chosen = ways[0]!;
    for (const way of ways.slice(1)) {
      if (looking.over()) break;
      looking.spend();
      frames[i] = way;
      const tried = asFramed();
      const other = atOnce(tried);
      if (compareScores(other, figure) < 0) [best, figure, chosen] = [tried, other, way];
    }
    frames[i] = chosen;
  });
  return best;
}

/** Hidden centres as a source, the cutters that come after the first, stop cuts: each only where the job allows it. */
export function* listOtherApproaches(
  job: Job,
  plain: Approach,
  atOnce: (approach: Approach) => ApproachScore,
  budget: Budget,
): Generator<Approach> {
  const { frames, unplaced } = plain.c;
  const nestedBy = (by: Job, resort: boolean): Approach[] => {
    const nested = planOpenings(by, budget.share(0.1));
    if (!nested) return [];
    return [approachOf(compileJob(nested.job, { frames, unplaced, wanted: nested.wanted }), nested.finish, resort)];
  };
  yield* nestedBy(plain.c.job, false);
  if (job.cutter.then.length) {
    yield approachOf(compileJob(job, { frames, unplaced }), undefined, true);
    yield* nestedBy(job, true);
  }
  if (!job.cutter.stop) return;
  const tried = listWindmillFrames(plain.c.job, frames).map((more) => {
    const c = compileJob(plain.c.job, { frames: [...frames, ...more], unplaced });
    return approachOf(c, (s) => (yieldsAlways(s) ? s : null), true);
  });
  const ranked = tried
    .map((approach) => ({ approach, figure: atOnce(approach) }))
    .sort((a, b) => compareScores(a.figure, b.figure));
  if (ranked.length) yield ranked[0]!.approach;
}

const yieldsAlways = (solution: Solution): boolean =>
  solution.sheets.every(({ tree }) => {
    let holds = false;
    visitHeldPieces(tree, () => (holds = true));
    return holds;
  });

/** The job with the most liked cutter only. */
export const withFirstCutter = (job: Job): Job =>
  job.cutter.then.length ? { ...job, cutter: { ...job.cutter, then: [] } } : job;
