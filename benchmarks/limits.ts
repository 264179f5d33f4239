import { planJob, readJob, seededRandom, type JobDocument } from '@temnex/core/planner';

/** How long jobs take that are larger than their time: what is asked is `seconds`, the bar twice that and 2 s beside it. */
const SECONDS = 0.3;

function large(kinds: number, each: number, stock: number, nodes: number | null = null): JobDocument {
  const R = seededRandom(kinds * 31 + stock);
  const upTo = (n: number) => Math.floor(R() * n);
  const sheet = { id: 'sheet', paper: 'p', width: 12, height: 12, quantity: 20_000, kind: 'sheet' as const };
  return {
    format: 'temnex-job',
    version: 1,
    plan: { seconds: SECONDS, nodes },
    papers: [{ id: 'p' }],
    stock: [
      sheet,
      ...Array.from({ length: stock }, (_, i) => ({
        id: `s${i}`,
        paper: 'p',
        width: 2 + upTo(160) / 16,
        height: 2 + upTo(10),
        kind: 'scrap' as const,
      })),
    ],
    pieces: Array.from({ length: kinds }, (_, i) => ({
      id: `c${i}`,
      width: 1 + upTo(40) / 8,
      height: 1 + upTo(60) / 8,
      quantity: each,
      papers: ['p'],
    })),
  };
}

const CASES: Readonly<Record<string, () => JobDocument>> = {
  'a thousand million steps': () => large(30, 2, 0, 1e9),
  '20 000 pieces of 1 000 kinds': () => large(1000, 20, 0),
  '20 000 pieces of 200 kinds': () => large(200, 100, 0),
  '20 000 pieces of 5 000 kinds': () => large(5000, 4, 0),
  '30 pieces of 10 kinds, 50 000 scraps': () => large(10, 3, 49_999),
  '2 000 pieces of 200 kinds, 9 999 scraps': () => large(200, 10, 9_999),
  'a million copies': () => large(1, 1_000_000, 0),
  '10 000 pieces of 1 000 kinds, 50 000 scraps': () => large(1000, 10, 49_999),
};

export async function* limits(): AsyncGenerator<string> {
  for (const [name, make] of Object.entries(CASES)) {
    const document = make();
    const read = readJob(document);
    if (!read.ok) {
      yield `${name}: refused before it is begun (${read.issues[0]!.problem.code})`;
      continue;
    }
    const start = performance.now();
    const plan = planJob(read.job, { now: () => performance.now() });
    const took = (performance.now() - start) / 1000;
    yield `${name}: ${took.toFixed(1)} s of ${SECONDS} (bar ${2 * SECONDS + 2}), ${plan.status}, ${plan.sheets.length} sheets`;
  }
}
