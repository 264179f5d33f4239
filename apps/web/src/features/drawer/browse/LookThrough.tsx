import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import { compileStockQuery, isEmptyQuery, parseStockQuery, sizeOfItem } from '@temnex/core/stock';
import { formatCount, describeSearchProblem, describeStockQuery, describeAreaInSheets } from '@temnex/words';
import { useDrawerStep } from '../../../data/stock/queries.ts';
import { NARROW } from '../../../design/global.ts';
import { AddPaper } from '../../../widgets/stock/AddPaper.tsx';
import { UnreadableRecords } from '../../../widgets/stock/UnreadableRecords.tsx';
import { listPlacesIn } from '../../../widgets/stock/places.ts';
import { SetAside } from '../../../widgets/stock/SetAside.tsx';
import { Choice } from '../../../design/Choice.tsx';
import { PlainLink, Quiet } from '../../../design/buttons.tsx';
import { Empty, Notice } from '../../../design/states.tsx';
import { RemovedList } from '../../../widgets/RemovedList.tsx';
import { formatToday, useDrawerContext } from '../context.ts';
import { SearchLine, SidePanel, Split, ToSidePanel } from '../../../design/Split.ts';
import { ORDERS, ORDER_LABELS, sortFound, type Order } from '../order.ts';
import { PickedPanel } from './PickedPanel.tsx';
import { Searches } from './Searches.tsx';
import { StockTable } from '../StockTable.tsx';
import { usePicking } from '../../../design/usePicking.ts';
import { Wall } from '../Wall.tsx';

const Look = styled.section`
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  ${NARROW} {
    height: calc(100dvh - 3.3rem);
  }
`;
const Line = styled.div`
  padding: 0.9rem 1.5rem 0.6rem;
  ${NARROW} {
    padding: 0.6rem 0.75rem 0.4rem;
  }
`;
const Heard = styled.p`
  min-height: 1.5rem;
  margin-top: 0.2rem;
  &[data-bad] {
    color: var(--cut);
    font-weight: 600;
  }
`;
const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 0.3rem 1.2rem;
  padding: 0 1.5rem 0.6rem;
  border-bottom: 2px solid var(--ink);
  & > p {
    flex: 1;
    font-size: var(--s1);
    & > b {
      font: 600 var(--s4) / 1 var(--figures);
    }
  }
  ${NARROW} {
    padding: 0 0.75rem 0.4rem;
    & > p {
      flex-basis: 100%;
    }
    & > p > b {
      font-size: var(--s3);
    }
    & > [data-large] {
      display: none;
    }
  }
`;
/** Pixels to the inch at which papers hang on the wall. */
const BESIDE_THE_WALL = ['search', 'step'] as const;
const SCALES = { small: 9, middle: 15, large: 26 } as const;
type Scale = keyof typeof SCALES;

/** The drawer looked through: one line says what for, and what is found hangs on a wall, or stands in a table. */
export function LookThrough() {
  const { drawer, papers, habits, mark, done } = useDrawerContext();
  const [address, setAddress] = useSearchParams();
  const line = address.get('find') ?? '';
  const [order, setOrder] = useState<Order>('fitting');
  const [seen, setSeen] = useState<'wall' | 'table'>(() => (address.get('as') === 'table' ? 'table' : 'wall'));
  const [scale, setScale] = useState<Scale>('middle');
  const step = useDrawerStep();
  const say = (text: string) =>
    setAddress(
      (was) => {
        const next = new URLSearchParams(was);
        if (text) next.set('find', text);
        else next.delete('find');
        return next;
      },
      { replace: true },
    );
  // the field never waits for the wall
  const sought = useDeferredValue(line);
  const voice = useMemo(() => ({ mark, figures: 'typeset' }) as const, [mark]);
  const heard = useMemo(
    () => parseStockQuery(sought, habits.unit, listPlacesIn(drawer), formatToday()),
    [sought, habits.unit, drawer],
  );
  // while a line is not one, what was found last stays
  const [last, setLast] = useState(heard);
  if (heard !== last && heard.ok) setLast(heard);
  const standing = heard.ok ? heard : last;
  const found = useMemo(() => {
    if (!standing.ok) return [];
    const { matches, rank } = compileStockQuery(standing.sought, drawer.papers);
    const all = isEmptyQuery(standing.sought) ? drawer.stock : drawer.stock.filter(matches);
    return sortFound(
      all.filter((item) => papers.has(item.paper)),
      order,
      papers,
      rank,
    );
  }, [standing, drawer, papers, order]);
  const ids = useMemo(() => found.map((item) => item.id), [found]);
  const picking = usePicking(ids);
  const picked = useMemo(() => found.filter((item) => picking.picked.has(item.id)), [found, picking.picked]);
  const sheets = useMemo(() => found.reduce((n, item) => n + item.quantity, 0), [found]);
  const worth = useMemo(
    () => found.reduce((n, item) => n + sizeOfItem(item).width * sizeOfItem(item).height * item.quantity, 0),
    [found],
  );
  const take = (what: Parameters<typeof step.mutate>[0]) => step.mutate(what, { onSuccess: ({ id }) => done(id) });
  const onKey = (key: string): boolean => {
    if (!picked.length) return false;
    if (key === 'Delete') {
      take({ says: 'taken-out', change: picked.map((item) => ({ stock: item.id, by: -item.quantity })) });
      return true;
    }
    if (key === 'h') {
      const reserved = picked.some((item) => !item.reserved);
      take({ says: reserved ? 'held-back' : 'freed', change: picked.map((item) => ({ stock: item.id, reserved })) });
      return true;
    }
    return false;
  };
  const shown = {
    items: found,
    papers,
    mark,
    picking,
    onKey,
    label: 'What is in the drawer',
  };
  return (
    <Split>
      <h1 className="out-of-sight">The drawer</h1>
      <Look aria-label="Look through the drawer">
        <Line>
          <SearchLine value={line} onChange={say} onKeyDown={(e) => (e.key === 'Escape' ? say('') : undefined)}>
            <Label>What do you look for?</Label>
            <Input
              autoComplete="off"
              spellCheck={false}
              data-say-line
              placeholder="such as reaches 11 1/2 x 3, or scraps near teal in box 2, or stripes older than 6 months"
            />
          </SearchLine>
          <Heard aria-live="polite" {...(heard.ok ? {} : { 'data-bad': true })}>
            {heard.ok ? describeStockQuery(heard.sought, voice).join(' · ') : describeSearchProblem(heard.problem)}
          </Heard>
          <Searches line={line} say={say} />
          <SetAside drawer={drawer} unit={habits.unit} />
          <UnreadableRecords of={BESIDE_THE_WALL} />
        </Line>
        <Bar>
          <p role="status">
            <b>{found.length.toLocaleString()}</b>{' '}
            {found.length === drawer.stock.length ? 'items' : `of ${drawer.stock.length.toLocaleString()} items`},{' '}
            {sheets.toLocaleString()} in all{worth ? `, ${describeAreaInSheets(worth)}` : ''}
          </p>
          <Choice
            label="in which order"
            value={order}
            options={ORDERS.map((id) => ({ id, name: ORDER_LABELS[id] }))}
            onChange={setOrder}
          />
          <Choice
            label="seen as"
            value={seen}
            options={[
              { id: 'wall', name: 'a wall, to scale' },
              { id: 'table', name: 'a table' },
            ]}
            onChange={setSeen}
          />
          {seen === 'wall' ? (
            <div data-large="">
              <Choice
                label="how large"
                value={scale}
                options={(Object.keys(SCALES) as Scale[]).map((id) => ({ id, name: id }))}
                onChange={setScale}
              />
            </div>
          ) : null}
        </Bar>
        {!drawer.stock.length ? (
          <Empty title="The drawer is empty">
            <p>Say a sheet or a scrap in one line, as “sheet 12 x 12 sea green”, or put many in at once.</p>
            <PlainLink to="/drawer/in">Put many in</PlainLink>
          </Empty>
        ) : !found.length ? (
          <Empty title="Nothing like that">
            <p>
              Nothing in the drawer is all of this:{' '}
              {standing.ok ? describeStockQuery(standing.sought, voice).join(' · ') : line}.
            </p>
            <Quiet onPress={() => say('')}>Look at everything</Quiet>
          </Empty>
        ) : seen === 'wall' ? (
          <Wall {...shown} scale={SCALES[scale]} />
        ) : (
          <StockTable {...shown} order={order} setOrder={setOrder} />
        )}
      </Look>
      {picked.length ? (
        <ToSidePanel>
          <span aria-hidden="true">{formatCount(picked.length, 'item')} picked</span>
          <a href="#slip">What is done with {picked.length === 1 ? 'it' : 'them'}</a>
        </ToSidePanel>
      ) : null}
      <SidePanel id="slip" aria-label="What is done with it">
        {step.error ? (
          <Notice kind="block">
            <span>{step.error.message}</span>
          </Notice>
        ) : null}
        {picked.length ? (
          <PickedPanel
            key={picked.length === 1 ? picked[0]!.id : 'several'}
            picked={picked}
            take={take}
            clear={picking.clear}
          />
        ) : (
          <p>Press a paper to pick it, more with Ctrl or Shift, all with Ctrl A; Delete takes out, H holds back.</p>
        )}
        <section aria-label="Put in">
          <AddPaper drawer={drawer} unit={habits.unit} onPutIn={done} />
          <Link to="/drawer/trace">Trace an odd one by its corners</Link>
        </section>
        <RemovedList kinds={['stock', 'paper']} />
      </SidePanel>
    </Split>
  );
}
