import { useMemo } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { isSheet, sizeOfItem, type StockItem } from '@temnex/core/stock';
import {
  findStaleReservations,
  buildShoppingList,
  collectPaperDemand,
  collectDemandNotes,
  type SupplyCheck,
  type PaperDemand,
  type ShoppingEntry,
  type DemandNote,
} from '@temnex/core/cutting';
import { formatPurchase, formatCost, formatCount, describeEnough, formatSize, describeStock } from '@temnex/words';
import { useDrawerStep, useWanting } from '../../../data/queries.ts';
import { download, formatShoppingCsv } from '../../../data/csv.ts';
import { NARROW } from '../../../design/global.ts';
import { Plain, PlainLink, Quiet } from '../../../design/buttons.tsx';
import { Empty, Loading, Notice, Trouble } from '../../../design/states.tsx';
import { Swatch, faceTurn } from '../../../design/Swatch.tsx';
import { formatToday, useDrawerContext } from '../context.ts';
import { tileOf } from '../tiles.ts';
import { useSupplyCheck } from './useSupplyCheck.ts';

const Work = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 24rem;
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
  @media print {
    display: block;
    & > section:first-of-type {
      display: none;
    }
  }
`;
const Wants = styled.section`
  padding: 1.1rem 1.5rem 2rem;
  min-width: 0;
  ${NARROW} {
    padding: 0.9rem 0.75rem;
  }
`;
const List = styled.ul`
  margin-top: 0.8rem;
  border-top: 2px solid var(--ink);
`;
const One = styled.li`
  display: grid;
  grid-template-columns: 3rem minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 0.1rem 1rem;
  padding: 0.6rem 0;
  border-bottom: 1px solid var(--rule);
  & > svg {
    grid-row: 1 / span 2;
  }
  & h3 {
    font-size: 1.1rem;
  }
  & p {
    line-height: 1.3;
  }
  &[data-short] {
    box-shadow: inset 6px 0 0 var(--cut);
    padding-left: 0.9rem;
  }
  & small {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & > ul {
    grid-column: 2 / -1;
    font-size: var(--s1);
  }
  ${NARROW} {
    grid-template-columns: 2.4rem minmax(0, 1fr);
    & > p {
      grid-column: 2;
    }
  }
`;
/** What is there, as long as it is large, and under it what of it is wanted; beyond it, what is short. */
const Measure = styled.div`
  position: relative;
  height: 2.1rem;
  margin-top: 0.3rem;
  & > i {
    position: absolute;
    left: 0;
    top: 0;
    height: 1.35rem;
    border: 1px solid var(--ink);
  }
  & > b,
  & > em {
    position: absolute;
    top: 1.55rem;
    height: 6px;
    background: var(--ink);
  }
  & > em {
    background: repeating-linear-gradient(115deg, var(--cut) 0 4px, transparent 4px 7px);
    outline: 1px solid var(--cut);
  }
`;
const Slip = styled.section`
  padding: 1.1rem 1.5rem 2rem;
  background: var(--sheet);
  border-left: 2px solid var(--ink);
  & > ul > li {
    display: grid;
    grid-template-columns: 4.5rem minmax(0, 1fr) auto;
    gap: 0 0.8rem;
    align-items: baseline;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--faint);
  }
  & b {
    font: 600 var(--s3) / 1.1 var(--figures);
    text-align: right;
  }
  & small {
    grid-column: 2 / -1;
    font-size: var(--s1);
    color: var(--quiet);
  }
  & > div {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    margin-top: 1rem;
  }
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
  @media print {
    padding: 0;
    border: 0;
  }
`;

/** What open pages want against what is there, and the list to take to the shop. */
export function WantedScreen() {
  const { drawer, papers, habits } = useDrawerContext();
  const wanting = useWanting();
  const pages = wanting.data;
  const wanted = useMemo(() => collectPaperDemand(pages ?? []), [pages]);
  const { found, done, failed } = useSupplyCheck(wanted, drawer, habits.unit);
  const names = useMemo(() => new Map((pages ?? []).map((p) => [p.id, p.name])), [pages]);
  const without = useMemo(() => (pages ?? []).filter((p) => p.pieces.some((piece) => !piece.wish)), [pages]);
  const buy = useMemo(() => buildShoppingList([...found.values()], papers), [found, papers]);
  // what is short comes first, then what is wanted most
  const rows = useMemo(() => {
    const short = (w: PaperDemand) => (found.get(w.paper)?.buy.count || found.get(w.paper)?.beyond.length ? 0 : 1);
    return [...wanted].sort((a, b) => short(a) - short(b));
  }, [wanted, found]);
  // all measures at one scale
  const most = useMemo(
    () => Math.max(1, ...wanted.map((w) => Math.max(w.area, areaOf(drawer.stock.filter((s) => s.paper === w.paper))))),
    [wanted, drawer.stock],
  );
  const lost = useMemo(() => findStaleReservations(pages ?? [], drawer.stock), [pages, drawer.stock]);
  if (wanting.error)
    return (
      <Trouble
        title="What pages want could not be fetched"
        error={wanting.error}
        retry={() => void wanting.refetch()}
      />
    );
  if (!pages) return <Loading what="what pages want" />;
  if (!pages.length)
    return (
      <Empty title="No page wants anything">
        <p>Every page is cut, or there is none yet. What pages want is listed here as soon as one does.</p>
        <PlainLink to="/">To the pages</PlainLink>
      </Empty>
    );
  return (
    <Work>
      <h1 className="out-of-sight">What pages want</h1>
      <Wants aria-labelledby="wanted-heading">
        <h2 id="wanted-heading">
          {formatCount(wanted.length, 'paper')} for {formatCount(pages.length, 'page')}
        </h2>
        <p role="status">
          {failed
            ? 'It could not be worked out. Open this view again.'
            : done
              ? buy.length
                ? `${formatCount(buy.length, 'paper')} ${buy.length === 1 ? 'is' : 'are'} not enough; all of it is counted against what is there.`
                : 'What is there is enough for all of it.'
              : `Working out whether it is enough: ${found.size} of ${wanted.length} papers …`}
        </p>
        {without.length ? (
          <p>
            Not counted: layers without a paper on{' '}
            {without.slice(0, 6).map((p, i) => (
              <span key={p.id}>
                {i ? ', ' : ''}
                <Link to={`/page/${p.id}/papers`}>{p.name}</Link>
              </span>
            ))}
            {without.length > 6 ? ` and ${without.length - 6} more` : ''}.
          </p>
        ) : null}
        {lost.length ? <KeptForNothing notes={lost} names={names} /> : null}
        <List aria-label="Papers that pages want">
          {rows.map((w) => (
            <OnePaper key={w.paper} wanted={w} enough={found.get(w.paper) ?? null} names={names} most={most} />
          ))}
        </List>
      </Wants>
      <Buying buy={buy} done={done} names={names} />
    </Work>
  );
}

const areaOf = (stock: readonly StockItem[]): number =>
  stock.reduce((n, s) => n + (s.reserved ? 0 : sizeOfItem(s).width * sizeOfItem(s).height * s.quantity), 0);

interface OnePaperProps {
  wanted: PaperDemand;
  enough: SupplyCheck | null;
  names: ReadonlyMap<string, string>;
  /** The largest area of all, which is as long as there is room. */
  most: number;
}
function OnePaper({ wanted, enough, names, most }: OnePaperProps) {
  const { drawer, papers, mark } = useDrawerContext();
  const paper = papers.get(wanted.paper);
  const there = useMemo(() => drawer.stock.filter((s) => s.paper === wanted.paper), [drawer.stock, wanted.paper]);
  const notes = useMemo(() => collectDemandNotes(wanted, drawer), [wanted, drawer]);
  const kept = there.flatMap((s) => s.reserves ?? []);
  const nameOf = (id: string) => names.get(id) ?? 'a page';
  const face = paper?.sides[0];
  const tile = face ? tileOf(face.look, faceTurn(face, 0), 24) : null;
  const share = (area: number) => `${(100 * area) / most}%`;
  const own = areaOf(there);
  const short = enough ? enough.buy.count > 0 : false;
  // both sides matter where there is hardly enough
  const tight =
    short || (enough !== null && enough.takes.sheets >= there.filter(isSheet).reduce((n, s) => n + s.quantity, 0));
  const told = notes.filter((note) => note.code !== 'both-sides' || tight);
  return (
    <One {...(enough && (enough.buy.count || enough.beyond.length) ? { 'data-short': true } : {})}>
      <Swatch face={paper?.sides[0]} size={46} />
      <div>
        <h3>{paper?.name ?? 'A paper that is gone'}</h3>
        <small>
          there: {describeStock(there)}
          {kept.length ? `; ${kept.reduce((n, r) => n + r.count, 0)} kept for pages` : ''}
        </small>
      </div>
      <Measure aria-hidden="true">
        {tile && own ? (
          <i style={{ width: share(own), backgroundImage: tile.image, backgroundSize: tile.size }} />
        ) : null}
        <b style={{ left: 0, width: share(short ? Math.min(own, wanted.area) : wanted.area) }} />
        {short && enough ? (
          <em
            style={{
              left: share(Math.min(own, wanted.area)),
              width: share(Math.min(most, enough.buy.count * enough.buy.size.width * enough.buy.size.height)),
            }}
          />
        ) : null}
      </Measure>
      <p style={{ gridColumn: '2 / -1', fontWeight: short ? 600 : 400 }}>
        {paper ? (enough ? describeEnough(enough, { mark, figures: 'typeset' }) : '…') : 'choose another on its page'}
      </p>
      <p style={{ gridColumn: '2 / -1', fontWeight: 400 }}>
        {wanted.pages.slice(0, 5).map((p, i) => (
          <span key={p.id}>
            {i ? ', ' : ''}
            <Link to={`/page/${p.id}/papers`}>{nameOf(p.id)}</Link> ({p.count})
          </span>
        ))}
        {wanted.pages.length > 5 ? ` and ${formatCount(wanted.pages.length - 5, 'page')} more` : ''}
      </p>
      {told.length ? (
        <ul>
          {told.map((note, i) => (
            <li key={i}>{describeDemandNote(note, nameOf)}</li>
          ))}
        </ul>
      ) : null}
    </One>
  );
}

function describeDemandNote(note: DemandNote, nameOf: (id: string) => string): string {
  const list = (ids: readonly string[]) =>
    `${ids.slice(0, 3).map(nameOf).join(', ')}${ids.length > 3 ? ` and ${ids.length - 3} more` : ''}`;
  switch (note.code) {
    case 'both-sides':
      return `Both its sides are wanted: A by ${list(note.a)}; B by ${list(note.b)}. Cutting a piece spends both.`;
    case 'same-item':
      return `${list(note.pages)} are to be cut from one and the same sheet; there is not one for each.`;
    case 'kept-for-nothing':
      return `${note.count} kept for ${nameOf(note.page)}, which wants none of it.`;
  }
}

/** What is kept for pages that do not want it, to be set free with a press. */
function KeptForNothing({ notes, names }: { notes: readonly DemandNote[]; names: ReadonlyMap<string, string> }) {
  const { drawer, done } = useDrawerContext();
  const step = useDrawerStep();
  const pages = new Set(notes.flatMap((n) => (n.code === 'kept-for-nothing' ? [n.page] : [])));
  const free = () => {
    const change = drawer.stock.flatMap((s) =>
      (s.reserves ?? [])
        .filter((r) => pages.has(r.page))
        .map(({ page }) => ({ stock: s.id, keep: { page, count: 0 } })),
    );
    step.mutate({ says: 'freed', change }, { onSuccess: ({ id }) => done(id) });
  };
  return (
    <Notice kind="advice">
      <span>
        {notes.map((n) => describeDemandNote(n, (id) => names.get(id) ?? 'a page that is cut or gone')).join(' ')}
      </span>
      <Quiet onPress={free} isDisabled={step.isPending}>
        Free it
      </Quiet>
    </Notice>
  );
}

function Buying({
  buy,
  done,
  names,
}: {
  buy: readonly ShoppingEntry[];
  done: boolean;
  names: ReadonlyMap<string, string>;
}) {
  const { papers, mark } = useDrawerContext();
  const voice = { mark, figures: 'typeset' } as const;
  const known = buy.filter((b) => b.cost !== null);
  const sum = known.reduce((n, b) => n + b.cost!, 0);
  return (
    <Slip aria-labelledby="buy-heading">
      <h2 id="buy-heading">To buy</h2>
      {!buy.length ? <p>{done ? 'Nothing.' : '…'}</p> : null}
      <ul>
        {buy.map((b) => (
          <li key={b.paper}>
            <b>{formatPurchase(b)}</b>
            <span>{papers.get(b.paper)?.name}</span>
            <span>{b.cost === null ? '' : formatCost(b.cost)}</span>
            <small>
              {formatSize(b.size.width, b.size.height, voice)}, for{' '}
              {b.pages
                .slice(0, 3)
                .map((id) => names.get(id) ?? 'a page')
                .join(', ')}
              {b.pages.length > 3 ? ` and ${b.pages.length - 3} more` : ''}
            </small>
          </li>
        ))}
      </ul>
      {known.length ? (
        <p style={{ marginTop: '0.6rem' }}>
          Together {formatCost(sum)}
          {known.length < buy.length
            ? `, without ${formatCount(buy.length - known.length, 'paper')} whose price nobody said`
            : ''}
        </p>
      ) : null}
      {buy.length ? (
        <div className="no-print">
          <Plain onPress={() => window.print()}>Print the list</Plain>
          <Plain onPress={() => download(`to-buy-${formatToday()}.csv`, formatShoppingCsv(buy, papers, names))}>
            As CSV
          </Plain>
        </div>
      ) : null}
    </Slip>
  );
}
