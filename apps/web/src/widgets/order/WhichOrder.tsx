import { useMemo } from 'react';
import { styled } from 'styled-components';
import type { Habits } from '@temnex/core/stock';
import { measureHandling, reorderPlan, type CutOrderKind, type Job, type Plan } from '@temnex/core/planner';
import { CUT_ORDER_LABELS, describeHandling } from '@temnex/words';
import { useSaveHabits } from '../../data/habits.ts';
import { Tick } from '../../design/Tick.tsx';

const Two = styled.fieldset`
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 0 1.2rem;
  align-items: center;
  margin: 0 0 0.9rem;
  padding: 0;
  border: 0;
  & > span {
    font-family: var(--figures);
  }
  & [data-chosen] {
    font-weight: 600;
  }
  @media (max-width: 520px) {
    grid-template-columns: 1fr;
    & > span {
      padding-left: 1.6rem;
    }
  }
`;
const ORDERS: readonly CutOrderKind[] = ['by-setting', 'sheet-by-sheet'];
/** Of more cuts than these the other order is not worked out beside: it would keep the screen waiting. */
const MAX_CUTS = 200;

interface WhichOrderProps {
  plan: Plan;
  job: Job;
  habits: Habits;
  /** It may still become another plan: the other order is worked out once it is the last. */
  planning: boolean;
}

/** One setting after the other, or one sheet after the other, with what each asks of the hands. The choice is remembered. */
export function WhichOrder({ plan, job, habits, planning }: WhichOrderProps) {
  const save = useSaveHabits();
  // the plan follows a moment after it is chosen
  const chosen = habits.order ?? 'by-setting';
  const other = ORDERS.find((order) => order !== job.order)!;
  const otherwise = useMemo(
    () => (planning || plan.totals.cuts > MAX_CUTS ? null : reorderPlan(job, plan, other)),
    [plan, job, other, planning],
  );
  const says = (of: Plan): string => {
    const words = describeHandling(measureHandling(of));
    return of !== plan && words === describeHandling(measureHandling(plan)) ? 'comes to the same here' : words;
  };
  if (plan.sheets.filter(({ tree }) => tree.cut).length < 2) return null;
  return (
    <Two>
      <legend className="out-of-sight">In which order</legend>
      {ORDERS.map((order) => {
        const shown = order === job.order ? plan : otherwise;
        return [
          <Tick key={order} oneOf="order" checked={order === chosen} onChange={() => save.mutate({ ...habits, order })}>
            {CUT_ORDER_LABELS[order]}
          </Tick>,
          <span key={`${order} figures`} data-chosen={order === chosen || undefined}>
            {shown ? says(shown) : planning ? '' : 'worked out once you choose it'}
          </span>,
        ];
      })}
    </Two>
  );
}
