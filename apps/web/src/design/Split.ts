import { TextField } from 'react-aria-components';
import { styled } from 'styled-components';
import { NARROW } from './global.ts';

/* What the views of the drawer share: what lies there, beside it what is done with it, and the lines that are typed. */

/** What lies there and a slip beside it, each looked through by itself; on a phone one below the other. */
export const Split = styled.main`
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 21rem;
  min-height: 0;
  @media (min-width: 761px) and (min-height: 560px) {
    height: calc(100dvh - 62px);
    & > aside {
      overflow-y: auto;
    }
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** What is done with what is picked. */
export const SidePanel = styled.aside`
  display: flex;
  flex-direction: column;
  gap: 1.1rem;
  padding: 0.9rem 1.5rem 2rem;
  border-left: 2px solid var(--ink);
  ${NARROW} {
    padding: 0.9rem 0.75rem;
    border-left: 0;
    border-top: 2px solid var(--ink);
  }
`;
/** On a phone what goes with what is looked at lies below all of it: the way there. */
export const ToSidePanel = styled.div`
  display: none;
  ${NARROW} {
    position: sticky;
    bottom: 0;
    z-index: 2;
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 1rem;
    min-height: 3rem;
    padding: 0.3rem 0.75rem;
    background: var(--sheet);
    border-top: 2px solid var(--ink);
    & > a {
      padding: 0.8rem 0;
      font-weight: 600;
      white-space: nowrap;
    }
  }
`;
/** The line in which one says what one looks for. */
export const SearchLine = styled(TextField)`
  display: flex;
  flex-direction: column;
  gap: 0.2rem;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    width: 100%;
    min-height: 2.75rem;
    padding: 0.2rem 0.8rem;
    border: 1.5px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
    font: 400 1.15rem/1.2 var(--text);
  }
  & input::placeholder {
    font-size: var(--s2);
    color: #6b6b6b;
  }
`;

/** A word or a number that is typed, as wide as there is room. */
export const TypedField = styled(TextField)`
  display: flex;
  flex-direction: column;
  width: 100%;
  & label {
    font-size: var(--s1);
    color: var(--quiet);
  }
  & input {
    min-width: 0;
    width: 100%;
    min-height: 2.4rem;
    padding: 0.1rem 0.5rem;
    border: 0;
    border-bottom: 2px solid var(--ink);
    border-radius: 0;
    background: var(--sheet);
  }
`;
