import { useEffect, useState } from 'react';
import { styled } from 'styled-components';
import type { Job, Plan } from '@temnex/core';
import { describeBound, formatCutList, describeIssue, formatTotals } from '@temnex/words';
import { useCut } from '../../api/queries.ts';
import { MEDIUM, NARROW, sidewaysScroll } from '../../theme/global.ts';
import { Block } from '../../ui/Block.tsx';
import { Plain, PlainLink, Quiet } from '../../ui/buttons.tsx';
import { Empty, Loading, Notice } from '../../ui/states.tsx';
import { useOpenSession } from '../trimmer/useBeginSession.ts';
import { useBagLabels } from './useBagLabels.ts';
import { usePhotoOf } from './usePhotoOf.ts';
import { usePageContext } from '../page/context.ts';
import { Alternatives } from './Alternatives.tsx';
import { PageCuttings } from './PageCuttings.tsx';
import { CutAlready } from './CutAlready.tsx';
import { CutIt, type Pressed } from './CutIt.tsx';
import { Finished } from './Finished.tsx';
import { HabitsForm } from './HabitsForm.tsx';
import { HowMany } from './HowMany.tsx';
import { Overview } from './Overview.tsx';
import { ShortageNotice } from './ShortageNotice.tsx';
import { Story } from './Story.tsx';
import { WhichOrder } from './WhichOrder.tsx';

export const OrderWork = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 21rem;
  ${MEDIUM} {
    grid-template-columns: minmax(0, 1fr) 18rem;
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
export const OrderTable = styled.div`
  padding: 1rem 1.5rem 2.5rem;
  min-width: 0;
  ${sidewaysScroll('var(--table)')}
  ${NARROW} {
    display: flex;
    flex-direction: column;
    padding: 1rem 0.75rem;
  }
`;
export const OrderPanel = styled.aside`
  padding: 1rem 1.5rem 2rem;
  ${NARROW} {
    /* above the way to the trimmer, which stays in sight */
    padding: 1rem 0.75rem 5.5rem;
  }
`;
export const Totals = styled.dl`
  margin: 0.6rem 0;
  & dd {
    order: -1;
    margin: 0;
    font: 600 1.45rem/1.25 var(--figures);
    text-align: right;
    white-space: nowrap;
  }
  & > div {
    display: grid;
    grid-template-columns: 7rem 1fr;
    align-items: baseline;
    gap: 0.75rem;
  }
`;
const Stack = styled.div`
  display: grid;
  gap: 0.6rem;
  justify-items: start;
  margin: 0.9rem 0;
`;
const Copied = styled.pre`
  margin: 0.4rem 0;
  font: 400 var(--s1) / 1.45 var(--text);
  font-variant-numeric: tabular-nums;
  white-space: pre-wrap;
`;
const Progress = styled.div<{ $share: number }>`
  height: 6px;
  background: linear-gradient(90deg, var(--ink) ${(p) => p.$share * 100}%, var(--faint) 0);
`;
/** On a phone at the table the story comes first. */
const Aims = styled.div`
  ${NARROW} {
    order: 2;
    margin-top: 1.5rem;
  }
`;
export const Part = styled.h2`
  margin: 1.9rem 0 0.8rem;
  &:first-child {
    margin-top: 0;
  }
`;

/** The cutting order: the story of cuts, the sheets as an overview, the plain list, and the word "cut". */
export function OrderScreen() {
  const context = usePageContext();
  const { editor, derived, drawer, id, cuttings } = context;
  const { order, again, stop, trouble } = context.cutting;
  const cut = useCut(id);
  const voice = { mark: derived.mark, figures: 'typeset' } as const;
  // how far the shown plan is cut: another plan has not been begun
  const shown = order.status === 'shown' ? order.plan : null;
  const [begun, setBegun] = useState<{ plan: Plan; done: number } | null>(null);
  const done = begun && begun.plan === shown ? begun.done : null;
  const [pressed, setPressed] = useState<Pressed | null>(null);
  const setDone = (n: number | null) => {
    // what is being cut is settled: no better plan takes its place
    if (n !== null && order.status === 'shown' && order.planning) stop();
    setBegun(n === null || !shown ? null : { plan: shown, done: n });
  };
  const bagOf = useBagLabels(context);
  const photoOf = usePhotoOf(context);
  const open = useOpenSession(id);
  const main = (() => {
    switch (order.status) {
      case 'loading':
        return <Loading what="the cutting order" />;
      case 'blocked':
        return order.problem.code === 'nothing-to-cut' ? (
          <Finished context={context} />
        ) : order.problem.code === 'page-refused' ? (
          <Empty title="The page cannot be yet">
            <p>
              {order.problem.parts.length ? order.problem.parts.join(', ') : 'The page'} cannot be made as it is, so not
              every piece is known. Nothing is planned until that is mended.
            </p>
            <PlainLink to={`/page/${id}`}>To the page</PlainLink>
          </Empty>
        ) : order.problem.code === 'place-gone' ? (
          <Empty title="The paper for a place is gone">
            <p>
              {order.problem.parts.join(', ')} must be cut from a place on paper that is no longer in the drawer. Choose
              another place, or let it come from anywhere.
            </p>
            <PlainLink to={`/page/${id}/papers`}>Choose the place</PlainLink>
          </Empty>
        ) : (
          <Empty title="Some layers have no paper yet">
            <p>Choose one for {order.problem.parts.join(', ')}.</p>
            <PlainLink to={`/page/${id}/papers`}>Choose papers</PlainLink>
          </Empty>
        );
      case 'unplanned':
        if (order.state.status === 'refused')
          return (
            <Empty title="This cannot be planned">
              <p>{describeIssue(order.state.issue, voice)}</p>
            </Empty>
          );
        if (order.state.status === 'failed' || order.state.status === 'idle')
          return (
            <Empty title="No cutting order yet">
              <p>
                {order.state.status === 'failed'
                  ? 'The planner stopped unexpectedly. Nothing is lost.'
                  : 'Planning was stopped before there was a first answer.'}
              </p>
              <Plain onPress={again}>Plan it</Plain>
            </Empty>
          );
        return <Loading what="a first plan" />;
      case 'shown':
        return (
          <>
            <Aims>
              <Alternatives plans={order.plans} habits={context.habits} compare={order.planning ? null : again} />
            </Aims>
            {order.plan.missing.map((m) => (
              <ShortageNotice
                key={m.piece}
                missing={m}
                job={order.job}
                context={context}
                planning={order.planning !== null}
              />
            ))}
            <Part>Cuts, in this order</Part>
            <WhichOrder plan={order.plan} job={order.job} habits={context.habits} planning={order.planning !== null} />
            {order.plan.steps.length ? (
              <Story
                plan={order.plan}
                job={order.job}
                drawer={drawer}
                mark={derived.mark}
                bagOf={bagOf}
                photoOf={photoOf}
                done={done}
                onDone={setDone}
              />
            ) : (
              <p>No cut is needed: {order.plan.sheets.length ? 'the sheets are used whole.' : 'nothing can be cut.'}</p>
            )}
            <Part>The sheets</Part>
            <Overview plan={order.plan} job={order.job} drawer={drawer} mark={derived.mark} />
          </>
        );
    }
  })();
  return (
    <OrderWork>
      <h1 className="out-of-sight">Cutting order for {editor.page.name}</h1>
      <OrderTable>{main}</OrderTable>
      <OrderPanel aria-label="Summary">
        {order.status === 'shown' ? (
          <>
            <h2>{order.plan.status === 'complete' ? 'What it takes' : 'What can be cut takes'}</h2>
            <Totals>
              {formatTotals(order.plan).map(({ label, value }) => (
                <div key={label}>
                  <dt>{label}</dt>
                  <dd>{value}</dd>
                </div>
              ))}
            </Totals>
            <p>{describeBound(order.plan)}</p>
            {order.planning ? (
              <Planning startedAt={order.planning.startedAt} seconds={order.planning.seconds} stop={stop} />
            ) : null}
            {trouble ? (
              <Notice kind="block">
                <span>{trouble.message}</span>
              </Notice>
            ) : null}
            <CutIt
              cut={cut}
              done={done}
              setDone={setDone}
              pressed={pressed}
              setPressed={setPressed}
              print={<PlainLink to={`/page/${id}/print`}>Print it</PlainLink>}
              plan={order.plan}
              job={order.job}
              stored={order.stored}
              settle={order.settle}
              failed={trouble !== null}
              bagOf={bagOf}
              open={open}
            />
            <Block>
              <h3>Plain list</h3>
              <PlainList job={order.job} plan={order.plan} voice={voice} />
            </Block>
          </>
        ) : null}
        <CutAlready context={context} />
        <PageCuttings context={context} cuttings={cuttings} />
        <HowMany context={context} />
        <HabitsForm context={context} again={again} planned={order.status === 'shown'} />
      </OrderPanel>
    </OrderWork>
  );
}

interface PlanningProps {
  startedAt: number;
  seconds: number;
  stop: () => void;
  what?: string;
  stopWords?: string;
}
export function Planning({
  startedAt,
  seconds,
  stop,
  what = 'Looking for a better one',
  stopWords = 'Stop, this will do',
}: PlanningProps) {
  const [now, setNow] = useState(() => performance.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), 100);
    return () => clearInterval(timer);
  }, []);
  const share = Math.min(1, (now - startedAt) / (seconds * 1000));
  return (
    <Stack role="status">
      <Progress
        $share={share}
        style={{ width: '100%' }}
        role="progressbar"
        aria-label="Looking for a better plan"
        aria-valuenow={Math.round(share * 100)}
        aria-valuemin={0}
        aria-valuemax={100}
      />
      <span>
        {what} <Quiet onPress={stop}>{stopWords}</Quiet>
      </span>
    </Stack>
  );
}

export function PlainList({ job, plan, voice }: { job: Job; plan: Plan; voice: Parameters<typeof formatCutList>[1] }) {
  const [copied, setCopied] = useState(false);
  return (
    <>
      <Copied>{formatCutList(job, voice, plan)}</Copied>
      <Quiet
        onPress={() =>
          void navigator.clipboard.writeText(formatCutList(job, { ...voice, figures: 'plain' }, plan)).then(
            () => setCopied(true),
            () => setCopied(false),
          )
        }
      >
        {copied ? 'Copied' : 'Copy the list'}
      </Quiet>
    </>
  );
}
