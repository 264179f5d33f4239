import { useEffect, useRef, useState } from 'react';
import type { JobDocument, KeepingRule, Plan } from '@temnex/core/planner';
import { applyPencilledLetters, type PencilledLetters } from '@temnex/core/cutting';
import { collectPencilled, planOfUntouched } from '@temnex/core/trimmer';
import { planRecordSchema, sessionRestSchema, type PlanRecord } from '@temnex/contract';
import { requestJson } from '../client.ts';
import type { FromWorker } from '../planning/messages.ts';
import { newPlanWorker } from '../planning/newWorker.ts';
import { newId } from '../newId.ts';
import type { LiveSession } from './useSession.ts';

/** Somebody stands there with paper in their hands: a good order now, not the best one later. */
const SECONDS = 0.5;
/** How long is looked for an order that saves a sheet by cutting everything anew. */
const SAVING_SECONDS = 0.3;

export type PlanRest =
  | { readonly status: 'planning' }
  /** Sheets not begun could be cut otherwise, which would save so many new ones: somebody must say whether. */
  | { readonly status: 'asking'; readonly saves: number; readonly choose: (how: 'keep' | 'recut') => void }
  /** Its pages must be looked at first. */
  | { readonly status: 'unclear' }
  /** There is no paper for what is left. */
  | { readonly status: 'no-paper'; readonly missing: readonly string[] }
  | { readonly status: 'failed'; readonly error: Error; readonly retry: () => void };

interface PlanRequest {
  readonly job: JobDocument;
  readonly earlier: Plan | null;
  readonly keeping?: KeepingRule;
  readonly seconds: number;
}

function planInWorker({ job, seconds, ...request }: PlanRequest, signal: AbortSignal): Promise<Plan> {
  const worker = newPlanWorker();
  return new Promise<Plan>((resolve, reject) => {
    const failed = () => reject(new Error('The planner stopped unexpectedly. What is cut is in the books.'));
    signal.addEventListener('abort', failed);
    worker.onerror = failed;
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
      if (data.kind === 'done') resolve(data.plans[0]!);
      else if (data.kind === 'refused') failed();
    };
    worker.postMessage({ job: { ...job, plan: { ...job.plan, seconds } }, ...request, how: 'one-aim' });
  }).finally(() => worker.terminate());
}

function pencilledBy({ session, state, order }: LiveSession, parts: PencilledLetters['parts']): PencilledLetters {
  const plans = new Map(session.plans.map((record) => [record.id, record.plan]));
  const deed = session.events.find(({ event }) => event.id === state.left.at(-1)?.event)?.event.deed;
  const wrong = deed?.do === 'wrong' ? deed.wrong : undefined;
  const isHandSpoilt = wrong !== undefined && wrong.how !== 'paper';
  return collectPencilled(state, (id) => plans.get(id) ?? order.record.plan, order.steps, parts, isHandSpoilt);
}

/**
 * Plans what is left. Sheets not begun keep their cuts; the second plan is there where cutting them anew would open fewer new sheets.
 */
async function planRest(
  job: JobDocument,
  pencilled: PencilledLetters,
  signal: AbortSignal,
): Promise<{ kept: Plan; saving: Plan | null }> {
  const earlier = planOfUntouched(pencilled);
  const kept = await planInWorker({ job, earlier, keeping: 'while-complete', seconds: SECONDS }, signal);
  if (!earlier.sheets.length || !kept.totals.newSheets || kept.bound.proved) return { kept, saving: null };
  const anew = await planInWorker({ job, earlier: null, seconds: SAVING_SECONDS }, signal);
  const missing = (plan: Plan) => plan.missing.reduce((sum, { quantity }) => sum + quantity, 0);
  const saves = missing(anew) <= missing(kept) && anew.totals.newSheets < kept.totals.newSheets;
  return { kept, saving: saves ? anew : null };
}

/**
 * Once something went wrong and is in the books: what is left is planned from what is really there, stored, and the session
 * goes on by it. Nothing left: the session ends.
 */
export function usePlanRest(live: LiveSession): PlanRest {
  const { session, state, press, know, waiting, offline } = live;
  const [result, setResult] = useState<PlanRest>({ status: 'planning' });
  const [again, setAgain] = useState(0);
  const { id } = session.session;
  // what it presses and knows changes with every event; what is planned does not
  const use = useRef({ press, know, live, order: state.order });
  useEffect(() => {
    use.current = { press, know, live, order: state.order };
  });
  const ready = state.phase === 'waiting' && waiting === 0 && !offline;
  useEffect(() => {
    if (!ready) return;
    const stop = new AbortController();
    const go = async (): Promise<void> => {
      const rest = await requestJson('GET', `/api/sessions/${id}/rest`, sessionRestSchema);
      if (stop.signal.aborted) return;
      if (rest.left === 'nothing') return void use.current.press({ do: 'end', order: use.current.order });
      if (!rest.job) return setResult({ status: 'unclear' });
      const pencilled = pencilledBy(use.current.live, rest.pencilled);
      const { kept, saving } = await planRest(rest.job, pencilled, stop.signal);
      if (stop.signal.aborted) return;
      const saves = saving ? kept.totals.newSheets - saving.totals.newSheets : 0;
      const recut =
        saving !== null &&
        (await new Promise<boolean>((choose) =>
          setResult({ status: 'asking', saves, choose: (how) => choose(how === 'recut') }),
        ));
      if (stop.signal.aborted) return;
      setResult({ status: 'planning' });
      const plan = applyPencilledLetters(recut ? saving : kept, pencilled);
      if (!plan.sheets.length) {
        const names = new Map(rest.job.pieces.map((p) => [p.id, p.name ?? p.id]));
        return setResult({ status: 'no-paper', missing: plan.missing.map((m) => names.get(m.piece) ?? m.piece) });
      }
      const body = { id: newId(), basis: rest.basis, plan };
      const record: PlanRecord =
        rest.pages.length > 1
          ? await requestJson('POST', '/api/together', planRecordSchema, { ...body, pages: rest.pages })
          : await requestJson('POST', `/api/pages/${rest.pages[0]!}/plans`, planRecordSchema, body);
      if (stop.signal.aborted) return;
      use.current.know(record);
      use.current.press({ do: 'order', order: use.current.order + 1, plan: record.id });
    };
    setResult({ status: 'planning' });
    go().catch((error: Error) => {
      if (!stop.signal.aborted) setResult({ status: 'failed', error, retry: () => setAgain((n) => n + 1) });
    });
    return () => stop.abort();
  }, [ready, id, again]);
  return result;
}
