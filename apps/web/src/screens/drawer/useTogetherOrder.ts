import { useEffect, useMemo, useRef } from 'react';
import { readJob, withBlocks, type Job, type Plan } from '@temnex/core';
import { useIsSavingHabits, useStoreTogether, useTogether } from '../../api/queries.ts';
import { usePlanner, type Alone } from '../../planner/usePlanner.ts';

export interface TogetherOrder {
  readonly asked: ReturnType<typeof useTogether>;
  readonly plan: Plan | null;
  readonly job: Job | null;
  /** What the pages would take one by one; null until that is known. */
  readonly alone: Alone | null;
  readonly planning: { readonly startedAt: number; readonly seconds: number } | null;
  /** Id under which the server keeps it; null until it does. */
  readonly stored: string | null;
  readonly stop: () => void;
  readonly trouble: Error | null;
}

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
  const found = fresh ? (Object.values(fresh.plans)[0] ?? null) : null;
  const plan = stored?.plan ?? found;
  const { mutate } = store;
  const sent = useRef<Plan | null>(null);
  const isSavingHabits = useIsSavingHabits();
  useEffect(() => {
    if (fresh?.status !== 'done' || stored || !found || !basis || sent.current === found) return;
    // a plan for habits that the server does not know yet would be refused
    if (isSavingHabits()) return;
    sent.current = found;
    mutate({ basis, plan: found });
  }, [fresh, stored, found, basis, mutate, isSavingHabits]);
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
    trouble: store.error,
  };
}
