import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Input, Label } from 'react-aria-components';
import { styled } from 'styled-components';
import { placeOf, reservedCountFor, sizeOfItem, type StockItem } from '@temnex/core/stock';
import { findScrapUses } from '@temnex/core/cutting';
import type { DrawerStep } from '@temnex/contract';
import {
  STOCK_KIND_LABELS,
  describeCouldMake,
  formatCount,
  describeOddShape,
  formatSize,
  describeAreaInSheets,
} from '@temnex/words';
import { useChangePaper, useRemovePaper } from '../../../data/stock/queries.ts';
import { usePages } from '../../../data/pages/queries.ts';
import { History } from '../../../widgets/stock/History.tsx';
import { PaperPanel } from '../../../widgets/stock/PaperPanel.tsx';
import { listPlacesIn } from '../../../widgets/stock/places.ts';
import { Choice } from '../../../design/Choice.tsx';
import { Plain, Quiet } from '../../../design/buttons.tsx';
import { Notice } from '../../../design/states.tsx';
import { useDrawerContext } from '../context.ts';
import { TypedField } from '../../../design/Split.ts';

const Head = styled.div`
  & > h2 {
    font: 600 var(--s4) / 1.05 var(--figures);
  }
`;
const Doing = styled.form`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 0.5rem;
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
`;

interface PickedProps {
  picked: readonly StockItem[];
  take: (step: Omit<DrawerStep, 'id'>) => void;
  clear: () => void;
}

/** What is picked, and what can be done with all of it at once. */
export function PickedPanel({ picked, take, clear }: PickedProps) {
  const { drawer, papers, mark } = useDrawerContext();
  const pages = usePages();
  const voice = { mark, figures: 'typeset' } as const;
  const [only, ...others] = picked;
  const one = only && !others.length ? only : null;
  const paper = one ? papers.get(one.paper) : undefined;
  const [place, setPlace] = useState('');
  const all = picked.reduce((n, item) => n + item.quantity, 0);
  const area = picked.reduce((n, item) => n + sizeOfItem(item).width * sizeOfItem(item).height * item.quantity, 0);
  const held = picked.every((item) => item.reserved);
  const kept = picked.some((item) => item.reserves?.length);
  const open = pages.data?.filter((p) => !p.pattern && !p.unreadable) ?? [];
  const free = (item: StockItem) =>
    (item.reserves ?? []).map(({ page }) => ({ stock: item.id, keep: { page, count: 0 } }));
  const move = () => {
    const to = place.trim().slice(0, 80);
    take({ says: 'moved', change: picked.map((item) => ({ stock: item.id, place: to || null })) });
    setPlace('');
  };
  return (
    <>
      <Head>
        <h2>
          {one
            ? formatSize(sizeOfItem(one).width, sizeOfItem(one).height, voice)
            : `${picked.length.toLocaleString()} picked`}
        </h2>
        <p>
          {one && paper ? (
            <>
              {one.quantity > 1 ? `${one.quantity} × ` : ''}
              {STOCK_KIND_LABELS[one.kind]}
              {one.outline ? describeOddShape(one.outline.length) : ''} of {paper.name}
              {placeOf(one, paper) ? `, in ${placeOf(one, paper)}` : ''}
              {one.came ? (
                <>
                  , <span style={{ whiteSpace: 'nowrap' }}>came {one.came}</span>
                </>
              ) : null}
              {one.origin ? ', kept from cutting' : ''}
            </>
          ) : (
            `${all.toLocaleString()} in all, ${describeAreaInSheets(area)}`
          )}
        </p>
        {one?.reserves?.map((r) => (
          <p key={r.page}>
            {r.count} kept for {pages.data?.find((p) => p.id === r.page)?.name ?? 'a page that is gone'}
          </p>
        ))}
      </Head>
      <Doing
        onSubmit={(e) => {
          e.preventDefault();
          move();
        }}
      >
        <TypedField value={place} onChange={setPlace}>
          <Label>where {one ? 'it goes' : 'they go'}; empty: where the paper is kept</Label>
          <Input list="places" autoComplete="off" maxLength={80} />
        </TypedField>
        <Plain type="submit">Move</Plain>
        <datalist id="places">
          {listPlacesIn(drawer).map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
      </Doing>
      {open.length ? (
        <Choice
          label="keep for a page"
          value=""
          options={[{ id: '', name: 'choose a page …' }, ...open.map((p) => ({ id: p.id, name: p.name }))]}
          onChange={(page) =>
            page
              ? take({
                  says: 'kept-for',
                  change: picked.map((item) => ({
                    stock: item.id,
                    keep: { page, count: item.quantity - reservedCountFor(item) + reservedCountFor(item, page) },
                  })),
                })
              : undefined
          }
        />
      ) : null}
      <Row>
        {kept ? (
          <Plain onPress={() => take({ says: 'freed', change: picked.flatMap(free) })}>Keep for none</Plain>
        ) : null}
        <Plain
          onPress={() =>
            take({
              says: held ? 'freed' : 'held-back',
              change: picked.map((item) => ({ stock: item.id, reserved: !held })),
            })
          }
        >
          {held ? 'Free' : 'Hold back'}
        </Plain>
        {one ? (
          <>
            <Plain onPress={() => take({ says: 'put-in', change: [{ stock: one.id, by: 1 }] })}>One more</Plain>
            <Plain onPress={() => take({ says: 'taken-out', change: [{ stock: one.id, by: -1 }] })}>One less</Plain>
          </>
        ) : null}
        <Plain
          onPress={() =>
            take({ says: 'taken-out', change: picked.map((item) => ({ stock: item.id, by: -item.quantity })) })
          }
        >
          Take out{all > 1 ? ` all ${all.toLocaleString()}` : ''}
        </Plain>
        <Quiet onPress={clear}>Pick none</Quiet>
      </Row>
      {one ? <Gives item={one} /> : null}
      {one && paper ? (
        <div>
          <History item={one} paper={paper.name} />
        </div>
      ) : null}
      {one && paper ? <ItsPaper key={paper.id} paper={paper.id} /> : null}
    </>
  );
}

/** What it would still give, each with the line to go on with. */
function Gives({ item }: { item: StockItem }) {
  const { habits, mark } = useDrawerContext();
  const list = useMemo(() => findScrapUses(item, habits.unit), [item, habits.unit]);
  if (!list.length) return <p>Too small for what is usually made.</p>;
  return (
    <section aria-label="What it would still give">
      <h3>It would still give</h3>
      <ul>
        {list.slice(0, 7).map((one) => (
          <li key={one.line} style={{ padding: '0.15rem 0' }}>
            <Link to="/" state={{ say: one.line }}>
              {describeCouldMake(one, { mark, figures: 'typeset' })}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The paper itself: its faces and what else is known of it, for all there is of it. */
function ItsPaper({ paper: id }: { paper: string }) {
  const { papers, drawer } = useDrawerContext();
  const change = useChangePaper();
  const remove = useRemovePaper();
  const paper = papers.get(id);
  if (!paper) return null;
  const of = drawer.stock.filter((s) => s.paper === id).length;
  const trouble = change.error ?? remove.error;
  return (
    <details>
      <summary>
        {paper.name}, the paper ({formatCount(of, 'item')})
      </summary>
      {trouble ? (
        <Notice kind="block">
          <span>{trouble.message}</span>
        </Notice>
      ) : null}
      <PaperPanel paper={paper} change={(to) => change.mutate(to)} remove={(gone) => remove.mutate(gone)} />
    </details>
  );
}
