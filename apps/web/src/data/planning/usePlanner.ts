import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import { AIMS, type Aim, type JobDocument, type JobIssue, type Plan } from '@temnex/core/planner';
import type { OneByOneTotals } from '@temnex/core/cutting';
import type { FromWorker, PlanningMode } from './messages.ts';
import { newPlanWorker } from './newWorker.ts';

/** The best plan so far for each aim that one is known for. */
export type Plans = Partial<Record<Aim, Plan>>;
/** What the pages of a job would take one by one. */
export type OneByOneFigures = Omit<OneByOneTotals, 'plan'>;
export type PlannerState =
  | { status: 'idle' }
  | { status: 'planning'; plans: Plans; startedAt: number; seconds: number }
  | { status: 'done'; plans: Plans; stopped: boolean; alone: OneByOneFigures | null }
  | { status: 'refused'; issue: JobIssue }
  | { status: 'failed' };

/** Plans a job in a worker: streams better plans, can be stopped at any time with the best plan so far. */
export function usePlanner() {
  const [state, setState] = useState<PlannerState>({ status: 'idle' });
  /** What the state is of: a plan of another job does not go with this one. */
  const [of, setOf] = useState<JobDocument | null>(null);
  const worker = useRef<Worker | null>(null);
  const drop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => drop, [drop]);

  const plan = useCallback(
    (job: JobDocument, earlier: Plan | null = null, how: PlanningMode = 'alone') => {
      drop();
      const made = newPlanWorker();
      worker.current = made;
      setOf(job);
      const seconds = (job.plan?.seconds ?? 1) * (how === 'together-aims' ? AIMS.length : 1);
      setState({ status: 'planning', plans: {}, startedAt: performance.now(), seconds });
      made.onmessage = ({ data }: MessageEvent<FromWorker>) => {
        if (worker.current !== made) return;
        // drawing a plan takes a while: it may be put off for a keystroke, and is done a part at a time
        if (data.kind === 'better')
          startTransition(() =>
            setState((s) =>
              s.status === 'planning' ? { ...s, plans: { ...s.plans, [data.plan.aim]: data.plan } } : s,
            ),
          );
        else {
          startTransition(() =>
            setState(
              data.kind === 'done'
                ? {
                    status: 'done',
                    plans: Object.fromEntries(data.plans.map((p) => [p.aim, p])),
                    stopped: false,
                    alone: data.alone,
                  }
                : { status: 'refused', issue: data.issue },
            ),
          );
          drop();
        }
      };
      made.onerror = () => {
        setState({ status: 'failed' });
        drop();
      };
      made.postMessage({ job, earlier, how });
    },
    [drop],
  );
  /** These plans, which somebody has seen, are what stands. */
  const stop = useCallback(
    (seen: Plans) => {
      drop();
      setState(
        Object.keys(seen).length ? { status: 'done', plans: seen, stopped: true, alone: null } : { status: 'idle' },
      );
    },
    [drop],
  );
  return { state, of, plan, stop };
}
