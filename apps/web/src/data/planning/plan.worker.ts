import { planAimsNested, planJobNested, readJob, type PlanWatch } from '@temnex/core/planner';
import { planTogether, planTogetherAims } from '@temnex/core/cutting';
import type { FromWorker, ToWorker } from './messages.ts';

/** Plans off the main thread. Better plans are told four times a second at the most, so that the screen keeps still. */
const tell = (message: FromWorker): void => postMessage(message);

addEventListener('message', (event: MessageEvent<ToWorker>) => {
  const read = readJob(event.data.job);
  if (!read.ok) return tell({ kind: 'refused', issue: read.issues[0]! });
  let told = -Infinity;
  const { job, earlier, keeping, how } = event.data;
  const watch: PlanWatch = {
    now: () => performance.now(),
    earlier,
    ...(keeping ? { keeping } : {}),
    better: (write) => {
      if (performance.now() - told < 250) return;
      told = performance.now();
      tell({ kind: 'better', plan: write() });
    },
  };
  if (how === 'one-aim') return tell({ kind: 'done', plans: [planJobNested(job, read.job, watch)], alone: null });
  if (how === 'alone') return tell({ kind: 'done', plans: planAimsNested(job, read.job, watch), alone: null });
  if (how === 'together-aims')
    return tell({ kind: 'done', plans: planTogetherAims(job, read.job, watch), alone: null });
  const { plan, alone } = planTogether(job, read.job, watch);
  const { plan: _order, ...figures } = alone;
  tell({ kind: 'done', plans: [plan], alone: figures });
});
