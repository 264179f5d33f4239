import { z } from 'zod';
import { lengthText } from '../length/index.ts';
import { oneLine } from '../stock/index.ts';
import { spoiledPieceSchema, wrongCutSchema } from '../cutting/index.ts';

/*
 * A session at the trimmer is a sequence of events. Which step one is at, what is done and what went wrong all follow from them;
 * the same event twice, or the same step done on two devices, is done once.
 *
 * Steps that are done at once are one event: the first of them, and `through` the last.
 *
 *     order 0:  take · cut · turn · cut ✗        (a cut went wrong: put down, and planned anew)
 *     order 1:  take · cut · cut · finish ─ end
 */

/** Which order of the session, counted from 0, and which of its steps. */
const place = { order: z.int().min(0).max(1000), step: z.int().min(0).max(100_000) };
/** The last of several steps, the first of which is `step`; left out: that one alone. */
const several = { ...place, through: z.int().min(0).max(100_000).optional() };
const piece = { order: place.order, piece: z.string().max(200), copy: z.int().min(1) };

export const sessionDeedSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('done'), ...several }),
  /** It is not done after all. */
  z.strictObject({ do: z.literal('back'), ...several }),
  /** The step went wrong; `spoiled`: pieces that had come off before. */
  z.strictObject({
    do: z.literal('wrong'),
    ...place,
    /** Left out: only pieces that had come off are spoiled. */
    wrong: wrongCutSchema.optional(),
    spoiled: z.array(spoiledPieceSchema).max(200).default([]),
  }),
  /** What went wrong last did not, after all: the order before it goes on. */
  z.strictObject({ do: z.literal('right'), order: place.order }),
  /** The order for what is left. */
  z.strictObject({ do: z.literal('order'), order: place.order, plan: z.string().max(64) }),
  /** A piece measures this, and will do; measured again, the last counts. */
  z.strictObject({ do: z.literal('measured'), ...piece, width: lengthText(), height: lengthText() }),
  z.strictObject({ do: z.literal('note'), text: oneLine(500) }),
  /** All of it is put down. */
  z.strictObject({ do: z.literal('end'), order: place.order }),
  /** It is not, after all. */
  z.strictObject({ do: z.literal('on'), order: place.order }),
]);
export type SessionDeed = z.infer<typeof sessionDeedSchema>;

export const sessionEventSchema = z.strictObject({
  id: z.string().min(1).max(64),
  /** When, by the clock of the device. */
  at: z.iso.datetime(),
  /** What the device is called. */
  device: oneLine(60).optional(),
  deed: sessionDeedSchema,
});
export type SessionEvent = z.infer<typeof sessionEventSchema>;

/** Why an event changes nothing. */
export type NoOpReason =
  /** It is done already, here or on another device. */
  | 'already'
  /** Something before it is not done yet. */
  | 'too-early'
  /** The order it belongs to is no longer the one that is cut. */
  | 'order-gone'
  /** The session is over, or is not. */
  | 'over';

export interface SessionState {
  /** Which order is being cut, by its place in `plans`. */
  readonly order: number;
  readonly plans: readonly string[];
  /** How many of its steps are done. */
  readonly at: number;
  readonly phase: 'cutting' | 'waiting' | 'over';
  /** What went wrong in each order that was left for another, at which step, and what had been measured by then. */
  readonly left: ReadonlyArray<{
    readonly order: number;
    readonly at: number;
    readonly event: string;
    readonly measured: SessionState['measured'];
  }>;
  /** The event that put down the last of it; null: it goes on, or was put down before, with what went wrong. */
  readonly ended: string | null;
  /** What was measured in the order that is cut: `piece copy` → size. */
  readonly measured: ReadonlyMap<string, MeasuredPiece>;
  readonly notes: ReadonlyArray<{ readonly id: string; readonly at: string; readonly text: string }>;
}
export interface MeasuredPiece {
  readonly piece: string;
  readonly copy: number;
  readonly width: string | number;
  readonly height: string | number;
}

export const beginSession = (plan: string): SessionState => ({
  order: 0,
  plans: [plan],
  at: 0,
  phase: 'cutting',
  left: [],
  ended: null,
  measured: new Map(),
  notes: [],
});

/** How many steps an order of the session has; asked of whoever knows the plans. */
export type StepsOf = (plan: string) => number;

/** What an event makes of a session; or why it makes nothing of it. */
export function applySessionEvent(
  state: SessionState,
  event: SessionEvent,
  stepsOf: StepsOf,
): SessionState | NoOpReason {
  const { deed } = event;
  if (deed.do === 'note') return { ...state, notes: [...state.notes, { id: event.id, at: event.at, text: deed.text }] };
  if (deed.do === 'on') {
    if (state.phase !== 'over') return 'already';
    if (deed.order !== state.order) return 'order-gone';
    return { ...state, phase: state.ended === null ? 'waiting' : 'cutting', ended: null };
  }
  if (state.phase === 'over') return deed.do === 'end' ? 'already' : 'over';
  if (deed.do === 'order') {
    if (deed.order <= state.order) return 'already';
    if (state.phase !== 'waiting' || deed.order !== state.order + 1) return 'too-early';
    const plans = [...state.plans.slice(0, deed.order), deed.plan];
    return { ...state, plans, order: deed.order, at: 0, phase: 'cutting', measured: new Map() };
  }
  if (deed.do === 'right') {
    const last = state.left.at(-1);
    if (!last || last.order !== deed.order) return 'order-gone';
    // an order that has been begun since stands
    if (state.phase !== 'waiting' && state.at > 0) return 'over';
    return {
      ...state,
      order: last.order,
      at: last.at,
      phase: 'cutting',
      left: state.left.slice(0, -1),
      measured: last.measured,
      plans: state.plans.slice(0, last.order + 1),
    };
  }
  if (deed.order < state.order) return 'order-gone';
  if (deed.order > state.order) return 'too-early';
  if (state.phase === 'waiting') {
    // what went wrong is in the books, and nothing is left to cut
    if (deed.do === 'end') return { ...state, phase: 'over', ended: null };
    return deed.do === 'wrong' ? 'already' : 'order-gone';
  }
  const steps = stepsOf(state.plans[state.order]!);
  switch (deed.do) {
    case 'done': {
      const last = deed.through ?? deed.step;
      if (last < state.at) return 'already';
      // of what is done at once, some may be done already
      return deed.step <= state.at && last < steps ? { ...state, at: last + 1 } : 'too-early';
    }
    case 'back': {
      const last = deed.through ?? deed.step;
      if (deed.step >= state.at) return 'already';
      return last === state.at - 1 ? { ...state, at: deed.step } : 'too-early';
    }
    case 'wrong': {
      if (deed.step !== state.at) return deed.step < state.at ? 'already' : 'too-early';
      const { order, at, measured } = state;
      const left = [...state.left, { order, at, event: event.id, measured }];
      return { ...state, left, phase: 'waiting', measured: new Map() };
    }
    case 'measured': {
      const { do: _, order: _order, ...size } = deed;
      return { ...state, measured: new Map(state.measured).set(`${deed.piece} ${deed.copy}`, size) };
    }
    case 'end':
      return state.at === steps ? { ...state, phase: 'over', ended: event.id } : 'too-early';
  }
}

/** A session from all its events in the order they were taken in, and those that changed nothing. */
export function foldSession(
  plan: string,
  events: readonly SessionEvent[],
  stepsOf: StepsOf,
): { readonly state: SessionState; readonly idle: ReadonlyMap<string, NoOpReason> } {
  let state = beginSession(plan);
  const idle = new Map<string, NoOpReason>();
  const seen = new Set<string>();
  for (const event of events) {
    if (seen.has(event.id)) continue;
    seen.add(event.id);
    const next = applySessionEvent(state, event, stepsOf);
    if (typeof next === 'string') idle.set(event.id, next);
    else state = next;
  }
  return { state, idle };
}
