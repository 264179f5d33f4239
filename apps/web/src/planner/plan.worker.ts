import { planAimsNested, readJob } from '@temnex/core';
import type { FromWorker, ToWorker } from './messages.ts';

/** Plans off the main thread. Better plans are told four times a second at the most, so that the screen keeps still. */
const tell = (message: FromWorker): void => postMessage(message);

addEventListener('message', (event: MessageEvent<ToWorker>) => {
  const read = readJob(event.data.job);
  if (!read.ok) return tell({ kind: 'refused', issue: read.issues[0]! });
  let told = -Infinity;
  const plans = planAimsNested(event.data.job, read.job, {
    now: () => performance.now(),
    earlier: event.data.earlier,
    better: (write) => {
      if (performance.now() - told < 250) return;
      told = performance.now();
      tell({ kind: 'better', plan: write() });
    },
  });
  tell({ kind: 'done', plans });
});
