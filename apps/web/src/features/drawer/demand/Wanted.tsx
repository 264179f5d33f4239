import { useMemo } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { findStaleReservations, buildShoppingList, collectPaperDemand, type PaperDemand } from '@temnex/core/cutting';
import { formatCount } from '@temnex/words';
import { useWanting } from '../../../data/orders/queries.ts';
import { NARROW } from '../../../design/global.ts';
import { PlainLink } from '../../../design/buttons.tsx';
import { Empty, Loading, Trouble } from '../../../design/states.tsx';
import { useDrawerContext } from '../context.ts';
import { areaOf } from './areas.ts';
import { KeptForNothing } from './KeptForNothing.tsx';
import { ShoppingList } from './ShoppingList.tsx';
import { WantedPaper } from './WantedPaper.tsx';
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
            <WantedPaper key={w.paper} wanted={w} enough={found.get(w.paper) ?? null} names={names} most={most} />
          ))}
        </List>
      </Wants>
      <ShoppingList buy={buy} done={done} names={names} />
    </Work>
  );
}
