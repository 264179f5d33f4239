import { readJob } from '@temnex/core/planner';
import { mergeJobs, planTogether } from '@temnex/core/cutting';
import { pagesOf } from '@temnex/core/makers';
import { median } from './machine.ts';

const SEEDS = 20;
const told = (what: string, times: readonly number[], bar: string): string =>
  `${what}: ${median(times).toFixed(0)} ms median of ${times.length}, ${Math.max(...times).toFixed(0)} at most (bar ${bar})`;

/** Twenty pages cut together from 2 000 scraps and twelve papers: how long until a first plan, until it is settled, and what it saves. */
export async function* together(): AsyncGenerator<string> {
  const [first, settled, sheets, settings]: number[][] = [[], [], [], []];
  let worse = 0;
  for (let seed = 0; seed <= SEEDS; seed++) {
    const pages = pagesOf(seed, { pages: 20, pieces: 10, papers: 12, scraps: 2000, sheets: 20 });
    const made = mergeJobs('together', pages);
    if (!made.ok) throw new Error(made.problem.code);
    const start = performance.now();
    const read = readJob(made.job);
    if (!read.ok) throw new Error(JSON.stringify(read.issues[0]));
    let at = 0;
    const { plan, alone } = planTogether(made.job, read.job, {
      now: () => performance.now(),
      better: (write) => {
        if (at) return;
        write();
        at = performance.now() - start;
      },
    });
    const all = performance.now() - start;
    // the first of them finds the code cold
    if (!seed) continue;
    first!.push(at);
    settled!.push(all);
    sheets!.push(alone.newSheets - plan.totals.newSheets);
    settings!.push(alone.settings - plan.totals.settings);
    if (plan.totals.newSheetArea > alone.newSheetArea + 1e-9 || plan.missing.length > alone.missing) worse++;
  }
  yield told('first plan, read and written', first!, '300');
  yield told('settled, the pages one by one among it', settled!, '3000');
  yield `worse than one by one: ${worse} of ${SEEDS} (bar 0)`;
  yield `new sheets saved: ${median(sheets!)} in the median, ${Math.max(...sheets!)} at most; settings saved: ${median(settings!)}`;
}
