import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { styled } from 'styled-components';
import { NARROW } from '../../theme/global.ts';
import { KeysSheet } from '../../ui/KeysSheet.tsx';
import { Tape, type Station } from '../../ui/Tape.tsx';
import { useTopOnArrival } from '../../ui/useTopOnArrival.ts';

const PLACES: readonly Station[] = [
  { to: '/books', name: 'The record', reached: true },
  { to: '/books/devices', name: 'Other devices', reached: true },
  { to: '/books/backup', name: 'Backup', reached: true },
];
export const BookPage = styled.main`
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

/** What is kept of all that was done, who else may come in, and how none of it is lost. */
export function BooksStation() {
  useTopOnArrival();
  useEffect(() => {
    document.title = 'The books · Temnex';
  }, []);
  return (
    <>
      <Tape stations={PLACES} label="The books" />
      <KeysSheet stations={PLACES} />
      <Outlet />
    </>
  );
}
