import { useCallback, useEffect, useRef, useState } from 'react';
import type { JobDocument, JobIssue, Plan } from '@temnex/core';
import type { FromWorker } from './messages.ts';
import { newPlanWorker } from './newWorker.ts';

export type PlannerState =
  | { status: 'idle' }
  | { status: 'planning'; plan: Plan | null; startedAt: number; seconds: number }
  | { status: 'done'; plan: Plan; stopped: boolean }
  | { status: 'refused'; issue: JobIssue }
  | { status: 'failed' };

/** Plans a job in a worker: streams better plans, can be stopped at any time with the best plan so far. */
export function usePlanner() {
  const [state, setState] = useState<PlannerState>({ status: 'idle' });
  const worker = useRef<Worker | null>(null);
  const drop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => drop, [drop]);

  const plan = useCallback(
    (job: JobDocument) => {
      drop();
      const made = newPlanWorker();
      worker.current = made;
      setState({ status: 'planning', plan: null, startedAt: performance.now(), seconds: job.plan?.seconds ?? 1 });
      made.onmessage = ({ data }: MessageEvent<FromWorker>) => {
        if (data.kind === 'better') setState((s) => (s.status === 'planning' ? { ...s, plan: data.plan } : s));
        else {
          setState(
            data.kind === 'done'
              ? { status: 'done', plan: data.plan, stopped: false }
              : { status: 'refused', issue: data.issue },
          );
          drop();
        }
      };
      made.onerror = () => {
        setState({ status: 'failed' });
        drop();
      };
      made.postMessage({ job });
    },
    [drop],
  );
  const stop = useCallback(() => {
    drop();
    setState((s) =>
      s.status === 'planning' && s.plan ? { status: 'done', plan: s.plan, stopped: true } : { status: 'idle' },
    );
  }, [drop]);
  return { state, plan, stop };
}
