import { planJob, readJob, verifyPlan, type JobDocument } from '@temnex/core';
import { classicJob, mixedJob, normalJob, puzzleJob, scrapDrawerJob } from '@temnex/core/makers';

/* Plans many seeded jobs and verifies every plan; prints the seeds of those that do not hold. */
const [from = 1, to = 2000] = process.argv.slice(2).map(Number);
const outside = process.env.TEMNEX_PLAN_CHECK;
type Check = (job: unknown, plan: unknown) => { faults: string[] };
const check = outside ? ((await import(outside)) as { checkPlan: Check }).checkPlan : null;

function jobFor(seed: number): JobDocument {
  if (seed % 20 === 0) return withNodes(normalJob(seed));
  if (seed % 20 === 5) return withNodes(scrapDrawerJob(seed));
  if (seed % 20 === 10) return withNodes(puzzleJob(2, 6, seed));
  if (seed % 20 === 15) return withNodes(classicJob(1 + (seed % 10), 20, seed));
  return mixedJob(seed);
}
function withNodes(job: JobDocument): JobDocument {
  return { ...job, plan: { ...job.plan, nodes: 60 } };
}

let bad = 0;
let short = 0;
for (let seed = from; seed <= to; seed++) {
  const document = jobFor(seed);
  const read = readJob(document);
  if (!read.ok) throw new Error(`${document.name}: ${JSON.stringify(read.issues)}`);
  const plan = planJob(read.job, { now: () => 0 });
  if (plan.status === 'short') short++;
  const faults = [
    ...verifyPlan(read.job, plan).map((f) => `${f.code} ${f.where}`),
    ...(check?.(document, JSON.parse(JSON.stringify(plan))).faults ?? []),
  ];
  if (!faults.length) continue;
  bad++;
  console.log(`${document.name}: ${faults.slice(0, 3).join('; ')}`);
}
console.log(
  `${to - from + 1} jobs, ${short} short of paper, ${bad} plans that do not hold${check ? ', outside check included' : ''}`,
);
process.exit(bad ? 1 : 0);
