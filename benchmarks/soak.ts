import { planJob, readJob, verifyPlan, type JobDocument } from '@temnex/core/planner';
import {
  classicJob,
  everyJob2,
  kitJob,
  mixedJob,
  mixedJob2,
  normalJob,
  puzzleJob,
  scrapDrawerJob,
} from '@temnex/core/makers';

/*
 * Plans many seeded jobs, of every kind that versions 1 and 2 of the format allow, and verifies every plan three times: by
 * the product's own oracle and by the standalone check, which both carry the steps out on a table, and by an outside one where its path is given (version 1 only). Prints
 * the seeds of those that do not hold, or took more than twice their time and two seconds beside it.
 */
const [from = 1, to = 2000] = process.argv.slice(2).map(Number);
const outside = process.env.TEMNEX_PLAN_CHECK;
type Check = (job: unknown, plan: unknown) => { faults: string[] };
type Own = { checkPlan: Check };
const own = (await import(new URL('../scripts/check-plan.mjs', import.meta.url).href)) as Own;
const check = outside ? ((await import(outside)) as { checkPlan: Check }).checkPlan : null;

function jobFor(seed: number): JobDocument {
  if (seed % 20 === 0) return withNodes(normalJob(seed), LONG);
  if (seed % 20 === 5) return withNodes(scrapDrawerJob(seed));
  if (seed % 20 === 10) return withNodes(puzzleJob(2, 6, seed));
  if (seed % 20 === 15) return withNodes(classicJob(1 + (seed % 10), 20, seed));
  if (seed % 100 === 1) return withNodes(kitJob(20 + (seed % 7)));
  if (seed % 2 === 0) return everyJob2(seed);
  if (seed % 4 === 1) return mixedJob2(seed);
  return seed % 8 === 3 ? withNodes(mixedJob(seed), LONG) : mixedJob(seed);
}
/** So many steps of the search that it also looks for better mixes. */
const LONG = 2500;
function withNodes(job: JobDocument, nodes = 60): JobDocument {
  return { ...job, plan: { ...job.plan, nodes } };
}

let bad = 0;
let late = 0;
let short = 0;
let pinned = 0;
const seen = { '"opening":{': 0, windmill: 0, '"odd"': 0, '"by":': 0, '"dial":': 0, '"do":"trim"': 0, '"lost"': 0 };
for (let seed = from; seed <= to; seed++) {
  const document = jobFor(seed);
  const read = readJob(document);
  if (!read.ok) throw new Error(`${document.name}: ${JSON.stringify(read.issues)}`);
  const started = performance.now();
  const plan = planJob(read.job, { now: () => performance.now() });
  const took = (performance.now() - started) / 1000;
  if (took > 2 * read.job.seconds + 2) {
    late++;
    console.log(`${document.name}: took ${took.toFixed(1)} s of ${read.job.seconds}`);
  }
  if (plan.status === 'short') short++;
  const text = JSON.stringify(plan);
  for (const word of Object.keys(seen) as (keyof typeof seen)[]) if (text.includes(word)) seen[word]++;
  if (document.pieces.some((p) => p.from && text.includes(`"piece":"${p.id}","copy"`))) pinned++;
  const faults = [
    ...verifyPlan(read.job, plan).map((f) => `${f.code} ${f.where}`),
    ...own.checkPlan(document, JSON.parse(JSON.stringify(plan))).faults,
    ...(document.version === 1 ? (check?.(document, JSON.parse(JSON.stringify(plan))).faults ?? []) : []),
  ];
  if (!faults.length) continue;
  bad++;
  console.log(`${document.name}: ${faults.slice(0, 3).join('; ')}`);
}
console.log(
  `${to - from + 1} jobs, ${short} short of paper, ${bad} plans that do not hold, ${late} over their time${check ? ', outside check included' : ''}`,
);
console.log(
  `plans with pinned pieces: ${pinned}; with ${Object.entries(seen)
    .map(([word, n]) => `${word} ${n}`)
    .join(', ')}`,
);
process.exit(bad || late ? 1 : 0);
