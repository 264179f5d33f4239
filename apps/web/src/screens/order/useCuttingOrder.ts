import { useEffect, useMemo, useRef } from 'react';
import { jobOfPage, readJob, type Job, type JobDocument, type Plan } from '@temnex/core';
import { usePlan, useStorePlan } from '../../api/queries.ts';
import { usePlanner, type PlannerState } from '../../planner/usePlanner.ts';
import type { PageContext } from '../page/PageStation.tsx';

export type CuttingOrder =
  | { status: 'loading' }
  | { status: 'blocked'; problem: Extract<ReturnType<typeof jobOfPage>, { ok: false }>['problem'] }
  | { status: 'unplanned'; state: PlannerState }
  | {
      status: 'shown';
      plan: Plan;
      job: Job;
      planning: Extract<PlannerState, { status: 'planning' }> | null;
      /** Id under which the server keeps it; null until it does. */ stored: string | null;
    };

/** The cutting order of a page: the stored one while it still answers what is asked, else planned anew and stored. */
export function useCuttingOrder(context: PageContext): {
  order: CuttingOrder;
  again: () => void;
  stop: () => void;
  trouble: Error | null;
} {
  const { id, editor, derived, drawer, habits, cutParts } = context;
  const stored = usePlan(id);
  const store = useStorePlan(id);
  const { state, plan: start, stop } = usePlanner();
  const asked = useMemo(
    () => jobOfPage(editor.page.name, derived, drawer, habits, cutParts),
    [editor.page.name, derived, drawer, habits, cutParts],
  );
  const text = asked.ok ? JSON.stringify(asked.job) : null;
  const storedText = useMemo(() => (stored.data ? JSON.stringify(stored.data.job) : null), [stored.data]);
  const fits = text !== null && text === storedText;
  const ready = stored.isFetched && drawer.papers.length > 0;

  // plan whenever what is stored no longer answers what is asked
  const planned = useRef<{ text: string; job: JobDocument } | null>(null);
  useEffect(() => {
    if (!ready || !asked.ok || fits || planned.current?.text === text) return;
    planned.current = { text: text!, job: asked.job };
    start(asked.job);
  }, [ready, asked, fits, text, start]);

  // a finished plan is stored once the page it was made from is saved
  const sent = useRef<Plan | null>(null);
  const { mutate } = store;
  useEffect(() => {
    if (
      state.status !== 'done' ||
      sent.current === state.plan ||
      editor.saving !== 'saved' ||
      !planned.current ||
      planned.current.text !== text
    )
      return;
    sent.current = state.plan;
    mutate({ pageVersion: editor.version, job: planned.current.job as Record<string, unknown>, plan: state.plan });
  }, [state, editor.saving, editor.version, mutate, text]);

  const fresh =
    planned.current?.text === text && (state.status === 'planning' || state.status === 'done') ? state : null;
  const shownJob = fresh ? planned.current!.job : fits ? stored.data!.job : null;
  const job = useMemo(() => {
    const read = shownJob ? readJob(shownJob) : null;
    return read?.ok ? read.job : null;
  }, [shownJob]);
  const plan = fresh ? fresh.plan : fits ? stored.data!.plan : null;
  const again = () => {
    if (!asked.ok) return;
    planned.current = { text: text!, job: { ...asked.job } };
    start(asked.job);
  };
  let order: CuttingOrder;
  if (!ready) order = { status: 'loading' };
  else if (!asked.ok) order = { status: 'blocked', problem: asked.problem };
  else if (plan && job)
    order = {
      status: 'shown',
      plan,
      job,
      planning: fresh?.status === 'planning' ? fresh : null,
      stored: fits && (!fresh || (fresh.status === 'done' && !store.isPending)) ? stored.data!.id : null,
    };
  else order = { status: 'unplanned', state };
  return { order, again, stop, trouble: store.error };
}
