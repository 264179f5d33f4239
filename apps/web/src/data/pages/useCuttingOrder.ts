import { useEffect, useMemo, useRef } from 'react';
import { hashKey } from '@tanstack/react-query';
import { readJob, withBlocks, type JobDocument, type Plan } from '@temnex/core/planner';
import { buildPageJob, isSameBasis, type Basis } from '@temnex/core/cutting';
import { useIsSavingHabits } from '../habits.ts';
import { usePlan, useStorePlan } from '../orders/queries.ts';
import { usePlanner, type Plans } from '../planning/usePlanner.ts';
import type { PageContext, PageFacts } from './context.ts';
import type { CuttingOrder } from './cuttingOrder.ts';

/** A job as text, whatever its aim: the three aims are planned together. */
const asked = (job: JobDocument): string => JSON.stringify({ ...job, plan: { ...job.plan, aim: null } });

/**
 * The cutting order of a page: the stored one while it still answers what is asked, else planned anew and stored; planned once
 * nothing has changed for `wait` milliseconds.
 */
export function useCuttingOrder(context: PageFacts, wait = 0): PageContext['cutting'] {
  const { id, editor, derived, drawer, habits, basis, cut, cuttings } = context;
  const { name, copies, spares, first } = editor.page;
  const stored = usePlan(id);
  const store = useStorePlan(id);
  const { state, of, plan: start, stop: standing } = usePlanner();
  const { aim } = habits;
  const wanted = useMemo(
    () => buildPageJob(name, derived, drawer, habits, cut, { copies, spares, first }),
    [name, derived, drawer, habits, cut, copies, spares, first],
  );
  const text = wanted.ok ? asked(wanted.job) : null;
  // the server made the stored one from exactly this state, or it does not answer what is asked
  const stands = Boolean(stored.data && basis && isSameBasis(stored.data.basis, basis));
  const fits = text !== null && stands && stored.data?.plan.aim === aim;
  const ready = stored.isFetched && basis !== null;
  // of a plan that was begun, the sheets not touched keep their cuts
  const begun =
    stored.data && cuttings.some((c) => c.plan === stored.data!.id && !c.undoneAt) ? stored.data.plan : null;

  // plan whenever neither what is stored nor what was planned answers what is asked
  const planned = useRef<{ text: string; job: JobDocument } | null>(null);
  useEffect(() => {
    if (!ready || !wanted.ok || fits || planned.current?.text === text) return;
    const begin = () => {
      planned.current = { text: text!, job: wanted.job };
      start(wanted.job, begun);
    };
    if (!wait) return begin();
    const timer = setTimeout(begin, wait);
    return () => clearTimeout(timer);
  }, [ready, wanted, fits, text, start, begun, wait]);

  // what is planned may still be of the job before
  const isOf = planned.current?.text === text && planned.current?.job === of;
  const fresh = isOf && (state.status === 'planning' || state.status === 'done') ? state : null;
  const plans: Plans = fresh?.plans ?? (fits ? { [aim]: stored.data!.plan } : {});
  // until the chosen aim has its plan, another's is shown
  const plan = plans[aim] ?? Object.values(plans)[0] ?? null;

  // the finished plan of the chosen aim is stored once the page it was made from is saved
  const sent = useRef<{ plan: Plan; basis: Basis } | null>(null);
  const { mutate } = store;
  const isSavingHabits = useIsSavingHabits();
  useEffect(() => {
    if (state.status !== 'done' || !fresh || !plan || !basis || editor.saving !== 'saved') return;
    // a plan for habits that the server does not know yet would be refused
    if (isSavingHabits()) return;
    // sent once for a state; when that proves to have been an older one, sent again
    if (sent.current?.plan === plan && isSameBasis(sent.current.basis, basis)) return;
    if (stored.data && fits && hashKey([stored.data.plan]) === hashKey([plan])) return;
    sent.current = { plan, basis };
    mutate({ basis, plan });
  }, [state, fresh, plan, editor.saving, basis, mutate, stored.data, fits, isSavingHabits]);

  // what is stored has its blocks already
  const shownJob = plan ? (fresh ? withBlocks(planned.current!.job, plan.blocks) : stored.data!.job) : null;
  const job = useMemo(() => {
    const read = shownJob ? readJob(shownJob) : null;
    return read?.ok ? read.job : null;
  }, [shownJob]);
  const again = () => {
    if (!wanted.ok) return;
    const job = { ...wanted.job };
    planned.current = { text: text!, job };
    start(job, begun);
  };
  const stop = () => standing(plans);
  const planning = fresh?.status === 'planning' ? fresh : null;
  let order: CuttingOrder;
  if (!ready) order = { status: 'loading' };
  else if (!wanted.ok) order = { status: 'blocked', problem: wanted.problem };
  else if (plan && job)
    order = {
      status: 'shown',
      plan,
      job,
      plans,
      planning,
      stored: fits && !planning && !store.isPending ? stored.data!.id : null,
      // not what another aim gives, nor what could not be kept
      settle: plan.aim === aim && !store.error && editor.saving !== 'failed' ? () => planning && stop() : null,
    };
  else order = { status: 'unplanned', state };
  return { order, again, stop, trouble: store.error };
}
