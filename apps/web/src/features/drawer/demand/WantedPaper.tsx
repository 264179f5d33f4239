import { useMemo } from 'react';
import { Link } from 'react-router';
import { styled } from 'styled-components';
import { isSheet } from '@temnex/core/stock';
import { collectDemandNotes, type PaperDemand, type SupplyCheck } from '@temnex/core/cutting';
import { describeEnough, describeStock, formatCount } from '@temnex/words';
import { NARROW } from '../../../design/global.ts';
import { Swatch, faceTurn } from '../../../design/Swatch.tsx';
import { useDrawerContext } from '../context.ts';
import { tileOf } from '../tiles.ts';
import { areaOf } from './areas.ts';
import { describeDemandNote } from './demandNotes.ts';

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

interface WantedPaperProps {
  wanted: PaperDemand;
  enough: SupplyCheck | null;
  names: ReadonlyMap<string, string>;
  /** The largest area of all, which is as long as there is room. */
  most: number;
}
/** One paper: what there is of it, what of that is wanted, and by which pages. */
export function WantedPaper({ wanted, enough, names, most }: WantedPaperProps) {
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
