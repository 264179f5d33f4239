import { NavLink } from 'react-router';
import { styled } from 'styled-components';
import { NARROW, TABLET, UPRIGHT } from './global.ts';

/*
 * The order of the work as a measuring tape: its stations are marks on it, inch by inch, and the black edge reaches
 * as far as this page has come.
 */
const Band = styled.nav`
  position: relative;
  display: flex;
  align-items: stretch;
  height: 3.9rem;
  padding: 0 1.5rem;
  background-color: var(--sheet);
  border-bottom: 2px solid var(--ink);
  background-image:
    repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px 96px),
    repeating-linear-gradient(90deg, var(--rule) 0 1px, transparent 1px 12px);
  background-size:
    100% 12px,
    100% 6px;
  background-position:
    24px 100%,
    24px 100%;
  background-repeat: no-repeat;
  ${NARROW} {
    height: 3.3rem;
    padding: 0 0.75rem;
  }
`;
const Name = styled(NavLink)`
  display: flex;
  align-items: center;
  padding-right: 1.6rem;
  font: 600 1.5rem/1 var(--figures);
  letter-spacing: -0.03em;
  text-decoration: none;
  ${NARROW} {
    padding-right: 0.5rem;
    font-size: 1.1rem;
  }
  /* six stations and what can be undone have no room beside the whole name */
  @media (max-width: 480px) {
    font-size: 0;
    &::before {
      content: 'T';
      font-size: 1.4rem;
    }
  }
`;
/** What the tape shows less of where it is narrow: the names of stations one is not at, for the eye alone. */
const OUT_OF_SIGHT = `
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
`;
const Stations = styled.ol`
  display: flex;
  flex: 1 1 0;
  min-width: 0;
  & > li {
    flex: 0 1 auto;
    min-width: 2.1rem;
  }
  & > li:has([aria-current='page']) {
    flex-shrink: 3;
    min-width: 3rem;
  }
  @media (max-width: 480px) {
    & > li,
    & > li:has([aria-current='page']) {
      min-width: 1.45rem;
    }
  }
`;
const Stop = styled(NavLink)<{ $reached: boolean }>`
  position: relative;
  display: flex;
  align-items: baseline;
  gap: 0.45rem;
  min-width: 0;
  height: 100%;
  padding: 0.75rem 0.9rem 0 0.6rem;
  & > span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  text-decoration: none;
  border-left: 1.5px solid var(--ink);
  font-weight: ${(p) => (p.$reached ? 600 : 400)};
  color: ${(p) => (p.$reached ? 'var(--ink)' : 'var(--quiet)')};
  & > b {
    font: 600 1.5rem/1 var(--figures);
  }
  &::after {
    content: '';
    position: absolute;
    left: -1.5px;
    right: 0;
    bottom: 0;
    height: ${(p) => (p.$reached ? '5px' : '0')};
    background: var(--ink);
  }
  &[aria-current='page'] {
    background: var(--room);
    color: var(--ink);
    font-weight: 600;
  }
  &[aria-current='page']::before {
    content: '';
    position: absolute;
    top: 0;
    left: -1.5px;
    right: 0;
    height: 4px;
    background: var(--cut);
  }
  ${TABLET} {
    &:not([aria-current='page']) > span {
      ${OUT_OF_SIGHT}
    }
  }
  ${NARROW} {
    padding: 0.7rem 0.45rem 0 0.4rem;
    & > b {
      font-size: 1.1rem;
    }
    & > span {
      font-size: 0.875rem;
    }
  }
  @media (max-width: 480px) {
    padding: 0.7rem 0.3rem 0 0.35rem;
  }
`;
/** The drawer is always in reach, apart from the page: the front of one, with its pull. */
const Pull = styled(NavLink)`
  display: flex;
  flex: none;
  flex-direction: column;
  justify-content: center;
  gap: 0.35rem;
  margin: 0.55rem 0 0.9rem 1.2rem;
  padding: 0 0.9rem;
  border: 1.5px solid var(--ink);
  font-weight: 600;
  line-height: 1;
  text-align: center;
  text-decoration: none;
  & > i {
    align-self: center;
    width: 1.7rem;
    height: 5px;
    border: 1.5px solid var(--ink);
    border-top: 0;
  }
  &:hover {
    background: var(--room);
  }
  &[aria-current='page'] {
    background: var(--ink);
    color: #fff;
    & > i {
      border-color: #fff;
    }
  }
  ${TABLET} {
    margin-left: 0.6rem;
    padding: 0 0.6rem;
    text-transform: capitalize;
    & > span > span {
      display: none;
    }
  }
  ${NARROW} {
    margin: 0.35rem 0 0.7rem 0.4rem;
    padding: 0 0.4rem;
    font-size: var(--s1);
  }
`;
/** Photos too: one that hangs from its peg. */
const Peg = styled(NavLink)`
  position: relative;
  display: flex;
  flex: none;
  align-items: center;
  margin: 0.75rem 0 0.9rem 1.2rem;
  padding: 0.2rem 0.75rem 0;
  border: 1.5px solid var(--ink);
  border-bottom-width: 6px;
  background: #fff;
  font-weight: 600;
  line-height: 1;
  text-decoration: none;
  & > i {
    position: absolute;
    left: calc(50% - 3px);
    top: -7px;
    width: 6px;
    height: 13px;
    background: var(--ink);
  }
  &:hover {
    background: var(--room);
  }
  &[aria-current='page'] {
    background: var(--ink);
    color: #fff;
    & > i {
      background: var(--cut);
    }
  }
  ${TABLET} {
    margin-left: 0.6rem;
  }
  ${NARROW} {
    margin: 0.6rem 0 0.7rem 0.5rem;
    width: 2.1rem;
    padding: 0;
    & > span {
      position: absolute;
      width: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
  }
`;
/** The books, bound at the left; of a tablet held upright the back of them, and on a phone the first view leads to them. */
const Ledger = styled(NavLink)`
  position: relative;
  display: flex;
  flex: none;
  align-items: center;
  margin: 0.55rem 0 0.9rem 0.9rem;
  padding: 0 0.7rem 0 0.55rem;
  border: 1.5px solid var(--ink);
  border-left: 7px double var(--ink);
  font-weight: 600;
  line-height: 1;
  text-decoration: none;
  &:hover {
    background: var(--room);
  }
  &[aria-current='page'] {
    background: var(--ink);
    color: #fff;
  }
  ${UPRIGHT} {
    width: 1.7rem;
    padding: 0;
    margin-left: 0.6rem;
    & > span {
      ${OUT_OF_SIGHT}
    }
  }
  ${NARROW} {
    display: none;
  }
`;
const Aside = styled.div`
  display: flex;
  align-items: center;
  gap: 0.75rem;
  margin-left: auto;
  padding-left: 1rem;
  font-size: var(--s1);
  white-space: nowrap;
  /* what was done last may have a long name */
  & button {
    max-width: 13rem;
    overflow: hidden;
    text-overflow: ellipsis;
    ${TABLET} {
      max-width: 7rem;
    }
    ${NARROW} {
      max-width: 4rem;
    }
    @media (max-width: 480px) {
      width: 2rem;
      padding: 0;
      font-size: 0;
      text-decoration: none;
      &::before {
        content: '↶';
        font-size: 1.5rem;
      }
      &:nth-of-type(2)::before {
        content: '↷';
      }
    }
  }
  ${TABLET} {
    gap: 0.4rem;
    padding-left: 0.4rem;
  }
  ${NARROW} {
    gap: 0.25rem;
    padding-left: 0.5rem;
    /* on a phone only what can be pressed, or is not as it should be, takes up room */
    & [data-disabled] {
      display: none;
    }
    & [data-quiet] {
      position: absolute;
      width: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
  }
`;

export interface Station {
  readonly to: string;
  readonly name: string;
  readonly reached: boolean;
}

interface TapeProps {
  stations: readonly Station[];
  /** What the stations are; left out: those of a page. */
  label?: string;
  aside?: React.ReactNode;
}

export function StationNav({ stations, label = 'Order of the work', aside }: TapeProps) {
  return (
    <Band aria-label={label} className="no-print">
      <Name to="/" end aria-label="Temnex, start">
        Temnex
      </Name>
      <Stations>
        {stations.map((s, i) => (
          <li key={s.to}>
            <Stop to={s.to} end $reached={s.reached}>
              <b aria-hidden="true">{i + 1}</b>
              <span>{s.name}</span>
            </Stop>
          </li>
        ))}
      </Stations>
      <Aside>{aside}</Aside>
      <Peg to="/photos">
        <i aria-hidden="true" />
        <span>Photos</span>
      </Peg>
      <Pull to="/drawer" aria-label="The drawer">
        <i aria-hidden="true" />
        <span>
          <span>The </span>drawer
        </span>
      </Pull>
      <Ledger to="/books" title="Books">
        <span>Books</span>
      </Ledger>
    </Band>
  );
}
