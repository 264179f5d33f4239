import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { styled } from 'styled-components';
import { NARROW } from '../../design/global.ts';
import { KeysSheet } from '../../design/KeysSheet.tsx';
import { StationNav, type Station } from '../../design/StationNav.tsx';
import { useScrollToTop } from '../../design/useScrollToTop.ts';

const PLACES: readonly Station[] = [
  { to: '/books', name: 'The record', reached: true },
  { to: '/books/devices', name: 'Other devices', reached: true },
  { to: '/books/backup', name: 'Backup', reached: true },
];
export const BooksPanel = styled.main`
  flex: 1;
  max-width: 74rem;
  padding: 1.4rem 1.5rem 3rem;
  & > p {
    max-width: 44rem;
  }
  ${NARROW} {
    padding: 1rem 0.75rem 2rem;
  }
`;

/** A list with a rule under each, its name first. */
export const Rows = styled.ul`
  max-width: 44rem;
  margin: 0.6rem 0 1.5rem;
  border-top: 1px solid var(--rule);
  & > li {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.2rem 1rem;
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--rule);
  }
  & b {
    flex: 1;
    min-width: 9rem;
    font-weight: 600;
  }
`;

/** What is kept of all that was done, who else may come in, and how none of it is lost. */
export function BooksStation() {
  useScrollToTop();
  useEffect(() => {
    document.title = 'The books · Temnex';
  }, []);
  return (
    <>
      <StationNav stations={PLACES} label="The books" />
      <KeysSheet stations={PLACES} />
      <Outlet />
    </>
  );
}
