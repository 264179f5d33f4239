import type { Job, Plan } from '@temnex/core/planner';
import type { buildPageJob } from '@temnex/core/cutting';
import type { PlannerState, Plans } from '../planning/usePlanner.ts';

/** How the cutting order of a page stands. */
export type CuttingOrder =
  | { status: 'loading' }
  | { status: 'blocked'; problem: Extract<ReturnType<typeof buildPageJob>, { ok: false }>['problem'] }
  | { status: 'unplanned'; state: PlannerState }
  | {
      status: 'shown';
      plan: Plan;
      job: Job;
      /** What the other aims would give, as far as that is known. */
      plans: Plans;
      planning: Extract<PlannerState, { status: 'planning' }> | null;
      /** Id under which the server keeps it; null until it does. */
      stored: string | null;
      /** Makes this plan the one that is kept, if a better one is still looked for; null: it is not going to be kept. */
      settle: (() => void) | null;
    };
