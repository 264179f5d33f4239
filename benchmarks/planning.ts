import { planJob, readJob, verifyPlan, type Plan } from '@temnex/core';
import { kitJob, normalJob } from '@temnex/core/makers';
import { median, quantile } from './machine.ts';

const COUNT = Number(process.env.TEMNEX_BENCH_JOBS ?? 20);

/** Lexicographic on what matters first: missing, new paper, waste. */
const key = (p: Plan): number[] => [
  p.missing.reduce((n, m) => n + m.quantity, 0),
  p.totals.newSheetArea,
  p.totals.wasteArea + p.totals.kerfArea,
];
const better = (a: Plan, b: Plan): boolean => {
  const [x, y] = [key(a), key(b)];
  const i = x.findIndex((v, j) => Math.abs(v - y[j]!) > 1e-9);
  return i >= 0 && x[i]! < y[i]!;
};

/** First answer, settling, proof and scale. */
export function* planning(): Generator<string> {
  const first: number[] = [];
  let proved = 0;
  let valid = 0;
  let settled = 0;
  for (let seed = 1; seed <= COUNT; seed++) {
    const read = readJob(normalJob(seed, 5));
    if (!read.ok) throw new Error('a made job must read');
    const start = performance.now();
    let atFirst = 0;
    let atOne: Plan | null = null;
    const plan = planJob(read.job, {
      now: () => performance.now(),
      better: (write) => {
        const p = write();
        const t = performance.now() - start;
        if (!atFirst && p.status === 'complete') atFirst = t;
        if (t <= 1000) atOne = p;
      },
    });
    first.push(atFirst || Infinity);
    if (verifyPlan(read.job, plan).length === 0) valid++;
    if (plan.bound.proved) proved++;
    if (atOne && !better(plan, atOne)) settled++;
  }
  yield `normal jobs (${COUNT}, 30 pieces, 60 stock items): first complete plan ${median(first).toFixed(1)} ms median, ${quantile(first, 0.95).toFixed(1)} ms 95 %`;
  yield `no better in missing, new paper or waste in the 4 s after 1 s: ${settled} of ${COUNT}; fewest proved: ${proved} of ${COUNT}; valid: ${valid} of ${COUNT}`;
  for (const n of [10, 100]) {
    const read = readJob(kitJob(n, 2));
    if (!read.ok) throw new Error('a made job must read');
    const start = performance.now();
    let atFirst = 0;
    const plan = planJob(read.job, {
      now: () => performance.now(),
      better: () => (atFirst ||= performance.now() - start),
    });
    yield `kit of ${n} (${27 * n} pieces): first plan ${atFirst.toFixed(0)} ms, ${plan.totals.newSheets} sheets, area bound ${plan.bound.newSheets}`;
  }
}
