/** Starts the worker that plans; apart, because only a bundler can find its file. */
export const newPlanWorker = (): Worker => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
