import { useMemo } from 'react';
import { styled } from 'styled-components';
import type { Mark } from '@temnex/core/length';
import type { Drawer } from '@temnex/core/stock';
import { listOffcutChoices, readSheetOfPlan, type Job, type Plan } from '@temnex/core/planner';
import { letterOfSheet } from '@temnex/core/cutting';
import { drawSheet } from '@temnex/drawing';
import { STOCK_KIND_LABELS, describeOffcutChoice, formatSize } from '@temnex/words';
import { DrawingView } from '../../design/DrawingView.tsx';
import { buildPictureStyle } from './pictures.ts';

const Row = styled.ul`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 1.25rem 1.5rem;
  & > li > p {
    max-width: 13rem;
    margin-top: 0.35rem;
    font-size: var(--s1);
    line-height: 1.25;
  }
  & > li > p + p {
    color: var(--quiet);
  }
`;

const MAX_EXPLAINED = 40;

/** Every sheet as it comes apart, in the order in which they are taken, all at one scale. */
export function Overview({ plan, job, drawer, mark }: { plan: Plan; job: Job; drawer: Drawer; mark: Mark }) {
  const style = useMemo(() => buildPictureStyle(job, drawer, mark, 17), [job, drawer, mark]);
  const sheets = useMemo(() => plan.sheets.map((_, i) => drawSheet(plan, i, job, style)), [plan, job, style]);
  // of many sheets there is no room to say it under each, and nobody would read it
  const choices = useMemo(
    () =>
      plan.sheets.map((_, i) => {
        const sheet = plan.sheets.length > MAX_EXPLAINED ? null : readSheetOfPlan(job, plan, i);
        return sheet ? listOffcutChoices(sheet, job) : [];
      }),
    [plan, job],
  );
  return (
    <Row aria-label="Sheets">
      {sheets.map((picture, i) => {
        const stock = job.stock.find((s) => s.id === plan.sheets[i]!.stock)!;
        return (
          <li key={i}>
            <DrawingView drawing={picture} />
            <p>
              <b>{letterOfSheet(plan, i)}</b> {stock.paper.name}, {STOCK_KIND_LABELS[stock.kind]}{' '}
              {formatSize(stock.width, stock.height, style.voice)}
            </p>
            {choices[i]!.map((choice, j) => (
              <p key={j}>{describeOffcutChoice(choice, style.voice)}</p>
            ))}
          </li>
        );
      })}
    </Row>
  );
}
