import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { styled } from 'styled-components';
import type { Together } from '@temnex/contract';
import { describeBound, formatCount, describeSavings, formatTotals } from '@temnex/words';
import { useCutTogether, useUndoTogether } from '../../../data/orders/queries.ts';
import { usePages } from '../../../data/pages/queries.ts';
import { Block } from '../../../design/Block.tsx';
import { PlainLink, Quiet, Strong } from '../../../design/buttons.tsx';
import { Empty, Loading, Notice, Trouble } from '../../../design/states.tsx';
import { Tick } from '../../../design/Tick.tsx';
import { Alternatives } from '../../../widgets/order/Alternatives.tsx';
import { CutIt, type Pressed } from '../../../widgets/order/CutIt.tsx';
import { OrderPanel, OrderTable, OrderWork, Part, Totals } from '../../../widgets/order/orderLayout.ts';
import { PlainList } from '../../../widgets/order/PlainList.tsx';
import { Planning } from '../../../widgets/order/Planning.tsx';
import { Overview } from '../../../widgets/order/Overview.tsx';
import { Story } from '../../../widgets/order/Story.tsx';
import { WhichOrder } from '../../../widgets/order/WhichOrder.tsx';
import { STAGES } from '../../../widgets/pages/stages.ts';
import { useDrawerContext } from '../context.ts';
import { useTogetherOrder } from './useTogetherOrder.ts';

const Choosing = styled.main`
  max-width: 52rem;
  padding: 1.2rem 1.5rem 2rem;
  & > ul {
    margin: 0.9rem 0;
    border-top: 2px solid var(--ink);
  }
  & > ul > li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 12rem;
    gap: 0.3rem 1rem;
    align-items: center;
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--rule);
    color: var(--quiet);
  }
  & label {
    color: var(--ink);
    font: 600 1.1rem/1.25 var(--figures);
  }
  & small {
    font-size: var(--s2);
  }
`;
const Bags = styled.ul`
  & > li {
    display: grid;
    grid-template-columns: 2.4rem 1fr;
    gap: 0.5rem;
    align-items: baseline;
    padding: 0.2rem 0;
  }
  & b {
    font: 600 1.25rem/1 var(--figures);
  }
`;
const Saved = styled.p`
  padding: 0.6rem 0.8rem;
  border-left: 5px solid var(--keep);
  & > b {
    display: block;
    font: 600 var(--s3) / 1.15 var(--figures);
  }
`;
/** Stages of pages of which something is left to cut. */
const OPEN = new Set(['papers', 'planned', 'out-of-date', 'partly-cut']);

/** Pages that are chosen together are planned as one, and cut in one session. */
export function TogetherScreen() {
  const [address, setAddress] = useSearchParams();
  const pages = (address.get('pages') ?? '').split(',').filter(Boolean);
  const again = () => setAddress({});
  return pages.length > 1 ? (
    <Order key={pages.join()} pages={pages} again={again} />
  ) : (
    <Choose choose={(ids) => setAddress({ pages: ids.join() })} />
  );
}

function Choose({ choose }: { choose: (ids: string[]) => void }) {
  const pages = usePages();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const open = pages.data?.filter((p) => !p.pattern && !p.unreadable && OPEN.has(p.stage)) ?? [];
  const others = pages.data?.filter((p) => !p.pattern && (p.unreadable || p.stage === 'sizing')).length ?? 0;
  if (pages.error)
    return <Trouble title="The pages could not be fetched" error={pages.error} retry={() => void pages.refetch()} />;
  if (pages.isPending) return <Loading what="the pages" />;
  if (open.length < 2)
    return (
      <Empty title="There are not two pages to cut">
        <p>
          Pages can be cut together once every layer of them has a paper and something of them is left to cut
          {others ? `; ${formatCount(others, 'page')} ${others === 1 ? 'is' : 'are'} not that far` : ''}.
        </p>
        <PlainLink to="/">To the pages</PlainLink>
      </Empty>
    );
  const toggle = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  const ids = open.filter((p) => chosen.has(p.id)).map((p) => p.id);
  return (
    <Choosing>
      <h1 style={{ fontSize: 'var(--s3)' }}>Which pages are cut in one session?</h1>
      <p>They share sheets and scraps, and each piece says which bag it goes into.</p>
      <ul aria-label="Pages to cut">
        {open.map((p) => (
          <li key={p.id}>
            <Tick checked={chosen.has(p.id)} onChange={() => toggle(p.id)}>
              {p.name}
            </Tick>
            <small>{STAGES[p.stage]}</small>
          </li>
        ))}
      </ul>
      {others ? (
        <p>
          {formatCount(others, 'page')} {others === 1 ? 'has' : 'have'} layers without a paper, and cannot be cut yet.
        </p>
      ) : null}
      <p style={{ display: 'flex', gap: '1rem', marginTop: '0.9rem' }}>
        <Strong onPress={() => choose(ids)} isDisabled={ids.length < 2}>
          {ids.length < 2 ? 'Choose two or more' : `Plan these ${ids.length} together`}
        </Strong>
        <Quiet onPress={() => setChosen(new Set(chosen.size === open.length ? [] : open.map((p) => p.id)))}>
          {chosen.size === open.length ? 'Choose none' : 'Choose all'}
        </Quiet>
      </p>
    </Choosing>
  );
}

/** What stands in the way of a page, and where to see to it. */
function InTheWay({ problems, pages }: Pick<Together, 'problems' | 'pages'>) {
  const names = new Map(pages.map((p) => [p.id, p.name]));
  const says = ({ code, parts }: Together['problems'][number]): string => {
    switch (code) {
      case 'nothing-to-cut':
        return 'nothing of it is left to cut';
      case 'no-paper-chosen':
        return `no paper yet for ${parts.join(', ')}`;
      case 'place-gone':
        return `the paper from which ${parts.join(', ')} should be cut is gone`;
      case 'page-refused':
        return `${parts.join(', ') || 'something'} cannot be made as it is`;
      case 'other-unit':
        return 'it is in another unit than the first; cut it by itself';
    }
  };
  return (
    <ul>
      {problems.map((p) => (
        <li key={p.page}>
          <b>{names.get(p.page)}</b>: {says(p)}.{' '}
          <PlainLink to={`/page/${p.page}${p.code === 'page-refused' ? '' : '/papers'}`}>To the page</PlainLink>
        </li>
      ))}
    </ul>
  );
}

function Order({ pages, again }: { pages: readonly string[]; again: () => void }) {
  const { drawer, mark, habits } = useDrawerContext();
  const order = useTogetherOrder(pages);
  const cut = useCutTogether(pages);
  const undo = useUndoTogether(pages);
  const [done, setDone] = useState<number | null>(null);
  const [last, setLast] = useState<string | null>(null);
  const [pressed, setPressed] = useState<Pressed | null>(null);
  const { asked, plan, job, alone } = order;
  const voice = { mark, figures: 'typeset' } as const;
  const { data } = asked;
  if (asked.error)
    return <Trouble title="These pages could not be fetched" error={asked.error} retry={() => void asked.refetch()} />;
  if (!data) return <Loading what="the pages" />;
  const allCut = data.problems.length > 0 && data.problems.every((p) => p.code === 'nothing-to-cut');
  // what is put down is remembered, so that it can be taken back here
  const putDown = {
    ...cut,
    mutate: (input: Parameters<typeof cut.mutate>[0], options?: Parameters<typeof cut.mutate>[1]) =>
      cut.mutate(input, {
        onSuccess: (record) => {
          setLast(record.id);
          options?.onSuccess?.(record);
        },
      }),
  };
  return (
    <OrderWork>
      <h1 className="out-of-sight">Cut together</h1>
      <OrderTable>
        {last ? (
          <Notice kind="advice">
            <span role="status">It is put down for all of them.</span>
            <Quiet onPress={() => undo.mutate(last, { onSuccess: () => setLast(null) })} isDisabled={undo.isPending}>
              Take it back
            </Quiet>
          </Notice>
        ) : null}
        {undo.error ? (
          <Notice kind="block">
            <span>{undo.error.message}</span>
          </Notice>
        ) : null}
        {allCut ? (
          <Empty title="All of it is cut">
            <p>Nothing of these pages is left to cut.</p>
            <Quiet onPress={again}>Choose other pages</Quiet>
          </Empty>
        ) : data.problems.length ? (
          <Empty title="They cannot be cut together yet">
            <InTheWay {...data} />
            <Quiet onPress={again}>Choose other pages</Quiet>
          </Empty>
        ) : plan && job ? (
          <>
            {plan.missing.length ? (
              <Notice kind="block">
                <span>
                  There is not paper enough for{' '}
                  {plan.missing.map((m) => job.pieces.find((p) => p.id === m.piece)?.name ?? m.piece).join(', ')}. The
                  rest can be cut; each page tells ways out.
                </span>
              </Notice>
            ) : null}
            <Alternatives plans={order.plans} habits={habits} compare={order.compare} title="Cut them for" />
            {order.comparing ? (
              <Planning {...order.comparing} what="Planning all three" stopWords="Stop" stop={order.stopComparing} />
            ) : null}
            <Part>Cuts, in this order</Part>
            <WhichOrder plan={plan} job={job} habits={habits} planning={order.planning !== null} />
            {plan.steps.length ? (
              <Story plan={plan} job={job} drawer={drawer} mark={mark} done={done} bagOf={null} onDone={setDone} />
            ) : (
              <p>No cut is needed.</p>
            )}
            <Part>The sheets</Part>
            <Overview plan={plan} job={job} drawer={drawer} mark={mark} />
          </>
        ) : (
          <Loading what="a first plan" />
        )}
      </OrderTable>
      <OrderPanel aria-label="Summary">
        <h2>Into which bag</h2>
        <Bags>
          {data.pages.map((p) => (
            <li key={p.id}>
              <b>#{p.bag}</b>
              <span>{p.name}</span>
            </li>
          ))}
        </Bags>
        <Quiet onPress={again}>Choose other pages</Quiet>
        {plan && job ? (
          <>
            <h2 style={{ marginTop: '1.1rem' }}>
              {plan.status === 'complete' ? 'What it takes' : 'What can be cut takes'}
            </h2>
            <Totals>
              {formatTotals(plan).map(({ label, value }) => (
                <div key={label}>
                  <dt>{label}</dt>
                  <dd>{value}</dd>
                </div>
              ))}
            </Totals>
            {alone ? (
              <Saved>
                <b>{describeSavings(plan, alone).first}</b>
                {describeSavings(plan, alone).rest}
              </Saved>
            ) : null}
            <p>{describeBound(plan)}</p>
            {order.planning ? <Planning {...order.planning} stop={order.stop} /> : null}
            {order.trouble ? (
              <Notice kind="block">
                <span>{order.trouble.message}</span>
              </Notice>
            ) : null}
            <CutIt
              plan={plan}
              job={job}
              done={done}
              setDone={setDone}
              pressed={pressed}
              setPressed={setPressed}
              stored={order.stored}
              settle={order.trouble ? null : () => order.planning && order.stop()}
              failed={order.trouble !== null}
              cut={putDown}
              print={
                <a href={`/api/plans/${order.stored}/print.pdf`} target="_blank" rel="noreferrer">
                  Print it
                </a>
              }
              bagOf={null}
            />
            <Block>
              <h3>Plain list</h3>
              <PlainList job={job} plan={plan} voice={voice} />
            </Block>
          </>
        ) : null}
      </OrderPanel>
    </OrderWork>
  );
}
