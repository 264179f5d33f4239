import { styled } from 'styled-components';
import type { Habits } from '@temnex/core/stock';
import { AIMS, type Aim } from '@temnex/core/planner';
import { AIM_LABELS, formatComparison } from '@temnex/words';
import { sidewaysScroll } from '../../design/global.ts';
import type { Plans } from '../../data/planning/usePlanner.ts';
import { useSaveHabits } from '../../data/habits.ts';
import { Quiet } from '../../design/buttons.tsx';
import { Tick } from '../../design/Tick.tsx';

const Sheet = styled.div`
  margin-bottom: 1.6rem;
  padding: 0.5rem 0.9rem 0.6rem;
  ${sidewaysScroll('var(--sheet)')}
`;
const Same = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 1.2rem;
  & [data-chosen] label {
    font-weight: 600;
  }
`;
const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: var(--s2);
  & th {
    font-weight: 600;
    text-align: right;
    font-size: var(--s1);
    color: var(--quiet);
    padding: 0 0 0.2rem 0.9rem;
    white-space: nowrap;
  }
  & th:first-child {
    text-align: left;
    padding-left: 0;
  }
  & td {
    padding: 0.2rem 0 0.2rem 0.9rem;
    border-top: 1px solid var(--rule);
    font: 400 var(--s2) / 1.2 var(--figures);
    text-align: right;
    white-space: nowrap;
  }
  & td:first-child {
    padding-left: 0;
    text-align: left;
    font-family: var(--text);
  }
  & td[data-best] {
    font-weight: 600;
  }
  & [data-chosen] label {
    font-weight: 600;
  }
`;

interface AlternativesProps {
  plans: Plans;
  habits: Habits;
  /** Plans for all three; null while that is being done. */
  compare: (() => void) | null;
  /** Said before them; several pages are cut for one, too. */
  title?: string;
}

function AimTick({ aim, habits, save }: { aim: Aim; habits: Habits; save: (habits: Habits) => void }) {
  return (
    <Tick oneOf="aim" checked={aim === habits.aim} onChange={() => save({ ...habits, aim })}>
      {AIM_LABELS[aim]}
    </Tick>
  );
}

/** What is cut for, where only the plan of one aim is there. The choice is remembered. */
export function AimChoice({ habits }: { habits: Habits }) {
  const save = useSaveHabits();
  return (
    <Sheet role="group" aria-label="Cut them for">
      <Same>
        {AIMS.map((aim) => (
          <span key={aim} data-chosen={aim === habits.aim || undefined}>
            <AimTick aim={aim} habits={habits} save={save.mutate} />
          </span>
        ))}
      </Same>
    </Sheet>
  );
}

/** The three aims side by side with their figures; the best of each figure is set strong. The choice is remembered. */
export function Alternatives({ plans, habits, compare, title = 'Cut it for' }: AlternativesProps) {
  const save = useSaveHabits();
  const known = AIMS.filter((aim) => plans[aim] !== undefined);
  const rows = known.map((aim) => ({ aim, figures: formatComparison(plans[aim]!) }));
  const first = rows[0]!.figures;
  const best = first.map((_, i) => Math.min(...rows.map((r) => r.figures[i]!.rank)));
  const differ = first.map((_, i) => new Set(rows.map((r) => r.figures[i]!.value)).size > 1);
  const choose = (aim: Aim) => <AimTick aim={aim} habits={habits} save={save.mutate} />;
  if (!differ.some(Boolean))
    return (
      <Sheet role="group" aria-label={title}>
        <Same>
          {AIMS.map((aim) => (
            <span key={aim} data-chosen={aim === habits.aim || undefined}>
              {choose(aim)}
            </span>
          ))}
          {known.length === AIMS.length ? <span>All three come to the same here.</span> : null}
          {known.length < AIMS.length && compare ? <Quiet onPress={compare}>Set them side by side</Quiet> : null}
        </Same>
      </Sheet>
    );
  return (
    <Sheet>
      <Table>
        <caption className="out-of-sight">Three ways to cut it, side by side</caption>
        <thead>
          <tr>
            <th scope="col">{title}</th>
            {first.map((f) => (
              <th key={f.label} scope="col">
                {f.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ aim, figures }) => (
            <tr key={aim} data-chosen={aim === habits.aim || undefined}>
              <td>{choose(aim)}</td>
              {figures.map((f, i) => (
                <td key={f.label} data-best={(differ[i] && f.rank === best[i]) || undefined}>
                  {f.value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </Sheet>
  );
}
