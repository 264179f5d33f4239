import { planJob, readJob, verifyPlan, type JobDocument, type Plan } from '@temnex/core/planner';
import { bruteForce, compileJob } from '@temnex/core/oracle';
import { classicJob, normalJob, puzzleJob, scrapDrawerJob, tinyJob } from '@temnex/core/makers';

const COUNT = Number(process.env.TEMNEX_BENCH_JOBS ?? 20);
const SECONDS = Number(process.env.TEMNEX_BENCH_SECONDS ?? 1);

function plan(document: JobDocument): Plan {
  const read = readJob(document);
  if (!read.ok) throw new Error('a made job must read');
  const made = planJob(read.job, { now: () => performance.now() });
  const faults = verifyPlan(read.job, made);
  if (faults.length) throw new Error(`${document.name}: ${JSON.stringify(faults[0])}`);
  return made;
}

/** Tiny jobs held against every plan there is: pieces missing, new paper, waste. */
function tiny(jobs: number): number {
  let best = 0;
  for (let seed = 1; seed <= jobs; seed++) {
    const document = tinyJob(seed);
    const read = readJob({ ...document, plan: { ...document.plan, seconds: 0.5 } });
    if (!read.ok) throw new Error('a made job must read');
    const made = planJob(read.job, { now: () => performance.now() });
    const least = bruteForce(compileJob(read.job));
    const missing = made.missing.reduce((sum, m) => {
      const piece = read.job.pieces.find((p) => p.id === m.piece)!;
      return sum + m.quantity * piece.width * piece.height;
    }, 0);
    const per = 24384 ** 2;
    const is = [missing / per, made.totals.newSheetArea, made.totals.wasteArea];
    const can = [least.missing / per, least.newArea / per, least.waste / per];
    if (is.every((v, i) => Math.abs(v - can[i]!) < 1e-6)) best++;
  }
  return best;
}

/** Normal jobs cut as easily as can be: in the time there is, and in so many times as much. */
const LONGER = Number(process.env.TEMNEX_BENCH_LONGER ?? 10);
function* easiest(): Generator<string> {
  for (const seconds of [SECONDS, SECONDS * LONGER]) {
    const sum = { settings: 0, cuts: 0, waste: 0 };
    for (let seed = 1; seed <= COUNT; seed++) {
      const document = normalJob(seed, seconds);
      const { totals } = plan({ ...document, plan: { ...document.plan, aim: 'easiest-cuts' } });
      sum.settings += totals.settings;
      sum.cuts += totals.cuts;
      sum.waste += totals.wasteArea;
    }
    yield `normal jobs, easiest cuts, ${seconds} s: ${sum.settings} settings, ${sum.cuts} cuts, ${sum.waste.toFixed(0)} sq in waste over ${COUNT}`;
  }
}

/** Puzzles without waste, scrap drawers, tiny jobs, and the ten classic classes. */
export function* quality(): Generator<string> {
  const shapes = [
    [1, 15],
    [2, 10],
    [3, 8],
    [3, 12],
    [5, 8],
  ] as const;
  for (const [m, k] of shapes) {
    let solved = 0;
    for (let seed = 1; seed <= COUNT; seed++) if (plan(puzzleJob(m, k, seed, SECONDS)).totals.newSheets === m) solved++;
    yield `zero-waste puzzle ${m} × ${k}: ${solved} of ${COUNT} within ${SECONDS} s`;
  }
  const jobs = COUNT * 5;
  yield `tiny jobs (up to 6 pieces, 3 stock items): as good as the best of all plans in missing, new paper and waste: ${tiny(jobs)} of ${jobs}`;
  let none = 0;
  for (let seed = 1; seed <= COUNT; seed++) {
    const made = plan(scrapDrawerJob(seed, SECONDS));
    if (made.status === 'complete' && made.totals.newSheets === 0) none++;
  }
  yield `scrap drawer: no sheet opened in ${none} of ${COUNT}`;
  yield* easiest();
  let total = 0;
  let bound = 0;
  for (let cls = 1; cls <= 10; cls++) {
    for (const n of [20, 40, 60, 80, 100]) {
      for (const seed of [1, 2]) {
        const made = plan(classicJob(cls, n, seed, SECONDS));
        total += made.totals.newSheets;
        bound += made.bound.newSheets;
      }
    }
  }
  yield `ten classic classes, 100 instances at ${SECONDS} s: ${total} sheets, bound ${bound}`;
}
