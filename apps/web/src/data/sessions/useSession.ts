import { useCallback, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { readJob, type Job } from '@temnex/core/planner';
import {
  foldSession,
  buildTrimmerSteps,
  type NoOpReason,
  type SessionDeed,
  type SessionEvent,
  type SessionState,
  type TrimmerStep,
} from '@temnex/core/trimmer';
import {
  sentEventsSchema,
  sessionSchema,
  storedEventSchema,
  type PlanRecord,
  type Refusal,
  type Session,
  type StoredEvent,
} from '@temnex/contract';
import { ServerRefusal, ServerUnreachable, requestJson } from '../client.ts';
import { newId } from '../newId.ts';
import { deviceName } from './device.ts';
import {
  cacheStoredEvents,
  subscribeToOutbox,
  enqueueEvent,
  cachedEventsOf,
  dequeueEvents,
  pendingEventsOf,
} from './outbox.ts';
import { KEYS } from '../keys.ts';

/** Between two tries to reach the server, in milliseconds: soon at first, then less often. */
const AGAIN = [800, 1500, 3000, 6000, 12_000];

/** By then a press is drawn, in milliseconds. */
const AFTER_DRAWN = 40;

/** One order of a session, read and taken apart into steps; each once. */
export interface Order {
  readonly record: PlanRecord;
  readonly job: Job;
  readonly steps: readonly TrimmerStep[];
}
const orders = new WeakMap<PlanRecord, Order>();
function orderOfRecord(record: PlanRecord): Order {
  let order = orders.get(record);
  if (!order) {
    const read = readJob(record.job);
    if (!read.ok) throw new Error('This cutting order cannot be read. Make it anew from its page.');
    orders.set(record, (order = { record, job: read.job, steps: buildTrimmerSteps(read.job, record.plan) }));
  }
  return order;
}

export interface LiveSession {
  readonly session: Session;
  readonly state: SessionState;
  /** The order that is cut. */
  readonly order: Order;
  readonly press: (deed: SessionDeed) => string;
  /** How many presses the server does not know of yet, and whether it answers. */
  readonly waiting: number;
  readonly offline: boolean;
  /** What could not be done, with its sentence. */
  readonly trouble: Refusal | null;
  readonly clearTrouble: () => void;
  /** What was pressed here and changed nothing, latest last. */
  readonly idle: readonly { readonly event: SessionEvent; readonly why: NoOpReason }[];
  /** Has a plan known before it is cut by. */
  readonly know: (plan: PlanRecord) => void;
}

/** A session as the server has it; as this device last saw it, where the server does not answer. */
async function fetchSession(id: string): Promise<Session> {
  let before = false;
  const session = await requestJson('GET', `/api/sessions/${id}`, sessionSchema, undefined, (seen) => (before = seen));
  if (before) return withEvents(session, cachedEventsOf(id));
  cacheStoredEvents(id, session.events);
  return session;
}

type Status = { status: 'loading' } | { status: 'failed'; error: Error; retry: () => void };

const withEvents = (session: Session, more: readonly StoredEvent[]): Session => {
  const known = new Set(session.events.map((e) => e.seq));
  const fresh = more.filter((e) => !known.has(e.seq));
  return fresh.length ? { ...session, events: [...session.events, ...fresh].sort((a, b) => a.seq - b.seq) } : session;
};

/** A session as it stands with all that was pressed here; presses show at once, and go out as soon as the server can be reached. */
export function useSession(id: string): Status | ({ status: 'live' } & LiveSession) {
  const client = useQueryClient();
  const query = useQuery({
    queryKey: KEYS.session(id),
    queryFn: () => fetchSession(id),
    staleTime: Infinity,
  });
  const [offline, setOffline] = useState(false);
  const [trouble, setTrouble] = useState<Refusal | null>(null);
  const waiting = useSyncExternalStore(subscribeToOutbox, () => pendingEventsOf(id));
  // what was pressed on this device, also before it was opened anew: only of that is it said what changed nothing
  const [own] = useState(() => new Set(pendingEventsOf(id).map((e) => e.id)));
  const sending = useRef(false);
  const tries = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const merge = useCallback(
    (more: readonly StoredEvent[], session?: Session['session']) =>
      client.setQueryData<Session>(KEYS.session(id), (was) => {
        if (!was) return was;
        const now = withEvents(session ? { ...was, session } : was, more);
        if (now.events !== was.events) cacheStoredEvents(id, now.events);
        return now;
      }),
    [client, id],
  );
  const flush = useCallback(async (): Promise<void> => {
    const events = pendingEventsOf(id);
    if (sending.current || !events.length) return;
    sending.current = true;
    clearTimeout(timer.current);
    try {
      const since = client.getQueryData<Session>(KEYS.session(id))?.events.at(-1)?.seq ?? 0;
      const sent = await requestJson('POST', `/api/sessions/${id}/events`, sentEventsSchema, { events, since });
      merge(sent.events, sent.session);
      const known = new Set(client.getQueryData<Session>(KEYS.session(id))?.events.map((e) => e.event.id));
      if (sent.refused) {
        known.add(sent.refused.event);
        setTrouble(sent.refused.refusal);
      }
      dequeueEvents(id, known);
      tries.current = 0;
      setOffline(false);
      dispatchEvent(new Event('temnex-answered'));
    } catch (error) {
      if (error instanceof ServerRefusal && error.refusal.code !== 'failed') {
        // not to be had at all: said, and kept, for another try by hand
        setTrouble(error.refusal);
      } else {
        setOffline(error instanceof ServerUnreachable);
        timer.current = setTimeout(() => void retry.current(), AGAIN[Math.min(tries.current++, AGAIN.length - 1)]);
      }
      return;
    } finally {
      sending.current = false;
    }
    if (pendingEventsOf(id).length) void retry.current();
  }, [client, id, merge]);
  const retry = useRef(flush);
  useEffect(() => {
    retry.current = flush;
  }, [flush]);

  useEffect(() => {
    void flush();
    const back = () => void flush();
    addEventListener('online', back);
    return () => {
      removeEventListener('online', back);
      clearTimeout(timer.current);
    };
  }, [flush]);

  // what other devices do, as they do it; after a gap, all that was missed
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const source = new EventSource(`/api/sessions/${id}/stream`);
    let opened = 0;
    source.onopen = () => {
      dispatchEvent(new Event('temnex-answered'));
      if (opened++) void client.invalidateQueries({ queryKey: KEYS.session(id) });
      void flush();
    };
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const taken = storedEventSchema.safeParse(JSON.parse(data));
      if (!taken.success) return;
      merge([taken.data]);
      const { deed } = taken.data.event;
      // an order that this device does not have
      if (deed.do === 'order' || deed.do === 'end' || deed.do === 'on')
        void client.invalidateQueries({ queryKey: KEYS.session(id) });
    };
    return () => source.close();
  }, [client, id, merge, flush]);

  const press = useCallback(
    (deed: SessionDeed): string => {
      const event: SessionEvent = { id: newId(), at: new Date().toISOString(), device: deviceName(), deed };
      setTrouble(null);
      own.add(event.id);
      enqueueEvent(id, event);
      // kept and shown first; it goes out once that is drawn
      setTimeout(() => void retry.current(), AFTER_DRAWN);
      return event.id;
    },
    [id, own],
  );
  const know = useCallback(
    (plan: PlanRecord) =>
      client.setQueryData<Session>(KEYS.session(id), (was) =>
        was && !was.plans.some((p) => p.id === plan.id) ? { ...was, plans: [...was.plans, plan] } : was,
      ),
    [client, id],
  );

  const session = query.data;
  const made = useMemo(() => {
    if (!session) return null;
    const all = [...session.events.map((e) => e.event), ...waiting];
    const plans = new Map(session.plans.map((p) => [p.id, p]));
    const stepsOf = (plan: string) => {
      const record = plans.get(plan);
      return record ? orderOfRecord(record).steps.length : Infinity;
    };
    const { state, idle } = foldSession(session.session.plans[0]!, all, stepsOf);
    const record = plans.get(state.plans[state.order]!);
    // another device goes on by an order that is still to be fetched: nothing is shown in its place
    if (!record) return null;
    const mine = new Map(all.map((e) => [e.id, e]));
    return {
      state,
      order: orderOfRecord(record),
      idle: [...idle].flatMap(([event, why]) => (own.has(event) ? { event: mine.get(event)!, why } : [])),
    };
  }, [session, waiting, own]);
  if (query.isError && !session) return { status: 'failed', error: query.error, retry: () => void query.refetch() };
  if (!session || !made) return { status: 'loading' };
  const clearTrouble = () => setTrouble(null);
  return { status: 'live', session, ...made, press, know, waiting: waiting.length, offline, trouble, clearTrouble };
}
