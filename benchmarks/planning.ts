import { planJob, readJob, verifyPlan, type Plan, type PlanNode } from '@temnex/core/planner';
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

/** Settings of the same trees cut depth first, one sheet after the other, each part taken apart before the next. */
function depthFirstSettings(plan: Plan): number {
  const settings: number[] = [];
  const walk = (node: PlanNode): void => {
    const parts = node.parts ?? [];
    if (node.cut === 'x' || node.cut === 'y') {
      const size = node.cut === 'x' ? 'width' : 'height';
      parts.slice(0, node.lost ? undefined : -1).forEach((p) => settings.push(p[size]));
    }
    parts.forEach(walk);
  };
  for (const { tree } of plan.sheets) walk(tree);
  return settings.filter((s, i) => i === 0 || s !== settings[i - 1]).length;
}

/** First answer, settling, proof and scale. */
export function* planning(): Generator<string> {
  const first: number[] = [];
  let proved = 0;
  let valid = 0;
  let settled = 0;
  const fewer: number[] = [];
  for (let seed = 1; seed <= COUNT; seed++) {
    const read = readJob(normalJob(seed, 5));
    if (!read.ok) throw new Error('a made job must read');
    const start = performance.now();
    let atFirst = 0;
    let atOne: (() => Plan) | null = null;
    const plan = planJob(read.job, {
      now: () => performance.now(),
      better: (write) => {
        // as on the screen, not every plan is written out
        if (!atFirst && write().status === 'complete') atFirst = performance.now() - start;
        if (performance.now() - start <= 1000) atOne = write;
      },
    });
    first.push(atFirst || Infinity);
    if (verifyPlan(read.job, plan).length === 0) valid++;
    if (plan.bound.proved) proved++;
    fewer.push(1 - plan.totals.settings / depthFirstSettings(plan));
    if (atOne && !better(plan, (atOne as () => Plan)())) settled++;
  }
  yield `normal jobs (${COUNT}, 30 pieces, 60 stock items): first complete plan ${median(first).toFixed(1)} ms median, ${quantile(first, 0.95).toFixed(1)} ms 95 %`;
  yield `no better in missing, new paper or waste in the 4 s after 1 s: ${settled} of ${COUNT}; fewest proved: ${proved} of ${COUNT}; valid: ${valid} of ${COUNT}`;
  yield `settings fewer than the same trees cut depth first: ${(100 * median(fewer)).toFixed(0)} % in the median`;
  for (const n of [10, 100, 1000]) {
    const read = readJob(kitJob(n, 10));
    if (!read.ok) throw new Error('a made job must read');
    const start = performance.now();
    let atFirst = 0;
    const plan = planJob(read.job, {
      now: () => performance.now(),
      better: () => (atFirst ||= performance.now() - start),
    });
    const text = JSON.stringify(plan);
    const area = Math.ceil(plan.totals.pieceArea / 144);
    yield `kit of ${n} (${27 * n} pieces): first plan ${atFirst.toFixed(0)} ms; ${plan.totals.newSheets} sheets, ${plan.bound.newSheets} proved necessary (pieces' area alone: ${area}); written (${(text.length / 1e6).toFixed(1)} MB) after ${((performance.now() - start) / 1000).toFixed(1)} s; largest memory so far ${Math.round(process.resourceUsage().maxRSS / 1024)} MB`;
  }
}
