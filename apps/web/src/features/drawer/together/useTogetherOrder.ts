import { useEffect, useMemo, useRef } from 'react';
import { hashKey } from '@tanstack/react-query';
import { AIMS, readJob, withBlocks, type Job, type JobDocument, type Plan } from '@temnex/core/planner';
import { useIsSavingHabits } from '../../../data/habits.ts';
import { useStoreTogether, useTogether } from '../../../data/orders/queries.ts';
import { usePlanner, type OneByOneFigures, type Plans } from '../../../data/planning/usePlanner.ts';

export interface TogetherOrder {
  readonly asked: ReturnType<typeof useTogether>;
  readonly plan: Plan | null;
  readonly job: Job | null;
  /** What the pages would take one by one; null until that is known. */
  readonly alone: OneByOneFigures | null;
  readonly planning: { readonly startedAt: number; readonly seconds: number } | null;
  /** Id under which the server keeps it; null until it does. */
  readonly stored: string | null;
  readonly stop: () => void;
  /** The order of the chosen aim, and of the others as far as they were asked for. */
  readonly plans: Plans;
  /** Plans for all three aims, to be set side by side; null while something is planned, or where they are there. */
  readonly compare: (() => void) | null;
  readonly comparing: { readonly startedAt: number; readonly seconds: number } | null;
  readonly stopComparing: () => void;
  readonly trouble: Error | null;
}

/** A job as text, whatever its aim. */
const whateverAim = (job: JobDocument): string => JSON.stringify({ ...job, plan: { ...job.plan, aim: null } });

/** The cutting order of several pages: the stored one while it still answers what is asked, else planned anew and stored. */
export function useTogetherOrder(pages: readonly string[]): TogetherOrder {
  const asked = useTogether(pages);
  const store = useStoreTogether(pages);
  const { state, of, plan: start, stop } = usePlanner();
  const { job = null, stored = null, basis } = asked.data ?? {};
  const text = useMemo(() => (job ? JSON.stringify(job) : null), [job]);
  // planned also where one stands: what is saved is known by that alone
  const planned = useRef<{ text: string; job: NonNullable<typeof job> } | null>(null);
  useEffect(() => {
    if (!job || !text || planned.current?.text === text) return;
    planned.current = { text, job };
    start(job, null, 'together');
  }, [job, text, start]);
  // what is planned may still be of the job before
  const isOf = planned.current?.text === text && planned.current?.job === of;
  const fresh = isOf && (state.status === 'planning' || state.status === 'done') ? state : null;
  const compared = useComparedAims(job, stored?.plan ?? null);
  const aim = job?.plan?.aim;
  // of an aim that was set beside the others, the order that was seen there
  const seen = aim ? (compared.plans[aim] ?? null) : null;
  const found = seen ?? (fresh ? (Object.values(fresh.plans)[0] ?? null) : null);
  const plan = stored?.plan ?? found;
  const { mutate } = store;
  const sent = useRef<Plan | null>(null);
  const isSavingHabits = useIsSavingHabits();
  useEffect(() => {
    if (!found || !basis || sent.current === found) return;
    // what is kept stands until it was set beside the others, and a better one was found there
    const isBetter = stored !== null && seen !== null && hashKey([stored.plan]) !== hashKey([seen]);
    if (stored ? !isBetter : !seen && fresh?.status !== 'done') return;
    // a plan for habits that the server does not know yet would be refused
    if (isSavingHabits()) return;
    sent.current = found;
    mutate({ basis, plan: found });
  }, [fresh, seen, stored, found, basis, mutate, isSavingHabits]);
  const shown = stored ? stored.job : job && plan ? withBlocks(job, plan.blocks) : null;
  const read = useMemo(() => {
    const made = shown ? readJob(shown) : null;
    return made?.ok ? made.job : null;
  }, [shown]);
  return {
    asked,
    plan: read ? plan : null,
    job: read,
    alone: fresh?.status === 'done' ? fresh.alone : null,
    planning: fresh?.status === 'planning' && !stored ? fresh : null,
    stored: stored?.id ?? null,
    stop: () => found && stop({ [found.aim]: found }),
    plans: plan ? { [plan.aim]: plan, ...compared.plans } : {},
    compare: stored ? compared.begin : null,
    comparing: compared.planning,
    stopComparing: compared.stop,
    trouble: store.error,
  };
}

/** Plans of a job for all three aims, once they are asked for, none worse than the best one known; of another job they are forgotten, of another aim they stay. */
function useComparedAims(job: JobDocument | null, best: Plan | null) {
  const { state, of, plan: start, stop } = usePlanner();
  const isOf = useMemo(() => job !== null && of !== null && whateverAim(job) === whateverAim(of), [job, of]);
  const planning = isOf && state.status === 'planning' ? state : null;
  const plans: Plans = isOf && (state.status === 'planning' || state.status === 'done') ? state.plans : {};
  const isWhole = AIMS.every((aim) => plans[aim] !== undefined);
  return {
    plans: planning ? {} : plans,
    planning,
    begin: job && !planning && !isWhole ? () => start(job, best, 'together-aims') : null,
    // what was found until then may be worse than what is kept: it is forgotten
    stop: () => stop({}),
  };
}
