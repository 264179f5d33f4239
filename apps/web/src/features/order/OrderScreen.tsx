import { useState } from 'react';
import { styled } from 'styled-components';
import type { Plan } from '@temnex/core/planner';
import { describeBound, describeIssue, formatTotals } from '@temnex/words';
import { useCut } from '../../data/orders/queries.ts';
import { NARROW } from '../../design/global.ts';
import { Block } from '../../design/Block.tsx';
import { Plain, PlainLink } from '../../design/buttons.tsx';
import { Empty, Loading, Notice } from '../../design/states.tsx';
import { useOpenSession } from '../../data/sessions/useBeginSession.ts';
import { useBagLabels } from './useBagLabels.ts';
import { usePhotoOf } from './usePhotoOf.ts';
import { usePageContext } from '../../data/pages/context.ts';
import { Alternatives } from '../../widgets/order/Alternatives.tsx';
import { PageCuttings } from './PageCuttings.tsx';
import { CutAlready } from './CutAlready.tsx';
import { CutIt, type Pressed } from '../../widgets/order/CutIt.tsx';
import { Finished } from './Finished.tsx';
import { HabitsForm } from './HabitsForm.tsx';
import { HowMany } from './HowMany.tsx';
import { OrderPanel, OrderTable, OrderWork, Part, Totals } from '../../widgets/order/orderLayout.ts';
import { Overview } from '../../widgets/order/Overview.tsx';
import { PlainList } from '../../widgets/order/PlainList.tsx';
import { Planning } from '../../widgets/order/Planning.tsx';
import { ShortageNotice } from './ShortageNotice.tsx';
import { Story } from '../../widgets/order/Story.tsx';
import { WhichOrder } from '../../widgets/order/WhichOrder.tsx';

/** On a phone at the table the story comes first. */
const Aims = styled.div`
  ${NARROW} {
    order: 2;
    margin-top: 1.5rem;
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
