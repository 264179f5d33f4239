import { Link } from 'react-router';
import { styled } from 'styled-components';
import { usePages } from '../../data/pages/queries.ts';
import { NARROW } from '../../design/global.ts';
import { STAGES, stationFor } from '../../widgets/pages/stages.ts';

const Strip = styled.nav`
  position: absolute;
  top: 0.5rem;
  right: 1.5rem;
  max-width: calc(100% - 13rem);
  font-size: var(--s1);
  ${NARROW} {
    position: static;
    max-width: none;
    /* its room is kept while the pages are fetched, so that nothing jumps */
    min-height: 2.75rem;
  }
  & ul {
    display: flex;
    align-items: baseline;
    gap: 0 1.1rem;
    overflow: hidden;
  }
  & li {
    flex: 0 1 auto;
    min-width: 3rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    color: var(--quiet);
  }
  & li:first-child,
  & li:last-child:not(:nth-child(2)) {
    flex: none;
  }
  /* on a phone the last one is enough, and all of them */
  ${NARROW} {
    & li:nth-child(3):not(:last-child) {
      display: none;
    }
  }
  & a {
    font-weight: 600;
    line-height: 1.5rem;
    color: var(--ink);
  }
  @media (pointer: coarse) {
    & a {
      display: inline-block;
      line-height: 2.75rem;
    }
  }
`;
const MAX_PAGES_OFFERED = 2;

/** For somebody who comes back: the pages last worked on, each at the station that it has come to. */
export function GoOnWith() {
  const pages = usePages();
  const latest = pages.data?.filter((page) => !page.unreadable && !page.pattern).slice(0, MAX_PAGES_OFFERED) ?? [];
  if (!pages.isPending && !latest.length) return null;
  return (
    <Strip aria-label="Go on with a page">
      {latest.length ? (
        <ul>
          <li>Go on with</li>
          {latest.map((page) => (
            <li key={page.id}>
              <Link to={stationFor(page)}>{page.name}</Link>, {STAGES[page.stage]}
            </li>
          ))}
          {pages.data!.length > latest.length ? (
            <li>
              <a href="#pages-heading">all {pages.data!.length} pages</a>
            </li>
          ) : null}
        </ul>
      ) : null}
    </Strip>
  );
}
